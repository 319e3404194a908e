using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>
/// How a FAT volume is laid out: reserved sectors, two tables, the root, clusters. Source: docs/handbook/storage.md, FAT.
/// </summary>
/// <param name="Fs">Its kind.</param>
/// <param name="Sectors">Sectors in all.</param>
/// <param name="ClusterSectors">Sectors in a cluster.</param>
/// <param name="FatSectors">Sectors of one table.</param>
/// <param name="Clusters">Clusters for data.</param>
public sealed record FatLayout(FileSystem Fs, long Sectors, int ClusterSectors, long FatSectors, long Clusters)
{
    /// <summary>Entries of the root of FAT12 and FAT16.</summary>
    public const int RootEntries = 512;

    /// <summary>How many tables there are.</summary>
    public const int Tables = 2;

    const int EntryBytes = 32,
        SmallestCluster = 4,
        LargestCluster = 128,
        LargestCluster16 = 64;

    /// <summary>Sectors before the first table.</summary>
    public int Reserved => ReservedOf(Fs);

    /// <summary>Sectors of the root; FAT32 keeps it in a cluster.</summary>
    public int RootSectors => RootOf(Fs);

    /// <summary>The first sector of data.</summary>
    public long DataStart => Reserved + Tables * FatSectors + RootSectors;

    /// <summary>Bytes in a cluster.</summary>
    public int ClusterBytes => ClusterSectors * HostLimits.Sector;

    /// <summary>What files of these sizes leave unused in their last clusters.</summary>
    public long WasteOf(IEnumerable<long> files) => files.Sum(bytes => (ClusterBytes - bytes % ClusterBytes) % ClusterBytes);

    /// <summary>What files of these sizes take, in bytes.</summary>
    public long TakenBy(IEnumerable<long> files) => files.Sum(b => (b + ClusterBytes - 1) / ClusterBytes * ClusterBytes);

    /// <summary>
    /// The layout that a volume gets: of the kinds that may be, the first with a lawful cluster, its smallest; null: none has.
    /// </summary>
    /// <param name="fs">The kind; <see cref="FileSystem.Fat"/> tries FAT16, FAT12, FAT32.</param>
    /// <param name="sectors">Sectors in all.</param>
    /// <param name="clusterBytes">The cluster that is asked for; null: any.</param>
    public static FatLayout? Choose(FileSystem fs, long sectors, long? clusterBytes)
    {
        FileSystem[] kinds = fs == FileSystem.Fat ? [FileSystem.Fat16, FileSystem.Fat12, FileSystem.Fat32] : [fs];
        foreach (FileSystem kind in kinds)
            for (int cluster = SmallestCluster; cluster <= MostOf(kind); cluster *= 2)
                if (clusterBytes is null || clusterBytes == (long)cluster * HostLimits.Sector)
                    if (Of(kind, sectors, cluster) is { IsLawful: true } lawful)
                        return lawful;
        return null;
    }

    /// <summary>True well away from the edges at which readers disagree of which kind it is.</summary>
    public bool IsLawful =>
        Fs switch
        {
            FileSystem.Fat12 => Clusters is >= 1 and <= 4_068,
            FileSystem.Fat16 => Clusters is >= 4_101 and <= 65_508,
            _ => Clusters is >= 65_541 and <= 268_435_444,
        };

    /// <summary>The layout with the smallest tables that hold all clusters.</summary>
    public static FatLayout Of(FileSystem fs, long sectors, int clusterSectors)
    {
        long clusters(long table) => Math.Max(0, (sectors - ReservedOf(fs) - Tables * table - RootOf(fs)) / clusterSectors);
        long need(long table) => ((clusters(table) + 2) * BitsOf(fs) + 8 * HostLimits.Sector - 1) / (8 * HostLimits.Sector);
        (long low, long high) = (1, Math.Max(1, need(0)));
        while (low < high)
        {
            long middle = (low + high) / 2;
            if (need(middle) <= middle)
                high = middle;
            else
                low = middle + 1;
        }
        return new FatLayout(fs, sectors, clusterSectors, low, clusters(low));
    }

    /// <summary>Bits of an entry of a table.</summary>
    public static int BitsOf(FileSystem fs) =>
        fs switch
        {
            FileSystem.Fat12 => 12,
            FileSystem.Fat16 => 16,
            _ => 32,
        };

    static int ReservedOf(FileSystem fs) => fs == FileSystem.Fat32 ? 32 : 1;

    static int RootOf(FileSystem fs) => fs == FileSystem.Fat32 ? 0 : RootEntries * EntryBytes / HostLimits.Sector;

    static int MostOf(FileSystem fs) => fs == FileSystem.Fat16 ? LargestCluster16 : LargestCluster;
}
