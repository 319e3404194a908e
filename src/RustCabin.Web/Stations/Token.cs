using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.DependencyInjection.Extensions;

namespace RustCabin.Web.Stations;

/// <summary>
/// The hidden field that proves that a form comes from a page of this cabin. The forms of an answer bear the same one, so that
/// it is asked for once.
/// </summary>
public static class Token
{
    /// <summary>The field, as it stands in a form.</summary>
    /// <param name="view">The page that is written; a cookie that the field wants goes with the answer.</param>
    public static IHtmlContent Of(ViewContext view)
    {
        HttpContext context = view.HttpContext;
        if (context.Items[typeof(Token)] is IHtmlContent made)
            return made;
        AntiforgeryTokenSet set = context.RequestServices.GetRequiredService<IAntiforgery>().GetAndStoreTokens(context);
        // A token is written in letters, digits, - and _ alone.
        var field = new HtmlString($"""<input name="{set.FormFieldName}" type="hidden" value="{set.RequestToken}">""");
        context.Items[typeof(Token)] = field;
        return field;
    }

    /// <summary>Tokens are kept for the browsers that ask again (<see cref="KeptTokens"/>).</summary>
    public static void Keep(IServiceCollection services)
    {
        Type made = services.Last(s => s.ServiceType == typeof(IAntiforgery)).ImplementationType!;
        services.Replace(
            ServiceDescriptor.Singleton<IAntiforgery>(all => new KeptTokens(
                (IAntiforgery)ActivatorUtilities.CreateInstance(all, made),
                all.GetRequiredService<Microsoft.Extensions.Options.IOptions<AntiforgeryOptions>>().Value.Cookie.Name!
            ))
        );
    }
}

/// <summary>
/// A browser that has its cookie gets the token that belongs to it again: reading the cookie and writing a token are a twentieth
/// of the work of a page. What a form sends is tested as ever.
/// </summary>
/// <param name="tokens">Makes them and tests them.</param>
/// <param name="cookie">The name of the cookie.</param>
sealed class KeptTokens(IAntiforgery tokens, string cookie) : IAntiforgery, IDisposable
{
    /// <summary>So many browsers are known at once; one that is forgotten gets another token.</summary>
    const int Most = 500;

    readonly MemoryCache _kept = new(new MemoryCacheOptions { SizeLimit = Most });

    /// <inheritdoc/>
    public void Dispose() => _kept.Dispose();

    public AntiforgeryTokenSet GetAndStoreTokens(HttpContext context)
    {
        // A token is for whoever is signed in: theirs are made each time.
        string? held = context.User.Identity is { IsAuthenticated: true } ? null : context.Request.Cookies[cookie];
        if (held is not null && _kept.TryGetValue(held, out AntiforgeryTokenSet? known))
        {
            context.Response.Headers.CacheControl = "no-cache, no-store";
            context.Response.Headers.Pragma = "no-cache";
            return known!;
        }
        AntiforgeryTokenSet made = tokens.GetAndStoreTokens(context);
        // No cookie comes with it where the one that was sent is good.
        if (held is not null && made.CookieToken is null)
            _kept.Set(held, made, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = TimeSpan.FromHours(1) });
        return made;
    }

    public AntiforgeryTokenSet GetTokens(HttpContext context) => tokens.GetTokens(context);

    public Task<bool> IsRequestValidAsync(HttpContext context) => tokens.IsRequestValidAsync(context);

    public Task ValidateRequestAsync(HttpContext context) => tokens.ValidateRequestAsync(context);

    public void SetCookieTokenAndHeader(HttpContext context) => tokens.SetCookieTokenAndHeader(context);
}
