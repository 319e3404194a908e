using RustCabin.Core.Findings;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Fit;

/// <summary>What is given up for a part, and whether it is to be kept.</summary>
public sealed class LossesTests
{
    /// <summary>The direct drive emulator of the sample world: by six fingers the reader goes, from the crystal it
    /// stays.</summary>
    static Pack Disc(JobLimits limits, string? way = null, Func<Way, Way>? edit = null)
    {
        Pack pack = Demo.Of("larkspur-disc.json");
        return pack with
        {
            Jobs =
            [
                pack.FindJob("jetty-disc-direct")! with
                {
                    Limits = limits,
                    Add = [new FittedPart { Part = "quiver-row", Way = way ?? "six-fingers" }],
                },
            ],
            Parts =
            [
                .. pack.Parts.Select(p =>
                    p.Id == "quiver-row" && edit is not null ? p with { Ways = [.. p.Ways.Select(edit)] } : p
                ),
            ],
        };
    }

    static Finding? Loses(Pack pack) => Sample.Answer(pack).Findings.FirstOrDefault(f => f.Code == "FIT-LOSES");

    [Theory]
    [InlineData("reader")]
    [InlineData("It reads discs")]
    public void What_is_to_be_kept_stops_the_job_and_the_other_way_is_proposed(string keep)
    {
        Finding stop = Loses(Disc(new JobLimits { KeepFunctions = [keep] }))!;
        Assert.Equal(Severity.Stop, stop.Severity);
        Assert.Contains("It reads discs", stop.Text);
        Assert.Equal("beat-from-crystal", stop.Fix!.Ways["quiver-row"]);
        Assert.Contains(stop.Why, w => w.Contains("beat from crystal"));
    }

    [Fact]
    public void The_press_sets_the_other_way()
    {
        var job = new Pressing(Disc(new JobLimits { KeepFunctions = ["reader"] }), "jetty-disc-direct");
        job.Made(at => Switching.Fix(at, "FIT-LOSES", Subject.Part(InstanceName.First("quiver-row"))));
        Assert.Equal("beat-from-crystal", $"{job.At.After.Find(InstanceName.First("quiver-row"))!.Way!.Id}");
        Assert.DoesNotContain(job.At.Answer.Findings, f => f.Code == "FIT-LOSES");
    }

    [Fact]
    public void What_nobody_keeps_is_a_watch_and_a_way_that_loses_nothing_is_none()
    {
        Assert.Equal(Severity.Watch, Loses(Disc(new JobLimits()))!.Severity);
        Assert.Equal(Severity.Watch, Loses(Disc(new JobLimits { KeepFunctions = ["pads"] }))!.Severity);
        Assert.Null(Loses(Disc(new JobLimits { KeepFunctions = ["reader"] }, "beat-from-crystal")));
    }

    [Fact]
    public void What_hangs_out_is_a_stop_only_where_nothing_may()
    {
        static Way Out(Way way) => way with { Loses = [], HangsOut = way.Id == "six-fingers" ? "a lead through the lid" : null };
        Assert.Null(Loses(Disc(new JobLimits(), edit: Out)));
        Finding stop = Loses(Disc(new JobLimits { Outside = false }, edit: Out))!;
        Assert.Equal(Severity.Stop, stop.Severity);
        Assert.Contains("a lead through the lid", stop.Text);
        Assert.Equal("beat-from-crystal", stop.Fix!.Ways["quiver-row"]);
    }

    [Fact]
    public void Where_no_other_way_keeps_it_there_is_no_press()
    {
        static Way All(Way way) => way with { Loses = ["reader"] };
        Finding stop = Loses(Disc(new JobLimits { KeepFunctions = ["reader"] }, edit: All))!;
        Assert.Null(stop.Fix);
    }
}
