#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;

namespace RustCabin.Core.Sheets;

/// <summary>What a person has tried with a part, and how that went. Source: docs/handbook/faults.md, Trials.</summary>
public sealed record KnownPair
{
    [Required, Display(Description = "What it was tried with: a card, another part, a title.")]
    public string With { get; init; } = "";

    [Required, Display(Description = "How it went.")]
    public KnownResult Result { get; init; }

    [Display(Description = "With which firmware.")]
    public string Firmware { get; init; } = "";

    [Display(Name = "when", Description = "The day, 2026-11-26.")]
    public string Date { get; init; } = "";

    [Display(Description = "Who says so: a unit of the cabin, a person.")]
    public string Source { get; init; } = "";
}

/// <summary>How something went with a part.</summary>
public enum KnownResult
{
    Works,
    Fails,
    Limits,
}
