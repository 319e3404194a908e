using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Answers;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Identify;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Switches;
using RustCabin.Data;

namespace RustCabin.Web.Stations;

/// <summary>
/// What every station of a job does: loads the job, shows the frame, and takes the presses that any station may offer (a
/// switch, a fix, undo, redo). A press is a plain form: with script the page is changed in place, without it the browser loads
/// it anew.
/// </summary>
public abstract class StationPage(SheetRepository sheets, JobRepository jobs) : PageModel, IRefusing
{
    JobView? _view;

    protected JobRepository Jobs => jobs;
    protected SheetRepository Sheets => sheets;

    public JobView View => _view!;
    public abstract Desk Desk { get; }
    public Preferences Preferences => Preferences.From(Request);

    /// <inheritdoc/>
    public string? Notice { get; protected set; }

    /// <summary>True if one of these handlers refused what was typed: what is folded round its form stands open.</summary>
    public bool Refused(params string[] handlers) => handlers.Any(h => ((IRefusing)this).Refused(h) is not null);

    public IActionResult OnGet(string job) => Load(job) ? Page() : NotFound();

    public IActionResult OnPostSwitch(string job, long version, string instance, string switchId, string position) =>
        Change(
            job,
            version,
            view =>
                (
                    SwitchText(view, instance, switchId, position),
                    json => JobEdits.SetSwitch(json, view.Unit.Fitted, instance, switchId, position)
                )
        );

    /// <summary>Carries out the fix of a finding: every switch that it names, in one change.</summary>
    public IActionResult OnPostFix(string job, long version, string code, string subject) =>
        Change(
            job,
            version,
            view =>
            {
                Fix? fix = view
                    .Answer.Findings.FirstOrDefault(f =>
                        f.Code == code && f.Subjects.FirstOrDefault() == subject && f.Fix is not null
                    )
                    ?.Fix;
                if (fix is null)
                    return null;
                var moves = fix
                    .Switches.SelectMany(i => i.Value.Select(s => (Instance: i.Key, Switch: s.Key, Position: s.Value)))
                    .ToList();
                return (
                    $"Mended, {View.Answer.Findings.First(f => f.Code == code).Title}: "
                        + string.Join(", ", moves.Select(m => SwitchText(view, m.Instance, m.Switch, m.Position))),
                    json => JobEdits.SetSwitches(json, view.Unit.Fitted, moves)
                );
            }
        );

    /// <summary>
    /// Sets every switch of the job so that nothing stands in the way and every want is given, with the fewest moves; or says
    /// what clashes.
    /// </summary>
    public IActionResult OnPostSettle(string job, long version)
    {
        if (!Load(job))
            return NotFound();
        Settings? found;
        try
        {
            found = Solved(most: 1);
            // Wants that no switch can give do not keep the rest from being set right.
            if (found is { Solutions.Count: 0 } && View.Answer.Standing == Standing.Stop)
                found = Solved(most: 1, wants: []) is { Solutions.Count: > 0 } without ? without : found;
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
    protected Settings? Solved(int most, IReadOnlyList<Need>? wants = null)
    {
        CancellationToken gone = HttpContext.RequestAborted;
        return HttpContext
            .RequestServices.GetRequiredService<Api.HeavyWork>()
            .Now(() => SettingsSolver.Solve(View.After, wants, most, cancel: gone, within: Api.HeavyWork.AtMost), gone);
    }

    /// <summary>What a page says where the solver's time was over first.</summary>
    protected static string Undecided =>
        $"Not decided within {Api.HeavyWork.AtMost.TotalSeconds:0} seconds: there may be a setting that works, "
        + "or none. Fewer parts or wants make it easier.";

    /// <summary>Sets the job's switches as the solver's answer has them.</summary>
    protected IActionResult Settle(string job, long version, Choice choice) =>
        Change(
            job,
            version,
            view =>
            {
                var moves = choice
                    .Planned.Instances.SelectMany(i =>
                        i.Positions.Where(p =>
                                view.After.Find(i.Name)?.Positions.GetValueOrDefault(p.Key) is { } now && now != p.Value
                            )
                            .Select(p => (i.Name, p.Key, p.Value))
                    )
                    .ToList();
                return moves.Count == 0
                    ? null
                    : (
                        "Switches set: " + string.Join(", ", moves.Select(m => SwitchText(view, m.Name, m.Key, m.Value))),
                        json => JobEdits.SetSwitches(json, view.Unit.Fitted, moves)
                    );
            }
        );

    /// <summary>
    /// Adds a part to the job by the way that best fits the unit's board, or, where none does, by its first way into the model.
    /// </summary>
    public IActionResult OnPostAdd(string job, long version, string part)
    {
        if (!Load(job))
            return NotFound();
        if (View.Sheets.FindPart(part) is not { } known)
            return Change(job, version, _ => null);
        Way? way =
            FitMatrix.Cell(View.Model, known, View.After.Revision.Id).Way
            ?? known.Ways.FirstOrDefault(w => w.Model == View.Model.Id);
        return way is null
            ? Refuse($"Nothing was changed: no way of {known.Name} is for {View.Model.Name}")
            : Change(job, version, _ => ($"{known.Name} added", j => JobEdits.Add(j, part, way.Id)));
    }

    /// <summary>Notes where an original piece is kept.</summary>
    public IActionResult OnPostPutAway(string job, long version, string what, string? place)
    {
        if (!Load(job))
            return NotFound();
        string kept = (place ?? "").Trim();
        return kept.Length is 0 or > 200
            ? Refuse($"Nothing was changed: say in up to 200 letters where this is kept: {what}.")
            : ChangeUnit(
                job,
                version,
                view =>
                    Originals.Of(view.After).Any(o => o.What == what)
                        ? ($"Kept in {kept}: {what}", unit => UnitEdits.Keep(unit, what, kept))
                        : null
            );
    }

    /// <summary>Says that a finding is mended by hand, with what proves it, or plans that as a step of the build.</summary>
    public IActionResult OnPostMend(string job, long version, string code, string subject, string how, string? proof, bool made)
    {
        if (!Load(job))
            return NotFound();
        string proved = (proof ?? "").Trim();
        if (made && proved.Length is 0 or > 500)
            return Refuse("Nothing was changed: say in up to 500 letters what proves it, a reading or what you see.");
        return Change(
            job,
            version,
            view =>
            {
                if (
                    view.Answer.Findings.FirstOrDefault(f => f.Code == code && f.Subjects.FirstOrDefault() == subject)
                        is not { } finding
                    || !finding.Kind.ByHand.Contains(how)
                )
                    return null;
                var mend = new HandMend
                {
                    Finding = code,
                    Subject = subject,
                    How = how,
                };
                return made
                    ? (
                        $"Mended by hand, {finding.Title}: {how}; proved by {proved}",
                        j => JobEdits.MakeMend(JobEdits.PlanMend(j, mend), Acts.Mend(mend), proved, Moment())
                    )
                    : ($"A mend by hand planned, {finding.Title}: {how}", j => JobEdits.PlanMend(j, mend));
            }
        );
    }

    /// <summary>Takes a mend by hand back.</summary>
    public IActionResult OnPostUnmend(string job, long version, string code, string subject) =>
        Change(
            job,
            version,
            view =>
                view.Job.Mends.FirstOrDefault(m => m.Finding == code && m.Subject == subject) is { } mend
                    ? ($"Not mended after all: {mend.How}", j => JobEdits.DropMend(j, code, subject))
                    : null
        );

    /// <summary>The time now, as the record writes it.</summary>
    protected string Moment() =>
        HttpContext
            .RequestServices.GetRequiredService<TimeProvider>()
            .GetUtcNow()
            .ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Drops a part that the job adds.</summary>
    public IActionResult OnPostDrop(string job, long version, string instance) =>
        Change(
            job,
            version,
            view =>
            {
                int index = view
                    .After.Instances.Where(i => i.Added)
                    .Index()
                    .FirstOrDefault(i => i.Item.Name == instance, (-1, null!))
                    .Index;
                return index < 0
                    ? null
                    : ($"{view.After.Find(instance)!.Title} dropped", json => JobEdits.Drop(json, index, instance));
            }
        );

    public IActionResult OnPostUndo(string job, long version) => Finish(job, jobs.Undo(job, version));

    public IActionResult OnPostRedo(string job, long version) => Finish(job, jobs.Redo(job, version));

    static string SwitchText(JobView view, string instance, string switchId, string position) =>
        $"{switchId} of {view.After.Find(instance)?.Title ?? instance} to {position}";

    /// <summary>As <see cref="Change"/>, for a change to the job's unit.</summary>
    protected IActionResult ChangeUnit(string job, long version, Func<JobView, (string What, Func<Unit, Unit?> Edit)?> edit) =>
        Make(job, version, edit, jobs.ChangeUnit);

    /// <summary>
    /// Makes one change. <paramref name="edit"/> gives its name and the edit, or null when the press no longer means anything.
    /// </summary>
    protected IActionResult Change(string job, long version, Func<JobView, (string What, Func<Job, Job?> Edit)?> edit) =>
        Make(job, version, edit, jobs.Change);

    IActionResult Make<T>(
        string job,
        long version,
        Func<JobView, (string What, Func<T, T?> Edit)?> edit,
        Func<string, long, string, Func<T, T?>, WriteOutcome> write
    )
        where T : class
    {
        // A handler that had to look first has loaded the job already; the write itself holds the version against the file.
        if (_view is null && !Load(job))
            return NotFound();
        if (View.Stored.Version != version)
            return Finish(job, WriteOutcome.Of(WriteResult.Stale));
        return Finish(
            job,
            edit(View) is { } change ? write(job, version, change.What, change.Edit) : WriteOutcome.Of(WriteResult.Nothing)
        );
    }

    IActionResult Finish(string job, WriteOutcome outcome)
    {
        switch (outcome.Result)
        {
            case WriteResult.Missing:
                return NotFound();
            case WriteResult.Stale:
                if (!Load(job))
                    return NotFound();
                return Refuse(
                    StatusCodes.Status409Conflict,
                    "This job was changed in another tab. You now see it as it stands; your press was not carried out."
                );
            case WriteResult.Refused:
                if (!Load(job))
                    return NotFound();
                return Refuse(
                    StatusCodes.Status422UnprocessableEntity,
                    $"Nothing was changed: {string.Join("; ", outcome.Problems.Select(p => p.Told))}"
                );
            default:
                return LocalRedirect(Request.Path + AsShown());
        }
    }

    /// <summary>Refuses what was typed or pressed, with what is wrong with it.</summary>
    protected IActionResult Refuse(string notice) => Refuse(StatusCodes.Status422UnprocessableEntity, notice);

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
        Request
            .Query.Where(q => q.Key is not ("handler" or "kept") && !Passing.Contains(q.Key))
            .Aggregate(QueryString.Empty, (all, q) => all.Add(q.Key, q.Value.ToString()));

    /// <summary>Where a station of this job stands.</summary>
    public string UrlOf(Desk desk) => $"/jobs/{View.Job.Id}/{desk.Slug}";
}
