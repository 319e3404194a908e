using RustCabin.Core.PictureSound;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.PictureSound;

/// <summary>Timings, phases, memory, colours, scaling and sound, by hand and against brute force.</summary>
public class PictureTests
{
    static TimingAsked Asked(decimal mhz, int pixels, int lines, bool interlaced = false, bool doubled = false) =>
        new()
        {
            PixelClockMHz = mhz,
            PixelsPerLine = pixels,
            Lines = lines,
            Interlaced = interlaced,
            Doubled = doubled,
        };

    [Fact]
    public void Rates_are_those_of_a_pocket_calculator()
    {
        var timing = Timing.Of(Asked(11.8m, 750, 262));
        Assert.Equal(15_733.33, timing.LineHz, 0.01);
        Assert.Equal(60.05, timing.FieldHz, 0.01);
        Assert.Equal(timing.FieldHz, timing.FrameHz);
        timing = Timing.Of(Asked(12.8m, 816, 625, interlaced: true));
        Assert.Equal(15_686.27, timing.LineHz, 0.01);
        Assert.Equal(50.20, timing.FieldHz, 0.01);
        Assert.Equal(25.10, timing.FrameHz, 0.01);
        timing = Timing.Of(Asked(12.8m, 816, 625, interlaced: true, doubled: true));
        Assert.Equal((31_372.55, 50.20), (Math.Round(timing.OutLineHz, 2), Math.Round(timing.FieldHz, 2)));
    }

    [Theory]
    [InlineData(15, 70, 48, 75, "")]
    [InlineData(15.5, 70, 48, 75, "watch")]
    [InlineData(15.74, 70, 48, 75, "stop")]
    [InlineData(15, 15.73, 48, 75, "stop")]
    [InlineData(15, 16, 48, 75, "watch")]
    [InlineData(15, 70, 59, 75, "watch")]
    [InlineData(15.5, 70, 61, 75, "stop")]
    public void A_display_locks_only_just_or_not(decimal from, decimal to, decimal low, decimal high, string severity)
    {
        TimingAsked asked = Asked(11.8m, 750, 262) with
        {
            Display = new Display { LineKHz = [from, to], FieldHz = [low, high] },
        };
        string[] found = [.. Timing.Locks(asked, Subject.Asked("x")).Select(f => f.Severity.ToString().ToLowerInvariant())];
        Assert.Equal(severity.Length > 0 ? [severity] : [], found);
    }

    [Fact]
    public void Two_fields_want_a_display_that_weaves_them_or_a_doubler()
    {
        TimingAsked laced = Asked(12.8m, 816, 625, interlaced: true) with
        {
            Display = new Display
            {
                LineKHz = [15, 70],
                FieldHz = [48, 75],
                Interlace = false,
            },
        };
        Assert.Contains("weave", Timing.Locks(laced, Subject.Asked("x")).Single().Text);
        Assert.Empty(Timing.Locks(laced with { Doubled = true }, Subject.Asked("x")));
        Assert.Empty(Timing.Locks(laced with { Interlaced = false, Lines = 312 }, Subject.Asked("x")));
    }

    [Fact]
    public void Samples_are_whole_or_beat()
    {
        Sampling of(int pixels, int samples, params int[] errors) =>
            Sampling.Of(
                new SamplingAsked
                {
                    PixelsPerLine = pixels,
                    SamplesPerLine = samples,
                    Captures = errors,
                }
            );
        Assert.Equal((1, (double?)null), (of(910, 910, 0).PerPixel!.Value, of(910, 910, 0).BeatPixels));
        Assert.Equal(((int?)null, 455.0), (of(910, 912, 0).PerPixel, of(910, 912, 0).BeatPixels!.Value));
        Assert.Equal(910.0 / 10, of(910, 1810, 0).BeatPixels!.Value);
        Assert.Equal(910.0 / 900, of(910, 10, 0).BeatPixels!.Value);
        Assert.Equal((1, new PhaseRun(0, 4)), (of(910, 910, 0, 0, 0, 0).Phase!.Value, of(910, 910, 0, 0, 0, 0).Run));
        Assert.Null(of(910, 910, 3, 3, 3).Phase);
        Assert.Null(of(910, 910, 3).Run);
        Assert.Equal(new PhaseRun(3, 3), of(910, 910, 0, 5, 5, 0, 0).Run);
        Assert.Equal(4, of(910, 910, 0, 5, 5, 0, 0).Phase);
        Assert.Equal(new PhaseRun(0, 1), of(910, 910, 1, 5, 1, 5).Run);
    }

    [Fact]
    public void The_phase_is_what_brute_force_finds_on_5000_circles()
    {
        for (int seed = 0; seed < 5000; seed++)
        {
            var random = new Random(seed);
            int[] errors = [.. Enumerable.Range(0, random.Next(1, 20)).Select(_ => random.Next(0, 3))];
            int count = errors.Length;
            PhaseRun? best = null;
            if (errors.Distinct().Count() == 1)
                best = errors[0] == 0 ? new PhaseRun(0, count) : null;
            else
                for (int length = count; length > 0 && best is null; length--)
                for (int from = 0; from < count && best is null; from++)
                    if (Enumerable.Range(from, length).All(i => errors[i % count] == errors.Min()))
                        best = new PhaseRun(from, length);
            Assert.Equal(best, Sampling.BestRun(errors));
        }
    }

    [Fact]
    public void The_phase_that_is_found_has_the_fewest_wrong_pixels_in_500_converters()
    {
        for (int seed = 0; seed < 500; seed++)
        {
            var converter = new SimulatedConverter(16, seed, Moving: false);
            IReadOnlyList<int> errors = converter.Errors(0);
            int phase = Sampling
                .Of(
                    new SamplingAsked
                    {
                        PixelsPerLine = 1,
                        SamplesPerLine = 1,
                        Captures = errors,
                    }
                )
                .Phase!.Value;
            Assert.Equal(errors.Min(), converter.Wrong(phase, 1));
            Assert.True(errors.Max() > errors.Min() + 100, $"seed {seed}: an edge is seen");
            int apart = Math.Abs(phase - converter.TruePhase);
            Assert.True(Math.Min(apart, 16 - apart) <= 1, $"seed {seed}: {phase} for {converter.TruePhase}");
        }
    }

    [Fact]
    public void A_moving_screen_shows_itself_and_what_beats_is_never_clean()
    {
        var moving = new SimulatedConverter(16, 3, Moving: true);
        Assert.True(Sampling.Moved(moving.Errors(0), moving.Errors(16)));
        var still = new SimulatedConverter(16, 3, Moving: false);
        Assert.Equal(still.Errors(0).Min(), still.Errors(1).Min());
        Assert.All(still.Errors(0, beatPixels: 20), e => Assert.True(e > 50));
    }

    [Fact]
    public void Memory_of_a_picture()
    {
        PictureMemory of(int w, int h, int bits, int align, int buffers, decimal fps = 50) =>
            PictureMemory.Of(
                new PictureMemoryAsked
                {
                    Width = w,
                    Height = h,
                    Bits = bits,
                    Alignment = align,
                    Buffers = buffers,
                    FramesPerSecond = fps,
                }
            );
        Assert.Equal(150_784, of(608, 248, 4, 4, 2).Bytes);
        Assert.Equal(new PictureMemory(304, 75_392, 3_769_600), of(608, 248, 4, 4, 1));
        Assert.Equal(4, of(25, 1, 1, 4, 1).Stride);
        Assert.Equal(8, of(33, 1, 1, 4, 1).Stride);
    }

    [Fact]
    public void Colours_go_to_the_nearest_level_of_each_channel()
    {
        NearestColour nearest = Colours.Nearest([11, 11, 7], "#7a5a30");
        Assert.Equal([5, 4, 1], nearest.Entry);
        Assert.Equal("#80662b", nearest.Shown);
        var random = new Random(1);
        for (int i = 0; i < 5000; i++)
        {
            int levels = random.Next(2, 257),
                value = random.Next(256);
            int entry = Colours.Nearest([levels, levels, levels], $"#{value:x2}{value:x2}{value:x2}").Entry[0];
            double[] apart = [.. Enumerable.Range(0, levels).Select(e => Math.Abs(e * 255.0 / (levels - 1) - value))];
            Assert.Equal(apart.Min(), apart[entry], 9);
        }
    }

    [Theory]
    [InlineData(640, 200, 0.5, 1280, 1024, 2, 4, 0, 112, true)]
    [InlineData(320, 200, 1, 1280, 1024, 4, 4, 0, 112, true)]
    [InlineData(320, 256, 1, 1280, 1024, 4, 4, 0, 0, true)]
    [InlineData(640, 200, 0.5, 800, 300, 1, 1, 80, 50, false)]
    public void Whole_factors(int w, int h, double aspect, int wide, int high, int x, int y, int left, int top, bool square)
    {
        var scaling = Scaling.Of(
            new ScaleAsked
            {
                Source = [w, h],
                PixelAspect = (decimal)aspect,
                Panel = [wide, high],
            }
        );
        Assert.Equal(((x, y), (left, top), square), (scaling.Factor, scaling.Borders, scaling.Square));
        if (!square)
            Assert.Equal(2, scaling.Distortion);
    }

    [Fact]
    public void Speakers_and_dividers()
    {
        LoadAsked asked = new()
        {
            Rms = 4.5m,
            Speakers = [8, 8],
            Wired = SpeakersWired.Parallel,
            Amplifier = new Amplifier { Watts = 6, MinOhms = 4 },
        };
        Assert.Equal((4.0, 5.0625), (SpeakerLoad.Of(asked).Ohms, SpeakerLoad.Of(asked).Watts));
        Assert.Empty(SpeakerLoad.Check(asked, Subject.Asked("a")));
        Assert.Equal(
            "stop",
            Severity(
                asked with
                {
                    Amplifier = new Amplifier { Watts = 6, MinOhms = 4.01m },
                }
            )
        );
        Assert.Equal(
            "watch",
            Severity(
                asked with
                {
                    Amplifier = new Amplifier { Watts = 5, MinOhms = 4 },
                }
            )
        );
        Assert.Equal(16.0, SpeakerLoad.Of(asked with { Wired = SpeakersWired.Series }).Ohms);
        Assert.Equal(-6.02, SpeakerLoad.DividerDb(1000, 1000), 0.01);
        static string Severity(LoadAsked asked) =>
            SpeakerLoad.Check(asked, Subject.Asked("a")).Single().Severity.ToString().ToLowerInvariant();
    }

    [Theory]
    [InlineData("left", "right", SidesVerdict.Right)]
    [InlineData("right", "left", SidesVerdict.Swapped)]
    [InlineData("left right", "right", SidesVerdict.Summed)]
    [InlineData("", "", SidesVerdict.Silent)]
    [InlineData("left", "", SidesVerdict.OneSide)]
    [InlineData("left", "left", SidesVerdict.OneSide)]
    [InlineData("", "left", SidesVerdict.OneSide)]
    public void What_was_heard(string left, string right, SidesVerdict verdict)
    {
        string[] words(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(
            verdict,
            Sides.Of(new Dictionary<string, IReadOnlyList<string>> { ["left"] = words(left), ["right"] = words(right) }).Verdict
        );
    }

    const string Beeper = """
        , "region": ["50Hz"], "pictures": [ { "id": "own", "pixelClockMHz": 11.8, "pixelsPerLine": 750, "lines": 262,
            "syncs": ["hsync"], "memory": "cpu",
            "visible": { "width": 600, "height": 208, "bits": 4 } } ],
          "sites": [ { "id": "slot", "kind": "slot", "contacts": ["GND", "hsync"] } ],
          "signals": [ { "net": "csync", "at": [ { "chip": "U12", "pin": 7, "tap": "clip" } ] } ]
        """;

    static Machine With(string part, string job = "") =>
        new()
        {
            Claims = """{ "id": "ram", "kind": "ram", "base": "0x0000", "size": "64K" }""",
            AddressBits = 20,
            More = Beeper,
            Parts = Machine.Part("c", part),
            Job = Machine.Add("c") + job,
        };

    static string[] Found(Machine machine) =>
        [
            .. machine.Codes.Where(c =>
                c.StartsWith("SYNC") || c.StartsWith("SAMPLE") || c.StartsWith("PICTURE") || c.StartsWith("SOUND")
            ),
        ];

    [Fact]
    public void Checks_of_the_picture_by_a_hair()
    {
        string display(string line) => $$""", "picture": { "display": { "lineKHz": [{{line}}], "fieldHz": [48, 75] } }""";
        Assert.Equal(["SYNC-RANGE"], Found(With("", display("30, 70"))));
        Assert.Empty(Found(With("", display("15, 70"))));
        Assert.Empty(Found(With(", \"samples\": { \"maxMHz\": 30, \"doubles\": true }", display("30, 70"))));

        Assert.Equal(["SYNC-MISSING"], Found(With(", \"samples\": { \"maxMHz\": 30, \"needs\": [\"csync\"] }")));
        Assert.Contains(
            "U12.7 (clip)",
            With(", \"samples\": { \"maxMHz\": 30, \"needs\": [\"csync\"] }")
                .Answer.Findings.First(f => f.Code == "SYNC-MISSING")
                .Text
        );
        Assert.Empty(Found(With(", \"samples\": { \"maxMHz\": 30, \"needs\": [\"hsync\"] }")));

        string sampler(decimal mhz) => $", \"samples\": {{ \"maxMHz\": {mhz} }}";
        Assert.Equal(["SAMPLE-FAST"], Found(With(sampler(11.7m))));
        Assert.Empty(Found(With(sampler(11.9m))));
        Assert.Equal(["SAMPLE-BEAT"], Found(With(sampler(30), ", \"picture\": { \"samplesPerLine\": 752 }")));
        Assert.Empty(Found(With(sampler(30), ", \"picture\": { \"samplesPerLine\": 1500 }")));

        Machine small = With("") with { More = Beeper.Instead("\"bits\": 4", "\"bits\": 5") };
        Assert.Equal(["PICTURE-MEMORY"], Found(small));
        Assert.Empty(Found(small with { More = Beeper }));
    }

    [Fact]
    public void Checks_of_the_sound_by_a_hair()
    {
        string loads(decimal ohms) =>
            $$""", "amplifier": { "watts": 2.5, "minOhms": 4, "rms": 3 }, "loads": [ { "ohms": {{ohms}} }, { "ohms": {{ohms}} } ]""";
        Assert.Equal(["SOUND-LOAD"], Found(With(loads(1.9m))));
        Assert.Empty(Found(With(loads(2m))));
        string heard(string left) =>
            $$""", "sound": { "heard": { "left": ["{{left}}"], "right": ["{{(left == "left" ? "right" : "left")}}"] } }""";
        Assert.Equal(["SOUND-SIDES"], Found(With("", heard("right"))));
        Assert.Empty(Found(With("", heard("left"))));
    }
}
