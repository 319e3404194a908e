using System.Data;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Data;

/// <summary>
/// Keeps the store cupboard true to what was done: what a step fits leaves the cupboard when the step is ticked, and lies in it
/// again when the tick is taken back, whether by hand, by undo, or because the part was dropped. What comes out of a unit comes
/// in.
/// </summary>
static class StockUses
{
    sealed record Use
    {
        public string Step { get; init; } = "";
        public string Piece { get; init; } = "";

        public StepId At => StepId.Parse(Step);
    }

    /// <summary>Brings the uses of a job from one state of it to the next, inside the transaction that writes that
    /// state.</summary>
    public static void Follow(SqliteConnection connection, IDbTransaction transaction, Pack sheets, Job before, Job after)
    {
        if (before.Done.SequenceEqual(after.Done) && before.Add.Count == after.Add.Count)
            return;
        Piece[] done = [.. PiecesOf(sheets, after).Where(p => p.Done)];
        var held = connection
            .Query<Use>(
                "select distinct step as Step, piece as Piece from stock_use where job = @Id",
                new { after.Id },
                transaction
            )
            .ToList();
        foreach (Use use in held.Where(u => !done.Any(p => p.Step.Is(u.At) && p.Name == u.Piece)))
            connection.Execute(
                "delete from stock_use where job = @Id and step = @Step and piece = @Piece",
                new
                {
                    after.Id,
                    use.Step,
                    use.Piece,
                },
                transaction
            );
        // What was done before the cupboard was asked, as in a job that was imported half built, never lay in it.
        foreach (Piece piece in done.Where(p => !p.Step.IsIn(before.Done)))
            if (!held.Any(u => piece.Step.Is(u.At) && u.Piece == piece.Name))
                Take(connection, transaction, after.Id, piece, sheets);
    }

    static IEnumerable<Piece> PiecesOf(Pack sheets, Job job) =>
        sheets.FindUnit(job.Unit) is null ? []
        : Plan.For(sheets with { Jobs = [job] }, job) is var plan ? Trail.Stations.SelectMany(s => s.Pieces(plan))
        : [];

    static void Take(SqliteConnection connection, IDbTransaction transaction, string job, Piece piece, Pack sheets)
    {
        IReadOnlyList<StoredStock> all = StockRepository.All(connection, transaction);
        StoredStock[] there = [.. all.Where(s => piece.Is(s.Item))];
        if (piece.Comes)
        {
            long stock = there.Length > 0 ? there[0].Id : StockRepository.Insert(connection, transaction, New(piece, sheets)).Id;
            Insert(connection, transaction, job, piece, stock, -piece.Count);
            return;
        }
        if (piece.Serves?.Invoke([.. all.Where(s => s.Item.Count > 0).Select(s => s.Item)]) is { } serving)
        {
            foreach (var same in serving.GroupBy(i => all.First(s => ReferenceEquals(s.Item, i)).Id))
                Insert(connection, transaction, job, piece, same.Key, same.Count());
            return;
        }
        int left = piece.Count;
        foreach (StoredStock one in there.Where(s => s.Item.Count > 0))
        {
            int taken = Math.Min(left, one.Item.Count);
            if (taken > 0)
                Insert(connection, transaction, job, piece, one.Id, taken);
            left -= taken;
        }
    }

    static StockItem New(Piece piece, Pack sheets) =>
        new()
        {
            Kind = piece.Kind,
            Item = piece.Item,
            Name = sheets.FindPart(piece.Item)?.Name ?? piece.Name,
        };

    static void Insert(SqliteConnection connection, IDbTransaction transaction, string job, Piece piece, long stock, int count) =>
        connection.Execute(
            "insert into stock_use (job, step, piece, stock, count) values (@job, @step, @Name, @stock, @count)",
            new
            {
                job,
                step = $"{piece.Step}",
                piece.Name,
                stock,
                count,
            },
            transaction
        );
}
