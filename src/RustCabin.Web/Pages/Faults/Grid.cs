using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Faults;

/// <summary>Trials: a grid of what was combined with what, and how it went.</summary>
public sealed partial class FaultsModel
{
    /// <summary>What was tried, as the job has it.</summary>
    public JobFaults Grid => View.Job.Faults ?? new JobFaults();

    /// <summary>What explains the failures; null: nothing was tried.</summary>
    public TrialReading? Explained => field ??= Grid.Trials.Count == 0 ? null : TrialReading.Of(Tried);

    TrialsAsked Tried =>
        new() { Factors = Grid.Factors, Trials = [.. Grid.Trials.Select(t => new Trial { Set = t.Set, Works = t.Works })] };

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

    public IActionResult OnPostLevel(string job, long version, string? factor, string? level)
    {
        if (!Load(job))
            return NotFound();
        (string name, string value) = ((factor ?? "").Trim(), (level ?? "").Trim());
        if (name.Length is 0 or > 60 || value.Length is 0 or > 60)
            return Refuse("Nothing was changed: name the factor and one thing that it can be, in up to 60 letters each.");
        if (Grid.Factors.GetValueOrDefault(name)?.Contains(value) == true)
            return Refuse($"Nothing was changed: {name} can be {value} already.");
        long all = Grid.Factors.Aggregate(1L, (n, f) => n * f.Value.Count);
        if (Grid.Factors.Count >= 12 || all * 2 > TrialsAsked.Most)
            return Refuse("Nothing was changed: these are more combinations than anybody tries.");
        return Change(job, version, _ => ($"Trials: {name} can be {value}", j => FaultsEdits.Level(j, name, value)));
    }

    public IActionResult OnPostDropLevel(string job, long version, string factor, string level) =>
        Change(
            job,
            version,
            _ =>
                Grid.Factors.GetValueOrDefault(factor)?.Contains(level) == true
                    ? ($"Trials: no {factor} {level}", j => FaultsEdits.DropLevel(j, factor, level))
                    : null
        );

    public IActionResult OnPostTry(string job, long version, List<string> set, bool works, string? how)
    {
        if (!Load(job))
            return NotFound();
        string[] factors = [.. Grid.Factors.Keys];
        if (
            factors.Length == 0
            || set.Count != factors.Length
            || factors.Zip(set).Any(f => !Grid.Factors[f.First].Contains(f.Second))
        )
            return Refuse("Nothing was noted: choose a level of every factor.");
        if ((how ?? "").Length > 500)
            return Refuse("Nothing was noted: say in up to 500 letters how it failed.");
        var tried = new OrderedDictionary<string, string>(factors.Zip(set).Select(f => KeyValuePair.Create(f.First, f.Second)));
        return Change(
            job,
            version,
            _ =>
                (
                    $"Tried {string.Join(", ", set)}: {(works ? "works" : "fails")}",
                    j =>
                        FaultsEdits.Try(
                            j,
                            new TriedSet
                            {
                                Set = tried,
                                Works = works,
                                How = (how ?? "").Trim(),
                            }
                        )
                )
        );
    }

    public IActionResult OnPostDropTrial(string job, long version, int trial) =>
        Change(
            job,
            version,
            view => trial >= 0 && trial < Grid.Trials.Count ? ("A trial taken back", j => FaultsEdits.DropTrial(j, trial)) : null
        );
}
