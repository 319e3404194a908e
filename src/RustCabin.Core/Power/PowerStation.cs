using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Power;

/// <summary>
/// What the supply carries and the case gets rid of; its page is the Fit station's. Source: docs/handbook/fit.md, Power.
/// </summary>
public sealed class PowerStation : Station
{
    /// <inheritdoc/>
    public override string Name => "Power";

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
    ];

    /// <summary>A rail that is missing.</summary>
    public override IEnumerable<Slip> Slips(PlannedUnit unit) =>
        unit.Rails.Select(rail => new Slip(new BusFault(FaultKind.RailMissing, rail.Id), _ => Without(unit, rail)));

    /// <summary>A rail that does not come up: what draws from it is gone, or nothing starts.</summary>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) =>
        at.Rails.Select(rail => new Hypothesis(
            $"rail:{rail.Id}",
            $"the {rail.Id} V rail does not come up",
            0.01m,
            Shown.Of(Without(at, rail).Item1)
        )
        {
            InCall = false,
            Fault = new BusFault(FaultKind.RailMissing, rail.Id),
            Mend = $"Measure {rail.Id} V from the supply outwards: fuse, plug, switch, then the load.",
            MendMinutes = 15,
            Look = new Look($"rail:{rail.Id}", $"Measure {rail.Id} V under load", 3, "there", "missing")
            {
                Opens = AccessPath.Deepest(at.Model),
            },
        });

    static (PowerUpCount?, string) Without(PlannedUnit unit, Rail rail)
    {
        if (rail.UsedAmps > 0)
            return (null, $"The machine itself runs on {rail.Id} V: it does not start, and shows nothing.");
        string[] dark =
        [
            .. unit.Instances.Where(i => i.Part.Draws.Any(d => d.Rail == rail.Id && d.PeakAmps > 0)).Select(i => i.Name),
        ];
        return (
            PowerUp.Run(Plan.With(unit, i => !dark.Contains(i.Name))),
            dark.Length == 0 ? "Nothing here draws from it." : "What draws from it does not answer."
        );
    }
}
