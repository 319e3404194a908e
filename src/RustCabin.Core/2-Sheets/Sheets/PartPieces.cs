#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A cable of a part.</summary>
public sealed record Cable
{
    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [Id, OnSheet(Things.Openings), Display(Description = "The opening that it passes; left out: it stays inside.")]
    public string? Through { get; init; }

    [Id, OnSheet(Things.Sites), Display(Description = "The site that it goes into.")]
    public string? Into { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is where it passes.")]
    public decimal WidthMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "height", Description = "How high it is where it passes.")]
    public decimal HeightMm { get; init; }

    [Display(Description = "Which way its contacts face.")]
    public Facing? ContactsFace { get; init; }
}

/// <summary>Software that a part wants.</summary>
public sealed record Driver
{
    [Required, Display(Description = "Its name.")]
    public string Name { get; init; } = "";

    [LongText, Display(Description = "The oldest version that does.")]
    public string AtLeast { get; init; } = "";

    [Display(Description = "Whether it goes on before the part is fitted.")]
    public DriverOrder Order { get; init; } = DriverOrder.Any;

    [OnSheet(Things.Firmware), Display(Description = "The firmware that it goes with.")]
    public string? Firmware { get; init; }
}

/// <summary>When a driver goes on, as seen from the part's fitting.</summary>
public enum DriverOrder
{
    Before,
    After,
    Any,
}

/// <summary>A part that does not go with another.</summary>
public sealed record Conflict
{
    [Required, Id, OnSheet(Things.Parts), Display(Description = "The other part.")]
    public string Part { get; init; } = "";

    [LongText, Display(Description = "Why not.")]
    public string Why { get; init; } = "";
}
