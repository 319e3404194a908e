using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Speed;

/// <summary>One kind of work: seconds as the unit stands, and how many times faster the plan makes it by its sheets.</summary>
public sealed record WorkForecast(string Kind, decimal Seconds, decimal Factor)
{
    /// <summary>Seconds that it takes afterwards.</summary>
    public decimal After => Seconds / Factor;
}

/// <summary>
/// One benchmark before and after: medians in seconds, the ratio (above 1 for faster) with the least and the most that single
/// runs allow. Null: not run yet.
/// </summary>
public sealed record Compared(string Name, Runs? Before, Runs? After)
{
    /// <summary>Times as fast, by the medians; null where one side was not measured.</summary>
    public decimal? Ratio => Before is not null && After is not null ? Before.Median / After.Median : null;

    /// <summary>The least that the runs allow.</summary>
    public decimal? Least => Ratio is null ? null : Before!.Least / After!.Most;

    /// <summary>The most that the runs allow.</summary>
    public decimal? Most => Ratio is null ? null : Before!.Most / After!.Least;
}

/// <summary>
/// A claim beside what was measured of it: the geometric mean over the benchmarks that both sides have run; null where none is
/// common.
/// </summary>
public sealed record ClaimHeld(SpeedClaim Claim, string Against, decimal? Measured, IReadOnlyList<string> Why);

/// <summary>
/// What a job does to speed: the forecast by parts of the work, the runs before and after, the mean over the suite, and the
/// claims. Source: docs/handbook/speed.md, Measurement.
/// </summary>
public sealed record SpeedReport(
    IReadOnlyList<WorkForecast> Work,
    SpeedForecast Forecast,
    IReadOnlyList<Compared> Suite,
    decimal? SuiteMean,
    IReadOnlyList<ClaimHeld> Claims
)
{
    /// <summary>The report of a plan. <paramref name="find"/> gives the units of the shelf that claims name.</summary>
    public static SpeedReport Of(PlannedUnit before, PlannedUnit after, Func<string, Unit?>? find = null)
    {
        SpeedRecord record = after.Job?.Speed ?? new SpeedRecord();
        WorkForecast[] work =
        [
            .. record.Work.Select(w => new WorkForecast(
                w.Kind,
                w.Seconds,
                SpeedForecast.FactorOf(after, w.Kind) / SpeedForecast.FactorOf(before, w.Kind)
            )),
        ];
        IReadOnlyList<BenchmarkRuns> first = after.Unit.Baseline?.Runs ?? [];
        Compared[] suite =
        [
            .. first
                .Select(r => r.Name)
                .Concat(record.After.Select(r => r.Name))
                .Distinct()
                .Select(name => new Compared(name, RunsOf(first, name), RunsOf(record.After, name))),
        ];
        var forecast = SpeedForecast.Of(new Work([.. work.Select(w => new WorkPart(w.Kind, w.Seconds, w.Factor))], [], []));
        return new SpeedReport(
            work,
            forecast,
            suite,
            Mean(suite.Select(c => c.Ratio).OfType<decimal>()),
            [.. record.Claims.Select(c => Held(c, after, record, suite, find))]
        );
    }

    static Runs? RunsOf(IReadOnlyList<BenchmarkRuns> runs, string name) =>
        Runs.Of([.. runs.Where(r => r.Name == name).SelectMany(r => r.Seconds)]);

    /// <summary>The geometric mean, as ratios are averaged; null of nothing.</summary>
    public static decimal? Mean(IEnumerable<decimal> ratios)
    {
        double[] all = [.. ratios.Select(r => Math.Log((double)r))];
        return all.Length == 0 ? null : (decimal)Math.Exp(all.Average());
    }

    static ClaimHeld Held(SpeedClaim claim, PlannedUnit after, SpeedRecord record, Compared[] suite, Func<string, Unit?>? find)
    {
        if (claim.Unit is not { } id)
            return new ClaimHeld(
                claim,
                "itself before",
                Mean(suite.Select(c => c.Ratio).OfType<decimal>()),
                [
                    .. suite
                        .Where(c => c.Ratio is not null)
                        .Select(c => $"{c.Name}: {c.Before!.Median:0.###} s / {c.After!.Median:0.###} s = {c.Ratio:0.00}."),
                ]
            );
        Unit? reference = find?.Invoke(id);
        IReadOnlyList<BenchmarkRuns> theirs = reference?.Baseline?.Runs ?? [];
        var common = record
            .After.Select(r => r.Name)
            .Distinct()
            .Select(name => (Name: name, Theirs: RunsOf(theirs, name), Ours: RunsOf(record.After, name)))
            .Where(c => c is { Theirs: not null, Ours: not null })
            .ToList();
        return new ClaimHeld(
            claim,
            reference?.Name ?? id,
            Mean(common.Select(c => c.Theirs!.Median / c.Ours!.Median)),
            common.Count == 0
                ? [$"No benchmark was run both here after the build and on {reference?.Name ?? id}."]
                :
                [
                    .. common.Select(c =>
                        $"{c.Name}: {c.Theirs!.Median:0.###} s there / {c.Ours!.Median:0.###} s here = "
                        + $"{c.Theirs.Median / c.Ours.Median:0.00}."
                    ),
                ]
        );
    }
}
