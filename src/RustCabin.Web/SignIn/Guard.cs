using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Diagnostics;
using RustCabin.Web.Api;

namespace RustCabin.Web.SignIn;

/// <summary>
/// Stands before everything that other machines ask for: who has not given the pass phrase sees the page that asks for it, and
/// nothing else. Source: docs/security.md, Sign-in.
/// </summary>
static class Guard
{
    public const string Scheme = CookieAuthenticationDefaults.AuthenticationScheme;

    /// <summary>The claim that holds what <see cref="DoorFile.Enter"/> gave.</summary>
    public const string Token = "token";

    const string Page = "/sign-in";

    /// <summary>What the page that asks for the phrase is drawn with.</summary>
    static readonly string[] Drawn = ["/css", "/js", "/lib", "/cabin.svg"];

    /// <summary>
    /// Tells the cookies of a cabin from those of another on the same host: a browser sends them to every port of it.
    /// </summary>
    /// <param name="home">The folder of the cabin.</param>
    public static string Mark(string home) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(Path.GetFullPath(home))))[..8];

    public static void AddServices(IServiceCollection services, Door door, string home)
    {
        services.AddSingleton<WrongPhrases>();
        services
            .AddAuthentication(Scheme)
            .AddCookie(
                Scheme,
                cookie =>
                {
                    cookie.Cookie.Name = $"cabin-door-{Mark(home)}";
                    cookie.Cookie.HttpOnly = true;
                    cookie.Cookie.SameSite = SameSiteMode.Strict;
                    cookie.ExpireTimeSpan = DoorFile.Stays;
                    cookie.SlidingExpiration = false;
                    cookie.Events.OnValidatePrincipal = context =>
                    {
                        if (context.Principal?.FindFirst(Token) is not { } token || !door.File.IsIn(token.Value))
                            context.RejectPrincipal();
                        return Task.CompletedTask;
                    };
                }
            );
    }

    /// <summary>Every device signs the forms alike, so that a page stays good when its device signs in once more.</summary>
    public static ClaimsPrincipal Device(string token) =>
        new(new ClaimsIdentity([new(ClaimTypes.NameIdentifier, "bench"), new(Token, token)], Scheme));

    public static void Use(WebApplication app, Door door)
    {
        app.UseAuthentication();
        app.Use((context, next) => Ask(context, door, next));
    }

    static async Task Ask(HttpContext context, Door door, RequestDelegate next)
    {
        PathString path = context.Request.Path;
        if (
            door.IsOwn(context.Connection)
            || context.User.Identity is { IsAuthenticated: true }
            || path.StartsWithSegments(Page)
            || Drawn.Any(d => path.StartsWithSegments(d))
            || context.Features.Get<IStatusCodeReExecuteFeature>() is not null
        )
        {
            // What is told to a device that signed in stays with it.
            if (!door.IsOwn(context.Connection))
                context.Response.Headers.CacheControl = "no-store";
            await next(context);
        }
        else if (path.StartsWithSegments("/api") || path.StartsWithSegments("/openapi"))
            await Problems.Of(StatusCodes.Status401Unauthorized, "Sign in first.", []).ExecuteAsync(context);
        else if (HttpMethods.IsGet(context.Request.Method))
            context.Response.Redirect($"{Page}?back={Uri.EscapeDataString(path + context.Request.QueryString)}");
        else
            context.Response.StatusCode = StatusCodes.Status401Unauthorized;
    }
}
