using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>
/// A number as manuals print it: <c>0x4000</c>, <c>$4000</c>, <c>4000h</c> say their base, <c>4000</c> does not. Source:
/// docs/handbook/paste.md, Numbers.
/// </summary>
/// <param name="Digits">Without mark and without what groups them.</param>
/// <param name="IsMarked">It says itself that it is hexadecimal.</param>
/// <param name="At">Where it begins on the line.</param>
/// <param name="Length">How many letters it takes there.</param>
/// <param name="IsDecimal">It is grouped as decimals alone are.</param>
internal readonly partial record struct PastedNumber(string Digits, bool IsMarked, int At, int Length, bool IsDecimal = false)
{
    /// <summary>Where the line goes on behind it.</summary>
    public int End => At + Length;

    /// <summary>It can be read in base ten.</summary>
    public bool HasDecimal => !IsMarked && Digits.All(char.IsAsciiDigit);

    /// <summary>It can only be hexadecimal: a letter, or a leading zero and four digits.</summary>
    public bool IsSurelyHex => !IsMarked && !IsDecimal && (!HasDecimal || (Digits.Length >= 4 && Digits[0] == '0'));

    /// <summary>Its value; null: it is no number of 64 bits in this base.</summary>
    /// <param name="hex">Unmarked numbers are hexadecimal.</param>
    public ulong? Value(bool hex) =>
        IsMarked || (hex && !IsDecimal)
            ? ulong.TryParse(Digits, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out ulong value)
                ? value
                : null
            : ulong.TryParse(Digits, NumberStyles.None, CultureInfo.InvariantCulture, out value)
                ? value
                : null;

    /// <summary>
    /// All that may be numbers on a line, from the left. Letters alone count too (<c>FFFF</c>, but also <c>bed</c>): whoever asks
    /// knows whether a number can stand there.
    /// </summary>
    public static IReadOnlyList<PastedNumber> On(string text)
    {
        var found = new List<PastedNumber>();
        for (int i = 0; i < text.Length; i++)
        {
            if (!CanBegin(text, i) || Number.Match(text, i) is not { Success: true } m)
                continue;
            i = m.Index + m.Length - 1;
            string digits =
                m.Groups["hex"].Value is { Length: > 0 } marked ? marked
                : m.Groups["h"].Value is { Length: > 0 } trailing ? trailing
                : m.Groups["plain"].Value;
            bool grouped = digits.Contains(',');
            digits = digits.Replace("_", "").Replace("'", "").Replace(",", "");
            found.Add(new PastedNumber(digits, m.Groups["plain"].Length == 0, m.Index, m.Length, grouped));
        }
        return found;
    }

    /// <summary>A number begins at no letter's or digit's side: told by hand, since a pattern would try every place.</summary>
    internal static bool CanBegin(string text, int at) =>
        (char.IsAsciiHexDigit(text[at]) || text[at] is '$' or '&' or '#')
        && (
            at == 0
            || !(char.IsLetterOrDigit(text[at - 1]) || text[at - 1] is '_' or '$' or '&' or '#' or '\'')
                && !(at > 1 && text[at - 1] == '.' && char.IsAsciiDigit(text[at - 2]))
        );

    static Regex Number =>
        field ??= new(
            """
            \G(?:
                (?:0[xX]|\$|&[hH]?|\#)(?<hex>[0-9A-Fa-f]+(?:[_'][0-9A-Fa-f]+)*)
                | (?<h>[0-9][0-9A-Fa-f]*(?:[_'][0-9A-Fa-f]+)*)[hH]
                | (?<plain>[0-9]{1,3}(?:,[0-9]{3})+ | [0-9A-Fa-f]+(?:[_'][0-9A-Fa-f]+)*)
            )(?![\w'])(?!\.[0-9])
            """,
            RegexOptions.IgnorePatternWhitespace
        );
}

/// <summary>A size as manuals print it: <c>16K</c>, <c>1.5 MB</c>, <c>256 bytes</c>. K is 1024.</summary>
/// <param name="Bytes">In bytes.</param>
/// <param name="At">Where it begins on the line.</param>
/// <param name="Length">How many letters it takes there.</param>
internal readonly partial record struct PastedSize(ulong Bytes, int At, int Length)
{
    /// <summary>All sizes on a line, from the left.</summary>
    public static IReadOnlyList<PastedSize> On(string text)
    {
        var found = new List<PastedSize>();
        for (int i = 0; i < text.Length; i++)
        {
            if (!char.IsAsciiDigit(text[i]) || !PastedNumber.CanBegin(text, i) || Size.Match(text, i) is not { Success: true } m)
                continue;
            i = m.Index + m.Length - 1;
            int shift = char.ToUpperInvariant(m.Groups["unit"].Value[0]) switch
            {
                'K' => 10,
                'M' => 20,
                'G' => 30,
                _ => 0,
            };
            string digits = m.Groups["number"].Value.Replace("_", "").Replace("'", "").Replace(",", "");
            if (
                decimal.TryParse(digits, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out decimal number)
                && number < 1_000_000_000_000
                && number * (1ul << shift) is var bytes
                && bytes == decimal.Truncate(bytes)
                && bytes <= ulong.MaxValue
            )
                found.Add(new PastedSize((ulong)bytes, m.Index, m.Length));
        }
        return found;
    }

    static Regex Size =>
        field ??= new(
            """
            \G(?<number>[0-9]{1,3}(?:,[0-9]{3})+|[0-9]+(?:[_'][0-9]+)*(?:\.[0-9]+)?)
            [ ]?-?(?<unit>K(?:i?B|bytes?)?|M(?:i?B|bytes?)?|G(?:i?B|bytes?)?|[Bb]ytes?|B
                |k(?:i?[bB]|bytes?)?|m(?:i?[bB]|bytes?)|g(?:i?[bB]|bytes?)|BYTES?|[KMG]BYTES?)(?!\w)
            """,
            RegexOptions.IgnorePatternWhitespace
        );
}
