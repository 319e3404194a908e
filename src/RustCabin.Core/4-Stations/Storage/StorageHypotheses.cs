using RustCabin.Core.Cards;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Storage;

/// <summary>What can be wrong with cards, and with devices on one bus. Source: docs/handbook/faults.md, Causes.</summary>
static class StorageHypotheses
{
    const decimal CardMinutes = 4,
        FileMinutes = 3,
        SwitchMinutes = 1,
        LightMinutes = 1;

    /// <summary>Whether it starts from a card, and the activity light of each device.</summary>
    public static IEnumerable<Sight> Sights(PlannedUnit at) =>
        PlannedCard
            .Of(at)
            .Select(c => new Sight(Starts(c.Device), $"Start from the card in {c.Device.Title}", FileMinutes, "it starts", [No])
            {
                Dark = No,
            })
            .Concat(
                Attached
                    .Of(at)
                    .Select(d => new Sight(
                        Light(d.Device),
                        $"Watch the activity light of {d.Device.Title}",
                        LightMinutes,
                        "flickers",
                        ["dark", "stays lit"]
                    )
                    {
                        Dark = "dark",
                    })
            );

    const string No = "it does not";

    static string Starts(Instance device) => $"start from {device.Name}";

    static string Light(Instance device) => $"light of {device.Name}";

    public static IEnumerable<Hypothesis> Of(PlannedUnit at) => Cards(at).Concat(Buses(at));

    static IEnumerable<Hypothesis> Cards(PlannedUnit at) =>
        from card in PlannedCard.Of(at)
        from wrong in Of(card)
        select wrong with
        {
            Instance = card.Device,
        };

    /// <summary>Two devices of one id, and an end that is not terminated.</summary>
    static IEnumerable<Hypothesis> Buses(PlannedUnit at)
    {
        foreach (IGrouping<HostHere, Attached> bus in Attached.Of(at).Where(d => d.Host is not null).GroupBy(d => d.Host!))
        {
            Attached[] devices = [.. bus];
            foreach ((int i, Attached one) in devices.Index())
            foreach (Attached other in devices[(i + 1)..])
                yield return new Hypothesis(
                    $"id:{one.Device.Name}+{other.Device.Name}",
                    $"{one.Device.Title} and {other.Device.Title} have the same id",
                    Work.ChanceOf(one.Device) / 4,
                    Shows(at, devices, "stays lit")
                )
                {
                    Instance = other.Device,
                    Mend = $"Give {other.Device.Title} the id that Storage plans.",
                    MendMinutes = SwitchMinutes,
                    Look = Look.At(
                        at,
                        one.Device,
                        $"id:{one.Device.Name}+{other.Device.Name}",
                        "Compare the ids of both",
                        SwitchMinutes,
                        "two",
                        "one and the same"
                    ),
                };
            if (bus.Key.Host.HostId is not null)
                yield return new Hypothesis(
                    $"terminator:{bus.Key.Name}",
                    $"the bus of {bus.Key.Name} is not terminated at its ends, or in its middle",
                    Work.UsualChance / 4,
                    Shows(at, devices, "flickers")
                )
                {
                    Mend = "A terminator at each end, none between; power for them from one device.",
                    MendMinutes = SwitchMinutes * 4,
                    Look = Look.At(
                        at,
                        devices[0].Device,
                        $"terminator:{bus.Key.Name}",
                        "Count the terminators, and look where they sit",
                        SwitchMinutes * 2,
                        "one at each end",
                        "too few or too many"
                    ),
                };
        }
    }

    /// <summary>Nothing starts from the bus, and its lights show how it hangs.</summary>
    static Shown Shows(PlannedUnit at, IReadOnlyList<Attached> devices, string light)
    {
        Shown lit = devices.Aggregate(Shown.Nothing, (shown, d) => shown.Seen(Light(d.Device), light));
        return PlannedCard
            .Of(at)
            .Where(c => devices.Any(d => d.Device == c.Device))
            .Aggregate(lit, (shown, card) => shown.Seen(Starts(card.Device), No));
    }

    static IEnumerable<Hypothesis> Of(PlannedCard card)
    {
        string name = card.Device.Name,
            title = card.Device.Title;
        decimal tenth = Work.ChanceOf(card.Device) / 10;
        Shown shows = Shown.Nothing.Seen(Starts(card.Device), No);
        Look look(string id, string words, decimal minutes, string shown) =>
            new($"card:{name}:{id}", words, minutes, "right", shown);
        yield return new Hypothesis(
            $"card:{name}:read",
            $"the card in {title} is not read: worn, of another kind, or larger than can be passed",
            tenth,
            shows
        )
        {
            Mend = "Another card of the planned kind and size, prepared again.",
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
