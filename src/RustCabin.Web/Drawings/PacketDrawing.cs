using Microsoft.AspNetCore.Html;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The packets of a board to be populated, a shelf for each stage, in the order in which they go on: a packet is as wide as its
/// pieces are many, filled as far as they are in hand, lightly where they are ordered, empty where they are missing.
/// </summary>
public static class PacketDrawing
{
    const double Wide = 680,
        Left = 88,
        Least = 76,
        High = 46,
        Row = 62;

    /// <summary>The packets.</summary>
    public static IHtmlContent Draw(Assembly assembly)
    {
        var rows = new List<(AssemblyStage Stage, List<(AssemblyLine Line, double X, double Wide)> Packets)>();
        foreach (var stage in assembly.Lines.GroupBy(l => l.Stage))
        {
            double x = Left;
            rows.Add((stage.Key, []));
            foreach (AssemblyLine line in stage)
            {
                double wide = Math.Min(Wide - Left, Least + 6 * (line.Line.Pieces - 1));
                if (x > Left && x + wide > Wide)
                {
                    x = Left;
                    rows.Add((stage.Key, []));
                }
                rows[^1].Packets.Add((line, x, wide));
                x += wide + 8;
            }
        }
        int missing = assembly.Lines.Sum(l => l.Missing);
        Svg svg = Svg.Begin(
            Wide + 8,
            rows.Count * Row + 6,
            "packets",
            "img",
            $"{IdText.Counted(assembly.Pieces, "piece")} in the order in which they go on; "
                + (missing == 0 ? "all are in hand" : $"{missing} are missing")
        );
        AssemblyStage? told = null;
        foreach ((int i, (AssemblyStage stage, var packets)) in rows.Index())
        {
            double y = 4 + i * Row;
            if (stage != told)
                svg.Text(Left - 10, y + 27, NameOf(told = stage), "lab strong", "end");
            svg.Line(Left, y + High + 4, Wide, y + High + 4, "packet-shelf");
            foreach ((AssemblyLine line, double x, double wide) in packets)
                Packet(svg, line, x, y, wide);
        }
        return svg.End();
    }

    static string NameOf(AssemblyStage? stage) => stage is { } known ? Words<AssemblyStage>.Of(known) : "";

    static void Packet(Svg svg, AssemblyLine line, double x, double y, double wide)
    {
        double piece = wide / line.Line.Pieces;
        svg.Rect(x, y, wide, High, "packet", 4);
        if (line.Coming > 0)
            svg.Rect(x, y, piece * (line.InHand + line.Coming), High, "packet-coming", 4);
        if (line.InHand > 0)
            svg.Rect(x, y, piece * line.InHand, High, "packet-in", 4);
        string ink = line.Missing == 0 ? " on-plank" : "";
        svg.Text(x + wide / 2, y + 19, InRoom.Cut(line.Line.What, Math.Max(4, (int)(wide / 7.6))), $"lab{ink}")
            .Text(x + wide / 2, y + 36, Said(line), $"fig{ink}");
    }

    static string Said(AssemblyLine line) => line.Missing == 0 ? $"{line.Line.Pieces}" : $"{line.InHand} of {line.Line.Pieces}";
}
