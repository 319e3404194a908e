using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>One side of two connectors that meet.</summary>
public sealed record MateSide
{
    /// <summary>The net of each contact.</summary>
    [Display(Description = "The net of each contact, in order; n meets anything.")]
    public IReadOnlyList<string> Contacts { get; init; } = [];

    /// <summary>Pins or holes.</summary>
    [Required, Display(Description = "Whether it has pins or holes.")]
    public Gender Gender { get; init; }
}

/// <summary>What <c>connectors/mate</c> takes.</summary>
public sealed record MateAsked
{
    /// <summary>One side.</summary>
    [Required, Display(Description = "One side.")]
    public MateSide A { get; init; } = new();

    /// <summary>The other.</summary>
    [Required, Display(Description = "The other side.")]
    public MateSide B { get; init; } = new();

    /// <summary>Nets that are rails beside those with a plus or a minus before them.</summary>
    [Display(Description = "Nets that are rails, beside those that begin with + or -; GND is ground.")]
    public IReadOnlyList<string> Rails { get; init; } = [];
}
