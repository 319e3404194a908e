using RustCabin.Core.Baseline;
using RustCabin.Core.Bench;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What the screen, the meter and the clock showed is written down. Source: docs/handbook/build.md, Presses.</summary>
public static class Readings
{
    /// <summary>The steps that a gate is about may be ticked together with its reading.</summary>
    public const string WithTicks = "tick";

    /// <summary>Reads a gate line by line.</summary>
    /// <param name="at">The job.</param>
    /// <param name="step">The gate.</param>
    /// <param name="seen">What was typed, a line each.</param>
    /// <param name="tick">The steps that it is about, and that are not ticked yet, are ticked with it.</param>
    public static Press<Job> Read(AtHand at, StepId step, IReadOnlyList<string> seen, bool tick)
    {
        if (at.Find(step) is not { Step.Expected: { } expected } gate)
            return Gone;
        (IReadOnlyList<SeenLine> lines, IReadOnlyDictionary<int, string> wrong) = ScreenReading.Parse(expected, seen);
        if (wrong.Count > 0)
            return NotTaken(wrong);
        if (Early(at, gate, tick) is { } early)
            return early;
        return Change(
            WithTicked(gate, tick)
                + $"Read at \"{gate.Step.Title}\": "
                + string.Join(", ", lines.Select(l => $"{l.Label} {l.Bytes}")),
            j => Taken(j, gate, new GateReading { Lines = lines, At = at.Moment })
        );
    }

    /// <summary>Reads a gate of a machine that shows no count: it starts as before, or it does not.</summary>
    public static Press<Job> Starts(AtHand at, StepId step, bool starts, bool tick)
    {
        if (at.Find(step) is not { } gate)
            return Gone;
        if (Early(at, gate, tick) is { } early)
            return early;
        return gate.Step.Expected is { Lines.Count: 0 }
            ? Change(
                WithTicked(gate, tick)
                    + $"Read at \"{gate.Step.Title}\": {(starts ? "starts as before" : "does not start as before")}",
                j => Taken(j, gate, new GateReading { Starts = starts, At = at.Moment })
            )
            : Gone;
    }

    /// <summary>Says of a gate whose count cannot be read whether the machine starts.</summary>
    public static Press<Job> StartsAtAll(AtHand at, StepId gate, bool starts) =>
        at.Find(gate) is { Step: { Kind: StepKind.Gate, At: not null }, State: not StepState.Locked, AllHeeded: true } here
            ? Change(
                $"Read at \"{here.Step.Title}\": it {(starts ? "starts" : "does not start")}",
                j =>
                    JobEdits.Read(
                        j,
                        new GateReading
                        {
                            Gate = here.Step.Id,
                            Starts = starts,
                            At = at.Moment,
                            On = Grounds.Of(j, here.Step.Instances),
                        }
                    )
            )
            : Gone;

    static string WithTicked(StepProgress gate, bool tick) =>
        tick && gate.Waits.Count > 0 ? $"Done: {string.Join(", ", gate.Waits.Select(w => w.Title))}. " : "";

    static Job Taken(Job job, StepProgress gate, GateReading read)
    {
        Job ticked = gate.Waits.Aggregate(job, (j, w) => JobEdits.Tick(j, w.Id, true));
        return JobEdits.Read(ticked, read with { Gate = gate.Step.Id, On = Grounds.Of(ticked, gate.Step.Instances) });
    }

    /// <summary>
    /// A reading that is typed before the steps that it is about are ticked is not taken for one of them, unless they are ticked
    /// with it.
    /// </summary>
    static Refusal? Early(AtHand at, StepProgress gate, bool tick)
    {
        if (gate.State == StepState.Locked)
            return Refuse("step", "The reading was not taken: a gate before this one has not passed.");
        if (!gate.AllHeeded)
            return Refuse("heeded", $"The reading was not taken: tick the cautions of \"{gate.Step.Title}\" first.");
        if (Ticking.Standing(at, gate) is { } stands)
            return stands;
        if (gate.Waits.Count == 0)
            return null;
        string open = string.Join(", ", gate.Waits.Select(w => $"\"{w.Title}\""));
        if (!tick)
            return Refuse("step", $"The reading was not taken: {open} {(gate.Waits.Count == 1 ? "is" : "are")} not ticked.") with
            {
                Offer = WithTicks,
            };
        return gate.Waits.FirstOrDefault(w => at.Progress.Steps.First(s => s.Step == w) is { AllHeeded: false }) is { } careful
            ? Refuse("heeded", $"The reading was not taken: tick the cautions of \"{careful.Title}\" first.")
            : null;
    }

    static Refusal NotTaken(IReadOnlyDictionary<int, string> wrong) =>
        Refuse("seen", "The reading was not taken: " + string.Join("; ", wrong.Values) + ".") with
        {
            Lines = wrong,
        };

    /// <summary>The first reading of a unit, line by line, before anything is touched.</summary>
    public static Press<Unit> Baseline(AtHand at, IReadOnlyList<string> seen)
    {
        (IReadOnlyList<SeenLine> lines, IReadOnlyDictionary<int, string> wrong) = ScreenReading.Parse(
            PowerUp.Run(at.Before),
            seen
        );
        return wrong.Count > 0
            ? NotTaken(wrong)
            : ChangeUnit(
                "Baseline read: " + string.Join(", ", lines.Select(l => $"{l.Label} {l.Bytes}")),
                unit => BaselineEdits.Read(unit, new FirstReading { At = at.Moment, Lines = lines })
            );
    }

    /// <summary>The first reading of a unit that shows no count.</summary>
    public static Press<Unit> BaselineStarts(AtHand at, bool starts) =>
        ChangeUnit(
            starts ? "Baseline: it starts and works" : "Baseline: it does not start",
            unit => BaselineEdits.Read(unit, new FirstReading { At = at.Moment, Starts = starts })
        );

    /// <summary>The unit could not be tested before anything was touched.</summary>
    public static Press<Unit> NotTested() => ChangeUnit("Baseline: could not be tested", BaselineEdits.NotTested);

    /// <summary>The rails as the meter showed them, in volts; an empty field: not measured.</summary>
    public static Press<Unit> Rails(IReadOnlyList<string> rails, IReadOnlyList<string?> volts)
    {
        var measured = new List<MeasuredRail>();
        foreach ((int i, string rail) in rails.Index())
        {
            string text = Texts.Of(volts.ElementAtOrDefault(i));
            if (text.Length == 0)
                continue;
            if (!TypedNumber.TryParse(text, out decimal value, signed: true) || Math.Abs(value) > 1000)
                return Refuse("volts", $"Nothing was changed: \"{text}\" for {rail} V is not a voltage; type 4.93.");
            measured.Add(new MeasuredRail { Rail = rail, Volts = value });
        }
        return ChangeUnit(
            "Rails measured: " + string.Join(", ", measured.Select(m => $"{m.Rail} {m.Volts} V")),
            unit => BaselineEdits.Rails(unit, measured)
        );
    }

    /// <summary>Runs of a benchmark before the build, seconds apart by spaces; none takes it away.</summary>
    public static Press<Unit> Runs(string? name, string? seconds)
    {
        (string called, string typed) = (Texts.Of(name), Texts.Of(seconds));
        return TypedNumber.TryRuns(called, typed, out IReadOnlyList<decimal> runs, out string wrong)
            ? ChangeUnit(
                runs.Count == 0 ? $"Benchmark taken away: {called}" : $"Benchmark {called}: {string.Join(", ", runs)} s",
                unit => BaselineEdits.Runs(unit, called, runs)
            )
            : Refuse("seconds", $"Nothing was changed: {wrong}.");
    }
}
