#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A run at a size of the picture. Source: docs/handbook/speed.md, Frames.</summary>
public sealed record FrameRun
{
    [Required, Range(1, 100_000), UnitOf("pixels"), Display(Description = "The width of the picture.")]
    public int Width { get; init; }

    [Required, Range(1, 100_000), UnitOf("pixels"), Display(Description = "The height of the picture.")]
    public int Height { get; init; }

    [Required, Range(0.000001, 1_000_000), Display(Name = "frames a second", Description = "Frames a second.")]
    public decimal Fps { get; init; }

    internal double Pixels => (double)Width * Height;
}

/// <summary>Runs of a program at several sizes of its picture. Source: docs/handbook/speed.md, Frames.</summary>
public sealed record FrameRuns
{
    [Display(ShortName = "run at a size", Description = "Runs at several sizes.")]
    public IReadOnlyList<FrameRun> Runs { get; init; } = [];

    [Range(0.000001, 1_000_000), Display(Name = "wanted a second", Description = "The frames a second that are wanted.")]
    public decimal? Wanted { get; init; }

    [Range(0.000001, 1_000_000), Display(Name = "display's own rate", Description = "The rate above which nothing is seen.")]
    public decimal? Cap { get; init; }
}

/// <summary>Runs of a benchmark on a typical machine of a model. Source: docs/handbook/speed.md, References.</summary>
public sealed record TypicalRuns
{
    [Required, Display(Description = "The benchmark.")]
    public string Name { get; init; } = "";

    [Required, Range(0.000001, 10_000_000), UnitOf("s"), Display(Description = "The time of each run.")]
    public IReadOnlyList<decimal> Seconds { get; init; } = [];

    [LongText, Display(Description = "Where that is from.")]
    public string Source { get; init; } = "";
}
