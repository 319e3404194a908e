using Microsoft.AspNetCore.Html;
using RustCabin.Core.Wants;

namespace RustCabin.Web.Drawings;

/// <summary>
/// One want as a channel that fills up to its flag: how much of it the plan gives. What is more than wanted runs over the flag a
/// little.
/// </summary>
public static class WantBars
{
    const double Wide = 300,
        Flag = 240;

    public static IHtmlContent Draw(WantShare share)
    {
        Svg svg = Svg.Silent(Wide, 34, "want-bar");
        double part = share.Wanted <= 0 ? 1 : Math.Min(1.15, (double)(share.There / share.Wanted));
        string look = share.Met switch
        {
            true => "given",
            false => "lacking",
            _ => "unsure",
        };
        svg.Rect(2, 10, Wide - 6, 16, "want-bed", 8);
        if (part > 0.01)
            svg.Rect(2, 10, Math.Max(16, part * (Flag - 2)), 16, $"want-fill {look}", 8);
        svg.Path($"M{Svg.N(Flag)} 3v28", "want-pole").Path($"M{Svg.N(Flag)} 3l14 5l-14 5z", "want-flag");
        return svg.End();
    }
}
