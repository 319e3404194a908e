using System.Buffers.Binary;
using System.Text;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>A stretch of a card's image that is not zero.</summary>
/// <param name="Offset">Where it begins, in bytes.</param>
/// <param name="Data">What stands there, whole sectors.</param>
public sealed record Extent(long Offset, byte[] Data);

/// <summary>
/// The image of a card: a real PC table, and empty FAT volumes; everything else is zero. Source: docs/handbook/storage.md,
/// Written out.
/// </summary>
/// <param name="Bytes">How large the card is.</param>
/// <param name="Extents">What is not zero, in order.</param>
public sealed record CardImage(long Bytes, IReadOnlyList<Extent> Extents)
{
    /// <summary>A larger image is packed as a sparse archive, in bytes.</summary>
    public const long LargestPlain = 256L << 20;

    const int Sector = HostLimits.Sector,
        BackupBoot = 6,
        FsInfo = 1;

    const byte Disk = 0xF8;

    /// <summary>The image of a plan; each partition has its room, and each FAT volume a valid cluster.</summary>
    public static CardImage Of(CardLayout layout) =>
        new(
            layout.UsableBytes,
            [new Extent(0, Table(layout)), .. layout.Partitions.Where(p => p.Fat is not null).SelectMany(p => Volume(layout, p))]
        );

    /// <summary>Writes the whole image, zeros and all.</summary>
    public async Task WriteTo(Stream into, CancellationToken gone = default)
    {
        byte[] zeros = new byte[1 << 16];
        long at = 0;
        foreach (Extent extent in Extents.Append(new Extent(Bytes, [])))
        {
            while (at < extent.Offset)
            {
                int count = (int)Math.Min(zeros.Length, extent.Offset - at);
                await into.WriteAsync(zeros.AsMemory(0, count), gone);
                at += count;
            }
            await into.WriteAsync(extent.Data, gone);
            at += extent.Data.Length;
        }
    }

    static byte[] Table(CardLayout layout)
    {
        byte[] sector = new byte[Sector];
        BinaryPrimitives.WriteUInt32LittleEndian(sector.AsSpan(440), Serial(layout.UsableBytes, layout.Partitions.Count));
        foreach ((int i, PlacedPartition p) in layout.Partitions.Index())
        {
            Span<byte> entry = sector.AsSpan(446 + 16 * i, 16);
            entry[0] = (byte)(p.Asked.Start ? 0x80 : 0);
            Chs(layout.Host.Geometry, p.FirstSector, entry[1..4]);
            entry[4] = Convert.ToByte(p.Type, 16);
            Chs(layout.Host.Geometry, p.FirstSector + p.Sectors - 1, entry[5..8]);
            BinaryPrimitives.WriteUInt32LittleEndian(entry[8..], (uint)p.FirstSector);
            BinaryPrimitives.WriteUInt32LittleEndian(entry[12..], (uint)p.Sectors);
        }
        return Signed(sector);
    }

    /// <summary>Cylinder, head and sector of a block, or the farthest that can be written.</summary>
    static void Chs(HostGeometry? geometry, long block, Span<byte> into)
    {
        (int heads, int sectors) = geometry is null ? (255, 63) : (geometry.Heads, geometry.Sectors);
        (long cylinder, long head, long sector) = (block / (heads * sectors), block / sectors % heads, block % sectors + 1);
        if (cylinder > 1023)
            (cylinder, head, sector) = (1023, heads - 1, sectors);
        into[0] = (byte)head;
        into[1] = (byte)(sector | ((cylinder >> 2) & 0xC0));
        into[2] = (byte)cylinder;
    }

    static IEnumerable<Extent> Volume(CardLayout layout, PlacedPartition p)
    {
        FatLayout fat = p.Fat!;
        byte[] boot = Boot(layout, p, fat);
        bool wide = fat.Fs == FileSystem.Fat32;
        yield return new Extent(p.Start, wide ? [.. boot, .. Info(fat)] : boot);
        if (wide)
            yield return new Extent(p.Start + BackupBoot * Sector, [.. boot, .. Info(fat)]);
        for (int table = 0; table < FatLayout.Tables; table++)
            yield return new Extent(p.Start + (fat.Reserved + table * fat.FatSectors) * Sector, Entries(fat));
    }

    /// <summary>The first sector of a table: the kind of medium, the end mark, and the root's one cluster.</summary>
    static byte[] Entries(FatLayout fat)
    {
        byte[] sector = new byte[Sector];
        byte[] first = fat.Fs switch
        {
            FileSystem.Fat12 => [Disk, 0xFF, 0xFF],
            FileSystem.Fat16 => [Disk, 0xFF, 0xFF, 0xFF],
            _ => [Disk, 0xFF, 0xFF, 0x0F, 0xFF, 0xFF, 0xFF, 0x0F, 0xFF, 0xFF, 0xFF, 0x0F],
        };
        first.CopyTo(sector, 0);
        return sector;
    }

    static byte[] Info(FatLayout fat)
    {
        byte[] sector = new byte[Sector];
        BinaryPrimitives.WriteUInt32LittleEndian(sector, 0x4161_5252);
        BinaryPrimitives.WriteUInt32LittleEndian(sector.AsSpan(484), 0x6141_7272);
        BinaryPrimitives.WriteUInt32LittleEndian(sector.AsSpan(488), (uint)(fat.Clusters - 1));
        BinaryPrimitives.WriteUInt32LittleEndian(sector.AsSpan(492), 3);
        return Signed(sector);
    }

    static byte[] Boot(CardLayout layout, PlacedPartition p, FatLayout fat)
    {
        byte[] sector = new byte[Sector];
        bool wide = fat.Fs == FileSystem.Fat32;
        (int heads, int track) = layout.Host.Geometry is { } g ? (g.Heads, g.Sectors) : (255, 63);
        void put16(int at, int value) => BinaryPrimitives.WriteUInt16LittleEndian(sector.AsSpan(at), (ushort)value);
        void put32(int at, long value) => BinaryPrimitives.WriteUInt32LittleEndian(sector.AsSpan(at), (uint)value);
        void text(int at, string value) => Encoding.ASCII.GetBytes(value).CopyTo(sector, at);

        (byte[] jump, int code) = wide ? (new byte[] { 0xEB, 0x58, 0x90 }, 0x5A) : ([0xEB, 0x3C, 0x90], 0x3E);
        jump.CopyTo(sector, 0);
        text(3, "RUSTCABN");
        put16(11, Sector);
        sector[13] = (byte)fat.ClusterSectors;
        put16(14, fat.Reserved);
        sector[16] = FatLayout.Tables;
        put16(17, wide ? 0 : FatLayout.RootEntries);
        bool small = !wide && fat.Sectors < 65_536;
        put16(19, small ? (int)fat.Sectors : 0);
        sector[21] = Disk;
        put16(22, wide ? 0 : (int)fat.FatSectors);
        put16(24, track);
        put16(26, heads);
        put32(28, p.FirstSector);
        put32(32, small ? 0 : fat.Sectors);
        int more = 36;
        if (wide)
        {
            put32(36, fat.FatSectors);
            put32(44, 2);
            put16(48, FsInfo);
            put16(50, BackupBoot);
            more = 64;
        }
        sector[more] = 0x80;
        sector[more + 2] = 0x29;
        put32(more + 3, Serial(p.FirstSector, fat.Clusters));
        text(more + 7, "NO NAME    ");
        text(more + 18, $"{$"FAT{FatLayout.BitsOf(fat.Fs)}", -8}");
        // Whoever starts from it is told to wait: the processor halts.
        (sector[code], sector[code + 1]) = (0xEB, 0xFE);
        return Signed(sector);
    }

    static byte[] Signed(byte[] sector)
    {
        (sector[510], sector[511]) = (0x55, 0xAA);
        return sector;
    }

    /// <summary>A number for a volume or a disk: the same plan gives the same image, byte for byte.</summary>
    static uint Serial(long one, long other) => (uint)((one * 2_654_435_761L) ^ (other * 40_503L) ^ 0x5243_0001);
}
