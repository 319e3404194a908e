using Microsoft.AspNetCore.Html;
using RustCabin.Core.Speed;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A piece of work as two planks of the same scale, before above and after below, each sawn into its kinds of work: what stays
/// long shows where speed does not reach. With the suite's runs, each benchmark as a pair of posts with the spread of single
/// runs as a whisker.
/// </summary>
public static class WorkBars
{
    const double Wide = 640,
        Left = 74,
        Right = 560,
        RunsWide = 400,
        RunsLeft = 62,
        RunsReach = 200;

    public static IHtmlContent Planks(SpeedReport report)
    {
        decimal whole = report.Work.Sum(w => w.Seconds),
            then = report.Work.Sum(w => w.After),
            scale = Math.Max(whole, then);
        Svg svg = Svg.Begin(
            Wide,
            128,
            "planks",
            "img",
            $"Before {whole:0.##} s: {string.Join(", ", report.Work.Select(w => $"{w.Kind} {w.Seconds:0.##}"))}. After "
                + $"{then:0.##} s: {string.Join(", ", report.Work.Select(w => $"{w.Kind} {w.After:0.##}"))}."
        );
        Plank(svg, 14, "before", [.. report.Work.Select(w => (w.Kind, w.Seconds))], scale, whole);
        Plank(svg, 76, "after", [.. report.Work.Select(w => (w.Kind, w.After))], scale, then);
        return svg.End();
    }

    static void Plank(Svg svg, double y, string name, (string Kind, decimal Seconds)[] pieces, decimal scale, decimal total)
    {
        svg.Text(Left - 10, y + 25, name, "lab strong", "end");
        double x = Left;
        foreach ((int i, (string kind, decimal seconds)) in pieces.Index())
        {
            double wide = (double)(seconds / scale) * (Right - Left);
            svg.Rect(
                x,
                y,
                Math.Max(1, wide),
                40,
                $"plank k{kind switch { "processor" => 0, "memory" => 1, "storage" => 2, _ => 3 }}"
            );
            if (wide > 74)
                svg.Text(x + wide / 2, y + 18, kind, "lab on-plank")
                    .Text(x + wide / 2, y + 34, $"{seconds:0.##} s", "fig on-plank");
            else if (wide > 34)
                svg.Text(x + wide / 2, y + 25, $"{seconds:0.#}", "fig on-plank");
            x += wide;
        }
        svg.Text(x + 8, y + 26, $"{total:0.##} s", "fig strong big-fig", "start");
    }

    /// <summary>Each benchmark before and after, in seconds; shorter is faster.</summary>
    public static IHtmlContent Runs(IReadOnlyList<Compared> suite)
    {
        decimal longest = suite
            .SelectMany(c => (Core.Planning.Runs?[])[c.Before, c.After])
            .Where(r => r is not null)
            .Select(r => r!.Most)
            .DefaultIfEmpty(1)
            .Max();
        Svg svg = Svg.Begin(
            RunsWide,
            suite.Count * 54 + 8,
            "runs-drawn",
            "img",
            string.Join("; ", suite.Select(c => $"{c.Name}: {Words(c.Before)} before, {Words(c.After)} after"))
        );
        foreach ((int i, Compared c) in suite.Index())
        {
            double y = i * 54 + 4;
            svg.Text(4, y + 13, c.Name, "lab strong", "start");
            Post(svg, y + 17, "before", c.Before, longest);
            Post(svg, y + 34, "after", c.After, longest);
            if (c.Ratio is { } ratio)
                svg.Text(RunsWide - 6, y + 36, $"x {ratio:0.00}", "fig strong big-fig", "end");
        }
        return svg.End();
    }

    static void Post(Svg svg, double y, string name, Core.Planning.Runs? runs, decimal longest)
    {
        svg.Text(RunsLeft - 10, y + 11, name, "lab side", "end");
        if (runs is null)
        {
            svg.Text(RunsLeft, y + 11, "not run yet", "lab side", "start");
            return;
        }
        double At(decimal s) => RunsLeft + (double)(s / longest) * RunsReach;
        svg.Rect(
            RunsLeft,
            y + 1,
            Math.Max(2, At(runs.Median) - RunsLeft),
            11,
            name == "before" ? "post before" : "post after",
            2
        );
        svg.Path(
            $"M{Svg.N(At(runs.Least))} {Svg.N(y + 6.5)}H{Svg.N(At(runs.Most))}M{Svg.N(At(runs.Least))} "
                + $"{Svg.N(y + 2)}v9M{Svg.N(At(runs.Most))} {Svg.N(y + 2)}v9",
            "whisker"
        );
        svg.Text(At(runs.Most) + 8, y + 11, $"{runs.Median:0.##} s", "fig", "start");
    }

    static string Words(Core.Planning.Runs? runs) => runs is null ? "not run" : $"{runs.Median:0.##} s";
}
