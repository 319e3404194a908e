using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Presses;

/// <summary>The diagnosis of a gate of a job, with what was read there and looked at.</summary>
public static class AtGate
{
    /// <summary>What was seen at a gate.</summary>
    public static Seen Seen(AtHand at, StepProgress gate)
    {
        GateReading? read = gate.Reading?.Reading;
        return new Seen
        {
            Lines = read is { Starts: not false, Lines.Count: > 0 } ? [.. read.Lines.Select(l => l.Bytes.Bytes)] : null,
            // Lines that all read nothing may be a count, or a screen that stays dark: nothing is said of starting.
            Starts = read?.Starts ?? (read?.Lines.Any(l => l.Bytes.Bytes > 0) == true ? true : null),
            Counted = gate.Counted ?? (gate.Step.Id == Acts.Untouched ? at.Unit.Baseline?.Counted : null),
            Looks = Measured(gate)
                .Concat(
                    Looks(at, gate).Where(l => l.Against.Count == 0).Select(l => KeyValuePair.Create(l.Look.What, l.Look.Showed))
                )
                .GroupBy(l => l.Key)
                .ToDictionary(l => l.Key, l => l.Last().Value),
        };
    }

    /// <summary>What was looked at there, each with why it does not count any more; none: it counts.</summary>
    public static IEnumerable<(LookTaken Look, IReadOnlyList<string> Against)> Looks(AtHand at, StepProgress gate) =>
        Grounds.Looks(at.Job, gate.Step, [.. at.Progress.Steps.Select(s => s.Step)]);

    /// <summary>What the table of the meter has of it: a line that agrees rules its cause out, one that does not is its
    /// cause.</summary>
    static IEnumerable<KeyValuePair<string, string>> Measured(StepProgress gate) =>
        gate.Step.At is { } at && Wired.IsAny(at)
            ? from line in Wired.Of(at).Readings
            where line.Agrees is not null
            select KeyValuePair.Create(
                new PlacePair(line.From, line.To).Look,
                line.Line.Closed == line.Agrees ? "closed" : "open"
            )
            : [];

    /// <summary>The causes of what was seen there, and what to look at next.</summary>
    public static Diagnosis Of(AtHand at, StepProgress gate) => Of(at, gate, Seen(at, gate));

    static Diagnosis Of(AtHand at, StepProgress gate, Seen seen) =>
        Diagnosis.Of(
            at.Sheet.Stations,
            gate.Step.At!,
            AccessPath.Path(at.Model, gate.Step.Level),
            seen,
            swaps: SwapsAt.Of(at.Sheet.Stations, at.Sheets, gate.Step.At!, seen.Looks.Keys)
        );
}
