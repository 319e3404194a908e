using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Shelf;

/// <summary>One unit on the shelf: as it stands, and each of its jobs.</summary>
public sealed record ShelfUnit(Unit Unit, Model Model, PlannedUnit AsItStands, IReadOnlyList<JobView> Jobs);

/// <summary>The shelf: all units, and what each waits for.</summary>
public sealed class ShelfModel(SheetRepository sheets, JobRepository jobs, PackImport import, StockRepository stock) : PageModel
{
    public IReadOnlyList<ShelfUnit> Units { get; private set; } = [];

    public void OnGet()
    {
        ViewData["Title"] = "Shelf";
        Pack all = sheets.All();
        ILookup<string, JobView> views = jobs.Stored().Select(stored => JobView.Of(all, stored)).ToLookup(v => v.Unit.Id);
        Units = [.. all.Units.Select(u => new ShelfUnit(u, all.FindModel(u.Model)!, Plan.For(all, u), [.. views[u.Id]]))];
    }

    /// <summary>Begins an empty job for a unit and goes to its Memory station.</summary>
    public IActionResult OnPostBegin(string unit) =>
        sheets.All().FindUnit(unit) is null ? NotFound() : LocalRedirect($"/jobs/{jobs.Begin(unit, "New job")}/memory");

    /// <summary>Puts the sample cabin on an empty shelf.</summary>
    public IActionResult OnPostSample()
    {
        DemoPacks.Load(import, stock);
        return LocalRedirect("/");
    }
}
