using RustCabin.Core.Mends;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Faults;

/// <summary>What is found while a fault is sought, as typed changes of a job.</summary>
static class FaultsEdits
{
    static Job With(Job job, Func<JobFaults, JobFaults> change) => job with { Faults = change(job.Faults ?? new JobFaults()) };

    /// <summary>Notes what a look showed; null: it was not looked at after all.</summary>
    public static Job Look(Job job, StepId gate, string what, string? showed, TakenOn? on = null) =>
        With(
            job,
            f =>
                f with
                {
                    Looks =
                    [
                        .. f.Looks.Where(l => l.Gate != gate || l.What != what),
                        .. showed is null
                            ? []
                            : (LookTaken[])
                                [
                                    new LookTaken
                                    {
                                        Gate = gate,
                                        What = what,
                                        Showed = showed,
                                        On = on,
                                    },
                                ],
                    ],
                }
        );

    /// <summary>Says that a cause is it: its mend is a step.</summary>
    public static Job Confirm(Job job, ConfirmedCause cause) =>
        With(Drop(job, cause.Gate, cause.Cause), f => f with { Confirmed = [.. f.Confirmed, cause] });

    /// <summary>It is not it after all; its tick goes too.</summary>
    public static Job Drop(Job job, StepId gate, string cause) =>
        JobEdits.Tick(
            With(job, f => f with { Confirmed = [.. f.Confirmed.Where(c => c.Gate != gate || c.Cause != cause)] }),
            MendStation.StepOf(gate, cause),
            false
        );

    /// <summary>Adds a level to a factor of the trials, which it begins where it is not there.</summary>
    public static Job Level(Job job, string factor, string level) =>
        With(
            job,
            f =>
                f with
                {
                    Factors = JobEdits.Put(
                        f.Factors,
                        factor,
                        (IReadOnlyList<string>)[.. f.Factors.GetValueOrDefault(factor) ?? [], level]
                    ),
                    // What was tried before a factor was thought of was tried with its first level.
                    Trials =
                    [
                        .. f.Trials.Select(t =>
                            t.Set.ContainsKey(factor) ? t : t with { Set = JobEdits.Put(t.Set, factor, level) }
                        ),
                    ],
                }
        );

    /// <summary>Drops a level, and the trials with it; a factor without levels goes too.</summary>
    public static Job DropLevel(Job job, string factor, string level) =>
        With(
            job,
            f =>
            {
                string[] left = [.. (f.Factors.GetValueOrDefault(factor) ?? []).Where(l => l != level)];
                bool gone = left.Length == 0;
                return f with
                {
                    Factors = gone
                        ? JobEdits.Without(f.Factors, factor)
                        : JobEdits.Put(f.Factors, factor, (IReadOnlyList<string>)left),
                    Trials =
                    [
                        .. f
                            .Trials.Where(t => gone || t.Set.GetValueOrDefault(factor) != level)
                            .Select(t => gone ? t with { Set = JobEdits.Without(t.Set, factor) } : t),
                    ],
                };
            }
        );

    /// <summary>Notes a trial.</summary>
    public static Job Try(Job job, TriedSet tried) => With(job, f => f with { Trials = [.. f.Trials, tried] });

    /// <summary>Takes a trial back, by its place; null: there is none.</summary>
    public static Job? DropTrial(Job job, int trial) =>
        JobEdits.WithoutAt(job.Faults?.Trials ?? [], trial) is { } left ? With(job, f => f with { Trials = left }) : null;
}
