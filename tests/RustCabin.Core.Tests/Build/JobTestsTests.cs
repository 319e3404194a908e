using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Build;

/// <summary>The tests of what a job touches.</summary>
public sealed class JobTestsTests
{
    [Fact]
    public void The_set_is_the_cheapest_that_tries_everything_as_trying_all_sets_shows()
    {
        var random = new Random(32);
        for (int round = 0; round < 1000; round++)
        {
            string[] things = [.. Enumerable.Range(0, random.Next(1, 7)).Select(i => $"t{i}")];
            FunctionTest[] tests =
            [
                .. Enumerable
                    .Range(0, random.Next(0, 9))
                    .Select(i => new FunctionTest
                    {
                        Id = $"x{i}",
                        Minutes = random.Next(0, 12),
                        Exercises = [.. things.Where(_ => random.Next(3) == 0)],
                    }),
            ];
            TestSet set = TestSet.Of(new TestsAsked { Touched = things, Tests = tests });
            string[] coverable = [.. things.Where(t => tests.Any(x => x.Exercises.Contains(t)))];
            (decimal Minutes, int Count) best = Enumerable
                .Range(0, 1 << tests.Length)
                .Select(mask => tests.Where((_, i) => (mask >> i & 1) != 0).ToArray())
                .Where(some => coverable.All(t => some.Any(x => x.Exercises.Contains(t))))
                .Select(some => (some.Sum(x => x.Minutes), some.Length))
                .Min();
            Assert.Equal(best, (set.Minutes, set.Tests.Count));
            Assert.Equal(things.Except(coverable), set.Uncovered);
        }
    }

    static Pressing Pads() => new(Demo.Of("larkspur-disc.json"), "keel-disc-pads");

    [Fact]
    public void A_job_that_pulls_the_pads_ribbon_touches_the_pads_and_what_it_adds()
    {
        AtHand at = Pads().At;
        JobTests set = JobTests.Of(at.Before, at.After);
        Assert.Equal(["pads", "no-leads"], set.Touched);
        Assert.Equal(7, set.Minutes);
        Assert.Equal([true, false], set.Tests.Select(t => t.Before));
        Assert.Empty(set.Untried);
    }

    [Fact]
    public void What_a_way_gives_up_is_not_tried()
    {
        Pack all = Demo.Of("larkspur-disc.json");
        // A reader whose ribbon is pulled on the way in, so that both ways touch it.
        static MachineFunction Near(MachineFunction f) => f.Id == "reader" ? f with { Needs = ["pad board"] } : f;
        static AccessLevel Pull(AccessLevel level) => level.Opens ? level with { Unplug = ["pad board ribbon"] } : level;
        IReadOnlyList<string> Touched(string way)
        {
            Pack pack = all with
            {
                Models =
                [
                    .. all.Models.Select(m =>
                        m with
                        {
                            Functions = [.. m.Functions.Select(Near)],
                            Access = [.. m.Access.Select(Pull)],
                        }
                    ),
                ],
                Jobs =
                [
                    .. all.Jobs.Select(j =>
                        j.Id != "jetty-disc-direct" ? j : j with { Add = [new FittedPart { Part = "quiver-row", Way = way }] }
                    ),
                ],
            };
            PlannedUnit after = Plan.For(pack, pack.FindJob("jetty-disc-direct")!);
            return JobTests.Of(Plan.For(pack, after.Unit), after).Touched;
        }
        Assert.DoesNotContain("reader", Touched("six-fingers"));
        Assert.Contains("pads", Touched("six-fingers"));
        Assert.Contains("reader", Touched("beat-from-crystal"));
    }

    [Fact]
    public void Memory_that_comes_is_tried_by_a_title_or_a_listing()
    {
        Pack pack = Demo.Of("brindle-16.json");
        PlannedUnit after = Plan.For(pack, pack.FindJob("slip-3-winter")!);
        JobTests set = JobTests.Of(Plan.For(pack, after.Unit), after);
        Assert.Contains(set.Touched, t => t.Contains("fathom"));
        Assert.Contains(set.Tests, t => t.Id == "memory-listing");
        Assert.Contains("keys", set.Touched);
    }

    [Fact]
    public void What_went_before_and_does_not_go_now_is_the_jobs()
    {
        Pressing job = Pads();
        job.MadeOnUnit(at => Functioning.Before(at, "pads", "works"));
        job.Made(at => Functioning.After(at, "pads", "no"));
        TriedTest Now() => Functioning.Of(job.At, JobTests.Of(job.At.Before, job.At.After))[0];
        Assert.True(Now().Lost);
        job.MadeOnUnit(at => Functioning.Before(at, "pads", "no"));
        Assert.True(Now() is { Lost: false, WasSo: true });
        job.Made(at => Functioning.After(at, "pads", ""));
        Assert.Null(Now().After);
        Assert.Equal("state", job.Refused(at => Functioning.After(at, "pads", "perhaps")).Field);
        Assert.Null(Functioning.After(job.At, "oars", "works").Edit);
    }
}
