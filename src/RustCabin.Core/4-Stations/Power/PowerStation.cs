using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Power;

/// <summary>
/// What the supply carries and the case gets rid of; its page is the Fit station's. Source: docs/handbook/fit.md, Power.
/// </summary>
sealed class PowerStation : Station
{
    /// <inheritdoc/>
    public override StationName Name => FitStation.Here;

    /// <inheritdoc/>
    public override bool SwitchesHelp => true;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => PowerFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [
        Check.On(Rests.All, PowerChecks.Rails, PowerChecks.Rule),
        Check.On(Rests.All, PowerChecks.Parallel, PowerChecks.ParallelRule),
        Check.On(Rests.All, PathChecks.Of),
        Check.On(Rests.Parts, FeedChecks.Levels),
        Check.On(Rests.Subjects, FeedChecks.Feeds),
        Check.On(Rests.Parts, FeedChecks.Profiles),
        Check.On(Rests.All, HeatChecks.Of),
        Check.On(Rests.Subjects, HeatChecks.Fans),
    ];

    /// <summary>A rail that is missing.</summary>
    public override IEnumerable<Slip> Slips(PlannedUnit unit) =>
        unit.Rails.Select(rail => new Slip(
            new BusFault(FaultKind.RailMissing, rail.Id),
            _ => PowerHypotheses.Without(unit, rail)
        ));

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => PowerHypotheses.Of(at);

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Marginals(PlannedUnit at) => PowerMarginals.Of(at);

    /// <inheritdoc/>
    public override IEnumerable<Sight> Sights(PlannedUnit at) => PowerHypotheses.Sights();

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        const string tells = "whether each rail carries it";
        if (unit.Model.Rails.Count == 0)
            yield return MissingFact.OfModel(unit, nameof(Model.Rails), "what its supply gives", tells);
        foreach (Instance part in unit.Instances.Where(i => i is { Added: true, Part.Draws.Count: 0 }))
            yield return MissingFact.OfPart(part, nameof(Part.Draws), $"what {part.Title} draws", tells);
    }
}
