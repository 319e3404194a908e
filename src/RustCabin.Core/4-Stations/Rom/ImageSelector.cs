using RustCabin.Core.Chips;

namespace RustCabin.Core.Rom;

/// <summary>
/// One position of the switches on a device's legs: the level of each net (true: high), and the ranges of the device's bytes that
/// are read there, both ends inside.
/// </summary>
public sealed record SelectorPosition(
    int Index,
    IReadOnlyList<(string Net, bool High)> Levels,
    IReadOnlyList<(long From, long To)> Ranges
)
{
    /// <summary>Such as <c>A18 low, A17 high</c>; empty where nothing is on a switch.</summary>
    public string Words => string.Join(", ", Levels.Reverse().Select(l => $"{l.Net} {(l.High ? "high" : "low")}"));
}

/// <summary>
/// Address legs on switches choose between images in one device. Position k reads the k-th image; the lowest line counts least.
/// Source: docs/handbook/rom.md, Devices and sockets.
/// </summary>
public static class ImageSelector
{
    /// <summary>A drawing or a table shows so many ranges of one position at most.</summary>
    const int MostRanges = 8;

    /// <summary>Every position, the one with all switches low first; a device without a switch has one.</summary>
    public static IReadOnlyList<SelectorPosition> Of(RomDevice device, RomWiring wiring)
    {
        (string Net, string To)[] tied =
        [
            .. wiring
                .Ties.Select(t => (Net: device.Pins[t.Pin - 1], t.To))
                .Where(t => Nets.IsAddress(t.Net) && t.To != Nets.Tapped)
                .OrderBy(t => WiredDevice.Number(t.Net)),
        ];
        string[] switched = [.. tied.Where(t => t.To == "switch").Select(t => t.Net)];
        return
        [
            .. Enumerable
                .Range(0, 1 << switched.Length)
                .Select(k =>
                {
                    (string Net, bool High)[] levels = [.. switched.Select((net, bit) => (net, (k >> bit & 1) != 0))];
                    long at =
                        levels.Where(l => l.High).Sum(l => 1L << WiredDevice.Number(l.Net))
                        + tied.Where(t => t.To == Nets.Supply).Sum(t => 1L << WiredDevice.Number(t.Net));
                    return new SelectorPosition(k, levels, Ranges(device, [.. tied.Select(t => WiredDevice.Number(t.Net))], at));
                }),
        ];
    }

    /// <summary>Free lines below the lowest tied one make a run; each free line above it doubles the runs.</summary>
    static IReadOnlyList<(long, long)> Ranges(RomDevice device, int[] tied, long at)
    {
        int run = tied.Length == 0 ? device.AddressLines : tied.Min(),
            width = device.DataLines / 8;
        var starts = new List<long> { at };
        foreach (int line in Enumerable.Range(run, device.AddressLines - run).Where(l => !tied.Contains(l)))
            if (starts.Count < MostRanges)
                starts.AddRange([.. starts.Select(s => s + (1L << line))]);
        return [.. starts.Order().Select(s => (s * width, (s + (1L << run)) * width - 1))];
    }
}
