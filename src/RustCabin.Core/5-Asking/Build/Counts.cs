using RustCabin.Core.Baseline;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>How many clean tries in a row a gate asks for, and how many there were.</summary>
/// <param name="Warm">The tries are of the warm machine, as those that failed before.</param>
/// <param name="Row">So many tries of the state as it is worked, one after the other.</param>
/// <param name="Wanted">So many prove the mend.</param>
public sealed record ProofByTries(bool Warm, int Row, long Wanted)
{
    /// <summary>The mend is proved.</summary>
    public bool IsThere => Row >= Wanted;
}

/// <summary>
/// Starts that were counted at gates: they prove the state that they were taken on, and no other. Source:
/// docs/handbook/baseline.md, Rates.
/// </summary>
public static class Counts
{
    /// <summary>What was counted at a gate of the state as it is; null: nothing.</summary>
    /// <param name="job">The job.</param>
    /// <param name="gate">The gate.</param>
    /// <param name="before">The steps before it.</param>
    public static CountedStarts? At(Job job, Step gate, IEnumerable<StepProgress> before) =>
        job.Counts.LastOrDefault(c => c.Gate == gate.Id) is { } last
        && Grounds.Against(last.On, gate, before.Select(s => s.Step)).Count == 0
            ? last.Starts
            : null;

    /// <summary>How many clean tries would prove a mend at a gate, as sure as asked; null: nothing failed before.</summary>
    public static ProofByTries? ProofAt(Step gate, CountedStarts? counted, decimal sure) =>
        gate.At?.Unit.Baseline?.Counted is { Failing: { } before } all && Starts.CleanTriesOf(before.Plain, sure) is { } wanted
            ? new ProofByTries(before == all.Warm, counted?.Of(before == all.Warm).Row ?? 0, wanted)
            : null;

    /// <summary>What a gate asks for; null: for no tries.</summary>
    public static ProofByTries? AskedAt(Job job, Step gate, CountedStarts? counted) =>
        job.Build?.Rates.FirstOrDefault(r => r.Gate == gate.Id) is { } asked ? ProofAt(gate, counted, asked.Sure) : null;
}
