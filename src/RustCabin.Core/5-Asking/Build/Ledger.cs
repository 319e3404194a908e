using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>One kind of piece that is out of the case.</summary>
/// <param name="Key">Its level and its number there: <c>lid-off/1</c>.</param>
/// <param name="Level">The level at which it came out.</param>
/// <param name="What">What it is, one of it.</param>
/// <param name="Count">How many.</param>
/// <param name="Where">Where it sat.</param>
/// <param name="Mm">How long it is; null: not said.</param>
public sealed record LedgerPiece(string Key, AccessLevel Level, string What, int Count, string Where, decimal? Mm)
{
    /// <summary>It is back in its place.</summary>
    public bool IsBack { get; init; }

    /// <summary>Why it stays out on purpose; null: it does not.</summary>
    public string? LeftOut { get; init; }

    /// <summary>A person has said what became of it.</summary>
    public bool IsAccounted => IsBack || LeftOut is not null;

    /// <summary>In words.</summary>
    public string Words => IdText.Counted(Count, What) + (Mm is { } mm ? $", {mm:0.#} mm" : "");
}

/// <summary>
/// What each access level takes out: entered while opening, ticked while closing, in reverse. The case stays open while a piece
/// is missing. Source: docs/handbook/build.md, Teardown ledger.
/// </summary>
public static class Ledger
{
    /// <summary>The pieces of the levels that a build opens, in the order in which they come out.</summary>
    public static IReadOnlyList<LedgerPiece> Of(BuildSheet sheet, Job? job)
    {
        JobBuild build = job?.Build ?? new JobBuild();
        return
        [
            .. from level in sheet.Steps.Select(s => s.Opens).OfType<AccessLevel>().DistinctBy(l => l.Id)
            from piece in PiecesOf(level, build)
            select piece with
            {
                IsBack = build.Back.Contains(piece.Key),
                LeftOut = build.LeftOut.GetValueOrDefault(piece.Key),
            },
        ];
    }

    static IEnumerable<LedgerPiece> PiecesOf(AccessLevel level, JobBuild build)
    {
        IEnumerable<(string What, int Count, string Where, decimal? Mm)> all =
        [
            .. level.Remove.Select(r => (r.What, r.Count, r.Where, (decimal?)null)),
            .. level.Unplug.Select(u => (u, 1, "unplugged", (decimal?)null)),
            .. build.Pieces.Where(p => p.Level == level.Id).Select(p => (p.What, p.Count, p.Where, p.Mm)),
        ];
        return all.Select((p, i) => new LedgerPiece($"{level.Id}/{i + 1}", level, p.What, p.Count, p.Where, p.Mm));
    }

    /// <summary>The pieces that must be accounted for before a closing step is done, the last out first.</summary>
    public static IReadOnlyList<LedgerPiece> Closing(IReadOnlyList<LedgerPiece> ledger, Step step) =>
        [.. step.Closes.SelectMany(level => ledger.Where(p => p.Level.Id == level.Id).Reverse())];

    /// <summary>Pieces that keep a closing step shut.</summary>
    public static IReadOnlyList<LedgerPiece> Missing(IReadOnlyList<LedgerPiece> ledger, Step step) =>
        [.. Closing(ledger, step).Where(p => !p.IsAccounted)];
}
