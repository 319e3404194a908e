using RustCabin.Core.Cupboard;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Build;

/// <summary>A job in stages: each as it would stand, and the way from one to the next.</summary>
public sealed class StagingTests
{
    static Pressing Clerk() => new(Demo.Of("clerk.json"), "loft-clerk-ledger");

    [Fact]
    public void Each_stage_is_counted_as_it_would_stand()
    {
        IReadOnlyList<StageShown> stages = Staging.Of(Clerk().At, []);
        // 88 KiB of its own, and 64, 256 or 512 beside them; the last reaches no further than the processor does.
        Assert.Equal([152ul << 10, 344ul << 10, 536ul << 10], stages.Select(s => s.Total.Bytes));
        Assert.Equal([false, true, false], stages.Select(s => s.IsAtHand));
    }

    [Fact]
    public void What_a_stage_lacks_says_when_the_parcel_is_due()
    {
        StockItem[] stock =
        [
            new()
            {
                Kind = StockKind.Chip,
                Item = "256Kx1",
                Name = "256Kx1",
                Count = 10,
                Ordered = 10,
                Due = "2026-12-24",
            },
            new()
            {
                Kind = StockKind.Part,
                Item = "quayside",
                Name = "Quayside",
                Count = 1,
            },
        ];
        IReadOnlyList<StageShown> stages = Staging.Of(Clerk().At, stock);
        Assert.Empty(stages[1].Lacks);
        Assert.Contains("ordered, due 2026-12-24", Assert.Single(stages[2].Lacks));
    }

    [Fact]
    public void To_go_on_fills_the_banks_and_takes_the_ticks_of_setting_up_back()
    {
        Pressing job = Clerk();
        InstanceName board = InstanceName.First("quayside");
        job.Made(at => Ticked(at, Acts.Set(board)));
        job.Made(at => Staging.Go(at, "when eight more come"));
        Assert.Equal(["256Kx1", "256Kx1"], job.At.Job.Banks["quayside"]);
        Assert.DoesNotContain(Acts.Set(board), job.At.Job.Done);
        // It was not built: nothing is said to be reached.
        Assert.All(job.At.Job.Stages, s => Assert.Null(s.Reached));
        Assert.Equal([false, false, true], Staging.Of(job.At, []).Select(s => s.IsAtHand));
    }

    static Press<Job> Ticked(AtHand at, StepId step) =>
        Press.Change(
            "ticked",
            j => j with { Done = [.. at.Progress.Steps.Select(s => s.Step.Id).TakeWhile(s => s != step), step] }
        );

    [Fact]
    public void A_stage_that_is_built_is_reached_and_the_way_in_begins_once_more()
    {
        Pressing job = Clerk();
        job.Made(at => Press.Change("built", j => j with { Done = [.. at.Progress.Steps.Select(s => s.Step.Id)] }));
        AtHand built = job.At with
        {
            Moment = "2026-12-01T10:00:00Z",
            Progress = job.At.Progress with
            {
                Steps = [.. job.At.Progress.Steps.Select(s => s with { State = Core.Build.StepState.Done })],
            },
        };
        Assert.True(built.Progress.Finished);
        Job after = Staging.Go(built, "when eight more come").On(built.Job)!;
        Assert.Equal("2026-12-01T10:00:00Z", after.Stages.Single(s => s.Name == "the flood crate").Reached);
        Assert.DoesNotContain(after.Done, d => d.Act is "open" or "close");
        Assert.Contains(Acts.Fit(InstanceName.First("quayside")), after.Done);
    }

    [Theory]
    [InlineData("", "stage")]
    [InlineData("another name for it", "stage")]
    [InlineData("the flood crate", null)]
    public void A_stage_is_kept_under_one_name(string name, string? refused) =>
        Assert.Equal(refused, Staging.Keep(Clerk().At, name).Refused?.Field);

    [Fact]
    public void What_is_not_there_is_gone()
    {
        AtHand at = Clerk().At;
        Assert.Null(Staging.Go(at, "no such stage").Edit);
        Assert.Null(Staging.Go(at, "the flood crate").Edit);
        Assert.Null(Staging.Drop(at, "no such stage").Edit);
        Assert.Equal(2, Staging.Drop(at, "the flood crate").On(at.Job)!.Stages.Count);
        AtHand empty = new Pressing(Demo.Of("brindle-16.json"), "slip-3-winter").At;
        Assert.Equal("stage", Staging.Keep(empty, "first").Refused?.Field);
    }
}
