using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Chips;

/// <summary>A number that a part sheet says of a memory chip, for markings that the built-in table does not have.</summary>
public sealed record MarkedNumber : ICompleted<MarkedNumber>
{
    /// <summary>The number as it is printed, without the letters in front.</summary>
    [Required, Display(Description = "The number as it is printed, without the maker's letters: 41256.")]
    public string Number { get; init; } = "";

    /// <summary>What kind of memory.</summary>
    [Required, Display(Description = "What kind of memory: DRAM, SRAM, EPROM, EEPROM, flash.")]
    public string Family { get; init; } = "";

    /// <summary>Depth and width.</summary>
    [Required, Display(Description = "Depth and width: 256Kx1.")]
    public string Organisation { get; init; } = "";

    /// <summary>Its legs.</summary>
    [Required, Range(4, 200), Display(Description = "How many legs it has.")]
    public int Pins { get; init; }

    /// <summary>What speed suffixes mean, in nanoseconds.</summary>
    [Range(1, 100_000), UnitOf("ns"), Display(Description = "What its speed suffixes mean, such as 2 for 150 ns.")]
    public IReadOnlyDictionary<string, decimal> Speeds { get; init; } = new Dictionary<string, decimal>();

    /// <inheritdoc/>
    public MarkedNumber Completed(RecordReading read)
    {
        if (read.Read("organisation") && !ChipType.IsOrganisation(Organisation))
            read.Wrong("organisation", $"\"{Organisation}\" is not depth and width, such as 256Kx1");
        if (read.Read("number") && !Number.All(c => char.IsAsciiLetterUpper(c) || char.IsAsciiDigit(c)))
            read.Wrong("number", $"\"{Number}\" is not a chip's number: capital letters and figures");
        return this;
    }
}

/// <summary>What a speed suffix may mean, with its share among all meanings.</summary>
public sealed record CodedSpeed(int Ns, double Share);

/// <summary>
/// The numbers that stand on memory chips, which ship as data (chip-markings.json): what each is, and how its speed is coded. A
/// number that two makers use for two types stands twice. Source: docs/handbook/memory.md, Chip markings.
/// </summary>
/// <param name="Type">What the number is.</param>
/// <param name="Number">The number, without the letters in front.</param>
/// <param name="Speeds">What the suffixes mean; a suffix of two or three figures that is not in it is nanoseconds as it
/// stands.</param>
/// <param name="Stated">False: it is not known how the speed of this number is coded.</param>
public sealed record ChipNumber(
    ChipType Type,
    string Number,
    IReadOnlyDictionary<string, IReadOnlyList<CodedSpeed>> Speeds,
    bool Stated
)
{
    static readonly IReadOnlyList<ChipNumber> Loaded = Load();

    /// <summary>Every number of the table.</summary>
    public static IReadOnlyList<ChipNumber> All => Loaded;

    /// <summary>A number from a part sheet.</summary>
    public static ChipNumber Of(MarkedNumber own) =>
        new(
            new ChipType(own.Organisation, own.Family, own.Pins, 0, [], ["+5"], [own.Number]),
            own.Number,
            own.Speeds.ToDictionary(s => s.Key, IReadOnlyList<CodedSpeed> (s) => [new CodedSpeed((int)s.Value, 1)]),
            true
        );

    sealed record Row(
        string Organisation,
        string Family,
        int Pins,
        string Speed,
        string[] Stems,
        string[]? Supplies,
        string? Unusual
    );

    sealed record Table(Dictionary<string, Dictionary<string, double[][]>> Codings, Row[] Rows);

    static IReadOnlyList<ChipNumber> Load()
    {
        using Stream data =
            typeof(ChipNumber).Assembly.GetManifestResourceStream("chip-markings.json")
            ?? throw new InvalidOperationException("The table of chip markings is missing.");
        Table table = JsonSerializer.Deserialize<Table>(data, JsonSerializerOptions.Web)!;
        var codings = table.Codings.ToDictionary(
            c => c.Key,
            IReadOnlyDictionary<string, IReadOnlyList<CodedSpeed>> (c) =>
                c.Value.ToDictionary(
                    s => s.Key,
                    IReadOnlyList<CodedSpeed> (s) => [.. s.Value.Select(v => new CodedSpeed((int)v[0], v[1]))]
                )
        );
        return
        [
            .. from row in table.Rows
            from stem in row.Stems
            select new ChipNumber(TypeOf(row), stem, codings[row.Speed], row.Speed != "unstated"),
        ];
    }

    /// <summary>The type of the table of banks where there is one like it, with its lines and its refresh.</summary>
    static ChipType TypeOf(Row row) =>
        ChipType.ForBanks.FirstOrDefault(t =>
            row.Unusual is null
            && row.Supplies is null
            && t.Organisation == row.Organisation
            && t.Family == row.Family
            && t.Pins == row.Pins
        ) ?? new ChipType(row.Organisation, row.Family, row.Pins, 0, [], row.Supplies ?? ["+5"], row.Stems, row.Unusual);
}
