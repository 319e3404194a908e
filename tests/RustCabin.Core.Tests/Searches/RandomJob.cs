using RustCabin.Core.Choices;
using RustCabin.Core.Planning;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Searches;

/// <summary>Small machines with cards whose switches move claims, sizes, draws and needs about; much of it clashes.</summary>
static class RandomJob
{
    public static Machine Of(int seed)
    {
        var random = new Random(seed);
        int count = random.Next(1, 4);
        string[] ids = [.. Enumerable.Range(0, count).Select(i => $"c{i}")];
        return new Machine
        {
            Masters = "\"cpu\", \"video\"",
            Claims =
                $$"""{ "id": "base", "kind": "ram", "base": "0", "size": "{{random.Next(1, 5) * 4}}K" }, { "id": "os", "kind": "rom", "base": "0xE000", "size": "8K", "masters": ["cpu"] }""",
            PowerUp = """{ "label": "low", "from": "0", "to": "0x8000", "step": "4K" }, { "label": "cards", "auto": true }""",
            More = $$"""
                , "autoWindows": [ { "id": "w", "base": "0x8000", "size": "{{random.Next(1, 4)
                    * 4}}K" } ], "sites": [{{string.Join(
                    ',',
                    Enumerable.Range(0, 3).Select(i => $$"""{ "id": "s{{i}}", "kind": "slot" }""")
                )}}],
                  "rails": [ { "id": "+5", "volts": 5, "amps": 1.25, "usedAmps": 0.4 } ]
                """,
            Parts = string.Join(',', ids.Select((id, i) => Card(random, id, $"s{(random.Next(12) == 0 ? 0 : i)}", ids))),
            Job =
                Machine.Add(ids)
                + (
                    random.Next(2) == 0
                        ? $$""", "wants": [ { "memory": { "master": "{{(random.Next(2) == 0 ? "cpu" : "video")}}", "atLeast": "{{random.Next(2, 10) * 4}}K" } } ]"""
                        : ""
                ),
        };
    }

    static string Card(Random random, string id, string site, string[] ids)
    {
        (string Id, string[] Positions)[] switches =
        [
            .. Enumerable.Range(0, random.Next(1, 4)).Select(i => ($"S{i}", ((string[])["a", "b", "c"])[..random.Next(2, 4)])),
        ];
        string When() =>
            random.Next(5) == 0 && ids.Length > 1 && ids.First(i => i != id) is { } other
                ? $$"""{ "{{other}}.S0": "a" }"""
                : $"{{ {string.Join(", ", switches.Where(_ => random.Next(2) == 0).Select(Asked))} }}";
        string Asked((string Id, string[] Positions) each)
        {
            string first = each.Positions[random.Next(each.Positions.Length)];
            bool both = random.Next(2) == 0 || each.Positions[0] != "a";
            return both ? $"\"{each.Id}\": [\"{first}\", \"{each.Positions[0]}\"]" : $"\"{each.Id}\": [\"{first}\"]";
        }
        string Claim(int i) =>
            random.Next(6) switch
            {
                0 =>
                    $$"""{ "id": "k{{i}}", "kind": "ram", "auto": true, "size": "{{4 << random.Next(2)}}K", "when": {{When()}} }""",
                1 =>
                    $$"""{ "id": "k{{i}}", "kind": "rom", "base": "0x{{random.Next(12, 16):X}}000", "size": "4K", "overlays": [{{(random.Next(2) == 0 ? "\"model:os\"" : "")}}], "when": {{When()}} }""",
                2 =>
                    $$"""{ "id": "k{{i}}", "kind": "register", "access": "write", "base": "0x{{random.Next(16):X}}000", "size": "16", "when": {{When()}} }""",
                _ =>
                    $$"""{ "id": "k{{i}}", "kind": "{{(random.Next(2) == 0 ? "io" : "ram")}}", "base": "0x{{random.Next(4, 14):X}}000", "size": "{{random.Next(1, 3) * 4}}K", "masters": [{{(random.Next(3) == 0 ? "\"video\"" : "\"cpu\", \"video\"")}}], "when": {{When()}} }""",
            };
        return Machine.Part(
            id,
            $$"""
            , "switches": [{{string.Join(
                ',',
                switches.Select(s => $$"""{ "id": "{{s.Id}}", "positions": ["{{string.Join("\", \"", s.Positions)}}"] }""")
            )}}],
              "claims": [{{string.Join(',', Enumerable.Range(0, random.Next(1, 5)).Select(Claim))}}],
              "sets": [{{(
                random.Next(5) == 0
                    ? $$"""{ "claim": "model:base", "size": "{{random.Next(1, 9) * 4}}K", "when": {{When()}} }"""
                    : ""
            )}}],
              "draws": [ { "rail": "+5", "peakAmps": {{random.Next(0, 4)}}e-1, "when": {{When()}} } ],
              "needs": [{{(
                random.Next(5) == 0
                    ? $$"""{ "memory": { "master": "cpu", "atLeast": "{{random.Next(2, 10) * 4}}K" }, "when": {{When()}} }"""
                    : ""
            )}}]
            """,
            site: site
        );
    }
}

/// <summary>Every position of every switch, put before the checker: effects that pass, each with the fewest moves.</summary>
static class BruteForce
{
    public static long Positions(PlannedUnit job) =>
        job.Instances.SelectMany(i => i.Part.Switches).Aggregate(1L, (product, s) => product * s.Positions.Count);

    public static Dictionary<string, int> Of(PlannedUnit job)
    {
        var found = new Dictionary<string, int>();
        foreach ((PlannedUnit plan, int moves) in Passing(job, job.Job!.Wants))
        {
            string effect = Effect.Of(plan);
            if (!found.TryGetValue(effect, out int best) || moves < best)
                found[effect] = moves;
        }
        return found;
    }

    /// <summary>Every setting that passes, with its moves, as they are found.</summary>
    public static IEnumerable<(PlannedUnit Planned, int Moves)> Passing(PlannedUnit job, IReadOnlyList<Need> wants)
    {
        (int Instance, Switch Switch)[] all =
        [
            .. job.Instances.Index().SelectMany(i => i.Item.Part.Switches.Select(s => (i.Index, s))),
        ];
        long combinations = Positions(job);
        Dictionary<string, string>[] positions =
        [
            .. job.Instances.Select(i => i.Part.Switches.ToDictionary(s => s.Id, s => s.Factory)),
        ];
        for (long code = 0; code < combinations; code++)
        {
            long left = code;
            int moves = 0;
            foreach ((int instance, Switch own) in all)
            {
                positions[instance][own.Id] = own.Positions[(int)(left % own.Positions.Count)];
                left /= own.Positions.Count;
                if (positions[instance][own.Id] != Candidate.Now(job.Instances[instance])[own.Id])
                    moves++;
            }
            PlannedUnit plan = Plan.Of(
                job,
                [.. job.Instances.Select((i, n) => i with { Positions = new Dictionary<string, string>(positions[n]) })]
            );
            if (!Trail.Stations.Stops(plan).Any() && NeedCheck.Of(plan, wants).All(a => a.Met == true))
                yield return (plan, moves);
        }
    }
}
