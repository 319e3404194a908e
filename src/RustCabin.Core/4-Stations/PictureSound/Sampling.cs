using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.PictureSound;

/// <summary>What <c>picture/sampling</c> takes.</summary>
public sealed record SamplingAsked : ICompleted<SamplingAsked>
{
    /// <summary>So many phases at most.</summary>
    public const int MostPhases = 1024;

    /// <summary>Pixels of a whole line.</summary>
    [Required, Range(1, 1_000_000), Display(Description = "Pixels of a whole line.")]
    public int PixelsPerLine { get; init; }

    /// <summary>Samples of a whole line.</summary>
    [Required, Range(1, 100_000_000), Display(Description = "Samples of a whole line.")]
    public int SamplesPerLine { get; init; }

    /// <summary>Errors counted at each phase.</summary>
    [Required, Range(0, 2_000_000_000), Display(Description = "Errors counted at each phase, phase 0 first.")]
    public IReadOnlyList<int> Captures { get; init; } = [];

    /// <inheritdoc/>
    public SamplingAsked Completed(RecordReading read)
    {
        if (read.Read("captures") && Captures.Count is 0 or > MostPhases)
            read.Wrong("captures", $"must be 1 to {MostPhases:#,0} phases, not {Captures.Count}");
        return this;
    }
}

/// <summary>A run of phases round the circle.</summary>
public sealed record PhaseRun(int From, int Length);

/// <summary>How a picture is sampled. Source: docs/handbook/picture-sound.md, Sampling.</summary>
/// <param name="PerPixel">Samples of a pixel; null: no whole number, and the picture beats.</param>
/// <param name="BeatPixels">Pixels from one beat to the next; null: it does not beat.</param>
/// <param name="Phase">The best phase; null: none stands out.</param>
/// <param name="Run">The run of best phases that it is the middle of.</param>
public sealed record Sampling(int? PerPixel, double? BeatPixels, int? Phase, PhaseRun? Run)
{
    /// <summary>What is found of samples and captures.</summary>
    public static Sampling Of(SamplingAsked asked)
    {
        (int pixels, int samples) = (asked.PixelsPerLine, asked.SamplesPerLine);
        long nearest = Math.Max(1, (long)Math.Round(samples / (double)pixels, MidpointRounding.AwayFromZero)),
            off = Math.Abs(samples - nearest * pixels);
        PhaseRun? run = BestRun(asked.Captures);
        return new Sampling(
            off == 0 ? (int)nearest : null,
            off == 0 ? null : pixels / (double)off,
            run is null ? null : (run.From + (run.Length - 1) / 2) % asked.Captures.Count,
            run
        );
    }

    /// <summary>
    /// The longest run of phases with the fewest errors, round the circle; of equals the one that begins first. Null: all are
    /// equally bad.
    /// </summary>
    public static PhaseRun? BestRun(IReadOnlyList<int> errors)
    {
        int count = errors.Count;
        if (count == 0)
            return null;
        int fewest = errors.Min();
        if (errors.All(e => e == fewest))
            return fewest == 0 ? new PhaseRun(0, count) : null;
        PhaseRun? best = null;
        for (int from = 0; from < count; from++)
        {
            // A run begins where the phase before it is worse.
            if (errors[from] != fewest || errors[(from + count - 1) % count] == fewest)
                continue;
            int length = 1;
            while (errors[(from + length) % count] == fewest)
                length++;
            if (best is null || length > best.Length)
                best = new PhaseRun(from, length);
        }
        return best;
    }

    /// <summary>True for a picture that moved between two captures of one phase: nothing can be found of it.</summary>
    public static bool Moved(IReadOnlyList<int> one, IReadOnlyList<int> other) => !one.SequenceEqual(other);
}
