using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Baseline;

/// <summary><c>tests</c>: the cheapest tests that exercise what a job touches.</summary>
static class TestsCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapCall(
            "tests",
            "The cheapest tests that exercise all that a job touches",
            (TestsAsked asked) => TestSet.Of(asked),
            Nulls.Read<TestsAsked>,
            heavy: true
        );
}
