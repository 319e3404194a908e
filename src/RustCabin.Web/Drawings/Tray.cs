using Microsoft.AspNetCore.Html;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A tray with a compartment for every piece that comes out, row by row as the case is opened, at its true size in millimetres:
/// the screws are laid on the paper.
/// </summary>
public static class Tray
{
    /// <summary>Millimetres of a sheet of A4 within its margins.</summary>
    public const double Wide = 180,
        Most = 260;

    const double Row = 34,
        Head = 7;

    /// <summary>The pieces of a ledger on paper.</summary>
    public static IHtmlContent Draw(IReadOnlyList<LedgerPiece> pieces)
    {
        (string Level, LedgerPiece[] Pieces)[] rows =
        [
            .. pieces
                .GroupBy(p => p.Level.Id)
                .SelectMany(level => level.Chunk(4).Select(chunk => (IdText.Capital(IdText.Plain(level.Key)), chunk))),
        ];
        double high = Math.Min(Most, rows.Length * (Row + Head) + 2);
        Svg svg = Svg.Begin(
            Wide,
            high,
            "tray-drawing",
            "img",
            string.Join("; ", pieces.Select(p => $"{p.Words}, {p.Where}, {p.Level.Id}{(p.IsBack ? ", back" : "")}"))
        );
        foreach ((int i, (string level, LedgerPiece[] row)) in rows.Index())
        {
            double y = i * (Row + Head) + Head;
            svg.Text(1, y - 1.5, level, "tray-level", "start");
            double wide = (Wide - 2) / row.Length;
            foreach ((int k, LedgerPiece piece) in row.Index())
            {
                double x = 1 + k * wide;
                svg.Rect(x, y, wide - 2, Row - 2, $"compartment{(piece.IsAccounted ? " done" : "")}", 2);
                svg.Text(x + 3, y + 6, piece.Words, "tray-what", "start");
                svg.Text(x + 3, y + 11, InRoom.Cut(piece.Where, (int)(wide / 1.6)), "tray-where", "start");
                Shapes(svg, piece, x + 4, y + 15, wide - 10);
                if (piece.IsBack)
                    svg.Text(x + wide - 6, y + Row - 5, "✓", "tray-what", "end");
            }
        }
        return svg.End();
    }

    /// <summary>A ring for each, as many as go in, the last with what is left.</summary>
    static void Shapes(Svg svg, LedgerPiece piece, double x, double y, double wide)
    {
        int across = Math.Max(1, (int)(wide / 7)),
            shown = Math.Min(piece.Count, across * 2);
        for (int i = 0; i < shown; i++)
            svg.Circle(x + 2 + i % across * 7, y + 3 + i / across * 7, 2.4, "hole-for");
    }
}
