using RustCabin.Core.Cards;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Storage;

/// <summary>What is wrong with a card as it is divided. Source: docs/handbook/storage.md, Limits.</summary>
public static class CardFindings
{
    /// <summary>The findings of a layout: limits first, then partition by partition.</summary>
    /// <param name="layout">The card.</param>
    /// <param name="subject">What they are about.</param>
    /// <param name="lifts">What lifts the limits, in words; empty: nothing is known to.</param>
    public static IEnumerable<Finding> Of(CardLayout layout, Subject subject, string lifts = "")
    {
        if (layout.UnreachableBytes > 0)
            yield return Limit(layout, subject, lifts);
        if (layout.Partitions.Count > CardLayout.MostOf(layout.Host.Table))
            yield return new Finding(
                StorageFindings.Part,
                Severity.Stop,
                $"{layout.Partitions.Count} partitions",
                [subject],
                $"A PC table has room for {CardLayout.MostOf(layout.Host.Table)}; more go into the machine's own table.",
                [$"Asked for: {string.Join(", ", layout.Partitions.Select(p => p.Asked.Name))}."]
            );
        if (layout.Partitions.Where(p => p.Asked.Start).ToArray() is { Length: > 1 } starts)
            yield return new Finding(
                StorageFindings.Part,
                Severity.Stop,
                "Two partitions to start from",
                [subject],
                $"The machine starts from one partition; {string.Join(" and ", starts.Select(p => p.Asked.Name))} are marked.",
                ["A table marks one partition as the one to start from."]
            );
        // One cause makes one stop: what lies behind a partition that is too large lies where it does because of it.
        bool pushed = layout.UnreachableBytes > 0 && layout.Partitions.Any(p => p.End > layout.ReachableBytes);
        foreach (PlacedPartition p in layout.Partitions)
        {
            if (Wrong(layout, p, pushed, subject, lifts) is { } found)
                yield return found;
            pushed |= p.End > layout.UsableBytes || TooLong(layout, p);
        }
    }

    static bool TooLong(CardLayout layout, PlacedPartition p) =>
        layout.Host.LargestPartition is { } largest && p.Bytes > (long)largest.Bytes;

    /// <summary>What is wrong with a partition itself; null: nothing, or nothing but where those before it put it.</summary>
    static Finding? Wrong(CardLayout layout, PlacedPartition p, bool pushed, Subject subject, string lifts) =>
        Oversize(layout, p, pushed) is { } why
            ? new Finding(
                StorageFindings.Part,
                Severity.Stop,
                $"{p.Asked.Name} cannot be",
                [subject],
                $"{p.Asked.Name}: {why}.{lifts}",
                Steps(layout, p)
            )
        : !pushed && p.Asked.Start && layout.Host.StartWithin is { } within && p.End > (long)within.Bytes
            ? new Finding(
                StorageFindings.Start,
                Severity.Stop,
                $"No start from {p.Asked.Name}",
                [subject],
                $"{p.Asked.Name} ends at {Size(p.End)}; the machine starts only from what ends within {within}.{lifts}",
                Steps(layout, p)
            )
        : null;

    static Finding Limit(CardLayout layout, Subject subject, string lifts)
    {
        PlacedPartition[] beyond = [.. layout.Partitions.Where(p => p.End > layout.ReachableBytes)];
        HostLine line = layout.Lines.First(l => l.Kind == LineKind.Reach);
        return new Finding(
            StorageFindings.Limit,
            beyond.Length > 0 ? Severity.Stop : Severity.Watch,
            beyond.Length > 0 ? $"{beyond[0].Asked.Name} lies beyond reach" : $"{Size(layout.UnreachableBytes)} out of reach",
            [subject],
            (
                beyond.Length > 0
                    ? $"{string.Join(", ", beyond.Select(p => p.Asked.Name))}: beyond {Size(layout.ReachableBytes)}, which is "
                        + "as far as the host reaches."
                    : $"The host reaches {Size(layout.ReachableBytes)} of the card; {layout.UnreachableBytes:#,0} bytes lie "
                        + "beyond."
            ) + lifts,
            [
                $"{layout.Card.Text} is planned as {layout.UsableBytes:#,0} bytes: 97 %, rounded down to 1 MiB.",
                .. layout.Lines.Where(l => l.Kind == LineKind.Reach).Select(l => $"{l.Words}: {l.Bytes:#,0} bytes."),
                $"Nearest: {line.Words}. {layout.UsableBytes:#,0} - {layout.ReachableBytes:#,0} = {layout.UnreachableBytes:#,0}.",
                .. beyond.Select(p => $"{p.Asked.Name} ends at {p.End:#,0}."),
            ]
        );
    }

    /// <summary>Why a partition cannot be as it is; null: it can.</summary>
    static string? Oversize(CardLayout layout, PlacedPartition p, bool pushed)
    {
        if (p.Sectors == 0)
            return pushed ? null : "nothing is left for it";
        if (layout.Host.LargestPartition is { } largest && p.Bytes > (long)largest.Bytes)
            return $"{Size(p.Bytes)} is more than the host takes, {largest}";
        if (p.End > layout.UsableBytes)
            return pushed ? null : $"it ends at {Size(p.End)}, and the card at {Size(layout.UsableBytes)}";
        if (p is not { IsFat: true, Fat: null })
            return null;
        string into = p.Asked.Cluster is { } cluster ? $" into {cluster}" : "";
        string limit =
            FatLayout.MostSectors(p.Fs, (long?)p.Asked.Cluster?.Bytes) is { } most && p.Sectors > most
                ? $"; {Size(most / layout.Unit * layout.Unit * HostLimits.Sector)} is the most"
                : "";
        return $"no valid cluster of {Declared.Words<FileSystem>.Of(p.Asked.Fs)} divides {Size(p.Bytes)}{into}{limit}";
    }

    static string[] Steps(CardLayout layout, PlacedPartition p) =>
        [
            $"Sectors {p.FirstSector:#,0} to {p.FirstSector + p.Sectors - 1:#,0}: {p.Bytes:#,0} bytes, ending at {p.End:#,0}.",
            .. layout.Lines.Select(l => $"{l.Words}: {l.Bytes:#,0} bytes."),
            .. p is { IsFat: true, Fat: null }
                ? ["FAT12 has up to 4,068 clusters, FAT16 4,101 to 65,508 of up to 32 KiB, FAT32 65,541 and more."]
                : (string[])[],
        ];

    static string Size(long bytes) => new ByteSize((ulong)bytes).ToString();
}
