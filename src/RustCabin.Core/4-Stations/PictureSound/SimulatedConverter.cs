namespace RustCabin.Core.PictureSound;

/// <summary>
/// A converter that ships, to learn what its calibration does: a screen of sharp edges, a true phase that nobody sees, jitter and
/// bandwidth. Source: docs/handbook/picture-sound.md, The simulated converter.
/// </summary>
/// <param name="Phases">Phases of a pixel at which it can sample.</param>
/// <param name="Seed">What the true phase and the jitter are drawn from.</param>
/// <param name="Moving">The screen moves from capture to capture.</param>
public sealed record SimulatedConverter(int Phases, int Seed, bool Moving)
{
    /// <summary>The screen's size, in pixels.</summary>
    public const int Width = 64,
        Height = 36;

    const double Jitter = 0.06,
        Slope = 0.22,
        Sharp = 0.02;

    /// <summary>
    /// The phase at which a pixel is sampled in its middle: well away from 0, so that there is something to find.
    /// </summary>
    public int TruePhase => Phases * 3 / 8 + new Random(Seed).Next(Phases / 4 + 1);

    /// <summary>A pixel of the screen as it is: a checkerboard, bars, and strokes like those of text.</summary>
    /// <param name="x">From the left.</param>
    /// <param name="y">From the top.</param>
    /// <param name="frame">The number of the capture.</param>
    public bool Lit(int x, int y, int frame)
    {
        int at = x + (Moving ? frame * 3 : 0);
        return y < 10 ? (at + y) % 2 == 0
            : y < 20 ? at / 2 % 2 == 0
            : (at * 7 + y * 13) % 11 < 4;
    }

    /// <summary>
    /// What is sampled at a phase, line by line: a value from 0 to 1 a pixel, blurred towards the neighbour the nearer the
    /// sample lies to the edge, and torn by jitter there.
    /// </summary>
    /// <param name="phase">The phase that is set.</param>
    /// <param name="frame">The number of the capture.</param>
    /// <param name="beatPixels">Pixels from beat to beat; null: the samples are a whole number a pixel.</param>
    public IEnumerable<(bool Lit, double Seen)> Capture(int phase, int frame, double? beatPixels = null)
    {
        var random = new Random(unchecked(Seed * 1_000_003 + phase * 1_009 + frame));
        double set = (phase - TruePhase) / (double)Phases;
        for (int y = 0; y < Height; y++)
        for (int x = 0; x < Width; x++)
        {
            double off = set + (beatPixels is { } beat ? x / beat : 0) + Jitter * (random.NextDouble() - 0.5);
            // From -0.5 at the left edge of the pixel to 0.5 at the right one.
            off -= Math.Floor(off + 0.5);
            double near = Math.Max(0, (Math.Abs(off) - (0.5 - Slope)) / Slope) / 2;
            bool lit = Lit(x, y, frame);
            double own = lit ? 1 : 0,
                beside = Lit(Math.Clamp(x + Math.Sign(off), 0, Width - 1), y, frame) ? 1 : 0;
            yield return (lit, own + (beside - own) * near);
        }
    }

    /// <summary>Pixels of a capture that are seen otherwise than they are.</summary>
    public int Wrong(int phase, int frame, double? beatPixels = null) =>
        Capture(phase, frame, beatPixels).Count(p => Math.Abs(p.Seen - (p.Lit ? 1 : 0)) > Sharp);

    /// <summary>The errors of each phase, as a capture of all phases counts them.</summary>
    public IReadOnlyList<int> Errors(int frame, double? beatPixels = null) =>
        [.. Enumerable.Range(0, Phases).Select(p => Wrong(p, Moving ? frame + p : frame, beatPixels))];
}
