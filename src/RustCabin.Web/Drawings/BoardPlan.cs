using RustCabin.Core.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Drawings;

/// <summary>A place on a drawing, in millimetres from the top left corner of the board as it is seen.</summary>
public readonly record struct Dot(double X, double Y);

/// <summary>
/// Where everything lies on a board as it is seen from above or below, to scale, from the sheets. Bodies and legs have the
/// measures that their outlines usually have.
/// </summary>
/// <param name="wired">The wiring.</param>
/// <param name="board">The board.</param>
/// <param name="below">Seen from below, so that left and right are exchanged.</param>
/// <param name="of">The part whose board it is; null: the machine's own.</param>
public sealed class BoardPlan(Wired wired, Board board, bool below, Instance? of = null)
{
    const double Inch = 2.54;

    /// <summary>The boards of a unit and of the parts on it.</summary>
    public static IReadOnlyList<BoardPlan> All(Wired wired, bool below) =>
        [
            .. wired.Unit.Model.Boards.Where(b => wired.Unit.Holds(b.Revisions)).Select(b => new BoardPlan(wired, b, below)),
            .. wired.Unit.Instances.SelectMany(i => i.Part.Boards.Select(b => new BoardPlan(wired, b, below, i))),
        ];

    /// <summary>Those of them on which one of these places lies.</summary>
    public static IEnumerable<BoardPlan> With(IReadOnlyList<BoardPlan> boards, IReadOnlyList<int> places) =>
        boards.Where(b => places.Any(p => b.Of(p) is not null));

    public Board Board => board;

    /// <summary>Before the names of everything on it: <c>pontoon:</c>; empty on the machine's own.</summary>
    public string Owner => of is null ? "" : $"{of.Name}:";

    /// <summary>What it is called: <c>main</c>, <c>pontoon:sidecar</c>.</summary>
    public string Name => Owner + board.Id;

    public bool Below => below;
    public double Width => (double)board.WidthMm;
    public double Height => (double)board.HeightMm;

    /// <summary>The chips of this board.</summary>
    public IEnumerable<BoardChip> Chips =>
        (of?.Part.Chips ?? wired.Unit.Model.Chips).Where(c => c.At?.Board == board.Id && wired.Unit.Holds(c.Revisions));

    /// <summary>The sites of this board.</summary>
    public IEnumerable<Site> Sites => (of?.Part.Sites ?? wired.Unit.Sites).Where(s => s.At?.Board == board.Id);

    /// <summary>True if a thing lies on the side that is seen.</summary>
    public bool IsSeen(Spot spot) => (spot.Side == BoardSide.Bottom) == below;

    /// <summary>The pitch of the legs and the body of an outline, lying as its mark is at the top left.</summary>
    public static (double Pitch, double Width, double Height) Measures(ChipOutline outline)
    {
        int tall = Math.Max(outline.Side(PinSide.Left, View.Above).Count, 1),
            wide = outline.Side(PinSide.Top, View.Above).Count;
        return outline.Family switch
        {
            PackageFamily.Dip => (Inch, outline.Pins > 22 ? 13.5 : 6.4, tall * Inch),
            PackageFamily.Soic => (1.27, outline.Pins > 16 ? 7.5 : 4, tall * 1.27 + 1),
            PackageFamily.Plcc => (1.27, wide * 1.27 + 3, tall * 1.27 + 3),
            PackageFamily.Qfp => (0.8, wide * 0.8 + 1.6, tall * 0.8 + 1.6),
            PackageFamily.Header => (Inch, 2 * Inch, tall * Inch),
            _ => (2.77, wide * 2.77 + 4, 9),
        };
    }

    /// <summary>The corners of a body as it is seen, clockwise.</summary>
    public IReadOnlyList<Dot> Corners(Spot spot, double width, double height) =>
        [
            Seen(spot, -width / 2, -height / 2),
            Seen(spot, width / 2, -height / 2),
            Seen(spot, width / 2, height / 2),
            Seen(spot, -width / 2, height / 2),
        ];

    /// <summary>Where a place lies as it is seen; null: no sheet says, or it lies on another board.</summary>
    public Dot? Of(int place)
    {
        Place at = wired.Places.All[wired.After.LegOf(place)];
        if (at.Owner != Owner)
            return null;
        return at switch
        {
            { Chip.At: { } spot } when spot.Board == board.Id => Leg(at.Outline!, spot, at.Number, place),
            { Point: { At: { } spot } } when spot.Board == board.Id => Seen(
                spot,
                at.Kind == PlaceKind.End ? (at.Number == 1 ? -1.6 : 1.6) : 0,
                0
            ),
            { Site: { At: { } spot } site } when spot.Board == board.Id => Contact(site, spot, at.Number),
            _ => null,
        };
    }

    /// <summary>Where a leg ends: on its pad, or lifted up a little towards the body.</summary>
    Dot Leg(ChipOutline outline, Spot spot, int leg, int place)
    {
        PinPlace pin = outline.Find(leg, View.Above);
        (double pitch, double width, double height) = Measures(outline);
        bool lifted = wired.After.PadOf(place) >= 0;
        double along = (pin.Place - (pin.SideLength - 1) / 2.0) * pitch,
            reach = lifted ? 0.5 : 1.2;
        (double x, double y) = pin.Side switch
        {
            PinSide.Left => (-width / 2 - reach, along),
            PinSide.Right => (width / 2 + reach, along),
            PinSide.Top => (along, -height / 2 - reach),
            _ => (along, height / 2 + reach),
        };
        return Seen(spot, x, y);
    }

    /// <summary>Contacts stand in one row.</summary>
    Dot Contact(Site site, Spot spot, int number) => Seen(spot, (number - (site.Contacts.Count + 1) / 2.0) * Inch, 0);

    Dot Seen(Spot spot, double x, double y)
    {
        // What lies below is mirrored where it lies.
        if (spot.Side == BoardSide.Bottom)
            x = -x;
        double turn = spot.Turn * Math.PI / 180,
            across = (double)spot.XMm + x * Math.Cos(turn) - y * Math.Sin(turn),
            down = (double)spot.YMm + x * Math.Sin(turn) + y * Math.Cos(turn);
        return new Dot(below ? Width - across : across, down);
    }
}
