using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Identify;

public sealed record IdentifyAnswer(
    IReadOnlyList<ChanceJson> Revisions,
    IReadOnlyList<ContradictionJson> Contradictions,
    NextJson? Next
);

public sealed record ChanceJson(string Id, double Probability);

public sealed record NextJson(string Clue, double Bits, decimal Minutes);

/// <summary>
/// <c>identify</c>: a model sheet and what its clues showed give the revisions' probabilities, in the order of the sheet.
/// </summary>
static class IdentifyCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapCall("identify", "Which board is it", Answer, IdentifyReader.Read);

    static IdentifyAnswer Answer(IdentifyAsked asked)
    {
        Verdict verdict = Revisions.Identify(asked.Model, asked.Seen, null);
        NextClue? next = Revisions.Next(asked.Model, asked.Seen);
        return new IdentifyAnswer(
            [.. verdict.All.Select(r => new ChanceJson(r.Id, r.Probability))],
            [.. verdict.Contradictions.Select(c => new ContradictionJson(c.Clue, c.Says))],
            next is null ? null : new NextJson(next.Clue, next.Bits, next.Minutes)
        );
    }
}
