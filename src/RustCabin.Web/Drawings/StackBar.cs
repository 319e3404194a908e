using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>Amounts of one kind end to end, to one scale: what a bath is mixed of, what a batch costs and what came
/// back.</summary>
public static class StackBar
{
    const double Wide = 620,
        Left = 10,
        High = 40;

    /// <param name="parts">The amounts; what came back is below 0, and stands under the others.</param>
    /// <param name="unit">Their unit; empty: none.</param>
    public static IHtmlContent Draw(IReadOnlyList<(string Name, decimal Amount)> parts, string unit)
    {
        (string Name, decimal Amount)[] paid = [.. parts.Where(p => p.Amount > 0)],
            back = [.. parts.Where(p => p.Amount < 0).Select(p => (p.Name, -p.Amount))];
        decimal scale = Math.Max(Math.Max(paid.Sum(p => p.Amount), back.Sum(p => p.Amount)), 0.0001m);
        Svg svg = Svg.Begin(
            Wide,
            back.Length > 0 ? 122 : 62,
            "stack-bar",
            "img",
            string.Join(", ", parts.Select(p => $"{p.Name} {p.Amount:0.##} {unit}".TrimEnd()))
        );
        Row(svg, 6, paid, scale, unit);
        Row(svg, 66, back, scale, unit);
        return svg.End();
    }

    static void Row(Svg svg, double y, (string Name, decimal Amount)[] parts, decimal scale, string unit)
    {
        double x = Left;
        foreach ((int i, (string name, decimal amount)) in parts.Index())
        {
            double wide = (double)(amount / scale) * (Wide - 2 * Left);
            svg.Rect(x, y, Math.Max(1, wide), High, $"plank k{i % 2}");
            if (wide > 60)
                svg.Text(x + wide / 2, y + 17, name, "lab on-plank")
                    .Text(x + wide / 2, y + 33, $"{amount:0.##} {unit}".TrimEnd(), "fig on-plank");
            x += wide;
        }
    }
}
