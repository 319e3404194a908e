using Microsoft.AspNetCore.Html;
using RustCabin.Core.Chips;
using RustCabin.Core.Rom;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A device over its socket: each contact with its net outside, each leg with its own inside, legs that are lifted bent away,
/// wires from contact to leg, ties beside the leg.
/// </summary>
public static class DeviceOverSocket
{
    const double Pitch = 19,
        Nets = 42,
        Pad = 9,
        Channel = 62,
        Body = 112,
        Top = 8;

    public static IHtmlContent Draw(RomDevice device, IReadOnlyList<string> socket, RomWiring wiring, View view)
    {
        if (!ChipOutline.TryParse($"DIP-{socket.Count}", out ChipOutline outline))
            return HtmlString.Empty;
        int ahead = (socket.Count - device.Pins.Count) / 2,
            rows = socket.Count / 2;
        const double Left = Nets + Pad + Channel,
            Wide = 2 * Left + Body;
        double bodyTop = Top + ahead * Pitch + (ahead > 0 ? Pitch / 2 : 0),
            end = Top + (rows + 1) * Pitch,
            middle = Wide / 2;
        Svg svg = Svg.Begin(Wide, Top * 2 + (rows + 1) * Pitch, "outline over-socket", "img", Said(device, socket, wiring, view));
        svg.Rect(Nets, Top, Wide - 2 * Nets, (rows + 1) * Pitch, "socket-bed", 4);
        svg.Rect(Left, bodyTop, Body, end - bodyTop, "chip-body", 6);
        svg.Circle(view == View.Above ? middle - 8 : middle + 8, bodyTop + 10, 4, "chip-mark");

        var place = new Dictionary<int, (double Y, int Way)>();
        foreach (PinSide side in new[] { PinSide.Left, PinSide.Right })
        foreach ((int i, int contact) in outline.Side(side, view).Index())
            place[contact] = (Top + (i + 1) * Pitch, side == PinSide.Left ? -1 : 1);
        // Wires lie under the words, so that both can be read.
        foreach (WireLink link in wiring.Links)
        {
            (double fromY, int fromWay) = place[link.SocketPin];
            (double toY, int toWay) = place[link.DevicePin + ahead];
            double from = middle + fromWay * (Body / 2 + Channel),
                to = middle + toWay * (Body / 2 + 11);
            double lane = middle + fromWay * (Body / 2 + Channel - 6);
            svg.Path(
                fromWay == toWay
                    ? Svg.Through(from, fromY, lane, fromY, lane, toY, to, toY)
                    : Svg.Through(from, fromY, lane, fromY, to, toY),
                "socket-wire"
            );
        }
        foreach ((int contact, (double y, int way)) in place.OrderBy(p => p.Key))
            Row(svg, device, socket, wiring, contact, contact - ahead, y, way);
        return svg.End();
    }

    static void Row(
        Svg svg,
        RomDevice device,
        IReadOnlyList<string> socket,
        RomWiring wiring,
        int contact,
        int pin,
        double y,
        int way
    )
    {
        const double Edge = Body / 2,
            Out = Edge + Channel;
        double middle = Nets + Pad + Channel + Body / 2,
            edge = middle + way * Edge,
            pad = middle + way * Out;
        string end = way < 0 ? "end" : "start",
            start = way < 0 ? "start" : "end",
            own = pin >= 1 && pin <= device.Pins.Count ? device.Pins[pin - 1] : "";
        bool lifted = wiring.Lift.Contains(pin);
        PinTie? tie = wiring.Ties.FirstOrDefault(t => t.Pin == pin);
        bool linked = wiring.Links.Any(l => l.DevicePin == pin),
            feeds = wiring.Links.Any(l => l.SocketPin == contact);
        svg.Rect(
            way < 0 ? pad - Pad : pad,
            y - 4,
            Pad,
            8,
            feeds ? "contact feeds"
                : own.Length == 0 || lifted || socket[contact - 1] == RustCabin.Core.Chips.Nets.None ? "contact bare"
                : "contact",
            1
        );
        svg.Text(pad + way * (Pad + 3), y + 4.5, Short(socket[contact - 1]), feeds ? "fig wired" : "fig", end);
        if (own.Length == 0)
            return;
        string mark = linked || tie is not null ? "wired" : "";
        if (!lifted && tie is null && !linked)
            svg.Line(edge, y, pad, y, "chip-leg");
        else
            svg.Path(
                Svg.Through(edge, y, edge + way * 6, y, edge + way * 10, y - 6),
                $"chip-leg {(lifted ? "lifted" : "wired")}"
            );
        if (tie is not null)
            svg.Text(edge + way * 13, y + 4.5, tie.To, "fig wired tied", way < 0 ? "end" : "start");
        svg.Text(edge - way * 4, y + 4.5, $"{pin}", "pin-number", start)
            .Text(edge - way * 22, y + 4.5, Short(own), $"fig {mark}", start);
    }

    /// <summary>A net that carries several signals is told by its first.</summary>
    static string Short(string net) => net.IndexOf('+') is > 0 and var plus ? net[..plus] : net;

    static string Said(RomDevice device, IReadOnlyList<string> socket, RomWiring wiring, View view) =>
        $"{device.Name} in its socket of {socket.Count} contacts from {view.ToString().ToLowerInvariant()}: "
        + string.Join(", ", device.Pins.Select((net, i) => SaidOf(i + 1, net, wiring)));

    static string SaidOf(int leg, string net, RomWiring wiring)
    {
        if (wiring.Links.FirstOrDefault(l => l.DevicePin == leg) is { } link)
            return $"leg {leg} {net} wired to contact {link.SocketPin}";
        if (wiring.Ties.FirstOrDefault(t => t.Pin == leg) is { } tie)
            return $"leg {leg} {net} tied to {tie.To}";
        return wiring.Lift.Contains(leg) ? $"leg {leg} {net} lifted" : $"{leg} {net}";
    }
}
