using Microsoft.AspNetCore.Html;
using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>The inside of a case from above, to scale: what stands in it, a board, and where its lead comes from.</summary>
static class CaseDrawing
{
    const double Wide = 660,
        Tall = 400;

    /// <param name="inside">The inside of the case.</param>
    /// <param name="thing">The board that seeks a place; null: none does.</param>
    /// <param name="found">Places for it, the nearest first.</param>
    /// <param name="photo">The address of the photo that lies under it; null: none does.</param>
    public static IHtmlContent Draw(CaseInside inside, PlacedThing? thing, IReadOnlyList<FoundPlace> found, string? photo)
    {
        double scale = Math.Min(Wide / (double)inside.WidthMm, Tall / (double)inside.DepthMm),
            wide = (double)inside.WidthMm * scale,
            tall = (double)inside.DepthMm * scale;
        Svg svg = Svg.Begin(wide + 4, tall + 4, "evidence inside", "img", Said(inside, thing, found));
        svg.Rect(1, 1, wide, tall, "case", 4);
        if (photo is not null && inside.Photo is { } under)
        {
            double k = (double)under.MmOfPixel * scale;
            svg.Image(photo, [k, 0, 0, k, -(double)under.Corner.X * k, tall - (double)under.Corner.Y * k], "case-photo");
        }
        foreach (StandingThing s in inside.Standing)
        {
            (double x, double y) = (X(s.XMm), Y(s.YMm + s.DepthMm));
            string what = s.HeightMm is { } high ? $"{s.What}, {high:0.#} high" : s.What;
            double across = (double)s.WidthMm * scale;
            bool goesIn = across > what.Length * 7;
            svg.Rect(x, y, across, (double)s.DepthMm * scale, "stands", 3)
                .Text(goesIn ? x + 6 : x + across + 4, y + 16, what, "lab", "start");
        }
        foreach (FoundPlace place in found.Take(10).Reverse())
            Board(thing!, place.X, place.Y, place.Turned, "place other");
        if (thing?.At is { } at)
            Board(thing, at.XMm, at.YMm, at.Turned, "place");
        else if (found.Count > 0)
            Board(thing!, found[0].X, found[0].Y, found[0].Turned, "place");
        if (thing is { FromXMm: { } fromX, FromYMm: { } fromY })
            svg.Circle(X(fromX), Y(fromY), 6, "lead-from");
        return svg.End();

        double X(decimal mm) => (double)mm * scale;
        double Y(decimal mm) => tall - (double)mm * scale;
        void Board(PlacedThing board, decimal x, decimal y, bool turned, string look)
        {
            (decimal w, decimal d) = turned ? (board.DepthMm, board.WidthMm) : (board.WidthMm, board.DepthMm);
            svg.Rect(X(x), Y(y + d), (double)w * scale, (double)d * scale, look, 3);
            if (look == "place")
                svg.Text(X(x + w / 2), Y(y + d / 2) + 5, $"{w:0.#} x {d:0.#}", "fig");
        }
    }

    static string Said(CaseInside inside, PlacedThing? thing, IReadOnlyList<FoundPlace> found) =>
        $"Inside of the case from above, {inside.WidthMm:0.#} by {inside.DepthMm:0.#} mm: "
        + string.Join("; ", inside.Standing.Select(s => $"{s.What} at {s.XMm:0.#}, {s.YMm:0.#}"))
        + (
            thing is null ? ""
            : thing.At is not null ? $". {thing.What}: {CasePlaces.Words(thing)}"
            : $". {found.Count} places for {thing.What}"
        );

    /// <summary>
    /// A mask at true size, a unit a millimetre: the outline of a board with its holes, and a line of 50 mm to hold a rule to.
    /// </summary>
    public static IHtmlContent Mask(PlacedThing thing)
    {
        const double edge = 12,
            rule = 50;
        (decimal w, decimal d) = CasePlaces.Lies(thing);
        double wide = Math.Max((double)w, rule) + 2 * edge,
            tall = (double)d + 3 * edge;
        Svg svg = Svg.BeginMm(wide, tall, "mask", $"Mask of {thing.What} at true size, {w:0.#} by {d:0.#} mm");
        svg.Rect(edge, edge, (double)w, (double)d, "mask-edge");
        foreach ((decimal x, decimal y) in CasePlaces.Holes(thing))
        {
            double cx = edge + (double)x,
                cy = edge + (double)(d - y),
                r = (double)thing.HoleMm!.Value / 2;
            svg.Circle(cx, cy, r, "mask-hole").Line(cx - r - 2, cy, cx + r + 2, cy, "mask-cross");
            svg.Line(cx, cy - r - 2, cx, cy + r + 2, "mask-cross");
        }
        double y0 = tall - edge;
        svg.Line(edge, y0, edge + rule, y0, "mask-edge").Line(edge, y0 - 2, edge, y0 + 2, "mask-edge");
        svg.Line(edge + rule, y0 - 2, edge + rule, y0 + 2, "mask-edge");
        svg.Text(edge + rule / 2, y0 + 4.5, "50 mm: hold a rule to it", "mask-text");
        return svg.End();
    }
}
