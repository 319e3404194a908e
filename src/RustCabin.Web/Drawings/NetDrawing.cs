using Microsoft.AspNetCore.Html;
using RustCabin.Core.Faults;

namespace RustCabin.Web.Drawings;

/// <summary>The places of a net as they lie on the board, to scale: those that have come off are hollow, what is joined still is
/// dashed, wires join the rest.</summary>
public static class NetDrawing
{
    const double Wide = 520,
        High = 320,
        Edge = 60;

    /// <summary>The drawing.</summary>
    /// <param name="asked">The places, as many as lie somewhere.</param>
    /// <param name="found">The wires.</param>
    public static IHtmlContent Draw(RepairAsked asked, Repair found)
    {
        RepairLeg[] lying = [.. asked.Legs.Where(l => l is { XMm: not null, YMm: not null })];
        Svg svg = Svg.Begin(
            Wide,
            High,
            "net",
            "img",
            found.Wires.Count == 0
                ? "No wire is wanted"
                : "Wires: " + string.Join(", ", found.Wires.Select(w => $"{w.From} to {w.To}"))
        );
        if (lying.Length == 0)
            return svg.Text(Wide / 2, High / 2, "No place is said to lie anywhere", "lab").End();
        double left = lying.Min(l => (double)l.XMm!),
            top = lying.Min(l => (double)l.YMm!),
            scale = Math.Min(
                (Wide - 2 * Edge) / Math.Max(1, lying.Max(l => (double)l.XMm!) - left),
                (High - 2 * Edge) / Math.Max(1, lying.Max(l => (double)l.YMm!) - top)
            );
        var at = lying.ToDictionary(
            l => l.Place,
            l => (X: Edge + ((double)l.XMm! - left) * scale, Y: Edge + ((double)l.YMm! - top) * scale)
        );
        string[] rest = [.. asked.Legs.Select(l => l.Place).Except(asked.Broken)];
        foreach (IReadOnlyList<string> group in asked.Joined.Append(rest))
        foreach ((string one, string other) in group.Zip(group.Skip(1)))
            if (at.TryGetValue(one, out var here) && at.TryGetValue(other, out var there))
                svg.Line(here.X, here.Y, there.X, there.Y, "net-joined");
        foreach (RepairWire wire in found.Wires)
            if (at.TryGetValue(wire.From, out var from) && at.TryGetValue(wire.To, out var to))
                svg.Line(from.X, from.Y, to.X, to.Y, "net-wire")
                    .Text((from.X + to.X) / 2 + 10, (from.Y + to.Y) / 2, $"{wire.Mm:0.#} mm", "fig strong", "start");
        foreach ((string place, (double x, double y)) in at)
            svg.Circle(x, y, 8, asked.Broken.Contains(place) ? "net-off" : "net-on")
                .Text(x - 14, y + 5, place, "lab strong", "end");
        return svg.End();
    }
}
