using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

/// <summary>
/// Reads a request's body as JSON, within the size of a pack, and hands it on. Answers 415 for another media type, 413 over the
/// size, 400 for what is not JSON.
/// </summary>
static class JsonBody
{
    public static async Task<IResult> With(HttpRequest request, Func<JsonElement, Task<IResult>> use)
    {
        if (!request.HasJsonContentType())
            return Problems.Of(
                StatusCodes.Status415UnsupportedMediaType,
                "The body must be application/json.",
                new SheetError("", $"\"{request.ContentType}\" is not read here")
            );
        try
        {
            if (await ReadAtMost(request, Pack.LargestBytes) is not { } body)
                return Problems.TooLarge();
            using JsonDocument document = PackReader.Parse(body);
            return await use(document.RootElement);
        }
        catch (JsonException why)
        {
            return Problems.NotJson(why);
        }
        catch (BadHttpRequestException cut)
        {
            // Cut off, badly chunked, or too slow.
            return Problems.Of(
                cut.StatusCode,
                "The body does not read to its end.",
                new SheetError("", "cut off, or not as announced")
            );
        }
    }

    static async Task<ReadOnlyMemory<byte>?> ReadAtMost(HttpRequest request, int most)
    {
        if (request.ContentLength > most)
            return null;
        var body = new MemoryStream();
        byte[] buffer = new byte[81_920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, request.HttpContext.RequestAborted)) > 0)
        {
            body.Write(buffer, 0, read);
            if (body.Length > most)
                return null;
        }
        return body.GetBuffer().AsMemory(0, (int)body.Length);
    }
}
