#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>How often something worked, of how many tries. Source: docs/handbook/baseline.md, Rates.</summary>
public sealed record TryCount : ICompleted<TryCount>
{
    /// <summary>So many tries at most.</summary>
    public const int Most = 1_000_000;

    [Required, Range(0, Most), Display(Description = "How often it worked.")]
    public int Works { get; init; }

    [Required, Range(0, Most), Display(Description = "How often it was tried.")]
    public int Tries { get; init; }

    /// <summary>How often it did not work.</summary>
    internal int Fails => Tries - Works;

    /// <inheritdoc/>
    public TryCount Completed(RecordReading read)
    {
        if (Works > Tries)
            read.Wrong("works", $"is {Works} of {Tries} tries");
        return this;
    }
}

/// <summary>
/// Starts of a machine that were counted: those after it stood for an hour, and those of the warm machine. Source:
/// docs/handbook/baseline.md, Rates.
/// </summary>
public sealed record CountedStarts
{
    [Display(Description = "Starts after it stood long enough to be cold; left out: not counted.")]
    public CountedTries? Cold { get; init; }

    [Display(Description = "Starts of the warm machine; left out: not counted.")]
    public CountedTries? Warm { get; init; }

    /// <summary>The kind that failed before, cold first; null: none did.</summary>
    public CountedTries? Failing => new[] { Cold, Warm }.FirstOrDefault(c => c?.Fails > 0);

    /// <summary>What was counted, in words: 7 of 10 cold, 4 of 4 warm.</summary>
    public string Words => string.Join(", ", new[] { Told("cold", Cold), Told("warm", Warm) }.OfType<string>());

    static string? Told(string kind, CountedTries? counted) =>
        counted is { Tries: > 0 } ? $"{counted.Works} of {counted.Tries} {kind}" : null;

    /// <summary>The count of one kind.</summary>
    public CountedTries Of(bool warm) => (warm ? Warm : Cold) ?? new CountedTries();

    /// <summary>One try more.</summary>
    public CountedStarts With(bool warm, bool works)
    {
        CountedTries next = Of(warm).With(works);
        return warm ? this with { Warm = next } : this with { Cold = next };
    }
}

/// <summary>Tries of one kind, with how many of the last worked in a row.</summary>
public sealed record CountedTries : ICompleted<CountedTries>
{
    [Required, Range(0, TryCount.Most), Display(Description = "How often it worked.")]
    public int Works { get; init; }

    [Required, Range(0, TryCount.Most), Display(Description = "How often it was tried.")]
    public int Tries { get; init; }

    [Range(0, TryCount.Most), Display(Name = "in a row", Description = "How many of the last tries worked, one after the other.")]
    public int Row { get; init; }

    /// <summary>How often it did not work.</summary>
    public int Fails => Tries - Works;

    /// <summary>The same without the row.</summary>
    public TryCount Plain => new() { Works = Works, Tries = Tries };

    /// <summary>One try more.</summary>
    public CountedTries With(bool works) =>
        new()
        {
            Works = Works + (works ? 1 : 0),
            Tries = Tries + 1,
            Row = works ? Row + 1 : 0,
        };

    /// <inheritdoc/>
    public CountedTries Completed(RecordReading read)
    {
        if (Works > Tries)
            read.Wrong("works", $"is {Works} of {Tries} tries");
        else if (Row > Works)
            read.Wrong("row", $"is {Row}, but only {Works} worked");
        return this;
    }
}

/// <summary>Starts that were counted at a gate.</summary>
public sealed record GateCount
{
    [Required, Display(Description = "The gate.")]
    public StepId Gate { get; init; } = StepId.None;

    [Required, Display(Description = "How often it started.")]
    public CountedStarts Starts { get; init; } = new();

    [Display(Description = "What it was taken on.")]
    public TakenOn? On { get; init; }
}

/// <summary>A gate that passes only once so many clean tries in a row prove the mend.</summary>
public sealed record AskedRate
{
    [Required, Display(Description = "The gate.")]
    public StepId Gate { get; init; } = StepId.None;

    [Range(0.5, 0.9999), Display(Description = "How sure one wants to be that the mend holds.")]
    public decimal Sure { get; init; } = 0.95m;
}
