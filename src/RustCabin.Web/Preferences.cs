using RustCabin.Core.Units;

namespace RustCabin.Web;

/// <summary>What a browser keeps of its user's taste: the lamp (light or dark) and how sizes are written.</summary>
/// <param name="LampIs"><c>on</c> or <c>off</c> once it was chosen by hand; until then <c>system</c>.</param>
/// <param name="AsOnTheBox">True: sizes as on the box, 512K; false: exact, 512 KiB.</param>
public sealed record Preferences(string LampIs, bool AsOnTheBox)
{
    public const string Lamp = "cabin-lamp",
        Sizes = "cabin-sizes",
        Ring = "cabin-ring";

    /// <summary>What is ready makes no sound.</summary>
    public bool IsQuiet { get; init; }

    public static Preferences From(HttpRequest request) =>
        new(request.Cookies[Lamp] is "on" or "off" ? request.Cookies[Lamp]! : "system", request.Cookies[Sizes] == "box")
        {
            IsQuiet = request.Cookies[Ring] == "off",
        };

    public string Size(ByteSize size) => size.ToScreen(AsOnTheBox);

    public string Rough(ByteSize size) => size.ToRough(AsOnTheBox);
}
