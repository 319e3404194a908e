using RustCabin.Core.Baseline;
using RustCabin.Core.Fit;
using RustCabin.Core.Identify;
using RustCabin.Core.Maps;
using RustCabin.Core.Memory;
using RustCabin.Core.Memory.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Power;

namespace RustCabin.Core.Findings;

/// <summary>Every check, in the order in which people work. A check is a pure function of the planned unit and its predicted count.</summary>
public static class Checks
{
    static readonly Func<PlannedUnit, PowerUpCount, IEnumerable<Finding>>[] InOrder =
    [
        (unit, _) => IdentifyChecks.Contradictions(unit),
        (unit, _) => BaselineChecks.Untested(unit),
        (unit, _) => BaselineChecks.Faults(unit),
        (unit, _) => BaselineChecks.Rails(unit),
        (unit, _) => ConditionChecks.Found(unit),
        (unit, _) => Inherited.Unproven(unit),
        (unit, _) => FitChecks.Revision(unit),
        (unit, _) => FitChecks.Doubt(unit),
        (unit, _) => FitChecks.SiteTaken(unit),
        (unit, _) => PartChecks.Needs(unit),
        (unit, _) => PartChecks.Conflicts(unit),
        (unit, _) => PartChecks.Soldered(unit),
        (unit, _) => PartChecks.Height(unit),
        (unit, _) => MapChecks.Fights(unit),
        (unit, _) => MapChecks.WritesTwice(unit),
        (unit, _) => MapChecks.Outside(unit),
        (unit, _) => MapChecks.NoRoom(unit),
        (unit, _) => ChipChecks.Of(unit),
        (unit, _) => BankChecks.Reset(unit),
        MemoryChecks.Unseen,
        MemoryChecks.BeyondLimit,
        (unit, _) => PowerChecks.Rails(unit),
    ];

    /// <summary>All findings, worst first, within that in the order of the stations.</summary>
    public static IReadOnlyList<Finding> Run(PlannedUnit unit, PowerUpCount count) =>
        [.. InOrder.SelectMany(check => check(unit, count)).OrderBy(f => f.Severity)];
}
