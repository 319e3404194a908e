using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Build;

/// <summary>How a reading of the record stands.</summary>
public enum ReadingStands
{
    /// <summary>It is as predicted.</summary>
    Agrees,

    /// <summary>It differs, or it differed when it was taken.</summary>
    Differs,

    /// <summary>It does not count any more.</summary>
    Struck,
}

/// <summary>One reading as it came, right or wrong.</summary>
/// <param name="At">When, in ISO 8601; empty: not noted.</param>
/// <param name="Where">The gate, or the two places of the meter.</param>
/// <param name="Read">What was read.</param>
/// <param name="Stands">How it stands.</param>
/// <param name="More">Why it does not count, or what mended it; empty: nothing to say.</param>
public sealed record ReadingTold(string At, string Where, string Read, ReadingStands Stands, string More);

/// <summary>
/// The readings of a job as they came: wrong ones too, with what mended them. Source: docs/handbook/passport.md, Readings.
/// </summary>
public static class ReadingsTold
{
    /// <summary>Those of the gates, in the order of the sheet, and of each gate the oldest first.</summary>
    /// <param name="progress">How far the build is.</param>
    /// <param name="job">The job.</param>
    /// <param name="size">How a size is written; null: as sheets write it.</param>
    public static IReadOnlyList<ReadingTold> OfGates(Progress progress, Job job, Func<ByteSize, string>? size = null) =>
        [
            .. from gate in progress.Steps
            where gate.Step.Expected is not null
            let steps = progress.Steps.Select(s => s.Step).ToArray()
            from told in OfGate(gate, job, steps, size).Concat(CountedAt(gate, job, steps))
            select told,
        ];

    static IEnumerable<ReadingTold> OfGate(StepProgress gate, Job job, IReadOnlyList<Step> steps, Func<ByteSize, string>? size)
    {
        GateReading[] all = [.. job.Readings.Where(r => r.Gate == gate.Step.Id)];
        if (all.Length == 0 && (gate.Reading ?? gate.Struck)?.Reading is { } baseline)
            all = [baseline];
        foreach ((int i, GateReading read) in all.Index())
        {
            var compared = Comparison.Of(gate.Step.Expected!, read);
            IReadOnlyList<string> against = Grounds.Against(read.On, gate.Step, steps);
            // What was found between this reading and the next is what mended it.
            string until = i + 1 < all.Length ? all[i + 1].At : "~";
            string[] mended =
            [
                .. (job.Faults?.Confirmed ?? [])
                    .Where(c => c.Gate == gate.Step.Id && string.CompareOrdinal(c.At, read.At) >= 0)
                    .Where(c => string.CompareOrdinal(c.At, until) <= 0)
                    .Select(c => $"{c.Words}: {c.Mend}"),
            ];
            yield return new ReadingTold(
                read.At,
                gate.Step.Title,
                Words(read, size),
                !compared.Agrees ? ReadingStands.Differs
                    : against.Count > 0 ? ReadingStands.Struck
                    : ReadingStands.Agrees,
                string.Join("; ", !compared.Agrees && mended.Length > 0 ? mended.Select(m => $"mended: {m}") : against)
            );
        }
    }

    /// <summary>Starts that were counted at a gate, of each state of the job by itself.</summary>
    static IEnumerable<ReadingTold> CountedAt(StepProgress gate, Job job, IReadOnlyList<Step> steps) =>
        from count in job.Counts
        where count.Gate == gate.Step.Id
        let against = Grounds.Against(count.On, gate.Step, steps)
        select new ReadingTold(
            count.On?.At ?? "",
            gate.Step.Title,
            $"starts {count.Starts.Words}",
            against.Count > 0 ? ReadingStands.Struck
                : count.Starts.Failing is null ? ReadingStands.Agrees
                : ReadingStands.Differs,
            string.Join("; ", against)
        );

    /// <summary>A reading of a gate in words.</summary>
    /// <param name="read">The reading.</param>
    /// <param name="size">How a size is written; null: as sheets write it.</param>
    public static string Words(GateReading read, Func<ByteSize, string>? size = null) =>
        read.Starts is { } starts
            ? (starts ? "starts" : "does not start")
            : string.Join(", ", read.Lines.Select(l => $"{l.Label} {size?.Invoke(l.Bytes) ?? $"{l.Bytes}"}"));

    /// <summary>Those of the meter, in the order of the table.</summary>
    public static IReadOnlyList<ReadingTold> OfMeter(PlannedUnit unit) =>
        unit.Job is not { Probes.Count: > 0 } || !Wired.IsAny(unit)
            ? []
            :
            [
                .. from line in Wired.Of(unit).Readings
                where line.Probe is not null
                select new ReadingTold(
                    line.Probe!.On?.At ?? "",
                    $"{line.From} to {line.To}",
                    line.Probe.Said,
                    line.Struck.Length > 0 ? ReadingStands.Struck
                        : line.Agrees == true ? ReadingStands.Agrees
                        : ReadingStands.Differs,
                    line.Struck.Length > 0 ? line.Struck : line.Cause
                ),
            ];
}
