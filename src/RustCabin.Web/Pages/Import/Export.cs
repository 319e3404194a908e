using RustCabin.Core.Packs;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Import;

/// <summary>
/// Packs to take away: <c>GET /export</c> for the whole cabin, <c>GET /export/units/{id}</c> for one unit with all that it
/// needs, <c>GET /export/jobs/{id}</c> for one of its jobs, <c>GET /export/sheets/{kind}/{id}</c> for one sheet; and the schema
/// that packs follow, <c>GET /schema/pack.schema.json</c>.
/// </summary>
static class Export
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/export", (PackExport export) => File(export.Whole(), "rust-cabin")).ExcludeFromDescription();
        routes
            .MapGet(
                "/export/units/{id}",
                (string id, PackExport export) => export.OfUnit(id) is { } pack ? File(pack, id) : Results.NotFound()
            )
            .ExcludeFromDescription();
        routes
            .MapGet(
                "/export/jobs/{id}",
                (string id, PackExport export) => export.OfJob(id) is { } pack ? File(pack, id) : Results.NotFound()
            )
            .ExcludeFromDescription();
        routes
            .MapGet(
                "/export/sheets/{kind}/{id}",
                (string kind, string id, PackExport export) =>
                    export.OfSheet(kind, id) is { } pack ? File(pack, id) : Results.NotFound()
            )
            .ExcludeFromDescription();
        routes
            .MapGet("/schema/pack.schema.json", () => Results.Text(PackSchema.Text(), "application/schema+json"))
            .ExcludeFromDescription();
    }

    /// <summary>Ids hold letters, digits and hyphens only, so the name is safe as it is.</summary>
    static IResult File(byte[] pack, string name) => Results.File(pack, "application/json", $"{name}.pack.json");
}
