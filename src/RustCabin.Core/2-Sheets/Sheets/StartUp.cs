#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A way in which a machine is started: bare, from a card, with a desktop; each leaves less memory. Source:
/// docs/handbook/wants.md, Start-ups.
/// </summary>
public sealed record StartUp
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What people call it: bare, from the card, with the desktop.")]
    public string Name { get; init; } = "";

    [OnSheet(Things.Firmware), Display(Description = "The firmware that has it; left out: every one.")]
    public string? Firmware { get; init; }

    [Display(Description = "What it takes of the memory that each master reaches, beside the firmware.")]
    public IReadOnlyDictionary<string, ByteSize> Uses { get; init; } = ModelLimits.None;

    [LongText, Display(Description = "How it is started: hold the key while switching on.")]
    public string How { get; init; } = "";
}
