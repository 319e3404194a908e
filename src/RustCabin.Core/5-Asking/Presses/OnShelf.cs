using RustCabin.Core.Answers;
using RustCabin.Core.Care;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Mends;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Presses;

/// <summary>How a job stands for a person who asks what can be done now; in this order on the shelf.</summary>
public enum ShelfState
{
    /// <summary>A stop, or a reading that differs: it goes on with a mend.</summary>
    Stopped,

    /// <summary>It was begun at the bench, and its next step can be done.</summary>
    AtHand,

    /// <summary>It waits for a time or for a thing.</summary>
    Waiting,

    /// <summary>It is planned, nothing is done yet, and it can start.</summary>
    Ready,

    /// <summary>There is no job.</summary>
    Idle,

    /// <summary>Built, read and closed, or put away.</summary>
    Done,
}

/// <summary>What a person does next to a job, and where.</summary>
/// <param name="State">How it stands.</param>
/// <param name="Words">In words, what it waits for.</param>
/// <param name="Press">The next press: a verb and its object.</param>
/// <param name="Where">The station at which it is made.</param>
/// <param name="Step">The step that it is made at; null: the station as it opens.</param>
public sealed record OnShelf(ShelfState State, string Words, string Press, StationName Where, StepId? Step = null)
{
    /// <summary>Since when it waits, in ISO 8601; empty: no record says.</summary>
    public string Since { get; init; } = "";

    /// <summary>Since when it waits, as a person reads it.</summary>
    public string SinceWords => Since.Length >= 16 ? Since[..16].Replace('T', ' ') : Since;

    /// <summary>A unit that is retired.</summary>
    public static readonly OnShelf PutAway = new(ShelfState.Done, "Retired", "Open the unit", Passport);

    /// <summary>A unit without an open job.</summary>
    /// <param name="ended">How many jobs it had.</param>
    public static OnShelf WithoutJob(int ended) =>
        ended == 0
            ? new OnShelf(ShelfState.Idle, "No job planned", "Begin a job", StationName.Build)
            : new OnShelf(ShelfState.Done, "All its jobs are ended", "Begin a job", StationName.Build);

    /// <summary>How a job stands.</summary>
    /// <param name="at">The job at hand.</param>
    /// <param name="stock">What lies in the cupboard.</param>
    /// <param name="now">The time now.</param>
    public static OnShelf Of(AtHand at, IReadOnlyList<StockItem> stock, DateTimeOffset now) => ShelfLine.Of(at).On(stock, now);

    /// <summary>Where a job stands that nothing is left to do of, or that a mend must help; null: it can go on.</summary>
    internal static OnShelf? Settled(AtHand at)
    {
        if (at.Answer.Standing == Standing.Stop)
            return new OnShelf(ShelfState.Stopped, at.Answer.Findings[0].Title, "Mend the stop", at.Answer.Findings[0].Station);
        if (at.Answer.Findings.FirstOrDefault(f => f.Kind == MendFindings.GateDiffers) is { } differs)
            return new OnShelf(ShelfState.Stopped, differs.Title, "Find the cause", StationName.Faults);
        if (at.Job.Ended)
            return new OnShelf(
                ShelfState.Done,
                at.Job.Outcome is { } outcome ? $"Ended: {outcome.Said}" : "Ended: what was done is on the unit",
                "Read the passport",
                Passport
            );
        return at.Progress.Finished ? new OnShelf(ShelfState.Done, "Built, read and closed", "End the job", Passport) : null;
    }

    static StationName Passport => Core.Passport.PassportStation.Here;

    /// <summary>A parked job, as long as it rests.</summary>
    internal static OnShelf? Parked(Job job, DateTimeOffset now) =>
        job.Outcome is { } parked && !job.Ended && parked.Rests(DateOnly.FromDateTime(now.UtcDateTime))
            ? new OnShelf(ShelfState.Waiting, IdText.Capital(parked.Said), "Take it up", StationName.Build)
            : null;

    /// <summary>A face that lies in its bath until it is time to look again.</summary>
    internal static OnShelf? Bath(Job job, DateTimeOffset now)
    {
        foreach (CareWork work in job.Build?.Care ?? [])
            if (CareWatch.Of(work, job, now) is { Next: { } next, Looks.Count: > 0 } watch && next > now)
                return new OnShelf(ShelfState.Waiting, $"{work.What} is in its bath", "See when to look", StationName.Build)
                {
                    Since = $"{watch.Looks[0].At:O}",
                };
        return null;
    }

    internal static OnShelf Next(AtHand at)
    {
        Step step = at.Progress.Current!.Step;
        string press =
            step.Kind == StepKind.Gate ? "Take the reading"
            : step.IsGate ? "Prove it"
            : "Do the step";
        StationName where = step.Proved is null ? StationName.Build : step.Station ?? StationName.Build;
        return new OnShelf(
            at.Progress.DoneCount == 0 ? ShelfState.Ready : ShelfState.AtHand,
            step.Title,
            at.Progress.DoneCount == 0 ? "Start the build" : press,
            where,
            where == StationName.Build ? step.Id : null
        );
    }
}
