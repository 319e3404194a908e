using RustCabin.Core.Cards;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;

namespace RustCabin.Core.Storage;

/// <summary>
/// What cards bring to a build: each is prepared, its kit copied, and the machine started from it. Source:
/// docs/handbook/storage.md, Steps.
/// </summary>
static class StorageWorks
{
    const decimal PrepareMinutes = 15,
        KitMinutes = 5,
        FigureMinutes = 4,
        LookMinutes = 3;

    /// <summary>
    /// The work of a job's cards: what is done on another computer first, what the machine does itself at the end.
    /// </summary>
    public static IEnumerable<Work> Of(BuildAsked asked)
    {
        foreach (PlannedCard card in PlannedCard.Of(asked.After))
        {
            bool fits = asked.Before.Find(card.Device.Name) is null;
            bool there = card.Layout.Host.Table == TableKind.Pc;
            Step prepare = Prepare(asked.After, card, fits && !there);
            Step[] kit = [.. Kit(card)];
            StepId[] needs = [prepare.Id, .. kit.Select(k => k.Id), .. fits ? [Acts.Fit(card.Device.Name)] : (StepId[])[]];
            yield return new Work(there ? WorkTime.Before : WorkTime.Last, [prepare, .. kit]);
            yield return card.Card.Partitions.Any(p => p.Start)
                ? new Work(WorkTime.Last, [])
                {
                    Gate = new GateAsked(StorageActs.StartFrom(card.Device.Name), $"from the card in {card.Device.Title}", needs)
                    {
                        Sees = Sees(card),
                    },
                }
                : new Work(WorkTime.Last, [Look(card, needs)]);
        }
    }

    static Step Prepare(PlannedUnit unit, PlannedCard card, bool afterFit) =>
        new(
            StorageActs.PrepareCard(card.Device.Name),
            StepKind.Set,
            card.Card.Origin switch
            {
                CardOrigin.Clone => $"Clone the {card.Card.Labelled} card for {card.Device.Title}",
                CardOrigin.Image => $"Write the image onto the {card.Card.Labelled} card for {card.Device.Title}",
                _ => $"Prepare the {card.Card.Labelled} card for {card.Device.Title}",
            },
            [
                .. card.Layout.Host.Table switch
                {
                    TableKind.Pc => card.Layout.Partitions.Select(Words),
                    TableKind.Own => CardScript
                        .Figures(card.Layout)
                        .Select(f => $"In the machine's own partitioner, {f.Name}: {f.Figures}."),
                    _ => [$"{card.Device.Title} formats the card itself: put it in empty and follow what it shows."],
                },
                .. card.Card.From.Length > 0 ? [$"From: {card.Card.From}."] : (string[])[],
                .. card.Card.Origin == CardOrigin.Clone
                    ? card.Card.Partitions.Where(p => p.Start).Select(p => $"Then put this machine's own system onto {p.Name}.")
                    : [],
                .. Holds(unit, card),
            ],
            card.Layout.Host.Table == TableKind.Own ? FigureMinutes * Math.Max(1, card.Layout.Partitions.Count) : PrepareMinutes
        )
        {
            Station = StorageStation.Here,
            Needs = afterFit ? [Acts.Fit(card.Device.Name)] : [],
        };

    static string Words(PlacedPartition p) =>
        $"{p.Asked.Name}: {new ByteSize((ulong)p.Bytes)}, {Words<FileSystem>.Of(p.Fs)}"
        + (p.Fat is { } fat ? $", clusters of {new ByteSize((ulong)fat.ClusterBytes)}" : "")
        + (p.Asked.Start ? ", to start from" : "")
        + ".";

    static IEnumerable<string> Holds(PlannedUnit unit, PlannedCard card) =>
        card
            .Layout.Partitions.Where(p => p.Asked.Holds.Count > 0)
            .Select(p => $"Onto {p.Asked.Name}: {string.Join(", ", p.Asked.Holds.Select(id => NameOf(unit, id)))}.");

    static string NameOf(PlannedUnit unit, string title) =>
        unit.Titles.FirstOrDefault(t => t.Id == title)?.Name ?? IdText.Plain(title);

    static IEnumerable<Step> Kit(PlannedCard card)
    {
        if (card.Device.Part.CardKit is not { } kit)
            yield break;
        var files = KitFiles.Of(kit, card.Choices);
        yield return new Step(
            StorageActs.CopyKit(card.Device.Name),
            StepKind.Set,
            $"Copy the kit of {card.Device.Part.Name} onto the card",
            [.. files.Select(f => $"{f.Path}"), "The Storage page makes the zip, and reads a listing of the card back."],
            KitMinutes
        )
        {
            Station = StorageStation.Here,
            Needs = [StorageActs.PrepareCard(card.Device.Name)],
        };
    }

    static Step Look(PlannedCard card, StepId[] needs) =>
        new(
            StorageActs.LookAtCard(card.Device.Name),
            StepKind.Prove,
            $"Look at the card in {card.Device.Title}",
            [.. Sees(card)],
            LookMinutes
        )
        {
            Station = StorageStation.Here,
            Runs = true,
            Needs = needs,
        };

    static IReadOnlyList<string> Sees(PlannedCard card) =>
        card.Card.Partitions.Count == 0
            ? ["You must see what the device lists of the card."]
            : [$"You must see: {string.Join(", ", card.Card.Partitions.Select(p => p.Name))}."];
}
