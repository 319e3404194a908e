using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>A line of the continuity table that is not as it must be. Source: docs/handbook/faults.md, Causes.</summary>
public static class WiringHypotheses
{
    const decimal ProbeMinutes = 0.5m;

    /// <summary>Those of a unit's changes.</summary>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at)
    {
        if (!Wired.IsAny(at))
            yield break;
        IReadOnlyList<Probed> table = Wired.Of(at).Readings;
        foreach (Probed line in table.Where(l => l.Line.Change is not null))
        {
            PlacedChange change = Wired.Of(at).Changes[line.Line.Change!.Value];
            decimal chance = Work.ChanceOf(change.Instance);
            string must = line.Line.Closed ? "closed" : "open";
            yield return new Hypothesis(
                new PlacePair(line.From, line.To).Look,
                line.Line.Closed ? $"no joint between {line.From} and {line.To}" : $"{line.From} and {line.To} meet",
                chance / 2 / table.Count,
                Shown.Nothing
            )
            {
                Instance = change.Instance,
                Mend = $"{change.Words}: do it again, and measure.",
                MendMinutes = 6,
                Look = new Look(
                    new PlacePair(line.From, line.To).Look,
                    $"Power off: measure {line.From} to {line.To}",
                    ProbeMinutes,
                    must,
                    line.Line.Closed ? "open" : "closed"
                )
                {
                    Opens = change.Instance is { } on ? AccessPath.To(at.Model, on) : AccessPath.Deepest(at.Model),
                },
            };
        }
        foreach (Probed line in table.Where(l => l.Line.Proves == Proves.Rail))
        {
            string look = new PlacePair(line.From, line.To).Look;
            yield return new Hypothesis(
                look,
                $"{line.From} and {line.To} meet: a rail is shorted",
                Work.UsualChance / 2 / table.Count,
                Shown.Dark
            )
            {
                Mend = "Power stays off: find the bridge under a glass, take it away, and measure.",
                MendMinutes = 10,
                Look = new Look(look, $"Power off: measure {line.From} to {line.To}", ProbeMinutes, "open", "closed")
                {
                    Opens = AccessPath.Deepest(at.Model),
                },
            };
        }
    }
}
