using RustCabin.Core.Bench;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Faults;

/// <summary>
/// Each kind of fault is put into the simulated machine; what a person would see is given, and it is found first, or a look is
/// named that decides.
/// </summary>
public sealed class DiagnosisTests
{
    /// <summary>What a look shows on a machine that has one fault.</summary>
    static string ShownBy(Observable at, Hypothesis truth, IReadOnlyList<Sight> sights, PowerUpCount expected)
    {
        if (at.Id == truth.Look!.Id)
            return truth.Look.Shows;
        if (at.Id == Diagnosis.StartsId)
            return truth.Shows.Starts == false ? "no" : "yes";
        if (sights.FirstOrDefault(s => s.Id == at.Id) is { } sight)
            return sight.Predicted(truth) ?? sight.Usual;
        return at.Usual
            ?? expected
                .Lines.Index()
                .Where(l => Diagnosis.LineId(l.Index) == at.Id)
                .Select(l => $"{l.Item.Bytes.Bytes}")
                .FirstOrDefault(at.Outcomes[0]);
    }

    static IEnumerable<(Step Gate, PlannedUnit At)> Gates()
    {
        foreach (Pack pack in Demo.Packs)
        foreach (Job job in pack.Jobs)
        {
            var sheet = BuildSheet.For(
                Trail.Stations,
                Plan.For(pack, pack.FindUnit(job.Unit)!),
                Plan.For(pack, job),
                School.Careful
            );
            foreach (Step gate in sheet.Steps.Where(s => s is { Kind: StepKind.Gate, At: not null }))
                yield return (gate, gate.At!);
        }
    }

    static Seen SeenOf(Hypothesis h) =>
        new()
        {
            Lines = h.Shows.Count is { } count ? [.. count.Lines.Select(l => l.Bytes.Bytes)] : null,
            Starts = h.Shows.Starts,
            Looks = h.Shows.Others,
        };

    [Fact]
    public void Every_kind_is_found_first_or_a_look_decides()
    {
        var kinds = new Dictionary<string, int>();
        foreach ((Step gate, PlannedUnit at) in Gates().DistinctBy(g => (g.At.Model.Id, g.Gate.Id)))
        {
            Hypothesis[] all = [.. Trail.Stations.Hypotheses(at)];
            IReadOnlyList<Sight> sights = Trail.Stations.Sights(at);
            Core.Bench.PowerUpCount expected = Core.Bench.PowerUp.Run(at);
            // One of each kind: what holds for one bit holds for its fellows.
            foreach (Hypothesis truth in all.Where(h => h.Look is not null).DistinctBy(h => h.Id.Split(':')[0] + h.Shows.Starts))
            {
                // A table is measured line by line: the one that differs is read.
                Seen seen = truth.Id.StartsWith("probe:", StringComparison.Ordinal)
                    ? new Seen { Looks = new Dictionary<string, string> { [truth.Look!.Id] = truth.Look.Shows } }
                    : SeenOf(truth);
                IReadOnlyList<AccessLevel> open = AccessPath.Path(at.Model, gate.Level);
                bool safe = truth.Look!.Opens.All(l => !l.Cautions.Contains("mains") && !l.Cautions.Contains("tube"));
                Diagnosis found = Diagnosis.Of(at, open, seen, all, expected, sights);
                for (int looks = 0; found.Causes[0].Cause.Id != truth.Id; looks++)
                {
                    if (found.Next is not { } next)
                    {
                        // No look that is allowed parts what is left: it is among them.
                        Assert.True(!safe || found.Causes.First(c => c.Cause.Id == truth.Id).Chance > 0, truth.Id);
                        break;
                    }
                    Assert.True(looks < 200, $"{truth.Id} at {gate.Id}");
                    string shows = ShownBy(next.What, truth, sights, expected);
                    seen = seen with { Looks = new Dictionary<string, string>(seen.Looks) { [next.What.Id] = shows } };
                    found = Diagnosis.Of(at, open, seen, all, expected, sights);
                }
                if (found.Causes[0].Cause.Id == truth.Id)
                    kinds[truth.Id.Split(':')[0]] = kinds.GetValueOrDefault(truth.Id.Split(':')[0]) + 1;
            }
        }
        foreach (
            string kind in (string[])
                [
                    .. "seat switch data address chip register revision probe rail image heat weak sync phase cable".Split(' '),
                    .. "side terminator slow erased access card driver own".Split(' '),
                ]
        )
            Assert.True(kinds.GetValueOrDefault(kind) > 0, $"no {kind} was found: {string.Join(", ", kinds)}");
    }

    [Fact]
    public void A_moved_switch_is_first_and_its_look_confirms_it()
    {
        Pack pack = Sample.Slipway();
        var sheet = BuildSheet.For(Trail.Stations, Plan.For(pack, pack.Units[0]), Plan.For(pack, pack.Jobs[0]));
        Step gate = sheet.Steps.First(s => $"{s.Id}" == "count-fathom");
        Diagnosis found = Diagnosis.Of(Trail.Stations, gate.At!, [], new Seen { Lines = [192 << 10, 1 << 20], Starts = true });
        Assert.Equal("switch:fathom.W3=closed", found.Causes[0].Cause.Id);
        Assert.True(found.Causes[0].Fits);
        Assert.False(found.Causes.First(c => c.Cause.Id == "seat:fathom").Fits);
        Assert.Equal("switch:fathom.W3", found.Next!.What.Id);
        // The way in costs six minutes while the case is closed, and none once the lid is off.
        Assert.Equal(7, found.Next.What.Minutes);
        Diagnosis open = Diagnosis.Of(
            Trail.Stations,
            gate.At!,
            AccessPath.Path(gate.At!.Model, gate.Level),
            new Seen { Lines = [192 << 10, 1 << 20], Starts = true }
        );
        Assert.Equal(1, open.Next!.What.Minutes);
        Assert.Equal(1, found.Causes.Sum(c => c.Chance) + found.Other, 9);
        var leaves = found.Leaves(found.Next, new Seen { Lines = [192 << 10, 1 << 20], Starts = true }).ToList();
        Assert.True(leaves.First(l => l.Outcome == "closed").Chance > 0.95);
        Assert.True(leaves.First(l => l.Outcome == "open").Chance < 0.6);
    }

    [Fact]
    public void Weights_are_those_of_the_sheets()
    {
        Pack pack = Sample.Slipway();
        PlannedUnit at = Plan.For(pack, pack.Jobs[0]);
        Hypothesis[] all = [.. Trail.Stations.Hypotheses(at)];
        decimal Weight(string id) => all.First(h => h.Id == id).Weight;
        Assert.Equal(0.06m, Weight("seat:fathom"));
        Assert.Equal(0.03m, Weight("switch:fathom.W3=closed"));
        Assert.Equal(
            0.006m,
            all.Where(h => h.Id.StartsWith("data:part:fathom", StringComparison.Ordinal)).Sum(h => h.Weight),
            12
        );
        Assert.Equal(
            0.006m,
            all.Where(h => h.Id.StartsWith("address:part:fathom", StringComparison.Ordinal)).Sum(h => h.Weight),
            12
        );
        Assert.Equal(0.006m, Weight("chip:part:fathom:four"));
        Assert.Equal(0.005m, Weight("chip:model:shared"));
        Assert.Equal(0.01m, Weight("before"));
        // A person vouches for this board: no cause says that it is another.
        Assert.DoesNotContain(all, h => h.Id.StartsWith("revision:", StringComparison.Ordinal));
        Pack doubted = pack with { Units = [.. pack.Units.Select(u => u with { Revision = null })] };
        PlannedUnit open = Plan.For(doubted, doubted.Jobs[0]);
        Assert.Equal(
            open.Revision.All.Where(r => r.Id != open.Revision.Id && r.Probability > 0).Select(r => (decimal)r.Probability),
            Trail
                .Stations.Hypotheses(open)
                .Where(h => h.Id.StartsWith("revision:", StringComparison.Ordinal))
                .Select(h => h.Weight)
        );
        Assert.Equal(all.Length, all.Select(h => h.Id).Distinct().Count());
    }

    [Fact]
    public void One_run_serves_for_all_bits_of_a_word()
    {
        foreach (PlannedUnit at in Gates().Select(g => g.At).DistinctBy(a => a.Model.Id))
        foreach (Hypothesis bit in Trail.Stations.Hypotheses(at).Where(h => h.Id.StartsWith("data:", StringComparison.Ordinal)))
        {
            Core.Bench.PowerUpCount? own = Effect.In(bit.Fault!).Count(at);
            Assert.Equal(own is null, bit.Shows.Starts == false);
            Assert.Equal(own?.Lines.Select(l => l.Bytes), bit.Shows.Count?.Lines.Select(l => l.Bytes));
        }
    }

    [Fact]
    public void Known_faults_of_parts_foretell_what_their_sheets_say()
    {
        var machine = new Machine
        {
            Claims = """{ "id": "ram", "kind": "ram", "base": "0x0000", "size": "16K" }""",
            PowerUp = """{ "label": "ram", "from": "0x0000", "to": "0x8000", "step": "4K" }""",
            More = Machine.Slot,
            Parts = Machine.Part(
                "p",
                """
                , "faults": [ { "id": "dark", "cause": "Regulator dry", "weight": 0.3, "shows": { "starts": false, "lines": null }, "check": "Measure 5 V at C3", "mend": "Reflow it" },
                  { "id": "stripes", "cause": "Ribbon turned", "weight": 0.1, "shows": { "lines": [8192], "also": { "picture": "stripes" } } }, { "id": "odd", "weight": 0.1, "shows": "now and then" } ]
                """
            ),
            Job = Machine.Add("p"),
        };
        Diagnosis dark = Diagnosis.Of(Trail.Stations, machine.Planned, [], new Seen { Starts = false });
        Assert.Equal("own:p:dark", dark.Causes[0].Cause.Id);
        Assert.Equal("Regulator dry", dark.Causes[0].Cause.Words);
        Diagnosis striped = Diagnosis.Of(
            Trail.Stations,
            machine.Planned,
            [],
            new Seen
            {
                Lines = [8192],
                Looks = new Dictionary<string, string> { ["picture"] = "stripes" },
            }
        );
        Assert.Equal("own:p:stripes", striped.Causes[0].Cause.Id);
        Assert.Contains("picture", striped.Observables.Select(o => o.Id));
    }

    [Fact]
    public void Five_hundred_causes_of_a_ten_part_plan_are_weighed_within_half_a_second()
    {
        string[] parts = [.. Enumerable.Range(0, 10).Select(i => $"p{i}")];
        string part(string id, int i) =>
            Machine.Part(
                id,
                $$"""
                , "switches": [ { "id": "S", "kind": "rotary", "positions": [{{string.Join(
                    ',',
                    Enumerable.Range(0, 16).Select(n => $"\"{n}\"")
                )}}], "factory": "0" } ],
                  "claims": [ { "id": "ram", "kind": "ram", "base": "0x{{1 + i:X}}00000", "size": "1M" } ]
                """,
                site: $"s{i}"
            );
        var machine = new Machine
        {
            AddressBits = 24,
            DataBits = 16,
            PowerUp = """{ "label": "all", "from": "0x100000", "to": "0xB00000", "step": "64K", "stopAtGap": false }""",
            More = $$""", "sites": [{{string.Join(',', parts.Select((_, i) => $$"""{ "id": "s{{i}}", "kind": "slot" }"""))}}]""",
            Parts = string.Join(',', parts.Select(part)),
            Job = Machine.Add(parts),
        };
        PlannedUnit at = machine.Planned;
        var seen = new Seen { Lines = [9 << 20], Starts = true };
        Diagnosis.Of(Trail.Stations, at, [], seen);
        Diagnosis found = null!;
        double ms = Pace.Ms(() => found = Diagnosis.Of(Trail.Stations, at, [], seen), budget: 500);
        Assert.True(found.Causes.Count >= 500, $"{found.Causes.Count}");
        Assert.True(ms < 500, $"{ms} ms for {found.Causes.Count} causes");
    }
}
