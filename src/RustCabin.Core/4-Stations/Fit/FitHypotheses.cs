using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>
/// What can go wrong with parts: one not seated, a switch elsewhere, a fault that a part is known for. Source:
/// docs/handbook/faults.md, Causes.
/// </summary>
static class FitHypotheses
{
    const decimal LookMinutes = 1,
        SwitchMinutes = 1,
        KnownMinutes = 5,
        PressMinutes = 5;

    public const string Press = "press";

    public const string Pressed = "it works then",
        NoChange = "no change";

    /// <summary>What is seen of parts: whether a press helps, what their known faults show, what stands on the
    /// screen.</summary>
    public static IEnumerable<Sight> Sights(PlannedUnit at)
    {
        if (at.Parts.Any())
            yield return new Sight(
                Press,
                "Power off, press every plug, board and chip home, and switch on again",
                PressMinutes,
                NoChange,
                [Pressed]
            )
            {
                Dark = NoChange,
            };
        foreach (
            IGrouping<string, string> also in at
                .Instances.SelectMany(i => i.Part.Faults)
                .SelectMany(f => f.Shows.Also)
                .GroupBy(a => a.Key, a => a.Value)
        )
            yield return new Sight(also.Key, $"Look at the {also.Key}", 1, "right", [.. also]) { InCall = true };
        Message[] messages = [.. at.Model.Messages, .. at.Instances.SelectMany(i => i.Part.Messages)];
        if (messages.Length > 0)
            yield return new Sight(
                "message",
                "Read what stands on the screen",
                1,
                "nothing odd",
                [.. messages.Select(m => m.Text)]
            )
            {
                Suspects = messages.DistinctBy(m => m.Text).ToDictionary(m => m.Text, m => m.Suspects),
            };
    }

    public static IEnumerable<Hypothesis> Of(PlannedUnit at) =>
        at.Instances.SelectMany(part => part.IsMainboard ? Switches(at, part, []) : Of(at, part)).Concat(Pairs(at));

    /// <summary>Two parts of one site that are both not seated: what sits below takes the other with it.</summary>
    static IEnumerable<Hypothesis> Pairs(PlannedUnit at) =>
        from one in at.Instances.Index()
        from other in at.Instances.Skip(one.Index + 1)
        where one.Item.Occupied.Select(o => o.Site).Intersect(other.Occupied.Select(o => o.Site)).Any()
        select Hypothesis.Of(
            at,
            $"seat:{one.Item.Name}+seat:{other.Name}",
            $"neither {one.Item.Title} nor {other.Title} is seated",
            Work.ChanceOf(one.Item) * Work.ChanceOf(other),
            Effect.Without(at, one.Item, other)
        ) with
        {
            Instance = one.Item,
            Mend = $"Switch off, take {other.Title} and {one.Item.Title} out, and seat them again one after the other.",
            MendMinutes = 10,
        };

    static IEnumerable<Hypothesis> Of(PlannedUnit at, Instance part)
    {
        IReadOnlyList<AccessLevel> opens = AccessPath.To(at.Model, part);
        decimal chance = Work.ChanceOf(part);
        var gone = Effect.Without(at, part);
        Shown without = gone.On(at);
        yield return new Hypothesis($"seat:{part.Name}", $"{part.Title} is not seated", chance, without.Seen(Press, Pressed))
        {
            Effect = gone,
            Instance = part,
            IsBetween = true,
            Fault = new BusFault(FaultKind.Unseated, part.Name),
            Mend = $"Switch off, take {part.Title} out, look at its contacts, and seat it all the way.",
            Look = new Look(
                $"seat:{part.Name}",
                $"Look whether {part.Title} is seated all the way",
                LookMinutes,
                "seated",
                "not seated"
            )
            {
                Opens = opens,
            },
        };
        foreach (Hypothesis seated in SeatHypotheses.Of(at, part, gone, without))
            yield return seated;
        foreach (
            Hypothesis other in Switches(at, part, opens)
                .Concat(Drivers(part))
                .Concat(part.Part.Faults.Where(f => f.Cold is null).Select(f => Known(at, part, f, opens)))
        )
            yield return other;
    }

    static IEnumerable<Hypothesis> Switches(PlannedUnit at, Instance part, IReadOnlyList<AccessLevel> opens)
    {
        foreach (Switch own in part.Part.Switches)
        foreach (string position in own.Positions.Where(p => p != part.Positions[own.Id]))
            yield return Hypothesis.Of(
                at,
                $"switch:{part.Name}.{own.Id}={position}",
                $"{own.Id} of {part.Title} stands {position}",
                Work.ChanceOf(part) / 2,
                Effect.Moved(part, own, position)
            ) with
            {
                Instance = part,
                Fault = new BusFault(FaultKind.SwitchMoved, part.Name, Detail: $"{own.Id}={position}"),
                Mend = $"Set {own.Id} of {part.Title} to {part.Positions[own.Id]}.",
                MendMinutes = SwitchMinutes,
                Look = new Look(
                    $"switch:{part.Name}.{own.Id}",
                    $"Look how {own.Id} of {part.Title} stands",
                    SwitchMinutes,
                    part.Positions[own.Id],
                    position
                )
                {
                    Opens = opens,
                },
            };
    }

    static IEnumerable<Hypothesis> Drivers(Instance part)
    {
        foreach (Driver driver in part.Part.Drivers)
            yield return new Hypothesis(
                $"driver:{part.Name}:{driver.Name}",
                $"{driver.Name} for {part.Title} is missing, too old, or was put on in the wrong order",
                Work.ChanceOf(part) / 4,
                Shown.Nothing
            )
            {
                Instance = part,
                Mend = $"Put {driver.Name} on again, in the order that the sheet asks for.",
                MendMinutes = 10,
                Look = new Look(
                    $"driver:{part.Name}:{driver.Name}",
                    $"Look which {driver.Name} is on",
                    LookMinutes * 2,
                    "right",
                    "missing or old"
                )
                {
                    State = LookState.Running,
                },
            };
    }

    /// <summary>What the part's own sheet says goes wrong with it.</summary>
    public static Hypothesis Known(PlannedUnit at, Instance part, PartFault known, IReadOnlyList<AccessLevel> opens) =>
        new(
            $"own:{part.Name}:{known.Id}",
            known.Cause.Length > 0 ? known.Cause : $"{part.Title}: {known.Id}",
            known.Weight,
            Shows(at, known.Shows)
        )
        {
            Instance = part,
            Mend = known.Mend,
            Look =
                known.Check.Length > 0
                    ? new Look($"own:{part.Name}:{known.Id}", known.Check, KnownMinutes, "not so", "just so") { Opens = opens }
                    : null,
        };

    static Shown Shows(PlannedUnit at, FaultShows shows)
    {
        PowerUpCount? count =
            shows.Lines.Count == 0
                ? null
                : new PowerUpCount([
                    .. shows.Lines.Select(
                        (bytes, i) =>
                            new CountedLine(
                                at.Model.PowerUp.ElementAtOrDefault(i)?.Label ?? $"line {i + 1}",
                                bytes,
                                bytes,
                                [],
                                ""
                            )
                    ),
                ]);
        return new Shown(count, shows.Starts) { Others = shows.Also };
    }
}
