#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A line of a bill of materials: what goes where on a bare board. Source: docs/handbook/build.md, Assembly.</summary>
public sealed record BomLine : ICompleted<BomLine>
{
    [Required, LongText, Display(Description = "Its marking or its value, as printed.")]
    public string What { get; init; } = "";

    [Display(Name = "places", ShortName = "place", Description = "Where it goes, as printed on the board: R1, R2.")]
    public IReadOnlyList<string> Refs { get; init; } = [];

    [Range(1, 10_000), Display(Description = "How many; left out: one for each place, else one.")]
    public int? Count { get; init; }

    [Range(0, 1_000_000), Display(Description = "What one costs, in the pack's currency.")]
    public decimal? Price { get; init; }

    [Range(1, 1000), Display(Description = "Solder joints of one; left out: as its place or its marking says.")]
    public int? Joints { get; init; }

    [Display(Description = "It is pushed into a socket, after all soldering.")]
    public bool Socketed { get; init; }

    /// <summary>How many are wanted.</summary>
    public int Pieces => Count ?? Math.Max(1, Refs.Count);

    /// <inheritdoc/>
    public BomLine Completed(RecordReading read)
    {
        if (Count is { } count && Refs.Count > 0 && count != Refs.Count)
            read.Wrong("count", $"is {count}, and {Refs.Count} places are named");
        return this;
    }
}

/// <summary>A device of a board that holds a program.</summary>
public sealed record BoardProgram
{
    [Required, Display(Description = "The device, by its place on the board.")]
    public string Into { get; init; } = "";

    [Required, Display(Description = "The file.")]
    public string File { get; init; } = "";

    [Display(Description = "Its version.")]
    public string? Version { get; init; }

    [LongText, Display(Description = "How it is burnt, such as the programmer and its setting.")]
    public string How { get; init; } = "";

    [LongText, Display(Description = "What proves it, such as a sum.")]
    public string Proof { get; init; } = "";
}

/// <summary>The bare board, for whoever populates it.</summary>
public sealed record BareBoard
{
    [Required, Range(0, 1_000_000), Display(Description = "What the bare board costs, in the pack's currency.")]
    public decimal Price { get; init; }

    [Range(1, 5), Display(Description = "The skill that populating it asks for, 1 to 5.")]
    public int Skill { get; init; } = 2;

    [
        Range(0, 100_000),
        UnitOf("minutes"),
        Display(Description = "How long it takes; left out: as its joints and pieces come to.")
    ]
    public decimal? Minutes { get; init; }
}
