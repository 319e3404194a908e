using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Declared;
using RustCabin.Web.Pages.Tools;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>
/// A question that needs no sheet: a few fields filled with an example of ours, the answer as a drawing. What is typed is read
/// and refused as the call of the same question reads it.
/// </summary>
/// <typeparam name="TAsked">What the call takes.</typeparam>
public abstract class AskedPage<TAsked> : PageModel
    where TAsked : class, new()
{
    /// <summary>What was asked; null: it was refused.</summary>
    public TAsked? Asked { get; private set; }

    /// <summary>What is wrong with what was typed.</summary>
    public IReadOnlyList<SheetError> Wrong { get; private set; } = [];

    /// <summary>The page's name.</summary>
    protected abstract string Name { get; }

    /// <summary>What was typed, as the call takes it.</summary>
    protected abstract JsonObject Typed();

    public virtual void OnGet()
    {
        ViewData["Title"] = Name;
        using JsonDocument json = JsonDocument.Parse(Typed().ToJsonString());
        Reading<TAsked> read = Nulls.Read<TAsked>(json.RootElement);
        (Asked, Wrong) = (read.Value, read.Errors);
    }

    /// <summary>A number where the text is one; else the text, which the reading refuses; null where nothing stands.</summary>
    internal static JsonNode? Number(string? text) => TypedLines.NumberOrShare(text);

    /// <summary>The lines of a text that hold something, each in its fields.</summary>
    internal static IEnumerable<string[]> Rows(string? text, params char[] between) => TypedLines.Rows(text, between);

    /// <summary>A field of a row; null: it has not so many.</summary>
    internal static JsonNode? At(string[] row, int index) => Number(row.ElementAtOrDefault(index));
}
