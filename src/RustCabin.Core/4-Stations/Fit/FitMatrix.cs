using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Fit;

/// <summary>
/// Whether a part goes into a revision: it does; it does by a way that asks for more; it does not; nobody has said.
/// </summary>
public enum FitGrade
{
    /// <summary>It goes in.</summary>
    Fits,

    /// <summary>It goes in, with a condition.</summary>
    WithCare,

    /// <summary>It does not go in.</summary>
    DoesNot,

    /// <summary>The sheets do not say.</summary>
    Unknown,
}

/// <summary>One part on one revision: the grade, the way that it would take (null where none), and why.</summary>
public sealed record FitCell(string Revision, FitGrade Grade, Way? Way, IReadOnlyList<string> Why);

/// <summary>A part with its cell for each revision.</summary>
public sealed record FitRow(Part Part, IReadOnlyList<FitCell> Cells);

/// <summary>
/// Parts against the revisions of a model, told from their sheets alone. A way asks for more when it cannot be undone, makes a
/// board special, wants skill of 4 or more, or needs a site to be socketed that is not. Source: docs/handbook/fit.md, Ways.
/// </summary>
public static class FitMatrix
{
    const int HighSkill = 4;

    /// <summary>A row for each part, a cell for each revision of the model, in the order of the sheets.</summary>
    public static IReadOnlyList<FitRow> Of(Model model, IEnumerable<Part> parts) =>
        [.. parts.Select(part => new FitRow(part, [.. model.Revisions.Select(revision => Cell(model, part, revision.Id))]))];

    /// <summary>The best of the part's ways into one revision.</summary>
    public static FitCell Cell(Model model, Part part, string revision)
    {
        Way[] ways = [.. WaysFor(model, part)];
        if (ways.Length == 0)
            return new FitCell(
                revision,
                FitGrade.Unknown,
                null,
                [$"No way of {part.Name} is for {model.Name}: nobody has said."]
            );

        var tried = ways.Select(way => (Way: way, Bars: Bars(model, way, revision).ToList(), Cares: Cares(model, way).ToList()))
            .ToList();
        if (tried.Where(t => t.Bars.Count == 0).OrderBy(t => t.Cares.Count).FirstOrDefault() is { Way: { } best } found)
            return found.Cares.Count == 0
                ? new FitCell(
                    revision,
                    FitGrade.Fits,
                    best,
                    [$"Way \"{best.Called}\": {Sites(best)}{best.Minutes:0.#} minutes, skill {best.Skill}, can be undone."]
                )
                : new FitCell(
                    revision,
                    FitGrade.WithCare,
                    best,
                    [
                        .. found.Cares.Prepend(
                            $"Way \"{best.Called}\": {Sites(best)}{best.Minutes:0.#} minutes, skill {best.Skill}."
                        ),
                    ]
                );
        return new FitCell(
            revision,
            FitGrade.DoesNot,
            null,
            [.. tried.SelectMany(t => t.Bars.Select(bar => $"Way \"{t.Way.Called}\": {bar}"))]
        );
    }

    /// <summary>The ways of a part that nothing on the sheets bars from one revision.</summary>
    public static IEnumerable<Way> WaysInto(Model model, Part part, string revision) =>
        WaysFor(model, part).Where(way => !Bars(model, way, revision).Any());

    static IEnumerable<Way> WaysFor(Model model, Part part) =>
        part.Ways.Where(w => w.Model == model.Id || (w.Connector is { } c && model.Sites.Any(s => s.Connector == c)));

    static IEnumerable<string> Bars(Model model, Way way, string revision)
    {
        if (way.Revisions.Count > 0 && !way.Revisions.Contains(revision))
            yield return $"is for {string.Join(" and ", way.Revisions.Select(id => model.FindRevision(id)?.Name ?? id))}.";
        foreach (string id in way.Occupies.Select(o => o.Site).OfType<string>().Where(id => !LocalName.Parse(id).OnPart))
            if (model.FindSite(id) is not { } site)
                yield return $"wants a site {IdText.Plain(id)}, which this model has not.";
            else if (site.Revisions.Count > 0 && !site.Revisions.Contains(revision))
                yield return $"wants the site {IdText.Plain(id)}, which this board has not.";
    }

    static IEnumerable<string> Cares(Model model, Way way)
    {
        if (!way.Reversible)
            yield return "It cannot be undone.";
        if (way.Special is { } special)
            yield return $"Afterwards {special} belongs to this unit only.";
        if (way.Skill >= HighSkill)
            yield return $"It wants skill {way.Skill} of 5.";
        foreach (Occupies taken in way.Occupies.Where(o => o.Mode is SiteMode.In or SiteMode.Between && o.Site is not null))
            if (model.FindSite(taken.Site!) is { Mount: "soldered" })
                yield return $"The chip at {LocalName.Parse(taken.Site!).Plain} is soldered: a socket must be fitted first.";
        foreach (Need need in way.Needs.Where(n => n.Named.Length > 0))
            yield return $"It needs {need.Kind} {need.Named}.";
    }

    static string Sites(Way way) => way.Occupies.Count == 0 ? "" : $"on {string.Join(" and ", way.Occupies.Select(Where))}, ";

    static string? Where(Occupies taken) => taken.Site is { } site ? LocalName.Parse(site).Plain : taken.Signal;
}
