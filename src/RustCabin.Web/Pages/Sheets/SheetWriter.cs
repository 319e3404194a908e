using System.Text;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>Changes a part's sheet by a press: it comes in as any sheet does.</summary>
static class SheetWriter
{
    /// <summary>Why nothing was written; empty: it was. Null: there is no such part.</summary>
    /// <param name="sheets">The cabin's sheets.</param>
    /// <param name="import">What takes sheets in.</param>
    /// <param name="part">The part, by its id.</param>
    /// <param name="press">The change.</param>
    public static string? Write(SheetRepository sheets, PackImport import, string part, Press<Part> press)
    {
        if (sheets.Json("part", part) is not { } json)
            return null;
        JsonObject edited = Declaration<Part>.Edit(JsonNode.Parse(json)!.AsObject(), press.Edit!)!;
        ImportOutcome outcome = import.Run(
            Encoding.UTF8.GetBytes(DraftPreview.PackOf("part", edited, sheets.All().Currency)),
            ImportMode.Replace,
            press.What
        );
        return outcome.Errors.Count == 0
            ? ""
            : $"Nothing was written: {string.Join("; ", outcome.Errors.Take(3).Select(e => e.Sentence))}.";
    }
}
