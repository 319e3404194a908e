using RustCabin.Core.Cards;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Storage;

/// <summary>What is wrong with the cards of a plan and what they hold. Source: docs/handbook/storage.md, Limits.</summary>
static class StorageChecks
{
    /// <summary>Cards: limits, partitions, room, file systems, names, regions.</summary>
    public static IEnumerable<Finding> Cards(PlannedUnit unit)
    {
        IReadOnlyList<PlannedCard> cards = PlannedCard.Of(unit);
        return Unplaced(unit, cards).Concat(cards.SelectMany(c => Of(unit, c)));
    }

    static IEnumerable<Finding> Unplaced(PlannedUnit unit, IReadOnlyList<PlannedCard> cards) =>
        from card in unit.Job?.Cards ?? []
        where cards.All(c => c.Card != card)
        let label = CardLabel.Parse(card.Labelled, out string _)
        select new Finding(
            StorageFindings.Card,
            Severity.Watch,
            $"Nowhere for {card.Labelled}",
            [Subject.Part(InstanceName.Parse(card.On))],
            label is null
                ? $"The label \"{card.Labelled}\" does not read as the size of a card."
                : $"The card of {card.Labelled} is for {card.On}, which is not on this unit, or takes no card.",
            [$"The job puts it into {card.On}."]
        );

    static IEnumerable<Finding> Of(PlannedUnit unit, PlannedCard card)
    {
        Subject subject = card.Device.Subject;
        StorageHost? host = card.Attached.Host?.Host;
        foreach (Finding finding in CardFindings.Of(card.Layout, subject, Lifts(unit, host)))
            yield return finding;
        if (card.Attached.Storage.LargestCard is { } largest && card.Layout.UsableBytes > (long)largest.Bytes)
            yield return new Finding(
                StorageFindings.Card,
                Severity.Stop,
                $"{card.Card.Labelled} is too large",
                [subject],
                $"{card.Device.Title} takes cards up to {largest}.",
                [$"{card.Card.Labelled} is planned as {card.Layout.UsableBytes:#,0} bytes; {largest} are {largest.Bytes:#,0}."]
            );
        foreach (PlacedPartition p in card.Layout.Partitions)
        {
            if (p.Asked.Start && CannotStart(unit, host) is { } firmware)
                yield return NoStart(subject, p, host!, firmware);
            if (p.Fat is { } fat && fat.TakenBy(p.Files) is var taken && taken > fat.Clusters * fat.ClusterBytes)
                yield return new Finding(
                    StorageFindings.Room,
                    Severity.Stop,
                    $"{p.Asked.Name} is too small",
                    [subject],
                    $"Its titles take {Size(taken)}, and it has {Size(fat.Clusters * fat.ClusterBytes)}.",
                    [$"{p.Files.Count} files, each rounded up to clusters of {fat.ClusterBytes:#,0} bytes: {taken:#,0} bytes."]
                );
            IReadOnlyList<FileSystem> reads = card.Attached.Storage.FileSystem is { } own ? [own] : host?.FileSystems ?? [];
            if (reads.Count > 0 && !reads.Any(r => Reads(r, p.Fs)))
                yield return new Finding(
                    StorageFindings.Fs,
                    Severity.Watch,
                    $"{p.Asked.Name} may not be read",
                    [subject],
                    $"{p.Asked.Name} is {Words<FileSystem>.Of(p.Fs)}; {Reader(card)} reads "
                        + $"{string.Join(", ", reads.Select(Words<FileSystem>.Of))}.",
                    ["By the sheet of who reads the card."]
                );
        }
        foreach (Finding finding in Names(unit, card).Concat(Regions(unit, card)).Concat(OtherModels(unit, card)))
            yield return finding;
    }

    static string Reader(PlannedCard card) =>
        card.Attached.Storage.FileSystem is null ? card.Attached.Host?.Title ?? "the machine" : card.Device.Title;

    static bool Reads(FileSystem reads, FileSystem there) =>
        reads == there
        || (reads == FileSystem.Fat && there is FileSystem.Fat12 or FileSystem.Fat16 or FileSystem.Fat32 or FileSystem.Fat);

    static string Lifts(PlannedUnit unit, StorageHost? host) =>
        host?.LiftedBy is { } firmware && !PlannedCard.IsLifted(unit, host) ? $" Firmware {firmware} lifts this limit." : "";

    /// <summary>The firmware that cannot start from there; null: it can, or nobody says.</summary>
    static Firmware? CannotStart(PlannedUnit unit, StorageHost? host) =>
        host?.StartNeeds is { } what
        && NeedCheck.FirmwareOf(unit) is { } firmware
        && !FirmwareLine.Can(unit.Model, firmware).Contains(what)
            ? firmware
            : null;

    static Finding NoStart(Subject subject, PlacedPartition p, StorageHost host, Firmware firmware) =>
        new(
            StorageFindings.Start,
            Severity.Stop,
            $"No start from {p.Asked.Name}",
            [subject],
            $"The machine is to start from {p.Asked.Name}, and firmware {firmware.Id} cannot {IdText.Plain(host.StartNeeds!)}.",
            [$"{IdText.Capital(LocalName.Parse(host.Id).Plain)} needs firmware that can {IdText.Plain(host.StartNeeds!)}."]
        );

    static IEnumerable<Finding> Names(PlannedUnit unit, PlannedCard card)
    {
        if (card.Names is not { } rule)
            yield break;
        NameVerdict[] wrong =
        [
            .. card.Titles(unit)
                .GroupBy(t => t.Partition)
                .SelectMany(g => ShortNames.Of(rule, [.. g.SelectMany(t => t.Files)]))
                .Where(v => !v.Ok),
        ];
        if (wrong.Length > 0)
            yield return new Finding(
                StorageFindings.Name,
                Severity.Watch,
                wrong.Length == 1 ? $"{wrong[0].Given} is not a valid name there" : $"{wrong.Length} names are not valid there",
                [card.Device.Subject],
                $"{card.Attached.Host!.Name} reads names of the form {Words<NameRule>.Of(rule)}.",
                [.. wrong.Take(20).Select(v => $"{v.Given}: call it {v.Proposed}.")]
            );
    }

    static IEnumerable<Finding> Regions(PlannedUnit unit, PlannedCard card) =>
        from held in card.Titles(unit)
        where held.Title.Region is { } region && unit.Model.Region.Count > 0 && !unit.Model.Region.Contains(region)
        select new Finding(
            StorageFindings.Region,
            Severity.Watch,
            $"{held.Title.Name} is for {held.Title.Region}",
            [card.Device.Subject],
            $"The image of {held.Title.Name} is for {held.Title.Region}, this machine for "
                + $"{string.Join(", ", unit.Model.Region)}: it may hang while it loads. Take the image of this "
                + "region, or a unit of the other.",
            ["By the sheets of the title and the model."]
        );

    static IEnumerable<Finding> OtherModels(PlannedUnit unit, PlannedCard card) =>
        from held in card.Titles(unit)
        where !held.Title.IsFor(unit.Model)
        select new Finding(
            StorageFindings.Title,
            Severity.Watch,
            $"{held.Title.Name} is for another model",
            [card.Device.Subject],
            $"The sheet of {held.Title.Name} does not name the {unit.Model.Name} among the models that it runs on.",
            [$"It names {string.Join(", ", held.Title.Models)}."]
        );

    static string Size(long bytes) => new ByteSize((ulong)bytes).ToString();
}
