using RustCabin.Core.Build;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Build;

/// <summary>A job that comes after another is checked on the unit as that one leaves it.</summary>
public sealed class NextJobsTests
{
    static readonly Pack Brindle = Demo.Of("brindle-16.json");

    static IEnumerable<Finding> Blocked(Pack pack) =>
        Evidence.Keep(new Pressing(pack, "slip-7-race").At.Answer).Findings.Where(f => f.Code == "PLAN-BLOCKS");

    static Pack With(Func<Job, Job> edit) =>
        Brindle with
        {
            Jobs = [.. Brindle.Jobs.Select(j => j.Id == "slip-7-picture" ? edit(j) : j)],
        };

    [Fact]
    public void An_accelerator_in_the_socket_that_the_next_job_wants_blocks_it()
    {
        Finding blocked = Assert.Single(Blocked(Brindle));
        Assert.Equal(Severity.Watch, blocked.Severity);
        Assert.Contains("Picture pages", blocked.Title);
        Assert.Empty(Blocked(With(j => j with { After = null })));
    }

    [Fact]
    public void It_is_silent_where_the_next_can_follow_or_nothing_comes_after()
    {
        Assert.Empty(Blocked(With(j => j with { After = null })));
        Assert.Empty(Blocked(With(j => j with { Ended = true })));
        Assert.Empty(
            Blocked(
                With(j => j with { Add = [], Switches = new Dictionary<string, OrderedDictionary<string, string>>(), Done = [] })
            )
        );
    }

    [Fact]
    public void The_next_job_stands_on_what_this_one_leaves()
    {
        PlannedUnit planned = Plan.For(Brindle, Brindle.FindJob("slip-7-race")!);
        PlannedUnit then = NextJobs.Then(Brindle, planned, Brindle.FindJob("slip-7-picture")!);
        Assert.Contains(then.Parts, p => p.Part.Id == "skerry" && !p.Added);
    }
}
