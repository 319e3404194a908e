using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>A line of the continuity table that is not as it must be. Source: docs/handbook/faults.md, Causes.</summary>
static class WiringHypotheses
{
    const decimal ProbeMinutes = 0.5m;

    /// <summary>
    /// Several lines of one act that were read wrong are one cause: a row that lies one place over, a lead that is not in, a cut
    /// beside its place.
    /// </summary>
    static IEnumerable<Hypothesis> Acts(Wired wired, IReadOnlyList<Probed> table) =>
        from wrong in table.Where(l => l is { Agrees: false, Line.Change: not null }).GroupBy(l => l.Line.Change!.Value)
        where wrong.Count() > 1
        let change = wired.Changes[wrong.Key]
        let first = wrong.First()
        select new Hypothesis(
            $"act:{change.Step}",
            $"{change.Words}: not made, or one place over; {wrong.Count()} lines of it read wrong",
            Work.ChanceOf(change.Instance) / 2,
            Shown.Nothing
        )
        {
            Instance = change.Instance,
            Mend = $"{change.Words}: look at all of it under a glass, make it again, and measure each line.",
            MendMinutes = 8,
            Look = LookAt(wired.Unit, change, first),
            Looks = wrong.ToDictionary(l => new PlacePair(l.From, l.To).Look, l => l.Line.Closed ? "open" : "closed"),
        };

    static Look LookAt(PlannedUnit at, PlacedChange change, Probed line) =>
        new(
            new PlacePair(line.From, line.To).Look,
            $"Power off: measure {line.From} to {line.To}",
            ProbeMinutes,
            line.Line.Closed ? "closed" : "open",
            line.Line.Closed ? "open" : "closed"
        )
        {
            IsMeasured = true,
            Opens = change.Instance is { } on ? AccessPath.To(at.Model, on) : AccessPath.Deepest(at.Model),
        };

    /// <summary>Those of a unit's changes.</summary>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at)
    {
        if (!Wired.IsAny(at))
            yield break;
        var wired = Wired.Of(at);
        IReadOnlyList<Probed> table = wired.Readings;
        foreach (Hypothesis act in Acts(wired, table))
            yield return act;
        foreach (Probed line in table.Where(l => l.Line.Change is not null))
        {
            PlacedChange change = wired.Changes[line.Line.Change!.Value];
            decimal chance = Work.ChanceOf(change.Instance);
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
                Look = LookAt(at, change, line),
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
                    IsMeasured = true,
                    Opens = AccessPath.Deepest(at.Model),
                },
            };
        }
    }
}
