using Microsoft.AspNetCore.Html;
using RustCabin.Core.Faults;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A swap with another unit: both machines, the part on its way, and under them how likely it is beforehand that the fault
/// shows.
/// </summary>
static class SwapDrawing
{
    const double Wide = 520,
        Box = 150,
        Bar = 18;

    /// <param name="swap">The swap.</param>
    /// <param name="here">The unit of the job.</param>
    /// <param name="shows">How likely it is that the fault shows, 0 to 1.</param>
    public static IHtmlContent Draw(SwapLook swap, string here, double shows)
    {
        Svg svg = Svg.Begin(
            Wide,
            112,
            "evidence swap",
            "img",
            $"{swap.What.Words}. {SwapLook.Shows} with {shows * 100:0} %, {SwapLook.Works} with {(1 - shows) * 100:0} %"
        );
        svg.Rect(1, 6, Box, 46, "case", 4).Text(1 + Box / 2, 34, InRoom.Cut(here, Letters), "lab");
        svg.Rect(Wide - Box - 1, 6, Box, 46, "case", 4).Text(Wide - 1 - Box / 2, 34, InRoom.Cut(swap.Other.Name, Letters), "lab");
        (double from, double to) = swap.Out ? (Box + 8, Wide - Box - 12) : (Wide - Box - 8, Box + 12);
        double tip = swap.Out ? -9 : 9;
        svg.Line(from, 38, to, 38, "way-of").Path(Svg.Through(to + tip, 32, to, 38, to + tip, 44), "way-of");
        svg.Text(Wide / 2, 26, InRoom.Cut(swap.Part.Title, Letters), "lab strong");
        double wide = shows * (Wide - 2);
        svg.Rect(1, 66, Wide - 2, Bar, "bar", 3).Rect(1, 66, Math.Max(2, wide), Bar, "bar best", 3);
        svg.Text(2, 102, $"{SwapLook.Shows} {shows * 100:0} %", "fig tiny", "start")
            .Text(Wide - 2, 102, $"{SwapLook.Works} {(1 - shows) * 100:0} %", "fig tiny", "end");
        return svg.End();
    }

    /// <summary>So many letters of a name have room.</summary>
    const int Letters = 22;
}
