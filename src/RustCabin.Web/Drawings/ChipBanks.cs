using Microsoft.AspNetCore.Html;
using RustCabin.Core.Chips;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>
/// Banks as rows of chips, each drawn as often as it is there; parity chips stand apart; an empty bank is outlined.
/// </summary>
public static class ChipBanks
{
    const double Chip = 21,
        Gap = 4,
        Row = 34,
        Left = 20;

    public static IHtmlContent Draw(IReadOnlyList<ChipType?> banks, IReadOnlyList<MemoryArray> arrays)
    {
        int widest = banks.Select((type, i) => Count(type, arrays[Math.Min(i, arrays.Count - 1)])).DefaultIfEmpty(1).Max();
        double width = Left + Math.Max(4, widest) * (Chip + Gap) + 24 + 96;
        Svg svg = Svg.Begin(
            width,
            banks.Count * Row + 4,
            "chip-banks",
            "img",
            string.Join(
                "; ",
                banks.Select((t, i) => $"bank {i}: {(t is null ? "empty" : $"{Count(t, arrays[i])} x {t.Organisation}")}")
            )
        );
        foreach ((int i, ChipType? type) in banks.Index())
        {
            double y = 2 + i * Row;
            svg.Text(6, y + 20, $"{i}", "fig");
            if (type is null)
            {
                svg.Rect(Left, y, Math.Max(4, widest) * (Chip + Gap), Row - 6, "bank-empty", 3)
                    .Text(Left + 10, y + 20, "empty", "lab side", "start");
                continue;
            }
            var bank = new BankOfChips(type, arrays[i].DataBits, arrays[i].ParityBits);
            int data = new BankOfChips(type, arrays[i].DataBits, 0).Chips;
            for (int c = 0; c < bank.Chips; c++)
            {
                double x = Left + c * (Chip + Gap) + (c >= data ? 8 : 0);
                svg.Rect(x, y, Chip, Row - 6, c >= data ? "chip parity" : "chip", 3)
                    .Path($"M{Svg.N(x + Chip / 2 - 4)} {Svg.N(y)}a4 4 0 0 0 8 0", "chip-notch");
            }
            svg.Text(Left + bank.Chips * (Chip + Gap) + 12, y + 20, $"{bank.Chips} x {type.Organisation}", "fig", "start");
        }
        return svg.End();
    }

    static int Count(ChipType? type, MemoryArray array) =>
        type is null ? 0 : new BankOfChips(type, array.DataBits, array.ParityBits).Chips;
}
