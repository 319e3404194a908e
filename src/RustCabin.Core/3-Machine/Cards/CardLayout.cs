using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Cards;

/// <summary>A partition with its place. Source: docs/handbook/storage.md, Partitions.</summary>
/// <param name="Asked">What was asked for.</param>
/// <param name="FirstSector">Its first sector.</param>
/// <param name="Sectors">How many sectors it has; 0: nothing is left for it.</param>
/// <param name="Fat">Its FAT layout; null: it is no FAT volume, or none is valid.</param>
/// <param name="Files">The sizes of the files that it holds, in bytes.</param>
public sealed record PlacedPartition(
    CardPartition Asked,
    long FirstSector,
    long Sectors,
    FatLayout? Fat,
    IReadOnlyList<long> Files
)
{
    /// <summary>Its bytes.</summary>
    public long Bytes => Sectors * HostLimits.Sector;

    /// <summary>Its first byte.</summary>
    public long Start => FirstSector * HostLimits.Sector;

    /// <summary>The first byte behind it.</summary>
    public long End => Start + Bytes;

    /// <summary>True for a kind of FAT, of whatever size.</summary>
    public bool IsFat => Asked.Fs is not (FileSystem.ExFat or FileSystem.Native);

    /// <summary>The file system that it gets.</summary>
    public FileSystem Fs => Fat?.Fs ?? (Asked.Fs == FileSystem.Fat ? FileSystem.Fat16 : Asked.Fs);

    /// <summary>The type byte of a PC table.</summary>
    public string Type =>
        Fs switch
        {
            FileSystem.Fat12 => "01",
            FileSystem.Fat16 => Sectors < 65_536 ? "04" : "06",
            FileSystem.Fat32 => "0c",
            FileSystem.ExFat => "07",
            _ => Asked.Type?.ToLowerInvariant() ?? "da",
        };

    /// <summary>What its files leave unused; null: its clusters are not known.</summary>
    public long? WasteBytes => Fat?.WasteOf(Files);
}

/// <summary>
/// A card divided: each partition in its place, within what the host can pass where a size is left open. Source:
/// docs/handbook/storage.md, Partitions.
/// </summary>
/// <param name="Card">The card.</param>
/// <param name="Host">What the host can pass.</param>
/// <param name="Partitions">The partitions, in order.</param>
public sealed record CardLayout(CardLabel Card, HostLimits Host, IReadOnlyList<PlacedPartition> Partitions)
{
    /// <summary>So many partitions at most: four in a PC table.</summary>
    public static int MostOf(TableKind table) => table == TableKind.Pc ? 4 : CardPartition.Most;

    /// <summary>The lines that the host cannot pass.</summary>
    public IReadOnlyList<HostLine> Lines { get; } = HostLine.Of(Host);

    /// <summary>What is planned on.</summary>
    public long UsableBytes => Card.UsableBytes;

    /// <summary>What the host reaches of it.</summary>
    public long ReachableBytes =>
        Math.Min(
            UsableBytes,
            Lines.Where(l => l.Kind == LineKind.Reach).Select(l => l.Bytes).DefaultIfEmpty(long.MaxValue).Min()
        );

    /// <summary>What it does not reach.</summary>
    public long UnreachableBytes => UsableBytes - ReachableBytes;

    /// <summary>Sectors in which partitions begin and end: 1 MiB, or a cylinder.</summary>
    public long Unit => UnitOf(Host);

    /// <summary>Why a partition is not of the size that was asked for; empty: it is, or it takes the rest.</summary>
    public string Rounded(PlacedPartition partition) =>
        partition.Asked is not { Rest: false, Size: { } asked } || partition.Sectors == 0 || (long)asked.Bytes == partition.Bytes
            ? ""
            : $"{asked} is asked; it ends on a whole {(Host.Geometry is null ? "step" : "cylinder")} of "
                + $"{new ByteSize((ulong)(Unit * HostLimits.Sector)).ToRough(false)}, which makes "
                + $"{new ByteSize((ulong)partition.Bytes).ToRough(false)}";

    static long UnitOf(HostLimits host) => host.Geometry is { } g ? (long)g.Heads * g.Sectors : CardLabel.MiB / HostLimits.Sector;

    /// <summary>Places partitions: the first behind the table, each behind the one before, "rest" in what is left.</summary>
    /// <param name="card">The card.</param>
    /// <param name="host">What the host can pass.</param>
    /// <param name="partitions">What is asked for, each with the sizes of its files; one "rest" at most.</param>
    public static CardLayout Of(
        CardLabel card,
        HostLimits host,
        IReadOnlyList<(CardPartition Asked, IReadOnlyList<long> Files)> partitions
    )
    {
        var empty = new CardLayout(card, host, []);
        long unit = UnitOf(host),
            reach = empty.ReachableBytes / HostLimits.Sector,
            next = host.Geometry?.Sectors ?? unit;
        var placed = new List<PlacedPartition>();
        foreach ((int i, (CardPartition asked, IReadOnlyList<long> files)) in partitions.Index())
        {
            long end = asked.Rest
                ? RestEnd(host, asked, next, reach, unit, [.. partitions.Skip(i + 1).Select(p => p.Asked)])
                : SizedEnd(host, asked, next, reach, unit);
            long sectors = Math.Max(0, end - next);
            bool fat = asked.Fs is not (FileSystem.ExFat or FileSystem.Native);
            placed.Add(
                new PlacedPartition(
                    asked,
                    next,
                    sectors,
                    fat && sectors > 0 ? FatLayout.Choose(asked.Fs, sectors, (long?)asked.Cluster?.Bytes, IsSmall(host)) : null,
                    files
                )
            );
            next += sectors;
            // What follows a partition begins at a whole unit, also where it follows one for which nothing was left.
            next = Math.Max(Up(next, unit), host.Geometry is null ? unit : next);
        }
        return empty with { Partitions = placed };
    }

    /// <summary>A size is rounded up to whole units, or down where up would pass a line that the size itself does not.</summary>
    static long SizedEnd(HostLimits host, CardPartition asked, long start, long reach, long unit)
    {
        long want = (long)((asked.Size!.Value.Bytes + HostLimits.Sector - 1) / HostLimits.Sector),
            up = Up(start + want, unit),
            down = up - unit;
        bool passes(long line, long from) => start + want - from <= line && up - from > line;
        bool over =
            passes(reach, 0)
            || (host.LargestPartition is { } largest && passes(SectorsOf(largest), start))
            || (asked.Start && host.StartWithin is { } within && passes(SectorsOf(within), 0));
        return over && down > start ? down : up;
    }

    /// <summary>The rest ends at the first line that it must not pass, less what follows it.</summary>
    static long RestEnd(HostLimits host, CardPartition asked, long start, long reach, long unit, CardPartition[] behind)
    {
        long end = Down(reach, unit);
        foreach (CardPartition one in behind)
            end -= SizedEnd(host, one, unit, long.MaxValue / 2, unit) - unit;
        if (host.LargestPartition is { } largest)
            end = Math.Min(end, Down(start + SectorsOf(largest), unit));
        if (asked.Start && host.StartWithin is { } within)
            end = Math.Min(end, Down(SectorsOf(within), unit));
        // What is left gives way to the file system: no volume of that kind is larger.
        FileSystem kind = asked.Fs == FileSystem.Fat && IsSmall(host) ? FileSystem.Fat16 : asked.Fs;
        if (FatLayout.MostSectors(kind, (long?)asked.Cluster?.Bytes) is { } most)
            end = Math.Min(end, Down(start + most, unit));
        return end;
    }

    /// <summary>Partitions of 2 GiB at most mean FAT16: larger clusters than its are no use to such a host.</summary>
    static bool IsSmall(HostLimits host) => host.LargestPartition is { Bytes: <= 2ul << 30 };

    static long SectorsOf(Units.ByteSize size) => (long)(size.Bytes / HostLimits.Sector);

    static long Up(long sectors, long unit) => (sectors + unit - 1) / unit * unit;

    static long Down(long sectors, long unit) => sectors / unit * unit;
}
