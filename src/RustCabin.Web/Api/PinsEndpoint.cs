using RustCabin.Core.Wiring;

namespace RustCabin.Web.Api;

public sealed record PinsAnswer(IReadOnlyList<PinJson> Pins);

public sealed record PinJson(int Pin, string Side, int FromCorner, string Corner, IReadOnlyList<int> Neighbours);

/// <summary><c>POST /api/v1/pins</c>: where pins stand on an outline as it is seen, and which of their neighbours stay down.</summary>
static class PinsEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapReading(
            "/api/v1/pins",
            "pins",
            "Where pins stand on an outline",
            "Takes { package: \"QFP-64\", pins: [50], view: \"above\" | \"below\" }.",
            PinsReader.Read,
            asked => new PinsAnswer([
                .. asked
                    .Pins.Select(pin => asked.Outline.Find(pin, asked.View))
                    .Select(place => new PinJson(
                        place.Pin,
                        place.Side.ToString().ToLowerInvariant(),
                        place.FromCorner,
                        place.Corner,
                        asked.Outline.Neighbours(place.Pin, [.. asked.Pins])
                    )),
            ])
        );
}
