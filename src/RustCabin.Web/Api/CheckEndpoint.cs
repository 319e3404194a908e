using System.Text.Json;
using RustCabin.Core;
using RustCabin.Core.Planning;

namespace RustCabin.Web.Api;

/// <summary><c>POST /api/v1/check</c>: a pack with one job, or with several and <c>?job=id</c>, gives the whole answer. Keeps nothing.</summary>
static class CheckEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes
            .MapPost("/api/v1/check", (HttpRequest request, string? job) => JsonBody.With(request, body => Check(body, job)))
            .WithName("check")
            .WithSummary("The whole answer for one job")
            .DisableAntiforgery()
            .WithDescription("Takes a pack (rustcabin.pack/1) with one job, or with several and ?job=id.")
            .TakesJson("a pack, rustcabin.pack/1")
            .Produces<CheckAnswer>()
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422);

    static IResult Check(JsonElement body, string? wanted) =>
        JobCall.Answer(body, wanted, (pack, job) => AnswerJson.Of(Answer.For(Plan.For(pack, job))));
}
