using RustCabin.Core.Build;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Build;

/// <summary>Waits that are filled: against every order there is, on a build, and as it is ticked.</summary>
public sealed class WaitingTests
{
    static IEnumerable<int[]> Orders(IReadOnlyList<WaitTask> tasks, int[] done)
    {
        if (done.Length == tasks.Count)
            yield return done;
        for (int i = 0; i < tasks.Count; i++)
            if (!done.Contains(i) && tasks[i].After.Concat(tasks[i].Rests).All(done.Contains))
                foreach (int[] order in Orders(tasks, [.. done, i]))
                    yield return order;
    }

    /// <summary>Minute by minute: the hands take the next of the order once what it rests on is ready.</summary>
    static decimal ByTheClock(IReadOnlyList<WaitTask> tasks, int[] order)
    {
        var ready = new Dictionary<int, decimal>();
        decimal now = 0;
        foreach (int i in order)
        {
            while (tasks[i].Rests.Any(r => ready[r] > now))
                now++;
            now += tasks[i].Minutes;
            ready[i] = now + tasks[i].Wait;
        }
        while (ready.Values.Any(r => r > now))
            now++;
        return now;
    }

    [Fact]
    public void Equals_every_order_tried_and_is_never_longer_than_as_listed()
    {
        var random = new Random(7);
        int filled = 0;
        for (int n = 0; n < 600; n++)
        {
            WaitTask[] tasks =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 7))
                    .Select(i => new WaitTask(
                        random.Next(1, 20),
                        random.Next(3) == 0 ? random.Next(1, 40) : 0,
                        [.. Enumerable.Range(0, i).Where(_ => random.Next(5) == 0)],
                        [.. Enumerable.Range(0, i).Where(_ => random.Next(4) == 0)]
                    )),
            ];
            int[] listed = [.. Enumerable.Range(0, tasks.Length)];
            int[] found = [.. Waiting.Order(tasks)];
            int[][] all = [.. Orders(tasks, [])];
            decimal soonest = all.Min(o => ByTheClock(tasks, o));
            Assert.Equal(soonest, Waiting.Elapsed(tasks, found));
            // Of equals the one listed earliest.
            if (tasks.Any(t => t.Wait > 0))
                Assert.Equal(all.First(o => ByTheClock(tasks, o) == soonest), found);
            else
                Assert.Equal(listed, found);
            filled += soonest < ByTheClock(tasks, listed) ? 1 : 0;
        }
        Assert.True(filled > 50, $"{filled} cases had something to fill");
    }

    [Fact]
    public void Many_tasks_end_and_are_no_longer_than_as_listed()
    {
        var random = new Random(8);
        WaitTask[] tasks =
        [
            .. Enumerable
                .Range(0, 60)
                .Select(i => new WaitTask(random.Next(1, 20), random.Next(30), [], i > 0 ? [random.Next(i)] : [])),
        ];
        int[] listed = [.. Enumerable.Range(0, 60)];
        IReadOnlyList<int> found = Waiting.Order(tasks);
        Assert.Equal(listed, found.Order());
        Assert.True(Waiting.Elapsed(tasks, found) <= Waiting.Elapsed(tasks, listed));
    }

    const string Prop = "way-limpet.prop";

    static Pressing Winch() => new(Demo.Of("brindle-16c.json"), "winch-16c-four");

    static string[] Ids(AtHand at) => [.. at.Sheet.Steps.Select(s => $"{s.Id}")];

    static Step Standing(AtHand at) => Assert.Single(at.Sheet.Steps, s => s.Wait > 0);

    [Fact]
    public void The_wait_of_one_part_is_filled_with_the_work_of_another_at_the_same_level()
    {
        AtHand at = Winch().At;
        Step prop = Standing(at);
        Assert.Equal((15m, 6m), (prop.Wait, prop.Minutes));
        string[] ids = Ids(at);
        int stuck = Array.IndexOf(ids, $"{prop.Id}"),
            clipped = Array.IndexOf(ids, "fit-limpet"),
            header = Array.IndexOf(ids, "fit-driftwood");
        Assert.True(stuck < header && header < clipped, string.Join(' ', ids));
        Assert.Contains(Waiting.Meanwhile(at.Sheet.Steps, prop), s => $"{s.Id}" == "fit-driftwood");
        // As listed the hands would be idle for all of the wait.
        Step[] listed =
        [
            .. at.Sheet.Steps.Where(s => $"{s.Id}" != "fit-limpet" && $"{s.Id}" != "fit-driftwood").TakeWhile(s => s != prop),
            prop,
            at.Sheet.Steps[clipped],
            at.Sheet.Steps[header],
            .. at.Sheet.Steps.Skip(Math.Max(clipped, header) + 1),
        ];
        Assert.True(at.Sheet.Elapsed < Waiting.Elapsed(listed));
        Assert.True(at.Sheet.Elapsed >= at.Sheet.Minutes);
    }

    [Fact]
    public void By_the_careful_school_a_gate_cuts_it_short_and_the_rest_of_the_wait_comes_on_top()
    {
        Pressing winch = Winch();
        AtHand at = winch.At;
        var careful = BuildSheet.For(Trail.Stations, at.Before, at.After, School.Careful);
        Step prop = Assert.Single(careful.Steps, s => s.Wait > 0);
        // The capacitors want no gate, so they stand beside it: 12 of the 15 minutes.
        Step filled = Assert.Single(Waiting.Meanwhile(careful.Steps, prop));
        Assert.Equal(("service-sound-caps", 12m), ($"{filled.Id}", filled.Minutes));
        Assert.Equal(careful.Minutes + 3, careful.Elapsed);
    }

    [Fact]
    public void What_rests_on_it_is_barred_until_it_is_said_to_be_ready()
    {
        Pressing winch = Winch();
        StepId prop = Standing(winch.At).Id;
        WalkTo(winch, prop);
        winch.Made(at => Ticking.Tick(at, prop, true, "", ""));
        StandingStep stands = Assert.Single(winch.At.Build.Standing);
        Assert.Equal((prop, "2026-11-26T09:45:00Z"), (stands.Step, stands.Until));
        Running runs = Assert.Single(Running.Of(winch.At.Job, DateTimeOffset.UnixEpoch));
        Assert.Equal((RunningAt.Build, $"{prop}"), (runs.At, runs.About));
        // What fills the wait can be ticked, what rests on it cannot.
        WalkTo(winch, StepId.Parse("fit-limpet"));
        Assert.True(StepId.Parse("fit-driftwood").IsIn(winch.At.Job.Done));
        foreach (Caution caution in winch.At.Find(StepId.Parse("fit-limpet"))!.Step.Cautions)
            winch.Made(at => Ticking.Heed(at, StepId.Parse("fit-limpet"), [caution.Id], true));
        Assert.Contains("still stands", winch.Refused(at => Ticking.Tick(at, StepId.Parse("fit-limpet"), true, "", "")).Why);
        winch.Made(at => Ticking.Ready(at, prop));
        Assert.Equal("Ready 15 min before its time: Stick the felt prop on the board under its far edge", winch.Log[^1]);
        winch.Made(at => Ticking.Tick(at, StepId.Parse("fit-limpet"), true, "", ""));
        Assert.Empty(winch.At.Build.Standing);
    }

    [Fact]
    public void A_step_that_is_taken_back_stands_no_more()
    {
        Pressing winch = Winch();
        StepId prop = Standing(winch.At).Id;
        WalkTo(winch, prop);
        winch.Made(at => Ticking.Tick(at, prop, true, "", ""));
        winch.Made(at => Ticking.Tick(at, prop, false, "", ""));
        Assert.Empty(winch.At.Build.Standing);
        Press<Job> ready = Ticking.Ready(winch.At, prop);
        Assert.Null(ready.On(winch.At.Job));
    }

    /// <summary>Does all before a step, with readings as predicted.</summary>
    static void WalkTo(Pressing winch, StepId step)
    {
        while (winch.At.Progress.Current is { } current && current.Step.Id != step)
        {
            StepId here = current.Step.Id;
            foreach (Caution caution in current.Step.Cautions.Where(c => !current.ReadBefore.Contains(c.Id)))
                winch.Made(at => Ticking.Heed(at, here, [caution.Id], true));
            if (current.Step.Kind == StepKind.Gate)
                winch.Made(at => Readings.Read(at, here, [.. current.Step.Expected!.Lines.Select(l => $"{l.Bytes}")], false));
            else
                winch.Made(at => Ticking.Tick(at, here, true, "", ""));
        }
    }
}
