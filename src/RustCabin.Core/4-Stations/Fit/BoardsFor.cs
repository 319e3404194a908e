using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;

namespace RustCabin.Core.Fit;

/// <summary>A board, and which of the parts it takes.</summary>
/// <param name="Revision">The board.</param>
/// <param name="Takes">The parts that fit it.</param>
/// <param name="All">It takes every one.</param>
public sealed record BoardTakes(Revision Revision, IReadOnlyList<Part> Takes, bool All);

/// <summary>
/// Which board to look for, so that it takes the parts, and what speaks for it on a seller's photo, where the case is closed.
/// Source: docs/handbook/fit.md, Which board to look for.
/// </summary>
/// <param name="Boards">Every board of the model, in the sheet's order.</param>
/// <param name="Clues">Closed-case clues with the values that speak for none but boards that take all.</param>
public sealed record BoardsFor(IReadOnlyList<BoardTakes> Boards, IReadOnlyList<(Clue Clue, IReadOnlyList<string> Values)> Clues)
{
    /// <summary>Of a model and parts.</summary>
    public static BoardsFor Of(Model model, IReadOnlyList<Part> parts)
    {
        BoardTakes[] boards =
        [
            .. model.Revisions.Select(r =>
            {
                Site[] here = [.. model.Sites.Where(s => Has(r, s.Revisions))];
                HashSet<string> sites = [.. here.Select(s => s.Id)],
                    connectors = [.. here.Select(s => s.Connector).OfType<string>()];
                Part[] takes = [.. parts.Where(p => p.Ways.Any(w => Fits(model, r, w, sites, connectors)))];
                return new BoardTakes(r, takes, takes.Length == parts.Count);
            }),
        ];
        HashSet<string> all = [.. boards.Where(b => b.All).Select(b => b.Revision.Id)];
        return new BoardsFor(
            boards,
            [
                .. from clue in model.Clues
                where AccessPath.Path(model, clue.Access).Count == 0
                let values = clue.Values.Where(v => v.Value.Count > 0 && v.Value.All(all.Contains)).Select(v => v.Key).ToList()
                where values.Count > 0
                select (clue, (IReadOnlyList<string>)values),
            ]
        );
    }

    static bool Has(Revision revision, IReadOnlyList<string> revisions) =>
        revisions.Count == 0 || revisions.Contains(revision.Id);

    /// <summary>The way is for this board, and every site that it takes is on it.</summary>
    static bool Fits(Model model, Revision revision, Way way, HashSet<string> sites, HashSet<string> connectors)
    {
        Budget.Spend();
        return way.Model is null
            ? way.Connector is { } connector && connectors.Contains(connector)
            : way.Model == model.Id
                && Has(revision, way.Revisions)
                && way.Occupies.All(o => o.Site is not { } site || LocalName.Parse(site).OnPart || sites.Contains(site));
    }
}
