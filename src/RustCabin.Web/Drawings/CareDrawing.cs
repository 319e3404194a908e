using System.Globalization;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Care;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>The case and what is done to it: a vessel with its bath, a face with its cream, a hole in its place.</summary>
public static class CareDrawing
{
    const double Wide = 340,
        High = 190;

    /// <summary>The drawing of a work.</summary>
    public static IHtmlContent Draw(CareFigures care) =>
        care.Work.Do switch
        {
            CareAct.Bath => Vessel(care),
            CareAct.Cream => Face(care),
            _ => Hole(care),
        };

    static string F(decimal value, string form = "0.##") => value.ToString(form, CultureInfo.InvariantCulture);

    /// <summary>Water below, the concentrate that goes into it above, in their shares; the pieces lie in it.</summary>
    static IHtmlContent Vessel(CareFigures care)
    {
        Svg svg = Svg.Begin(
            Wide,
            High,
            "care-drawing",
            "img",
            care.Bath is { } mixed
                ? $"{F(care.Litres)} l: {F(mixed.ConcentrateLitres, "0.000")} l of {F(care.Work.FromPercent)} %, "
                    + $"{F(mixed.WaterLitres, "0.000")} l of water"
                : "The pieces fill the vessel"
        );
        const double left = 20,
            right = 200,
            top = 34,
            floor = 172;
        if (care.Bath is { } bath)
        {
            double share = (double)(bath.ConcentrateLitres / (bath.ConcentrateLitres + bath.WaterLitres));
            double from = top + Math.Max(14, (floor - top) * share);
            svg.Rect(left, top, right - left, from - top, "bath strong");
            svg.Rect(left, from, right - left, floor - from, "bath water");
            svg.Text(212, top + 16, $"{F(bath.ConcentrateLitres, "0.000")} l", "care-figure", "start");
            svg.Text(212, top + 33, $"of {F(care.Work.FromPercent)} %", "fig", "start");
            svg.Text(212, Math.Max(from + 22, top + 68), $"{F(bath.WaterLitres, "0.000")} l", "care-figure", "start");
            svg.Text(212, Math.Max(from + 39, top + 85), "of water", "fig", "start");
        }
        int many = Math.Min(6, care.Work.Pieces.Count);
        for (int i = 0; i < many; i++)
        {
            double wide = (right - left - 20) / many - 8;
            svg.Rect(left + 14 + i * (wide + 8), floor - 46, wide, 38, "bath-piece", 4);
        }
        svg.Path(Svg.Through(left, top - 14, left, floor, right, floor, right, top - 14), "vessel");
        svg.Text((left + right) / 2, 22, $"{F(care.Litres)} l of {F(care.Work.Percent)} %", "care-figure");
        return svg.End();
    }

    static IHtmlContent Face(CareFigures care)
    {
        decimal area = care.Work.AreaCm2 ?? 0;
        Svg svg = Svg.Begin(Wide, High, "care-drawing", "img", $"{F(care.CreamMl ?? 0)} ml on {F(area)} cm2");
        double side = Math.Clamp(Math.Sqrt((double)area) * 8, 24, 130);
        svg.Rect(30, 34, side * 1.2, side, "bath strong", 8);
        svg.Text(212, 78, $"{F(care.CreamMl ?? 0)} ml", "care-figure", "start");
        svg.Text(212, 96, $"on {F(area)} cm2", "fig", "start");
        return svg.End();
    }

    /// <summary>The hole in scale, the rim that must stay round it, and what is near it, each at its distance.</summary>
    static IHtmlContent Hole(CareFigures care)
    {
        Svg svg = Svg.Begin(
            Wide,
            High,
            "care-drawing",
            "img",
            $"A hole of {F(care.Hole)} mm; the place bears {F(care.LargestHole)} mm; near it: "
                + string.Join(", ", care.Work.EdgesMm.Select(e => $"{F(e)} mm"))
        );
        double near = (double)care.Work.EdgesMm.DefaultIfEmpty(10).Min();
        double far = Math.Max((double)care.Work.EdgesMm.DefaultIfEmpty(10).Max(), (double)care.Hole / 2 + 3);
        double scale = 74 / Math.Max(1, Math.Min(far, near * 2.2));
        const double x = 104,
            y = 100;
        svg.Rect(12, 14, 184, 168, "wall", 6);
        double radius = (double)care.Hole / 2;
        svg.Circle(x, y, Math.Min(90, Math.Max(3, radius) * scale + radius * scale), "rim");
        svg.Circle(x, y, Math.Min(90, radius * scale), care.IsTooWide ? "drilled wrong" : "drilled");
        foreach ((int at, decimal edge) in care.Work.EdgesMm.Take(4).Index())
        {
            (double dx, double dy) = (((double, double)[])[(1, 0), (0, -1), (-1, 0), (0, 1)])[at];
            double out_ = Math.Min(82, (double)edge * scale);
            (double ex, double ey) = (x + dx * out_, y + dy * out_);
            svg.Line(ex - dy * 22, ey - dx * 22, ex + dy * 22, ey + dx * 22, "edge-near");
            svg.Line(x, y, ex, ey, "edge-far");
        }
        svg.Text(212, 66, $"{F(care.Hole)} mm", "care-figure", "start");
        svg.Text(
            212,
            84,
            care.IsTooWide ? $"bears {F(care.LargestHole)} mm" : $"of {F(care.LargestHole)} it bears",
            "fig",
            "start"
        );
        svg.Text(212, 124, care.Work.BehindMm is { } free ? $"{F(free)} mm" : "not measured", "care-figure", "start");
        svg.Text(212, 142, "free behind it", "fig", "start");
        return svg.End();
    }

    /// <summary>The looks along the time, from the first to the longest that it may stay in.</summary>
    public static IHtmlContent Time(CareWatch watch)
    {
        const double wide = 640,
            left = 16,
            right = 624;
        Svg svg = Svg.Begin(
            wide,
            56,
            "care-time",
            "img",
            string.Join("; ", watch.Looks.Select(l => $"{l.At:HH:mm} {CareWords.Of(l.Note.Look!.Value)}"))
        );
        DateTimeOffset from = watch.Looks[0].At,
            until = watch.Until!.Value;
        double span = Math.Max(1, (until - from).TotalMinutes);
        double At(DateTimeOffset when) => left + Math.Clamp((when - from).TotalMinutes / span, 0, 1) * (right - left);
        svg.Line(left, 28, right, 28, "level");
        svg.Line(left, 28, At(watch.Looks[^1].At), 28, "passed");
        foreach ((DateTimeOffset when, BenchNote note) in watch.Looks)
            if (note.Look == CareLook.Marbled)
                svg.Rect(At(when) - 8, 20, 16, 16, "bar differs", 2);
            else
                svg.Circle(At(when), 28, 8, note.Look == CareLook.Same ? "stone" : "stone done");
        if (watch.Next is { } next)
            svg.Circle(At(next), 28, 8, "stone current");
        return svg.End();
    }
}

/// <summary>Looks and lights in few words.</summary>
public static class CareWords
{
    /// <summary>How a face stands against the look before.</summary>
    public static string Of(CareLook look) =>
        look switch
        {
            CareLook.In => "as it went in",
            CareLook.Whiter => "whiter than before",
            CareLook.Same => "no change",
            _ => "it marbles",
        };

    /// <summary>How much light falls on it.</summary>
    public static string Of(CareLight light) =>
        light switch
        {
            CareLight.Sun => "sun",
            CareLight.Lamp => "lamp",
            _ => "dark",
        };
}
