using RustCabin.Core.Presses;
using RustCabin.Core.Speed;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Speed;

/// <summary>Frame rates of a job, and runs of a typical machine.</summary>
public sealed class FramingTests
{
    static Pressing Render() => new(Demo.Jobs.First(j => j.Job.Id == "gable-keep-render").Pack, "gable-keep-render");

    [Fact]
    public void The_runs_of_a_job_give_the_size_that_still_runs()
    {
        Pressing pressing = Render();
        Frames found = Framing.Forecast(pressing.At)!;
        Assert.InRange(found.Most!.Value, 456 * 208, 456 * 312);
        pressing.Made(_ => Framing.Rates("", ""));
        Assert.Null(Framing.Forecast(pressing.At)!.Most);
        for (int left = 3; left > 1; left--)
            pressing.Made(at => Framing.Drop(at, 0));
        Assert.Null(Framing.Forecast(pressing.At));
        pressing.Made(at => Framing.Drop(at, 0));
        Assert.Null(pressing.At.Job.Speed!.Frames);
    }

    [Fact]
    public void A_run_at_a_size_stands_once()
    {
        Pressing pressing = Render();
        pressing.Made(at => Framing.Run(at, "304 x 208", "22"));
        Assert.Equal(22, pressing.At.Job.Speed!.Frames!.Runs.Single(r => r.Width == 304).Fps);
        Assert.Equal("size", pressing.Refused(at => Framing.Run(at, "304", "22")).Field);
        Assert.Equal("size", pressing.Refused(at => Framing.Run(at, "0 x 9", "22")).Field);
        Assert.Equal("fps", pressing.Refused(at => Framing.Run(at, "30 x 20", "fast")).Field);
        Assert.Equal("wanted", pressing.Refused(_ => Framing.Rates("soon", "")).Field);
        Assert.Equal("cap", pressing.Refused(_ => Framing.Rates("", "0")).Field);
    }

    [Fact]
    public void A_claim_and_a_run_are_held_against_a_typical_machine()
    {
        Pressing pressing = Render();
        pressing.Made(at => Wanting.Claim(at, new ClaimForm("the box", "1.5", ClaimForm.TypicalWord + "keep")));
        SpeedReport report = SpeedReport.Of(pressing.At.Before, pressing.At.After, pressing.Sheets);
        ClaimHeld held = report.Claims[^1];
        Assert.Equal("a typical Keep", held.Against);
        Assert.Equal(2251m / 1320, held.Measured!.Value, 9);
        Assert.Equal(2251m / 1320, SpeedReport.AgainstTypical(pressing.At.Model, report.Suite[0])!.Value, 9);
        Assert.Null(SpeedReport.AgainstTypical(pressing.At.Model, report.Suite[1]));
        Assert.Equal(
            "unit",
            pressing.Refused(at => Wanting.Claim(at, new ClaimForm("x", "1", ClaimForm.TypicalWord + "nobody"))).Field
        );
    }
}
