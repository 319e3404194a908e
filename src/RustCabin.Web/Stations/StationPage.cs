using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Choices;
using RustCabin.Core.Presses;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Stations;

/// <summary>
/// What every station of a job does: loads the job, shows the frame, and takes the presses that any station may offer (a
/// switch, a fix, undo, redo). A press is a plain form: with script the page is changed in place, without it the browser loads
/// it again.
/// </summary>
public abstract class StationPage(SheetRepository sheets, JobRepository jobs) : PageModel, IRefusing
{
    JobView? _view;

    protected JobRepository Jobs => jobs;
    protected SheetRepository Sheets => sheets;

    public JobView View => _view!;
    public abstract Desk Desk { get; }
    public Preferences Preferences => field ??= Preferences.From(Request);

    /// <inheritdoc/>
    public string? Notice { get; protected set; }

    /// <summary>The page stands alone, without trail and tray: it is read from two metres away.</summary>
    public virtual bool StandsAlone => false;

    /// <summary>True if one of these handlers refused what was typed: what is folded round its form stands open.</summary>
    public bool Refused(params string[] handlers) => handlers.Any(h => ((IRefusing)this).Refused(h) is not null);

    public async Task<IActionResult> OnGetAsync(string job)
    {
        if (!Load(job))
            return NotFound();
        await Prepared();
        return Page();
    }

    /// <summary>What a page works out for seconds before it is shown; no thread waits for it.</summary>
    protected virtual Task Prepared() => Task.CompletedTask;

    public IActionResult OnPostSwitch(string job, long version, InstanceName instance, string switchId, string position) =>
        Press(job, version, at => Switching.Switch(at, instance, switchId, position));

    /// <summary>Carries out the fix of a finding: every switch that it names, in one change.</summary>
    public IActionResult OnPostFix(string job, long version, string code, Subject subject) =>
        Press(job, version, at => Switching.Fix(at, code, subject));

    /// <summary>
    /// Sets every switch of the job so that nothing stands in the way and every want is given, with the fewest moves; or says
    /// what clashes.
    /// </summary>
    public async Task<IActionResult> OnPostSettleAsync(string job, long version)
    {
        if (!Load(job))
            return NotFound();
        Settings? found;
        try
        {
            found = await Solved(most: 1);
            // Wants that no switch can give do not keep the rest from being set right.
            if (found is { Solutions.Count: 0 } && View.Answer.Standing == Standing.Stop)
                found = await Solved(most: 1, wants: []) is { Solutions.Count: > 0 } without ? without : found;
        }
        catch (TooManyTriedException wide)
        {
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was changed: {wide.Message}.");
        }
        if (found is null)
            return Refuse(StatusCodes.Status503ServiceUnavailable, $"Nothing was changed. {Api.HeavyWork.Busy}");
        if (found is { Solutions.Count: 0, Decided: false })
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was changed. {Undecided}");
        if (found.Solutions.Count == 0)
            return Refuse(
                StatusCodes.Status422UnprocessableEntity,
                $"No setting of the switches works. These cannot all be: "
                    + $"{string.Join("; ", found.Clash.Select(c => c.Text.TrimEnd('.')))}. The Wants station proposes sets of "
                    + $"parts that do."
            );
        return Settle(job, version, found.Solutions[0]);
    }

    /// <summary>What the solver finds for the job as planned; null: it had no place among the heavy work in time.</summary>
    /// <exception cref="TooManyTriedException">There is more to try than it takes.</exception>
    protected Task<Settings?> Solved(int most, IReadOnlyList<Need>? wants = null)
    {
        CancellationToken gone = HttpContext.RequestAborted;
        return HttpContext
            .RequestServices.GetRequiredService<Api.HeavyWork>()
            .Do(
                () => SettingsSolver.Solve(Trail.Stations, View.After, wants, most, cancel: gone, within: Api.HeavyWork.AtMost),
                gone
            );
    }

    /// <summary>What a page says where the solver's time was over first.</summary>
    protected static string Undecided =>
        $"Not decided within {Api.HeavyWork.AtMost.TotalSeconds:0} seconds: there may be a setting that works, "
        + "or none. Fewer parts or wants make it easier.";

    /// <summary>Sets the job's switches as the solver's answer has them.</summary>
    protected IActionResult Settle(string job, long version, Choice choice) =>
        Press(job, version, at => Switching.Settle(at, choice));

    /// <summary>Adds a part to the job by the way that best fits the unit's board.</summary>
    public IActionResult OnPostAdd(string job, long version, string part) => Press(job, version, at => Parts.Add(at, part));

    /// <summary>Notes where an original piece is kept.</summary>
    public IActionResult OnPostPutAway(string job, long version, string what, string? place) =>
        PressUnit(job, version, at => MendPresses.PutAway(at, what, place));

    /// <summary>Says that a finding is mended by hand, with what proves it, or plans that as a step of the build.</summary>
    public IActionResult OnPostMend(
        string job,
        long version,
        string code,
        Subject subject,
        string how,
        string? proof,
        bool made
    ) => Press(job, version, at => MendPresses.Mend(at, code, subject, how, proof, made));

    /// <summary>Takes a mend by hand back.</summary>
    public IActionResult OnPostUnmend(string job, long version, string code, Subject subject) =>
        Press(job, version, at => MendPresses.Unmend(at, code, subject));

    /// <summary>The time now, as the record writes it.</summary>
    protected string Moment() =>
        HttpContext
            .RequestServices.GetRequiredService<TimeProvider>()
            .GetUtcNow()
            .ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Drops a part that the job adds.</summary>
    public IActionResult OnPostDrop(string job, long version, InstanceName instance) =>
        Press(job, version, at => Parts.Drop(at, instance));

    /// <summary>Ends the job where all of it is done: what was done stays on the unit.</summary>
    public IActionResult OnPostEnd(string job, long version, string? outcome, string? words)
    {
        if (_view is null && !Load(job))
            return NotFound();
        (JobOutcome? how, Refusal? refused) = Settling.Ended(outcome, words);
        if (refused is not null)
            return Refuse(refused);
        (Press<Job> ended, Press<Unit> folded) = Naming.End(AtThisMoment, how);
        return Finish(job, jobs.ChangeBoth(job, version, ended.What, ended.Edit!, folded.Edit!));
    }

    public IActionResult OnPostUndo(string job, long version) => Finish(job, jobs.Undo(job, version));

    public IActionResult OnPostRedo(string job, long version) => Finish(job, jobs.Redo(job, version));

    /// <summary>Makes a press that changes the job's unit.</summary>
    protected IActionResult PressUnit(string job, long version, Func<AtHand, Press<Unit>> press) =>
        Make(job, version, press, jobs.ChangeUnit);

    /// <summary>Makes a press: it is carried out, refused with its reason, or means nothing any more.</summary>
    protected IActionResult Press(string job, long version, Func<AtHand, Press<Job>> press) =>
        Make(job, version, press, jobs.Change);

    IActionResult Make<T>(
        string job,
        long version,
        Func<AtHand, Press<T>> press,
        Func<string, long, string, Func<T, T?>, WriteOutcome> write
    )
        where T : class
    {
        // A handler that had to look first has loaded the job already; the write itself holds the version against the file.
        if (_view is null && !Load(job))
            return NotFound();
        if (View.Stored.Version != version)
            return Finish(job, WriteOutcome.Of(WriteResult.Stale));
        Press<T> made = press(AtThisMoment);
        if (made.Refused is { } refused)
            return Refuse(refused);
        return Finish(job, made.Edit is { } edit ? write(job, version, made.What, edit) : WriteOutcome.Of(WriteResult.Nothing));
    }

    /// <summary>The job at hand, at this moment.</summary>
    protected AtHand AtThisMoment => View.At with { Moment = Moment() };

    /// <summary>Shows the page as it stands, with what was typed kept, and says why nothing was changed.</summary>
    protected IActionResult Refuse(Refusal refused)
    {
        WhenRefused(refused);
        return Refuse(StatusCodes.Status422UnprocessableEntity, refused.Why);
    }

    /// <summary>Called when a press was refused, for what a page shows beside the reason.</summary>
    protected virtual void WhenRefused(Refusal refused) { }

    IActionResult Finish(string job, WriteOutcome outcome)
    {
        switch (outcome.Result)
        {
            case WriteResult.Missing:
                return NotFound();
            case WriteResult.Stale:
                if (!Load(job))
                    return NotFound();
                return Refuse(StatusCodes.Status409Conflict, IRefusing.ChangedElsewhere("This job"));
            case WriteResult.Refused:
                if (!Load(job))
                    return NotFound();
                return Refuse(
                    StatusCodes.Status422UnprocessableEntity,
                    $"Nothing was changed: {string.Join("; ", outcome.Problems.Select(p => p.Sentence))}"
                );
            default:
                return LocalRedirect(Request.Path + AsShown());
        }
    }

    /// <summary>Shows the page as it stands, with what was typed kept, and says why nothing was changed.</summary>
    protected IActionResult Refuse(int status, string notice)
    {
        Notice = notice;
        Response.StatusCode = status;
        return Page();
    }

    protected bool Load(string job)
    {
        if (jobs.Find(job) is not { } stored)
            return false;
        _view = JobView.Of(sheets.All(), stored);
        ViewData["Title"] = $"{Desk.Name}, {View.Unit.Name}";
        ViewData["Page"] = this;
        Loaded();
        return true;
    }

    /// <summary>Called when the job has been read, for what a station works out beside it.</summary>
    protected virtual void Loaded() { }

    /// <summary>Where a form of this page posts to; what the page shows (a zoom, a table) is kept.</summary>
    public string Post(string handler) => Request.Path + AsShown().Add("handler", handler);

    /// <summary>What of the address serves once and is not kept over a press.</summary>
    protected virtual IReadOnlyList<string> Passing => [];

    /// <summary>What the page shows (a zoom, a socket), without the press that was made.</summary>
    protected QueryString AsShown() =>
        _shown ??= Request
            .Query.Where(q => q.Key is not ("handler" or "kept") && !Passing.Contains(q.Key))
            .Aggregate(QueryString.Empty, (all, q) => all.Add(q.Key, q.Value.ToString()));

    QueryString? _shown;

    /// <summary>Where a station of this job stands.</summary>
    public string UrlOf(Desk desk) => $"/jobs/{View.Job.Id}/{desk.Slug}";
}
