using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Baseline;

/// <summary>One step of a way that another person did, or did not.</summary>
public sealed record InheritedStep(Instance Instance, WayStep Step, StepProof Proof);

/// <summary>
/// Work that came with the unit: each step of a fitted part's way is done, unproven or missing. Source:
/// docs/handbook/baseline.md, Inherited.
/// </summary>
public static class Inherited
{
    /// <summary>The one step of a way that names none.</summary>
    public const string Whole = "fit";

    /// <summary>
    /// The steps of a part that is already fitted, and the acts of wiring of its way, each proved by the meter. Single steps
    /// stand as the unit says; the others are done for a part that is done, and unproven for one that is half or unproven. A
    /// way without either is one step: the fitting itself.
    /// </summary>
    public static IEnumerable<InheritedStep> Steps(PlannedUnit unit, Instance instance)
    {
        if (instance.Added || instance.Way is not { } way)
            return [];
        StepProof rest = instance.Fitted.State == FittedState.Done ? StepProof.Done : StepProof.Unproven;
        WayStep[] steps =
        [
            .. way.Steps,
            .. PlacedChange
                .MadeOn(unit)
                .Where(c => c.Instance == instance)
                .Select(c => new WayStep
                {
                    Id = $"{c.Step.Act}-{c.Index + 1}",
                    What = c.Words,
                    Proof = c.Proof,
                }),
        ];
        if (steps.Length == 0)
            steps = [new WayStep { Id = Whole, What = $"Fit {instance.Part.Name}" }];
        return steps.Select(step => new InheritedStep(
            instance,
            step,
            instance.Fitted.Steps.TryGetValue(step.Id, out StepProof proof) ? proof : rest
        ));
    }

    /// <summary>WORK-UNPROVEN: a fitted part with steps that nobody has proved, or that are missing.</summary>
    public static IEnumerable<Finding> Unproven(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        {
            InheritedStep[] open = [.. Steps(unit, instance).Where(s => s.Proof != StepProof.Done)];
            if (open.Length == 0)
                continue;
            int missing = open.Count(s => s.Proof == StepProof.Missing);
            yield return new Finding(
                BaselineFindings.WorkUnproven,
                Severity.Watch,
                $"{instance.Title}: work that nobody has proved",
                [instance.Subject],
                $"{instance.Title} came with the unit: {open.Length - missing} "
                    + $"{(open.Length - missing == 1 ? "step is" : "steps are")} "
                    + $"unproven{(missing > 0 ? $", {missing} missing" : "")}. Each is read on the build sheet before "
                    + $"power-on.",
                [
                    .. open.Select(s =>
                        $"{s.Step.What}: {(s.Proof == StepProof.Missing ? "missing, to be done" : "unproven")}"
                        + $"{(s.Step.Proof.Length > 0 ? $"; proved by: {s.Step.Proof}" : "")}."
                    ),
                ]
            );
        }
    }
}
