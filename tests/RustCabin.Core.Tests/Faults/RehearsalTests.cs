using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Rounds on every machine of the demo. Source: docs/handbook/faults.md, Rehearsal.</summary>
public sealed class RehearsalTests
{
    [Fact]
    public void Every_round_ends_with_the_fault_or_the_group_that_no_look_parts() => Assert.True(Play(3) > 150);

    /// <summary>The same with 500 codes a job, <c>./cabin test load</c>.</summary>
    [Fact(Explicit = true), Trait("Category", "Load")]
    public void The_same_with_five_hundred_codes_a_job() => Play(100);

    /// <summary>Plays so many codes of each difficulty on each job; how many rounds there were.</summary>
    static int Play(int codes)
    {
        int rounds = 0;
        var wrong = new List<string>();
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            PlannedUnit at = Plan.For(pack with { Jobs = [job] }, job);
            foreach (Difficulty hard in Enum.GetValues<Difficulty>())
                for (int seed = 0; seed < codes; seed++)
                    if (Rehearsal.Of(Trail.Stations, at, new Round(job.Id, hard, seed)) is { } round)
                    {
                        rounds++;
                        if (Ends(round) is { Length: > 0 } why)
                            wrong.Add($"{new Round(job.Id, hard, seed).Code}: {why}");
                    }
        }
        Assert.True(wrong.Count == 0, $"{wrong.Count} of {rounds}: {string.Join("\n", wrong.Take(12))}");
        return rounds;
    }

    /// <summary>Why a round does not end as it should; empty: it does, the second of a pair too.</summary>
    static string Ends(Rehearsal round)
    {
        round.Line(out Diagnosis end, out Seen seen);
        Weighed first = end.Causes[0];
        if (!round.IsIt(first.Cause.Id))
            return end.Group(seen).Any(c => round.IsIt(c.Cause.Id))
                ? ""
                : $"{string.Join(" and ", round.Hidden.Select(h => h.Id))} ended with {first.Cause.Id}, {first.Chance:0.000}; "
                    + string.Join(", ", seen.Looks.Where(l => l.Key.Length < 30).Take(6));
        return round.Mended(first.Cause.Id, seen) is { } rest ? Ends(rest) : "";
    }

    [Fact]
    public void No_two_causes_and_no_two_looks_share_their_words()
    {
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            PlannedUnit at = Plan.For(pack with { Jobs = [job] }, job);
            IReadOnlyList<Hypothesis> all = Trail.Stations.Hypotheses(at);
            Assert.Equal(all.Count, all.Select(h => h.Id).Distinct().Count());
            Assert.Empty(all.GroupBy(h => h.Words).Where(g => g.Count() > 1).Select(g => $"{job.Id}: {g.Key} x {g.Count()}"));
            IReadOnlyList<Observable> looks = Diagnosis.Of(Trail.Stations, at, [], new Seen()).Observables;
            Assert.Empty(looks.GroupBy(o => o.Words).Where(g => g.Count() > 1).Select(g => $"{job.Id}: {g.Key} x {g.Count()}"));
        }
    }

    [Fact]
    public void Of_a_dead_machine_the_seat_of_what_sits_at_the_processor_or_its_rom_is_among_the_first_two()
    {
        int dead = 0;
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            PlannedUnit at = Plan.For(pack with { Jobs = [job] }, job);
            Diagnosis found = Diagnosis.Of(Trail.Stations, at, [], new Seen { Starts = false });
            Assert.NotEqual("before", found.Causes[0].Cause.Id);
            Assert.All(
                found.Observables.Where(o => o.State == LookState.Running),
                o => Assert.True(o.Minutes is null, $"{job.Id}: {o.Words}")
            );
            var start = Core.Bench.Starting.Of(at);
            string[] seats =
            [
                .. at.Instances.Where(start.RestsOn).Select(i => $"seat:{i.Name}"),
                .. at.Job!.Roms.Where(r => start.Sites.Contains(r.Site)).Select(r => $"seat:{r.Site}"),
            ];
            if (seats.Length == 0)
                continue;
            dead++;
            Assert.Contains(found.Causes.Take(2), c => seats.Contains(c.Cause.Id));
        }
        Assert.True(dead >= 8, $"{dead} jobs put something there");
    }
}
