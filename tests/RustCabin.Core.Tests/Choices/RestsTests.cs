using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sets;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Choices;

/// <summary>
/// What a stop is said to rest on is what it rests on: parts are added at random and switches thrown, and it stays. Source:
/// docs/architecture.md, Rules and solvers.
/// </summary>
public class RestsTests
{
    const int Seeds = 40;

    public static readonly TheoryData<string> Files = new(
        Directory
            .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json")
            .Select(f => Path.GetFileName(f))
            .Order()
    );

    [Theory]
    [MemberData(nameof(Files))]
    public void A_stop_that_rests_on_its_subjects_stays_whatever_is_added(string file)
    {
        var held = 0;
        Each(
            file,
            (job, added, random) =>
            {
                foreach ((Rests rests, Finding stop) in Trail.Stops(Of(job, added)))
                {
                    if (rests != Rests.Subjects)
                        continue;
                    held++;
                    FittedPart[] more = [.. added, .. Some(job, random, 2)];
                    Assert.True(
                        Still(stop, Thrown(Of(job, more), random)),
                        $"{stop.Code} of {string.Join('+', added.Select(a => a.Part))}"
                            + $" went when {string.Join('+', more[added.Length..].Select(a => a.Part))} came"
                    );
                }
            }
        );
        Assert.True(held > 0 || file is "primer.json" or "porthole.json", "no stop was put to it");
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void A_stop_that_rests_on_the_parts_stays_however_the_switches_stand(string file) =>
        Each(
            file,
            (job, added, random) =>
            {
                PlannedUnit plan = Of(job, added);
                foreach ((Rests rests, Finding stop) in Trail.Stops(plan))
                    if (rests != Rests.All)
                        Assert.True(
                            Still(stop, Thrown(plan, random)),
                            $"{stop.Code} of {string.Join('+', added.Select(a => a.Part))}"
                        );
            }
        );

    /// <summary>
    /// The tall card takes the slot under the shield as long as it comes alone; a low card before it takes that slot, and all
    /// three fit.
    /// </summary>
    [Theory]
    [InlineData(5, new[] { "low.w+shield.w+tall.w" })]
    [InlineData(25, new string[0])]
    public void Three_that_fit_together_are_found_though_two_of_them_do_not(int lowMm, string[] sets)
    {
        static string Card(string id, int mm) =>
            $$"""
                { "id": "{{id}}", "name": "{{id}}", "kind": "io", "price": 1, "provides": ["{{id}}"], "heightMm": {{mm}},
                  "ways": [ { "id": "w", "connector": "card", "occupies": [] } ] }
                """;
        var machine = new Machine
        {
            More = """
                , "sites": [ { "id": "one", "kind": "slot", "connector": "card" }, { "id": "two", "kind": "slot", "connector": "card" },
                             { "id": "top", "kind": "slot" } ]
                """,
            Parts =
                $$"""
                    { "id": "shield", "name": "shield", "kind": "case", "price": 1, "provides": ["shield"],
                      "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "top", "mode": "in",
                        "overhangs": [ { "site": "one", "clearanceMm": 10 } ] } ] } ] }
                    """ + $",{Card("low", lowMm)},{Card("tall", 20)}",
            Job = """
                "add": [], "wants": [ { "provides": "shield" }, { "provides": "low" }, { "provides": "tall" } ]
                """,
        };
        BuildSets found = SetSearch.Find(SetQuestion.Of(machine.Pack, machine.Pack.Jobs[0]));
        Assert.Equal(sets, found.Sets.Select(s => string.Join('+', s.Key.Split('+').Order())));
    }

    static void Each(string file, Action<(Pack Pack, Job Job), FittedPart[], Random> put)
    {
        Pack pack = Sample.Pack(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", file)));
        foreach (Unit unit in pack.Units)
        {
            var job = (
                pack,
                new Job
                {
                    Id = "put",
                    Unit = unit.Id,
                    Name = "Put",
                }
            );
            for (var seed = 0; seed < Seeds; seed++)
            {
                var random = new Random(seed);
                put(job, Some(job, random, random.Next(1, 4)), random);
            }
        }
    }

    static FittedPart[] Some((Pack Pack, Job Job) job, Random random, int count)
    {
        var ways = job.Pack.Parts.SelectMany(p => p.Ways.Select(w => new FittedPart { Part = p.Id, Way = w.Id })).ToArray();
        return ways.Length == 0 ? [] : [.. Enumerable.Range(0, count).Select(_ => ways[random.Next(ways.Length)])];
    }

    static PlannedUnit Of((Pack Pack, Job Job) job, IReadOnlyList<FittedPart> added) =>
        Plan.For(job.Pack, job.Job with { Add = added });

    static PlannedUnit Thrown(PlannedUnit unit, Random random) =>
        unit
            .Instances.SelectMany(i =>
                i.Part.Switches.Select(s => (i.Name, s.Id, At: s.Positions[random.Next(s.Positions.Count)]))
            )
            .Aggregate(unit, (plan, thrown) => Plan.Moved(plan, thrown.Name, thrown.Id, thrown.At));

    static bool Still(Finding stop, PlannedUnit unit) =>
        Trail.Stops(unit).Any(s => s.Finding.Code == stop.Code && stop.Subjects.All(s.Finding.Subjects.Contains));
}
