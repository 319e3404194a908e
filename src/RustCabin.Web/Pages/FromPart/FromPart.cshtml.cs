using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core;
using RustCabin.Core.Baseline;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Fit;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Pages.Units;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.FromPart;

/// <summary>
/// From a part: which of the units take it, with what, and which board to look for where none does. Source:
/// docs/handbook/fit.md, From a part.
/// </summary>
public sealed class FromPartModel(SheetRepository sheets, JobRepository jobs, StockRepository stock) : PageModel, IRefusing
{
    public Part Part { get; private set; } = null!;

    /// <summary>The units, those that take it first.</summary>
    public IReadOnlyList<Taker> Takers { get; private set; } = [];

    /// <summary>For each model that the part names: its boards, and what speaks for them on a seller's photo.</summary>
    public IReadOnlyList<(Model Model, BoardsFor Boards)> LookFor { get; private set; } = [];

    /// <summary>How many lie in the cupboard.</summary>
    public int InHand { get; private set; }

    /// <summary>What others found with it.</summary>
    public ReportRates Rates => KnownReports.Rates(Part.Known);

    /// <inheritdoc/>
    public string? Notice { get; private set; }

    bool Load(string part)
    {
        Pack all = sheets.All();
        if (all.FindPart(part) is not { } known)
            return false;
        Part = known;
        (ViewData["Title"], ViewData["Page"]) = (known.Name, this);
        Takers = Core.Searches.Takers.Of(Trail.Stations, all, known);
        LookFor = [.. all.Models.Where(m => known.Ways.Any(w => w.Model == m.Id)).Select(m => (m, BoardsFor.Of(m, [known])))];
        InHand = stock.All().Where(s => s.Item.Kind == StockKind.Part && s.Item.Item == part).Sum(s => s.Item.Count);
        return true;
    }

    public IActionResult OnGet(string part) => Load(part) ? Page() : NotFound();

    /// <summary>Begins a job on a unit that adds the part.</summary>
    public IActionResult OnPostBegin(string part, string unit)
    {
        if (!Load(part))
            return NotFound();
        (string? url, Notice) = Beginning.With(sheets, jobs, unit, Part);
        if (url is not null)
            return LocalRedirect(url);
        Response.StatusCode = Notice is null ? StatusCodes.Status404NotFound : StatusCodes.Status422UnprocessableEntity;
        return Notice is null ? NotFound() : Page();
    }
}

/// <summary>What the cupboard could make of each unit. Source: docs/handbook/fit.md, From a part.</summary>
public sealed class MakesModel(SheetRepository sheets, JobRepository jobs, StockRepository stock) : PageModel, IRefusing
{
    /// <summary>So many units are shown.</summary>
    public const int Most = 60;

    public IReadOnlyList<(Unit Unit, IReadOnlyList<(Part Part, FitCell Cell)> Parts)> Makes { get; private set; } = [];

    /// <inheritdoc/>
    public string? Notice { get; private set; }

    public void OnGet()
    {
        (ViewData["Title"], ViewData["Page"]) = ("What the cupboard could make", this);
        Makes = Core.Searches.Takers.FromCupboard(
            sheets.All(),
            [.. stock.All().Where(s => s.Item.Kind == StockKind.Part && s.Item.Count > 0).Select(s => s.Item.Item).Distinct()]
        );
    }

    /// <summary>Begins a job on a unit that adds a part.</summary>
    public IActionResult OnPostBegin(string part, string unit)
    {
        OnGet();
        if (sheets.All().FindPart(part) is not { } known)
            return NotFound();
        (string? url, Notice) = Beginning.With(sheets, jobs, unit, known);
        if (url is not null)
            return LocalRedirect(url);
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Notice is null ? NotFound() : Page();
    }
}
