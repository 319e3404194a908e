using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Identify;

/// <summary>Which board it is. Source: docs/handbook/identify.md.</summary>
public sealed class IdentifyStation : Station
{
    /// <summary>From this chance on the board counts as known.</summary>
    const double Sure = 0.95;

    /// <inheritdoc/>
    public override string Name => "Identify";

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => IdentifyFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.Parts, IdentifyChecks.Contradictions)];

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Unit.Revision is not null || unit.Revision.Probability >= Sure ? Far.Clear
        : unit.Unit.Seen.Count > 0 ? Far.InHand
        : Far.Empty;
}
