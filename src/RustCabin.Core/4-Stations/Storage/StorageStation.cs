using RustCabin.Core.Cards;
using RustCabin.Core.Choices;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Storage;

/// <summary>Cards, drives, buses, partitions and files. Source: docs/handbook/storage.md.</summary>
public sealed class StorageStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Storage");

    /// <inheritdoc/>
    public override StationName Name => Here;

    static readonly PassportPart Cards = new("Cards", 20);

    /// <summary>A card of one's own goes out with what it is in, and nothing of the machine is changed by it.</summary>
    public override IReadOnlyList<Act> OwnActs => StorageActs.All;

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [Cards];

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => StorageFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [Check.On(Rests.All, StorageChecks.Cards), Check.On(Rests.All, BusChecks.Of)];

    /// <inheritdoc/>
    public override IEnumerable<Work> Works(BuildAsked asked) => StorageWorks.Of(asked);

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => StorageHypotheses.Of(at);

    /// <inheritdoc/>
    public override IEnumerable<Sight> Sights(PlannedUnit at) => StorageHypotheses.Sights(at);

    /// <summary>A card leaves the cupboard when it is prepared.</summary>
    public override IEnumerable<Piece> Pieces(PlannedUnit unit) =>
        from card in PlannedCard.Of(unit)
        where card.Card.Origin != CardOrigin.Image || card.Card.From.Length > 0
        let step = StorageActs.PrepareCard(card.Device.Name)
        select new Piece(StockKind.Card, $"card {card.Layout.Card.Text}", 1, item => IsSuch(item, card.Layout.Card))
        {
            Step = step,
            Done = unit.Job!.Done.Contains(step),
            Item = card.Layout.Card.Text,
        };

    static bool IsSuch(StockItem item, CardLabel label) =>
        item.Kind == StockKind.Card && CardLabel.Parse(item.Item, out _)?.Bytes == label.Bytes;

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) =>
        Prepared(asked)
            .Concat(
                from taken in asked.Unit.Job?.Releases ?? []
                let device = asked.Unit.Find(InstanceName.Parse(taken.On))
                where device is not null
                select new PassportLine(
                    Cards,
                    taken.File,
                    device.Title,
                    taken.Sum is { } sum ? $"SHA-256 {sum}" : "no checksum was taken",
                    "put in"
                )
                {
                    At = taken.At,
                }
            );

    static IEnumerable<PassportLine> Prepared(PassportAsked asked) =>
        from card in PlannedCard.Of(asked.Unit)
        let made = asked.IsDone(StorageActs.PrepareCard(card.Device.Name))
        let kit = card.Device.Part.CardKit is { } k ? KitFiles.Chosen(k, card.Choices) : null
        select new PassportLine(
            Cards,
            $"Card, {card.Card.Labelled}",
            card.Device.Title,
            string.Join(
                "; ",
                (string[])
                    [
                        .. card.Layout.Partitions.Select(p =>
                            $"{p.Asked.Name} {new Units.ByteSize((ulong)p.Bytes)} {Declared.Words<FileSystem>.Of(p.Fs)}"
                        ),
                        .. kit is { Count: > 0 } ? [string.Join(", ", kit.Select(c => $"{c.Key} {c.Value}"))] : (string[])[],
                        .. card.Card.Origin != CardOrigin.Plan || card.Card.From.Length > 0
                            ?
                            [
                                Declared.Words<CardOrigin>.Of(card.Card.Origin)
                                    + (card.Card.From.Length > 0 ? $": {card.Card.From}" : ""),
                            ]
                            : (string[])[],
                    ]
            ),
            made ? "prepared" : "planned"
        );

    /// <inheritdoc/>
    public override IEnumerable<Proposal> Proposals(PlannedUnit unit) => CardMends.Of(unit);

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        Instance[] devices = [.. unit.Instances.Where(i => i is { Added: true, Part.Storage: not null })];
        if (devices.Length > 0 && unit.Model.Hosts.Count == 0 && unit.Instances.All(i => i.Part.Hosts.Count == 0))
            yield return MissingFact.OfModel(
                unit,
                nameof(Model.Hosts),
                "what its drives come to",
                "whether contacts, power and ids agree"
            );
        foreach (Instance device in devices.Where(d => d.Part.Storage is { TakesCard: true, LargestCard: null }))
            yield return MissingFact.OfPart(
                device,
                nameof(Part.Storage),
                $"the largest card that {device.Title} takes",
                "whether the card that is planned works"
            );
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit)
    {
        IReadOnlyList<Attached> devices = Attached.Of(unit);
        Attached[] taking = [.. devices.Where(a => a.Storage.TakesCard)];
        IReadOnlyList<PlannedCard> cards = PlannedCard.Of(unit);
        return devices.Count == 0 ? Far.Empty
            : cards.Count < taking.Length && unit.Instances.Any(i => i.Added && taking.Any(t => t.Device == i)) ? Far.InHand
            : Far.Clear;
    }
}
