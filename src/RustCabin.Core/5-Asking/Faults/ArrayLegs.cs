using RustCabin.Core.Planning;

namespace RustCabin.Core.Faults;

/// <summary>
/// The legs of the chips of filled banks, with their nets: in a row of alike chips address, strobe and supply legs are one net
/// each, data legs are each their own. Source: docs/handbook/faults.md, Repairs.
/// </summary>
public static class ArrayLegs
{
    /// <summary>Those of a unit, bank by bank, chip by chip; a place is <c>part:bank:chip.leg</c>.</summary>
    public static IEnumerable<RepairLeg> Of(PlannedUnit unit) =>
        from instance in unit.Instances
        from bank in FilledBank.Of(instance)
        let legs = bank.Chips.Type.Legs
        where legs is not null
        from chip in Enumerable.Range(1, bank.Made.Chips)
        from leg in legs.Index()
        where leg.Item != None
        select new RepairLeg
        {
            Place = $"{instance.Name}:{bank.Array.Id}:{chip}.{leg.Index + 1}",
            Net = $"{instance.Name}:{bank.Array.Id} {leg.Item}{(IsData(leg.Item) ? $" of chip {chip}" : "")}",
        };

    const string None = "n";

    static bool IsData(string net) => net is "D" or "Q" || (net[0] == 'D' && net[1..].All(char.IsAsciiDigit));
}
