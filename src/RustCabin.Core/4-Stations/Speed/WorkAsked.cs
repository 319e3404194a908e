using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Speed;

/// <summary>What <c>speed</c> takes: a piece of work by its parts, and what was measured of it.</summary>
public sealed record WorkAsked
{
    /// <summary>The parts of the work.</summary>
    [Display(Description = "The parts of the work.")]
    public IReadOnlyList<WorkPartAsked> Parts { get; init; } = [];

    /// <summary>What was measured.</summary>
    [Display(Description = "What was measured; left out: nothing yet.")]
    public MeasuredAsked? Measured { get; init; }

    /// <summary>The work itself.</summary>
    public Work Work =>
        new([.. Parts.Select(p => new WorkPart(p.Name, p.Seconds, p.Factor))], Measured?.Before ?? [], Measured?.After ?? []);
}

/// <summary>One part of the work.</summary>
public sealed record WorkPartAsked
{
    /// <summary>What it is called.</summary>
    [Display(Description = "What it is called.")]
    public string Name { get; init; } = "";

    /// <summary>How long it takes now.</summary>
    [Required, Range(0, 1_000_000_000), UnitOf("s"), Display(Description = "How long it takes now.")]
    public decimal Seconds { get; init; }

    /// <summary>How many times faster it becomes.</summary>
    [Range(0.000001, 1_000_000), Display(Description = "How many times faster it becomes.")]
    public decimal Factor { get; init; } = 1;
}

/// <summary>Runs before and after.</summary>
public sealed record MeasuredAsked
{
    /// <summary>Runs before.</summary>
    [Range(0.000001, 1_000_000_000), UnitOf("s"), Display(Description = "The time of each run before.")]
    public IReadOnlyList<decimal> Before { get; init; } = [];

    /// <summary>Runs after.</summary>
    [Range(0.000001, 1_000_000_000), UnitOf("s"), Display(Description = "The time of each run after.")]
    public IReadOnlyList<decimal> After { get; init; } = [];
}
