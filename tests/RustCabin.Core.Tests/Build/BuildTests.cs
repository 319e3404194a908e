using System.Text.Json.Nodes;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Build;

public class BuildTests
{
    static (BuildSheet Sheet, Job Job) Sheet(Pack pack, string? job = null)
    {
        Job of = job is null ? pack.Jobs[0] : pack.FindJob(job)!;
        return (BuildSheet.For(Trail.Stations, Plan.For(pack, pack.FindUnit(of.Unit)!), Plan.For(pack, of)), of);
    }

    static Progress ProgressOf(Func<Job, Job?> edit)
    {
        JsonObject pack = JsonNode.Parse(Sample.SlipwayText())!.AsObject();
        pack["jobs"]!.AsArray()[0] = Edited.Of(pack["jobs"]![0]!.DeepClone().AsObject(), edit);
        (BuildSheet sheet, Job job) = Sheet(Sample.Pack(pack.ToJsonString()));
        return Progress.Of(sheet, job);
    }

    static GateReading Read(string gate, params (string, ulong)[] lines) =>
        new()
        {
            Gate = StepId.Parse(gate),
            At = "2026-11-20T10:00:00Z",
            Lines = [.. lines.Select(l => new SeenLine { Label = l.Item1, Bytes = ByteSize.KiB(l.Item2) })],
        };

    static readonly GateReading Untouched = Read("untouched", ("shared", 192), ("boards", 0));

    [Fact]
    public void One_board_is_tested_opened_set_fitted_counted_and_closed()
    {
        BuildSheet sheet = Sheet(Sample.Slipway()).Sheet;
        Assert.Equal(
            ["untouched", "open-lid-off", "set-fathom", "fit-fathom", "count-fathom", "close"],
            sheet.Steps.Select(s => $"{s.Id}")
        );
        Assert.Equal([0, 1, 1, 1, 1, 0], sheet.Steps.Select(s => s.Depth));
        Assert.Equal(192ul << 10, sheet.Steps[0].Expected!.Total.Bytes);
        Assert.Equal(4390912ul, sheet.Steps[4].Expected!.Total.Bytes);
        // Gate 4, lid 6, switch 1, fit 20, gate 4, closing 6.
        Assert.Equal(41m, sheet.Minutes);
        Assert.Contains("Put back 5 screws (underside).", sheet.Steps[5].Details);
    }

    [Fact]
    public void Each_part_has_its_own_gate_with_what_is_in_by_then()
    {
        Pack demo = Sample.Pack(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "brindle-16.json")));
        BuildSheet sheet = Sheet(demo, "slip-7-picture").Sheet;
        Assert.Equal(
            [192ul << 10, 768ul << 10, (768ul << 10) + (4ul << 20)],
            sheet.Steps.Where(s => s.Expected is not null).Select(s => s.Expected!.Total.Bytes)
        );
    }

    [Fact]
    public void A_switch_of_a_fitted_part_is_set_and_counted_without_fitting_it()
    {
        Pack demo = Sample.Pack(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "clerk.json")));
        Assert.Equal(
            ["untouched", "set-quayside", "count-quayside"],
            Sheet(demo, "harbour-clerk-second").Sheet.Steps.Select(s => $"{s.Id}")
        );
    }

    [Fact]
    public void What_is_taken_out_comes_first_and_is_counted()
    {
        Pack demo = Sample.Pack(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "clerk.json"))
                .Instead(
                    "\"add\": [], \"remove\": [], \"firmware\": \"C\", \"switches\": { \"quayside\": { \"S2\": \"two\" } }",
                    "\"add\": [], \"remove\": [\"quayside\"]"
                )
        );
        BuildSheet sheet = Sheet(demo, "harbour-clerk-second").Sheet;
        Assert.Equal(["untouched", "remove-quayside", "count-removed"], sheet.Steps.Select(s => $"{s.Id}"));
        Assert.Equal(
            [344ul << 10, 88ul << 10],
            sheet.Steps.Where(s => s.Expected is not null).Select(s => s.Expected!.Total.Bytes)
        );
    }

    [Fact]
    public void Before_the_first_reading_all_else_is_locked()
    {
        Progress progress = ProgressOf(j => j);
        Assert.Equal(
            [StepState.Open, StepState.Locked, StepState.Locked, StepState.Locked, StepState.Locked, StepState.Locked],
            progress.Steps.Select(s => s.State)
        );
        Assert.Equal(Acts.Untouched, progress.Current!.Step.Id);
    }

    [Fact]
    public void A_reading_that_agrees_opens_the_way()
    {
        Progress progress = ProgressOf(j => JobEdits.Read(j, Untouched));
        Assert.Equal(StepState.Done, progress.Steps[0].State);
        Assert.Equal(StepState.Open, progress.Steps[1].State);
        Assert.False(progress.Steps[1].AllHeeded);
        Assert.True(
            ProgressOf(j => JobEdits.Heed(JobEdits.Read(j, Untouched), Acts.Open("lid-off"), "static", true)).Steps[1].AllHeeded
        );
    }

    [Fact]
    public void A_reading_that_differs_is_compared_line_by_line_and_bars_the_way()
    {
        Progress progress = ProgressOf(j =>
            JobEdits.Read(JobEdits.Read(j, Untouched), Read("count-fathom", ("shared", 192), ("boards", 2048)))
        );
        StepProgress gate = progress.Steps[4];
        Assert.Equal(StepState.Differs, gate.State);
        Assert.Equal([true, false], gate.Reading!.Lines.Select(l => l.Agrees));
        Assert.Equal(StepState.Locked, progress.Steps[5].State);
    }

    [Fact]
    public void The_latest_reading_of_a_gate_decides()
    {
        Progress progress = ProgressOf(j =>
            JobEdits.Read(JobEdits.Read(j, Read("untouched", ("shared", 0), ("boards", 0))), Untouched)
        );
        Assert.Equal(StepState.Done, progress.Steps[0].State);
    }

    [Fact]
    public void Moving_a_switch_after_the_reading_reopens_its_gate_and_its_tick()
    {
        Pack pack = Sample.Slipway();
        Job? Edit(Job j) =>
            JobEdits.SetSwitch(
                JobEdits.Read(
                    JobEdits.Tick(JobEdits.Read(j, Untouched), Acts.Set(InstanceName.Parse("fathom")), true),
                    Read("count-fathom", ("shared", 192), ("boards", 4096))
                ),
                pack.Units[0].Fitted,
                InstanceName.Parse("fathom"),
                "W3",
                "closed"
            );
        Progress progress = ProgressOf(Edit);
        Assert.Equal(StepState.Open, progress.Steps[2].State);
        Assert.Equal(StepState.Differs, progress.Steps[4].State);
    }

    [Fact]
    public void Every_caution_word_of_the_demo_is_known()
    {
        foreach (
            string word in (string[])
                [
                    "static",
                    "mains",
                    "tube",
                    "capacitors",
                    "ultraviolet",
                    "fumes",
                    "hot",
                    "lithium",
                    "leaking",
                    "peroxide",
                    "drilling",
                ]
        )
            Assert.DoesNotContain("The sheet asks for care", Trail.Stations.InFull(Caution.Of(word)).Text);
        Assert.Contains("qualified person", Caution.Of("mains").Text);
        Assert.Equal("sharp fins", Caution.Of("sharp-fins").Title);
    }

    [Fact]
    public void Dropping_a_part_drops_its_ticks()
    {
        const string Begun = """{"id":"j","unit":"u","name":"J","add":[{"part":"a"},{"part":"b"}]}""";
        JsonObject job = Edited.Of<Job>(
            Begun,
            j => JobEdits.Tick(JobEdits.Tick(j, Acts.Fit(InstanceName.Parse("a")), true), Acts.Fit(InstanceName.Parse("b")), true)
        );
        job = Edited.Of<Job>(
            job,
            j =>
                JobEdits.Heed(
                    JobEdits.Heed(j, Acts.Fit(InstanceName.Parse("a")), "static", true),
                    Acts.Fit(InstanceName.Parse("b")),
                    "static",
                    true
                )
        );
        JsonObject dropped = Edited.Of<Job>(job, j => JobEdits.Drop(j, 0, InstanceName.Parse("a")));
        Assert.Equal(
            """{"id":"j","unit":"u","name":"J","add":[{"part":"b"}],"done":["fit-b"],"heeded":["fit-b:static"]}""",
            dropped.ToJsonString()
        );
        Assert.Equal(2, job["add"]!.AsArray().Count);
    }

    [Fact]
    public void A_switch_of_the_second_of_two_alike_is_its_own()
    {
        const string Begun = """{"id":"j","unit":"u","name":"J","add":[{"part":"a"},{"part":"a"}]}""";
        JsonObject moved = Edited.Of<Job>(Begun, j => JobEdits.SetSwitch(j, [], InstanceName.Parse("a#2"), "W1", "on"));
        Assert.Equal(
            """{"id":"j","unit":"u","name":"J","add":[{"part":"a"},{"part":"a","switches":{"W1":"on"}}]}""",
            moved.ToJsonString()
        );
        Assert.Null(Declaration<Job>.Edit(moved, j => JobEdits.SetSwitch(j, [], InstanceName.Parse("a#3"), "W1", "on")));
    }
}
