#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Globalization;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A circuit board, so that what lies on it can be drawn to scale. Source: docs/handbook/wiring.md, Places.</summary>
public sealed record Board
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Range(1, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is.")]
    public decimal WidthMm { get; init; }

    [Required, Range(1, 10_000), UnitOf("mm"), Display(Name = "height", Description = "How high it is, seen from above.")]
    public decimal HeightMm { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];
}

/// <summary>Where something lies on a board, from its top left corner, seen from above.</summary>
public sealed record Spot
{
    [Required, Id, OnSheet(Things.Boards), Display(Description = "The board.")]
    public string Board { get; init; } = "";

    [Required, Range(0, 10_000), UnitOf("mm"), Display(Name = "from the left", Description = "Its middle, from the left edge.")]
    public decimal XMm { get; init; }

    [Required, Range(0, 10_000), UnitOf("mm"), Display(Name = "from the top", Description = "Its middle, from the top edge.")]
    public decimal YMm { get; init; }

    [Range(0, 359), UnitOf("degrees"), Display(Description = "How far it is turned clockwise.")]
    public int Turn { get; init; }

    [Display(Description = "The side of the board on which it lies.")]
    public BoardSide Side { get; init; }
}

/// <summary>A side of a board.</summary>
public enum BoardSide
{
    Top,
    Bottom,
}

/// <summary>A chip on a board, with the nets of its legs as far as they are known.</summary>
public sealed record BoardChip : ICompleted<BoardChip>
{
    [Required, Display(Description = "Its name as printed beside it, such as U7.")]
    public string Id { get; init; } = "";

    [LongText, Usual, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [Required, Display(Description = "Its outline, such as QFP-80.")]
    public string Package { get; init; } = "";

    [
        Usual,
        OnSheet(Things.LegNets),
        Display(Description = "The net of each leg, by its number. A leg that is not named carries a net of its own.")
    ]
    public OrderedDictionary<string, string> Nets { get; init; } = [];

    [Display(Name = "where", Description = "Where it lies; left out: it is listed and not drawn.")]
    public Spot? At { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    /// <summary>Its outline.</summary>
    public ChipOutline Outline =>
        ChipOutline.TryParse(Package, out ChipOutline outline) ? outline : throw new FormatException(Package);

    /// <inheritdoc/>
    public BoardChip Completed(RecordReading read)
    {
        if (!ChipOutline.TryParse(Package, out ChipOutline outline))
        {
            if (Package.Length > 0)
                read.Wrong("package", $"\"{Package}\" is not an outline, such as DIP-28 or QFP-80");
            return this;
        }
        foreach (string leg in Nets.Keys)
            if (
                !int.TryParse(leg, NumberStyles.None, CultureInfo.InvariantCulture, out int number)
                || number < 1
                || number > outline.Pins
            )
                read.Wrong("nets", $"\"{leg}\" is not a leg of {Package}");
        return this;
    }
}

/// <summary>Kinds of points on a board: the first four lie on one net, the others between two.</summary>
public enum PointKind
{
    TestPoint,
    Pad,
    Via,
    Trace,
    Resistor,
    Link,
    OpenLink,
    Diode,
    Capacitor,
    Crystal,
}

/// <summary>A place on a board where something can be soldered, cut or measured.</summary>
public sealed record BoardPoint : ICompleted<BoardPoint>
{
    [Required, Display(Description = "Its name as printed beside it, such as TP3 or R14.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What it is. A closed link joins its two nets; nothing else does.")]
    public PointKind Kind { get; init; }

    [RequiredIf("for a point on one net")]
    [Display(Description = "The net of a test point, pad, via or trace.")]
    public string? Net { get; init; }

    [RequiredIf("for a point between two nets")]
    [Display(Description = "The two nets between which it lies, end 1 first.")]
    public IReadOnlyList<string> Nets { get; init; } = [];

    [LongText, Display(Description = "Its value, such as 22R.")]
    public string Value { get; init; } = "";

    [Display(Name = "where", Description = "Where it lies; left out: it is listed and not drawn.")]
    public Spot? At { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    /// <summary>It lies between two nets.</summary>
    public bool HasEnds => Kind >= PointKind.Resistor;

    /// <inheritdoc/>
    public BoardPoint Completed(RecordReading read)
    {
        if (!read.Read("kind"))
            return this;
        if (HasEnds && Nets.Count != 2)
            read.Wrong("nets", "must name the two nets between which it lies");
        if (!HasEnds && Net is null)
            read.Wrong("net", "is missing");
        return this;
    }
}

/// <summary>A pad of a part, to which a lead goes.</summary>
public sealed record Pad
{
    [Required, Display(Description = "Its name as printed beside it, such as CLK.")]
    public string Id { get; init; } = "";

    [OnSheet(Things.Nets), Display(Description = "The net that it must reach; left out: none by itself.")]
    public string? Wants { get; init; }

    [Display(Name = "where", Description = "Where it lies on the part's own board.")]
    public Spot? At { get; init; }
}

/// <summary>Whether a connector has pins or holes.</summary>
public enum Gender
{
    M,
    F,
}

/// <summary>Something that can be chosen when a part is ordered or fitted, such as a second port.</summary>
public sealed record PartOption
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";
}
