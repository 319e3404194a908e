using Microsoft.AspNetCore.Html;
using RustCabin.Core.Build;

namespace RustCabin.Web.Drawings;

/// <summary>What the schools expect, as beams of the same scale, each sawn into what the minutes go into.</summary>
public static class SchoolBars
{
    const double Wide = 640,
        Left = 74,
        Right = 560,
        High = 38;

    public static IHtmlContent Draw(IReadOnlyList<(string Name, Expectation Expected)> schools)
    {
        decimal scale = Math.Max(1, schools.Max(s => s.Expected.Minutes));
        Svg svg = Svg.Begin(
            Wide,
            schools.Count * 50 + 4,
            "schools",
            "img",
            string.Join("; ", schools.Select(s => $"{s.Name}: {s.Expected.Minutes:0.0} minutes expected"))
        );
        foreach ((int i, (string name, Expectation expected)) in schools.Index())
        {
            double y = 4 + i * 50,
                x = Left;
            svg.Text(Left - 10, y + 24, name, "lab strong", "end");
            foreach ((string kind, decimal minutes) in PartsOf(expected).Where(p => p.Minutes > 0))
            {
                double wide = (double)(minutes / scale) * (Right - Left);
                svg.Rect(x, y, Math.Max(1, wide), High, $"beam {kind}");
                if (wide > 58)
                    svg.Text(x + wide / 2, y + 16, kind, "lab on-plank")
                        .Text(x + wide / 2, y + 32, $"{minutes:0.#}", "fig on-plank");
                else if (wide > 26)
                    svg.Text(x + wide / 2, y + 24, $"{minutes:0.#}", "fig on-plank");
                x += wide;
            }
            svg.Text(x + 8, y + 26, $"{expected.Minutes:0.0} min", "fig strong big-fig", "start");
        }
        return svg.End();
    }

    /// <summary>What the minutes of a school go into.</summary>
    public static IReadOnlyList<(string Kind, decimal Minutes)> PartsOf(Expectation expected) =>
        [
            ("work", expected.Work),
            ("tests", expected.Tests),
            ("reopening", expected.Reopening),
            ("search", expected.Search),
            ("mends", expected.Mends),
        ];
}
