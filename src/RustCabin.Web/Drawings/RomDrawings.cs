using Microsoft.AspNetCore.Html;
using RustCabin.Core.Rom;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Drawings;

/// <summary>An image as a strip of what its pieces are, a device over its socket, and where a dump differs.</summary>
public static class RomDrawings
{
    const double Wide = 360;

    public static IHtmlContent Strip(ReadOnlySpan<byte> image)
    {
        IReadOnlyList<StripPiece> strip = ImageStrip.Of(image);
        Svg svg = Svg.Begin(Wide, 60, "rom-strip", "img", string.Join(", ", strip.Select(p => $"{Word(p.Kind)} from 0x{p.From:x}, {new Core.Units.ByteSize((ulong)p.Length)}")));
        foreach (StripPiece piece in strip)
        {
            double x = 2 + (double)piece.From / image.Length * (Wide - 4), wide = (double)piece.Length / image.Length * (Wide - 4);
            svg.Rect(x, 6, Math.Max(1, wide), 30, $"strip-piece {piece.Kind.ToString().ToLowerInvariant()}");
            if (wide > 44) svg.Text(x + wide / 2, 26, Word(piece.Kind), "lab on-plank");
        }
        svg.Text(2, 54, "0x0", "fig", "start").Text(Wide - 2, 54, $"0x{image.Length - 1:x}", "fig", "end");
        return svg.End();
    }

    static string Word(PieceKind kind) => kind switch { PieceKind.Blank => "blank", PieceKind.Zero => "zeros", PieceKind.Text => "text", PieceKind.Repeat => "repeat", _ => "code" };

    /// <summary>The device with what becomes of each leg: lifted ones marked, and the wire or tie beside the net.</summary>
    public static IHtmlContent Wired(RomDevice device, RomWiring wiring, bool above)
    {
        string[] nets = [.. device.Pins.Select((net, i) => wiring.Links.FirstOrDefault(l => l.DevicePin == i + 1) is { } link ? $"{net} \u2190 {link.SocketPin}" : wiring.Ties.FirstOrDefault(t => t.Pin == i + 1) is { } tie ? $"{(net.Contains('+') ? net[..net.IndexOf('+')] : net)} = {tie.To}" : net)];
        return PinOutline.Draw($"DIP-{device.Pins.Count}", nets, above ? View.Above : View.Below,
            pin => wiring.Lift.Contains(pin) ? "lifted" : wiring.Links.Any(l => l.DevicePin == pin) || wiring.Ties.Any(t => t.Pin == pin) ? "wired" : "", words: 112);
    }

    /// <summary>Where a dump differs: a cell for each piece, the fuller the more of it is wrong.</summary>
    public static IHtmlContent Differences(Compared compared)
    {
        Svg svg = Svg.Begin(Wide, 40, "difference-map", "img", compared.Cause == Difference.Equal ? "No difference" : $"{compared.WrongBytes:#,0} bytes differ, the first at 0x{compared.FirstWrong:x}");
        double cell = (Wide - 4) / compared.Map.Count;
        foreach ((int i, double share) in compared.Map.Index())
        {
            svg.Rect(2 + i * cell, 4, cell - 1, 30, "diff-bed");
            if (share > 0) svg.Rect(2 + i * cell, 34 - Math.Max(2, share * 30), cell - 1, Math.Max(2, share * 30), "diff-wrong");
        }
        return svg.End();
    }
}
