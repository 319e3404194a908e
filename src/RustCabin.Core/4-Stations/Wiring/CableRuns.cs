using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>The cables of a job, out of what lies in the cupboard. Source: docs/handbook/wiring.md, Cables.</summary>
public static class CableRuns
{
    const decimal Minutes = 2;

    /// <summary>The pieces that lie in the cupboard, each as often as it is there, up to what a chain takes.</summary>
    public static IReadOnlyList<CablePiece> PiecesOf(IEnumerable<StockItem> stock) => [.. Lying(stock).Select(p => p.Piece)];

    static IReadOnlyList<(CablePiece Piece, StockItem Item)> Lying(IEnumerable<StockItem> stock) =>
        [
            .. stock
                .Where(i => i.Kind == StockKind.Cable)
                .SelectMany(i =>
                    CablePiece.TryParse(i.Name, i.Item, out CablePiece piece)
                        ? Enumerable
                            .Range(1, Math.Min(i.Count, CablesAsked.MostPieces))
                            .Select(n => (Piece: n == 1 ? piece : piece with { Id = $"{i.Name} #{n}" }, Item: i))
                        : []
                )
                .DistinctBy(p => p.Piece.Id)
                .Take(CablesAsked.MostPieces),
        ];

    /// <summary>The chain of a run, or the one piece that would do.</summary>
    public static CableChain Of(CableRun run, IReadOnlyList<CablePiece> pieces) =>
        CableChain.Of(
            new CablesAsked
            {
                From = run.From,
                To = run.To,
                Pieces = pieces,
            }
        );

    /// <summary>What a job wants of the cupboard for its cables: the one piece for each run, where no chain serves.</summary>
    public static IEnumerable<Piece> Wanted(PlannedUnit unit) =>
        from run in unit.Job?.Cables ?? []
        let one = Of(run, []).Missing
        where one is not null
        select new Piece(StockKind.Cable, $"cable {one.Text}", 1, item => IsSuch(item, one))
        {
            Step = WiringActs.Cables(run.Id),
            Done = unit.Job!.Done.Contains(WiringActs.Cables(run.Id)),
            Item = one.Text,
            Serves = stock => Serving(run, stock),
        };

    /// <summary>What lies in the cupboard that makes a chain for a run; null: nothing does.</summary>
    static IReadOnlyList<StockItem>? Serving(CableRun run, IReadOnlyList<StockItem> stock)
    {
        IReadOnlyList<(CablePiece Piece, StockItem Item)> lying = Lying(stock);
        return Of(run, [.. lying.Select(p => p.Piece)]).Links is { } links
            ? [.. links.Select(link => lying.First(p => p.Piece.Id == link.Piece).Item)]
            : null;
    }

    static bool IsSuch(StockItem item, CablePiece one) =>
        item.Kind == StockKind.Cable && CablePiece.TryParse(item.Name, item.Item, out CablePiece piece) && piece.IsLike(one);

    /// <summary>A step for each run, last of all.</summary>
    public static IEnumerable<Work> Works(PlannedUnit unit) =>
        (unit.Job?.Cables ?? []).Select(run => new Work(
            WorkTime.Last,
            [
                new Step(
                    WiringActs.Cables(run.Id),
                    StepKind.Fit,
                    $"Join by cables: {run.What}",
                    [$"{run.From.Text} to {run.To.Text}; the Wiring page lists the pieces in their order."],
                    Minutes
                )
                {
                    Station = WiringStation.Here,
                },
            ]
        ));
}
