using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Shelf;

/// <summary>One unit on the shelf: as it stands, and each of its jobs.</summary>
public sealed record ShelfUnit(Unit Unit, Model Model, PlannedUnit AsItStands, IReadOnlyList<JobView> Jobs);

/// <summary>The shelf: all units, and what each waits for.</summary>
public sealed class ShelfModel(
    SheetRepository sheets,
    JobRepository jobs,
    PackImport import,
    StockRepository stock,
    ShelfRepository shelf,
    Backup backup,
    TimeProvider clock
) : PageModel
{
    public IReadOnlyList<ShelfUnit> Units { get; private set; } = [];

    public void OnGet()
    {
        ViewData["Title"] = "Shelf";
        Pack all = sheets.All();
        (IReadOnlyList<StoredJob> standing, IReadOnlyList<SetAside> aside) = jobs.Standing();
        ILookup<string, StoredJob> stored = standing.ToLookup(j => j.Job.Unit);
        Removed = shelf.Removed();
        Aside = [.. sheets.Aside(), .. aside];
        BackupIsDue = backup.State().IsDue(clock.GetUtcNow());
        var units = new List<ShelfUnit>();
        var unplanned = new List<(Unit, string)>();
        foreach (Unit unit in all.Units)
            try
            {
                PlannedUnit stands = Plan.For(all, unit);
                units.Add(
                    new ShelfUnit(unit, all.FindModel(unit.Model)!, stands, [.. stored[unit.Id].Select(j => JobView.Of(all, j))])
                );
            }
            catch (Core.Maps.MapTooDenseException dense)
            {
                // What cannot be planned takes only its own card.
                unplanned.Add((unit, dense.Message));
            }
        (Units, Unplanned) = (units, unplanned);
    }

    public bool BackupIsDue { get; private set; }

    /// <summary>Units that cannot be planned, and why.</summary>
    public IReadOnlyList<(Unit Unit, string Why)> Unplanned { get; private set; } = [];

    /// <summary>Sheets and jobs that do not read any more.</summary>
    public IReadOnlyList<SetAside> Aside { get; private set; } = [];

    /// <summary>What was taken off the shelf, and can be put back.</summary>
    public IReadOnlyList<(string Kind, string Id, string Name)> Removed { get; private set; } = [];

    /// <summary>What became of a press that could not be carried out; null when all is well.</summary>
    public string? Notice { get; private set; }

    /// <summary>
    /// Begins an empty job for a unit. Where the board is in doubt it goes to the clues, else to Memory.
    /// </summary>
    public IActionResult OnPostBegin(string unit, string? name)
    {
        Pack all = sheets.All();
        if (all.FindUnit(unit) is not { } known)
            return NotFound();
        if (Naming.Begun(name) is var (called, refused) && refused is not null)
            return Refuse(refused.Why);
        string id = jobs.Begin(unit, called);
        Verdict board = Plan.For(all, known).Revision;
        return LocalRedirect(
            $"/jobs/{id}/{(PlannedUnit.Assumes(all.FindModel(known.Model)!, known, board) ? "identify" : FirstOf(known))}"
        );
    }

    /// <summary>Gives a job another name.</summary>
    public IActionResult OnPostName(string job, long version, string? name) =>
        Naming.Name(name) is { Refused: null } press
            ? After(jobs.Change(job, version, press.What, press.Edit!))
            : Refuse(Naming.Name(name).Refused!.Why);

    /// <summary>Gives a unit another name.</summary>
    public IActionResult OnPostCall(string unit, string? name) => Edit(unit, Naming.Call(name));

    /// <summary>Puts a unit among the retired, or back to work.</summary>
    public IActionResult OnPostRetire(string unit, bool retired) => Edit(unit, Naming.Retire(retired));

    /// <summary>
    /// Ends a job: what was done is on the unit from now on, and another job can begin from there. Undo on its pages opens it.
    /// </summary>
    public IActionResult OnPostEnd(string job, long version)
    {
        if (jobs.Find(job) is not { } stored)
            return NotFound();
        (Press<Job> ended, Press<Unit> folded) = Naming.End(JobView.Of(sheets.All(), stored).At);
        return After(jobs.ChangeBoth(job, version, ended.What, ended.Edit!, folded.Edit!));
    }

    /// <summary>Takes a job that does not read back to its latest state that does.</summary>
    public IActionResult OnPostGoBack(string job) =>
        jobs.GoBack(job)
            ? LocalRedirect("/")
            : Refuse("No earlier state of that job reads either. Restore a backup: ./cabin restore FILE.");

    /// <summary>Lays a part that was on the bench by itself back into the cupboard.</summary>
    public IActionResult OnPostBack(string unit) =>
        sheets.All() is var all
        && all.FindUnit(unit) is { } known
        && BenchedPart(known) is { } part
        && stock.FromBench(sheets, known, part)
            ? LocalRedirect("/cupboard")
            : NotFound();

    /// <summary>The part that a unit is; null: it is a machine.</summary>
    public Part? BenchedPart(Unit unit) =>
        sheets.All() is var all && all.Models.All(m => m.Id != unit.Model) ? all.FindPart(unit.Model) : null;

    /// <summary>The station that a job opens with: a part by itself has no map of memory.</summary>
    public string FirstOf(Unit unit) => BenchedPart(unit) is null ? "memory" : "wiring";

    public IActionResult OnPostRemove(string kind, string id) =>
        (kind == "unit" ? shelf.RemoveUnit(id) : shelf.Remove(id)) ? LocalRedirect("/#removed") : NotFound();

    public IActionResult OnPostPutBack(string kind, string id)
    {
        shelf.PutBack(kind, id);
        return LocalRedirect("/");
    }

    IActionResult Edit(string unit, Press<Unit> press) =>
        press.Refused is { } refused ? Refuse(refused.Why)
        : sheets.Change(unit, u => press.On(u) ?? u) ? LocalRedirect($"/#unit-{unit}")
        : NotFound();

    IActionResult After(WriteOutcome outcome) =>
        outcome.Result switch
        {
            WriteResult.Missing => NotFound(),
            WriteResult.Stale => Refuse("This job was changed in another tab; your press was not carried out."),
            WriteResult.Refused => Refuse($"Nothing was changed: {string.Join("; ", outcome.Problems.Select(p => p.Told))}"),
            _ => LocalRedirect("/"),
        };

    PageResult Refuse(string notice)
    {
        OnGet();
        Notice = notice;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>Puts the sample cabin on an empty shelf.</summary>
    public IActionResult OnPostSample()
    {
        DemoPacks.Load(import, stock);
        return LocalRedirect("/");
    }
}
