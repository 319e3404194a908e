using System.Text.Json;
using RustCabin.Core;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

/// <summary><c>POST /api/v1/check</c>: a pack with one job, or with several and <c>?job=id</c>, gives the whole answer. Keeps nothing.</summary>
static class CheckEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) => routes
        .MapPost("/api/v1/check", (HttpRequest request, string? job) => JsonBody.With(request, body => Check(body, job)))
        .WithName("check").WithSummary("The whole answer for one job").DisableAntiforgery()
        .WithDescription("Takes a pack (rustcabin.pack/1) with one job, or with several and ?job=id.")
        .TakesJson("a pack, rustcabin.pack/1").Produces<CheckAnswer>().ProducesProblem(400).ProducesProblem(404).ProducesProblem(413)
        .ProducesProblem(415).ProducesProblem(422);

    static IResult Check(JsonElement body, string? wanted)
    {
        PackReading reading = PackReader.Read(body);
        if (reading.Pack is not { } pack) return Problems.Invalid(reading.Errors);
        if (wanted is not null && pack.FindJob(wanted) is null)
            return Problems.Of(StatusCodes.Status404NotFound, "No such job.", new SheetError("job", $"\"{wanted}\" is not a job of this pack"));
        if (wanted is null && pack.Jobs.Count != 1)
            return Problems.Invalid([new SheetError("jobs", pack.Jobs.Count == 0 ? "holds no job" : $"holds {pack.Jobs.Count} jobs: say which with ?job=id")]);
        try
        {
            return TypedResults.Ok(AnswerJson.Of(Answer.For(Plan.For(pack, wanted is null ? pack.Jobs[0] : pack.FindJob(wanted)!))));
        }
        catch (MapTooDenseException dense)
        {
            return Problems.Invalid([new SheetError("", dense.Message)]);
        }
    }
}
