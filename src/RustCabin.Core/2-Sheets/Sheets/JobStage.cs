#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A stage of a job: part of the memory now, the rest when the chips come. Source: docs/handbook/build.md, Stages.
/// </summary>
public sealed record JobStage
{
    [Required, Display(Description = "What people call it: what lies in the rack.")]
    public string Name { get; init; } = "";

    [EmptyPlaces, Display(Description = "Chips in the banks of each part then, by its instance.")]
    public IReadOnlyDictionary<string, IReadOnlyList<string?>> Banks { get; init; } =
        new Dictionary<string, IReadOnlyList<string?>>();

    [Display(Description = "When it was built, read and closed, 2026-11-26T10:30:00Z; left out: it was not yet.")]
    public string? Reached { get; init; }
}
