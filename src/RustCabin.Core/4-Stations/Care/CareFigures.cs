using System.Globalization;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Care;

/// <summary>What follows from a work on the case. Source: docs/handbook/build.md, Case care.</summary>
/// <param name="Work">The work.</param>
public sealed record CareFigures(CareWork Work)
{
    /// <summary>Closer than this, millimetres, what lies behind a hole comes out first.</summary>
    public const decimal NearMm = 10;

    /// <summary>The room that the pieces in a bath take up, cm3.</summary>
    public decimal PiecesCm3 => Work.Pieces.Sum(CaseCare.RoomCm3);

    /// <summary>How many litres a bath has; 0: the pieces fill the vessel.</summary>
    public decimal Litres =>
        Work.Litres ?? (Work.Vessel is { } v ? CaseCare.VesselLitres(v.LengthCm, v.WidthCm, v.FillCm, PiecesCm3) : 0);

    /// <summary>The mixture; null: it is no bath, or there is nothing to mix.</summary>
    public Bath? Bath =>
        Work.Do == CareAct.Bath && Litres > 0
            ? Bath.Of(
                new BathAsked
                {
                    Litres = Litres,
                    Percent = Work.Percent,
                    FromPercent = Work.FromPercent,
                }
            )
            : null;

    /// <summary>Millilitres of cream; null: it is no cream.</summary>
    public decimal? CreamMl => Work is { Do: CareAct.Cream, AreaCm2: { } area } ? CaseCare.CreamMl(area) : null;

    /// <summary>Minutes between two looks.</summary>
    public decimal LookEvery => CaseCare.LookEveryMinutes(Work.Percent, Work.Light);

    /// <summary>The longest that it stays in, hours.</summary>
    public decimal Longest => CaseCare.LongestHours(Work.Percent, Work.Light);

    /// <summary>The largest hole that the place bears, mm.</summary>
    public decimal LargestHole => CaseCare.LargestHoleMm(Work.EdgesMm);

    /// <summary>The hole that is made: as wide as is asked, else as the place bears, mm; 0: none goes there.</summary>
    public decimal Hole => Work.HoleMm ?? LargestHole;

    /// <summary>The place does not bear the hole.</summary>
    public bool IsTooWide => Work.Do == CareAct.Hole && (Hole > LargestHole || LargestHole == 0);

    /// <summary>Something lies close behind the hole, or nobody has measured.</summary>
    public bool IsNear => Work.Do == CareAct.Hole && Work.BehindMm is null or < NearMm;

    /// <summary>The work of one's hands, minutes.</summary>
    public decimal Minutes =>
        Work.Minutes
        ?? Work.Do switch
        {
            CareAct.Bath => 40,
            CareAct.Cream => 25,
            _ => 15,
        };

    /// <summary>In few words.</summary>
    public string Title =>
        Work.Do switch
        {
            CareAct.Bath => $"Whiten in a bath: {Work.What}",
            CareAct.Cream => $"Whiten with cream: {Work.What}",
            _ => $"A hole of {N(Hole)} mm: {Work.What}",
        };

    /// <summary>What to mind, line by line.</summary>
    public IReadOnlyList<string> Lines =>
        [
            .. Work.OffFirst.Count > 0 ? (string[])[$"First off: {string.Join(", ", Work.OffFirst)}."]
            : Work.Do != CareAct.Hole ? ["Metal, labels and springs come off first."]
            : [],
            .. Work.Do switch
            {
                CareAct.Bath => BathLines,
                CareAct.Cream =>
                [
                    $"{N(CreamMl ?? 0)} ml of cream for {N(Work.AreaCm2 ?? 0)} cm2, evenly; foil over it, so that it stays wet.",
                    Watch,
                ],
                _ => HoleLines,
            },
        ];

    IReadOnlyList<string> BathLines =>
        [
            Bath is { } bath
                ? $"{bath.ConcentrateLitres.ToString("0.000", CultureInfo.InvariantCulture)} l of {N(Work.FromPercent)} % into "
                    + $"{bath.WaterLitres.ToString("0.000", CultureInfo.InvariantCulture)} l of water: {N(Litres)} l of "
                    + $"{N(Work.Percent)} %."
                : "The pieces fill the vessel: nothing is left for a bath.",
            .. Work.Pieces.Count > 0 ? (string[])[$"In it: {string.Join(", ", Work.Pieces.Select(p => p.What))}."] : [],
            Watch,
        ];

    IReadOnlyList<string> HoleLines =>
        [
            $"The place bears {N(LargestHole)} mm.",
            $"Mark, punch, and drill {string.Join(", ", CaseCare.DrillSteps(Hole).Select(N))} mm one after the other; "
                + "deburr both sides.",
            Work.BehindMm is not { } free ? "Measure what lies behind it first."
            : free < NearMm ? $"Only {N(free)} mm lie free behind it: what is there comes out first."
            : $"{N(free)} mm lie free behind it; boards out all the same, chips vacuumed.",
        ];

    string Watch =>
        $"Look every {N(Math.Round(LookEvery))} min, and never longer than {N(Math.Round(Longest, 1))} h. Stop when two "
        + "looks show no change, or at the first marbling; rinse long.";

    static string N(decimal value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
