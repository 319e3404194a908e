using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Fit;

/// <summary>What parts ask of the unit and of each other. Source: docs/handbook/fit.md, Needs of parts.</summary>
static class PartChecks
{
    /// <summary>
    /// What a chip that is carried on adds to the height of what goes between, in millimetres. Source: docs/handbook/fit.md,
    /// Envelopes.
    /// </summary>
    const decimal CarriedChipMm = 4;

    /// <summary>
    /// FIT-NEED: a part, or the way it is fitted, needs something that is not there; a watch where the sheets do not say.
    /// </summary>
    public static IEnumerable<Finding> Needs(PlannedUnit unit) =>
        from instance in unit.Instances
        from answer in NeedCheck.Of(unit, instance.Part.Needs.Concat(instance.Way?.Needs ?? []), instance)
        where answer.Met != true
        select new Finding(
            FitFindings.FitNeed,
            answer.Met == false ? Severity.Stop : Severity.Watch,
            $"{instance.Title} needs {answer.Need.Kind}",
            [instance.Subject],
            $"{instance.Title} needs {answer.Text}.",
            [
                answer.Met == false
                    ? "Its sheet says so, and it is not there."
                    : "Its sheet says so; the sheets of this unit do not say whether it is there.",
            ]
        );

    /// <summary>FIT-CONFLICT: two parts that are known not to go together; either sheet may say it.</summary>
    public static IEnumerable<Finding> Conflicts(PlannedUnit unit)
    {
        foreach ((int i, Instance one) in unit.Instances.Index())
        foreach (Instance other in unit.Instances.Skip(i + 1))
            if (
                (
                    one.Part.Conflicts.FirstOrDefault(c => c.Part == other.Part.Id)
                    ?? other.Part.Conflicts.FirstOrDefault(c => c.Part == one.Part.Id)
                ) is
                { } conflict
            )
                yield return new Finding(
                    FitFindings.FitConflict,
                    Severity.Stop,
                    $"{one.Title} and {other.Title} do not go together",
                    [one.Subject, other.Subject],
                    conflict.Why.Length > 0 ? conflict.Why : "One of their sheets says that they do not go together.",
                    [$"Known bad pair: {one.Part.Name} and {other.Part.Name}."]
                );
    }

    /// <summary>FIT-SOLDERED: a part that fills a site or goes between needs it socketed.</summary>
    public static IEnumerable<Finding> Soldered(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Way is { FitsSocket: false }
        from taken in instance.Occupied
        where taken.Mode is SiteMode.In or SiteMode.Between && unit.Model.FindSite(taken.Site!) is { Mount: "soldered" }
        select new Finding(
            FitFindings.FitSoldered,
            Severity.Stop,
            $"The chip at {LocalName.Parse(taken.Site!).Plain} is soldered",
            [instance.Subject],
            $"{instance.Title} wants the chip at {LocalName.Parse(taken.Site!).Plain} out of its socket, and there it is "
                + "soldered.",
            ["Desolder it and fit a socket, or take a part that clips over the chip that stays."]
        );

    /// <summary>
    /// FIT-HEIGHT: what is stacked on a site against its free height; going between adds the carried chip's 4 mm.
    /// </summary>
    public static IEnumerable<Finding> Height(PlannedUnit unit)
    {
        foreach (Site site in unit.Sites.Where(s => s.HeightMm is not null))
        {
            var on = unit
                .Instances.SelectMany(i =>
                    i.Occupied.Where(o => o.Site == site.Id && o.Mode != SiteMode.Tap).Select(o => (Instance: i, o.Mode))
                )
                .Where(o => o.Instance.Part.HeightMm is not null)
                .ToList();
            if (on.Count == 0)
                continue;
            decimal carried = on.Any(o => o.Mode == SiteMode.Between) ? CarriedChipMm : 0,
                tall = on.Sum(o => o.Instance.Part.HeightMm!.Value) + carried,
                free = site.HeightMm!.Value;
            if (Limit.Of(tall, free) is not { } severity)
                continue;
            yield return new Finding(
                FitFindings.FitHeight,
                severity,
                $"{tall:0.#} mm on {site.Id}, {free:0.#} free",
                [.. on.Select(o => o.Instance.Subject).Distinct()],
                severity == Severity.Stop
                    ? $"What sits on {site.Id} is {tall:0.#} mm tall, and {free:0.#} mm are free: the lid does not close."
                    : $"What sits on {site.Id} leaves {free - tall:0.#} mm of {free:0.#}: check it before closing.",
                [
                    .. on.Select(o => $"{o.Instance.Title}: {o.Instance.Part.HeightMm:0.#} mm."),
                    .. carried > 0 ? [$"The chip that is carried on: {carried} mm."] : (string[])[],
                    $"Together {tall:0.#} mm of {free:0.#}.",
                ]
            );
        }
    }

    /// <summary>FIT-NEED of choices: a part that is chosen has what its sheet and its way ask for.</summary>
    public static void NeedsRule(ChoiceModel choices)
    {
        foreach ((Candidate candidate, ILiteral here) in choices.Candidates)
        foreach (
            Need need in candidate
                .Instance.Part.Needs.Concat(candidate.Instance.Way?.Needs ?? [])
                .Where(n => choices.Unit.Holds(n.Revisions))
        )
            NeedCheck.Require(choices, need, choices.Holds(candidate.Instance.Name, here, need.When), strict: false);
    }

    /// <summary>FIT-CONFLICT of choices: not both of a known bad pair.</summary>
    public static void ConflictsRule(ChoiceModel choices)
    {
        (Candidate Part, ILiteral Here)[] all = [.. choices.Candidates];
        foreach ((int i, (Candidate one, ILiteral here)) in all.Index())
        foreach ((Candidate other, ILiteral there) in all.Skip(i + 1))
        {
            bool bad =
                one.Instance.Part.Conflicts.Any(c => c.Part == other.Instance.Part.Id)
                || other.Instance.Part.Conflicts.Any(c => c.Part == one.Instance.Part.Id);
            if (bad && one.Instance.Name != other.Instance.Name)
                choices.NotBoth(here, there, unless: []);
        }
    }
}
