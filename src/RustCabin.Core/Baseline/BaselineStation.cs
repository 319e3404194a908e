using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Baseline;

/// <summary>Does it work before anything is touched. Source: docs/handbook/baseline.md.</summary>
public sealed class BaselineStation : Station
{
    const decimal ProofMinutes = 3;

    /// <inheritdoc/>
    public override string Name => "Baseline";

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => BaselineFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [
        Check.On(Rests.Parts, BaselineChecks.Untested),
        Check.On(Rests.Parts, BaselineChecks.Faults),
        Check.On(Rests.Parts, BaselineChecks.Rails),
        Check.On(Rests.Parts, ConditionChecks.Found),
        Check.On(Rests.Parts, Inherited.Unproven),
    ];

    /// <summary>What an earlier owner left unproven or undone comes before the first power-on.</summary>
    public override IEnumerable<Work> Works(BuildAsked asked) =>
        asked
            .Before.Instances.SelectMany(Inherited.Steps)
            .Where(s => s.Proof != StepProof.Done)
            .Select(open => new Work(WorkTime.BeforePower, [ProveStep(open)])
            {
                Opens = AccessPath.To(asked.Before.Model, open.Instance),
            });

    static Step ProveStep(InheritedStep open)
    {
        bool missing = open.Proof == StepProof.Missing;
        string proof =
            open.Step.Proof.Length > 0
                ? $"It is proved by: {open.Step.Proof}."
                : "Look at it closely, and measure where it can be measured.";
        string[] details =
        [
            missing ? $"An earlier owner left it out. {proof}" : $"An earlier owner did it, and nobody has proved it. {proof}",
            "Power stays off until this is ticked.",
        ];
        string title = $"{(missing ? "Do and prove" : "Prove")}: {open.Step.What}";
        return new Step(Acts.Prove(open.Instance.Name, open.Step.Id), StepKind.Prove, title, details, ProofMinutes)
        {
            Cautions = Caution.Of(open.Instance),
            Instance = open.Instance,
        };
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Unit.Baseline is { Tested: true } ? Far.Clear
        : unit.Unit.Baseline is not null || unit.Unit.Survey is not null ? Far.InHand
        : Far.Empty;
}
