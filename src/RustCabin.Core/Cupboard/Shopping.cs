using RustCabin.Core.Memory.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cupboard;

/// <summary>Something that jobs still want: how many, of which so many lie in the cupboard, and what one more costs (null: nobody has said).</summary>
public sealed record Wanted(string Name, int Count, int InHand, decimal? Price)
{
    public int ToBuy => Math.Max(0, Count - InHand);
}

/// <summary>What the jobs of a cabin want beyond what is in hand: parts that are not fitted yet, and chips for their banks.</summary>
public static class Shopping
{
    public static IReadOnlyList<Wanted> Of(Pack sheets, IReadOnlyList<Job> jobs, IReadOnlyList<StockItem> stock)
    {
        int InHand(StockKind kind, Func<StockItem, bool> which) => stock.Where(s => s.Kind == kind && which(s)).Sum(s => s.Count);
        var parts =
            from want in jobs.SelectMany(j => j.Add.Where(a => !j.Done.Contains($"fit-{a.Part}"))).CountBy(a => a.Part)
            let part = sheets.FindPart(want.Key)
            where part is not null
            orderby part.Name
            select new Wanted(part.Name, want.Value, InHand(StockKind.Part, s => s.Item == part.Id), part.Price);
        var chips =
            from job in jobs
            where sheets.FindUnit(job.Unit) is not null
            from need in Chips(Plan.For(sheets, job))
            select new Wanted(
                $"{need.Type.Organisation} for {sheets.FindUnit(job.Unit)!.Name}",
                need.Count,
                InHand(StockKind.Chip, s => ChipType.Find(s.Item) == need.Type),
                stock.Where(s => s.Kind == StockKind.Chip && ChipType.Find(s.Item) == need.Type).Min(s => s.Price)
            );
        var devices =
            from want in jobs.SelectMany(j => j.Roms.Where(r => !j.Done.Contains($"burn-{r.Site}")))
                .CountBy(r => RomDevice.Find(r.Device)!)
            let own = DeviceStock.Of(stock, want.Key)
            orderby want.Key.Name
            select new Wanted($"{want.Key.Name}, ROM device", want.Value, own.Count, own.Price);
        return [.. parts, .. chips, .. devices];
    }

    /// <summary>The chips that go into the banks of parts which are not done yet, by type.</summary>
    static IEnumerable<(ChipType Type, int Count)> Chips(PlannedUnit unit) =>
        from instance in unit.Instances
        where unit.Job?.Done.Contains($"set-{instance.Name}") == false && unit.Job.Banks.ContainsKey(instance.Name)
        from bank in FilledBank.Of(instance)
        group bank.Made.Chips by bank.Chips.Type into all
        select (all.Key, all.Sum());

    /// <summary>The shopping list as CSV, a head line first.</summary>
    public static string AsCsv(IEnumerable<Wanted> wanted, string currency) =>
        Csv.Of([
            ["what", "wanted", "in hand", "to buy", $"each {currency}"],
            .. wanted.Select(w =>
                (string[])
                    [
                        w.Name,
                        $"{w.Count}",
                        $"{w.InHand}",
                        $"{w.ToBuy}",
                        w.Price?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "",
                    ]
            ),
        ]);
}
