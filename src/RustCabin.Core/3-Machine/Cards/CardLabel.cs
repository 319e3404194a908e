using System.Globalization;

namespace RustCabin.Core.Cards;

/// <summary>
/// The size of a card as its label says: decimal, and not quite kept. Source: docs/handbook/storage.md, Card size.
/// </summary>
/// <param name="Text">As it stands on the label.</param>
/// <param name="Bytes">The bytes that it promises.</param>
public sealed record CardLabel(string Text, decimal Bytes)
{
    /// <summary>No card is larger, in bytes: 2 TiB.</summary>
    public const long Largest = 1L << 41;

    /// <summary>Alignment of partitions, and of what is planned on: 1 MiB.</summary>
    public const long MiB = 1 << 20;

    const decimal Kept = 0.97m;

    /// <summary>What is planned on: 97 % of the label, rounded down to 1 MiB.</summary>
    public long UsableBytes => (long)(Bytes * Kept) / MiB * MiB;

    /// <summary>
    /// A number with a point for its fraction. Labels print <c>4,096</c> for thousands, and <c>1,5</c> for one and a half.
    /// </summary>
    static string Plain(string number) =>
        number.Split(',') is [var first, .. var rest]
        && rest.Length > 0
        && first is not ("" or "0")
        && rest.All(r => r.Length == 3 && r.All(char.IsAsciiDigit))
            ? string.Concat([first, .. rest])
            : number.Replace(',', '.');

    static decimal UnitOf(string ending) =>
        ending switch
        {
            "TB" => 1e12m,
            "GB" => 1e9m,
            "MB" => 1e6m,
            _ => 0,
        };

    /// <summary>Reads a label such as <c>32 GB</c> or <c>512MB</c>; null, with why, when it does not read as one.</summary>
    public static CardLabel? Parse(string text, out string wrong)
    {
        wrong = "";
        string label = text.Trim().ToUpperInvariant();
        decimal unit = label.Length < 2 ? 0 : UnitOf(label[^2..]);
        if (unit == 0)
        {
            wrong = $"\"{text}\" has neither MB, GB nor TB";
            return null;
        }
        if (
            !decimal.TryParse(
                Plain(label[..^2].Trim()),
                NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out decimal count
            )
            || count > Largest
        )
            wrong = $"\"{text}\" is not a size as labels print it, such as 32 GB";
        else if (count * unit > Largest)
            wrong = "a card has up to 2 TiB";
        else if (new CardLabel(text, count * unit).UsableBytes < 2 * MiB)
            wrong = "a card has 3 MB at least";
        return wrong.Length > 0 ? null : new CardLabel(text.Trim(), count * unit);
    }
}
