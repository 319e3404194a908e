using RustCabin.Core.Planning;

namespace RustCabin.Core.Speed;

/// <summary>One part of the work: how long it takes now, in seconds, and how many times faster it becomes.</summary>
public sealed record WorkPart(string Name, decimal Seconds, decimal Factor);

/// <summary>A piece of work by its parts, and runs of it in seconds before and after; empty where nobody has measured.</summary>
public sealed record Work(IReadOnlyList<WorkPart> Parts, IReadOnlyList<decimal> Before, IReadOnlyList<decimal> After);

/// <summary>
/// What a speed-up makes of a piece of work: <c>t_new = sum(t_i / s_i)</c>, beside what was measured: the ratio of the medians,
/// and the least and the most that single runs allow. Ratios are above 1 for faster; null where there is nothing to compare.
/// Source: docs/handbook/speed.md, Prediction.
/// </summary>
public sealed record SpeedForecast(
    decimal PredictedSeconds,
    decimal? PredictedRatio,
    decimal? MeasuredRatio,
    (decimal Least, decimal Most)? Spread
)
{
    /// <summary>The forecast of a piece of work, part by part.</summary>
    public static SpeedForecast Of(Work work)
    {
        decimal now = work.Parts.Sum(p => p.Seconds),
            then = work.Parts.Sum(p => p.Seconds / p.Factor);
        Runs? before = Runs.Of(work.Before),
            after = Runs.Of(work.After);
        bool measured = before is not null && after is not null;
        return new SpeedForecast(
            then,
            then > 0 ? now / then : null,
            measured ? before!.Median / after!.Median : null,
            measured ? (before!.Least / after!.Most, before.Most / after.Least) : null
        );
    }

    /// <summary>
    /// How many times faster a kind of work is with the parts that are fitted: the fastest of them counts. 1 where none speaks of
    /// it.
    /// </summary>
    public static decimal FactorOf(PlannedUnit unit, string kind) =>
        unit.Instances.Max(i => i.Part.Speed.TryGetValue(kind, out decimal factor) ? factor : (decimal?)null) ?? 1;
}
