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
/// multiplexed: each serves a row and a column. <paramref name="Unusual"/>: why a number of it mostly means another type; null
/// for the usual one. Source: docs/handbook/memory.md, Chips. <paramref name="NoCounter"/>: why it cannot refresh itself; null:
/// it can.
/// <paramref name="Legs"/>: the net of each leg of its usual outline, n: none; null: the table does not say.
/// </summary>
public sealed record ChipType(
    string Organisation,
    string Family,
    int Pins,
    int AddressPins,
    IReadOnlyList<Refresh> Refresh,
    IReadOnlyList<string> Supplies,
    IReadOnlyList<string> Numbers,
    string? Unusual = null,
    int? ColumnLines = null,
    string? NoCounter = null,
    IReadOnlyList<string>? Legs = null
)
{
    /// <summary>How many of the multiplexed lines serve columns; rows take all of them.</summary>
    public int Columns { get; } = ColumnLines ?? AddressPins;

    /// <summary>
    /// The share of the chip that is reached with so many address lines: a line that is missing takes a row line and a column
    /// line of a multiplexed chip, where it served both.
    /// </summary>
    public int ShareReached(int lines) =>
        Family == Dram
            ? 1 << Math.Max(0, AddressPins - lines) + Math.Max(0, Columns - lines)
            : 1 << Math.Max(0, AddressPins - lines);

    /// <summary>Dynamic memory, which is refreshed.</summary>
    public const string Dram = "DRAM";

    /// <summary>Static memory.</summary>
    public const string Sram = "SRAM";

    /// <summary>Memory that ultraviolet light erases.</summary>
    public const string Eprom = "EPROM";

    static readonly IReadOnlyList<ChipType> Loaded = Load();

    /// <summary>Memory that a bank can be made of: DRAM and SRAM, each organisation once.</summary>
    public static IReadOnlyList<ChipType> ForBanks => Loaded;

    /// <summary>
    /// The memory type of an organisation (<c>256Kx1</c>) or of a generic number (<c>41256</c>); null when the table has none.
    /// </summary>
    public static ChipType? Find(string text) =>
        ForBanks.FirstOrDefault(t => t.Organisation.Equals(text.Trim(), StringComparison.OrdinalIgnoreCase))
        ?? ForBanks.FirstOrDefault(t => t.Numbers.Contains(text.Trim()));

    /// <summary>True for depth and width, such as <c>256Kx1</c>.</summary>
    public static bool IsOrganisation(string text) =>
        text.IndexOf('x') is > 0 and var at
        && ByteSize.TryParse(text.AsSpan(0, at), out ByteSize depth)
        && depth.Bytes > 0
        && int.TryParse(text.AsSpan(at + 1), NumberStyles.None, CultureInfo.InvariantCulture, out int width)
        && width is > 0 and <= 64;

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
