using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The address ladder: addresses run upward, one column for each bus master. RAM is filled, a bank window hatched, I/O
/// outlined; a contested range is split by a saw-tooth edge. Each rung that holds something is a link that zooms to it.
/// </summary>
public static class Ladder
{
    const double Left = 92,
        Right = 88,
        Top = 30,
        Bottom = 14;

    /// <param name="unit">Whose map is drawn.</param>
    /// <param name="view">The part of the space that is shown.</param>
    /// <param name="zoomTo">The address of the page that shows one range.</param>
    /// <param name="sizes">How sizes are written.</param>
    public static IHtmlContent Draw(PlannedUnit unit, AddressRange view, Func<AddressRange, string> zoomTo, Preferences sizes)
    {
        ResolvedMap map = unit.Map;
        IReadOnlyList<LadderRow> rows = LadderRow.Of(map, view, 560);
        double column = Math.Max(80, 160.0 / map.Masters.Count),
            width = Left + column * map.Masters.Count + Right;
        double height = Top + rows.Sum(r => r.Height) + Bottom;
        Svg svg = Svg.Begin(
            width,
            height,
            "ladder",
            "group",
            $"Address ladder of {unit.Unit.Name}, {view.ToScreen(map.AddressBits)}"
        );
        foreach ((int index, string master) in map.Masters.Index())
            svg.Text(Left + column * (index + 0.5), 16, Short(MasterWords.Of(master), column), "lab strong");

        for (int i = 0; i <= map.Masters.Count; i++)
            svg.Line(Left + column * i, Top - 4, Left + column * i, height - Bottom, "stile");
        double y = Top;
        svg.Text(Left - 8, y + 4, view.To.ToScreen(map.AddressBits), "adr", "end");
        foreach (LadderRow row in rows)
        {
            if (row.IsGap)
                DrawGap(svg, row, y, column, map.Masters.Count, sizes);
            else
                DrawRow(svg, unit, row, y, column, zoomTo, sizes);
            y += row.Height;
            svg.Line(Left, y, width - Right, y, "rung");
            svg.Text(Left - 8, y + 4, row.Range.From.ToScreen(map.AddressBits), "adr", "end");
        }
        return svg.End();
    }

    static void DrawGap(Svg svg, LadderRow row, double y, double column, int masters, Preferences sizes)
    {
        for (int i = 0; i < masters; i++)
            svg.Line(Left + column * (i + 0.5), y + 6, Left + column * (i + 0.5), y + row.Height - 6, "dots");
        svg.Text(
            Left + column * masters + 8,
            y + row.Height / 2 + 4,
            $"free, {sizes.Rough(row.Range.Size)}",
            "lab side",
            "start"
        );
    }

    static void DrawRow(
        Svg svg,
        PlannedUnit unit,
        LadderRow row,
        double y,
        double column,
        Func<AddressRange, string> zoomTo,
        Preferences sizes
    )
    {
        string[] owners = [.. row.Claims.Select(a => OwnerShort(unit, unit.Map.Claims[a.Claim].Owner)).Distinct()];
        (double X, DecodedClaim[] Here, bool Contested)[] cells =
        [
            .. from master in Enumerable.Range(0, unit.Map.Masters.Count)
            let here = row.Claims.Where(a => (a.Masters >> master & 1) != 0).Select(a => unit.Map.Claims[a.Claim]).ToArray()
            where here.Length > 0
            select (Left + column * master, here, row.Fight is { } fight && (fight.Masters >> master & 1) != 0),
        ];

        svg.Link(
            zoomTo(row.Range),
            $"{string.Join(" and ", owners)}, {row.Range.ToScreen(unit.Map.AddressBits)}, "
                + $"{row.Range.Size}{(row.Fight is null ? "" : ", contested")}: zoom in"
        );
        foreach ((double x, DecodedClaim[] here, bool contested) in cells)
            if (contested)
                DrawContested(svg, here, x + 4, y + 1, column - 8, row.Height - 2);
            else
                svg.Rect(x + 4, y + 1, column - 8, row.Height - 2, $"cell {Look(here[0])}");
        svg.Unlink();

        foreach ((double x, DecodedClaim[] here, bool contested) in cells)
            if (!contested)
                Label(svg, unit, here[0], row, x + 4, y + 1, column - 8, sizes);
        for (int master = 0; master + 1 < unit.Map.Masters.Count; master++)
            if (row.Claims.Any(a => (a.Masters >> master & 3) == 3))
                svg.Line(
                    Left + column * (master + 1) - 4,
                    y + row.Height / 2,
                    Left + column * (master + 1) + 4,
                    y + row.Height / 2,
                    "share"
                );

        double side = Left + column * unit.Map.Masters.Count + 8;
        if (row.Fight is not null)
            SideNote(svg, row, y, side, [.. owners.Take(2), sizes.Size(row.Range.Size)], "lab side stop");
        else if (owners.Length > 1)
            SideNote(svg, row, y, side, owners[1..], "lab side");
    }

    static void Label(
        Svg svg,
        PlannedUnit unit,
        DecodedClaim claim,
        LadderRow row,
        double x,
        double y,
        double width,
        Preferences sizes
    )
    {
        string name = Short(OwnerShort(unit, claim.Owner), width),
            size = SizeOf(claim, row.Range.Size, sizes);
        string ink = Look(claim) is "ram" or "rom" ? "on-cell" : "";
        double middle = x + width / 2,
            centre = y + row.Height / 2;
        // A size wider than its cell is said by its banks alone; the table has both.
        if (size.Length * 7.9 > width && size.Contains(" x ", StringComparison.Ordinal))
            size = $"{size[..size.IndexOf(' ')]} banks";
        if (row.Height >= 38)
            svg.Text(middle, centre - 4, name, $"lab strong {ink}").Text(middle, centre + 12, size, $"fig {ink}");
        else
            svg.Text(middle, centre + 4, Short($"{name}, {size}", width), $"lab small {ink}");
    }

    /// <summary>
    /// The size of the range; for a window its banks too; where touching mirrors make one range, the claim's own and how often it
    /// shows.
    /// </summary>
    static string SizeOf(DecodedClaim claim, ByteSize range, Preferences sizes) =>
        claim.Window is { } window ? $"{window.Banks} x {sizes.Size(new ByteSize(claim.Size))}"
        : range.Bytes > claim.Size ? $"{sizes.Size(new ByteSize(claim.Size))}, {range.Bytes / claim.Size} times"
        : sizes.Size(range);

    /// <summary>Two halves that bite into each other, one for each of the first two claims.</summary>
    static void DrawContested(Svg svg, DecodedClaim[] here, double x, double y, double width, double height)
    {
        svg.Rect(x, y, width / 2, height, $"cell {Look(here[0])} bare")
            .Rect(x + width / 2, y, width / 2, height, $"cell {Look(here[^1])} bare");
        int teeth = Math.Max(2, (int)(height / 12));
        double step = height / (teeth * 2);
        string edge = string.Concat(Enumerable.Range(0, teeth).Select(_ => $"l9 {Svg.N(step)}l-9 {Svg.N(step)}"));
        svg.Path($"M{Svg.N(x + width / 2 - 4.5)} {Svg.N(y)}{edge}", "saw").Rect(x, y, width, height, "contested");
    }

    static void SideNote(Svg svg, LadderRow row, double y, double x, string[] names, string cssClass)
    {
        double line = y + row.Height / 2 + 4 - (names.Length - 1) * 8;
        foreach ((int index, string name) in names.Take(3).Index())
            svg.Text(
                x,
                line + index * 16,
                Short(
                    index == 0 && names.Length > 1 && cssClass.EndsWith("stop", StringComparison.Ordinal) ? $"{name} and" : name,
                    Right
                ),
                cssClass,
                "start"
            );
    }

    /// <summary>The class that a claim's cell is drawn in, here and on the shelf's strip.</summary>
    public static string Look(DecodedClaim claim) =>
        claim switch
        {
            { Window: not null } => "banked",
            { Kind: ClaimKind.Ram } => "ram",
            { Kind: ClaimKind.Rom } => "rom",
            _ => "io",
        };

    /// <summary>The claim's own name on the model, or the first word of the part's name.</summary>
    public static string OwnerShort(PlannedUnit unit, ClaimName owner) =>
        owner.Instance is null ? IdText.Plain(owner.Id) : unit.OwnerName(owner).Split(' ')[0];

    /// <summary>Cut to what fits, about 7.6 units a letter; the whole stands in the link's name and in the table.</summary>
    static string Short(string text, double width) => InRoom.Cut(text, (int)(width / 7.4));
}
