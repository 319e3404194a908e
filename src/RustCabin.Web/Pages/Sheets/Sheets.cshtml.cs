using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>All models, parts and titles of the cabin, and the drafts that wait.</summary>
public sealed class SheetsModel(SheetRepository sheets, DraftRepository drafts) : PageModel
{
    /// <summary>Each model with the count of its units and its bare map on its first board.</summary>
    public IReadOnlyList<(Model Model, int Units, PlannedUnit Example)> Models { get; private set; } = [];
    public IReadOnlyList<Part> Parts { get; private set; } = [];
    public IReadOnlyList<Core.Sheets.Title> Titles { get; private set; } = [];
    public IReadOnlyList<(string Kind, string Key)> Drafts { get; private set; } = [];

    public void OnGet()
    {
        ViewData["Title"] = "Sheets";
        Pack all = sheets.All();
        Models =
        [
            .. all.Models.Select(m =>
                (
                    m,
                    all.Units.Count(u => u.Model == m.Id),
                    Plan.For(
                        all,
                        new Unit
                        {
                            Id = "bare",
                            Model = m.Id,
                            Name = m.Name,
                            Revision = m.Revisions[0].Id,
                        }
                    )
                )
            ),
        ];
        Parts = [.. all.Parts.OrderBy(p => p.Name, StringComparer.OrdinalIgnoreCase)];
        Titles = all.Titles;
        Drafts = drafts.All();
    }
}
