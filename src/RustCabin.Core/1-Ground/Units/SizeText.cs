using System.Globalization;

namespace RustCabin.Core.Units;

/// <summary>
/// The grammar that addresses and sizes share in packs: <c>0x</c> and hex digits, or decimal digits with K, M or G (binary).
/// </summary>
internal static class SizeText
{
    /// <summary>A size as a sheet writes it: in the largest of G, M and K that it is a whole number of, else in bytes.</summary>
    public static string Of(ByteSize size)
    {
        foreach ((int shift, string letter) in ((int, string)[])[(30, "G"), (20, "M"), (10, "K")])
            if (size.Bytes > 0 && size.Bytes % (1ul << shift) == 0)
                return (size.Bytes >> shift).ToString(CultureInfo.InvariantCulture) + letter;
        return size.Bytes.ToString(CultureInfo.InvariantCulture);
    }

    /// <summary>
    /// Reads <c>0x600000</c>, <c>512K</c>, <c>4M</c>, <c>1G</c> or <c>1536</c>, as sheets write them. False for anything else,
    /// and over 2^63-1.
    /// </summary>
    public static bool TryParse(ReadOnlySpan<char> text, out ulong value)
    {
        value = 0;
        if (text.StartsWith("0x", StringComparison.Ordinal))
            return ulong.TryParse(text[2..], NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out value)
                && value <= long.MaxValue;
        if (text.IsEmpty)
            return false;

        int shift = text[^1] switch
        {
            'K' => 10,
            'M' => 20,
            'G' => 30,
            _ => 0,
        };
        if (shift > 0)
            text = text[..^1];
        if (!ulong.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out value))
            return false;
        if (value > (ulong)long.MaxValue >> shift)
            return false;
        value <<= shift;
        return true;
    }
}
