#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Runtime.Serialization;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A connector of a machine, or of a part, that drives and cards come to, with what its firmware can pass. Source:
/// docs/handbook/storage.md, Limits.
/// </summary>
public sealed record StorageHost : HostLimits, ICompleted<StorageHost>
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "The bus that it drives.")]
    public StorageBus Bus { get; init; }

    [Id, Usual, OnSheet(Things.Sites), Display(Description = "The site that devices or cables come to.")]
    public string? Site { get; init; }

    [Range(1, 200), Display(Description = "How many contacts its connector has.")]
    public int? Contacts { get; init; }

    [Display(Description = "Its connector carries power for the device.")]
    public bool PowersCable { get; init; }

    [Display(Description = "File systems that it reads.")]
    public IReadOnlyList<FileSystem> FileSystems { get; init; } = [];

    [Display(Description = "File names that it reads: 8.3, or up to 31 or 255 letters; left out: the sheet does not say.")]
    public NameRule? Names { get; init; }

    [Range(0, 15), Display(Name = "own id", Description = "Its own id on the bus.")]
    public int? HostId { get; init; }

    [Range(1, 16), Display(Name = "how many ids", Description = "How many ids the bus has; left out: it has none.")]
    public int? Ids { get; init; }

    [Display(Description = "It terminates its end of the cable.")]
    public bool? Terminates { get; init; }

    [Display(Name = "terminator power", Description = "It feeds the terminators.")]
    public bool TerminatorPower { get; init; }

    [Display(Description = "What the firmware must be able to do so that it starts from here, such as start-from-drive.")]
    public string? StartNeeds { get; init; }

    [
        Range(0, 15),
        Display(Name = "starts from id", Description = "The id that it looks for to start from; left out: the lowest.")
    ]
    public int? StartId { get; init; }

    [OnSheet(Things.Firmware), Display(Name = "limits lifted by", Description = "Firmware with which its limits do not hold.")]
    public string? LiftedBy { get; init; }

    [Id, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    /// <inheritdoc/>
    StorageHost ICompleted<StorageHost>.Completed(RecordReading read)
    {
        Completed(read);
        return this;
    }
}

/// <summary>What a host can pass of a card, and how a card for it is divided.</summary>
public record HostLimits : ICompleted<HostLimits>
{
    /// <summary>Bytes in a sector; no other size is read.</summary>
    public const int Sector = 512;

    [Range(8, 48), UnitOf("bits"), Display(Description = "The width of a block's number.")]
    public int? BlockBits { get; init; }

    [Range(31, 32), UnitOf("bits"), Display(Description = "The width of an offset in bytes, 31 or 32.")]
    public int? OffsetBits { get; init; }

    [UnitOf("bytes"), Display(Description = "The size of a sector; 512 is the one that is read.")]
    public int? SectorBytes { get; init; }

    [NotZero, OrNumber, Display(Description = "The largest partition.")]
    public ByteSize? LargestPartition { get; init; }

    [NotZero, OrNumber, Display(Description = "A partition to start from must end below this.")]
    public ByteSize? StartWithin { get; init; }

    [Display(Description = "Heads and sectors, where blocks are named by cylinder, head and sector.")]
    public HostGeometry? Geometry { get; init; }

    [Display(Description = "Who divides the card: a PC table, the machine's own table, or the device itself.")]
    public TableKind Table { get; init; }

    /// <inheritdoc/>
    public HostLimits Completed(RecordReading read)
    {
        if (SectorBytes is not null and not Sector)
            read.Wrong("sectorBytes", $"must be {Sector}, not {SectorBytes}");
        return this;
    }
}

/// <summary>Heads and sectors of a host that names blocks by cylinder, head and sector.</summary>
public sealed record HostGeometry
{
    [Required, Range(1, 256), Display(Description = "Heads.")]
    public int Heads { get; init; } = 1;

    [Required, Range(1, 63), Display(Description = "Sectors in a track.")]
    public int Sectors { get; init; } = 1;
}

/// <summary>Buses for storage.</summary>
public enum StorageBus
{
    Ata,
    Scsi,
    Floppy,
    Serial,
    Cartridge,
    Disc,
}

/// <summary>Who divides a card.</summary>
public enum TableKind
{
    /// <summary>A PC table of four.</summary>
    Pc,

    /// <summary>The machine's own partitioner, by figures that are typed in.</summary>
    Own,

    /// <summary>The device formats itself.</summary>
    Device,
}

/// <summary>File names that a host reads.</summary>
public enum NameRule
{
    /// <summary>Eight letters, a point, three.</summary>
    [EnumMember(Value = "8.3")]
    Short,

    /// <summary>Up to 31.</summary>
    [EnumMember(Value = "31")]
    UpTo31,

    /// <summary>Up to 255.</summary>
    [EnumMember(Value = "255")]
    UpTo255,
}

/// <summary>File systems of a partition.</summary>
public enum FileSystem
{
    /// <summary>FAT of the kind that its clusters make.</summary>
    Fat,

    /// <summary>FAT with 12 bits a cluster.</summary>
    [EnumMember(Value = "fat12")]
    Fat12,

    /// <summary>FAT with 16 bits a cluster.</summary>
    [EnumMember(Value = "fat16")]
    Fat16,

    /// <summary>FAT with 32 bits a cluster.</summary>
    [EnumMember(Value = "fat32")]
    Fat32,

    /// <summary>Placed, and left to the device or its formatter.</summary>
    [EnumMember(Value = "exfat")]
    ExFat,

    /// <summary>The machine's own.</summary>
    Native,
}
