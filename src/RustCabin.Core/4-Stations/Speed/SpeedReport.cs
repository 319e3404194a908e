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
    /// <summary>The report of a plan.</summary>
    /// <param name="before">The unit as it stands.</param>
    /// <param name="after">The unit as it is planned.</param>
    /// <param name="sheets">The units and models that claims name; null: none are known.</param>
    public static SpeedReport Of(PlannedUnit before, PlannedUnit after, Pack? sheets = null)
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
            [.. record.Claims.Select(c => Held(c, record, suite, sheets))]
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

    static ClaimHeld Held(SpeedClaim claim, SpeedRecord record, Compared[] suite, Pack? sheets)
    {
        if (claim is { Unit: null, Model: null })
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
        (string name, IReadOnlyList<BenchmarkRuns> theirs) = Reference(claim, sheets);
        var common = record
            .After.Select(r => r.Name)
            .Distinct()
            .Select(run => (Name: run, Theirs: RunsOf(theirs, run), Ours: RunsOf(record.After, run)))
            .Where(c => c is { Theirs: not null, Ours: not null })
            .ToList();
        return new ClaimHeld(
            claim,
            name,
            Mean(common.Select(c => c.Theirs!.Median / c.Ours!.Median)),
            common.Count == 0
                ? [$"No benchmark was run both here after the build and on {name}."]
                :
                [
                    .. common.Select(c =>
                        $"{c.Name}: {c.Theirs!.Median:0.###} s there / {c.Ours!.Median:0.###} s here = "
                        + $"{c.Theirs.Median / c.Ours.Median:0.00}."
                    ),
                ]
        );
    }

    /// <summary>What a claim is held against: a unit of the shelf, else a typical machine of a model.</summary>
    static (string Name, IReadOnlyList<BenchmarkRuns> Runs) Reference(SpeedClaim claim, Pack? sheets)
    {
        if (claim.Unit is { } id)
            return sheets?.FindUnit(id) is { } unit ? (unit.Name, unit.Baseline?.Runs ?? []) : (id, []);
        return sheets?.FindModel(claim.Model!) is { } model ? ($"a typical {model.Name}", Typical(model)) : (claim.Model!, []);
    }

    /// <summary>Runs of a typical machine of a model, as benchmark runs.</summary>
    static IReadOnlyList<BenchmarkRuns> Typical(Model model) =>
        [.. model.Runs.Select(r => new BenchmarkRuns { Name = r.Name, Seconds = r.Seconds })];

    /// <summary>
    /// How many times as fast as a typical machine of its model a benchmark runs here, after the build where it was run then,
    /// else before; null: one of them was not run.
    /// </summary>
    public static decimal? AgainstTypical(Model model, Compared run) =>
        RunsOf(Typical(model), run.Name) is { } typical && (run.After ?? run.Before) is { } own
            ? typical.Median / own.Median
            : null;
}
