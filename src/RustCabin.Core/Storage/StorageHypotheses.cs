using RustCabin.Core.Cards;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Storage;

/// <summary>What can be wrong with a card. Source: docs/handbook/faults.md, Causes.</summary>
static class StorageHypotheses
{
    const decimal CardMinutes = 4,
        FileMinutes = 3;

    public static IEnumerable<Hypothesis> Of(PlannedUnit at) =>
        from card in PlannedCard.Of(at)
        from wrong in Of(card)
        select wrong with
        {
            Instance = card.Device,
            InCall = false,
        };

    static IEnumerable<Hypothesis> Of(PlannedCard card)
    {
        string name = card.Device.Name,
            title = card.Device.Title;
        decimal tenth = Work.ChanceOf(card.Device) / 10;
        var shows = Shown.Nothing with { Others = new Dictionary<string, string> { [$"start from the card in {title}"] = "no" } };
        Look look(string id, string words, decimal minutes, string shown) =>
            new($"card:{name}:{id}", words, minutes, "right", shown);
        yield return new Hypothesis(
            $"card:{name}:read",
            $"the card in {title} is not read: worn, of another kind, or larger than can be passed",
            tenth,
            shows
        )
        {
            Mend = "Another card of the planned kind and size, prepared anew.",
            MendMinutes = 20,
            Look = look("read", "Read the card on another computer, end to end", CardMinutes, "it stops"),
        };
        yield return new Hypothesis($"card:{name}:fs", $"the card in {title} has another file system or table", tenth, shows)
        {
            Mend = "Divide and format the card as Storage plans it.",
            MendMinutes = 15,
            Look = look("fs", "Look at the card's partitions on another computer", FileMinutes, "another"),
        };
        if (card.Device.Part.CardKit is not null)
            yield return new Hypothesis($"card:{name}:kit", $"a file of the kit is missing on the card in {title}", tenth, shows)
            {
                Mend = "Copy the kit again, all of it.",
                Look = look("kit", "Hold the card's files against the kit's list", FileMinutes, "one is missing"),
            };
    }
}
