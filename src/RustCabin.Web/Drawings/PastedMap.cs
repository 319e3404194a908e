using Microsoft.AspNetCore.Html;
using RustCabin.Core.Pasted;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The ranges of a pasted table on one bar, low addresses left, each as wide as its share, but never too narrow to see.
/// </summary>
static class PastedMap
{
    const double Width = 900,
        Bar = 46,
        Least = 14;

    /// <param name="lines">What was read.</param>
    public static IHtmlContent Draw(IReadOnlyList<PastedLine> lines)
    {
        (PastedRange Range, int Line, bool Doubt)[] all =
        [
            .. lines
                .SelectMany(l => l.Read.OfType<PastedRange>().Select(r => (r, l.Line, l.Doubt is not null)))
                .OrderBy(r => r.r.From)
                .ThenBy(r => r.r.To),
        ];
        if (all.Length is 0 or > 64)
            return HtmlString.Empty;
        double[] share = [.. all.Select(r => Math.Log2((double)r.Range.Size + 1) + 1)];
        double scale = (Width - all.Length * Least) / share.Sum(),
            x = 0;
        string said = string.Join(", ", all.Select(r => $"{r.Range.From:X4} to {r.Range.To:X4} {r.Range.Name}"));
        Svg svg = Svg.Begin(Width, Bar + 40, "pasted-map", "img", $"Map: {said}");
        foreach (((PastedRange range, _, bool doubt), double part) in all.Zip(share))
        {
            double wide = Least + part * scale;
            string look = range.Kind switch
            {
                "ram" => "ram",
                "rom" => "rom",
                "window" => "banked",
                "free" => "free",
                _ => "io",
            };
            svg.Rect(x + 1, 2, wide - 2, Bar, $"cell {look}{(doubt ? " doubtful" : "")}", 3);
            int room = (int)(wide / 9.4);
            if (room > 2)
                svg.Text(x + wide / 2, Bar / 2 + 6, InRoom.Cut(range.Name, room), "fig");
            svg.Text(x + 3, Bar + (room > 5 || x < 1 ? 18 : 34), $"{range.From:X4}", "fig tiny", "start");
            x += wide;
        }
        return svg.End();
    }
}
