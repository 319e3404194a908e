using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Baseline;

/// <summary><c>tests</c>: the cheapest tests that exercise what a job touches; <c>starts</c> and <c>reports</c>: rates.</summary>
static class TestsCall
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "tests",
            "The cheapest tests that exercise all that a job touches",
            (TestsAsked asked) => TestSet.Of(asked),
            Nulls.Read<TestsAsked>,
            heavy: true
        );
        routes.MapCall(
            "starts",
            "How many clean tries prove a mend, and whether it is better now",
            (StartsAsked asked) => Starts.Of(asked),
            Nulls.Read<StartsAsked>
        );
        routes.MapCall(
            "reports",
            "What others found, by thing and firmware",
            (ReportsAsked asked) => ReportRates.Of(asked),
            Nulls.Read<ReportsAsked>
        );
    }
}
