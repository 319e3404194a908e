using System.ComponentModel.DataAnnotations;

namespace RustCabin.Core.Build;

/// <summary>What <c>build/cost</c> takes: boards made together, of which some are sold on.</summary>
public sealed record BoardBatch
{
    /// <summary>How many are made.</summary>
    [Required, Range(0, 1_000_000), Display(Description = "How many boards are made.")]
    public int Boards { get; init; }

    /// <summary>What one costs.</summary>
    [Required, Range(0, 100_000_000), Display(Description = "What one board costs.")]
    public decimal BoardPrice { get; init; }

    /// <summary>What goes onto them costs in all.</summary>
    [Range(0, 100_000_000), Display(Description = "What the parts cost in all.")]
    public decimal Parts { get; init; }

    /// <summary>What the post takes.</summary>
    [Range(0, 100_000_000), Display(Description = "What the post takes in all.")]
    public decimal Postage { get; init; }

    /// <summary>What others paid for those that were sold.</summary>
    [Range(0, 100_000_000), Display(Description = "What was got for those that were sold on.")]
    public decimal Sold { get; init; }

    /// <summary>How many are kept.</summary>
    [Required, Range(1, 1_000_000), Display(Description = "How many are kept.")]
    public int Kept { get; init; }

    /// <summary>What each of those that are kept costs.</summary>
    public decimal Each => (Boards * BoardPrice + Parts + Postage - Sold) / Kept;
}
