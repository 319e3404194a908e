#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>What a machine or a part says on the screen when something is wrong. Source: docs/handbook/faults.md,
/// Observations.</summary>
public sealed record Message
{
    [Required, Display(Description = "Its words, as they stand on the screen.")]
    public string Text { get; init; } = "";

    [LongText, Display(Description = "What it means.")]
    public string Means { get; init; } = "";

    [Display(Description = "The causes of which it speaks, by the beginnings of their names: seat:fathom, chip:.")]
    public IReadOnlyList<string> Suspects { get; init; } = [];
}
