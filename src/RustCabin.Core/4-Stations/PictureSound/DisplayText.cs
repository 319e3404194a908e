using System.Globalization;
using System.Text.RegularExpressions;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.PictureSound;

/// <summary>A display as it is typed and kept in the cupboard: <c>15-70 kHz, 48-75 Hz, 1280x1024, no interlace</c>.</summary>
public static class DisplayText
{
    const string Range = @"([0-9.]{1,9})\s*-\s*([0-9.]{1,9})\s*",
        Rates = "^" + Range + @"kHz,\s*" + Range + "Hz",
        PanelAndMore = @"(?:,\s*([0-9]{1,5})\s*x\s*([0-9]{1,5}))?(,\s*no interlace)?$";

    static Regex Form => field ??= new(Rates + PanelAndMore);

    /// <summary>Reads one; null: it does not read as one.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="text">What it locks onto.</param>
    public static Display? Parse(string name, string text)
    {
        if (Form.Match(text.Trim()) is not { Success: true } found)
            return null;
        var numbers = new decimal[4];
        for (int i = 0; i < 4; i++)
            if (
                !decimal.TryParse(found.Groups[i + 1].Value, CultureInfo.InvariantCulture, out numbers[i])
                || numbers[i] is <= 0 or > 10_000
            )
                return null;
        int[] panel = found.Groups[5].Success
            ?
            [
                int.Parse(found.Groups[5].Value, CultureInfo.InvariantCulture),
                int.Parse(found.Groups[6].Value, CultureInfo.InvariantCulture),
            ]
            : [];
        return numbers[0] > numbers[1] || numbers[2] > numbers[3] || panel.Any(p => p is 0 or > 32_768)
            ? null
            : new Display
            {
                Id = name.Length > 0 ? name : null,
                LineKHz = [numbers[0], numbers[1]],
                FieldHz = [numbers[2], numbers[3]],
                Panel = panel,
                Interlace = !found.Groups[7].Success,
            };
    }

    /// <summary>As it is typed.</summary>
    public static string Of(Display display) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{display.LineKHz[0]}-{display.LineKHz[1]} kHz, {display.FieldHz[0]}-{display.FieldHz[1]} Hz"
        )
        + (display.Panel.Count == 2 ? $", {display.Panel[0]}x{display.Panel[1]}" : "")
        + (display.Interlace ? "" : ", no interlace");
}
