using System.Globalization;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>Something that jobs still want.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Count">How many are wanted.</param>
/// <param name="InHand">How many lie in the cupboard.</param>
/// <param name="Price">What one more costs; null: nobody has said.</param>
public sealed record Wanted(string Name, int Count, int InHand, decimal? Price)
{
    /// <summary>How many more are wanted than jobs ask for.</summary>
    public int More { get; init; }

    /// <summary>How many are ordered and have not come.</summary>
    public int Ordered { get; init; }

    /// <summary>How many must be bought.</summary>
    public int ToBuy => Math.Max(0, Math.Max(0, Count - InHand) + More - Ordered);
}

/// <summary>What the jobs of a cabin want beyond what is in hand, asked of every station.</summary>
public static class ShoppingList
{
    /// <summary>The list: station by station, equal things on one line.</summary>
    public static IReadOnlyList<Wanted> Of(
        StationList stations,
        Pack sheets,
        IReadOnlyList<Job> jobs,
        IReadOnlyList<StockItem> stock
    )
    {
        PlannedUnit[] plans =
        [
            .. jobs.Where(j => !j.Ended && sheets.FindUnit(j.Unit) is not null).Select(j => Plan.For(sheets, j)),
        ];
        HashSet<StockItem> told = new(ReferenceEqualityComparer.Instance);
        return
        [
            .. from station in stations
            from same in plans
                .SelectMany(station.Pieces)
                .Where(p => p is { Done: false, Comes: false } && p.Serves?.Invoke(stock) is null)
                .GroupBy(p => p.Name)
                .OrderBy(g => g.Key, StringComparer.Ordinal)
            select Line(same.Key, [.. same], stock, told),
            .. jobs.Where(j => !j.Ended).SelectMany(j => Originals(sheets, j, stock)).DistinctBy(w => w.Name),
            .. stock
                .Where(s => s.Wanted > 0 && !told.Contains(s))
                .Select(s => new Wanted(s.Name, 0, 0, s.Price) { More = s.Wanted, Ordered = s.Ordered }),
        ];
    }

    /// <summary>Originals that are wanted in place of copies, as long as none lies in the cupboard.</summary>
    static IEnumerable<Wanted> Originals(Pack sheets, Job job, IReadOnlyList<StockItem> stock) =>
        from wish in job.Originals
        let copy = sheets.FindPart(wish.Copy)
        let original = copy?.CopyOf is { } id ? sheets.FindPart(id) : null
        where original is not null && !stock.Any(s => s is { Kind: StockKind.Part, Count: > 0 } && s.Item == original.Id)
        select new Wanted($"{original.Name} in place of {copy.Name}, when under {wish.Under:0.00}", 1, 0, wish.Under);

    static Wanted Line(string name, Piece[] pieces, IReadOnlyList<StockItem> stock, HashSet<StockItem> told)
    {
        StockItem[] own = [.. stock.Where(pieces[0].Is)];
        // What is wanted beside the jobs is told once, also where two stations ask for the same thing.
        StockItem[] fresh = [.. own.Where(told.Add)];
        return new Wanted(name, pieces.Sum(p => p.Count), own.Sum(s => s.Count), pieces[0].Price ?? own.Min(s => s.Price))
        {
            More = fresh.Sum(s => s.Wanted),
            Ordered = fresh.Sum(s => s.Ordered),
        };
    }

    /// <summary>The shopping list as CSV, a head line first.</summary>
    public static string AsCsv(IEnumerable<Wanted> wanted, string currency) =>
        Csv.Of([
            ["what", "wanted", "in hand", "ordered", "to buy", $"each {currency}"],
            .. wanted.Select(w =>
                (string[])
                    [
                        w.Name,
                        $"{w.Count + w.More}",
                        $"{w.InHand}",
                        $"{w.Ordered}",
                        $"{w.ToBuy}",
                        w.Price?.ToString(CultureInfo.InvariantCulture) ?? "",
                    ]
            ),
        ]);
}
