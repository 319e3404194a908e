#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>Where a fact of a sheet is from. Source: docs/handbook/build.md, Where facts are from.</summary>
public sealed record FactSource
{
    [Required, Display(Description = "What it is about: a thing of the sheet by its id, such as ram, or in a few words.")]
    public string About { get; init; } = "";

    [LongText, Display(Description = "Where it is from: a manual and its page, a meter, a guide.")]
    public string Source { get; init; } = "";

    [Display(Description = "How far it is to be trusted: manual, measured, guide, guessed.")]
    public FactTrust Trust { get; init; }

    [LongText, Display(Description = "How it is measured, where it is a guess; it is then a step of the build.")]
    public string Measure { get; init; } = "";
}

/// <summary>How far a fact is to be trusted.</summary>
public enum FactTrust
{
    Manual,
    Measured,
    Guide,
    Guessed,
}
