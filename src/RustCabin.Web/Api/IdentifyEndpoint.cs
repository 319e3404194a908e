using RustCabin.Core.Identify;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

public sealed record IdentifyAnswer(
    IReadOnlyList<ChanceJson> Revisions,
    IReadOnlyList<ContradictionJson> Contradictions,
    NextJson? Next
);

public sealed record ChanceJson(string Id, double Probability);

public sealed record NextJson(string Clue, double Bits, decimal Minutes);

/// <summary><c>POST /api/v1/identify</c>: a model sheet and what its clues showed give the revisions' probabilities, in the order of the sheet.</summary>
static class IdentifyEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapReading(
            "/api/v1/identify",
            "identify",
            "Which board is it",
            "Takes { model: <sheet>, seen: { clue: value } }.",
            IdentifyReader.Read,
            asked =>
            {
                Verdict verdict = Revisions.Identify(asked.Model, asked.Seen, null);
                NextClue? next = Revisions.Next(asked.Model, asked.Seen);
                return new IdentifyAnswer(
                    [.. verdict.All.Select(r => new ChanceJson(r.Id, r.Probability))],
                    [.. verdict.Contradictions.Select(c => new ContradictionJson(c.Clue, c.Says))],
                    next is null ? null : new NextJson(next.Clue, next.Bits, next.Minutes)
                );
            }
        );
}
