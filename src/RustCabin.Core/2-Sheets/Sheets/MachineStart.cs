#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>What a machine needs to start at all. Source: docs/handbook/faults.md, What starts.</summary>
public sealed record MachineStart
{
    [
        Id,
        OnSheet(Things.Sites),
        Display(Description = "Where its processor sits; left out: the site that has the name of the first master.")
    ]
    public string? Processor { get; init; }

    [
        Id,
        OnSheet(Things.Claims),
        Display(
            Name = "needs",
            Description = "The ROM and the memory that must answer; left out: the ROM of the first fetch, and the lowest page of "
                + "its memory."
        )
    ]
    public IReadOnlyList<string> Needs { get; init; } = [];
}
