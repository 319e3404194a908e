using Microsoft.AspNetCore.Html;
using RustCabin.Core.Searches;

namespace RustCabin.Web.Drawings;

/// <summary>
/// Build sets on a field: what they cost to the right, what skill they ask upward. The rust line joins those that no other
/// beats in these two; a round stone can be undone, a square one cannot. The number is that of the list beside it.
/// </summary>
public static class SetField
{
    const double Wide = 420,
        Tall = 190,
        Left = 62,
        Bottom = 150,
        Top = 16,
        Right = 392;

    public static IHtmlContent Draw(IReadOnlyList<BuildSet> sets, string currency)
    {
        Svg svg = Svg.Begin(
            Wide,
            Tall,
            "set-field",
            "img",
            string.Join(
                "; ",
                sets.Select(
                    (s, i) =>
                        $"set {i + 1}: {s.Cost:0.00} {currency}, skill {s.Skill}, {(s.Reversible ? "can be undone" : "for good")}"
                )
            )
        );
        decimal most = sets.Max(s => s.Cost),
            least = sets.Min(s => s.Cost),
            span = Math.Max(1, most - least);
        double X(BuildSet s) => Left + 30 + (double)((s.Cost - least) / span) * (Right - Left - 60);
        double Y(int skill) => Bottom - (skill - 0.5) * (Bottom - Top) / 5;
        for (int skill = 1; skill <= 5; skill++)
            svg.Line(Left, Y(skill), Right, Y(skill), "rung").Text(Left - 8, Y(skill) + 5, $"skill {skill}", "lab side", "end");
        svg.Line(Left, Bottom, Right, Bottom, "stile")
            .Text(Left + 30, Bottom + 22, $"{least:0.00}", "fig")
            .Text(Right - 30, Bottom + 22, most == least ? "" : $"{most:0.00}", "fig")
            .Text((Left + Right) / 2, Bottom + 36, $"to buy, {currency}", "lab side");
        BuildSet[] line =
        [
            .. sets.Where(s => !sets.Any(o => o.Cost <= s.Cost && o.Skill <= s.Skill && (o.Cost < s.Cost || o.Skill < s.Skill)))
                .OrderBy(s => s.Cost)
                .ThenByDescending(s => s.Skill),
        ];
        if (line.Length > 1)
            svg.Path("M" + string.Join("L", line.Select(s => $"{Svg.N(X(s))} {Svg.N(Y(Math.Max(1, s.Skill)))}")), "frontier");
        var taken = new List<(double X, double Y)>();
        foreach ((int i, BuildSet set) in sets.Index())
        {
            double x = X(set),
                y = Y(Math.Max(1, set.Skill));
            // Stones that would lie on each other are moved apart.
            while (taken.Any(t => Math.Abs(t.X - x) < 24 && Math.Abs(t.Y - y) < 12))
                x += 25;
            taken.Add((x, y));
            string look = line.Contains(set) ? "stone best" : "stone";
            if (set.Reversible)
                svg.Circle(x, y, 11, look);
            else
                svg.Rect(x - 10, y - 10, 20, 20, look, 2);
            svg.Text(x, y + 5, $"{i + 1}", "lab strong stone-number");
        }
        return svg.End();
    }
}
