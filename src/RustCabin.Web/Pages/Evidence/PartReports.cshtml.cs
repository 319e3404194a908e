using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Baseline;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Pages.Sheets;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>
/// What others found with a part: rates, the reports as they came, and a paste that adds to them. Source:
/// docs/handbook/baseline.md, Reports of others.
/// </summary>
public sealed class PartReportsModel(SheetRepository sheets, PackImport import) : PageModel, IRefusing
{
    public Part Part { get; private set; } = null!;

    public ReportRates Rates => KnownReports.Rates(Part.Known);

    /// <inheritdoc/>
    public string? Notice { get; private set; }

    public IActionResult OnGet(string part) => Load(part) ? Page() : NotFound();

    bool Load(string part)
    {
        if (sheets.All().FindPart(part) is not { } known)
            return false;
        Part = known;
        (ViewData["Title"], ViewData["Page"]) = ($"Reports of {known.Name}", this);
        return true;
    }

    /// <summary>Adds pasted reports.</summary>
    public IActionResult OnPostAdd(string part, string? reports) => Load(part) ? Write(Reporting.Add(Part, reports)) : NotFound();

    /// <summary>Takes a report back.</summary>
    public IActionResult OnPostDrop(string part, int index) => Load(part) ? Write(Reporting.Drop(Part, index)) : NotFound();

    IActionResult Write(Press<Part> press)
    {
        string? wrong = press.Refused?.Why ?? SheetWriter.Write(sheets, import, Part.Id, press);
        if (wrong is "")
            return Redirect(Request.Path);
        Notice = wrong ?? "Nothing was written: the sheet is gone.";
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
