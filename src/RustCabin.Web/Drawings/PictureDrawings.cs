using System.Globalization;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.PictureSound;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A line of the picture as a time axis with its sync, its blank and its visible part; the two rates against what a display locks
/// onto; the panel with the picture in it; and jacks with what plays where.
/// </summary>
public static class PictureDrawings
{
    const double Wide = 760,
        Left = 10;

    /// <summary>One line in microseconds.</summary>
    public static IHtmlContent Line(PictureMode mode)
    {
        var timing = Timing.Of(TimingAsked.Of(mode, false, null));
        double micros = 1e6 / timing.LineHz,
            scale = (Wide - 2 * Left) / micros,
            pixel = 1 / (double)mode.PixelClockMHz,
            seen = (mode.Visible?.Width ?? mode.PixelsPerLine * 0.7) * pixel,
            sync = Math.Min(micros * 0.075, (micros - seen) / 3),
            porch = (micros - seen - sync) / 2;
        double x(double at) => Left + at * scale;
        Svg svg = Svg.Begin(
            Wide,
            130,
            "time-axis",
            "img",
            $"One line: {micros:0.##} microseconds, {seen:0.##} of them visible, {mode.PixelsPerLine} pixels in all"
        );
        svg.Path(Svg.Through(x(0), 86, x(0), 104, x(sync), 104, x(sync), 86, x(sync + porch), 86), "level-line");
        svg.Rect(x(sync + porch), 26, seen * scale, 60, "visible-part", 3);
        svg.Path(Svg.Through(x(sync + porch + seen), 86, x(micros), 86), "level-line");
        svg.Text(
            x(sync + porch + seen / 2),
            52,
            $"{mode.Visible?.Width.ToString(CultureInfo.InvariantCulture) ?? "?"} pixels",
            "lab strong"
        );
        svg.Text(x(sync + porch + seen / 2), 72, $"{seen:0.##} µs", "fig");
        svg.Text(x(0), 122, "sync", "side", "start");
        svg.Text(x(micros), 122, $"{micros:0.##} µs a line, {mode.PixelsPerLine} pixels", "fig", "end");
        return svg.End();
    }

    /// <summary>A rate as a mark against the range in which a display locks, on a log scale.</summary>
    public static IHtmlContent Rate(string name, double value, double? from, double? to, string unit)
    {
        double low = Math.Min(value, from ?? value) * 0.85,
            high = Math.Max(value, to ?? value) * 1.15;
        double x(double at) => Left + (Wide - 2 * Left) * Math.Log(at / low) / Math.Log(high / low);
        bool inside = from is null || (value >= from && value <= to);
        Svg svg = Svg.Begin(
            Wide,
            74,
            "rate",
            "img",
            $"{name} {value:0.###} {unit}" + (from is null ? "" : $", the display takes {from:0.###} to {to:0.###}")
        );
        svg.Line(Left, 44, Wide - Left, 44, "rate-axis");
        if (from is { } f && to is { } t)
        {
            svg.Rect(x(f), 34, Math.Max(2, x(t) - x(f)), 20, "locks", 4);
            svg.Text(x(f), 70, $"{f:0.###}", "fig", "start").Text(x(t), 70, $"{t:0.###} {unit}", "fig", "end");
        }
        svg.Line(x(value), 24, x(value), 60, inside ? "rate-mark" : "rate-mark out");
        svg.Text(
            Math.Clamp(x(value), 90, Wide - 90),
            17,
            $"{name} {value:0.###} {unit}",
            inside ? "lab strong" : "lab strong out"
        );
        return svg.End();
    }

    /// <summary>A panel with the picture in it, in true proportion.</summary>
    public static IHtmlContent Panel(IReadOnlyList<int> panel, Scaling scaling)
    {
        double scale = 420.0 / panel[0],
            high = panel[1] * scale;
        Svg svg = Svg.Begin(
            440,
            high + 20,
            "panel-drawing",
            "img",
            $"{panel[0]} x {panel[1]} panel, picture {scaling.Size.W} x {scaling.Size.H} "
                + $"at {scaling.Factor.X} x {scaling.Factor.Y}"
        );
        svg.Rect(10, 10, 420, high, "panel-glass", 6);
        double left = 10 + scaling.Borders.Left * scale,
            top = 10 + scaling.Borders.Top * scale;
        svg.Rect(left, top, scaling.Size.W * scale, scaling.Size.H * scale, "picture-part");
        // A circle that is round where the picture has its true shape.
        double y = 10 + high / 2,
            radius = scaling.Size.H * scale / 3;
        svg.Ellipse(220, y, radius * (double)scaling.Distortion, radius, "true-shape");
        svg.Text(220, y + 5, $"{scaling.Factor.X} x {scaling.Factor.Y}", "lab strong");
        return svg.End();
    }

    /// <summary>
    /// What plays where: each voice with its line to the contact that the sheet marks, and to where it was heard.
    /// </summary>
    public static IHtmlContent Jacks(
        IReadOnlyList<SoundSource> sounds,
        IReadOnlyDictionary<string, IReadOnlyList<string>> heard,
        IReadOnlyDictionary<string, string> marked
    )
    {
        string[] sides = ["left", "right"];
        double high = Math.Max(2, sounds.Count) * 46 + 20;
        double y(string side) => side == "left" ? high * 0.28 : high * 0.72;
        string said = string.Join("; ", sounds.Select(s => $"{IdText.Plain(s.Id)} to {LocalName.Parse(s.To).Plain}"));
        Svg svg = Svg.Begin(520, high, "jacks", "img", said.Length > 0 ? said : "no voice is on the sheets");
        foreach ((int i, SoundSource sound) in sounds.Index())
        {
            double at = 10 + i * 46;
            string side =
                sound.To.Contains("left", StringComparison.Ordinal) ? "left"
                : sound.To.Contains("right", StringComparison.Ordinal) ? "right"
                : "";
            svg.Rect(10, at, 170, 36, "voice", 6).Text(20, at + 23, IdText.Plain(sound.Id), "lab", "start");
            foreach (string to in side.Length > 0 ? [side] : sides)
                svg.Path(Svg.Through(180, at + 18, 390, y(to)), "sound-lead");
        }
        foreach (string side in sides)
        {
            svg.Circle(400, y(side), 12, "contact");
            svg.Text(420, y(side) + 5, side, "lab strong", "start");
            if (marked.TryGetValue(side, out string? mark))
                svg.Text(400, y(side) + 30, mark, "fig", "middle");
            if (heard.TryGetValue(side, out IReadOnlyList<string>? on))
                svg.Text(
                    465,
                    y(side) + 5,
                    on.Count == 0 ? "(silent)"
                        : on.SequenceEqual([side]) ? "✓"
                        : $"→ {string.Join("+", on)}",
                    "fig",
                    "start"
                );
        }
        return svg.End();
    }
}
