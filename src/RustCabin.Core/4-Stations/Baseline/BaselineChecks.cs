using RustCabin.Core.Bench;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Baseline;

/// <summary>
/// What the unit did before anything was touched, and what follows from it. Source: docs/handbook/baseline.md, Untouched.
/// </summary>
public static class BaselineChecks
{
    /// <summary>
    /// BASE-UNTESTED: the sheet says that nobody tested it, or the work was begun without a test. Then a fault that was there
    /// before passes for the upgrade's.
    /// </summary>
    public static IEnumerable<Finding> Untested(PlannedUnit unit)
    {
        bool begun = unit.Job?.Done.Count > 0 && unit.Job.Readings.All(r => r.Gate != Acts.Untouched);
        if (unit.Unit.Baseline is { Tested: true } || (unit.Unit.Baseline is null && !begun))
            yield break;
        yield return new Finding(
            BaselineFindings.BaseUntested,
            Severity.Watch,
            "Not tested before opening",
            [Subject.Unit],
            $"Nobody has seen {unit.Unit.Name} work before {(begun ? "it was opened" : "this job")}: a fault found later "
                + $"cannot be told from one that was there.",
            [
                unit.Unit.Baseline is null
                    ? "The unit's sheet has no baseline, and a step of this job is done."
                    : "The unit's baseline says: not tested.",
                "Mend: switch it on as it stands, and note the reading at the Baseline station. Where it cannot be switched "
                    + "on, say so there.",
            ]
        );
    }

    /// <summary>
    /// BASE-FAULT: it counted something else than its sheets predict as it stands, did not start, or a fault was noted.
    /// </summary>
    public static IEnumerable<Finding> Faults(PlannedUnit unit)
    {
        if (unit.Unit.Baseline is not { } baseline)
            yield break;
        if (baseline.Reading is { } reading && Compare(unit, reading.AsGate) is { Agrees: false } differs)
            yield return new Finding(
                BaselineFindings.BaseFault,
                Severity.Watch,
                "A fault was there before",
                [Subject.Unit],
                reading.Starts == false
                    ? $"{unit.Unit.Name} did not start before anything was touched."
                    : $"{unit.Unit.Name} did not count what it should as it stands; this is not the upgrade's doing.",
                [
                    .. differs
                        .Lines.Where(l => !l.Agrees)
                        .Select(l =>
                            $"{l.Label}: predicted {l.Expected?.ToString() ?? "nothing"}, seen {l.Seen?.ToString() ?? "nothing"}."
                        ),
                    "Mend it first, or keep it in mind at every gate: the same lines will differ there.",
                ]
            );
        if (baseline.Counted is { Failing: not null } counted)
            yield return new Finding(
                BaselineFindings.BaseFault,
                Severity.Watch,
                "It does not start every time",
                [Subject.Unit],
                $"Before anything was touched {unit.Unit.Name} started {counted.Words}.",
                ["Mend it first, or let a gate ask for clean starts in a row, which prove the mend."]
            );
        foreach (ConditionNote note in baseline.Notes.Where(n => n.Fault))
            yield return new Finding(
                BaselineFindings.BaseFault,
                Severity.Watch,
                "A fault was there before",
                [Subject.Unit],
                note.Text,
                ["Noted at the baseline as a fault that was there before any work."]
            );
    }

    /// <summary>The baseline reading beside what the sheets predict for the unit as it stands.</summary>
    public static Comparison Compare(PlannedUnit unit, GateReading reading) =>
        Comparison.Of(PowerUp.Run(unit.Before ?? unit), reading);

    /// <summary>BASE-RAIL: a rail that under load is further from its volts than its tolerance allows.</summary>
    public static IEnumerable<Finding> Rails(PlannedUnit unit)
    {
        foreach (MeasuredRail measured in unit.Unit.Baseline?.Rails ?? [])
            if (unit.Rails.FirstOrDefault(r => r.Id == measured.Rail) is { } rail && !Within(rail, measured.Volts))
                yield return new Finding(
                    BaselineFindings.BaseRail,
                    Severity.Stop,
                    $"{rail.Id} V measured at {measured.Volts} V",
                    [Subject.Model(rail.Id)],
                    $"{rail.Id} V shows {measured.Volts} V under load; {Lowest(rail):0.###} to {Highest(rail):0.###} V are "
                        + $"right. Have the supply seen to before anything is fitted: it may be failing, and too much kills "
                        + $"chips.",
                    [
                        $"{rail.Volts} V, tolerance {rail.Tolerance * 100:0.##} %: {rail.Volts} x {rail.Tolerance} = "
                            + $"{Math.Abs(rail.Volts) * rail.Tolerance:0.###} V either way.",
                        $"Measured under load: {measured.Volts} V, off by {Math.Abs(measured.Volts - rail.Volts):0.###} V.",
                        "Inside a supply is mains: work on it belongs to a qualified person under the local code.",
                    ]
                );
    }

    /// <summary>True for a measured voltage within the rail's tolerance, its ends included.</summary>
    public static bool Within(Rail rail, decimal volts) => Math.Abs(volts - rail.Volts) <= Math.Abs(rail.Volts) * rail.Tolerance;

    /// <summary>The least that a rail may show under load, in volts.</summary>
    public static decimal Lowest(Rail rail) => rail.Volts - Math.Abs(rail.Volts) * rail.Tolerance;

    /// <summary>The most that a rail may show under load, in volts.</summary>
    public static decimal Highest(Rail rail) => rail.Volts + Math.Abs(rail.Volts) * rail.Tolerance;
}
