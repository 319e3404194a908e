using System.Runtime.CompilerServices;
using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Stations;

/// <summary>Everything that the pages of one job show, computed once for a request.</summary>
public sealed record JobView(
    Pack Sheets,
    StoredJob Stored,
    PlannedUnit Before,
    Answer Answer,
    BuildSheet Sheet,
    Progress Progress
)
{
    public Job Job => Stored.Job;
    public PlannedUnit After => Answer.Planned;
    public Model Model => After.Model;
    public Unit Unit => After.Unit;

    /// <summary>Views by their job, kept as long as the job's own record is: the same sheets and the same job give the same view.</summary>
    static readonly ConditionalWeakTable<Job, JobView> Known = [];

    public static JobView Of(Pack sheets, StoredJob stored)
    {
        if (Known.TryGetValue(stored.Job, out JobView? known) && ReferenceEquals(known.Sheets, sheets))
            return known with { Stored = stored };
        JobView view = Make(sheets, stored);
        Known.AddOrUpdate(stored.Job, view);
        return view;
    }

    static JobView Make(Pack sheets, StoredJob stored)
    {
        PlannedUnit after = Plan.For(sheets with { Jobs = [stored.Job] }, stored.Job),
            before = after.Before ?? Plan.For(sheets, after.Unit);
        BuildSheet sheet = BuildSheet.For(before, after);
        return new JobView(sheets, stored, before, Answer.For(after), sheet, Progress.Of(sheet, stored.Job));
    }

    /// <summary>The mark that a station carries: its worst finding, and for Build and Passport how far the work is.</summary>
    public StationMark MarkOf(Station station)
    {
        Finding[] own = [.. Answer.Findings.Where(f => f.Station == station.Name)];
        if (own.Any(f => f.Severity == Severity.Stop))
            return StationMark.Stop;
        if (own.Any(f => f.Severity == Severity.Watch))
            return StationMark.Watch;
        return station.Name switch
        {
            "Memory" or "Fit" => StationMark.Clear,
            "Wants" when Job.Wants.Count > 0 => StationMark.Clear,
            "ROM" when Job.Roms.Count > 0 => StationMark.Clear,
            "Speed" when Job.Speed is { After.Count: > 0 } => StationMark.Clear,
            "Speed" when Job.Speed is not null => StationMark.InHand,
            "Identify" when Unit.Revision is not null || After.Revision.Probability >= 0.95 => StationMark.Clear,
            "Identify" when Unit.Seen.Count > 0 => StationMark.InHand,
            "Baseline" when Unit.Baseline is { Tested: true } => StationMark.Clear,
            "Baseline" when Unit.Baseline is not null || Unit.Survey is not null => StationMark.InHand,
            "Build" when Progress.Steps.Any(s => s.State == StepState.Differs) => StationMark.Watch,
            "Build" or "Passport" when Progress.Finished => StationMark.Clear,
            "Build" when Progress.DoneCount > 0 => StationMark.InHand,
            _ => StationMark.Empty,
        };
    }

    /// <summary>In a few words, what the job waits for next.</summary>
    public string WaitsFor =>
        Answer.Standing == Standing.Stop ? $"A mend: {Answer.Findings[0].Title.ToLowerInvariant()}"
        : Progress.Finished ? "Nothing: built, read and closed"
        : Progress.Current!.Step.Kind == StepKind.Gate ? $"A reading: {Lower(Progress.Current.Step.Title)}"
        : Progress.Current.Step.IsGate ? $"A proof: {Lower(Progress.Current.Step.Title)}"
        : $"A step: {Lower(Progress.Current.Step.Title)}";

    static string Lower(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}
