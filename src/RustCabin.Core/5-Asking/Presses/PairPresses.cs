using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What trials have shown of parts goes onto their sheets: a pair that works, one that does not.</summary>
public static class PairPresses
{
    /// <summary>What explains the failures of a job's trials; null: nothing was tried.</summary>
    public static TrialReading? Explained(JobFaults grid) => grid.Trials.Count == 0 ? null : TrialReading.Of(Asked(grid));

    /// <summary>The trials as they are asked about.</summary>
    public static TrialsAsked Asked(JobFaults grid) =>
        new() { Factors = grid.Factors, Trials = [.. grid.Trials.Select(t => new Trial { Set = t.Set, Works = t.Works })] };

    /// <summary>The part that a level names, by its id, its name, or its title in this job; null: it names none.</summary>
    public static Part? PartOf(AtHand at, string level) =>
        at.Sheets.Parts.FirstOrDefault(p => p.Id == level)
        ?? at.Sheets.Parts.FirstOrDefault(p => string.Equals(p.Name, level, StringComparison.OrdinalIgnoreCase))
        ?? at.After.Instances.FirstOrDefault(i => string.Equals(i.Title, level, StringComparison.OrdinalIgnoreCase))?.Part;

    /// <summary>Pairs of parts that explain every failure, and do not stand on a sheet yet.</summary>
    public static IEnumerable<(Part One, Part Other)> Bad(AtHand at) =>
        from pair in Explained(at.Job.Faults ?? new JobFaults())?.Pairs ?? []
        let one = PartOf(at, pair.A.At)
        let other = PartOf(at, pair.B.At)
        where one is not null && other is not null && one.Id != other.Id
        where !one.Conflicts.Any(c => c.Part == other.Id) && !other.Conflicts.Any(c => c.Part == one.Id)
        select (one, other);

    /// <summary>The part of a trial that worked, and what it works with; null: nothing new could be remembered.</summary>
    public static (Part Part, string With)? Good(AtHand at, TriedSet trial)
    {
        if (!trial.Works || trial.Set.Values.FirstOrDefault(v => PartOf(at, v) is not null) is not { } level)
            return null;
        Part part = PartOf(at, level)!;
        string with = string.Join(", ", trial.Set.Where(s => s.Value != level).Select(s => $"{s.Key} {s.Value}"));
        return with.Length == 0 || part.Known.Any(k => k.With == with && k.Result == KnownResult.Works) ? null : (part, with);
    }

    /// <summary>Writes a bad pair onto the first part's sheet.</summary>
    public static Press<Part> Conflict(AtHand at, string one, string other)
    {
        if (!Bad(at).Any(p => p.One.Id == one && p.Other.Id == other))
            return Refuse("one", "Nothing was written: the trials do not say so any more.");
        var conflict = new Conflict { Part = other, Why = $"trials of {at.Unit.Name}, {at.Day}" };
        return new Press<Part> { What = $"trials: part {one}", Edit = p => p with { Conflicts = [.. p.Conflicts, conflict] } };
    }

    /// <summary>Writes a good pair onto its part's sheet.</summary>
    /// <param name="at">The job.</param>
    /// <param name="trial">The trial that worked, by its place.</param>
    /// <param name="part">The part; empty: the trial says nothing new of one.</param>
    public static Press<Part> Known(AtHand at, int trial, out string part)
    {
        part = "";
        IReadOnlyList<TriedSet> trials = at.Job.Faults?.Trials ?? [];
        if (trial < 0 || trial >= trials.Count || Good(at, trials[trial]) is not var (found, with))
            return Refuse("trial", "Nothing was written: this trial says nothing new of a part.");
        part = found.Id;
        var known = new KnownPair
        {
            With = with,
            Result = KnownResult.Works,
            Firmware = at.After.Firmware ?? "",
            Date = at.Day,
            Source = at.Unit.Name,
        };
        return new Press<Part> { What = $"trials: part {part}", Edit = p => p with { Known = [.. p.Known, known] } };
    }
}
