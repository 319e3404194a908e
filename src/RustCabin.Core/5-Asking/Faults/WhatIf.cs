using RustCabin.Core.Bench;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Faults;

/// <summary>What the machine would show with a fault in it.</summary>
/// <param name="Fault">The fault.</param>
/// <param name="Count">Null: it does not start, and shows nothing.</param>
/// <param name="Why">Why it shows that.</param>
public sealed record WhatIfResult(BusFault Fault, PowerUpCount? Count, string Why);

/// <summary>
/// One fault at a time in the simulated machine, on the same bus as the prediction. The faults are the stations' slips.
/// </summary>
public static class WhatIf
{
    /// <summary>The faults worth trying on a unit, by what is there.</summary>
    public static IReadOnlyList<BusFault> Offers(StationList stations, PlannedUnit unit) =>
        [.. stations.Slips(unit).Select(s => s.Fault)];

    /// <summary>The machine with one of its faults, or with the like of one (another bit, another chance).</summary>
    /// <exception cref="ArgumentException">The fault is not one of this unit's.</exception>
    public static WhatIfResult Run(StationList stations, PlannedUnit unit, BusFault fault)
    {
        bool IsLike(BusFault own) => (own.Kind, own.Subject, own.Detail) == (fault.Kind, fault.Subject, fault.Detail);
        Slip slip =
            stations.Slips(unit).FirstOrDefault(s => IsLike(s.Fault))
            ?? throw new ArgumentException($"\"{fault.Key}\" is no fault of this unit", nameof(fault));
        (PowerUpCount? count, string why) = slip.Run(fault);
        return new WhatIfResult(fault, count, why);
    }
}
