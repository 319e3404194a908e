using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Fit;

static class FitChecks
{
    /// <summary>FIT-REVISION: the way of a part is not for this model, or not for this revision of it.</summary>
    public static IEnumerable<Finding> Revision(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        {
            if (instance.Way is not { } way)
            {
                yield return Wrong(unit, instance, $"The sheet of {instance.Title} has no way of fitting it.", []);
                continue;
            }
            if (way.Model is { } model && model != unit.Model.Id)
                yield return Wrong(
                    unit,
                    instance,
                    $"{instance.Title} by way of \"{way.Called}\" is for {model}, not for {unit.Model.Name}.",
                    Fitting(unit, instance.Part)
                );
            else if (!unit.Holds(way.Revisions))
                yield return Wrong(
                    unit,
                    instance,
                    $"{instance.Title} fits {Names(unit.Model, way.Revisions)}; this is "
                        + $"{RevisionName(unit.Model, unit.Revision.Id)}.",
                    Fitting(unit, instance.Part)
                );
        }
    }

    static Finding Wrong(PlannedUnit unit, Instance instance, string text, IEnumerable<string> why)
    {
        string sure = unit.Unit.Revision is null ? $" ({unit.Revision.Probability * 100:0} % by its clues)" : ", confirmed";
        return new Finding(
            FitFindings.FitRevision,
            Severity.Stop,
            $"{instance.Title} does not fit",
            [instance.Subject],
            text,
            [$"This unit is taken for {unit.Model.Name}, " + $"{RevisionName(unit.Model, unit.Revision.Id)}" + $"{sure}.", .. why]
        );
    }

    static IEnumerable<string> Fitting(PlannedUnit unit, Part part) =>
        part.Ways.Select(w =>
            $"Way \"{w.Called}\": for {w.Model ?? $"anything with {w.Connector}"}"
            + $"{(w.Revisions.Count > 0 && w.Model == unit.Model.Id ? $", {Names(unit.Model, w.Revisions)}" : "")}."
        );

    /// <summary>
    /// FIT-DOUBT: the revisions that a way does not fit still hold 5 % or more, and none is confirmed by hand. Source:
    /// docs/handbook/fit.md, Revisions in doubt.
    /// </summary>
    public static IEnumerable<Finding> Doubt(PlannedUnit unit)
    {
        if (unit.Unit.Revision is not null)
            yield break;
        foreach (
            Instance instance in unit.Instances.Where(i =>
                i.Way is { Revisions.Count: > 0 } way && way.Model == unit.Model.Id && unit.Holds(way.Revisions)
            )
        )
        {
            RevisionChance[] others = [.. unit.Revision.All.Where(r => !instance.Way!.Revisions.Contains(r.Id))];
            double doubt = others.Sum(r => r.Probability);
            if (doubt < 0.05)
                continue;
            RevisionChance worst = others.MaxBy(r => r.Probability)!;
            NextClue? next = Revisions.Next(unit.Model, unit.Unit.Seen);
            yield return new Finding(
                FitFindings.FitDoubt,
                Severity.Watch,
                $"Is it a board that takes {instance.Title}?",
                [instance.Subject],
                $"{instance.Title} fits {Names(unit.Model, instance.Way!.Revisions)}, not "
                    + $"{Names(unit.Model, others.Select(r => r.Id))}; {RevisionName(unit.Model, worst.Id)} still has "
                    + $"{worst.Probability * 100:0} %.",
                [
                    .. unit.Revision.All.Select(r =>
                        $"{RevisionName(unit.Model, r.Id)}: {r.Probability * 100:0.0} % by the clues seen."
                    ),
                    $"Boards that it does not fit hold {doubt * 100:0.0} %; from 5 % on the fit is in doubt.",
                    next is null
                        ? "No clue that is left would tell more; confirm the revision by hand."
                        : $"Look next: {unit.Model.Clues.First(c => c.Id == next.Clue).Ask}.",
                ]
            );
        }
    }

    static string Names(Model model, IEnumerable<string> revisions) =>
        string.Join(" and ", revisions.Select(id => RevisionName(model, id)));

    static string RevisionName(Model model, string id) => model.FindRevision(id)?.Name ?? id;

    /// <summary>
    /// FIT-SITE-TAKEN: parts that cannot share a site. One <c>in</c>, one <c>between</c>, one <c>over</c> and any <c>tap</c>
    /// share it only if a sheet of them says that it stacks. Source: docs/handbook/fit.md, Ways.
    /// </summary>
    public static IEnumerable<Finding> SiteTaken(PlannedUnit unit)
    {
        var bySite = unit.Instances.SelectMany(i => i.Occupied.Select(o => (Instance: i, Taken: o))).GroupBy(x => x.Taken.Site!);
        foreach (var site in bySite)
        {
            (Instance Instance, Occupies Taken)[] on = [.. site];
            if (on.Length < 2)
                continue;
            bool stacks = on.Any(x => x.Taken.Stacks || x.Instance.Part.Stacks || x.Instance.Way!.Stacks);
            bool oneEach = on.Where(x => x.Taken.Mode != SiteMode.Tap).GroupBy(x => x.Taken.Mode).All(g => g.Count() == 1);
            if (stacks && oneEach)
                continue;

            string names = string.Join(" and ", on.Select(x => x.Instance.Title).Distinct());
            yield return new Finding(
                FitFindings.FitSiteTaken,
                Severity.Stop,
                $"{IdText.Capital(unit.PlaceName(site.Key))} is wanted twice",
                [.. on.Select(x => x.Instance.Subject).Distinct()],
                $"{names} both sit on {unit.PlaceName(site.Key)}, and "
                    + $"{(stacks ? "only one of a kind can" : "neither sheet says that they stack")}.",
                [.. on.Select(x => $"{x.Instance.Title} takes {unit.PlaceName(site.Key)}: {How(x.Taken.Mode)}.")]
            );
        }
    }

    static string How(SiteMode mode) =>
        mode switch
        {
            SiteMode.In => "it fills the site",
            SiteMode.Between => "it takes the chip's place and carries the chip on",
            SiteMode.Over => "it clips over the chip that stays",
            _ => "it taps a signal there",
        };

    /// <summary>FIT-REVISION of choices: a way that is not for this board is never chosen.</summary>
    public static void RevisionRule(ChoiceModel choices)
    {
        PlannedUnit unit = choices.Unit;
        foreach ((Candidate candidate, ILiteral here) in choices.Candidates)
            if (
                candidate.Instance.Way is not { } way
                || (way.Model is { } model && model != unit.Model.Id)
                || (way.Model == unit.Model.Id && !unit.Holds(way.Revisions))
            )
                choices.Forbid(here);
    }

    /// <summary>
    /// FIT-SITE-TAKEN of choices: two share a site only in different modes, and only if a sheet of those there says that it
    /// stacks.
    /// </summary>
    public static void SiteTakenRule(ChoiceModel choices)
    {
        var taken = choices
            .Candidates.Where(c => !c.Part.Instance.SeeksSite)
            .SelectMany(c => c.Part.Instance.Occupied.Select(o => (c.Part.Instance, c.Here, Taken: o)));
        foreach (var site in taken.GroupBy(o => o.Taken.Site!))
            OneSite(choices, [.. site]);
    }

    static void OneSite(ChoiceModel choices, (Instance Instance, ILiteral Here, Occupies Taken)[] on)
    {
        bool Stacks((Instance Instance, ILiteral Here, Occupies Taken) o) =>
            o.Taken.Stacks || o.Instance.Part.Stacks || o.Instance.Way!.Stacks;
        ILiteral[] stackers = [.. on.Where(Stacks).Select(o => o.Here)];
        for (int i = 0; i < on.Length; i++)
        for (int j = i + 1; j < on.Length; j++)
        {
            if (on[i].Instance.Name == on[j].Instance.Name)
                continue;
            bool clash = on[i].Taken.Mode == on[j].Taken.Mode && on[i].Taken.Mode != SiteMode.Tap;
            if (clash || !(Stacks(on[i]) || Stacks(on[j])))
                choices.NotBoth(on[i].Here, on[j].Here, unless: clash ? [] : stackers);
        }
    }
}
