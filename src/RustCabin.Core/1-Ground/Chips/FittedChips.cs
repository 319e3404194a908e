using System.Globalization;

namespace RustCabin.Core.Chips;

/// <summary>
/// The chips of one bank as a sheet names them: an organisation, and their access time in nanoseconds where it is known:
/// <c>256Kx1</c>, <c>256Kx1-150</c>.
/// </summary>
sealed record FittedChips(ChipType Type, int? Ns)
{
    /// <summary>Reads <c>256Kx1</c> or <c>256Kx1-150</c>, organisation and nanoseconds; false where it is neither.</summary>
    public static bool TryParse(string text, out FittedChips chips)
    {
        chips = null!;
        int dash = text.IndexOf('-');
        if (ChipType.Find(dash < 0 ? text : text[..dash]) is not { } type)
            return false;
        int ns = 0;
        if (
            dash >= 0
            && (
                !int.TryParse(text.AsSpan(dash + 1), NumberStyles.None, CultureInfo.InvariantCulture, out ns)
                || ns is < 1 or > 10_000
            )
        )
            return false;
        chips = new FittedChips(type, dash < 0 ? null : ns);
        return true;
    }

    /// <summary>The same again.</summary>
    public override string ToString() => Ns is { } ns ? $"{Type.Organisation}-{ns}" : Type.Organisation;
}
