using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Build;

/// <summary>
/// What the user's own steps have taught: the default serves until there is one. Source: docs/handbook/memory.md, Joints and
/// time.
/// </summary>
public static class Learnt
{
    /// <summary>Minutes for a joint before anything is learnt.</summary>
    public const decimal MinutesPerJoint = 0.4m;

    /// <summary>
    /// The median of minutes a joint over the steps in which chips were soldered and the time was noted, and how many such steps
    /// there are.
    /// </summary>
    public static (decimal Minutes, int Steps) PerJoint(IEnumerable<PlannedUnit> plans)
    {
        decimal[] each =
        [
            .. from plan in plans
            where plan.Job is not null
            from instance in plan.Instances
            let joints = Joints(instance)
            let minutes = plan.Job?.MinutesOf(Acts.Set(instance.Name))
            where joints > 0 && minutes is not null
            select minutes.Value / joints,
        ];
        return Runs.Of(each) is { } runs ? (runs.Median, each.Length) : (MinutesPerJoint, 0);
    }

    /// <summary>The same over jobs; those without a noted time teach nothing, and are not planned for it.</summary>
    public static (decimal Minutes, int Steps) PerJoint(Pack sheets, IEnumerable<Job> jobs) =>
        PerJoint(jobs.Where(j => j.Took.Count > 0 && sheets.FindUnit(j.Unit) is not null).Select(j => Plan.For(sheets, j)));

    /// <summary>Joints of the chips that a part's banks take; none where they have sockets.</summary>
    static int Joints(Instance instance) => FilledBank.Of(instance).Where(b => !b.Array.Socketed).Sum(b => b.Made.Joints);
}
