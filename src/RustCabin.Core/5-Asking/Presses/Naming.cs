using RustCabin.Core.Identify;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What jobs and units are called, and how a job ends.</summary>
public static class Naming
{
    /// <summary>The name of a job for which none was typed.</summary>
    const string Unnamed = "New job";

    /// <summary>The name under which a job begins, or why it cannot be one.</summary>
    public static (string Name, Refusal? Refused) Begun(string? name) =>
        Texts.TryOptional<Job>(nameof(Job.Name), name, out string called)
            ? (called.Length > 0 ? called : Unnamed, null)
            : ("", Refuse("name", $"Nothing was begun: a job's name has up to {Texts.Most<Job>(nameof(Job.Name))} letters."));

    /// <summary>Gives a job another name.</summary>
    public static Press<Job> Name(string? name) =>
        Texts.TryNeeded<Job>(nameof(Job.Name), name, out string called)
            ? Change($"Called {called}", j => j with { Name = called })
            : NoName(Texts.Most<Job>(nameof(Job.Name)));

    /// <summary>Puts a job behind another of the same unit, or behind none; a round of jobs is refused.</summary>
    /// <param name="job">The job.</param>
    /// <param name="before">The job that comes first; null: none.</param>
    /// <param name="all">The jobs of the unit.</param>
    public static Press<Job> Follow(Job job, Job? before, IReadOnlyList<Job> all)
    {
        if (before is null)
            return Change("Comes after no other job", j => j with { After = null });
        var first = before;
        for (int steps = 0; first is not null && steps <= all.Count; steps++)
        {
            if (first.Id == job.Id)
                return Refuse("after", $"Nothing was changed: \"{before.Name}\" comes after this job itself.");
            first = all.FirstOrDefault(j => j.Id == first.After);
        }
        return Change($"Comes after {before.Name}", j => j with { After = before.Id });
    }

    /// <summary>Gives a unit another name.</summary>
    public static Press<Unit> Call(string? name) =>
        Texts.TryNeeded<Unit>(nameof(Unit.Name), name, out string called)
            ? ChangeUnit($"Called {called}", u => u with { Name = called })
            : NoName(Texts.Most<Unit>(nameof(Unit.Name)));

    static Refusal NoName(int most) => Refuse("name", $"Nothing was changed: a name has 1 to {most} letters.");

    /// <summary>Puts a unit among the retired, or back to work.</summary>
    public static Press<Unit> Retire(bool retired) =>
        ChangeUnit(retired ? "Retired" : "Back to work", u => u with { Retired = retired });

    /// <summary>Ends a job: what was done is on the unit from then on, and the unit as it stood is kept with the job.</summary>
    /// <param name="at">The job.</param>
    /// <param name="outcome">How it came out; null: nobody has said, and it is not parked any more.</param>
    public static (Press<Job> Job, Press<Unit> Unit) End(AtHand at, JobOutcome? outcome = null)
    {
        PlannedUnit now = at.Record.Now;
        string what = outcome is null ? "Job ended" : $"Job ended: {outcome.Said}";
        return (
            Change(what, j => JobEdits.End(j, at.Unit) with { Outcome = outcome }),
            ChangeUnit("Job ended", unit => UnitEdits.Fold(unit, now))
        );
    }
}
