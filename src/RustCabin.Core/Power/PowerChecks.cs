using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Power;

static class PowerChecks
{
    /// <summary>POWER-OVER: peak over (or within 10 % of) what a rail carries after ageing. POWER-NO-RAIL: a part wants a rail that is not there.</summary>
    public static IEnumerable<Finding> Rails(PlannedUnit unit)
    {
        IReadOnlyList<RailLoad> rails = RailLoad.Of(unit);
        foreach (RailLoad rail in rails)
            if (Limit.Of(rail.PeakAmps, rail.CapacityAmps) is { } severity)
                yield return Over(rail, severity);

        foreach (Instance instance in unit.Instances)
        foreach (
            Draw draw in instance.Part.Draws.Where(d =>
                d.PeakAmps > 0
                && d.When.Holds(key => Instance.PositionOf(instance, key, unit.Instances))
                && rails.All(r => r.Rail != d.Rail)
            )
        )
            yield return new Finding(
                "POWER-NO-RAIL",
                Severity.Stop,
                "Fit",
                $"No {draw.Rail} V for {instance.Title}",
                [instance.Subject],
                $"{instance.Title} needs {draw.Rail} V, which this unit does not have.",
                [
                    $"Rails here: {string.Join(", ", rails.Select(r => $"{r.Rail} V"))}.",
                    $"{instance.Title} draws up to {draw.PeakAmps} A from {draw.Rail} V.",
                ]
            );
    }

    static Finding Over(RailLoad rail, Severity severity)
    {
        string share = rail.CapacityAmps > 0 ? $"{rail.PeakAmps / rail.CapacityAmps * 100:0} %" : "over nothing";
        return new Finding(
            "POWER-OVER",
            severity,
            "Fit",
            $"{rail.Rail} V at {share}",
            [$"model:{rail.Rail}", .. rail.Loads.Select(l => $"part:{l.Instance}")],
            $"Peak {rail.PeakAmps} A of {rail.CapacityAmps:0.##} A after ageing.",
            [
                $"Capacity: {rail.RatedAmps} A x {rail.Derate} for age = {rail.CapacityAmps:0.####} A.",
                $"The unit itself: {rail.UnitAmps} A.",
                .. rail.Loads.Select(l => $"{l.Name}: {l.TypicalAmps} A, at peak {l.PeakAmps} A."),
                $"Peak together: {rail.PeakAmps} A; headroom {rail.HeadroomAmps:0.####} A.",
            ]
        );
    }
}
