using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>A title on a card: which partition, and what its discs are called.</summary>
/// <param name="Title">The title.</param>
/// <param name="Partition">The partition that holds it.</param>
/// <param name="Files">The names of its discs' files.</param>
public sealed record HeldTitle(Title Title, PlacedPartition Partition, IReadOnlyList<string> Files);

/// <summary>
/// A card of a job, divided within what its host can pass, with the titles that it holds. Source: docs/handbook/storage.md,
/// Partitions.
/// </summary>
/// <param name="Card">What the job says.</param>
/// <param name="Device">The part that it goes into.</param>
/// <param name="Attached">That part at its host.</param>
/// <param name="Layout">The card divided.</param>
public sealed record PlannedCard(JobCard Card, Instance Device, Attached Attached, CardLayout Layout)
{
    /// <summary>
    /// What is chosen for the kit: as the job says, but where a switch of the part is a line in a file and makes a choice, as
    /// that switch stands.
    /// </summary>
    public IReadOnlyDictionary<string, string> Choices =>
        Device
            .Part.Switches.Where(s => s.Choice is not null)
            .Aggregate(
                new Dictionary<string, string>(Card.Choices),
                (all, s) =>
                {
                    all[s.Choice!] = Device.Positions[s.Id];
                    return all;
                }
            );

    /// <summary>The cards of a job whose part is there and whose label reads, in order.</summary>
    public static IReadOnlyList<PlannedCard> Of(PlannedUnit unit)
    {
        if (unit.Job is not { Cards.Count: > 0 } job)
            return [];
        IReadOnlyList<Attached> devices = Attached.Of(unit);
        return
        [
            .. from card in job.Cards
            let at = devices.FirstOrDefault(a => a.Device.Name == card.On)
            where at is not null
            let label = CardLabel.Parse(card.Labelled, out _)
            where label is not null
            select new PlannedCard(card, at.Device, at, Divide(unit, card, label, LimitsOf(unit, at))),
        ];
    }

    static CardLayout Divide(PlannedUnit unit, JobCard card, CardLabel label, HostLimits limits) =>
        CardLayout.Of(
            label,
            limits,
            [
                .. card.Partitions.Select(p =>
                    (
                        p,
                        (IReadOnlyList<long>)
                            [
                                .. p
                                    .Holds.Select(id => unit.Titles.FirstOrDefault(t => t.Id == id))
                                    .OfType<Title>()
                                    .SelectMany(SizesOf),
                                .. p.Files.Select(f => (long)f.Bytes),
                            ]
                    )
                ),
            ]
        );

    /// <summary>
    /// What holds for a card: the host's limits, but for firmware that lifts them; a device that reads the card itself hides
    /// them.
    /// </summary>
    public static HostLimits LimitsOf(PlannedUnit unit, Attached at)
    {
        if (at.Host is not { Host: var host } || at.Storage.FileSystem is not null)
            return new HostLimits();
        HostLimits plain = new()
        {
            BlockBits = host.BlockBits,
            OffsetBits = host.OffsetBits,
            LargestPartition = host.LargestPartition,
            StartWithin = host.StartWithin,
            Geometry = host.Geometry,
            Table = host.Table,
        };
        return IsLifted(unit, host)
            ? new HostLimits
            {
                Geometry = host.Geometry,
                BlockBits = host.BlockBits,
                Table = host.Table,
            }
            : plain;
    }

    /// <summary>True if the firmware lifts the limits of a host: largest partition, start, offsets.</summary>
    public static bool IsLifted(PlannedUnit unit, StorageHost host) =>
        host.LiftedBy is { } firmware && FirmwareLine.Has(unit.Model, unit.Firmware, firmware) == true;

    /// <summary>The file names that are read: by the device itself where it reads the card, else by the host.</summary>
    public NameRule? Names => Attached.Storage.FileSystem is null ? Attached.Host?.Host.Names : null;

    /// <summary>The titles that it holds, partition by partition.</summary>
    public IReadOnlyList<HeldTitle> Titles(PlannedUnit unit) =>
        [
            .. from partition in Layout.Partitions
            from id in partition.Asked.Holds
            let title = unit.Titles.FirstOrDefault(t => t.Id == id)
            where title is not null
            select new HeldTitle(title, partition, FilesOf(title)),
        ];

    /// <summary>The sizes of a title's discs: its bytes in equal parts.</summary>
    static IEnumerable<long> SizesOf(Title title) =>
        title.Bytes is { } bytes ? Enumerable.Range(0, title.Discs).Select(i => ((long)bytes.Bytes + i) / title.Discs) : [];

    /// <summary>The names of a title's discs.</summary>
    static string[] FilesOf(Title title)
    {
        if (title.File is not { } file)
            return [];
        int dot = file.LastIndexOf('.');
        (string stem, string ext) = dot > 0 ? (file[..dot], file[dot..]) : (file, "");
        return [.. Enumerable.Range(1, title.Discs).Select(i => i == 1 ? file : $"{stem}-{i}{ext}")];
    }
}
