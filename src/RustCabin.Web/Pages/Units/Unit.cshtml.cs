using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Units;

/// <summary>One unit: how it stands, its jobs, and what is done with it as a whole.</summary>
public sealed class UnitModel(SheetRepository sheets, JobRepository jobs, StockRepository stock, ShelfRepository shelf)
    : PageModel
{
    public Unit Shown { get; private set; } = null!;
    public Model Machine { get; private set; } = null!;

    /// <summary>The unit as it stands; null: it cannot be planned.</summary>
    public PlannedUnit? Stands { get; private set; }

    /// <summary>Why it cannot be planned.</summary>
    public string Unplanned { get; private set; } = "";

    /// <summary>Its jobs, the open ones first.</summary>
    public IReadOnlyList<JobView> Jobs { get; private set; } = [];

    /// <summary>The part that it is; null: it is a machine.</summary>
    public Part? Part { get; private set; }

    /// <summary>The loans in which it is on either side.</summary>
    public IReadOnlyList<OnLoan> Loans { get; private set; } = [];

    /// <summary>What became of a press that could not be carried out; null when all is well.</summary>
    public string? Notice { get; private set; }

    bool Load(string unit)
    {
        Pack all = sheets.All();
        if (all.FindUnit(unit) is not { } known)
            return false;
        Shown = known;
        Machine = all.FindModel(known.Model)!;
        Part = Beginning.BenchedPart(all, known);
        Loans = [.. Core.Presses.Loans.Of(all, known)];
        ViewData["Title"] = known.Name;
        try
        {
            Stands = Plan.For(all, known);
            Jobs =
            [
                .. jobs.Standing().Item1.Where(j => j.Job.Unit == unit).Select(j => JobView.Of(all, j)).OrderBy(j => j.Job.Ended),
            ];
        }
        catch (Core.Maps.MapTooDenseException dense)
        {
            Unplanned = dense.Message;
        }
        return true;
    }

    public IActionResult OnGet(string unit) => Load(unit) ? Page() : NotFound();

    /// <summary>Begins an empty job.</summary>
    public IActionResult OnPostBegin(string unit, string? name) =>
        Beginning.Of(sheets, jobs, unit, name) switch
        {
            ({ } url, _) => LocalRedirect(url),
            (_, { } refused) => Refuse(unit, refused),
            _ => NotFound(),
        };

    /// <summary>Gives a job another name.</summary>
    public IActionResult OnPostName(string unit, string job, long version, string? name) =>
        Naming.Name(name) is { Refused: null } press
            ? After(unit, jobs.Change(job, version, press.What, press.Edit!))
            : Refuse(unit, Naming.Name(name).Refused!.Why);

    /// <summary>Puts a job behind another of this unit.</summary>
    public IActionResult OnPostFollow(string unit, string job, long version, string? after)
    {
        Job[] own = [.. jobs.All().Where(j => j.Unit == unit)];
        Job? before = own.FirstOrDefault(j => j.Id == after);
        if (own.FirstOrDefault(j => j.Id == job) is not { } known || (!string.IsNullOrEmpty(after) && before is null))
            return NotFound();
        Press<Job> press = Naming.Follow(known, before, own);
        return press.Refused is { } refused
            ? Refuse(unit, refused.Why)
            : After(unit, jobs.Change(job, version, press.What, press.Edit!));
    }

    /// <summary>Gives the unit another name.</summary>
    public IActionResult OnPostCall(string unit, string? name) => Edit(unit, Naming.Call(name));

    /// <summary>Puts the unit among the retired, or back to work.</summary>
    public IActionResult OnPostRetire(string unit, bool retired) => Edit(unit, Naming.Retire(retired));

    /// <summary>
    /// Ends a job: what was done is on the unit from now on, and another job can begin from there. Undo on its pages opens it.
    /// </summary>
    public IActionResult OnPostEnd(string unit, string job, long version)
    {
        if (jobs.Find(job) is not { } stored)
            return NotFound();
        (Press<Job> ended, Press<Unit> folded) = Naming.End(JobView.Of(sheets.All(), stored).At);
        return After(unit, jobs.ChangeBoth(job, version, ended.What, ended.Edit!, folded.Edit!));
    }

    /// <summary>Lays a part that was on the bench by itself back into the cupboard.</summary>
    public IActionResult OnPostBack(string unit) =>
        sheets.All() is var all
        && all.FindUnit(unit) is { } known
        && Beginning.BenchedPart(all, known) is { } part
        && stock.FromBench(sheets, known, part)
            ? LocalRedirect("/cupboard")
            : NotFound();

    public IActionResult OnPostRemove(string unit, string kind, string id) =>
        kind == "unit"
            ? shelf.RemoveUnit(id)
                ? LocalRedirect("/#removed")
                : NotFound()
            : shelf.Remove(id)
                ? LocalRedirect("/#removed")
                : NotFound();

    IActionResult Edit(string unit, Press<Unit> press) =>
        press.Refused is { } refused ? Refuse(unit, refused.Why)
        : sheets.Change(unit, u => press.On(u) ?? u) ? LocalRedirect($"/units/{unit}")
        : NotFound();

    IActionResult After(string unit, WriteOutcome outcome) =>
        outcome.Result switch
        {
            WriteResult.Missing => NotFound(),
            WriteResult.Stale => Refuse(unit, IRefusing.ChangedElsewhere("This job")),
            WriteResult.Refused => Refuse(
                unit,
                $"Nothing was changed: {string.Join("; ", outcome.Problems.Select(p => p.Sentence))}"
            ),
            _ => LocalRedirect($"/units/{unit}"),
        };

    IActionResult Refuse(string unit, string notice)
    {
        if (!Load(unit))
            return NotFound();
        Notice = notice;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
