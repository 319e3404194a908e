using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Fit;

/// <summary>
/// Whether the sites that parts want are there, and which way round they sit. Source: docs/handbook/fit.md, Ways.
/// </summary>
static class SiteChecks
{
    /// <summary>
    /// FIT-NO-SITE: a part wants a site that this board, or this plan, has not; or no connector of its kind is left.
    /// </summary>
    public static IEnumerable<Finding> Missing(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        {
            string? connector = instance.SeeksSite ? instance.Way!.Connector : null;
            if (connector is not null && instance.Site is null)
                yield return None(
                    instance,
                    $"{instance.Title} plugs into {connector}, and none is free.",
                    unit.Sites.Where(s => s.Connector == connector).Select(s => $"{IdText.Plain(s.Id)} is taken.")
                );
            else if (connector is not null && unit.FindSite(instance.Site!) is { } at && at.Connector != connector)
                yield return None(
                    instance,
                    $"{instance.Title} plugs into {connector}; {unit.PlaceName(instance.Site!)} is "
                        + $"{at.Connector ?? "no connector"}.",
                    []
                );
            foreach (string site in instance.Occupied.Select(o => o.Site!).Where(s => unit.FindSite(s) is null))
                yield return None(
                    instance,
                    LocalName.Parse(site) is { OnPart: true } local
                        ? $"{instance.Title} sits on {local.Plain}, which is not fitted."
                        : $"{instance.Title} wants {IdText.Plain(site)}, which this board has not.",
                    []
                );
        }
    }

    static Finding None(Instance instance, string text, IEnumerable<string> why) =>
        new(
            FitFindings.FitNoSite,
            Severity.Stop,
            $"No place for {instance.Title}",
            [instance.Subject],
            text,
            [.. why, "Free the site, take another way, or another part."]
        );

    /// <summary>FIT-SLOT: software looks for the part in another site than the one it sits in.</summary>
    public static IEnumerable<Finding> Expected(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Way?.Expects is { } expected && instance.Occupied.All(o => o.Site != expected)
        select new Finding(
            FitFindings.FitSlot,
            Severity.Watch,
            $"Software looks in {unit.PlaceName(instance.Way!.Expects!)}",
            [instance.Subject],
            $"{instance.Title} sits in "
                + string.Join(" and ", instance.Occupied.Select(o => unit.PlaceName(o.Site!)).DefaultIfEmpty("no slot"))
                + "; software that "
                + $"uses it looks in {unit.PlaceName(instance.Way.Expects!)}.",
            [
                Holder(unit, instance.Way.Expects!) is { } other
                    ? $"{other.Title} sits there now: change their places."
                    : $"{IdText.Capital(unit.PlaceName(instance.Way.Expects!))} is free: move it there.",
                "Software that can be told the slot does not mind.",
            ]
        );

    static Instance? Holder(PlannedUnit unit, string site) =>
        unit.Instances.FirstOrDefault(i => i.Occupied.Any(o => o.Site == site));

    /// <summary>FIT-ORIENTATION: the part's mark and the site's lie at different corners.</summary>
    public static IEnumerable<Finding> TurnedRound(PlannedUnit unit) =>
        from instance in unit.Instances
        from taken in instance.Occupied
        let site = unit.FindSite(taken.Site!)
        where taken.Mark is not null && site?.Mark is not null && taken.Mark != site.Mark
        select new Finding(
            FitFindings.FitOrientation,
            Severity.Stop,
            $"{instance.Title} sits turned round",
            [instance.Subject],
            $"Leg 1 of {unit.PlaceName(taken.Site!)} lies {IdText.Plain(site.Mark!)} on this board; "
                + $"{instance.Title} is made for a mark "
                + $"{IdText.Plain(taken.Mark!)}.",
            [
                "A chip or board the wrong way round is fed at the wrong legs and is lost at power-on.",
                "Take a way or a version that is made for this board.",
            ]
        );

    /// <summary>FIT-HEIGHT for a board that hangs over its neighbours: what sits there must fit below it.</summary>
    public static IEnumerable<Finding> Overhangs(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        foreach (Overhang over in instance.Occupied.SelectMany(o => o.Overhangs))
        foreach (
            Instance below in unit.Instances.Where(i =>
                i.Name != instance.Name && i.Part.HeightMm is not null && i.Occupied.Any(o => o.Site == over.Site)
            )
        )
            if (Limit.Of(below.Part.HeightMm!.Value, over.ClearanceMm) is { } severity)
                yield return new Finding(
                    FitFindings.FitHeight,
                    severity,
                    $"{instance.Title} hangs over {unit.PlaceName(over.Site)}",
                    [instance.Subject, below.Subject],
                    $"{instance.Title} leaves {over.ClearanceMm:0.#} mm over {unit.PlaceName(over.Site)}; {below.Title} is "
                        + $"{below.Part.HeightMm:0.#} mm tall.",
                    [$"{below.Part.HeightMm:0.#} of {over.ClearanceMm:0.#} mm."]
                );
    }

    /// <summary>
    /// FIT-NO-SITE of choices: the site is there or its carrier is chosen, and no more seek a connector than there are of it.
    /// </summary>
    public static void MissingRule(ChoiceModel choices)
    {
        foreach ((Candidate candidate, ILiteral here) in choices.Candidates.Where(c => !c.Part.Instance.SeeksSite))
        foreach (string site in candidate.Instance.Occupied.Select(o => o.Site!))
            if (LocalName.Parse(site) is { OnPart: true } local)
                choices.Imply(here, [choices.Is(local.Owner)]);
            else if (choices.Unit.Sites.All(s => s.Id != site))
                choices.Forbid(here);
        foreach (
            var seekers in choices.Candidates.Where(c => c.Part.Instance.SeeksSite).GroupBy(c => c.Part.Instance.Way!.Connector)
        )
            choices.AtMost(
                [
                    .. seekers.Select(s => (s.Here, 1L)),
                    .. choices.Named.Select(p =>
                        (choices.Is(p.Name), -(long)p.Part.Sites.Count(s => s.Connector == seekers.Key))
                    ),
                ],
                choices.Unit.Sites.Count(s => s.Connector == seekers.Key)
            );
    }
}
