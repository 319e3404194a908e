using System.Globalization;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>What a job was to cost and what it did, as beams of one scale; the spent one is sawn into what it went
/// into.</summary>
public static class CostBars
{
    const double Wide = 640,
        Left = 84,
        Right = 540,
        High = 34;

    /// <summary>The beams.</summary>
    /// <param name="planned">What the parts were to cost.</param>
    /// <param name="spent">What was spent, by what it went into; what came back shortens the beam.</param>
    /// <param name="currency">The currency, for the figures.</param>
    public static IHtmlContent Draw(decimal planned, IReadOnlyList<(SpentKind Kind, decimal Amount)> spent, string currency)
    {
        decimal all = spent.Sum(s => s.Amount),
            out_ = spent.Where(s => s.Amount > 0).Sum(s => s.Amount);
        decimal scale = Math.Max(1, Math.Max(planned, out_));
        Svg svg = Svg.Begin(Wide, out_ > all ? 112 : 92, "costs", "img", $"Planned {planned:0.00}, spent {all:0.00} {currency}");
        Row(svg, 4, "planned", planned, scale, [("work", planned, "")], currency);
        Row(
            svg,
            50,
            "spent",
            all,
            scale,
            [
                .. spent
                    .Where(s => s.Amount > 0)
                    .Select(s => (BeamOf(s.Kind), s.Amount, Core.Declared.Words<SpentKind>.Of(s.Kind))),
            ],
            currency
        );
        if (out_ > all && all >= 0)
            svg.Text(Left + Part(out_, scale), 106, $"{out_ - all:0.00} came back", "fig", "end")
                .Rect(Left + Part(all, scale), 46, Math.Max(1, Part(out_, scale) - Part(all, scale)), High + 8, "came-back");
        return svg.End();
    }

    static double Part(decimal amount, decimal scale) => (double)(amount / scale) * (Right - Left);

    static string BeamOf(SpentKind kind) =>
        kind switch
        {
            SpentKind.Bought => "work",
            SpentKind.InHand => "tests",
            SpentKind.Postage => "reopening",
            SpentKind.Tool => "search",
            _ => "mends",
        };

    static void Row(
        Svg svg,
        double y,
        string name,
        decimal total,
        decimal scale,
        IReadOnlyList<(string Beam, decimal Amount, string Word)> parts,
        string currency
    )
    {
        svg.Text(Left - 10, y + 22, name, "lab strong", "end");
        double x = Left;
        foreach ((string beam, decimal amount, string word) in parts)
        {
            double wide = Part(amount, scale);
            svg.Rect(x, y, Math.Max(1, wide), High, $"beam {beam}");
            if (wide > 62 && word.Length > 0)
                svg.Text(x + 10, y + 22, word, "lab on-plank", "start");
            x += wide;
        }
        svg.Text(
            Math.Max(x, Left) + 8,
            y + 23,
            $"{total.ToString("0.00", CultureInfo.InvariantCulture)} {currency}",
            "fig strong big-fig",
            "start"
        );
    }
}
