using RustCabin.Core.Answers;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>A stage of a job as it would stand.</summary>
/// <param name="Stage">The stage.</param>
/// <param name="IsAtHand">The job is planned so now.</param>
/// <param name="Total">What is counted at power-up then.</param>
/// <param name="Standing">Whether anything stops it.</param>
/// <param name="Lacks">What of it is not in hand.</param>
public sealed record StageShown(JobStage Stage, bool IsAtHand, ByteSize Total, Standing Standing, IReadOnlyList<string> Lacks);

/// <summary>
/// A job in stages, each with its target and its gate: the banks are filled further at each, and each is built, read and closed.
/// Source: docs/handbook/build.md, Stages.
/// </summary>
public static class Staging
{
    const int Most = 12;

    /// <summary>The stages of a job as each would stand, in their order.</summary>
    /// <param name="at">The job.</param>
    /// <param name="stock">What lies in the cupboard.</param>
    public static IReadOnlyList<StageShown> Of(AtHand at, IReadOnlyList<StockItem> stock) =>
        [.. at.Job.Stages.Select(s => Shown(at, s, stock))];

    static StageShown Shown(AtHand at, JobStage stage, IReadOnlyList<StockItem> stock)
    {
        bool here = IsAtHand(at.Job, stage);
        if (here || Moved(at, stage)(at.Job) is not { } then)
            return new StageShown(stage, here, at.Answer.PowerUp.Total, at.Answer.Standing, LacksOf(at, at.After, stock));
        PlannedUnit planned = Plan.For(at.Sheets with { Jobs = [then] }, then);
        var answer = Answer.For(at.Sheet.Stations, planned);
        return new StageShown(stage, false, answer.PowerUp.Total, answer.Standing, LacksOf(at, planned, stock));
    }

    static string[] LacksOf(AtHand at, PlannedUnit planned, IReadOnlyList<StockItem> stock) =>
        [.. AtHand.Lacking(at.Sheet.Stations.SelectMany(s => s.Pieces(planned)), _ => true, stock).Distinct()];

    /// <summary>The job is planned as a stage has it.</summary>
    public static bool IsAtHand(Job job, JobStage stage) =>
        stage.Banks.Count > 0
        && stage.Banks.All(b => job.Banks.GetValueOrDefault(b.Key) is { } now && now.SequenceEqual(b.Value));

    /// <summary>The banks as they are planned now are a stage.</summary>
    public static Press<Job> Keep(AtHand at, string? name)
    {
        if (!Texts.TryNeeded<JobStage>(nameof(JobStage.Name), name, out string called))
            return Refuse("stage", "Nothing was kept: say what the stage is called.");
        if (at.Job.Banks.Count == 0)
            return Refuse("stage", "Nothing was kept: no bank of this job is filled yet.");
        if (at.Job.Stages.Count >= Most)
            return Refuse("stage", $"Nothing was kept: {Most} stages are the most.");
        if (at.Job.Stages.FirstOrDefault(s => IsAtHand(at.Job, s)) is { } known && known.Name != called)
            return Refuse("stage", $"Nothing was kept: \"{known.Name}\" has these banks.");
        var stage = new JobStage { Name = called, Banks = at.Job.Banks };
        return Change($"Stage \"{called}\" kept", j => j with { Stages = [.. j.Stages.Where(s => s.Name != called), stage] });
    }

    /// <summary>Takes a stage off the list.</summary>
    public static Press<Job> Drop(AtHand at, string name) =>
        at.Job.Stages.Any(s => s.Name == name)
            ? Change($"Stage \"{name}\" dropped", j => j with { Stages = [.. j.Stages.Where(s => s.Name != name)] })
            : Gone;

    /// <summary>
    /// Goes on to a stage. Where the one at hand is built, read and closed, it is reached, and the way in begins once more.
    /// </summary>
    public static Press<Job> Go(AtHand at, string name)
    {
        if (at.Job.Stages.FirstOrDefault(s => s.Name == name) is not { } stage || IsAtHand(at.Job, stage))
            return Gone;
        if (stage.Banks.Keys.FirstOrDefault(i => at.After.Find(InstanceName.Parse(i)) is null) is { } gone)
            return Refuse("stage", $"Nothing was changed: {gone} is not planned any more.");
        return Change($"On to stage \"{name}\"", Moved(at, stage));
    }

    static Func<Job, Job?> Moved(AtHand at, JobStage stage) =>
        job =>
        {
            Job? moved = at.Progress.Finished ? WayInAnew(Reached(job, at.Moment)) : job;
            foreach ((string instance, IReadOnlyList<string?> banks) in stage.Banks)
            {
                InstanceName on = InstanceName.Parse(instance);
                if (moved is null)
                    return null;
                // Chips go in: what was ticked of setting that part up is done once more.
                moved = JobEdits.Tick(moved, Acts.Set(on), false);
                moved = Switching.Fill(at, on, banks).On(moved);
            }
            return moved;
        };

    /// <summary>The stage at hand is built: its moment is kept.</summary>
    static Job Reached(Job job, string moment) =>
        job with
        {
            Stages = [.. job.Stages.Select(s => IsAtHand(job, s) && s.Reached is null ? s with { Reached = moment } : s)],
        };

    /// <summary>The case was closed: what opens and closes it, and what was read of that, is to be done once more.</summary>
    static Job WayInAnew(Job job) =>
        job with
        {
            Done = [.. job.Done.Where(d => !IsOfTheWay(d))],
            Heeded = [.. job.Heeded.Where(h => !IsOfTheWay(h.Step))],
        };

    static bool IsOfTheWay(StepId step) =>
        step.Act == Acts.CloseUp.Act || step.Act == Acts.Open("").Act || step.Act == Acts.Off(StepId.None).Act;
}
