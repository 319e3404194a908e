using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Planning;

namespace RustCabin.Web.Api;

/// <summary><c>check</c>: a pack with a job gives the whole answer.</summary>
static class CheckCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapJobCall(
            "check",
            "The whole answer for one job",
            (pack, job, _) => AnswerJson.Of(Answer.For(Trail.Stations, Plan.For(pack, job)))
        );
}
