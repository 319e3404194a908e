using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Trials: what was combined with what, and how it went.</summary>
public static class Trying
{
    /// <summary>No grid has more factors.</summary>
    const int MostFactors = 12;

    static JobFaults Grid(AtHand at) => at.Job.Faults ?? new JobFaults();

    /// <summary>Says one thing that a factor can be.</summary>
    /// <param name="at">The job.</param>
    /// <param name="factor">What can be changed.</param>
    /// <param name="level">What it can be; commas part several.</param>
    public static Press<Job> Level(AtHand at, string? factor, string? level)
    {
        JobFaults grid = Grid(at);
        int most = Texts.Most<JobFaults>(nameof(JobFaults.Factors));
        string name = Texts.Of(factor);
        string[] values =
        [
            .. Texts.Of(level).Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Distinct(),
        ];
        if (name.Length == 0 || name.Length > most || values.Length == 0 || values.Any(v => v.Length > most))
            return Refuse(
                "factor",
                $"Nothing was changed: name the factor and what it can be, with commas, in up to {most} letters each."
            );
        if (values.FirstOrDefault(v => grid.Factors.GetValueOrDefault(name)?.Contains(v) == true) is { } known)
            return Refuse("level", $"Nothing was changed: {name} can be {known} already.");
        long others = grid.Factors.Where(f => f.Key != name).Aggregate(1L, (n, f) => n * f.Value.Count),
            levels = (grid.Factors.GetValueOrDefault(name)?.Count ?? 0) + values.Length;
        return (!grid.Factors.ContainsKey(name) && grid.Factors.Count >= MostFactors) || others * levels > TrialsAsked.Most
            ? Refuse("factor", "Nothing was changed: these are more combinations than a person tries.")
            : Change(
                $"Trials: {name} can be {string.Join(", ", values)}",
                j => values.Aggregate(j, (now, v) => FaultsEdits.Level(now, name, v))
            );
    }

    /// <summary>Takes one thing back that a factor can be.</summary>
    public static Press<Job> DropLevel(AtHand at, string factor, string level) =>
        Grid(at).Factors.GetValueOrDefault(factor)?.Contains(level) == true
            ? Change($"Trials: no {factor} {level}", j => FaultsEdits.DropLevel(j, factor, level))
            : Gone;

    /// <summary>Notes a trial.</summary>
    /// <param name="at">The job.</param>
    /// <param name="set">A level of each factor, in the order of the factors.</param>
    /// <param name="works">Whether it worked.</param>
    /// <param name="how">How it failed.</param>
    public static Press<Job> Try(AtHand at, IReadOnlyList<string> set, bool works, string? how)
    {
        JobFaults grid = Grid(at);
        string[] factors = [.. grid.Factors.Keys];
        if (
            factors.Length == 0
            || set.Count != factors.Length
            || factors.Zip(set).Any(f => !grid.Factors[f.First].Contains(f.Second))
        )
            return Refuse("set", "Nothing was noted: choose a level of every factor.");
        if (!Texts.TryOptional<TriedSet>(nameof(TriedSet.How), how, out string failed))
            return Refuse(
                "how",
                $"Nothing was noted: say in up to {Texts.Most<TriedSet>(nameof(TriedSet.How)):#,0} letters how it failed."
            );
        var tried = new TriedSet
        {
            Set = new(factors.Zip(set).Select(f => KeyValuePair.Create(f.First, f.Second))),
            Works = works,
            // What stands in the field from a try before says nothing of one that works.
            How = works ? "" : failed,
        };
        return Change($"Tried {string.Join(", ", set)}: {(works ? "works" : "fails")}", j => FaultsEdits.Try(j, tried));
    }

    /// <summary>Takes a trial back, by its place.</summary>
    public static Press<Job> DropTrial(AtHand at, int trial) =>
        trial >= 0 && trial < Grid(at).Trials.Count ? Change("A trial taken back", j => FaultsEdits.DropTrial(j, trial)) : Gone;
}
