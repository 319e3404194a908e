using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wants;

/// <summary>What the unit should do, and within which limits. Source: docs/handbook/wants.md.</summary>
public sealed class WantsStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Wants");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => WantsFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [Check.On(Rests.All, WantChecks.Unmet), Check.On(Rests.Parts, WantChecks.Limits)];

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit) =>
        unit.Job is { Wants.Count: 0 }
            ? [MissingFact.Here("what it should do afterwards", "sets of parts that do it, and whether the plan gives it")]
            : [];

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) => unit.Job?.Wants.Count > 0 ? Far.Clear : Far.Empty;
}
