using RustCabin.Core.Sheets;

namespace RustCabin.Core.Care;

/// <summary>
/// Figures for whitening a case and for holes in it. Source: docs/handbook/build.md, Case care.
/// </summary>
public static class CaseCare
{
    /// <summary>Millilitres of cream for a square centimetre.</summary>
    public const decimal CreamMlEach = 0.1m;

    /// <summary>Grams of a case's plastic in a cubic centimetre.</summary>
    public const decimal PlasticGrams = 1.05m;

    /// <summary>The room that a piece takes up, cm3: as measured, else by its weight.</summary>
    public static decimal RoomCm3(BathPiece piece) => piece.Cm3 ?? (piece.Grams ?? 0) / PlasticGrams;

    /// <summary>Litres that a vessel takes, filled to a height, less the pieces in it.</summary>
    public static decimal VesselLitres(decimal lengthCm, decimal widthCm, decimal fillCm, decimal piecesCm3) =>
        Math.Max(0, lengthCm * widthCm * fillCm - piecesCm3) / 1000;

    /// <summary>Millilitres of cream for a face.</summary>
    public static decimal CreamMl(decimal areaCm2) => CreamMlEach * areaCm2;

    /// <summary>The longest that plastic is left in it, in hours: the stronger and the brighter, the shorter.</summary>
    public static decimal LongestHours(decimal percent, CareLight light) =>
        Math.Clamp(
            144
                / Math.Max(1, percent)
                * (
                    light switch
                    {
                        CareLight.Sun => 0.5m,
                        CareLight.Lamp => 0.75m,
                        _ => 1.5m,
                    }
                ),
            2,
            72
        );

    /// <summary>Minutes between two looks: a twelfth of the longest time, at least a quarter of an hour.</summary>
    public static decimal LookEveryMinutes(decimal percent, CareLight light) =>
        Math.Max(15, LongestHours(percent, light) * 60 / 12);

    /// <summary>The largest hole that a place bears, in millimetres: a rim of its own half, at least 3 mm, stays all
    /// round.</summary>
    /// <param name="edgesMm">The distances from its middle to the nearest edges, ribs and other holes.</param>
    public static decimal LargestHoleMm(IReadOnlyList<decimal> edgesMm)
    {
        if (edgesMm.Count == 0)
            return 0;
        decimal room = edgesMm.Min();
        // radius + max(3, radius) <= room
        return Math.Max(0, 2 * Math.Min(room / 2 >= 3 ? room / 2 : room - 3, room - 3));
    }

    /// <summary>Drills to use one after the other: a small one to guide, then no more than 2.5 mm wider at a time.</summary>
    public static IReadOnlyList<decimal> DrillSteps(decimal holeMm)
    {
        var steps = new List<decimal>();
        for (decimal at = Math.Min(2.5m, holeMm); at < holeMm; at += 2.5m)
            steps.Add(at);
        if (holeMm > 0)
            steps.Add(holeMm);
        return steps;
    }
}
