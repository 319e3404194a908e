using System.Runtime.CompilerServices;
using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Data;

namespace RustCabin.Web.Stations;

/// <summary>Everything that the pages of one job show, computed once for a request: the job at hand, and its place in the
/// cabin's file.</summary>
public sealed record JobView(StoredJob Stored, AtHand At)
{
    public Pack Sheets => At.Sheets;
    public Job Job => Stored.Job;
    public PlannedUnit Before => At.Before;
    public PlannedUnit After => At.After;
    public Answer Answer => At.Answer;
    public BuildSheet Sheet => At.Sheet;
    public Progress Progress => At.Progress;
    public Model Model => At.Model;
    public Unit Unit => At.Unit;
    public PassportAsked Record => At.Record;
    public bool Doubtful => At.Doubtful;
    public string Board => At.Board;
    public string WaitsFor => At.WaitsFor;

    /// <summary>
    /// Jobs at hand by their record, as long as that is used or was not long ago: the same job on the same sheets gives the same.
    /// </summary>
    static readonly ConditionalWeakTable<Job, WeakReference<AtHand>> Known = [];

    /// <summary>Those that were asked for last, so that they are not given up between two requests.</summary>
    static readonly AtHand?[] Recent = new AtHand?[MostRecent];

    /// <summary>About 60 MB.</summary>
    const int MostRecent = 512;

    static int _next;

    public static JobView Of(Pack all, StoredJob stored)
    {
        Pack sheets = stored.Next.Count == 0 ? all : all with { Jobs = stored.Next };
        if (
            Known.TryGetValue(stored.Job, out WeakReference<AtHand>? weak)
            && weak.TryGetTarget(out AtHand? known)
            && known.Sheets.Jobs.SequenceEqual(sheets.Jobs, ReferenceEqualityComparer.Instance)
            && IsOf(known.Sheets, sheets, stored.Job)
        )
            return new JobView(stored, ReferenceEquals(known.Sheets, sheets) ? known : known with { Sheets = sheets });
        AtHand at = AtHand.Of(Trail.Stations, sheets, stored.Job);
        Known.AddOrUpdate(stored.Job, new WeakReference<AtHand>(at));
        Recent[(uint)Interlocked.Increment(ref _next) % MostRecent] = at;
        return new JobView(stored, at);
    }

    /// <summary>
    /// What is worked out of a job with some sheets is the same with others: but for other units, they are the same.
    /// </summary>
    public static bool IsOf(Pack sheets, Pack others, Job job) =>
        ReferenceEquals(sheets, others)
        || (
            ReferenceEquals(sheets.Models, others.Models)
            && ReferenceEquals(sheets.Parts, others.Parts)
            && ReferenceEquals(sheets.Titles, others.Titles)
            && sheets.Currency == others.Currency
            && Rests(sheets, job).SequenceEqual(Rests(others, job), ReferenceEqualityComparer.Instance)
        );

    /// <summary>The units that a job is about: its own, and those that it refers to.</summary>
    static IEnumerable<Unit?> Rests(Pack sheets, Job job) =>
        (job.Speed?.Claims ?? []).Select(c => c.Unit).OfType<string>().Prepend(job.Unit).Select(sheets.FindUnit);
}
