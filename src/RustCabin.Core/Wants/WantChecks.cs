using RustCabin.Core.Findings;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Wants;

/// <summary>The job against what its user asked for: outcomes and limits. None of it is dangerous, so each is a watch.</summary>
static class WantChecks
{
    /// <summary>WANT-UNMET: an outcome that the plan does not give; or the sheets do not say whether it does.</summary>
    public static IEnumerable<Finding> Unmet(PlannedUnit unit) =>
        from answer in NeedCheck.Of(unit, unit.Job?.Wants ?? [])
        where answer.Met != true
        select new Finding(
            "WANT-UNMET",
            answer.Met == false ? Severity.Watch : Severity.Note,
            "Wants",
            $"Not yet: {NeedWords.Of(answer.Need, unit)}",
            ["job"],
            $"Wanted: {answer.Text}.",
            [
                answer.Met == false
                    ? "The plan does not give it. The Wants station proposes sets of parts that do."
                    : "The sheets do not say whether the plan gives it.",
            ]
        );

    /// <summary>FIT-SKILL: a way asks for more skill than the user set.</summary>
    public static IEnumerable<Finding> Skill(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Added && unit.Job?.Limits.Skill is { } limit && instance.Way?.Skill > limit
        select new Finding(
            "FIT-SKILL",
            Severity.Watch,
            "Fit",
            $"{instance.Title} wants skill {instance.Way!.Skill}",
            [instance.Subject],
            $"Way \"{instance.Way.Id}\" of {instance.Title} wants skill {instance.Way.Skill} of 5; this job is set to {unit.Job!.Limits.Skill}.",
            [
                instance
                    .Part.Ways.Where(w => w.Model == unit.Model.Id && w.Skill <= unit.Job.Limits.Skill)
                    .Select(w => $"Way \"{w.Id}\" wants skill {w.Skill}.")
                    .FirstOrDefault("No other way of it is easier: ask somebody who does it often."),
            ]
        );

    /// <summary>LIMIT-BUDGET and LIMIT-UNDO: the parts cost more than was set, or one cannot be undone although all must be.</summary>
    public static IEnumerable<Finding> Limits(PlannedUnit unit)
    {
        Instance[] added = [.. unit.Instances.Where(i => i.Added)];
        decimal cost = added.Sum(i => i.Part.Price);
        if (unit.Job?.Limits.Budget is { } budget && cost > budget)
            yield return new Finding(
                "LIMIT-BUDGET",
                Severity.Watch,
                "Wants",
                $"{cost - budget:0.00} {unit.Currency} over the budget",
                ["job"],
                $"The parts cost {cost:0.00} {unit.Currency}; the budget is {budget:0.00}.",
                [.. added.Select(i => $"{i.Title}: {i.Part.Price:0.00}.")]
            );
        if (unit.Job?.Limits.Reversible == true)
            foreach (Instance instance in added.Where(i => i.Way?.Reversible == false))
                yield return new Finding(
                    "LIMIT-UNDO",
                    Severity.Watch,
                    "Wants",
                    $"{instance.Title} cannot be undone",
                    [instance.Subject],
                    $"All of this job is to be undoable; way \"{instance.Way!.Id}\" of {instance.Title} is not.",
                    [
                        instance
                            .Part.Ways.Where(w => w.Model == unit.Model.Id && w.Reversible)
                            .Select(w => $"Way \"{w.Id}\" can be undone.")
                            .FirstOrDefault("No other way of it can."),
                    ]
                );
    }

    /// <summary>KEEP-ORIGINAL: a part is in, and no place is noted for an original that must be kept.</summary>
    public static IEnumerable<Finding> Originals(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Added && unit.Job?.Done.Contains($"fit-{instance.Name}") == true
        from kept in instance.Part.Keeps.Concat(instance.Way?.Keeps ?? []).Distinct()
        where !unit.Unit.Belongings.Any(b => b.What == kept && b.Place.Length > 0)
        select new Finding(
            "KEEP-ORIGINAL",
            Severity.Note,
            "Passport",
            $"Where is it: {kept}",
            [instance.Subject],
            $"{instance.Title} is in. Note where the {kept} is kept, while you still hold it.",
            ["What has no place noted is lost by the time it is wanted."]
        );
}
