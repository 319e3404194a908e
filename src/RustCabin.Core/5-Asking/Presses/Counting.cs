using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Starts are counted, one key a try. Source: docs/handbook/baseline.md, Rates.</summary>
public static class Counting
{
    static string Kind(bool warm) => warm ? "warm" : "cold";

    static string Told(bool works) => works ? "it started" : "it did not start";

    /// <summary>Counts a start before anything is touched.</summary>
    public static Press<Unit> Baseline(AtHand at, bool warm, bool works) =>
        at.Unit.Baseline?.Counted?.Of(warm).Tries >= TryCount.Most
            ? Gone
            : ChangeUnit($"Counted before, {Kind(warm)}: {Told(works)}", unit => BaselineEdits.Count(unit, warm, works));

    /// <summary>Begins the count of the baseline from the start.</summary>
    public static Press<Unit> Afresh(AtHand at) =>
        at.Unit.Baseline?.Counted is null ? Gone : ChangeUnit("Starts are counted from the start", BaselineEdits.NoCount);

    /// <summary>Counts a start at a gate: of the state as it is, else a count of that state begins.</summary>
    public static Press<Job> AtGate(AtHand at, StepId step, bool warm, bool works)
    {
        if (at.Find(step) is not { Step: { Kind: StepKind.Gate, At: not null } } gate)
            return Gone;
        if (gate.State == StepState.Locked || gate.Waits.Count > 0)
            return Refuse("step", "The start was not counted: what comes before this gate is not done.");
        if (!gate.AllHeeded)
            return Refuse("heeded", $"The start was not counted: tick the cautions of \"{gate.Step.Title}\" first.");
        return Change(
            $"Counted at \"{gate.Step.Title}\", {Kind(warm)}: {Told(works)}",
            j =>
                BuildEdits.Counted(
                    j,
                    new GateCount
                    {
                        Gate = step,
                        Starts = (gate.Counted ?? new CountedStarts()).With(warm, works),
                        On = Grounds.Of(j, gate.Step.Instances, at.Moment),
                    },
                    gate.Counted is not null
                )
        );
    }

    /// <summary>Asks at a gate for so many clean tries in a row as prove the mend, or for none.</summary>
    public static Press<Job> Ask(AtHand at, StepId step, bool asked)
    {
        if (at.Find(step) is not { Step: { Kind: StepKind.Gate } } gate)
            return Gone;
        if (asked == at.Build.Rates.Any(r => r.Gate == step))
            return Gone;
        if (!asked)
            return Change($"No clean tries asked at \"{gate.Step.Title}\"", j => BuildEdits.Rate(j, step, null));
        var rate = new AskedRate { Gate = step };
        return Counts.ProofAt(gate.Step, gate.Counted, rate.Sure) is { } proof
            ? Change(
                $"Asked at \"{gate.Step.Title}\": {proof.Wanted:#,0} clean tries in a row",
                j => BuildEdits.Rate(j, step, rate)
            )
            : Gone;
    }
}
