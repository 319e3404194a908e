using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Power;

/// <summary>A rail that does not come up or sags, and what gets too hot. Source: docs/handbook/faults.md, Causes.</summary>
static class PowerHypotheses
{
    const decimal RailMinutes = 3,
        RunMinutes = 10,
        HeatMinutes = 12;

    /// <summary>How likely it is beforehand that a rail fails.</summary>
    const decimal RailWeight = 0.01m;

    const string Minutes = "minutes";

    /// <summary>From so many watts on a part is felt to be hot.</summary>
    public const decimal HotWatts = 1;

    const string Fails = "goes wrong";

    /// <summary>Whether it goes on for minutes.</summary>
    public static IEnumerable<Sight> Sights() =>
        [new Sight(Minutes, "Leave it running for ten minutes", RunMinutes, "goes on", [Fails])];

    /// <summary>Of each rail and each part that gets hot.</summary>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at)
    {
        // It starts and counts as it should, and goes wrong later: one run serves for all of them.
        Shown later = Shown.Of(PowerUp.Run(at)).Seen(Minutes, Fails);
        return at
            .Rails.SelectMany(r => Of(at, r, later).Append(Short(at, r)))
            .Concat(at.Instances.Where(i => i.Part.HeatW >= HotWatts).Select(i => Hot(at, i, later)));
    }

    static IEnumerable<Hypothesis> Of(PlannedUnit at, Rail rail, Shown later)
    {
        Look look(string shows) =>
            new($"rail:{rail.Id}", $"Measure {rail.Id} V under load", RailMinutes, "there", shows)
            {
                Opens = AccessPath.Deepest(at.Model),
                State = LookState.SwitchedOn,
            };
        // A rail that does not come up: what draws from it is gone, or nothing starts.
        yield return Hypothesis.Of(
            at,
            $"rail:{rail.Id}",
            $"the {rail.Id} V rail does not come up",
            RailWeight,
            Missing(at, rail)
        ) with
        {
            Fault = new BusFault(FaultKind.RailMissing, rail.Id),
            Mend = $"Measure {rail.Id} V from the supply outwards: fuse, plug, switch, then the load.",
            MendMinutes = 15,
            Look = look("missing"),
        };
        yield return new Hypothesis($"weak:{rail.Id}", $"the {rail.Id} V rail sags once all draws from it", RailWeight, later)
        {
            Mend = $"Less load on {rail.Id} V, thicker leads to what draws most, or a supply that carries it.",
            MendMinutes = 20,
            Look = look("low"),
        };
    }

    static Hypothesis Short(PlannedUnit at, Rail rail) =>
        new($"short:{rail.Id}", $"the {rail.Id} V rail is shorted to ground", RailWeight / 2, Shown.Dark)
        {
            Effect = new Effect { IsDead = true },
            Mend = $"Power stays off: take the parts off {rail.Id} V one by one until the short is gone, and mend what made it.",
            MendMinutes = 20,
            Look = new Look($"short:{rail.Id}", $"Power off: measure {rail.Id} V to ground", RailMinutes, "no beep", "beeps")
            {
                Opens = AccessPath.Deepest(at.Model),
                IsMeasured = true,
            },
        };

    /// <summary>A rail that is missing: the parts that draw from it do not answer, or nothing starts.</summary>
    static Effect Missing(PlannedUnit unit, Rail rail)
    {
        Instance[] dark = [.. unit.Instances.Where(i => i.Part.Draws.Any(d => d.Rail == rail.Id && d.PeakAmps > 0))];
        var effect = Effect.Without(unit, dark);
        return rail.UsedAmps > 0 ? effect with { IsDead = true } : effect;
    }

    static Hypothesis Hot(PlannedUnit at, Instance part, Shown later) =>
        new($"heat:{part.Name}", $"{part.Title} gets too hot after minutes", Work.ChanceOf(part) / 4, later)
        {
            Instance = part,
            Mend = $"A heat sink on {part.Title}, air past it, or a slower clock.",
            MendMinutes = 15,
            Look = Look.At(
                at,
                part,
                $"heat:{part.Name}",
                $"Measure how hot {part.Title} is after ten minutes, without a finger",
                HeatMinutes,
                "cool enough",
                "too hot"
            ) with
            {
                State = LookState.Running,
            },
        };

    /// <summary>The machine without a rail, and why it shows that.</summary>
    public static (PowerUpCount?, string) Without(PlannedUnit unit, Rail rail)
    {
        Effect missing = Missing(unit, rail);
        return (
            missing.Count(unit),
            rail.UsedAmps > 0 ? $"The machine itself runs on {rail.Id} V: it does not start, and shows nothing."
            : unit.Instances.Any(i => i.Part.Draws.Any(d => d.Rail == rail.Id && d.PeakAmps > 0))
                ? "What draws from it does not answer."
            : "Nothing here draws from it."
        );
    }
}
