using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A bank window with its banks fanned out behind it, and the register that turns them, under whatever else answers at its
/// address.
/// </summary>
public static class BankFan
{
    public static IHtmlContent Draw(PlannedUnit unit, DecodedClaim window, Preferences sizes)
    {
        int banks = window.Window!.Banks,
            shown = Math.Min(banks, 16),
            bits = unit.Map.AddressBits;
        bool sockets = window.Window.Pages.Count > 0;
        double tall = Math.Max(150, shown * (sockets ? 19 : 15) + 30);
        string range = new AddressRange(new Address(window.Base), new Address(window.Base + window.Size - 1)).ToScreen(bits);
        Svg svg = Svg.Begin(
            360,
            tall + 66,
            "fan",
            "img",
            $"{banks} banks of {new ByteSize(window.Size)} behind {range}"
                + string.Concat(
                    window.Window.Pages.Select(p =>
                        $", bank {p.Bank} {IdText.Plain(p.Site)}{(In(unit, p) is { } device ? $" with a {device}" : "")}"
                    )
                )
        );
        double middle = tall / 2;
        svg.Rect(4, middle - 34, 128, 68, "cell banked", 2)
            .Text(68, middle - 6, Ladder.OwnerShort(unit, window.Owner), "lab strong")
            .Text(68, middle + 14, sizes.Size(new ByteSize(window.Size)), "fig");
        svg.Text(4, middle + 54, range, "adr", "start");
        for (int i = 0; i < shown; i++)
        {
            double y = 10 + i * ((tall - 20) / shown),
                x = 208 + i % 2 * 6,
                high = sockets ? 16 : 12;
            BankPage? page = window.Window.Pages.FirstOrDefault(p => p.Bank == i);
            string kind = window.Kind == ClaimKind.Rom ? "rom" : "ram";
            svg.Line(132, middle, x, y + 6, i == 0 ? "way done" : "fan-line")
                .Rect(
                    x,
                    y,
                    108,
                    high,
                    sockets ? SocketLook(unit, page, kind)
                        : i == 0 ? "cell ram"
                        : "cell ram pale",
                    2
                );
            if (page is not null)
                svg.Text(x + 54, y + 12.5, $"{IdText.Plain(page.Site)} {In(unit, page)}".TrimEnd(), "fig on-plank");
            else if (sockets)
                svg.Text(x + 54, y + 12.5, "no socket", "fig");
            svg.Text(x + 114, y + 11, i == shown - 1 && shown < banks ? $"to {banks - 1}" : $"{i}", "fig", "start");
        }
        Register(svg, unit, window, tall);
        return svg.End();
    }

    static string SocketLook(PlannedUnit unit, BankPage? page, string kind)
    {
        if (page is null)
            return "cell io";
        return In(unit, page) is null ? $"cell {kind} pale" : $"cell {kind}";
    }

    /// <summary>Under the banks: the register that turns them, and what answers a read in its place.</summary>
    static void Register(Svg svg, PlannedUnit unit, DecodedClaim window, double tall)
    {
        DecodedClaim? at = unit.Claims.FirstOrDefault(c => c.Owner == window.RegisterOwner);
        string words = at is null
            ? $"register {window.Window!.Register}: not there with these switches"
            : $"register {AddressRange.Of(at.Base, at.Size).ToScreen(unit.Map.AddressBits)}"
                + $"{(at.Reads ? "" : ", takes writes only")}";
        svg.Text(4, tall + 24, words, "lab", "start");
        string[] under = at is null
            ? []
            :
            [
                .. unit
                    .Claims.Where(c => c != at && c.Base <= at.Base && at.Base < c.Base + c.Size && c.Reads)
                    .Select(c => unit.OwnerName(c.Owner)),
            ];
        if (under.Length > 0)
            svg.Text(4, tall + 42, $"a read there gives {string.Join(" and ", under)};", "lab side", "start")
                .Text(4, tall + 59, "a write there turns the banks", "lab side", "start");
    }

    /// <summary>The device that the job plans for the socket behind a bank; null: none.</summary>
    static string? In(PlannedUnit unit, BankPage page) => unit.Job?.Roms.FirstOrDefault(r => r.Site == page.Site)?.Device;
}
