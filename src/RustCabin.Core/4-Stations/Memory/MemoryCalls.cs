using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Memory;

/// <summary>What <c>memory/bank</c> takes: one bank made of one type of chip.</summary>
public sealed record BankAsked : ICompleted<BankAsked>
{
    /// <summary>The type, by organisation or generic number.</summary>
    [Required, Display(Description = "The type, by organisation (256Kx1) or generic number (41256).")]
    public string Type { get; init; } = "";

    /// <summary>Data bits.</summary>
    [Required, Range(1, 1024), UnitOf("bits"), Display(Description = "Data bits of the bank.")]
    public int DataBits { get; init; }

    /// <summary>Parity bits.</summary>
    [Range(0, 1024), UnitOf("bits"), Display(Description = "Parity bits of the bank.")]
    public int ParityBits { get; init; }

    /// <summary>The bank itself; the type must be one of the table.</summary>
    public BankOfChips Bank => new(ChipType.Find(Type)!, DataBits, ParityBits);

    /// <inheritdoc/>
    public BankAsked Completed(RecordReading read)
    {
        if (read.Read("type") && ChipType.Find(Type) is null)
            read.Wrong("type", UnknownType.Words(Type));
        return this;
    }
}

/// <summary>What is said of a type that the table has not.</summary>
static class UnknownType
{
    public static string Words(string text) =>
        $"\"{text}\" is not a type of the table: {string.Join(", ", ChipType.ForBanks.Select(t => t.Organisation))}";
}

/// <summary>Amounts of bytes as calls take them: whole numbers.</summary>
static class ByteNumbers
{
    public const double Most = 1L << 41;

    /// <summary>Notes a number of bytes that is not whole.</summary>
    public static void Check(RecordReading read, string field, decimal? bytes)
    {
        if (bytes is { } given && given != decimal.Truncate(given))
            read.Wrong(field, $"must be a whole number of bytes, not {given}");
    }
}

/// <summary>What <c>memory/arrangements</c> takes: what to fill a board with.</summary>
public sealed record ArrangementsAsked : ICompleted<ArrangementsAsked>
{
    /// <summary>The types that the board takes.</summary>
    [Required, Display(Description = "The types that the board takes.")]
    public IReadOnlyList<string> Types { get; init; } = [];

    /// <summary>What must be reached.</summary>
    [Required, Range(0, ByteNumbers.Most), UnitOf("bytes"), Display(Description = "What must be reached.")]
    public decimal TargetBytes { get; init; }

    /// <summary>What is there already.</summary>
    [Range(0, ByteNumbers.Most), UnitOf("bytes"), Display(Description = "What is there already.")]
    public decimal BaseBytes { get; init; }

    /// <summary>What the system can use.</summary>
    [Range(0, ByteNumbers.Most), UnitOf("bytes"), Display(Description = "What the system can use; left out: all.")]
    public decimal? CapBytes { get; init; }

    /// <summary>Data bits of a bank.</summary>
    [Required, Range(1, 1024), UnitOf("bits"), Display(Description = "Data bits of a bank.")]
    public int DataBits { get; init; }

    /// <summary>Parity bits of a bank.</summary>
    [Range(0, 1024), UnitOf("bits"), Display(Description = "Parity bits of a bank.")]
    public int ParityBits { get; init; }

    /// <summary>How many banks.</summary>
    [Required, Range(0, 16), Display(Description = "How many banks.")]
    public int Banks { get; init; }

    /// <summary>Which mixes the board allows.</summary>
    [Display(Description = "Which mixes the board allows: any, alike, larger-first, pairs.")]
    public string? Mix { get; init; }

    /// <summary>Chips in hand by type.</summary>
    [Range(0, 10_000_000), Display(Description = "Chips in hand, by type.")]
    public IReadOnlyDictionary<string, decimal> Stock { get; init; } = new Dictionary<string, decimal>();

    /// <summary>What one more costs by type.</summary>
    [Range(0, 10_000_000), Display(Description = "What one more costs, by type; a type without a price cannot be bought.")]
    public IReadOnlyDictionary<string, decimal> Prices { get; init; } = new Dictionary<string, decimal>();

    /// <summary>The banks have sockets.</summary>
    [Display(Description = "The banks have sockets, so that nothing is soldered.")]
    public bool Socketed { get; init; }

    /// <summary>The question itself.</summary>
    public ArrangementQuestion Question =>
        new(
            (ulong)BaseBytes,
            CapBytes is { } cap ? (ulong)cap : ulong.MaxValue,
            DataBits,
            ParityBits,
            Banks,
            KnownTypes,
            Mix is null ? MixRule.Any : MixRules.Of(Mix) ?? MixRule.Any,
            (ulong)TargetBytes,
            ByOrganisation(Stock).ToDictionary(p => p.Key, p => (int)p.Value),
            ByOrganisation(Prices).ToDictionary(),
            Socketed
        );

    IReadOnlyList<ChipType> KnownTypes => [.. Types.Select(ChipType.Find).OfType<ChipType>().Distinct()];

    /// <summary>A type may be called by its organisation or its generic number; the last that names it holds.</summary>
    static IEnumerable<KeyValuePair<string, decimal>> ByOrganisation(IReadOnlyDictionary<string, decimal> counts) =>
        counts
            .Where(c => ChipType.Find(c.Key) is not null)
            .GroupBy(c => ChipType.Find(c.Key)!.Organisation)
            .Select(g => KeyValuePair.Create(g.Key, g.Last().Value));

    /// <inheritdoc/>
    public ArrangementsAsked Completed(RecordReading read)
    {
        foreach ((int i, string type) in Types.Index())
            if (ChipType.Find(type) is null)
                read.Wrong($"types[{i}]", UnknownType.Words(type));
        ByteNumbers.Check(read, "targetBytes", TargetBytes);
        ByteNumbers.Check(read, "baseBytes", BaseBytes);
        ByteNumbers.Check(read, "capBytes", CapBytes);
        if (Mix is not null && MixRules.Of(Mix) is null)
            read.Wrong("mix", $"\"{Mix}\" is not one of {MixRules.All}");
        foreach ((string type, decimal count) in Stock)
            if (ChipType.Find(type) is not null && count != decimal.Truncate(count))
                read.Wrong($"stock.{type}", $"must be a whole number, not {count}");
        foreach ((string field, IReadOnlyDictionary<string, decimal> counts) in new[] { ("stock", Stock), ("prices", Prices) })
        foreach (string type in counts.Keys.Where(t => ChipType.Find(t) is null))
            read.Wrong($"{field}.{type}", UnknownType.Words(type));
        if (!read.AnyWrong && !Arrangements.CanTry(Banks, KnownTypes.Count))
            read.Wrong(
                "banks",
                $"{Banks} banks and {KnownTypes.Count} types make more than {Arrangements.Most:#,0} arrangements"
            );
        return this;
    }
}

/// <summary>What <c>memory/marking</c> takes: a chip's marking.</summary>
public sealed record MarkingAsked
{
    /// <summary>The marking as it stands on the chip.</summary>
    [Required, LongText, Display(Description = "The marking as it stands on the chip.")]
    public string Text { get; init; } = "";
}

/// <summary>What <c>memory/sectors</c> takes: files that go into sectors.</summary>
public sealed record SectorsAsked : ICompleted<SectorsAsked>
{
    /// <summary>Sectors that there are.</summary>
    [Required, Range(0, ByteNumbers.Most), Display(Description = "Sectors that there are.")]
    public decimal Sectors { get; init; }

    /// <summary>Sectors that hold no files.</summary>
    [Range(0, ByteNumbers.Most), Display(Description = "Sectors for starting up, tables and directory.")]
    public decimal ReservedSectors { get; init; }

    /// <summary>Bytes of a sector.</summary>
    [Required, Range(0, ByteNumbers.Most), UnitOf("bytes"), Display(Description = "Bytes of a sector.")]
    public decimal BytesPerSector { get; init; }

    /// <summary>Bytes of a sector that lead to the next.</summary>
    [Range(0, ByteNumbers.Most), UnitOf("bytes"), Display(Description = "Bytes of a sector that lead to the next.")]
    public decimal LinkBytes { get; init; }

    /// <summary>Bytes of each file.</summary>
    [Range(0, ByteNumbers.Most), UnitOf("bytes"), Display(Description = "Bytes of each file.")]
    public IReadOnlyList<decimal> Files { get; init; } = [];

    /// <summary>The plan itself.</summary>
    public SectorPlan Plan =>
        SectorPlan.Of(
            (ulong)Sectors,
            (ulong)ReservedSectors,
            (ulong)BytesPerSector,
            (ulong)LinkBytes,
            [.. Files.Select(b => (ulong)b)]
        );

    /// <inheritdoc/>
    public SectorsAsked Completed(RecordReading read)
    {
        ByteNumbers.Check(read, "sectors", Sectors);
        ByteNumbers.Check(read, "reservedSectors", ReservedSectors);
        ByteNumbers.Check(read, "bytesPerSector", BytesPerSector);
        ByteNumbers.Check(read, "linkBytes", LinkBytes);
        foreach ((int i, decimal bytes) in Files.Index())
            ByteNumbers.Check(read, $"files[{i}]", bytes);
        if (read.Has("bytesPerSector") && BytesPerSector == 0)
            read.Wrong("bytesPerSector", "must not be 0");
        if (BytesPerSector > 0 && LinkBytes >= BytesPerSector)
            read.Wrong("linkBytes", "leave no room in a sector");
        if (ReservedSectors > Sectors)
            read.Wrong("reservedSectors", $"are more than the {Sectors} sectors there are");
        return this;
    }
}
