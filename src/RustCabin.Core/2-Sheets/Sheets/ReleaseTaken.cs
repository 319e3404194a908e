#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>Which file of a release went into a part. Source: docs/handbook/storage.md, Releases.</summary>
public sealed record ReleaseTaken
{
    [Required, Display(Description = "The instance of the part that it went into.")]
    public string On { get; init; } = "";

    [Required, LongText, Display(Description = "The file.")]
    public string File { get; init; } = "";

    [Display(Name = "checksum", Description = "Its SHA-256 in hexadecimal; left out: it was not taken.")]
    public string? Sum { get; init; }

    [Required, Display(Name = "when", Description = "When it was put in.")]
    public string At { get; init; } = "";
}
