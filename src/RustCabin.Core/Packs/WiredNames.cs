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
}
