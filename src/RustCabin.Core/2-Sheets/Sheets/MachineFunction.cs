#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>Something that a machine, or a part of it, can do and that a person can try. Source: docs/handbook/functions.md,
/// Functions.</summary>
public sealed record MachineFunction
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [LongText, Usual, Display(Description = "What it can do then, in a few words: every key.")]
    public string What { get; init; } = "";

    [LongText, Usual, Display(Description = "How it is tried: type the whole row twice.")]
    public string How { get; init; } = "";

    [Display(Description = "What must be plugged in for it: a keyboard, a screen.")]
    public IReadOnlyList<string> Needs { get; init; } = [];

    [Range(0, 10_000), Usual, UnitOf("minutes"), Display(Description = "How long a try takes.")]
    public decimal Minutes { get; init; } = 2;

    /// <summary>What a person calls it.</summary>
    public string Called => What.Length > 0 ? What : IdText.Plain(Id);
}

/// <summary>How a function was found.</summary>
public enum FunctionState
{
    Works,
    Sometimes,
    No,
}

/// <summary>A line of an operating card: what is done when, and what is seen then. Source: docs/handbook/passport.md, Operating
/// card.</summary>
public sealed record UseLine
{
    [Required, LongText, Display(Description = "When one wants it: to get the menu.")]
    public string When { get; init; } = "";

    [Required, LongText, Display(Description = "What is done: hold the button while switching on.")]
    public string Do { get; init; } = "";

    [LongText, Usual, Display(Description = "What is seen then: a list of discs.")]
    public string See { get; init; } = "";
}

/// <summary>Something of another unit that is on this one for a time.</summary>
public sealed record BorrowedThing
{
    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [Required, Id, OnSheet(Things.Units), Display(Description = "The unit that it was taken from.")]
    public string From { get; init; } = "";
}

/// <summary>An answer to a question that was asked of others.</summary>
public sealed record HeardAnswer
{
    [Required, LongText, Display(Description = "What was said.")]
    public string Text { get; init; } = "";

    [Required, Display(Description = "Who said it, or where it stands.")]
    public string Source { get; init; } = "";

    [Required, Display(Description = "How far it is trusted.")]
    public FactTrust Trust { get; init; }

    [Display(Name = "when", Description = "When it was noted.")]
    public string At { get; init; } = "";
}

/// <summary>Where a unit came from.</summary>
public sealed record Acquired
{
    [LongText, Usual, Display(Description = "From whom, or where.")]
    public string From { get; init; } = "";

    [Usual, Display(Name = "when", Description = "The day, 2026-11-26.")]
    public string At { get; init; } = "";

    [Range(0, 1_000_000), Usual, Display(Description = "What was paid, in the pack's currency.")]
    public decimal? Price { get; init; }
}

/// <summary>What a unit is meant for.</summary>
public enum UnitPurpose
{
    Keep,
    Sell,
    Restore,
}
