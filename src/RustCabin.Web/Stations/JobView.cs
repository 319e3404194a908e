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

    /// <summary>What the passport goes by: the unit before and after, and the steps that are done.</summary>
    public PassportAsked Record =>
        new(Before, After, id => Progress.Steps.Any(s => s.Step.Id == id && s.State == StepState.Done));

    /// <summary>The board is a guess: nobody vouches for it, and the clues leave more doubt than a part fits by.</summary>
    public bool Doubtful => InDoubt(Model, Unit, After.Revision);

    /// <summary>True where the board of a unit is a guess: unconfirmed, with 5 % or more for another.</summary>
    public static bool InDoubt(Model model, Unit unit, Verdict revision) =>
        model.Revisions.Count > 1 && unit.Revision is null && revision.Probability <= 0.95;

    /// <summary>The board in words, and how sure it is.</summary>
    public string Board =>
        $"{(Doubtful ? "assuming " : "")}{Model.FindRevision(After.Revision.Id)?.Name}"
        + (
            Unit.Revision is not null ? ", confirmed"
            : Model.Revisions.Count == 1 ? ""
            : $" ({After.Revision.Probability * 100:0} %)"
        );

    /// <summary>In a few words, what the job waits for next.</summary>
    public string WaitsFor =>
        Job.Ended ? "Nothing: it is ended"
        : Answer.Standing == Standing.Stop ? $"A mend: {Answer.Findings[0].Title.ToLowerInvariant()}"
        : Progress.Finished ? "Nothing: built, read and closed"
        : Progress.Current!.Step.Kind == StepKind.Gate ? $"A reading: {Lower(Progress.Current.Step.Title)}"
        : Progress.Current.Step.IsGate ? $"A proof: {Lower(Progress.Current.Step.Title)}"
        : $"A step: {Lower(Progress.Current.Step.Title)}";

    static string Lower(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}
