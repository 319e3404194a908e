using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace RustCabin.Web.Pages.Handbook;

/// <summary>The handbook as the application serves it: the same pages that stand in the repository's docs.</summary>
public sealed class HandbookModel : PageModel
{
    public static IReadOnlyList<HandbookPage> Pages => HandbookPage.All;

    /// <summary>The page that is read; null: none was named.</summary>
    public HandbookPage? Shown { get; private set; }

    public IActionResult OnGet(string? name)
    {
        ViewData["Title"] = "Handbook";
        if (name is null)
            return Page();
        Shown = Pages.FirstOrDefault(p => p.Name == name);
        if (Shown is null)
            return NotFound();
        ViewData["Title"] = $"{Shown.Title}, handbook";
        return Page();
    }
}
