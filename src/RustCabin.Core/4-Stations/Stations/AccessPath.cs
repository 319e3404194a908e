using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>How a case is opened: the access levels of the model sheet, each reached from the one that it names.</summary>
public static class AccessPath
{
    /// <summary>
    /// The levels to pass, outermost first, to reach every site of the part; none where the closed case will do.
    /// </summary>
    public static IReadOnlyList<AccessLevel> To(Model model, Instance part) =>
        part.Occupied.Select(o => Path(model, model.FindSite(o.Site!)?.Access)).MaxBy(path => path.Count) ?? [];

    /// <summary>The levels to pass to reach a bare board: the longest way in.</summary>
    public static IReadOnlyList<AccessLevel> Deepest(Model model) =>
        model.Access.Select(a => Path(model, a.Id)).MaxBy(path => path.Count) ?? [];

    /// <summary>0 for the closed case: a level that is reached from no other, and for which nothing comes off.</summary>
    public static int DepthOf(Model model, AccessLevel level) => Path(model, level.Id).Count;

    /// <summary>The levels to pass to reach one, outermost first; null or an unknown one: none.</summary>
    public static IReadOnlyList<AccessLevel> Path(Model model, string? id)
    {
        var path = new List<AccessLevel>();
        // Levels only name ones above them on the sheet, so this ends.
        for (
            AccessLevel? level = Find(model, id);
            level is { Opens: true };
            level = level.From is { } from ? Find(model, from) : null
        )
            path.Insert(0, level);
        return path;
    }

    static AccessLevel? Find(Model model, string? id) => model.Access.FirstOrDefault(a => a.Id == id);

    /// <summary>What comes off on the way in.</summary>
    public static IEnumerable<string> Off(AccessLevel level) =>
        [
            .. level.Lies.Select(
                (l, i) => $"{(i == 0 ? "Lay it" : "Or lay it")}: {l.How}{(l.Risk.Length > 0 ? $" (risks {l.Risk})" : "")}."
            ),
            .. level.How.Length > 0 ? [$"{IdText.Capital(level.How.TrimEnd('.'))}."] : (string[])[],
            .. level.Remove.Select(r => $"Take out {Counted(r)}{(r.Order is { } order ? $", {order}" : "")}."),
            .. level.Unplug.Select(u => $"Unplug the {u}."),
            .. level.Fragile.Select(f => $"Mind the {f}: it breaks easily."),
        ];

    /// <summary>The same in reverse, for closing.</summary>
    public static IEnumerable<string> Back(AccessLevel level) =>
        [
            .. level.Unplug.Reverse().Select(u => $"Plug the {u} back in."),
            .. level.Remove.Reverse().Select(r => $"Put back {Counted(r)}."),
        ];

    static string Counted(Removal r) => IdText.Counted(r.Count, r.What) + (r.Where.Length > 0 ? $" ({r.Where})" : "");
}
