using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Faults;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Faults;

/// <summary>Trials: a grid of what was combined with what, and how it went.</summary>
public sealed partial class FaultsModel
{
    /// <summary>What was tried, as the job has it.</summary>
    public JobFaults Grid => View.Job.Faults ?? new JobFaults();

    /// <summary>What explains the failures; null: nothing was tried.</summary>
    public TrialReading? Explained => field ??= PairPresses.Explained(Grid);

    TrialsAsked Tried => PairPresses.Asked(Grid);

    /// <summary>Where no single level and no pair explains all: the fewest rules that do.</summary>
    public IReadOnlyList<TrialRule> Rules =>
        field ??= Explained is { Singles.Count: 0, Pairs.Count: 0 } ? TrialRules.Of(Tried) : [];

    /// <summary>Combinations that were tried more than once and went both ways: how often of how many, and the chance of a
    /// failure from its 5 % to its 95 % quantile.</summary>
    public IEnumerable<(string Set, int Fails, int Of, double Low, double High)> Doubtful =>
        from same in Grid.Trials.GroupBy(t => string.Join(", ", t.Set.Select(s => $"{s.Key} {s.Value}")))
        let fails = same.Count(t => !t.Works)
        where fails > 0 && fails < same.Count()
        select (
            same.Key,
            fails,
            same.Count(),
            Intermittent.Quantile(fails, same.Count(), 0.05),
            Intermittent.Quantile(fails, same.Count(), 0.95)
        );

    /// <summary>Equipment of the cupboard that does something wrong of its own, and is no condition yet.</summary>
    public IEnumerable<(string Factor, StockItem Item)> Quirky =>
        from known in stock.All()
        let item = known.Item
        let factor = Words<StockKind>.Of(item.Kind)
        where item.Quirk.Length > 0 && Grid.Factors.GetValueOrDefault(factor)?.Contains(item.Name) != true
        select (factor, item);

    public IActionResult OnPostLevel(string job, long version, string? factor, string? level) =>
        Press(job, version, at => Trying.Level(at, factor, level));

    public IActionResult OnPostDropLevel(string job, long version, string factor, string level) =>
        Press(job, version, at => Trying.DropLevel(at, factor, level));

    public IActionResult OnPostTry(string job, long version, List<string> set, bool works, string? how) =>
        Press(job, version, at => Trying.Try(at, set, works, how));

    public IActionResult OnPostDropTrial(string job, long version, int trial) =>
        Press(job, version, at => Trying.DropTrial(at, trial));
}
