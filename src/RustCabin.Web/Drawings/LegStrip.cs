using Microsoft.AspNetCore.Html;
using RustCabin.Core.Chips;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The sides of a chip on which something is done, large enough to count along with a needle: the legs that are lifted stand
/// out, their neighbours are named, and what lies between them and the corners is counted.
/// </summary>
public static class LegStrip
{
    const double Leg = 46,
        Body = 54,
        Tall = 168,
        Edge = 112;

    /// <summary>So many legs are shown beyond the last that matters.</summary>
    const int Beyond = 1;

    /// <param name="outline">The chip's outline.</param>
    /// <param name="view">From where it is seen.</param>
    /// <param name="look">How a leg is drawn: lifted, soldered, beside; empty: nothing is done to it.</param>
    /// <param name="net">The net of a leg.</param>
    public static IEnumerable<(string Title, IHtmlContent Drawing)> Draw(
        ChipOutline outline,
        View view,
        Func<int, string> look,
        Func<int, string> net
    )
    {
        foreach (PinSide side in Enum.GetValues<PinSide>())
        {
            IReadOnlyList<int> legs = outline.Side(side, view);
            int[] touched = [.. legs.Index().Where(l => look(l.Item).Length > 0).Select(l => l.Index)];
            if (touched.Length == 0)
                continue;
            int from = Math.Max(0, touched[0] - Beyond),
                to = Math.Min(legs.Count - 1, touched[^1] + Beyond);
            yield return (
                $"{side} side, {(side is PinSide.Top or PinSide.Bottom ? "left to right" : "top to bottom")}",
                Strip(outline, side, legs, from, to, look, net)
            );
        }
    }

    static IHtmlContent Strip(
        ChipOutline outline,
        PinSide side,
        IReadOnlyList<int> legs,
        int from,
        int to,
        Func<int, string> look,
        Func<int, string> net
    )
    {
        int shown = to - from + 1;
        double width = shown * Leg + 2 * Edge;
        string said = string.Join(", ", Enumerable.Range(from, shown).Select(i => $"{legs[i]} {look(legs[i])}".Trim()));
        Svg svg = Svg.Begin(width, Tall, "legs", "img", $"{outline.Name}, {side} side: {said}");
        svg.Rect(
            from == 0 ? Edge - 10 : 0,
            0,
            width - (from == 0 ? Edge - 10 : 0) - (to == legs.Count - 1 ? Edge - 10 : 0),
            Body,
            "chip-body",
            4
        );
        (string first, string last) = side switch
        {
            PinSide.Top => ("top left", "top right"),
            PinSide.Bottom => ("bottom left", "bottom right"),
            PinSide.Left => ("top left", "bottom left"),
            _ => ("top right", "bottom right"),
        };
        End(svg, 8, from, first, "start");
        End(svg, width - 8, legs.Count - 1 - to, last, "end");
        for (int i = from; i <= to; i++)
        {
            double x = Edge + (i - from + 0.5) * Leg;
            string how = look(legs[i]);
            bool lifted = how == "lifted";
            // A lifted leg stands off its pad, at a slant.
            svg.Path(
                lifted ? Svg.Through(x, Body, x + 7, Body + 22, x + 16, Body + 26) : Svg.Through(x, Body, x, Body + 40),
                $"strip-leg {how}"
            );
            svg.Rect(x - 9, Body + 40, 18, 12, "strip-pad");
            svg.Text(x, Body - 16, $"{legs[i]}", $"leg-number {how}");
            svg.Text(x, Body + 72 + (i - from) % 2 * 18, net(legs[i]), $"fig {how}");
            if (how == "beside")
                svg.Text(x, Body + 110, "stays", "fig tiny");
        }
        return svg.End();
    }

    static void End(Svg svg, double x, int more, string corner, string anchor)
    {
        svg.Text(x, Body + 22, corner, "fig tiny", anchor);
        svg.Text(x, Body + 40, more == 0 ? "corner" : $"{more} legs on", "fig tiny", anchor);
    }
}
