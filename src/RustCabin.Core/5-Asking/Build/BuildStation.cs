using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// What the build sheet does itself between the work of the others: it opens and closes the case, switches off, powers up and
/// has read. Source: docs/handbook/build.md, Steps.
/// </summary>
sealed class BuildStation : Station
{
    /// <inheritdoc/>
    public override StationName Name => StationName.Build;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings { get; } = [NextJobs.PlanBlocks];

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs { get; } =
    [
        Act.Traceless(Acts.Untouched.Act),
        Act.Traceless(Acts.Open("").Act),
        Act.Traceless(Acts.CloseUp.Act),
        Act.Traceless(Acts.Off(StepId.None).Act),
        Act.Traceless(Acts.CountRemoved.Act),
    ];
}
