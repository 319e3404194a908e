using System.Text.Json;
using RustCabin.Core.Identify;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

public sealed record IdentifyAnswer(IReadOnlyList<ChanceJson> Revisions, IReadOnlyList<ContradictionJson> Contradictions, NextJson? Next);
public sealed record ChanceJson(string Id, double Probability);
public sealed record NextJson(string Clue, double Bits, decimal Minutes);

/// <summary><c>POST /api/v1/identify</c>: a model sheet and what its clues showed give the revisions' probabilities, in the order of the sheet.</summary>
static class IdentifyEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) => routes
        .MapPost("/api/v1/identify", (HttpRequest request) => JsonBody.With(request, Identify))
        .WithName("identify").WithSummary("Which board is it").DisableAntiforgery()
        .WithDescription("Takes { model: <sheet>, seen: { clue: value } }.")
        .TakesJson("model sheet and clues seen").Produces<IdentifyAnswer>().ProducesProblem(400).ProducesProblem(413).ProducesProblem(415).ProducesProblem(422);

    static IResult Identify(JsonElement body)
    {
        IdentifyReading reading = IdentifyReader.Read(body);
        if (reading.Model is not { } model) return Problems.Invalid(reading.Errors);
        Verdict verdict = Revisions.Identify(model, reading.Seen, null);
        NextClue? next = Revisions.Next(model, reading.Seen);
        return TypedResults.Ok(new IdentifyAnswer(
            [.. verdict.All.Select(r => new ChanceJson(r.Id, r.Probability))],
            [.. verdict.Contradictions.Select(c => new ContradictionJson(c.Clue, c.Says))],
            next is null ? null : new NextJson(next.Clue, next.Bits, next.Minutes)));
    }
}
