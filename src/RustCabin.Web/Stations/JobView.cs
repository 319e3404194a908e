using System.Runtime.CompilerServices;
using RustCabin.Core.Answers;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
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

    /// <summary>
    /// Views by their job, kept as long as the job's own record is: the same sheets and the same job give the same view.
    /// </summary>
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

    /// <summary>In a few words, what the job waits for next.</summary>
    public string WaitsFor =>
        Answer.Standing == Standing.Stop ? $"A mend: {Answer.Findings[0].Title.ToLowerInvariant()}"
        : Progress.Finished ? "Nothing: built, read and closed"
        : Progress.Current!.Step.Kind == StepKind.Gate ? $"A reading: {Lower(Progress.Current.Step.Title)}"
        : Progress.Current.Step.IsGate ? $"A proof: {Lower(Progress.Current.Step.Title)}"
        : $"A step: {Lower(Progress.Current.Step.Title)}";

    static string Lower(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}
