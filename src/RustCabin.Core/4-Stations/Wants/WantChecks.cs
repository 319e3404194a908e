using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

/// <summary>The job against what its user asked for: outcomes and limits. None of it is dangerous, so each is a watch.</summary>
static class WantChecks
{
    /// <summary>WANT-UNMET: an outcome that the plan does not give; or the sheets do not say whether it does.</summary>
    public static IEnumerable<Finding> Unmet(PlannedUnit unit) =>
        from answer in NeedCheck.Of(unit, unit.Job?.Wants ?? [])
        where answer.Met != true
        select new Finding(
            WantsFindings.WantUnmet,
            answer.Met == false ? Severity.Watch : Severity.Note,
            $"Not yet: {NeedCheck.Words(answer.Need, unit)}",
            [Subject.Job],
            $"Wanted: {answer.Text}.",
            [
                answer.Met == false
                    ? "The plan does not give it. The Wants station proposes sets of parts that do."
                    : "The sheets do not say whether the plan gives it.",
            ]
        );

    /// <summary>
    /// LIMIT-BUDGET and LIMIT-UNDO: the parts cost more than was set, or one cannot be undone although all must be.
    /// </summary>
    public static IEnumerable<Finding> Limits(PlannedUnit unit)
    {
        Instance[] added = [.. unit.Instances.Where(i => i.Added)];
        decimal cost = added.Sum(i => i.Part.Price);
        if (unit.Job?.Limits.Budget is { } budget && cost > budget)
            yield return new Finding(
                WantsFindings.LimitBudget,
                Severity.Watch,
                $"{cost - budget:0.00} {unit.Currency} over the budget",
                [Subject.Job],
                $"The parts cost {cost:0.00} {unit.Currency}; the budget is {budget:0.00}.",
                [.. added.Select(i => $"{i.Title}: {i.Part.Price:0.00}.")]
            );
        if (unit.Job?.Limits.Reversible == true)
            foreach (Instance instance in added.Where(i => i.Way?.Reversible == false))
                yield return new Finding(
                    WantsFindings.LimitUndo,
                    Severity.Watch,
                    $"{instance.Title} cannot be undone",
                    [instance.Subject],
                    $"All of this job is to be undoable; way \"{instance.Way!.Called}\" of {instance.Title} is not.",
                    [
                        instance
                            .Part.Ways.Where(w => w.Model == unit.Model.Id && w.Reversible)
                            .Select(w => $"Way \"{w.Called}\" can be undone.")
                            .FirstOrDefault("No other way of it can."),
                    ]
                );
    }
}
