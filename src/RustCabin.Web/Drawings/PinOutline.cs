using Microsoft.AspNetCore.Html;
using RustCabin.Core.Chips;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A package from above or below with its pins, their numbers inside the body and their nets outside, the mark where pin 1 is
/// told from.
/// </summary>
public static class PinOutline
{
    const double Pitch = 19,
        Leg = 12;

    /// <param name="package">As on a sheet, <c>DIP-40</c>; one that is not known is drawn as two rows.</param>
    /// <param name="nets">The net of each pin, pin 1 first.</param>
    /// <param name="view">From above unless said.</param>
    /// <param name="look">A class for a pin, by its number; empty for none.</param>
    /// <param name="words">The room for a net's name beside its pin.</param>
    public static IHtmlContent Draw(
        string? package,
        IReadOnlyList<string> nets,
        View view = View.Above,
        Func<int, string>? look = null,
        double words = 62
    )
    {
        if (package is null || !ChipOutline.TryParse(package, out ChipOutline outline) || outline.Pins != nets.Count)
            if (!ChipOutline.TryParse($"DIP-{nets.Count + nets.Count % 2}", out outline))
                return HtmlString.Empty;
        int tall = Math.Max(outline.Side(PinSide.Left, view).Count, 2),
            wide = Math.Max(outline.Side(PinSide.Top, view).Count, outline.Side(PinSide.Bottom, view).Count);
        double bodyWide = Math.Max(104, (wide + 1) * Pitch),
            bodyTall = (tall + 1) * Pitch,
            left = words + Leg,
            top = (wide > 0 ? words + Leg : 6);
        string said = string.Join(", ", nets.Select((net, i) => $"{i + 1} {net}"));
        Svg svg = Svg.Begin(
            bodyWide + 2 * left,
            bodyTall + 2 * top,
            "outline",
            "img",
            $"{outline.Name} from {view.ToString().ToLowerInvariant()}: {said}"
        );
        svg.Rect(left, top, bodyWide, bodyTall, "chip-body", 6);
        svg.Circle(view == View.Above ? left + 38 : left + bodyWide - 38, top + 12, 4, "chip-mark");
        foreach (PinSide side in Enum.GetValues<PinSide>())
        foreach ((int i, int pin) in outline.Side(side, view).Index())
        {
            string net = pin <= nets.Count ? nets[pin - 1] : "",
                mark = look?.Invoke(pin) ?? "";
            if (side is PinSide.Left or PinSide.Right)
            {
                double y = top + (i + 1) * Pitch,
                    edge = side == PinSide.Left ? left : left + bodyWide,
                    way = side == PinSide.Left ? -1 : 1;
                svg.Line(edge, y, edge + way * Leg, y, $"chip-leg {mark}")
                    .Text(edge - way * 6, y + 4.5, $"{pin}", "pin-number", side == PinSide.Left ? "start" : "end");
                svg.Text(edge + way * (Leg + 4), y + 4.5, net, $"fig {mark}", side == PinSide.Left ? "end" : "start");
            }
            else
            {
                double x = left + (i + 1) * Pitch,
                    edge = side == PinSide.Top ? top : top + bodyTall,
                    way = side == PinSide.Top ? -1 : 1;
                svg.Line(x, edge, x, edge + way * Leg, $"chip-leg {mark}")
                    .Text(x, edge - way * 6 + (side == PinSide.Top ? 10 : 0), $"{pin}", "pin-number");
                svg.Text(x, edge + way * (Leg + (side == PinSide.Top ? 4 : 14)), net, $"fig tiny {mark}");
            }
        }
        return svg.End();
    }
}
