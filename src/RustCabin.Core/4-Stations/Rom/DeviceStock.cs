using System.Globalization;
using System.Text.RegularExpressions;
using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;

namespace RustCabin.Core.Rom;

/// <summary>
/// Devices of one type in the cupboard: how many, the fastest access time that a name tells, in nanoseconds, and what one more
/// costs (null: not known).
/// </summary>
public sealed record DeviceStock(int Count, int? Ns, decimal? Price)
{
    /// <summary>
    /// Chips whose item is the device, or whose name begins with it. An access time stands in the name, as in <c>27C400, 120
    /// ns</c>.
    /// </summary>
    public static DeviceStock Of(IReadOnlyList<StockItem> stock, RomDevice device)
    {
        StockItem[] own = [.. stock.Where(s => Is(s, device))];
        return new DeviceStock(
            own.Sum(s => s.Count),
            own.Where(s => s.Count > 0).Select(s => NsOf(s.Name)).Min(),
            own.Min(s => s.Price)
        );
    }

    /// <summary>True for an item that is such a device.</summary>
    public static bool Is(StockItem item, RomDevice device) =>
        item.Kind == StockKind.Chip
        && (
            RomDevice.Find(item.Item) == device
            || (item.Item.Length == 0 && RomDevice.Find(item.Name.Split(',', ' ', '-')[0]) == device)
        );

    static int? NsOf(string name) =>
        Time.Match(name) is { Success: true } told && int.TryParse(told.Groups[1].Value, CultureInfo.InvariantCulture, out int ns)
            ? ns
            : null;

    static Regex Time => field ??= new(@"(\d{1,5}) ?ns\b");
}
