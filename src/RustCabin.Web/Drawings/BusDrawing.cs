using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>Something on a bus: its name, its ids, whether it terminates and must, and what is wrong with it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Ids">Its ids.</param>
/// <param name="Terminated">It terminates in the end.</param>
/// <param name="Chosen">Its id is one that is proposed.</param>
/// <param name="Wrong">Something is wrong with it.</param>
public sealed record OnBus(string Name, string Ids, bool Terminated, bool Chosen, bool Wrong);

/// <summary>A bus along its cable: the host first, each device with its id, terminators as blocks at the ends.</summary>
public static class BusDrawing
{
    const double Step = 190,
        Box = 160,
        High = 76,
        Cable = 120;

    /// <param name="name">What the bus is.</param>
    /// <param name="things">What is on it, in the order along the cable.</param>
    /// <param name="terminates">Terminators mean something on it.</param>
    public static IHtmlContent Draw(string name, IReadOnlyList<OnBus> things, bool terminates)
    {
        string said =
            $"{name}: "
            + string.Join(
                "; ",
                things.Select(t =>
                    $"{t.Name}, {(t.Ids.Length > 0 ? $"id {t.Ids}" : "no id")}"
                    + (t.Terminated && terminates ? ", terminated" : "")
                )
            );
        Svg svg = Svg.Begin(things.Count * Step + 20, Cable + 36, "bus", "img", said);
        double x(int i) => 10 + i * Step + Box / 2;
        svg.Line(x(0), Cable, x(things.Count - 1), Cable, "bus-cable");
        foreach ((int i, OnBus thing) in things.Index())
        {
            svg.Line(x(i), 6 + High, x(i), Cable, "bus-cable");
            svg.Rect(x(i) - Box / 2, 6, Box, High, $"bus-box {(thing.Wrong ? "wrong" : "")}", 6);
            svg.Text(x(i), 28, InRoom.Cut(thing.Name, 19), "lab strong");
            svg.Text(x(i), 64, thing.Ids.Length > 0 ? thing.Ids : "–", $"bus-id {(thing.Chosen ? "chosen" : "")}");
            if (!terminates)
                continue;
            svg.Rect(x(i) - 9, Cable - 9, 18, 18, thing.Terminated ? "terminator" : "terminator none", 3);
            if (thing.Terminated)
                svg.Text(x(i), Cable + 28, "terminated", "side");
        }
        return svg.End();
    }
}
