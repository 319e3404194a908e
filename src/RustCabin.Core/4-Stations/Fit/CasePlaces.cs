using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Fit;

/// <summary>
/// Where a board may lie in the case of a unit, as it is marked on a photo or was measured. Source: docs/handbook/fit.md, Places
/// in the case.
/// </summary>
public static class CasePlaces
{
    /// <summary>What <see cref="Placing.Of"/> is asked of a case and a board.</summary>
    public static PlaceAsked Asked(CaseInside inside, PlacedThing thing) =>
        new()
        {
            Area = new PlaceSize { W = inside.WidthMm, H = inside.DepthMm },
            Taken =
            [
                .. inside
                    .Standing.Where(s => !LiesOver(inside, s, thing))
                    .Select(s => new TakenPlace
                    {
                        X = s.XMm,
                        Y = s.YMm,
                        W = s.WidthMm,
                        H = s.DepthMm,
                    }),
            ],
            Board = new PlacedBoard
            {
                W = thing.WidthMm,
                H = thing.DepthMm,
                Turn = true,
                Margin = thing.MarginMm,
            },
            From = thing is { FromXMm: { } x, FromYMm: { } y } ? new PlacePoint { X = x, Y = y } : null,
            Reach = Reach(thing),
        };

    /// <summary>A lead reaches as far as it is long, less a bend at each end; null: it is as long as needed.</summary>
    public static decimal? Reach(PlacedThing thing) => thing.LeadMm is { } lead ? Math.Max(0, lead - 2 * thing.BendMm) : null;

    /// <summary>Both heights are known, and together they stay under the lid.</summary>
    static bool LiesOver(CaseInside inside, StandingThing stands, PlacedThing thing) =>
        inside.HeightMm is { } lid && stands.HeightMm is { } low && thing.HeightMm is { } high && low + high <= lid;

    /// <summary>
    /// The openings of the case that something passes without drilling, either way round, the closest fit first.
    /// </summary>
    public static IReadOnlyList<Opening> ThroughCase(PlannedUnit unit, decimal width, decimal height) =>
        [
            .. unit
                .Model.Openings.Where(o =>
                    (width <= o.WidthMm && height <= o.HeightMm) || (height <= o.WidthMm && width <= o.HeightMm)
                )
                .OrderBy(o => o.WidthMm * o.HeightMm),
        ];

    /// <summary>The middles of a board's four holes, from its lower left corner as it lies; none where it has none.</summary>
    public static IReadOnlyList<(decimal X, decimal Y)> Holes(PlacedThing thing)
    {
        if (thing.HoleMm is null)
            return [];
        (decimal w, decimal d) = Lies(thing);
        decimal i = thing.InsetMm;
        return [(i, i), (w - i, i), (i, d - i), (w - i, d - i)];
    }

    /// <summary>How wide and deep it is as it lies.</summary>
    public static (decimal Width, decimal Depth) Lies(PlacedThing thing) =>
        thing.At is { Turned: true } ? (thing.DepthMm, thing.WidthMm) : (thing.WidthMm, thing.DepthMm);

    /// <summary>Where a part of the job goes in the case, for its step; none where no place was chosen.</summary>
    public static IEnumerable<string> Of(PlannedUnit unit, Instance part) =>
        (unit.Job?.Places ?? []).Where(p => p.What == part.Title && p.At is not null).Select(p => $"In the case: {Words(p)}.");

    /// <summary>A chosen place in words.</summary>
    public static string Words(PlacedThing thing) =>
        thing.At is { } at
            ? $"{at.XMm:0.#} mm from the left and {at.YMm:0.#} mm from below"
                + (at.Turned ? ", turned by a quarter" : "")
                + $", {Lies(thing).Width:0.#} x {Lies(thing).Depth:0.#} mm"
            : "no place yet";
}
