using Microsoft.AspNetCore.Html;
using RustCabin.Core.PictureSound;

namespace RustCabin.Web.Drawings;

/// <summary>A sample screen in the colours that are wanted, and in those that the machine shows.</summary>
public static class PaletteDrawing
{
    const double Wide = 250,
        High = 130,
        Gap = 20;

    public static IHtmlContent Draw(IReadOnlyList<(int Entry, string Wanted, NearestColour Nearest)> colours)
    {
        Svg svg = Svg.Begin(
            2 * Wide + Gap,
            High + 24,
            "palette-screens",
            "img",
            "The sample screen as wanted, and as the machine shows it"
        );
        Screen(svg, 0, [.. colours.Select(c => c.Wanted)], "wanted");
        Screen(svg, Wide + Gap, [.. colours.Select(c => c.Nearest.Shown)], "as it shows");
        return svg.End();
    }

    /// <summary>A road between hills: bands of all colours, the first widest.</summary>
    static void Screen(Svg svg, double left, IReadOnlyList<string> colours, string name)
    {
        double y = 0;
        foreach ((int i, string colour) in colours.Index())
        {
            double high = i == colours.Count - 1 ? High - y : High / (colours.Count + 1) * (i == 0 ? 2 : 1);
            svg.Patch(left, y, Wide, high, colour);
            svg.Patch(left + Wide / 2 - 10 - 8 * i, y, 20 + 16 * i, high, colours[(i + 1) % colours.Count]);
            y += high;
        }
        svg.Text(left + Wide / 2, High + 18, name, "side");
    }
}
