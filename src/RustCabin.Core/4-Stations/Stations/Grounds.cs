using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>
/// What readings rest on: the steps that were done, and how the parts stood. A reading that is older than its work, or whose
/// work was taken back, does not count. Source: docs/handbook/build.md, What a reading was taken on.
/// </summary>
static class Grounds
{
    /// <summary>The state of a job as it is now, for something that is read of it.</summary>
    /// <param name="job">The job, with what is ticked together with the reading.</param>
    /// <param name="parts">The parts that the reading is about.</param>
    /// <param name="at">The moment, where the reading itself does not say it.</param>
    public static TakenOn Of(Job job, IEnumerable<Instance> parts, string at = "") =>
        new()
        {
            Done = job.Done,
            Stood = parts.ToDictionary(p => $"{p.Name}", Stands),
            At = at,
        };

    /// <summary>How a part stands: its way, its switches, what lies in its banks.</summary>
    public static string Stands(Instance part) =>
        string.Join(
            ", ",
            (string[])
                [
                    .. part.Way is { Id.Length: > 0 } way ? [way.Id] : (string[])[],
                    .. part.Positions.Select(p => $"{p.Key} {p.Value}"),
                    .. part.Fitted.Banks.Select((b, i) => $"bank {i + 1} {b ?? "empty"}"),
                ]
        );

    /// <summary>Why a reading does not count for a gate any more; none: it counts.</summary>
    /// <param name="on">What it was taken on; null: of a version that kept none, and it counts.</param>
    /// <param name="gate">The gate.</param>
    /// <param name="steps">The steps before it, for their titles.</param>
    public static IReadOnlyList<string> Against(TakenOn? on, Step gate, IEnumerable<Step> steps) =>
        on is null
            ? []
            :
            [
                .. Against(on, steps.Where(s => gate.Needs.Contains(s.Id))),
                .. gate
                    .Instances.Where(i => on.Stood.TryGetValue(i.Name, out string? then) && then != Stands(i))
                    .Select(i => $"{i.Title} then stood otherwise: {on.Stood[i.Name]}"),
            ];

    /// <summary>Why a reading does not count for some steps.</summary>
    public static IReadOnlyList<string> Against(TakenOn? on, IEnumerable<Step> steps) =>
        on is null
            ? []
            :
            [
                .. steps
                    .Select(s => Against(on, s.Id) is { Length: > 0 } why ? $"\"{s.Title}\" {why}" : "")
                    .Where(w => w.Length > 0),
            ];

    /// <summary>Why a reading does not count for a step; empty: it does.</summary>
    public static string Against(TakenOn? on, StepId step)
    {
        if (on is null)
            return "";
        if (step.IsIn(on.Lost))
            return "was taken back since";
        return step.IsIn(on.Done) ? "" : "was not done then";
    }

    /// <summary>What was looked at at a gate, each with why it does not count any more; none: it counts.</summary>
    /// <param name="job">The job.</param>
    /// <param name="gate">The gate.</param>
    /// <param name="steps">The steps before it, for their titles.</param>
    public static IEnumerable<(LookTaken Look, IReadOnlyList<string> Against)> Looks(
        Job job,
        Step gate,
        IReadOnlyList<Step> steps
    ) => from look in job.Faults?.Looks ?? [] where look.Gate == gate.Id select (look, Against(look.On, gate, steps));

    /// <summary>
    /// The job after a change: what was ticked before it and is not any more is lost to every reading that was taken on it.
    /// </summary>
    public static Job Kept(Job before, Job after)
    {
        StepId[] lost = [.. before.Done.Except(after.Done)];
        return lost.Length == 0
            ? after
            : after with
            {
                Readings = [.. after.Readings.Select(r => r with { On = Without(r.On, lost) })],
                Counts = [.. after.Counts.Select(c => c with { On = Without(c.On, lost) })],
                Probes = [.. after.Probes.Select(p => p with { On = Without(p.On, lost) })],
                Picture = after.Picture is { } picture ? picture with { On = Without(picture.On, lost) } : null,
                Faults = after.Faults is { } faults
                    ? faults with
                    {
                        Looks = [.. faults.Looks.Select(l => l with { On = Without(l.On, lost) })],
                    }
                    : null,
                Sound = after.Sound is { } sound ? sound with { On = Without(sound.On, lost) } : null,
            };
    }

    static TakenOn? Without(TakenOn? on, StepId[] lost) =>
        on is null ? null : on with { Lost = [.. on.Lost.Union(lost.Where(l => l.IsIn(on.Done)))] };
}
