using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>What sheets say by name of boards and what lies on them. Source: docs/handbook/wiring.md, Places.</summary>
static class WiredNames
{
    /// <summary>Boards, chips and points: each of one name for all revisions, or of several for different ones.</summary>
    public static IEnumerable<SheetError> Of(
        IReadOnlyList<Board> boards,
        IReadOnlyList<BoardChip> chips,
        IReadOnlyList<BoardPoint> points,
        IReadOnlyList<Site> sites,
        string path
    )
    {
        IEnumerable<(string Id, IReadOnlyList<string> Revisions, string At, Spot? Spot)> things =
        [
            .. chips.Index().Select(c => (c.Item.Id, c.Item.Revisions, $"{path}.chips[{c.Index}]", c.Item.At)),
            .. points.Index().Select(p => (p.Item.Id, p.Item.Revisions, $"{path}.points[{p.Index}]", p.Item.At)),
            .. sites.Index().Select(s => (s.Item.Id, s.Item.Revisions, $"{path}.sites[{s.Index}]", s.Item.At)),
        ];
        foreach (SheetError error in PackReferences.Twice(boards.Select(b => b.Id), $"{path}.boards"))
            yield return error;
        foreach (var same in things.GroupBy(t => t.Id).Where(g => g.Count() > 1))
        foreach (var later in same.Skip(1))
            if (same.TakeWhile(t => t.At != later.At).Any(t => Meets(t.Revisions, later.Revisions)))
                yield return new($"{later.At}.id", $"\"{later.Id}\" is used twice on one revision");
        foreach (var thing in things)
            if (thing.Spot is { } spot && boards.All(b => b.Id != spot.Board))
                yield return new($"{thing.At}.at.board", $"\"{spot.Board}\" is not a board of this sheet");
    }

    static bool Meets(IReadOnlyList<string> one, IReadOnlyList<string> other) =>
        one.Count == 0 || other.Count == 0 || one.Intersect(other).Any();

    /// <summary>Acts of wiring that the board which they are for does not allow, by its sheets.</summary>
    public static IEnumerable<SheetError> OfChanges(Pack pack, Pack known)
    {
        Model? find(string? id) => id is null ? null : pack.FindModel(id) ?? known.FindModel(id);
        foreach ((int p, Part part) in pack.Parts.Index())
        foreach ((int w, Way way) in part.Ways.Index())
        foreach (SheetError error in Of(way.Changes, find(way.Model), part, $"parts[{p}].ways[{w}].changes"))
            yield return error;
        foreach ((int u, Unit unit) in pack.Units.Index())
        foreach (SheetError error in Of(unit.Changes, find(unit.Model), null, $"units[{u}].changes"))
            yield return error;
        foreach ((int j, Job job) in pack.Jobs.Index())
        foreach (
            SheetError error in Of(
                job.Changes,
                find((pack.FindUnit(job.Unit) ?? known.FindUnit(job.Unit))?.Model),
                null,
                $"jobs[{j}].changes"
            )
        )
            yield return error;
    }

    static IEnumerable<SheetError> Of(IReadOnlyList<WireChange> changes, Model? model, Part? part, string path)
    {
        if (model is null)
            yield break;
        foreach ((int i, WireChange change) in changes.Index())
        {
            if (change is { Do: ChangeAct.Remove or ChangeAct.Scrape, Point: { } name } && Point(name, model, part) is { } point)
            {
                if (change.Refuses(point) is { Length: > 0 } wrong)
                    yield return new($"{path}[{i}].point", wrong);
            }
            else if (change is { Do: ChangeAct.Cut, Net: { } net } && IsWhole(change, net, model))
                yield return new($"{path}[{i}].off", $"names every place of {net}: nothing is left that it is cut off");
        }
    }

    static BoardPoint? Point(string name, Model model, Part? part) =>
        Subject.Parse(name).InPart is { } own
            ? part?.Points.FirstOrDefault(p => p.Id == own)
            : model.Points.FirstOrDefault(p => p.Id == name);

    /// <summary>Every place of the machine's own net, on whichever revision, is among those that come off.</summary>
    static bool IsWhole(WireChange change, string net, Model model)
    {
        string canonical(string of) => model.NetNames.FirstOrDefault(n => n.Value.Contains(of)).Key ?? of;
        string named = canonical(net);
        HashSet<string> off = [.. change.Off];
        string[] places =
        [
            .. from chip in model.Chips from leg in chip.Nets where canonical(leg.Value) == named select $"{chip.Id}.{leg.Key}",
            .. from point in model.Points where !point.HasEnds && canonical(point.Net ?? "") == named select point.Id,
            .. from point in model.Points
            where point.HasEnds
            from end in point.Nets.Index()
            where canonical(end.Item) == named
            select $"{point.Id}.{end.Index + 1}",
            .. from site in model.Sites
            from contact in site.Contacts.Index()
            where canonical(contact.Item) == named
            select $"{site.Id}.{contact.Index + 1}",
        ];
        return places.Length > 0 && places.All(off.Contains);
    }
}
