#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>What was looked at, tried and found while a fault was sought. Source: docs/handbook/faults.md,
/// Observations.</summary>
public sealed record JobFaults
{
    [Display(ShortName = "look", Description = "What was looked at, gate by gate.")]
    public IReadOnlyList<LookTaken> Looks { get; init; } = [];

    [Display(ShortName = "confirmed cause", Description = "Causes that were found to be it.")]
    public IReadOnlyList<ConfirmedCause> Confirmed { get; init; } = [];

    [OneOrMore, Display(Description = "Trials: what can be changed, with what it can be.")]
    public OrderedDictionary<string, IReadOnlyList<string>> Factors { get; init; } = [];

    [Display(ShortName = "trial", Description = "Combinations that were tried.")]
    public IReadOnlyList<TriedSet> Trials { get; init; } = [];
}

/// <summary>Something that was looked at after a gate differed.</summary>
public sealed record LookTaken
{
    [Required, Display(Description = "The gate.")]
    public StepId Gate { get; init; } = StepId.None;

    [Required, Display(Description = "What was looked at.")]
    public string What { get; init; } = "";

    [Required, Display(Description = "What it showed.")]
    public string Showed { get; init; } = "";

    [Display(Name = "taken on", Description = "What it was seen on; left out: an earlier version kept none.")]
    public TakenOn? On { get; init; }
}

/// <summary>A cause that was found to be it, and its mend.</summary>
public sealed record ConfirmedCause
{
    [Required, Display(Description = "The gate at which it showed.")]
    public StepId Gate { get; init; } = StepId.None;

    [Required, Display(Description = "The cause.")]
    public string Cause { get; init; } = "";

    [LongText, Display(Description = "What was wrong.")]
    public string Words { get; init; } = "";

    [LongText, Display(Description = "What mends it.")]
    public string Mend { get; init; } = "";

    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "How long the mend takes.")]
    public decimal Minutes { get; init; }

    [Id, Display(Description = "How far the case must be open to mend it; left out: as far as it is.")]
    public string? Access { get; init; }

    [Display(Name = "when", Description = "When it was found.")]
    public string At { get; init; } = "";
}

/// <summary>A combination that was tried, and how it went.</summary>
public sealed record TriedSet
{
    [Display(Description = "The level of each factor.")]
    public OrderedDictionary<string, string> Set { get; init; } = [];

    [Display(Description = "It worked.")]
    public bool Works { get; init; }

    [LongText, Display(Description = "How it failed, after how long.")]
    public string How { get; init; } = "";
}
