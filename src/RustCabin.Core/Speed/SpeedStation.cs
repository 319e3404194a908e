using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Speed;

/// <summary>What is foretold and what is measured. Source: docs/handbook/speed.md.</summary>
public sealed class SpeedStation : Station
{
    /// <inheritdoc/>
    public override string Name => "Speed";

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => SpeedFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.All, SpeedChecks.Of)];

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Job?.Speed switch
        {
            null => Far.Empty,
            { After.Count: > 0 } => Far.Clear,
            _ => Far.InHand,
        };
}
