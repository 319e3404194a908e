using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>How likely a cause is, as a bar: filled where all that was seen fits, outlined where something speaks against it,
/// dashed for none of these.</summary>
public static class CauseBars
{
    const double Reach = 150,
        High = 20;

    /// <param name="chance">0 to 1.</param>
    /// <param name="fits">Nothing speaks against it; null: it does not read as one of these.</param>
    public static IHtmlContent Draw(double chance, bool? fits) =>
        Svg.Silent(Reach + 2, High + 2, "cause-bar-drawing")
            .Rect(1, 1, Reach, High, "cause-track", 3)
            .Rect(
                1,
                1,
                Math.Max(2, chance * Reach),
                High,
                $"cause-bar {(fits is null ? "other" : fits.Value ? "fits" : "against")}",
                3
            )
            .End();
}
