using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Power;

/// <summary>What one part takes from a rail, in amps.</summary>
public sealed record Load(InstanceName Instance, string Name, decimal TypicalAmps, decimal PeakAmps);

/// <summary>
/// One rail with all that hangs on it, in amps: capacity = rated x derating (0.8 unless the sheet says otherwise), headroom =
/// capacity - peak.
/// Source: docs/handbook/fit.md, Power.
/// </summary>
public sealed record RailLoad(
    string Rail,
    decimal Volts,
    decimal RatedAmps,
    decimal Derate,
    decimal UnitAmps,
    IReadOnlyList<Load> Loads
)
{
    /// <summary>What the aged supply still gives, in amps.</summary>
    public decimal CapacityAmps => RatedAmps * Derate;

    /// <summary>What is taken of it as a rule, in amps.</summary>
    public decimal TypicalAmps => UnitAmps + Loads.Sum(l => l.TypicalAmps);

    /// <summary>What is taken of it at most, in amps.</summary>
    public decimal PeakAmps => UnitAmps + Loads.Sum(l => l.PeakAmps);

    /// <summary>What is left at most, in amps; below 0: it is too much.</summary>
    public decimal HeadroomAmps => CapacityAmps - PeakAmps;

    /// <summary>
    /// Every rail of the unit, as its parts leave it: a supply part adds to a rail, stands in its place, or brings a new one.
    /// </summary>
    public static IReadOnlyList<RailLoad> Of(PlannedUnit unit)
    {
        var rails = unit.Rails.Select(r => new RailLoad(r.Id, r.Volts, r.Amps, r.Derate, r.UsedAmps, [])).ToList();
        foreach ((Instance instance, Supply supply) in unit.Instances.SelectMany(i => i.Part.Supplies.Select(s => (i, s))))
        {
            int index = rails.FindIndex(r => r.Rail == supply.Rail);
            if (supply.Isolated)
                rails.Add(new RailLoad($"{instance.Name}:{supply.Rail}", 0, supply.Amps, supply.Derate, 0, []));
            else if (index < 0)
                rails.Add(new RailLoad(supply.Rail, 0, supply.Amps, supply.Derate, 0, []));
            else if (supply.Replaces)
                rails[index] = rails[index] with { RatedAmps = supply.Amps, Derate = supply.Derate };
            else
                rails[index] = rails[index] with { RatedAmps = rails[index].RatedAmps + supply.Amps };
        }
        return [.. rails.Select(r => r with { Loads = LoadsOn(unit, r.Rail) })];
    }

    /// <summary>The rail that a draw of a part hangs on: its own isolated one, or the machine's.</summary>
    public static string RailOf(Instance instance, Draw draw) =>
        instance.Part.Supplies.Any(s => s.Isolated && s.Rail == draw.Rail) ? $"{instance.Name}:{draw.Rail}" : draw.Rail;

    static IReadOnlyList<Load> LoadsOn(PlannedUnit unit, string rail) =>
        [
            .. from instance in unit.Instances
            from draw in instance.Part.Draws
            where RailOf(instance, draw) == rail && draw.When.Holds(key => Instance.PositionOf(instance, key, unit.Instances))
            select new Load(instance.Name, instance.Title, draw.TypicalAmps, draw.PeakAmps),
        ];
}
