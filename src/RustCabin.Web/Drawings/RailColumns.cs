using Microsoft.AspNetCore.Html;
using RustCabin.Core.Power;

namespace RustCabin.Web.Drawings;

/// <summary>
/// Rails as columns filled from below: the unit, each part at its peak, and above them what is left. The red line is what the
/// rail carries after ageing; the dashed one is 90 % of it. A column that rises over the line is too much.
/// </summary>
public static class RailColumns
{
    const double Column = 128,
        Top = 34,
        Tall = 180,
        Wide = 46,
        Left = 14;

    public static IHtmlContent Draw(IReadOnlyList<RailLoad> rails)
    {
        Svg svg = Svg.Begin(
            Math.Max(1, rails.Count) * Column + 16,
            Top + Tall + 48,
            "columns-drawn",
            "img",
            string.Join("; ", rails.Select(r => $"{r.Rail} V: {r.PeakAmps:0.##} of {r.CapacityAmps:0.##} A at peak"))
        );
        foreach ((int i, RailLoad rail) in rails.Index())
            One(svg, Left + i * Column, rail);
        return svg.End();
    }

    static void One(Svg svg, double x, RailLoad rail)
    {
        // The column reaches what is rated, or what is drawn when that is more.
        double scale = Tall / (double)Math.Max(0.01m, Math.Max(rail.RatedAmps, rail.PeakAmps)),
            bottom = Top + Tall;
        double Y(decimal amps) => bottom - (double)amps * scale;
        svg.Text(x + Wide / 2, 18, $"{rail.Rail} V", "lab strong");
        svg.Rect(x, Top, Wide, Tall, "rail-cap", 3);
        decimal at = 0;
        foreach (
            (int i, (decimal amps, string look)) in (
                ((decimal, string)[])
                    [
                        (rail.UnitAmps, "rail-unit"),
                        .. rail.Loads.Select((l, i) => (l.PeakAmps, i % 2 == 0 ? "rail-part" : "rail-part odd")),
                    ]
            ).Index()
        )
        {
            if (amps <= 0)
                continue;
            svg.Rect(x, Y(at + amps), Wide, (double)amps * scale, look);
            at += amps;
        }
        if (at > rail.CapacityAmps)
            svg.Rect(x + Wide - 8, Y(at), 8, (double)(at - rail.CapacityAmps) * scale, "rail-over");
        svg.Line(x - 5, Y(rail.CapacityAmps), x + Wide + 5, Y(rail.CapacityAmps), "rail-line")
            .Line(x - 5, Y(rail.CapacityAmps * 0.9m), x + Wide + 5, Y(rail.CapacityAmps * 0.9m), "rail-line near");
        svg.Text(x + Wide + 8, Y(rail.CapacityAmps) + 4, $"{rail.CapacityAmps:0.##}", "fig", "start");
        svg.Text(x + Wide / 2, bottom + 20, $"{rail.PeakAmps:0.##} A", rail.HeadroomAmps < 0 ? "fig strong stop" : "fig strong")
            .Text(
                x + Wide / 2,
                bottom + 38,
                $"{Math.Abs(rail.HeadroomAmps):0.##} {(rail.HeadroomAmps < 0 ? "too much" : "left")}",
                "lab side"
            );
    }
}
