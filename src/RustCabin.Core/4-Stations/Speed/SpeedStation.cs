using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Speed;

/// <summary>What is predicted and what is measured. Source: docs/handbook/speed.md.</summary>
public sealed class SpeedStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Speed");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => SpeedFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.All, SpeedChecks.Of)];

    const string Benchmark = "benchmark";

    const decimal BenchmarkMinutes = 5,
        CacheMinutes = 3;

    static IEnumerable<Instance> Fast(PlannedUnit at) =>
        at.Instances.Where(i => i.Part is { Speed: not null, Kind: Sheets.PartKind.Accelerator });

    /// <summary>Whether it is as fast as predicted.</summary>
    public override IEnumerable<Sight> Sights(PlannedUnit at) =>
        Fast(at).Any() ? [new Sight(Benchmark, "Run the benchmark", BenchmarkMinutes, "as predicted", ["slower"])] : [];

    /// <summary>A part that runs and speeds nothing up.</summary>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) =>
        from shows in Fast(at).Take(1).Select(_ => Shown.Of(Bench.PowerUp.Run(at)).Seen(Benchmark, "slower"))
        from part in Fast(at)
        select new Hypothesis(
            $"slow:{part.Name}",
            $"{part.Title} runs with its cache or its software off",
            Stations.Work.ChanceOf(part) / 4,
            shows
        )
        {
            Instance = part,
            Mend = $"Switch the cache of {part.Title} on, and put its software on as the sheet says.",
            Look = new Look($"slow:{part.Name}", $"Look whether the cache of {part.Title} is on", CacheMinutes, "on", "off")
            {
                State = LookState.Running,
            },
        };

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        foreach (
            Instance part in unit.Instances.Where(i => i is { Added: true, Part.Kind: PartKind.Accelerator, Part.Speed.Count: 0 })
        )
            yield return MissingFact.OfPart(
                part,
                nameof(Part.Speed),
                $"how many times as fast {part.Title} is",
                "how long the work takes afterwards"
            );
        if (unit.Model.ClockMHz is null && unit.Instances.Any(i => i is { Added: true, Part.Kind: PartKind.Accelerator }))
            yield return MissingFact.OfModel(unit, nameof(Model.ClockMHz), "its clock", "what a benchmark should read");
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Job?.Speed switch
        {
            null => Far.Empty,
            { After.Count: > 0 } => Far.Clear,
            _ => Far.InHand,
        };
}
