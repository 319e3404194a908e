using RustCabin.Core.Findings;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Fit;

/// <summary>Whether the ways ask for more skill than there is.</summary>
static class SkillChecks
{
    /// <summary>FIT-SKILL: a way asks for more skill than the user set.</summary>
    public static IEnumerable<Finding> Skill(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Added && unit.Job?.Limits.Skill is { } limit && instance.Way?.Skill > limit
        select new Finding(
            FitFindings.FitSkill,
            Severity.Watch,
            $"{instance.Title} wants skill {instance.Way!.Skill}",
            [instance.Subject],
            $"Way \"{instance.Way.Called}\" of {instance.Title} wants skill {instance.Way.Skill} of 5; this job is set to "
                + $"{unit.Job!.Limits.Skill}.",
            [
                instance
                    .Part.Ways.Where(w => w.Model == unit.Model.Id && w.Skill <= unit.Job.Limits.Skill)
                    .Select(w => $"Way \"{w.Called}\" wants skill {w.Skill}.")
                    .FirstOrDefault("No other way of it is easier: ask a person who does it often."),
            ]
        );
}
