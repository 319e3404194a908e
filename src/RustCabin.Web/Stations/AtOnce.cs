using Microsoft.AspNetCore.Http.Features;

namespace RustCabin.Web.Stations;

/// <summary>
/// A press that a script sends is answered with the page that it leads to, at once. A browser that is told to look elsewhere
/// asks a second time: over the network of a shed that is half of the wait. Without script a press still leads on, so that a
/// page that is loaded again is not pressed again.
/// </summary>
public static class AtOnce
{
    /// <summary>What a script says with a press.</summary>
    public const string Asked = "Cabin-At-Once";

    /// <summary>Where the page that came is to be found: the path with its question.</summary>
    public const string Told = "Cabin-Page";

    public static async Task Answer(HttpContext context, RequestDelegate next)
    {
        bool asked = HttpMethods.IsPost(context.Request.Method) && context.Request.Headers.ContainsKey(Asked);
        await next(context);
        if (!asked || context.Response.HasStarted || PageOf(context.Response) is not { } page)
            return;
        LookAt(page, context);
        context.Response.OnStarting(() =>
        {
            context.Response.Headers[Told] = page;
            return Task.CompletedTask;
        });
        await next(context);
    }

    /// <summary>
    /// Where the answer leads to, if that is a page of this cabin; null: it is left to the browser. So it is too where the
    /// browser is given something to keep, which it says again only when it asks again.
    /// </summary>
    static string? PageOf(HttpResponse answer) =>
        answer.StatusCode is StatusCodes.Status302Found or StatusCodes.Status303SeeOther
        && answer.Headers.SetCookie.Count == 0
        && answer.Headers.Location.ToString() is ['/', not ('/' or '\\'), ..] page
            ? page.Split('#')[0]
            : null;

    /// <summary>The request as the browser would make it, and nothing answered yet.</summary>
    static void LookAt(string page, HttpContext context)
    {
        HttpRequest request = context.Request;
        string[] parts = page.Split('?', 2);
        request.Method = HttpMethods.Get;
        request.Path = PathString.FromUriComponent(parts[0]);
        request.QueryString = new QueryString(parts.Length > 1 ? $"?{parts[1]}" : "");
        request.ContentType = null;
        request.ContentLength = null;
        request.Body = Stream.Null;
        context.Features.Set<IFormFeature>(null);
        context.Features.Set<IHttpMaxRequestBodySizeFeature>(new NoBody());
        context.Response.Clear();
        context.SetEndpoint(null);
        request.RouteValues.Clear();
        // What a pass keeps for itself is of that pass: the makers of links, what was typed.
        context.Items.Clear();
    }

    /// <summary>A limit may be set for what is not sent.</summary>
    sealed class NoBody : IHttpMaxRequestBodySizeFeature
    {
        public bool IsReadOnly => false;
        public long? MaxRequestBodySize { get; set; }
    }
}
