using RustCabin.Core.Speed;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Speed;

public sealed record SpeedAnswer(
    double PredictedSeconds,
    double? PredictedRatio,
    double? MeasuredRatio,
    IReadOnlyList<double>? Spread
);

/// <summary><c>speed</c>: a piece of work by its parts, and what was measured.</summary>
static class SpeedCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapCall(
            "speed",
            "What a speed-up makes of a piece of work",
            (WorkAsked asked) => Of(SpeedForecast.Of(asked.Work))
        );

    static SpeedAnswer Of(SpeedForecast forecast) =>
        new(
            (double)forecast.PredictedSeconds,
            (double?)forecast.PredictedRatio,
            (double?)forecast.MeasuredRatio,
            forecast.Spread is { } spread ? [(double)spread.Least, (double)spread.Most] : null
        );
}
