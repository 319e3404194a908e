using System.Globalization;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>
/// A plan of partitions written out: a script that sfdisk takes, figures to type into the machine's own partitioner, CSV.
/// Source: docs/handbook/storage.md, Written out.
/// </summary>
public static class CardScript
{
    /// <summary>The script of a PC table; no word of the user's is in it. Empty for a card that has no PC table.</summary>
    public static string Of(CardLayout layout) =>
        layout.Host.Table != TableKind.Pc
            ? ""
            : string.Join(
                '\n',
                [
                    "label: dos",
                    "unit: sectors",
                    $"sector-size: {HostLimits.Sector}",
                    "",
                    .. layout.Partitions.Select(p =>
                        string.Create(
                            CultureInfo.InvariantCulture,
                            $"start={p.FirstSector}, size={p.Sectors}, type={p.Type.TrimStart('0')}{Flag(p)}"
                        )
                    ),
                    "",
                ]
            );

    static string Flag(PlacedPartition p) => p.Asked.Start ? ", bootable" : "";

    /// <summary>
    /// The figures that a partitioner of the machine's own asks for: where each partition starts and how long it is, in blocks;
    /// where the host counts by rounds (heads times sectors), the round with which it ends, from 0.
    /// </summary>
    public static IReadOnlyList<(string Name, string Figures)> Figures(CardLayout layout) =>
        [.. layout.Partitions.Select(p => (p.Asked.Name, FiguresOf(layout, p)))];

    static string FiguresOf(CardLayout layout, PlacedPartition p)
    {
        string blocks = string.Create(CultureInfo.InvariantCulture, $"from block {p.FirstSector}, {p.Sectors} blocks long");
        return layout.Host.Geometry is null
            ? blocks
            : string.Create(
                CultureInfo.InvariantCulture,
                $"{blocks}, to the end of round {(p.FirstSector + p.Sectors - 1) / layout.Unit} ({layout.Unit} blocks a round)"
            );
    }

    /// <summary>The plan as CSV (RFC 4180), a head line first.</summary>
    public static string AsCsv(CardLayout layout) =>
        Csv.Of([
            [
                "name",
                "first sector",
                "sectors",
                "bytes",
                "file system",
                "type",
                "cluster bytes",
                "clusters",
                "waste bytes",
                "start",
            ],
            .. layout.Partitions.Select(p =>
                (string[])
                    [
                        p.Asked.Name,
                        $"{p.FirstSector}",
                        $"{p.Sectors}",
                        $"{p.Bytes}",
                        Declared.Words<FileSystem>.Of(p.Fs),
                        p.Type,
                        $"{p.Fat?.ClusterBytes}",
                        $"{p.Fat?.Clusters}",
                        $"{p.WasteBytes}",
                        p.Asked.Start ? "yes" : "",
                    ]
            ),
        ]);
}
