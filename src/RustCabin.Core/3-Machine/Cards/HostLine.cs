using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Cards;

/// <summary>Kinds of lines across a card.</summary>
public enum LineKind
{
    /// <summary>What lies behind cannot be reached at all.</summary>
    Reach,

    /// <summary>A partition to start from must end before it.</summary>
    Start,

    /// <summary>No partition may be longer.</summary>
    Length,
}

/// <summary>A line that a host cannot pass. Source: docs/handbook/storage.md, Limits.</summary>
/// <param name="Kind">What it holds back.</param>
/// <param name="Bytes">Where it lies, from the start of the card; of a length, how long.</param>
/// <param name="Words">What makes it.</param>
public sealed record HostLine(LineKind Kind, long Bytes, string Words)
{
    const int Cylinders = 1024;

    /// <summary>The lines of a host, nearest first within their kinds.</summary>
    public static IReadOnlyList<HostLine> Of(HostLimits host)
    {
        var lines = new List<HostLine>();
        if (host.Geometry is { } g)
            lines.Add(
                new(
                    LineKind.Reach,
                    (long)Cylinders * g.Heads * g.Sectors * HostLimits.Sector,
                    $"{Cylinders} cylinders x {g.Heads} heads x {g.Sectors} sectors x {HostLimits.Sector} bytes"
                )
            );
        if (host.BlockBits is { } bits)
            lines.Add(new(LineKind.Reach, (1L << bits) * HostLimits.Sector, $"2^{bits} blocks of {HostLimits.Sector} bytes"));
        if (host.OffsetBits is { } offset)
            lines.Add(new(LineKind.Reach, 1L << offset, $"offsets of {offset} bits: 2^{offset} bytes"));
        if (host.StartWithin is { } start)
            lines.Add(new(LineKind.Start, (long)start.Bytes, $"it starts within {start}"));
        if (host.LargestPartition is { } largest)
            lines.Add(new(LineKind.Length, (long)largest.Bytes, $"partitions up to {largest}"));
        return [.. lines.OrderBy(l => l.Kind).ThenBy(l => l.Bytes)];
    }

    /// <summary>As a person reads it: how far it reaches is worked out, the others say their size themselves.</summary>
    public string Label => Kind == LineKind.Reach ? $"{Words}: {new ByteSize((ulong)Bytes)}" : Words;
}
