using System.Globalization;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Cards;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A card to scale: its partitions with what their files take and waste, the lines that the host cannot pass across it, and what
/// lies beyond reach hatched. The end of a partition is dragged by its grip.
/// </summary>
public static class CardStrip
{
    const double Width = 780,
        Left = 10,
        Above = 46,
        Edge = 8,
        High = 100,
        Grip = 14,
        Row = 19,
        TooThin = 0.02;

    /// <summary>True where something would be too thin to see to scale, so that the card is drawn on a log scale.</summary>
    public static bool IsUneven(CardLayout layout) =>
        layout
            .Partitions.Where(p => p.Sectors > 0)
            .Select(p => p.Bytes)
            .Concat(layout.Lines.Where(l => l.Kind != LineKind.Length).Select(l => l.Bytes).Where(b => b < layout.UsableBytes))
            .Any(bytes => bytes < layout.UsableBytes * TooThin);

    public static IHtmlContent Draw(CardLayout layout, bool log, bool grips)
    {
        double wide = Width - 2 * Left;
        double x(long bytes) =>
            Left
            + wide
                * (
                    log
                        ? Math.Log2(1 + bytes / (double)CardLabel.MiB) / Math.Log2(1 + layout.UsableBytes / (double)CardLabel.MiB)
                        : bytes / (double)layout.UsableBytes
                );
        HostLine[] lines = [.. layout.Lines.Where(l => l.Kind != LineKind.Length && l.Bytes < layout.UsableBytes)];
        double top = lines.Length > 0 ? Above + Edge : Edge;
        string said = string.Join(
            "; ",
            layout
                .Partitions.Select(p => $"{p.Asked.Name} {Size(p.Bytes)}, {Words<FileSystem>.Of(p.Fs)}")
                .Concat(lines.Select(l => l.Label))
                .Append(layout.UnreachableBytes > 0 ? $"{Size(layout.UnreachableBytes)} beyond reach" : "all of it within reach")
        );
        PlacedPartition[] narrow = [.. layout.Partitions.Where(p => p.Sectors > 0 && IsNarrow(p, x))];
        Svg svg = Svg.Begin(Width, top + High + 44 + narrow.Length * Row, "card-strip", "img", said)
            .Data("usable", layout.UsableBytes.ToString(CultureInfo.InvariantCulture))
            .Data("log", log ? "1" : "")
            .Data("left", Svg.N(Left))
            .Data("wide", Svg.N(wide));
        svg.Rect(Left, top, wide, High, "card-body", 6);
        if (layout.UnreachableBytes > 0)
            Hatch(svg, top, x(layout.ReachableBytes), Left + wide);
        foreach ((int i, PlacedPartition p) in layout.Partitions.Index().Where(p => p.Item.Sectors > 0))
            Partition(svg, layout, p, top, x(p.Start), Math.Min(x(p.End), Left + wide), i, grips);
        foreach ((int i, HostLine line) in lines.Index())
        {
            double at = x(line.Bytes);
            string look = line.Kind == LineKind.Start ? "limit start" : "limit";
            double y = 18 + i % 2 * 20;
            svg.Line(at, y + 4, at, top + High + 8, look);
            bool right = at > Width / 2;
            svg.Text(at + (right ? -6 : 6), y, line.Label, "side strong", right ? "end" : "start");
        }
        Leaders(svg, narrow, x, top);
        svg.Text(Left, top + High + 24, "0", "fig", "start");
        svg.Text(Left + wide, top + High + 24, Rough(layout.UsableBytes) + (log ? ", log scale" : ""), "fig", "end");
        return svg.End();
    }

    /// <summary>Name and size do not stand in it whole.</summary>
    static bool IsNarrow(PlacedPartition p, Func<long, double> x) =>
        Math.Max(3, x(p.End) - x(p.Start)) is var wide && (wide <= 40 || !Stands(p, wide));

    /// <summary>
    /// Names and sizes that do not stand in their partition, each under the card at the end of a line: the last one highest, so
    /// that no line crosses a name.
    /// </summary>
    static void Leaders(Svg svg, PlacedPartition[] narrow, Func<long, double> x, double top)
    {
        foreach ((int i, PlacedPartition p) in narrow.Reverse().Index())
        {
            double at = (x(p.Start) + Math.Min(x(p.End), Width - Left)) / 2,
                y = top + High + 44 + i * Row;
            bool right = at > Width * 0.7;
            svg.Line(at, top + High - 12, at, y - 4, "leader")
                .Text(at + (right ? -6 : 6), y, $"{p.Asked.Name}, {Rough(p.Bytes)}", "fig", right ? "end" : "start");
        }
    }

    static void Partition(
        Svg svg,
        CardLayout layout,
        PlacedPartition p,
        double top,
        double from,
        double to,
        int index,
        bool grips
    )
    {
        double wide = Math.Max(3, to - from);
        bool wrong = p.End > layout.ReachableBytes || (p.IsFat && p.Fat is null) || Over(layout, p);
        svg.Rect(from, top + 4, wide, High - 8, $"partition {(wrong ? "wrong" : p.Asked.Start ? "starts" : "")}", 4);
        if (p is { Fat: { } fat, Files.Count: > 0 })
        {
            long taken = p.Files.Sum();
            double share(long bytes) => Math.Min(wide - 4, (wide - 4) * bytes / Math.Max(1, (double)p.Bytes));
            svg.Rect(from + 2, top + High - 18, share(taken), 11, "taken");
            svg.Rect(from + 2 + share(taken), top + High - 18, share(fat.WasteOf(p.Files)), 11, "waste");
        }
        if (wide > 40 && Stands(p, wide))
        {
            svg.Text(from + 8, top + 26, p.Asked.Name, "lab strong", "start");
            svg.Text(from + 8, top + 46, Rough(p.Bytes), "fig", "start");
            if (wide > 84)
                svg.Text(from + 8, top + 64, $"{Words<FileSystem>.Of(p.Fs)}{(p.Asked.Start ? ", start" : "")}", "side", "start");
        }
        if (grips && !p.Asked.Rest)
            svg.Grip(from + wide - Grip / 2, top, Grip, High, "grip", index, p.Start);
    }

    static bool Over(CardLayout layout, PlacedPartition p) =>
        layout.Lines.Any(l =>
            l.Kind == LineKind.Length && p.Bytes > l.Bytes || l.Kind == LineKind.Start && p.Asked.Start && p.End > l.Bytes
        );

    static void Hatch(Svg svg, double top, double from, double to)
    {
        svg.Rect(from, top, Math.Max(1, to - from), High, "beyond");
        for (double at = from - High; at < to; at += 14)
        {
            // Each stroke from below left to above right, cut at both ends.
            (double x1, double x2) = (Math.Max(at, from), Math.Min(at + High, to));
            if (x2 > x1)
                svg.Line(x1, top + High - (x1 - at), x2, top + High - (x2 - at), "hatch");
        }
    }

    /// <summary>Name and size stand in it whole.</summary>
    static bool Stands(PlacedPartition p, double wide) => Math.Max(p.Asked.Name.Length, Rough(p.Bytes).Length) * 9 + 12 <= wide;

    static string Size(long bytes) => new ByteSize((ulong)bytes).ToString();

    static string Rough(long bytes) => new ByteSize((ulong)bytes).ToRough(asOnTheBox: false);
}
