using RustCabin.Core.Maps;
using RustCabin.Core.Units;

namespace RustCabin.Web.Drawings;

/// <summary>One rung of the address ladder: a range, the claims that answer there, and the height that it gets.</summary>
public sealed record LadderRow(AddressRange Range, Answering[] Claims, Meeting? Fight, double Height)
{
    public bool IsGap => Claims.Length == 0;

    const double LeastCell = 34,
        LeastGap = 34,
        Most = 104;

    /// <summary>
    /// The rows of a map between two addresses, highest first. Heights grow with the logarithm of the size, so that 1 KiB
    /// beside 16 MiB can still be read; where they leave room they are stretched to <paramref name="fill"/>.
    /// </summary>
    public static IReadOnlyList<LadderRow> Of(ResolvedMap map, AddressRange view, double fill)
    {
        var rows = new List<LadderRow>();
        foreach (Segment segment in map.Segments.Where(s => s.Range.Touches(view)))
        {
            var range = new AddressRange(Max(segment.Range.From, view.From), Min(segment.Range.To, view.To));
            Meeting? fight = map.Fights.FirstOrDefault(f => f.Range.Contains(range.From));
            double doublings = Math.Log2(range.Size.Bytes);
            double height =
                segment.Claims.Length == 0
                    ? Math.Clamp(doublings * 2, LeastGap, 60)
                    : Math.Clamp(doublings * 5 - 40, LeastCell, Most);
            rows.Insert(0, new LadderRow(range, segment.Claims, fight, height));
        }
        double total = rows.Sum(r => r.Height),
            stretch = Math.Min(2.2, fill / total);
        return stretch > 1 ? [.. rows.Select(r => r with { Height = Math.Floor(r.Height * stretch) })] : rows;
    }

    static Address Max(Address a, Address b) => a > b ? a : b;

    static Address Min(Address a, Address b) => a < b ? a : b;
}
