using System.Globalization;
using System.Text.Json;
using RustCabin.Core.Units;

namespace RustCabin.Core.Chips;

/// <summary>
/// How a DRAM must be refreshed: every one of its <paramref name="Rows"/> within <paramref name="Ms"/> milliseconds.
/// </summary>
public sealed record Refresh(int Rows, decimal Ms);

/// <summary>
/// A type of memory chip, from the table that ships as data (chip-types.json). <paramref name="AddressPins"/> of a DRAM are
/// multiplexed: each serves a row and a
/// column. <paramref name="Unusual"/>: why a number of it mostly means another type; null for the usual one. Source:
/// docs/handbook/memory.md, Chips.
/// </summary>
public sealed record ChipType(
    string Organisation,
    string Family,
    int Pins,
    int AddressPins,
    IReadOnlyList<Refresh> Refresh,
    IReadOnlyList<string> Supplies,
    IReadOnlyList<string> Numbers,
    string? Unusual = null
)
{
    /// <summary>Dynamic memory, which is refreshed.</summary>
    public const string Dram = "DRAM";

    /// <summary>Static memory.</summary>
    public const string Sram = "SRAM";

    /// <summary>Memory that ultraviolet light erases.</summary>
    public const string Eprom = "EPROM";

    static readonly IReadOnlyList<ChipType> Loaded = Load();

    /// <summary>Every type of the table, in its order.</summary>
    public static IReadOnlyList<ChipType> All => Loaded;

    /// <summary>Memory that a bank can be made of: DRAM and SRAM, each organisation once.</summary>
    public static IEnumerable<ChipType> ForBanks => Loaded.Where(t => t.Family != Eprom && t.Unusual is null);

    /// <summary>
    /// The memory type of an organisation (<c>256Kx1</c>) or of a generic number (<c>41256</c>); null when the table has none.
    /// </summary>
    public static ChipType? Find(string text) =>
        ForBanks.FirstOrDefault(t => t.Organisation.Equals(text.Trim(), StringComparison.OrdinalIgnoreCase))
        ?? ForBanks.FirstOrDefault(t => t.Numbers.Contains(text.Trim()));

    /// <summary>Words of the chip.</summary>
    public ulong Depth { get; } =
        ByteSize.TryParse(Organisation.AsSpan(0, Organisation.IndexOf('x')), out ByteSize depth)
            ? depth.Bytes
            : throw new FormatException(Organisation);

    /// <summary>Bits of each word.</summary>
    public int Width { get; } =
        int.Parse(Organisation.AsSpan(Organisation.IndexOf('x') + 1), NumberStyles.None, CultureInfo.InvariantCulture);

    static IReadOnlyList<ChipType> Load()
    {
        using Stream data =
            typeof(ChipType).Assembly.GetManifestResourceStream("chip-types.json")
            ?? throw new InvalidOperationException("The table of chip types is missing.");
        return JsonSerializer.Deserialize<ChipType[]>(data, JsonSerializerOptions.Web)!;
    }
}
