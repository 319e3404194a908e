using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Speed;

/// <summary>A picture's size in pixels.</summary>
public sealed record FrameSize
{
    /// <summary>Its width.</summary>
    [Required, Range(1, 100_000), UnitOf("pixels"), Display(Description = "Its width.")]
    public int Width { get; init; }

    /// <summary>Its height.</summary>
    [Required, Range(1, 100_000), UnitOf("pixels"), Display(Description = "Its height.")]
    public int Height { get; init; }

    internal double Pixels => (double)Width * Height;
}

/// <summary>What <c>speed/frames</c> takes.</summary>
public sealed record FramesAsked : ICompleted<FramesAsked>
{
    const int Most = 1_000;

    /// <summary>Runs at several sizes.</summary>
    [Required, Display(Description = "Runs at several sizes.")]
    public IReadOnlyList<FrameRun> Runs { get; init; } = [];

    /// <summary>The sizes that are asked about.</summary>
    [Required, Display(Description = "The sizes that are asked about.")]
    public IReadOnlyList<FrameSize> Sizes { get; init; } = [];

    /// <summary>The rate that is wanted; null: none.</summary>
    [Range(0.000001, 1_000_000), Display(Description = "The frames a second that are wanted; left out: none.")]
    public decimal? Wanted { get; init; }

    /// <summary>The display's own rate; null: it bounds nothing.</summary>
    [Range(0.000001, 1_000_000), Display(Description = "The display's own rate, above which nothing is seen; left out: none.")]
    public decimal? Cap { get; init; }

    /// <summary>Runs that the display did not bound.</summary>
    internal FrameRun[] Free => [.. Runs.Where(r => Cap is not { } cap || r.Fps < cap)];

    /// <inheritdoc/>
    public FramesAsked Completed(RecordReading read)
    {
        if (Runs.Count > Most)
            read.Wrong("runs", $"are {Runs.Count:#,0}; {Most:#,0} are allowed");
        if (Sizes.Count > Most)
            read.Wrong("sizes", $"are {Sizes.Count:#,0}; {Most:#,0} are allowed");
        if (Free.Select(r => r.Pixels).Distinct().Count() < 2)
            read.Wrong("runs", "want two different numbers of pixels below the display's own rate");
        return this;
    }
}

/// <summary>A size and its forecast.</summary>
public sealed record FrameForecast(int Width, int Height, double Fps);

/// <summary>
/// Frame rates by size: a frame takes a + b x pixels. Source: docs/handbook/speed.md, Frames.
/// </summary>
/// <param name="A">What every frame takes, in seconds.</param>
/// <param name="B">What a pixel takes, in seconds.</param>
/// <param name="Sizes">The sizes asked about.</param>
/// <param name="Most">The most pixels that give the rate wanted; null: none does, or any does.</param>
/// <param name="Unlimited">Any number of pixels gives it.</param>
public sealed record Frames(double A, double B, IReadOnlyList<FrameForecast> Sizes, double? Most, bool Unlimited)
{
    /// <summary>A whole number that was missed by rounding alone is one.</summary>
    const double Rounding = 1e-9;

    /// <summary>Fits the runs, and forecasts.</summary>
    public static Frames Of(FramesAsked asked)
    {
        (double a, double b) = Fit([.. asked.Free.Select(r => (r.Pixels, 1 / (double)r.Fps))]);
        double cap = (double?)asked.Cap ?? double.PositiveInfinity;
        double? most = null;
        bool unlimited = false;
        if (asked.Wanted is { } wanted && (double)wanted <= cap)
        {
            double room = 1 / (double)wanted - a;
            unlimited = b == 0 && room >= -Rounding / (double)wanted;
            if (b > 0 && Math.Floor(room / b * (1 + Rounding)) is >= 1 and var pixels)
                most = pixels;
        }
        return new Frames(
            a,
            b,
            [.. asked.Sizes.Select(s => new FrameForecast(s.Width, s.Height, Math.Min(cap, 1 / (a + b * s.Pixels))))],
            most,
            unlimited
        );
    }

    /// <summary>Least squares, neither below 0: else that one is 0 and the other fitted again.</summary>
    static (double A, double B) Fit((double X, double T)[] runs)
    {
        double x = runs.Average(r => r.X),
            t = runs.Average(r => r.T);
        double b = runs.Sum(r => (r.X - x) * (r.T - t)) / runs.Sum(r => (r.X - x) * (r.X - x));
        return b <= 0 ? (t, 0)
            : t - b * x is >= 0 and var a ? (a, b)
            : (0, runs.Sum(r => r.X * r.T) / runs.Sum(r => r.X * r.X));
    }
}
