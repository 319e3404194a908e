using RustCabin.Core.Baseline;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>
/// <c>GET /units/{unit}/photos/{id}</c>: a picture, under the media type that its bytes were found to have, never as anything to
/// run.
/// </summary>
static class PhotoFile
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes
            .MapGet(
                "/units/{unit}/photos/{id:long}",
                (string unit, long id, PhotoRepository photos, HttpContext context) =>
                {
                    if (photos.Find(unit, id) is not { } photo)
                        return Results.NotFound();
                    // What goes to a device that signed in is not to be kept there.
                    if (context.Response.Headers.CacheControl.Count == 0)
                        context.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
                    // A row that a person made up is bytes and nothing that a browser shows or runs.
                    return Results.Bytes(
                        photo.Bytes,
                        Photo.MediaTypes.Contains(photo.Kind) ? photo.Kind : "application/octet-stream"
                    );
                }
            )
            .ExcludeFromDescription();
}
