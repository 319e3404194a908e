#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;

namespace RustCabin.Core.Sheets;

/// <summary>
/// On what something was read, seen or heard: it proves that state and no other. Source: docs/handbook/build.md, What a reading
/// was taken on.
/// </summary>
public sealed record TakenOn
{
    [Display(Description = "Steps that were done when it was read.")]
    public IReadOnlyList<StepId> Done { get; init; } = [];

    [Display(Description = "Steps of those that were taken back since; it does not count for them any more.")]
    public IReadOnlyList<StepId> Lost { get; init; } = [];

    [Display(Description = "How the parts that it is about then stood, by their instances.")]
    public IReadOnlyDictionary<string, string> Stood { get; init; } = new Dictionary<string, string>();

    [Display(Description = "It was read of a simulated device.")]
    public bool Simulated { get; init; }

    [Display(Name = "when", Description = "When, where the reading itself does not say.")]
    public string At { get; init; } = "";
}
