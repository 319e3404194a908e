using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Tools;

/// <summary>The page of a declared tool: its fields, and the answer to what stands in them.</summary>
public sealed class AskToolModel : PageModel
{
    public Tool Tool { get; private set; } = null!;
    public ToolAnswer Answer { get; private set; } = new("");

    /// <summary>A pack with the sheet that was made of it, to be looked at by the import.</summary>
    public string? Pack { get; private set; }

    /// <summary>What that sheet is called.</summary>
    public string? SheetName { get; private set; }

    public string? Notice { get; private set; }

    /// <summary>What stands in a field: what was typed, else the example.</summary>
    public string Typed(string field) =>
        Request.Query.TryGetValue(field, out var typed) ? typed.ToString() : Tool.Fields.First(f => f.Name == field).Example;

    bool Load(string tool)
    {
        if (AllTools.List.FirstOrDefault(t => t.Slug == tool) is not { } known)
            return false;
        Tool = known;
        ViewData["Title"] = known.Title;
        Answer = known.Answer(Typed);
        return true;
    }

    public IActionResult OnGet(string tool) => Load(tool) ? Page() : NotFound();

    /// <summary>Makes a sheet of what was typed; the import shows what it would bring.</summary>
    public IActionResult OnPostKeep(string tool, [FromForm(Name = "Name")] string? called)
    {
        if (!Load(tool))
            return NotFound();
        string name = (called ?? "").Trim();
        if (Answer is not { Wrong.Count: 0, Sheet: { } sheet })
            Notice = "Nothing was kept: no sheet can be made of it.";
        else if (IdText.Of(name).Length == 0 || name.Length > 200)
            Notice = "A name is missing: what is the sheet to be called?";
        else
            (Pack, SheetName) = (sheet(name).ToJsonString(), name);
        if (Notice is not null)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
