using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Choices;

/// <summary>
/// What a stop is said to rest on is what it rests on: parts are added at random and switches thrown, and it stays. Source:
/// docs/architecture.md, Rules and solvers.
/// </summary>
public class RestsTests
{
    const int Seeds = 40;

    [Fact]
    public void A_stop_that_rests_on_its_subjects_stays_whatever_is_added()
    {
        var held = new Dictionary<string, int>();
        Each(
            (job, added, random) =>
            {
                foreach ((Rests rests, Finding stop) in Trail.Stations.Stops(Of(job, added)))
                {
                    if (rests != Rests.Subjects)
                        continue;
                    held[stop.Code] = held.GetValueOrDefault(stop.Code) + 1;
                    FittedPart[] more = [.. added, .. Some(job, random, 2)];
                    string told = $"{stop.Code} of {Names(added)} went when {Names(more[added.Length..])} came";
                    Assert.True(Still(stop, Thrown(Of(job, more), random)), told);
                }
            }
        );
        Assert.True(held.Values.Sum() > 200, $"only {held.Values.Sum()} stops were put to it");
        Assert.True(held.Count > 1, $"only {string.Join(", ", held.Keys)} were put to it");
    }

    [Fact]
    public void A_stop_that_rests_on_the_parts_stays_however_the_switches_stand()
    {
        var held = 0;
        Each(
            (job, added, random) =>
            {
                PlannedUnit plan = Of(job, added);
                foreach ((Rests rests, Finding stop) in Trail.Stations.Stops(plan))
                {
                    if (rests == Rests.All)
                        continue;
                    held++;
                    Assert.True(Still(stop, Thrown(plan, random)), $"{stop.Code} of {Names(added)}");
                }
            }
        );
        Assert.True(held > 200, $"only {held} stops were put to it");
    }

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
                , "sites": [ { "id": "one", "kind": "slot", "connector": "card" }, { "id": "two", "kind": "slot",
                    "connector": "card" },
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
        BuildSets found = SetSearch.Find(SetQuestion.Of(Trail.Stations, machine.Pack, machine.Pack.Jobs[0]));
        Assert.Equal(sets, found.Sets.Select(s => string.Join('+', s.Key.Split('+').Order())));
    }

    static void Each(Action<(Pack Pack, Job Job), FittedPart[], Random> put)
    {
        foreach (Pack pack in Demo.Packs)
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

    /// <summary>Parts at random, of ten some nine by a way into this model.</summary>
    static FittedPart[] Some((Pack Pack, Job Job) job, Random random, int count)
    {
        string model = job.Pack.FindUnit(job.Job.Unit)!.Model;
        var ways = job.Pack.Parts.SelectMany(p => p.Ways.Select(w => (Way: w, Put: new FittedPart { Part = p.Id, Way = w.Id })));
        var here = ways.Where(w => w.Way.Model == model || w.Way.Model is null || random.Next(10) == 0).ToArray();
        return here.Length == 0 ? [] : [.. Enumerable.Range(0, count).Select(_ => here[random.Next(here.Length)].Put)];
    }

    static PlannedUnit Of((Pack Pack, Job Job) job, IReadOnlyList<FittedPart> added) =>
        Plan.For(job.Pack, job.Job with { Add = added });

    static string Names(IEnumerable<FittedPart> parts) => string.Join('+', parts.Select(p => p.Part));

    static PlannedUnit Thrown(PlannedUnit unit, Random random) =>
        unit
            .Instances.SelectMany(i => i.Part.Switches.Select(s => (i.Name, Switch: s)))
            .Aggregate(unit, (plan, its) => Plan.Moved(plan, its.Name, its.Switch.Id, At(its.Switch, random)));

    static string At(Switch own, Random random) => own.Positions[random.Next(own.Positions.Count)];

    static bool Still(Finding stop, PlannedUnit unit) =>
        Trail.Stations.Stops(unit).Any(s => s.Finding.Code == stop.Code && stop.Subjects.All(s.Finding.Subjects.Contains));
}
