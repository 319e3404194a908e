using RustCabin.Core.Units;

namespace RustCabin.Web;

/// <summary>What a browser keeps of its user's taste: the lamp (light or dark) and how sizes are written.</summary>
public sealed record Preferences(bool LampOff, bool AsOnTheBox)
{
    public const string Lamp = "cabin-lamp",
        Sizes = "cabin-sizes";

    public static Preferences From(HttpRequest request) => new(request.Cookies[Lamp] == "off", request.Cookies[Sizes] == "box");

    public string Size(ByteSize size) => size.ToScreen(AsOnTheBox);

    public string Rough(ByteSize size) => size.ToRough(AsOnTheBox);
}
