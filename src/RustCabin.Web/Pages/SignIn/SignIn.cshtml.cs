using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Web.SignIn;

namespace RustCabin.Web.Pages.SignIn;

/// <summary>Asks another machine of the bench network for the pass phrase. Source: docs/security.md, Sign-in.</summary>
public sealed class SignInModel(Door door) : PageModel
{
    /// <summary>The field of the pass phrase: whatever is shown of a form, it is not.</summary>
    public const string PhraseField = "phrase";

    public string? Notice { get; private set; }

    /// <summary>The page that was asked for.</summary>
    public string Back { get; private set; } = "/";

    public IActionResult OnGet(string? back)
    {
        Begin(back);
        // Nobody is asked who need not say it.
        return !door.IsOpen || door.IsOwn(HttpContext.Connection) || User.Identity is { IsAuthenticated: true }
            ? LocalRedirect(Back)
            : Page();
    }

    public async Task<IActionResult> OnPost(string? back, [FromForm(Name = PhraseField)] string? phrase)
    {
        Begin(back);
        if (!door.IsOpen)
            return LocalRedirect(Back);
        string from = $"{HttpContext.Connection.RemoteIpAddress}";
        WrongPhrases wrong = HttpContext.RequestServices.GetRequiredService<WrongPhrases>();
        (bool? right, int seconds) = await wrong.Try(from, () => door.File.IsPhrase(phrase ?? ""));
        switch (right)
        {
            case true:
                await HttpContext.SignInAsync(
                    Guard.Scheme,
                    Guard.Device(door.File.Enter(from)),
                    new AuthenticationProperties { IsPersistent = true }
                );
                return LocalRedirect(Back);
            case false:
                Notice = "That is not the pass phrase.";
                Response.StatusCode = StatusCodes.Status401Unauthorized;
                return Page();
            default:
                Notice = $"Too many wrong pass phrases. Wait {seconds} seconds.";
                Response.Headers.RetryAfter = $"{seconds}";
                Response.StatusCode = StatusCodes.Status429TooManyRequests;
                return Page();
        }
    }

    /// <summary>Signs this device out, or all of them.</summary>
    public async Task<IActionResult> OnPostOut(bool everywhere)
    {
        if (!door.IsOwn(HttpContext.Connection) && User.Identity is not { IsAuthenticated: true })
            return Unauthorized();
        if (everywhere)
            door.File.LeaveAll();
        else if (User.FindFirst(Guard.Token) is { } token)
            door.File.Leave(token.Value);
        if (door.IsOpen)
            await HttpContext.SignOutAsync(Guard.Scheme);
        return LocalRedirect("/cabin");
    }

    void Begin(string? back)
    {
        ViewData["Title"] = "Sign in";
        ViewData["Bare"] = true;
        Back = Url.IsLocalUrl(back) ? back : "/";
    }
}
