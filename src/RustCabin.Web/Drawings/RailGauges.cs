using Microsoft.AspNetCore.Html;
using RustCabin.Core.Baseline;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>
/// Rails as upright gauges: the band that is right under load, and a needle where the meter stood. The scale of each reaches
/// three tolerances either way; a needle beyond it stands at the end.
/// </summary>
public static class RailGauges
{
    const double Column = 112,
        Top = 30,
        Tall = 132,
        Wide = 34;

    public static IHtmlContent Draw(IReadOnlyList<Rail> rails, Func<Rail, decimal?> measured)
    {
        Svg svg = Svg.Begin(
            Math.Max(1, rails.Count) * Column + 16,
            Top + Tall + 30,
            "gauges",
            "img",
            string.Join("; ", rails.Select(r => $"{r.Id} V, {Words(r, measured(r))}"))
        );
        foreach ((int i, Rail rail) in rails.Index())
        {
            double x = 30 + i * Column,
                unit = Tall / 6;
            svg.Text(x + Wide / 2, 18, $"{rail.Id} V", "lab strong");
            svg.Rect(x, Top, Wide, Tall, "gauge-bed", 4).Rect(x, Top + unit * 2, Wide, unit * 2, "gauge-right");
            svg.Text(x + Wide + 6, Top + unit * 2 + 5, $"{Highest(rail):0.##}", "fig", "start")
                .Text(x + Wide + 6, Top + unit * 4 + 5, $"{Lowest(rail):0.##}", "fig", "start");
            if (measured(rail) is not { } volts)
            {
                svg.Text(x + Wide / 2, Top + Tall + 20, "not measured", "lab side");
                continue;
            }
            double off = (double)((volts - rail.Volts) / (Math.Abs(rail.Volts) * rail.Tolerance));
            double y = Top + Tall / 2 - Math.Clamp(off, -2.9, 2.9) * unit;
            bool within = BaselineChecks.Within(rail, volts);
            svg.Path($"M{Svg.N(x - 6)} {Svg.N(y)}h{Svg.N(Wide + 12)}", within ? "gauge-needle" : "gauge-needle off");
            svg.Text(x + Wide / 2, Top + Tall + 20, $"{volts:0.###} V", within ? "fig strong" : "fig strong stop");
        }
        return svg.End();
    }

    static decimal Lowest(Rail rail) => BaselineChecks.Lowest(rail);

    static decimal Highest(Rail rail) => BaselineChecks.Highest(rail);

    static string Words(Rail rail, decimal? volts) =>
        volts is not { } v
            ? "not measured"
            : $"measured {v:0.###}, {(BaselineChecks.Within(rail, v) ? "right" : "not within")} {Lowest(rail):0.##} to "
                + $"{Highest(rail):0.##}";
}
