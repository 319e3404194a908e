using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;

namespace RustCabin.Core.Tests.Speed;

/// <summary>Frames by their size: a fit that no other line beats, and what follows from it.</summary>
public sealed class FramesTests
{
    static FrameRun Run(int width, int height, decimal fps) =>
        new()
        {
            Width = width,
            Height = height,
            Fps = fps,
        };

    [Fact]
    public void Two_runs_are_met_exactly_and_the_display_bounds_the_forecast()
    {
        Frames found = Frames.Of(
            new FramesAsked
            {
                Runs = [Run(100, 100, 20), Run(200, 100, 12.5m), Run(10, 10, 70)],
                Sizes = [new FrameSize { Width = 300, Height = 100 }, new FrameSize { Width = 1, Height = 1 }],
                Wanted = 10,
                Cap = 40,
            }
        );
        // 50 ms and 80 ms: 20 ms and 3 us a pixel.
        Assert.Equal((0.02, 3e-6), (Math.Round(found.A, 12), Math.Round(found.B, 12)));
        Assert.Equal(
            [1 / 0.11, 40],
            found.Sizes.Select(s => Math.Round(s.Fps, 12)).Zip([1 / 0.11, 40.0], (a, b) => Math.Abs(a - b) < 1e-9 ? b : a)
        );
        Assert.Equal((26666, false), ((int)found.Most!, found.Unlimited));
    }

    [Fact]
    public void Where_pixels_take_no_time_any_number_gives_it_or_none()
    {
        FramesAsked asked = new() { Runs = [Run(100, 100, 20), Run(200, 100, 20), Run(300, 100, 21)], Wanted = 15 };
        Assert.Equal((null, true), (Frames.Of(asked).Most, Frames.Of(asked).Unlimited));
        Assert.Equal(
            (null, false),
            (Frames.Of(asked with { Wanted = 25 }).Most, Frames.Of(asked with { Wanted = 25 }).Unlimited)
        );
        Assert.False(Frames.Of(asked with { Wanted = 15, Cap = 12, Runs = [Run(1, 1, 11), Run(2, 1, 11)] }).Unlimited);
    }

    [Fact]
    public void No_other_line_lies_nearer_to_the_runs()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            FrameRun[] runs =
            [
                Run(10, 10, 30),
                .. Enumerable
                    .Range(0, random.Next(1, 6))
                    .Select(_ => Run(random.Next(1, 40), random.Next(11, 40), random.Next(1, 60))),
            ];
            if (runs.Select(r => r.Width * r.Height).Distinct().Count() < 2)
                continue;
            Frames found = Frames.Of(new FramesAsked { Runs = runs });
            double Error(double a, double b) => runs.Sum(r => Math.Pow(1 / (double)r.Fps - a - b * r.Width * r.Height, 2));
            Assert.True(found.A >= 0 && found.B >= 0);
            double own = Error(found.A, found.B);
            for (int i = 0; i < 40; i++)
            {
                double a = Math.Max(0, found.A + (random.NextDouble() - 0.5) * 0.02),
                    b = Math.Max(0, found.B + (random.NextDouble() - 0.5) * 2e-5);
                Assert.True(Error(a, b) >= own - 1e-12, $"seed {seed}: {a} {b} is nearer than {found.A} {found.B}");
            }
        }
    }
}
