namespace RustCabin.Web.Api;

/// <summary>
/// Keeps pages of other places out of the JSON interface: a browser says from where a request comes, and only this cabin's own
/// pages, and programs that are no browsers, may ask. Source: docs/security.md, Other pages.
/// </summary>
static class OtherPages
{
    public static async Task Refuse(HttpContext context, RequestDelegate next)
    {
        HttpRequest request = context.Request;
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || !IsForeign(request))
        {
            await next(context);
            return;
        }
        await Problems
            .Of(
                StatusCodes.Status403Forbidden,
                "This request comes from another page.",
                [new Core.Declared.SheetError("", "only the cabin's own pages, and programs that are no browsers, may ask")]
            )
            .ExecuteAsync(context);
    }

    static bool IsForeign(HttpRequest request)
    {
        string site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site is not ("" or "same-origin" or "none"))
            return true;
        string origin = request.Headers.Origin.ToString();
        return origin.Length > 0 && origin != $"{request.Scheme}://{request.Host}";
    }
}
