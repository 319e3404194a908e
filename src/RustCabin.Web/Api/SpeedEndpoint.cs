using RustCabin.Core.Speed;

namespace RustCabin.Web.Api;

public sealed record SpeedAnswer(
    double PredictedSeconds,
    double? PredictedRatio,
    double? MeasuredRatio,
    IReadOnlyList<double>? Spread
);

/// <summary><c>POST /api/v1/speed</c>: a piece of work by its parts, and what was measured.</summary>
static class SpeedEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapReading(
            "/api/v1/speed",
            "speed",
            "What a speed-up makes of a piece of work",
            "Takes { parts: [ { name, seconds, factor } ], measured: { before: [s], after: [s] } }.",
            SpeedForecast.Read,
            work =>
            {
                SpeedForecast forecast = SpeedForecast.Of(work);
                return new SpeedAnswer(
                    (double)forecast.PredictedSeconds,
                    (double?)forecast.PredictedRatio,
                    (double?)forecast.MeasuredRatio,
                    forecast.Spread is { } spread ? [(double)spread.Least, (double)spread.Most] : null
                );
            }
        );
}
