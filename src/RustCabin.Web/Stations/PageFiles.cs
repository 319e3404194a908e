using System.Collections.Concurrent;
using Microsoft.AspNetCore.Components;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;

namespace RustCabin.Web.Stations;

/// <summary>
/// The style sheet and the script of a page: those that bear the name of its folder, when there are any. Nothing is registered.
/// Source: docs/architecture.md, Styles and scripts.
/// </summary>
public static class PageFiles
{
    /// <summary>The path of the page's own style sheet, <c>/css/stations/memory.css</c>; null: it needs none.</summary>
    /// <param name="view">The view that is drawn.</param>
    public static string? Style(ViewContext view) => Of(view, "css");

    /// <summary>The path of the page's own script, <c>/js/stations/wiring.js</c>; null: it needs none.</summary>
    /// <param name="view">The view that is drawn.</param>
    public static string? Script(ViewContext view) => Of(view, "js");

    /// <summary>What was found for a page; the files are those that the application was built with.</summary>
    static readonly ConcurrentDictionary<(string Page, string Kind), string?> Found = new();

    static string? Of(ViewContext view, string kind) =>
        view.ActionDescriptor is PageActionDescriptor page
            ? Found.GetOrAdd((page.RelativePath, kind), _ => Look(view, page, kind))
            : null;

    static string? Look(ViewContext view, PageActionDescriptor page, string kind)
    {
        string? folder = Path.GetFileName(Path.GetDirectoryName(page.RelativePath));
        var path = $"/{kind}/stations/{folder?.ToLowerInvariant()}.{kind}";
        var files = view.HttpContext.RequestServices.GetRequiredService<IWebHostEnvironment>().WebRootFileProvider;
        if (!files.GetFileInfo(path).Exists)
            return null;
        return Named(view, path[1..]);
    }

    static readonly ConcurrentDictionary<string, string> Names = new();

    /// <summary>The address of a file under the name that changes with what is in it, so that a browser may keep it.</summary>
    /// <param name="view">The view that is drawn.</param>
    /// <param name="path">Where it stands: <c>css/tokens.css</c>.</param>
    public static string Named(ViewContext view, string path)
    {
        if (Names.TryGetValue(path, out string? name))
            return name;
        // A page that is shown because something failed knows no names.
        if (view.HttpContext.GetEndpoint()?.Metadata.GetMetadata<ResourceAssetCollection>() is not { } assets)
            return $"/{path}";
        return Names[path] = $"/{assets[path]}";
    }
}
