using System.Globalization;

namespace RustCabin.Core.Units;

/// <summary>An amount of memory in bytes. K, M and G are binary: 1 KiB is 1024 bytes.</summary>
public readonly record struct ByteSize(ulong Bytes) : IComparable<ByteSize>
{
    /// <summary> Reads a size as packs write it (<c>"512K"</c>, <c>"4M"</c>, <c>"0x1000"</c>, <c>"1536"</c>). False when it
    /// does not read as one.
    /// </summary>
    public static bool TryParse(ReadOnlySpan<char> text, out ByteSize size)
    {
        bool ok = SizeText.TryParse(text, out ulong bytes);
        size = new ByteSize(bytes);
        return ok;
    }

    /// <summary>So many KiB.</summary>
    public static ByteSize KiB(ulong count) => new(count << 10);

    /// <summary>True for 1, 2, 4, 8 and so on: what address decoders and self-configuring cards can hold apart.</summary>
    public bool IsPowerOfTwo => Bytes != 0 && (Bytes & (Bytes - 1)) == 0;

    /// <summary>
    /// In the largest unit that is exact, such as <c>256 KiB</c>, <c>4 MiB</c>, <c>4,352 KiB</c> or <c>300 bytes</c>.
    /// </summary>
    public override string ToString() => ToScreen(asOnTheBox: false);

    /// <summary>As <see cref="ToString()"/>, or with the box's plain K and M when <paramref name="asOnTheBox"/>.</summary>
    public string ToScreen(bool asOnTheBox)
    {
        (ulong count, string unit) = Bytes switch
        {
            0 => (0ul, asOnTheBox ? "K" : "KiB"),
            var b when (b & 0x3FFF_FFFF) == 0 => (b >> 30, asOnTheBox ? "G" : "GiB"),
            var b when (b & 0xF_FFFF) == 0 => (b >> 20, asOnTheBox ? "M" : "MiB"),
            var b when (b & 0x3FF) == 0 => (b >> 10, asOnTheBox ? "K" : "KiB"),
            1 => (1ul, "byte"),
            var b => (b, "bytes"),
        };
        return asOnTheBox && unit.Length == 1
            ? $"{count}{unit}"
            : string.Create(CultureInfo.InvariantCulture, $"{count:#,0} {unit}");
    }

    /// <summary>Rounded to one decimal for a label where the exact figure stands elsewhere, such as <c>5.8 MiB</c>.</summary>
    public string ToRough(bool asOnTheBox)
    {
        (double unit, string name) = Bytes switch
        {
            >= 1ul << 30 => (1 << 30, asOnTheBox ? "G" : " GiB"),
            >= 1ul << 20 => (1 << 20, asOnTheBox ? "M" : " MiB"),
            >= 1ul << 10 => (1 << 10, asOnTheBox ? "K" : " KiB"),
            _ => (1, Bytes == 1 ? " byte" : " bytes"),
        };
        return (Bytes / unit).ToString("0.#", CultureInfo.InvariantCulture) + name;
    }

    /// <summary>As a sheet writes it: <c>512K</c>, <c>4M</c>, <c>1536</c>.</summary>
    public string ToSheet() => SizeText.Of(this);

    /// <summary>By their bytes.</summary>
    public int CompareTo(ByteSize other) => Bytes.CompareTo(other.Bytes);

    /// <summary>Both together.</summary>
    public static ByteSize operator +(ByteSize a, ByteSize b) => new(a.Bytes + b.Bytes);

    /// <summary>True if it is smaller.</summary>
    public static bool operator <(ByteSize a, ByteSize b) => a.Bytes < b.Bytes;

    /// <summary>True if it is larger.</summary>
    public static bool operator >(ByteSize a, ByteSize b) => a.Bytes > b.Bytes;

    /// <summary>True if it is not larger.</summary>
    public static bool operator <=(ByteSize a, ByteSize b) => a.Bytes <= b.Bytes;

    /// <summary>True if it is not smaller.</summary>
    public static bool operator >=(ByteSize a, ByteSize b) => a.Bytes >= b.Bytes;

    /// <summary>
    /// A size with its unit as pages show it or people write it, which a sheet would not take: <c>16 KiB</c>, <c>16 kB</c>,
    /// <c>16k</c>, <c>4,352 KiB</c>, <c>300 bytes</c>. False for what a sheet takes as it stands, and for what is no size.
    /// </summary>
    public static bool TrySpoken(string text, out ByteSize size)
    {
        size = default;
        string trimmed = text.Trim();
        if (TryParse(trimmed, out _))
            return false;
        string figure = trimmed.ToUpperInvariant().Replace(" ", "").Replace(",", "").Replace("\u00a0", "");
        foreach ((string unit, string letter) in Spoken)
            if (figure.EndsWith(unit, StringComparison.Ordinal))
                return TryParse(figure[..^unit.Length] + letter, out size);
        return TryParse(figure, out size);
    }

    static readonly (string, string)[] Spoken =
    [
        ("KIB", "K"),
        ("MIB", "M"),
        ("GIB", "G"),
        ("KB", "K"),
        ("MB", "M"),
        ("GB", "G"),
        ("KBYTE", "K"),
        ("MBYTE", "M"),
        ("BYTES", ""),
        ("BYTE", ""),
    ];

    /// <summary>A figure as a person types it or a screen shows it: KiB unless it says K or M itself; below 2 TiB.</summary>
    public static bool TryTyped(string text, out ByteSize size)
    {
        string figure = text.Trim()
            .ToUpperInvariant()
            .Replace("KIB", "K")
            .Replace("MIB", "M")
            .Replace("KB", "K")
            .Replace("MB", "M")
            .Replace(" ", "")
            .Replace(",", "");
        if (figure.Length > 0 && char.IsAsciiDigit(figure[^1]))
            figure += "K";
        return TryParse(figure, out size) && size.Bytes < 1ul << 41;
    }
}
