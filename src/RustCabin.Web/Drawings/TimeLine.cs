using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>Readings along the days on which they were taken: a disc agreed, a square differed.</summary>
public static class TimeLine
{
    const double Wide = 420,
        Left = 14,
        Right = 406;

    public static IHtmlContent Draw(IReadOnlyList<(DateTimeOffset At, string What, bool Agrees)> line)
    {
        Svg svg = Svg.Begin(
            Wide,
            64,
            "time-line",
            "img",
            string.Join("; ", line.Select(l => $"{l.At:yyyy-MM-dd HH:mm} {l.What}: {(l.Agrees ? "as predicted" : "differs")}"))
        );
        svg.Line(Left, 30, Right, 30, "level");
        double span = Math.Max(1, (line[^1].At - line[0].At).TotalMinutes);
        foreach ((DateTimeOffset at, string _, bool agrees) in line)
        {
            double x =
                line.Count == 1 ? (Left + Right) / 2 : Left + 8 + (at - line[0].At).TotalMinutes / span * (Right - Left - 16);
            if (agrees)
                svg.Circle(x, 30, 8, "stone done");
            else
                svg.Rect(x - 8, 22, 16, 16, "bar differs", 2);
        }
        svg.Text(Left, 58, $"{line[0].At:yyyy-MM-dd}", "fig", "start");
        if (line[^1].At.Date != line[0].At.Date)
            svg.Text(Right, 58, $"{line[^1].At:yyyy-MM-dd}", "fig", "end");
        return svg.End();
    }
}
