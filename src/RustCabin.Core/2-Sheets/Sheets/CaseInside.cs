#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// The inside of a unit's case from above, in millimetres from its lower left corner. Source: docs/handbook/fit.md, Places in
/// the case.
/// </summary>
public sealed record CaseInside
{
    /// <summary>So many things at most.</summary>
    public const int MostThings = 200;

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is inside.")]
    public decimal WidthMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "depth", Description = "How deep it is inside.")]
    public decimal DepthMm { get; init; }

    [Range(0.1, 10_000), UnitOf("mm"), Display(Name = "height", Description = "The free height under the lid.")]
    public decimal? HeightMm { get; init; }

    [Display(Description = "The photo on which it is marked; left out: it was measured.")]
    public CasePhoto? Photo { get; init; }

    [Display(ShortName = "thing that stands there", Description = "What stands in it: boards, pillars, holes to be kept free.")]
    public IReadOnlyList<StandingThing> Standing { get; init; } = [];
}

/// <summary>A photo of the inside, scaled by two taps on something of known length.</summary>
public sealed record CasePhoto
{
    [Required, Range(1, 1_000_000_000), Display(Description = "The photo, by its number in this cabin.")]
    public int Photo { get; init; }

    [Required, Display(Description = "One end of what is measured.")]
    public PhotoTap One { get; init; } = new();

    [Required, Display(Description = "The other end.")]
    public PhotoTap Other { get; init; } = new();

    [Required, Range(0.1, 10_000), UnitOf("mm"), Display(Name = "length", Description = "How long that is.")]
    public decimal Mm { get; init; }

    [Required, Display(Name = "lower left corner", Description = "The lower left corner of the room.")]
    public PhotoTap Corner { get; init; } = new();

    /// <summary>Millimetres of a pixel.</summary>
    public decimal MmOfPixel => Mm / (decimal)Math.Max(1e-6, PhotoTap.Apart(One, Other));

    /// <summary>A tap in millimetres from the lower left corner of the room.</summary>
    public (decimal X, decimal Y) Of(PhotoTap tap) =>
        (
            Math.Round((tap.X - Corner.X) * MmOfPixel, 1, MidpointRounding.AwayFromZero),
            Math.Round((Corner.Y - tap.Y) * MmOfPixel, 1, MidpointRounding.AwayFromZero)
        );
}

/// <summary>A place that was tapped on a photo.</summary>
public sealed record PhotoTap
{
    [Required, Range(0, 100_000), UnitOf("px"), Display(Name = "from the left", Description = "Where it is on the photo.")]
    public decimal X { get; init; }

    [Required, Range(0, 100_000), UnitOf("px"), Display(Name = "from the top", Description = "Where it is on the photo.")]
    public decimal Y { get; init; }

    /// <summary>How far two taps are apart, in pixels.</summary>
    public static double Apart(PhotoTap one, PhotoTap other) =>
        Math.Sqrt(Math.Pow((double)(one.X - other.X), 2) + Math.Pow((double)(one.Y - other.Y), 2));
}

/// <summary>Something that stands in a case.</summary>
public sealed record StandingThing
{
    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [Required, Range(-10_000, 10_000), UnitOf("mm"), Display(Name = "from the left", Description = "Where it begins.")]
    public decimal XMm { get; init; }

    [Required, Range(-10_000, 10_000), UnitOf("mm"), Display(Name = "from below", Description = "Where it begins.")]
    public decimal YMm { get; init; }

    [Required, Range(0.1, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is.")]
    public decimal WidthMm { get; init; }

    [Required, Range(0.1, 10_000), UnitOf("mm"), Display(Name = "depth", Description = "How deep it is.")]
    public decimal DepthMm { get; init; }

    [Range(0.1, 10_000), UnitOf("mm"), Display(Name = "height", Description = "How high it is; left out: up to the lid.")]
    public decimal? HeightMm { get; init; }
}

/// <summary>A board that seeks a place in the case, and the one that was chosen for it.</summary>
public sealed record PlacedThing
{
    [Required, Display(Description = "What it is: a part by its instance, or anything else.")]
    public string What { get; init; } = "";

    [Required, Range(0.1, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is.")]
    public decimal WidthMm { get; init; }

    [Required, Range(0.1, 10_000), UnitOf("mm"), Display(Name = "depth", Description = "How deep it is.")]
    public decimal DepthMm { get; init; }

    [Range(0.1, 10_000), UnitOf("mm"), Display(Name = "height", Description = "How high it is.")]
    public decimal? HeightMm { get; init; }

    [Range(0, 1000), UnitOf("mm"), Display(Name = "keeps off", Description = "How far it keeps from what stands there.")]
    public decimal MarginMm { get; init; }

    [Range(-10_000, 10_000), UnitOf("mm"), Display(Name = "lead, from the left", Description = "Where its lead comes from.")]
    public decimal? FromXMm { get; init; }

    [Range(-10_000, 10_000), UnitOf("mm"), Display(Name = "lead, from below", Description = "Where its lead comes from.")]
    public decimal? FromYMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "lead", Description = "How long its lead is.")]
    public decimal? LeadMm { get; init; }

    [
        Range(0, 1000),
        UnitOf("mm"),
        Display(Name = "bend", Description = "The least radius of its bend; each end of the lead takes one.")
    ]
    public decimal BendMm { get; init; }

    [Range(0.5, 100), UnitOf("mm"), Display(Name = "holes", Description = "How wide its holes are; left out: it has none.")]
    public decimal? HoleMm { get; init; }

    [Range(0, 1000), UnitOf("mm"), Display(Name = "holes from the edge", Description = "From its edges to the middle of a hole.")]
    public decimal InsetMm { get; init; }

    [Display(Description = "The place that was chosen; left out: none yet.")]
    public ChosenPlace? At { get; init; }
}

/// <summary>A place in a case.</summary>
public sealed record ChosenPlace
{
    [Required, Range(-10_000, 10_000), UnitOf("mm"), Display(Name = "from the left", Description = "Where it begins.")]
    public decimal XMm { get; init; }

    [Required, Range(-10_000, 10_000), UnitOf("mm"), Display(Name = "from below", Description = "Where it begins.")]
    public decimal YMm { get; init; }

    [Display(Description = "It is turned by a quarter.")]
    public bool Turned { get; init; }
}
