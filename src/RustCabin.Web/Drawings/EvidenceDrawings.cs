using Microsoft.AspNetCore.Html;
using RustCabin.Core.Baseline;
using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using RustCabin.Core.Wants;

namespace RustCabin.Web.Drawings;

/// <summary>The answers of questions without a sheet, each as one drawing to scale.</summary>
static partial class EvidenceDrawings
{
    const double Wide = 640,
        Tall = 300,
        Edge = 46;

    /// <summary>Ways on a field of money against hours, the front joined.</summary>
    public static IHtmlContent Ways(Alternatives found)
    {
        double most = Math.Max(1, (double)found.Ways.Max(w => w.Money)),
            least = Math.Min(0, (double)found.Ways.Min(w => w.Money)),
            hours = Math.Max(1, (double)found.Ways.Max(w => w.Hours));
        double x(WeighedWay w) => Edge + ((double)w.Money - least) / (most - least) * (Wide - 2 * Edge - 90);
        double y(WeighedWay w) => Tall - Edge - (double)w.Hours / hours * (Tall - 2 * Edge);
        Svg svg = Svg.Begin(
            Wide,
            Tall,
            "evidence",
            "img",
            "Money against hours: " + string.Join("; ", found.Ways.Select(w => $"{w.Id} {w.Money:0.##}, {w.Hours:0.##} hours"))
        );
        Axes(svg, "money", "hours");
        WeighedWay[] front = [.. found.Ways.Where(w => w.OnFront).OrderBy(w => w.Money)];
        for (int i = 0; i + 1 < front.Length; i++)
            svg.Line(x(front[i]), y(front[i]), x(front[i + 1]), y(front[i + 1]), "front");
        foreach (WeighedWay way in found.Ways)
        {
            // A name that would not go on beside its point stands before it.
            bool before = x(way) > Wide - 20 - way.Id.Length * 7.5 && x(way) > way.Id.Length * 7.5;
            svg.Circle(
                    x(way),
                    y(way),
                    7,
                    way.Id == found.Best ? "way best"
                        : way.OnFront ? "way"
                        : "way behind"
                )
                .Text(
                    x(way) + (before ? -12 : 12),
                    y(way) + 4,
                    way.Id,
                    way.Id == found.Best ? "lab strong" : "lab",
                    before ? "end" : "start"
                );
        }
        return svg.End();
    }

    /// <summary>Causes by their chances, one bar each; the likeliest first.</summary>
    public static IHtmlContent Causes(IReadOnlyList<(string Name, double Chance)> causes)
    {
        (string Name, double Chance)[] shown = [.. causes.Take(12)];
        string said = string.Join("; ", shown.Select(c => $"{c.Name} {c.Chance * 100:0.0} %"));
        Svg svg = Svg.Begin(Wide, shown.Length * 30 + 12, "evidence", "img", said);
        foreach ((int i, (string name, double chance)) in shown.Index())
        {
            double y = 8 + i * 30,
                wide = Math.Max(2, chance * (Wide - 300));
            svg.Rect(220, y, wide, 20, i == 0 ? "bar best" : "bar").Text(212, y + 15, InRoom.Cut(name, 28), "lab", "end");
            svg.Text(226 + wide, y + 15, $"{chance * 100:0.0} %", "fig", "start");
        }
        return svg.End();
    }

    /// <summary>Rates of others: for each thing the range in which its rate lies, and what was counted.</summary>
    public static IHtmlContent Reports(ReportRates found)
    {
        ReportRate[] shown = [.. found.Rates.Take(16)];
        string name(ReportRate rate) => rate.Firmware is { } firmware ? $"{rate.Thing}, {firmware}" : rate.Thing;
        string said = string.Join("; ", shown.Select(r => $"{name(r)} {r.Works} of {r.Tries}"));
        Svg svg = Svg.Begin(Wide, shown.Length * 30 + 34, "evidence", "img", said);
        double x(double rate) => 220 + rate * (Wide - 260);
        foreach ((int i, ReportRate rate) in shown.Index())
        {
            double y = 16 + i * 30;
            svg.Text(212, y + 4, InRoom.Cut(name(rate), 28), "lab", "end").Line(x(0), y, x(1), y, "axis");
            svg.Rect(x(rate.Low), y - 5, x(rate.High) - x(rate.Low), 10, rate.IsContradicted() ? "bar" : "bar best", 3)
                .Circle(x((double)rate.Works / rate.Tries), y, 6, "dot");
        }
        for (int tenth = 0; tenth <= 10; tenth += 5)
            svg.Text(x(tenth / 10.0), shown.Length * 30 + 26, $"{tenth * 10} %", "fig tiny");
        return svg.End();
    }

    /// <summary>What is known of a rate before and after, as two hills over the rates.</summary>
    public static IHtmlContent Rates(TryCount before, TryCount? after)
    {
        string said =
            $"Before {before.Works} of {before.Tries}" + (after is null ? "" : $", after {after.Works} of {after.Tries}");
        Svg svg = Svg.Begin(Wide, 200, "evidence", "img", said);
        svg.Line(Edge, 170, Wide - Edge, 170, "axis");
        for (int tenth = 0; tenth <= 10; tenth += 2)
            svg.Text(Edge + tenth / 10.0 * (Wide - 2 * Edge), 190, $"{tenth * 10} %", "fig tiny");
        Hill(svg, before, "before", "before");
        if (after is not null)
            Hill(svg, after, "after", "after");
        return svg.End();
    }

    static void Hill(Svg svg, TryCount count, string look, string name)
    {
        const int steps = 160;
        double top = Edge,
            peak = count.Tries == 0 ? 0.5 : (double)count.Works / count.Tries;
        double log(double p) =>
            (count.Works > 0 ? count.Works * Math.Log(p) : 0)
            + (count.Tries > count.Works ? (count.Tries - count.Works) * Math.Log(1 - p) : 0);
        double best = log(Math.Clamp(peak, 1e-6, 1 - 1e-6));
        double[] points =
        [
            .. Enumerable
                .Range(1, steps - 1)
                .SelectMany(i =>
                    (double[])
                        [
                            Edge + (double)i / steps * (Wide - 2 * Edge),
                            170 - Math.Exp(log((double)i / steps) - best) * (170 - top),
                        ]
                ),
        ];
        svg.Path(Svg.Through(points), $"hill {look}");
        svg.Text(Edge + Math.Clamp(peak, 0.06, 0.9) * (Wide - 2 * Edge), look == "before" ? top - 8 : top - 24, name, "lab");
    }

    /// <summary>Runs, the line through them as frames a second, and the rate that is wanted.</summary>
    public static IHtmlContent Frames(FramesAsked asked, Core.Speed.Frames found)
    {
        (double Pixels, double Fps)[] runs = [.. asked.Runs.Select(r => ((double)r.Width * r.Height, (double)r.Fps))];
        double pixels = Math.Max(
                runs.Max(r => r.Pixels),
                found.Sizes.Select(s => (double)s.Width * s.Height).DefaultIfEmpty(0).Max()
            ),
            fps = Math.Max(runs.Max(r => r.Fps), (double)(asked.Wanted ?? 0)) * 1.1;
        double x(double p) => Edge + p / pixels * (Wide - 2 * Edge);
        double y(double f) => Tall - Edge - Math.Min(f, fps) / fps * (Tall - 2 * Edge);
        Svg svg = Svg.Begin(
            Wide,
            Tall,
            "evidence",
            "img",
            "Frames a second by pixels: " + string.Join("; ", found.Sizes.Select(s => $"{s.Width} x {s.Height} {s.Fps:0.#}"))
        );
        Axes(svg, "pixels", "frames a second");
        double cap = (double?)asked.Cap ?? double.PositiveInfinity;
        double[] curve =
        [
            .. Enumerable
                .Range(1, 80)
                .Select(i => i / 80.0 * pixels)
                .SelectMany(p => (double[])[x(p), y(Math.Min(cap, 1 / (found.A + found.B * p)))]),
        ];
        svg.Path(Svg.Through(curve), "hill after");
        if (asked.Wanted is { } wanted)
            svg.Line(Edge, y((double)wanted), Wide - Edge, y((double)wanted), "dots")
                .Text(Wide - Edge, y((double)wanted) - 6, $"{wanted:0.##} wanted", "fig tiny", "end");
        foreach ((double p, double f) in runs)
            svg.Circle(x(p), y(f), 6, "way");
        return svg.End();
    }

    static void Axes(Svg svg, string across, string up) =>
        svg.Line(Edge, Tall - Edge, Wide - Edge, Tall - Edge, "axis")
            .Line(Edge, Edge / 2, Edge, Tall - Edge, "axis")
            .Text(Wide - Edge, Tall - Edge + 20, across, "fig tiny", "end")
            .Text(Edge + 6, Edge / 2 + 4, up, "fig tiny", "start");

    /// <summary>The case from above, what stands in it, the nearest place and where its lead comes from.</summary>
    public static IHtmlContent Places(PlaceAsked asked, Placing found)
    {
        double scale = Math.Min(Wide / (double)asked.Area.W, 340 / (double)asked.Area.H),
            wide = (double)asked.Area.W * scale,
            tall = (double)asked.Area.H * scale;
        double y(decimal from, decimal h) => tall - (double)(from + h) * scale;
        Svg svg = Svg.Begin(
            wide + 4,
            tall + 4,
            "evidence",
            "img",
            $"{found.Count} places in {asked.Area.W} by {asked.Area.H} mm"
        );
        svg.Rect(1, 1, wide, tall, "case", 4);
        foreach (TakenPlace t in asked.Taken)
            svg.Rect((double)t.X * scale, y(t.Y, t.H), (double)t.W * scale, (double)t.H * scale, "stands", 3);
        foreach (FoundPlace place in found.Places.Take(12).Reverse())
        {
            (decimal w, decimal h) = place.Turned ? (asked.Board.H, asked.Board.W) : (asked.Board.W, asked.Board.H);
            bool first = place == found.Places[0];
            svg.Rect(
                (double)place.X * scale,
                y(place.Y, h),
                (double)w * scale,
                (double)h * scale,
                first ? "place" : "place other",
                3
            );
            if (first)
                svg.Text(
                    (double)(place.X + w / 2) * scale,
                    y(place.Y, h) + (double)h * scale / 2 + 5,
                    $"{w:0.#} x {h:0.#}",
                    "fig"
                );
        }
        if (asked.From is { } from)
            svg.Circle((double)from.X * scale, y(from.Y, 0), 6, "lead-from");
        return svg.End();
    }
}
