using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.PictureSound;

/// <summary>What <c>picture/scale</c> takes.</summary>
public sealed record ScaleAsked : ICompleted<ScaleAsked>
{
    /// <summary>The picture, width and height.</summary>
    [Required, Range(1, 32_768), Display(Description = "The picture, width and height.")]
    public IReadOnlyList<int> Source { get; init; } = [];

    /// <summary>Width over height of one pixel as it should look.</summary>
    [Range(0.01, 100), Display(Description = "Width over height of one pixel as it should look.")]
    public decimal PixelAspect { get; init; } = 1;

    /// <summary>The panel, width and height.</summary>
    [Required, Range(1, 32_768), Display(Description = "The panel, width and height.")]
    public IReadOnlyList<int> Panel { get; init; } = [];

    /// <inheritdoc/>
    public ScaleAsked Completed(RecordReading read)
    {
        if (read.Read("source") && Source.Count != 2)
            read.Wrong("source", "must be width and height");
        if (read.Read("panel") && Panel.Count != 2)
            read.Wrong("panel", "must be width and height");
        else if (Source.Count == 2 && Panel.Count == 2 && (Panel[0] < Source[0] || Panel[1] < Source[1]))
            read.Wrong("panel", $"{Panel[0]} x {Panel[1]} is smaller than the picture, {Source[0]} x {Source[1]}");
        return this;
    }
}

/// <summary>A picture on a panel by whole factors. Source: docs/handbook/picture-sound.md, Scaling.</summary>
/// <param name="Factor">Across and down.</param>
/// <param name="Size">How large it is then.</param>
/// <param name="Borders">What is left at the left and at the top.</param>
/// <param name="Square">It has its true shape, within a tenth.</param>
/// <param name="Distortion">How much wider than it should be it looks; 1: true.</param>
public sealed record Scaling(
    (int X, int Y) Factor,
    (int W, int H) Size,
    (int Left, int Top) Borders,
    bool Square,
    decimal Distortion
)
{
    /// <summary>The largest that has its true shape, else the largest with equal factors.</summary>
    public static Scaling Of(ScaleAsked asked)
    {
        (int w, int h, int wide, int high) = (asked.Source[0], asked.Source[1], asked.Panel[0], asked.Panel[1]);
        decimal shape(int x, int y) => (decimal)x / y / asked.PixelAspect;
        (int X, int Y)? best = null;
        for (int x = 1; x * w <= wide; x++)
        for (int y = 1; y * h <= high; y++)
            if (
                shape(x, y) is >= 0.9m and <= 1.1m
                && (
                    best is not { } b
                    || x * y > b.X * b.Y
                    || (x * y == b.X * b.Y && Math.Abs(shape(x, y) - 1) < Math.Abs(shape(b.X, b.Y) - 1))
                )
            )
                best = (x, y);
        int equal = Math.Min(wide / w, high / h);
        (int X, int Y) factor = best ?? (equal, equal);
        (int W, int H) size = (factor.X * w, factor.Y * h);
        return new Scaling(factor, size, ((wide - size.W) / 2, (high - size.H) / 2), best is not null, shape(factor.X, factor.Y));
    }
}
