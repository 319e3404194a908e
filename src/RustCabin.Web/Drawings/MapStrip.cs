using Microsoft.AspNetCore.Html;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The address ladder laid on its side, low addresses left, without figures: enough to know a unit again on the shelf.
/// </summary>
public static class MapStrip
{
    const double Width = 340,
        Height = 30;

    public static IHtmlContent Draw(PlannedUnit unit)
    {
        IReadOnlyList<LadderRow> rows =
        [
            .. LadderRow.Of(unit.Map, new(default, new(Decode.Space(unit.Map.AddressBits))), 0).Reverse(),
        ];
        double scale = Width / rows.Sum(r => r.Height),
            x = 0;
        Svg svg = Svg.Begin(
            Width,
            Height,
            "strip",
            "img",
            "Address map: " + string.Join(", ", rows.Where(r => !r.IsGap).Select(r => Said(unit, r)))
        );
        svg.Rect(0.5, 0.5, Width - 1, Height - 1, "strip-bed", 3);
        foreach (LadderRow row in rows)
        {
            double wide = row.Height * scale;
            if (!row.IsGap)
            {
                svg.Rect(x + 1, 3, wide - 2, Height - 6, $"cell {Ladder.Look(unit.Map.Claims[row.Claims[0].Claim])}");
                if (row.Fight is not null)
                    svg.Rect(x + 1, 3, wide - 2, Height - 6, "contested")
                        .Path($"M{Svg.N(x + wide / 2)} 3l5 4-5 4 5 4-5 4 5 4-5 4", "saw");
            }
            x += wide;
        }
        return svg.End();
    }

    static string Said(PlannedUnit unit, LadderRow row)
    {
        IEnumerable<string> owners = row.Claims.Select(a => Ladder.OwnerShort(unit, unit.Map.Claims[a.Claim].Owner)).Distinct();
        return $"{string.Join(" and ", owners)} {row.Range.Size}{(row.Fight is null ? "" : " contested")}";
    }
}
