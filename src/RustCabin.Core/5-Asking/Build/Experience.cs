using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// What one's own builds have taught. A figure is the sheets' until there is one's own, and says on how many it rests. Source:
/// docs/handbook/build.md, Learning.
/// </summary>
/// <param name="Minutes">Median minutes that steps took of those that were predicted, by what is done.</param>
/// <param name="Parts">How often a part's gate read as predicted at once, and how often not.</param>
public sealed record Experience(
    IReadOnlyDictionary<string, (decimal Ratio, int Trials)> Minutes,
    IReadOnlyDictionary<string, (int Well, int Wrong)> Parts
)
{
    /// <summary>A sheet's chance counts as much as so many trials of one's own.</summary>
    public const decimal SheetTrials = 10;

    /// <summary>Nothing is learnt yet.</summary>
    public static readonly Experience None = new(new Dictionary<string, (decimal, int)>(), new Dictionary<string, (int, int)>());

    /// <summary>What builds have taught.</summary>
    public static Experience Of(IReadOnlyList<Taught> builds)
    {
        var minutes = builds.SelectMany(b => b.Minutes).GroupBy(m => m.Act, m => m.Ratio);
        var parts = builds.SelectMany(b => b.Parts).GroupBy(p => p.Part, p => p.Well);
        return new Experience(
            minutes.ToDictionary(g => g.Key, g => (Runs.Of([.. g])!.Median, g.Count())),
            parts.ToDictionary(g => g.Key, g => (g.Count(w => w), g.Count(w => !w)))
        );
    }

    /// <summary>How long a work takes by one's own pace; null: none of its steps was ever timed.</summary>
    public decimal? MinutesOf(Work work) =>
        work.Steps.Any(s => Minutes.ContainsKey(s.Id.Act))
            ? work.Steps.Sum(s => s.Minutes * (Minutes.TryGetValue(s.Id.Act, out var own) ? own.Ratio : 1))
            : null;

    /// <summary>The median of what a gate really took; null: none was timed.</summary>
    public decimal? GateMinutes =>
        Minutes.TryGetValue(Acts.CountFirmware.Act, out var own) ? own.Ratio * BuildSheet.GateMinutes : null;

    /// <summary>
    /// The chance that a work goes wrong, by a Beta prior: the sheet's chance worth ten trials, and one's own outcomes.
    /// </summary>
    public decimal ChanceOf(Work work) =>
        PartOf(work) is { } part && Parts.TryGetValue(part, out (int Well, int Wrong) own)
            ? (work.Chance * SheetTrials + own.Wrong) / (SheetTrials + own.Well + own.Wrong)
            : work.Chance;

    /// <summary>On how many of one's own trials the chance of a work rests.</summary>
    public int TrialsOf(Work work) => PartOf(work) is { } part && Parts.TryGetValue(part, out var own) ? own.Well + own.Wrong : 0;

    static string? PartOf(Work work) => work.Steps.Select(s => s.Instance?.Part.Id).FirstOrDefault(p => p is not null);
}

/// <summary>What one build has taught.</summary>
/// <param name="Minutes">How long steps took of what was predicted, by what is done.</param>
/// <param name="Parts">Whether a part's gate read as predicted at once.</param>
public sealed record Taught(IReadOnlyList<(string Act, decimal Ratio)> Minutes, IReadOnlyList<(string Part, bool Well)> Parts)
{
    /// <summary>What a build has taught.</summary>
    public static Taught By(BuildSheet sheet, Job job) =>
        new(
            [
                .. from step in sheet.Steps
                let took = job.MinutesOf(step.Id)
                where step.Minutes > 0 && took is not null
                select (step.Id.Act, took.Value / step.Minutes),
            ],
            [
                .. from step in sheet.Steps
                where step.Kind == StepKind.Gate && step.Instances.Count == 1
                let first = job.Readings.FirstOrDefault(r => r.Gate == step.Id)
                where first is not null
                select (step.Instances[0].Part.Id, Bench.Comparison.Of(step.Expected!, first).Agrees),
            ]
        );
}
