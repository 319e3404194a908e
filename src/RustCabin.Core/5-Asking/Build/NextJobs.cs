using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Identify;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Build;

/// <summary>
/// Jobs that come after this one on the same unit, held against the unit as it will be. Source: docs/handbook/functions.md, The
/// next job.
/// </summary>
public static class NextJobs
{
    /// <summary>What the build itself has to say of the jobs to come.</summary>
    public static readonly FindingKind PlanBlocks = new("PLAN-BLOCKS", StationName.Build, [Severity.Watch])
    {
        Meaning = "A job that comes after this one is stopped on the unit as this one leaves it, or costs more there.",
        Mend = "Plan this job so that the next can follow, or the next one first.",
    };

    /// <summary>The jobs that come right after one.</summary>
    public static IEnumerable<Job> After(Pack sheets, Job job) =>
        sheets.Jobs.Where(j => j.After == job.Id && j.Unit == job.Unit && !j.Ended && j.Id != job.Id);

    /// <summary>PLAN-BLOCKS, for each job to come that this one makes impossible or dearer.</summary>
    /// <param name="stations">The stations.</param>
    /// <param name="sheets">Every sheet of the cabin.</param>
    /// <param name="planned">The unit as this job plans it.</param>
    public static IEnumerable<Finding> Blocked(StationList stations, Pack sheets, PlannedUnit planned)
    {
        if (planned.Job is not { Ended: false } job)
            yield break;
        foreach (Job next in After(sheets, job))
        {
            PlannedUnit alone = Plan.For(sheets, next),
                then = Then(sheets, planned, next);
            string[] now = Stops(stations, alone),
                stops = [.. Stops(stations, then).Where(s => !now.Contains(s))];
            decimal more = Money(then) - Money(alone);
            if (stops.Length == 0 && more <= 0)
                continue;
            yield return new Finding(
                PlanBlocks,
                Severity.Watch,
                $"\"{next.Name}\" cannot follow as it is planned",
                [Subject.Job],
                stops.Length > 0
                    ? $"After this job, \"{next.Name}\" is stopped: {stops[0]}."
                    : $"After this job, \"{next.Name}\" costs {more:0.00} {planned.Currency} more.",
                [
                    .. stops.Select(s => $"Stopped then, and not before: {s}."),
                    .. more > 0 ? [$"{Money(then):0.00} instead of {Money(alone):0.00}."] : (string[])[],
                ]
            );
        }
    }

    /// <summary>A job to come on the unit as this one leaves it.</summary>
    public static PlannedUnit Then(Pack sheets, PlannedUnit planned, Job next)
    {
        Unit left = UnitEdits.Fold(planned.Unit, planned);
        return Plan.For(sheets with { Units = [.. sheets.Units.Select(u => u.Id == left.Id ? left : u)] }, next);
    }

    static string[] Stops(StationList stations, PlannedUnit unit) => [.. stations.Stops(unit).Select(s => s.Finding.Title)];

    static decimal Money(PlannedUnit unit) => unit.Parts.Where(i => i.Added).Sum(i => i.Part.Price);
}
