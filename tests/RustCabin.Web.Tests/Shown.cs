using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>What stands on a page, by CSS selector.</summary>
static class Shown
{
    /// <summary>The form that an element is in.</summary>
    public static IHtmlFormElement Form(IParentNode page, string selector) =>
        page.QuerySelector(selector)!.Closest("form") as IHtmlFormElement ?? throw new InvalidOperationException(selector);

    /// <summary>The codes of the findings in the tray.</summary>
    public static IReadOnlyList<string> Found(IParentNode page) =>
        [.. page.QuerySelectorAll(".tray [data-finding]").Select(f => f.GetAttribute("data-finding")!)];

    /// <summary>An element's text with single spaces.</summary>
    public static string Text(IParentNode page, string selector) =>
        string.Join(' ', page.QuerySelector(selector)!.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}
