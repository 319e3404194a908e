using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;

namespace RustCabin.Core.Build;

/// <summary>
/// The ordered steps of a job: the untouched machine first, firmware by itself, then the work that the stations bring, in the
/// order that opens the case as seldom as can be, with gates as the school wants them, and the case closed in reverse. Source:
/// docs/handbook/build.md, Steps.
/// </summary>
/// <param name="Steps">The steps, in order.</param>
/// <param name="Levels">The access levels of the model, outermost first.</param>
public sealed record BuildSheet(IReadOnlyList<Step> Steps, IReadOnlyList<string> Levels)
{
    /// <summary>Minutes allowed for switching on and reading the screen, where no sheet says others.</summary>
    public const decimal GateMinutes = 4;

    /// <summary>How long all of it takes.</summary>
    public decimal Minutes => Steps.Sum(s => s.Minutes);

    /// <summary>How long it takes with what stands meanwhile, as far as no other work fills it.</summary>
    public decimal Elapsed => Waiting.Elapsed(Steps);

    /// <summary>The stations that brought the work.</summary>
    public required StationList Stations { get; init; }

    /// <summary>The work between the untouched machine and what comes last, in its order.</summary>
    public required WorkOrder Order { get; init; }

    /// <summary>By which school its gates stand.</summary>
    public required School School { get; init; }

    /// <summary>What it is expected to take by each school.</summary>
    public required Schools Schools { get; init; }

    static Work Spent(Work work)
    {
        Budget.Spend();
        return work;
    }

    /// <summary>The sheet that leads from the unit as it stands to the plan of the job.</summary>
    /// <param name="stations">The stations that bring work.</param>
    /// <param name="before">The unit as it stands.</param>
    /// <param name="after">The unit as the job plans it.</param>
    /// <param name="school">By which school; null: as the job says, else careful.</param>
    public static BuildSheet For(StationList stations, PlannedUnit before, PlannedUnit after, School? school = null)
    {
        var asked = new BuildAsked(before, after);
        ILookup<WorkTime, Work> works = stations.SelectMany(s => s.Works(asked)).Select(Spent).ToLookup(w => w.Time);
        var order = WorkOrder.Of(
            [
                .. works
                    .Where(w => w.Key is not (WorkTime.BeforePower or WorkTime.Before or WorkTime.Last or WorkTime.AtGate))
                    .OrderBy(w => w.Key)
                    .SelectMany(w => w),
            ],
            after.Model
        );
        School by = school ?? after.Job?.Build?.School ?? School.Careful;
        IReadOnlyList<StepId> own = after.Job?.Build?.Gates ?? [];

        var walk = new BuildWalk(stations, before, after, [.. works[WorkTime.AtGate]]);
        foreach (Work work in works[WorkTime.BeforePower])
            walk.Do(work);
        walk.Untouched();
        foreach (Work work in works[WorkTime.Before])
            walk.Do([work]);
        foreach (IReadOnlyList<Work> group in GateGroups.Of(order.Works, by, own))
            walk.Do(group);
        foreach (Work work in works[WorkTime.Last])
            walk.Do([work]);
        walk.MendRest();
        walk.CloseUp();
        string[] levels = [.. after.Model.Access.Select(a => a.Id)];
        return new BuildSheet(walk.Steps, levels.Length > 0 ? levels : [AccessLevel.Closed])
        {
            Stations = stations,
            Order = order,
            School = by,
            Schools = Schools.Of(order, after.Model, own),
        };
    }
}
