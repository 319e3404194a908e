using System.Text.Json;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

/// <summary><c>POST /api/v1/map</c>: bare claims give segments, fights, mirrors and reach. Claims are named by their own ids.</summary>
static class MapEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes
            .MapPost("/api/v1/map", (HttpRequest request) => JsonBody.With(request, Resolve))
            .WithName("map")
            .WithSummary("Resolves claims into an address map")
            .DisableAntiforgery()
            .WithDescription("Takes { addressBits, masters, claims }; the claims as on a model sheet.")
            .TakesJson("addressBits, masters and claims")
            .Produces<MapAnswer>()
            .ProducesProblem(400)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422);

    static IResult Resolve(JsonElement body)
    {
        MapReading reading = MapReader.Read(body);
        if (reading.Claims is not { } claims)
            return Problems.Invalid(reading.Errors);
        try
        {
            return TypedResults.Ok(AnswerJson.Of(AddressMap.Resolve(reading.AddressBits, reading.Masters, claims)));
        }
        catch (MapTooDenseException dense)
        {
            return Problems.Invalid([new SheetError("claims", dense.Message)]);
        }
    }
}
