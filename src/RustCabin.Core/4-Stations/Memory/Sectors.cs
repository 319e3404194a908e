namespace RustCabin.Core.Memory;

/// <summary>One file of a sector format: its bytes and the sectors that it takes.</summary>
public sealed record FileInSectors(ulong Bytes, ulong Sectors);

/// <summary>
/// What fits on a RAM disk or a disc of sectors. Capacity is sectors times bytes per sector; a file of b bytes takes <c>ceil(b
/// / (sector - link bytes))</c> sectors, an empty one 1; boot, table and directory sectors are reserved. <paramref
/// name="FreeSectors"/> below 0: so many are missing. Source: docs/handbook/memory.md, Sectors.
/// </summary>
public sealed record SectorPlan(ulong CapacityBytes, long FreeSectors, IReadOnlyList<FileInSectors> Files)
{
    /// <exception cref="ArgumentOutOfRangeException">The links leave no room in a sector, or more sectors are reserved than there
    /// are.</exception>
    public static SectorPlan Of(
        ulong sectors,
        ulong reservedSectors,
        ulong bytesPerSector,
        ulong linkBytes,
        IReadOnlyList<ulong> files
    )
    {
        ArgumentOutOfRangeException.ThrowIfZero(bytesPerSector);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(linkBytes, bytesPerSector);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(reservedSectors, sectors);
        ulong room = bytesPerSector - linkBytes;
        FileInSectors[] placed =
        [
            .. files.Select(bytes => new FileInSectors(bytes, Math.Max(1, bytes / room + (bytes % room == 0 ? 0ul : 1)))),
        ];
        return new SectorPlan(
            sectors * bytesPerSector,
            (long)(sectors - reservedSectors) - placed.Sum(f => (long)f.Sectors),
            placed
        );
    }
}
