#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A piece that ages and is replaced, with what a shop must know of it. Source: docs/handbook/baseline.md, Condition.
/// </summary>
public sealed record ServicePiece
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Display(Description = "What kind of piece.")]
    public ServiceKind Kind { get; init; } = ServiceKind.Other;

    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [LongText, Display(Description = "Where it sits.")]
    public string Where { get; init; } = "";

    [LongText, Display(Description = "Its value, as the shop writes it.")]
    public string Value { get; init; } = "";

    [Range(0, 100_000), UnitOf("V"), Display(Description = "The volts that it stands or gives.")]
    public decimal? Volts { get; init; }

    [
        Range(0, 1440),
        UnitOf("minutes"),
        Display(
            Name = "charge falls in, minutes",
            Description = "How long its charge takes to fall below 60 V once the plug is out; left out: have it measured."
        )
    ]
    public decimal? FallMinutes { get; init; }

    [LongText, Display(Description = "Which way round it goes.")]
    public string Polarity { get; init; } = "";

    [LongText, Display(Description = "What it measures.")]
    public string Size { get; init; } = "";

    [Range(1, 200), UnitOf("years"), Display(Description = "After how many years it is due.")]
    public int? Years { get; init; }

    [Range(0, 10_000), UnitOf("minutes"), Display(Description = "How long replacing it takes; left out: twelve minutes.")]
    public decimal? Minutes { get; init; }

    [OnSheet(Things.Cautions), Display(Description = "What can hurt, beside what its kind always brings.")]
    public IReadOnlyList<string> Cautions { get; init; } = [];

    [Id, Usual, OnSheet(Things.Access), Display(Description = "How far the case must be open to reach it.")]
    public string? Access { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];
}

/// <summary>Kinds of pieces that age.</summary>
public enum ServiceKind
{
    Capacitor,
    Cell,
    Belt,
    Filter,
    Other,
}

/// <summary>What a read gives that nothing answers.</summary>
public enum Undriven
{
    Ones,
    Last,
}
