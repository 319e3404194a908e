using RustCabin.Core.Declared;
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
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "speed",
            "What a speed-up makes of a piece of work",
            (WorkAsked asked) => Of(SpeedForecast.Of(asked.Work))
        );
        routes.MapCall(
            "speed/frames",
            "Frame rates by the size of the picture",
            (FramesAsked asked) => Frames.Of(asked),
            Nulls.Read<FramesAsked>
        );
    }

    static SpeedAnswer Of(SpeedForecast forecast) =>
        new(
            (double)forecast.PredictedSeconds,
            (double?)forecast.PredictedRatio,
            (double?)forecast.MeasuredRatio,
            forecast.Spread is { } spread ? [(double)spread.Least, (double)spread.Most] : null
        );
}
