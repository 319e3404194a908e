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
        UsualCluster = 4,
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
    /// The layout that a volume gets: of the kinds that may be, the first with a valid cluster, its smallest; null: none has.
    /// </summary>
    /// <param name="fs">The kind; <see cref="FileSystem.Fat"/> tries FAT16, FAT12, FAT32.</param>
    /// <param name="sectors">Sectors in all.</param>
    /// <param name="clusterBytes">The cluster that is asked for; null: any, below 2 KiB where nothing else does.</param>
    /// <param name="small">The host takes partitions of 2 GiB at most, and means FAT16 or FAT12 by any.</param>
    public static FatLayout? Choose(FileSystem fs, long sectors, long? clusterBytes, bool small = false)
    {
        FileSystem[] kinds =
            fs != FileSystem.Fat ? [fs]
            : small ? [FileSystem.Fat16, FileSystem.Fat12]
            : [FileSystem.Fat16, FileSystem.Fat12, FileSystem.Fat32];
        IEnumerable<FatLayout> valid(int least, int below) =>
            from kind in kinds
            from shift in Enumerable.Range(0, 8)
            let cluster = 1 << shift
            where least <= cluster && below > cluster && cluster <= MostOf(kind)
            where clusterBytes is null || clusterBytes == (long)cluster * HostLimits.Sector
            let layout = Of(kind, sectors, cluster)
            where layout.IsLawful
            select layout;
        return valid(UsualCluster, int.MaxValue).FirstOrDefault() ?? valid(1, UsualCluster).LastOrDefault();
    }

    /// <summary>The most sectors that a volume of a kind can have, with the clusters that are asked for; null: no kind of FAT
    /// with a limit below a card's.</summary>
    public static long? MostSectors(FileSystem fs, long? clusterBytes)
    {
        if (fs is not (FileSystem.Fat12 or FileSystem.Fat16))
            return null;
        int cluster = clusterBytes is { } bytes ? (int)(bytes / HostLimits.Sector) : MostOf(fs);
        (long low, long high) = (1, (long)cluster * (Clusters16 + 2) + Clusters16);
        // The clusters grow with the sectors: the last that is still valid.
        while (low < high)
        {
            long middle = (low + high + 1) / 2;
            if (Of(fs, middle, cluster).Clusters <= (fs == FileSystem.Fat12 ? Clusters12 : Clusters16))
                low = middle;
            else
                high = middle - 1;
        }
        return low;
    }

    const long Clusters12 = 4_068,
        Clusters16 = 65_508;

    /// <summary>True well away from the edges at which readers disagree of which kind it is.</summary>
    public bool IsLawful =>
        Fs switch
        {
            FileSystem.Fat12 => Clusters is >= 1 and <= Clusters12,
            FileSystem.Fat16 => Clusters is >= 4_101 and <= Clusters16,
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
