using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Fit;

/// <summary>Room, openings, cables and bare metal, in millimetres. Source: docs/handbook/fit.md, Envelopes.</summary>
static class MechanicalChecks
{
    /// <summary>FIT-ENVELOPE: a part is wider or deeper than the room beside its site.</summary>
    public static IEnumerable<Finding> Envelope(PlannedUnit unit)
    {
        foreach ((Instance instance, Site site) in Seated(unit))
        {
            var tight = ((string What, decimal? Needs, decimal? Room)[])
                [("wide", instance.Part.WidthMm, site.WidthMm), ("deep", instance.Part.DepthMm, site.DepthMm)];
            var told = tight
                .Where(t => t is { Needs: not null, Room: not null })
                .Select(t =>
                    (t.What, Needs: t.Needs!.Value, Room: t.Room!.Value, Severity: Limit.Of(t.Needs.Value, t.Room.Value))
                )
                .Where(t => t.Severity is not null)
                .ToList();
            if (told.Count == 0)
                continue;
            Severity worst = told.Min(t => t.Severity!.Value);
            string sizes = string.Join(" and ", told.Select(t => $"{t.Needs:0.#} mm {t.What}"));
            yield return new Finding(
                FitFindings.FitEnvelope,
                worst,
                $"{instance.Title} is {sizes}",
                [instance.Subject],
                worst == Severity.Stop
                    ? $"{instance.Title} is {sizes}; {IdText.Plain(site.Id)} leaves "
                        + $"{string.Join(" and ", told.Select(t => $"{t.Room:0.#} mm"))}."
                    : $"{instance.Title} leaves {string.Join(" and ", told.Select(t => $"{t.Room - t.Needs:0.#} mm"))} at "
                        + $"{IdText.Plain(site.Id)}: try it before anything is fixed.",
                [.. told.Select(t => $"{t.Needs:0.#} of {t.Room:0.#} mm {t.What}.")]
            );
        }
    }

    /// <summary>
    /// FIT-OPENING: a cable does not pass the opening that it must pass, or two pass one together that is too small.
    /// </summary>
    public static IEnumerable<Finding> Openings(PlannedUnit unit)
    {
        foreach (
            var through in unit
                .Instances.SelectMany(i => i.Part.Cables.Where(c => c.Through is not null).Select(c => (Instance: i, Cable: c)))
                .GroupBy(c => c.Cable.Through!)
        )
        {
            Subject[] subjects = [.. through.Select(c => c.Instance.Subject).Distinct()];
            if (unit.Model.Openings.FirstOrDefault(o => o.Id == through.Key) is not { } opening)
            {
                yield return new Finding(
                    FitFindings.FitOpening,
                    Severity.Watch,
                    $"No opening {through.Key}",
                    subjects,
                    $"{through.First().Cable.What} leads through {through.Key}, and the sheet of {unit.Model.Name} names no "
                        + $"such opening.",
                    ["Look for a way out that needs no drilling."]
                );
                continue;
            }
            // Flat cables lie on each other: heights add up, the widest counts.
            decimal wide = through.Max(c => c.Cable.WidthMm),
                high = through.Sum(c => c.Cable.HeightMm);
            if (
                (Severity?)Math.Min((int?)Limit.Of(wide, opening.WidthMm) ?? 9, (int?)Limit.Of(high, opening.HeightMm) ?? 9)
                    is { } severity
                && (int)severity < 9
            )
                yield return new Finding(
                    FitFindings.FitOpening,
                    severity,
                    $"{opening.Id} is tight",
                    subjects,
                    $"{string.Join(" and ", through.Select(c => c.Cable.What))} measure {wide:0.#} x {high:0.#} mm; "
                        + $"{opening.Id} is {opening.WidthMm:0.#} x {opening.HeightMm:0.#} mm.",
                    ["The widest counts, heights add up where cables lie on each other."]
                );
        }
    }

    /// <summary>FIT-BARE: bare metal over bare contacts.</summary>
    public static IEnumerable<Finding> Bare(PlannedUnit unit) =>
        from seat in Seated(unit)
        where seat.Instance.Part.BareMetal && seat.Site.BareContacts
        select new Finding(
            FitFindings.FitBare,
            Severity.Watch,
            $"Insulate {seat.Instance.Title}",
            [seat.Instance.Subject],
            $"{seat.Instance.Title} has bare metal, and contacts lie bare at {seat.Site.Id}: insulate between them.",
            ["Polyimide film or a card cut to shape; tape that creeps with heat does not do."]
        );

    /// <summary>FIT-CABLE: a flat cable's contacts face away from those of the site that it goes into.</summary>
    public static IEnumerable<Finding> Facing(PlannedUnit unit) =>
        from instance in unit.Instances
        from cable in instance.Part.Cables
        where
            cable.Into is not null
            && cable.ContactsFace is not null
            && unit.FindSite(cable.Into) is { ContactsFace: { } face }
            && face == cable.ContactsFace
        select new Finding(
            FitFindings.FitCable,
            Severity.Stop,
            $"{cable.What} faces the wrong way",
            [instance.Subject],
            $"The contacts of {cable.What} face {Words<Facing>.Of(cable.ContactsFace!.Value)}, and so do those of "
                + $"{cable.Into}: they never meet.",
            ["Contacts meet face to face: one up, the other down. A cable of the other kind crosses the sides."]
        );

    /// <summary>FIT-TRIM: something of the case must be cut. A stop where the job must be reversible.</summary>
    public static IEnumerable<Finding> Trims(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Added && instance.Way?.Trims.Count > 0
        select new Finding(
            FitFindings.FitTrim,
            unit.Job?.Limits.Reversible == true ? Severity.Stop : Severity.Watch,
            $"The case is cut for {instance.Title}",
            [instance.Subject],
            $"{instance.Title} wants trimmed: {string.Join(", ", instance.Way!.Trims)}. That cannot be undone.",
            ["Catch the swarf: one crumb of metal under a chip is a fault that nobody finds."]
        );

    static IEnumerable<(Instance Instance, Site Site)> Seated(PlannedUnit unit) =>
        from instance in unit.Instances
        from taken in instance.Occupied
        where taken.Mode != SiteMode.Tap && unit.FindSite(taken.Site!) is not null
        select (instance, unit.FindSite(taken.Site!)!);
}
