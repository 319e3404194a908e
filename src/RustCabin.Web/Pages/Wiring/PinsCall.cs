using RustCabin.Core.Chips;
using RustCabin.Core.Wiring;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Wiring;

public sealed record PinsAnswer(IReadOnlyList<PinJson> Pins);

public sealed record PinJson(int Pin, string Side, int FromCorner, string Corner, IReadOnlyList<int> Neighbours);

/// <summary><c>pins</c>: where pins stand on an outline as it is seen, and which of their neighbours stay down.</summary>
static class PinsCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapCall("pins", "Where pins stand on an outline", (PinsAsked asked) => Answer(asked));

    static PinsAnswer Answer(PinsAsked asked)
    {
        ChipOutline outline = asked.Outline;
        int[] pins = [.. asked.Pins.Select(p => (int)p)];
        return new PinsAnswer([
            .. pins.Select(pin => outline.Find(pin, asked.View))
                .Select(place => new PinJson(
                    place.Pin,
                    place.Side.ToString().ToLowerInvariant(),
                    place.FromCorner,
                    place.Corner,
                    outline.Neighbours(place.Pin, pins)
                )),
        ]);
    }
}
