using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Speed;

/// <summary>
/// Scores that contradict the plan: readings for Faults. Source: docs/handbook/speed.md, Scores that contradict.
/// </summary>
static class SpeedChecks
{
    /// <summary>How far the mean over the suite may be from the forecast: a tenth, beyond what single runs spread.</summary>
    const decimal Near = 0.1m;

    /// <summary>A clock is read as the planned one within so much of it.</summary>
    const decimal ClockNear = 0.05m;

    public static IEnumerable<Finding> Of(PlannedUnit unit) =>
        unit.Job?.Speed is null ? [] : [.. Differs(unit), .. Seen(unit, unit.Job.Speed.Seen)];

    /// <summary>
    /// SPEED-DIFFERS: the runs after the build are slower, or faster, than the forecast by more than their spread and a tenth.
    /// </summary>
    static IEnumerable<Finding> Differs(PlannedUnit unit)
    {
        SpeedReport report = SpeedReport.Of(unit.Before ?? Plan.With(unit, i => !i.Added), unit);
        if (report.Forecast.PredictedRatio is not { } predicted || report.SuiteMean is not { } measured)
            yield break;
        decimal least = SpeedReport.Mean(report.Suite.Select(c => c.Least).OfType<decimal>())!.Value,
            most = SpeedReport.Mean(report.Suite.Select(c => c.Most).OfType<decimal>())!.Value;
        bool slow = most < predicted * (1 - Near),
            fast = least > predicted * (1 + Near);
        if (!slow && !fast)
            yield break;
        yield return new Finding(
            SpeedFindings.SpeedDiffers,
            Severity.Watch,
            $"x {measured:0.00}, predicted x {predicted:0.00}",
            [.. unit.Instances.Where(i => i.Part.Speed.Count > 0).Select(i => i.Subject).DefaultIfEmpty(Subject.Unit)],
            $"The runs are {measured:0.00} times as fast as before, the forecast says {predicted:0.00}.",
            [
                .. report.Work.Select(w => $"{w.Kind}: {w.Seconds:0.##} s / {w.Factor:0.##} = {w.After:0.##} s."),
                .. report
                    .Suite.Where(c => c.Ratio is not null)
                    .Select(c =>
                        $"{c.Name}: {c.Before!.Median:0.###} s / {c.After!.Median:0.###} s = {c.Ratio:0.00}, from "
                        + $"{c.Least:0.00} to {c.Most:0.00} by single runs."
                    ),
                slow
                    ? "Usual causes: the card's driver or firmware is not on, a cache is off, memory on the card is not "
                        + "found, a switch is at the slow setting."
                    : "Usual causes: the runs before were slowed by something else, or the work is not split as noted.",
            ]
        );
    }

    /// <summary>SPEED-SEEN: what a benchmark reads of the machine is not what the plan has.</summary>
    static IEnumerable<Finding> Seen(PlannedUnit unit, SpeedSeen? seen)
    {
        if (seen is null)
            yield break;
        if (
            seen.ClockMHz is { } clock
            && (unit.Instances.Max(i => i.Part.ClockMHz) ?? unit.Model.ClockMHz) is { } planned
            && Math.Abs(clock - planned) > planned * ClockNear
        )
            yield return Odd(
                unit,
                $"{clock:0.##} MHz read",
                $"The benchmark reads a clock of {clock:0.##} MHz; the plan has {planned:0.##} MHz.",
                "The clock switch, the crystal on the card, or the card is passed over."
            );
        bool coprocessor = unit.Instances.Any(i => i.Part.Provides.Contains("coprocessor"));
        if (seen.Coprocessor is { } there && there != coprocessor)
            yield return Odd(
                unit,
                there ? "A coprocessor is seen" : "No coprocessor is seen",
                there
                    ? "The benchmark sees a coprocessor, and no part of the plan gives one."
                    : "The benchmark sees no coprocessor; a part of the plan gives one.",
                there
                    ? "A part that is fitted is missing on the unit's sheet, or the program guesses."
                    : "Its socket, its switch, its clock, or a driver."
            );
        if (seen.Memory is { } memory && unit.Map.Reach.Count > 0 && memory != unit.Map.Reach[0])
            yield return Odd(
                unit,
                $"{memory} seen",
                $"The benchmark sees {memory}; {MasterWords.The(unit.Map.Masters[0])} reaches {unit.Map.Reach[0]} by the plan.",
                "Compare the power-up count: it tells which memory is missing."
            );
    }

    static Finding Odd(PlannedUnit unit, string title, string text, string cause) =>
        new(
            SpeedFindings.SpeedSeen,
            Severity.Watch,
            title,
            [.. unit.Instances.Where(i => i.Part.Speed.Count > 0).Select(i => i.Subject).DefaultIfEmpty(Subject.Unit)],
            text,
            [cause]
        );
}
