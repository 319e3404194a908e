using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace RustCabin.Web.Pages;

/// <summary>Keeps a browser's taste in cookies for a year, and goes back to where it was.</summary>
public sealed class PreferencesModel : PageModel
{
    static readonly CookieOptions Year = new()
    {
        MaxAge = TimeSpan.FromDays(365),
        SameSite = SameSiteMode.Lax,
        HttpOnly = true,
        IsEssential = true,
    };

    public IActionResult OnGet() => LocalRedirect("/");

    public IActionResult OnPost(string? lamp, string? sizes, string? ring, string? back)
    {
        if (ring is "on" or "off")
            Response.Cookies.Append(Preferences.Ring, ring, Year);
        if (lamp is "on" or "off")
            Response.Cookies.Append(Preferences.Lamp, lamp, Year);
        if (sizes is "box" or "exact")
            Response.Cookies.Append(Preferences.Sizes, sizes, Year);
        return LocalRedirect(Url.IsLocalUrl(back) && back.All(c => c is > ' ' and < '\x7F') ? back : "/");
    }
}
