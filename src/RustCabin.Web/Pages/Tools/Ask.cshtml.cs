using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace RustCabin.Web.Pages.Tools;

/// <summary>The page of a declared tool: its fields, and the answer to what stands in them.</summary>
public sealed class AskToolModel : PageModel
{
    public Tool Tool { get; private set; } = null!;
    public ToolAnswer Answer { get; private set; } = new("");

    /// <summary>What stands in a field: what was typed, else the example.</summary>
    public string Typed(string field) =>
        Request.Query.TryGetValue(field, out var typed) ? typed.ToString() : Tool.Fields.First(f => f.Name == field).Example;

    public IActionResult OnGet(string tool)
    {
        if (AllTools.List.FirstOrDefault(t => t.Slug == tool) is not { } known)
            return NotFound();
        Tool = known;
        ViewData["Title"] = known.Title;
        Answer = known.Answer(Typed);
        return Page();
    }
}
