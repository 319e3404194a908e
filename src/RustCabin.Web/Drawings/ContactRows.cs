using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>Rows of contacts with their nets, one under the other, and what goes from each to the next; what is moved stands
/// out.</summary>
public static class ContactRows
{
    const double Step = 62,
        Row = 40,
        Gap = 54,
        Left = 120;

    /// <param name="rows">Each connector: its name and the net of each contact.</param>
    /// <param name="joins">Between each row and the next: for each contact of the lower one that of the upper, from 1; 0:
    /// none.</param>
    public static IHtmlContent Draw(
        IReadOnlyList<(string Name, IReadOnlyList<string> Nets)> rows,
        IReadOnlyList<IReadOnlyList<int>> joins
    )
    {
        int contacts = rows.Max(r => r.Nets.Count);
        string said = string.Join("; ", rows.Select(r => $"{r.Name}: {string.Join(' ', r.Nets)}"));
        Svg svg = Svg.Begin(
            Left + contacts * Step + 10,
            rows.Count * Row + (rows.Count - 1) * Gap + 8,
            "contact-rows",
            "img",
            said
        );
        double x(int contact) => Left + (contact - 0.5) * Step;
        for (int row = 0; row < rows.Count; row++)
        {
            double y = 4 + row * (Row + Gap);
            svg.Text(Left - 12, y + Row / 2 + 5, rows[row].Name, "fig", "end");
            foreach ((int i, string net) in rows[row].Nets.Index())
            {
                svg.Rect(x(i + 1) - Step / 2 + 3, y, Step - 6, Row, net == "n" ? "contact open" : "contact", 6);
                svg.Text(x(i + 1), y + 16, $"{i + 1}", "fig tiny").Text(x(i + 1), y + 33, net, "fig net");
            }
            if (row + 1 >= rows.Count)
                continue;
            foreach ((int i, int from) in joins[row].Index().Where(j => j.Item > 0))
                svg.Path(
                    Svg.Through(x(from), y + Row, x(i + 1), y + Row + Gap),
                    from == i + 1 ? "cable-wire" : "cable-wire moved"
                );
        }
        return svg.End();
    }
}
