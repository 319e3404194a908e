using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The sites of a unit as a row of sockets, and what sits on each, stacked as it sits: the board's own chip below or above it.
/// A part that is only planned is outlined; one that is in is filled.
/// </summary>
public static class Sites
{
    const double Wide = 132,
        Gap = 12,
        Layer = 34;

    public static IHtmlContent Draw(
        PlannedUnit unit,
        Func<Instance, bool> isIn,
        int perRow = 3,
        IReadOnlyList<PassportLine>? devices = null
    )
    {
        ILookup<string, PassportLine> inSockets = (devices ?? []).ToLookup(d => d.Place);
        Site[] sites = [.. unit.Sites];
        int rows = Math.Max(1, (sites.Length + perRow - 1) / perRow);
        int tallest = sites
            .Select(s => unit.Instances.Count(i => i.Occupied.Any(o => o.Site == s.Id)) + (s.Kind == "socket" ? 1 : 0))
            .DefaultIfEmpty(1)
            .Max();
        tallest += inSockets.Any(d => d.Any(l => l.State == "planned")) ? 1 : 0;
        double rowHeight = 52 + (Layer - 6) * Math.Max(1, tallest),
            width = perRow * (Wide + Gap) + Gap;
        Svg svg = Svg.Begin(width, rows * rowHeight + 8, "sites", "img", Words(unit, sites, isIn, inSockets));
        foreach ((int i, Site site) in sites.Index())
        {
            double x = Gap + i % perRow * (Wide + Gap),
                floor = (i / perRow + 1) * rowHeight - 34;
            svg.Rect(x, floor, Wide, 9, "socket", 2);
            for (double leg = x + 8; leg < x + Wide - 4; leg += 13)
                svg.Line(leg, floor + 9, leg, floor + 14, "leg");
            svg.Text(x + Wide / 2, floor + 30, $"{IdText.Plain(site.Id)}{(site.Package is { } p ? $", {p}" : "")}", "lab side");
            Stack(svg, unit, site, isIn, inSockets[site.Id].FirstOrDefault(), x, floor);
        }
        return svg.End();
    }

    static void Stack(
        Svg svg,
        PlannedUnit unit,
        Site site,
        Func<Instance, bool> isIn,
        PassportLine? device,
        double x,
        double floor
    )
    {
        double y = floor;
        var on = unit
            .Instances.SelectMany(i => i.Occupied.Where(o => o.Site == site.Id).Select(o => (Instance: i, o.Mode)))
            .ToList();
        bool chip = site.Kind == "socket" && on.All(o => o.Mode != SiteMode.In),
            under = on.All(o => o.Mode != SiteMode.Between);
        // A device that was burnt for the socket sits there in the place of its own chip, or will.
        bool fitted = device?.State == "fitted";
        string own = fitted ? device!.Label : "its own chip",
            look = fitted ? "in" : "own";
        if (chip && under)
            Lay(svg, own, look, x, ref y);
        foreach (var (instance, _) in on)
            Lay(svg, instance.Title.Split(' ')[0], isIn(instance) ? "in" : "planned", x, ref y);
        if (chip && !under)
            Lay(svg, own, look, x, ref y);
        if (device is { State: "planned" })
            Lay(svg, device.Label, "planned", x, ref y);
        if (y == floor)
            svg.Text(x + Wide / 2, floor - 10, "empty", "lab side");
    }

    static void Lay(Svg svg, string name, string look, double x, ref double y)
    {
        y -= Layer - 6;
        svg.Rect(x + 4, y, Wide - 8, Layer - 8, $"layer {look}", 3).Text(x + Wide / 2, y + 18, name, "lab strong");
    }

    static string Words(PlannedUnit unit, Site[] sites, Func<Instance, bool> isIn, ILookup<string, PassportLine> devices) =>
        sites.Length == 0
            ? "The sheet names no sites"
            : string.Join(
                "; ",
                sites.Select(site =>
                {
                    string[] on =
                    [
                        .. unit
                            .Instances.Where(i => i.Occupied.Any(o => o.Site == site.Id))
                            .Select(i => $"{i.Title} ({(isIn(i) ? "fitted" : "planned")})"),
                        .. devices[site.Id].Select(d => $"{d.Label} ({d.State})"),
                    ];
                    return $"{IdText.Plain(site.Id)}: {(on.Length == 0 ? "as built" : string.Join(", ", on))}";
                })
            );
}
