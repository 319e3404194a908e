#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>How far a case is open, and what must come off to get there.</summary>
public sealed record AccessLevel
{
    /// <summary>What the closed case is called where the sheet has no level of that name.</summary>
    public const string Closed = "closed";

    /// <summary>Something comes off on the way to it, so it is not the closed case.</summary>
    public bool Opens => From is not null || Minutes > 0 || Remove.Count > 0 || Unplug.Count > 0;

    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [
        Id,
        Usual,
        OnSheet(Things.Access),
        Display(Description = "The level above it on the sheet, from which it is reached; left out: the closed case.")
    ]
    public string? From { get; init; }

    [Range(0, 10_000), Usual, UnitOf("minutes"), Display(Description = "How long it takes to get there.")]
    public decimal Minutes { get; init; }

    [Display(ShortName = "piece to remove", Description = "What is taken out on the way.")]
    public IReadOnlyList<Removal> Remove { get; init; } = [];

    [LongText, Display(Description = "How one gets there: front edge first.")]
    public string How { get; init; } = "";

    [Display(ShortName = "way to lay it", Description = "How the machine lies for it, each with what that risks.")]
    public IReadOnlyList<LaidSo> Lies { get; init; } = [];

    [Display(Description = "Plugs to pull on the way.")]
    public IReadOnlyList<string> Unplug { get; init; } = [];

    [Display(Description = "What breaks easily there.")]
    public IReadOnlyList<string> Fragile { get; init; } = [];

    [OnSheet(Things.Cautions), Display(Description = "What can hurt there.")]
    public IReadOnlyList<string> Cautions { get; init; } = [];
}

/// <summary>What it takes to test a machine between two steps. Source: docs/handbook/build.md, Gates.</summary>
public sealed record GateRule
{
    [Range(0, 10_000), UnitOf("minutes"), Display(Description = "Switching on, reading the screen, switching off.")]
    public decimal Minutes { get; init; } = 4;

    [Display(
        Name = "case",
        Description = "How the case must be for it; left out: open, and laid shut where mains, a tube or a charge lies bare."
    )]
    public GateCase? Case { get; init; }

    [Range(0, 10_000), UnitOf("minutes"), Display(Description = "Opening again; left out: as long as the way in.")]
    public decimal? ReopenMinutes { get; init; }

    [Display(Description = "What must be plugged in for it: a keyboard, a screen.")]
    public IReadOnlyList<string> Needs { get; init; } = [];
}

/// <summary>How a case must be for a test.</summary>
public enum GateCase
{
    Open,
    Loose,
    Closed,
}

/// <summary>Pieces that come off on the way in.</summary>
public sealed record Removal
{
    [Required, Display(Description = "What it is, one of it: screw.")]
    public string What { get; init; } = "";

    [Range(1, 1000), Display(Description = "How many.")]
    public int Count { get; init; } = 1;

    [LongText, Display(Description = "Where they sit.")]
    public string Where { get; init; } = "";

    [Display(Description = "What takes them out: a long screwdriver.")]
    public string? Tool { get; init; }

    [Display(Description = "In which order they come out: crosswise, front edge first.")]
    public string? Order { get; init; }
}

/// <summary>A way in which a machine lies on the bench.</summary>
public sealed record LaidSo
{
    [Required, LongText, Display(Description = "How it lies: screen down on a towel.")]
    public string How { get; init; } = "";

    [LongText, Usual, Display(Description = "What that risks: a scratched glass.")]
    public string Risk { get; init; } = "";
}
