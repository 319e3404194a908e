using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Maps;

namespace RustCabin.Web.Pages;

/// <summary>What is shown when something is not there or went wrong.</summary>
[IgnoreAntiforgeryToken(Order = 2000)] // after the filter that all pages have
[ResponseCache(NoStore = true)]
public sealed class OopsModel : PageModel
{
    public string Title { get; private set; } = "";
    public string Text { get; private set; } = "";

    /// <summary>What was typed into the form that was not kept, to be copied from here: field and text.</summary>
    public IReadOnlyList<(string Field, string Text)> Typed { get; private set; } = [];

    public void OnGet(int? code) => Show(code);

    public void OnPost(int? code)
    {
        Show(code);
        // Only a form that was read already: one that cannot be read is why this page shows. What the framework adds and what
        // was not typed (ids, versions, ticks) helps nobody; a pass phrase is never shown.
        if (HttpContext.Features.Get<IFormFeature>()?.Form is { } form)
            Typed =
            [
                .. from field in form
                where !field.Key.StartsWith("__") && field.Key != Pages.SignIn.SignInModel.PhraseField
                from text in field.Value
                where !string.IsNullOrWhiteSpace(text) && text.Length > 1 && !text.All(char.IsDigit)
                select (field.Key, text),
            ];
    }

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
            null when StoreTrouble.Of(HttpContext) is { } trouble => (
                trouble.Status == StatusCodes.Status409Conflict ? "Set aside" : "Not kept",
                trouble.Words
            ),
            null => ("Something broke", "Nothing that was confirmed is lost. The log on the terminal says what happened."),
            _ => ($"Refused ({code})", "Nothing was changed."),
        };
        ViewData["Title"] = Title;
    }
}
