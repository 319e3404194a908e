using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Build;

/// <summary>A tool or a consumable that a build wants, and whether one lies in the cupboard.</summary>
/// <param name="Name">What it is.</param>
/// <param name="For">What it is for, in a few words.</param>
/// <param name="InHand">One of it lies there; null: the cupboard holds no tools at all, and says nothing of them.</param>
public sealed record LaidOut(string Name, string For, bool? InHand)
{
    /// <summary>What would do instead where it is missing; empty: nothing that is known.</summary>
    public string Instead { get; init; } = "";
}

/// <summary>
/// What is laid out before anything is opened: what takes out what comes off, what the ways ask for, an iron and a meter where
/// the board is changed. Source: docs/handbook/build.md, Lay out.
/// </summary>
public static class LayOut
{
    /// <summary>The tools, in the order in which they are wanted.</summary>
    /// <param name="sheet">The build.</param>
    /// <param name="after">The unit as it plans it.</param>
    /// <param name="stock">What lies in the cupboard.</param>
    public static IReadOnlyList<LaidOut> Of(BuildSheet sheet, PlannedUnit after, IReadOnlyList<StockItem> stock)
    {
        Instance[] fitted = [.. after.Parts.Where(p => p.Added)];
        IEnumerable<(string Tool, string For)> wanted =
        [
            .. from step in sheet.Steps
            where step.Opens is not null
            from piece in step.Opens!.Remove
            where piece.Tool is not null
            select (piece.Tool!, $"{IdText.Counted(piece.Count, piece.What)}, {IdText.Plain(step.Opens!.Id)}"),
            .. fitted.SelectMany(p => (p.Way?.Tools ?? []).Select(t => (t, p.Title))),
            .. fitted.Where(p => p.Way is { Changes.Count: > 0 }).Select(p => ("soldering iron", p.Title)),
            .. sheet.Steps.Where(s => s is { Kind: StepKind.Prove, Proved: not null }).Take(1).Select(s => ("meter", s.Title)),
        ];
        return [.. Listed(wanted, StockKind.Tool, stock), .. Listed(UsedUp(sheet, after), StockKind.Consumable, stock)];
    }

    /// <summary>What is used up where something is soldered, by the ways that are kept to.</summary>
    static IEnumerable<(string What, string For)> UsedUp(BuildSheet sheet, PlannedUnit after)
    {
        HashSet<StepId> steps = [.. sheet.Steps.Select(s => s.Id)];
        IEnumerable<ChangeAct> acts = PlacedChange
            .Of(after)
            .Where(c => steps.Contains(c.Step))
            .Select(c => c.Change.Do)
            .Distinct();
        string[] said = [.. acts.SelectMany(a => Habit.At(a, after.Job)).SelectMany(h => h.First.Concat(h.Then)).Distinct()];
        (string What, string Word)[] all = [("solder", "solder"), ("flux", "lux"), ("alcohol", "alcohol"), ("braid", "bridge")];
        return from one in all
            where said.Any(l => l.Contains(one.Word, StringComparison.OrdinalIgnoreCase))
            select (one.What, "the joints");
    }

    static IEnumerable<LaidOut> Listed(
        IEnumerable<(string Tool, string For)> wanted,
        StockKind kind,
        IReadOnlyList<StockItem> stock
    )
    {
        bool known = stock.Any(s => s.Kind == kind);
        return
        [
            .. wanted
                .GroupBy(w => w.Tool, w => w.For, StringComparer.OrdinalIgnoreCase)
                .Select(g => new LaidOut(
                    g.Key,
                    string.Join("; ", g.Distinct()),
                    known ? stock.Any(s => s.Kind == kind && s.Count > 0 && Same(s.Name, g.Key)) : null
                )
                {
                    Instead = InsteadOf(g.Key),
                }),
        ];
    }

    static bool Same(string name, string tool) => name.Contains(tool, StringComparison.OrdinalIgnoreCase);

    /// <summary>A chip comes out with other things too, each with what it risks: the ways of that habit.</summary>
    static string InsteadOf(string tool) =>
        Habit.All.First(h => h.Id == Habit.ChipOut) is var chip && tool.Contains("puller", StringComparison.OrdinalIgnoreCase)
            ? string.Join("; ", chip.Ways.Skip(1).Select(w => $"{w.Words} ({w.Risks})"))
            : "";
}
