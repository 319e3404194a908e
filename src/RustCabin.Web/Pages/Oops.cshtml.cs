using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Maps;
using RustCabin.Data;

namespace RustCabin.Web.Pages;

/// <summary>What is shown when something is not there or went wrong.</summary>
[IgnoreAntiforgeryToken(Order = 2000)] // after the filter that all pages have
[ResponseCache(NoStore = true)]
public sealed class OopsModel : PageModel
{
    public string Title { get; private set; } = "";
    public string Text { get; private set; } = "";

    public void OnGet(int? code) => Show(code);

    public void OnPost(int? code) => Show(code);

    void Show(int? code)
    {
        (Title, Text) = code switch
        {
            StatusCodes.Status404NotFound => (
                "Not on any shelf",
                "There is no such job or page here. It may have been renamed, or the pack that holds it was not imported."
            ),
            StatusCodes.Status401Unauthorized => (
                "Not signed in",
                "This device is not signed in any more, and nothing was changed. Sign in on another page, then press again."
            ),
            StatusCodes.Status413PayloadTooLarge => (
                "Too large",
                "The pack is larger than 5 MB. Nothing was imported. Split it."
            ),
            StatusCodes.Status400BadRequest => (
                "Not understood",
                "The request was not one that this page sends. Load the page again and repeat the press; nothing was changed."
            ),
            null when HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error is MapTooDenseException dense => (
                "Too dense to map",
                $"In the sheets of this job, {dense.Message}. Give its claims smaller sizes, or masks that leave out fewer "
                    + $"lines, and import the pack again."
            ),
            null when StoreTrouble.Of(HttpContext) is { } trouble => ("Not kept", trouble.Words),
            null when HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error is CabinFileException aside => (
                "Set aside",
                $"{aside.Message} Everything else works. The shelf says what can be done."
            ),
            null => ("Something broke", "Nothing that was confirmed is lost. The log on the terminal says what happened."),
            _ => ($"Refused ({code})", "Nothing was changed."),
        };
        ViewData["Title"] = Title;
    }
}
