using RustCabin.Core.Declared;
using RustCabin.Core.Pasted;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Paste;

/// <summary>
/// <c>paste</c> and <c>acts/compare</c>: what manuals and guides print, read. Source: docs/handbook/paste.md, What is read.
/// </summary>
static class PasteCalls
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "paste",
            "Reads what a manual, a guide or a list prints",
            (PasteAsked asked) => PasteAnswer.Of(Core.Pasted.Paste.Of(asked)),
            Nulls.Read<PasteAsked>
        );
        routes.MapCall(
            "acts/compare",
            "Holds two guides against each other",
            (ActsAsked asked) => ActsCompared.Of(asked),
            Nulls.Read<ActsAsked>
        );
    }
}

/// <summary>What <c>paste</c> answers.</summary>
/// <param name="As">The kind, in one word.</param>
/// <param name="Lines">Every line that is not blank.</param>
public sealed record PasteAnswer(string As, IReadOnlyList<PastedLine> Lines)
{
    public static PasteAnswer Of(Core.Pasted.Paste paste) => new(Words<PasteKind>.Of(paste.As), paste.Lines);
}
