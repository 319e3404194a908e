using RustCabin.Core.Declared;
using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Fit;

public sealed record BoardsForAnswer(IReadOnlyList<BoardTakesJson> Revisions, IReadOnlyList<ClueValuesJson> Clues);

public sealed record BoardTakesJson(string Id, IReadOnlyList<string> Takes, bool All);

public sealed record ClueValuesJson(string Clue, IReadOnlyList<string> Values);

/// <summary><c>boards-for</c>: which board to look for, so that it takes the parts.</summary>
static class BoardsForCall
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapPackCall("boards-for", "Which board to look for, so that it takes the parts (?parts=a,b)", Of);
        routes.MapCall(
            "place",
            "Where a board can lie in a case",
            (PlaceAsked asked) => Placing.Of(asked),
            Nulls.Read<PlaceAsked>
        );
    }

    static BoardsForAnswer Of(Pack pack, IQueryCollection query)
    {
        if (pack.Models.Count != 1)
            throw new RefusedException("models", $"must be one model, not {pack.Models.Count}");
        var found = BoardsFor.Of(pack.Models[0], PartsOf(pack, query));
        return new BoardsForAnswer(
            [.. found.Boards.Select(b => new BoardTakesJson(b.Revision.Id, [.. b.Takes.Select(p => p.Id)], b.All))],
            [.. found.Clues.Select(c => new ClueValuesJson(c.Clue.Id, c.Values))]
        );
    }

    static IReadOnlyList<Part> PartsOf(Pack pack, IQueryCollection query) =>
        query["parts"] is not [{ } named]
            ? pack.Parts
            :
            [
                .. named
                    .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                    .Distinct()
                    .Select(id =>
                        pack.Parts.FirstOrDefault(p => p.Id == id)
                        ?? throw new RefusedException("parts", $"\"{id}\" is no part of this pack")
                    ),
            ];
}
