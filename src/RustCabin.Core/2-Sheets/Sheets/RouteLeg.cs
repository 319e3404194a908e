using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>One way on which a file can be moved, in one direction.</summary>
public sealed record RouteLeg
{
    /// <summary>What a machine is called on its own sheet and those of its parts.</summary>
    public const string Machine = "machine";

    /// <summary>Where it begins.</summary>
    [Required, Display(Description = "Where it begins: a machine, a reader, a kind of card.")]
    public string From { get; init; } = "";

    /// <summary>Where it ends.</summary>
    [Required, Display(Description = "Where it ends.")]
    public string To { get; init; } = "";

    /// <summary>What it carries in one piece.</summary>
    [NotZero, OrNumber, Display(Description = "What it carries in one piece; left out: all.")]
    public ByteSize? Carries { get; init; }

    /// <summary>How fast it is.</summary>
    [Required, Range(0.001, 1e12), UnitOf("bytes/s"), Display(Description = "How fast it is.")]
    public decimal BytesPerSecond { get; init; }

    /// <summary>What a piece takes beside.</summary>
    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "What each piece takes beside: changing, formatting, walking.")]
    public decimal MinutesEach { get; init; }

    /// <summary>Pieces that a file of a size takes here; one at least.</summary>
    public long PiecesOf(long bytes) => Carries is { } most ? Math.Max(1, (bytes + (long)most.Bytes - 1) / (long)most.Bytes) : 1;

    /// <summary>Minutes that it takes here.</summary>
    public double MinutesOf(long bytes) => (double)(PiecesOf(bytes) * MinutesEach) + bytes / (double)BytesPerSecond / 60;
}
