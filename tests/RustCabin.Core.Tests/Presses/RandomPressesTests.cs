using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Presses;

/// <summary>
/// Presses in random order: whatever was pressed, no gate is open on a reading that is older than its work, and the record
/// agrees with a plain list of what was pressed. Source: docs/handbook/build.md, What a reading was taken on.
/// </summary>
public sealed class RandomPressesTests
{
    /// <summary>What was pressed and taken, in order: a tick, a tick taken back, a reading.</summary>
    enum Did
    {
        Ticked,
        TakenBack,
        Read,
    }

    [Theory]
    [InlineData("brindle-16.json", "slip-3-winter")]
    [InlineData("brindle-16.json", "slip-7-picture")]
    [InlineData("clerk.json", "loft-clerk-ledger")]
    public void No_gate_is_open_on_a_reading_that_is_older_than_its_work(string file, string id)
    {
        (int open, int struck) = Run(Demo.Of(file), id, 3, 150);
        Assert.True(open > 50 && struck > 5, $"{open} open gates and {struck} struck readings were met");
    }

    /// <summary>The same over every job of the demo, <c>./cabin test load</c>.</summary>
    [Fact(Explicit = true), Trait("Category", "Load")]
    public void The_same_in_every_job_of_the_demo()
    {
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            (int open, int struck) = Run(pack, job.Id, 5, 300);
            TestContext.Current.SendDiagnosticMessage($"{job.Id}: {open} open gates, {struck} struck readings");
        }
    }

    static (int Open, int Struck) Run(Pack pack, string id, int seeds, int presses)
    {
        int open = 0,
            struck = 0;
        for (int seed = 0; seed < seeds; seed++)
        {
            var random = new Random(seed);
            Job job = pack.FindJob(id)! with
            {
                Done = [],
                Heeded = [],
                Readings = [],
                Probes = [],
                Took = new Dictionary<string, decimal>(),
            };
            var list = new List<(Did Did, StepId Step)>();
            var money = new Money(random);
            job = job with { Build = (job.Build ?? new JobBuild()) with { Spent = [] } };
            for (int press = 0; press < presses; press++)
            {
                var at = AtHand.Of(Trail.Stations, pack, job) with
                {
                    Moment = $"2026-11-26T{10 + press / 60:00}:{press % 60:00}:00Z",
                };
                job = (random.Next(6) == 0 ? money.Pressed(at) : Pressed(at, random, list)) ?? job;
                (int o, int s) = Holds(AtHand.Of(Trail.Stations, pack, job), list);
                money.Holds(job, list);
                (open, struck) = (open + o, struck + s);
            }
        }
        return (open, struck);
    }

    /// <summary>What was spent and how long steps took, as a plain list.</summary>
    sealed class Money(Random random)
    {
        readonly List<decimal> _spent = [];
        readonly Dictionary<StepId, decimal> _took = [];

        public Job? Pressed(AtHand at)
        {
            StepProgress[] done = [.. at.Progress.Steps.Where(s => s.State == StepState.Done)];
            if (random.Next(2) == 0 && done.Length > 0)
            {
                StepId step = done[random.Next(done.Length)].Step.Id;
                int minutes = random.Next(1, 90);
                Job? after = Ticking.Took(at, step, $"{minutes}").On(at.Job);
                if (after is not null)
                    _took[step] = minutes;
                return after;
            }
            if (random.Next(3) == 0 && _spent.Count > 0)
            {
                int gone = random.Next(_spent.Count);
                _spent.RemoveAt(gone);
                return Spending.Unspend(at, gone).On(at.Job);
            }
            decimal amount = random.Next(-500, 2000) / 100m;
            _spent.Add(amount);
            return Spending.Spend(at, "solder", Words<SpentKind>.Of(SpentKind.Bought), $"{amount:0.00}", null).On(at.Job);
        }

        /// <summary>The record agrees: minutes go with their tick, amounts stay.</summary>
        public void Holds(Job job, List<(Did Did, StepId Step)> list)
        {
            if (list is [.., (Did.TakenBack, var back)])
                _took.Remove(back);
            Assert.Equal(_spent, job.Build!.Spent.Select(s => s.Amount));
            Assert.Equal(_took.Select(t => $"{t.Key} {t.Value}").Order(), job.Took.Select(t => $"{t.Key} {t.Value}").Order());
        }
    }

    /// <summary>One press: mostly the step at hand, now and then one that is done is taken back.</summary>
    static Job? Pressed(AtHand at, Random random, List<(Did, StepId)> list)
    {
        StepProgress[] ticked =
        [
            .. at.Progress.Steps.Where(s =>
                s is { State: StepState.Done, IsImplied: false, Step: { Kind: not StepKind.Gate, Proved: null } }
            ),
        ];
        StepProgress? step =
            random.Next(9) == 0 && ticked.Length > 0 ? ticked[random.Next(ticked.Length)]
            : random.Next(8) == 0 ? at.Progress.Steps[random.Next(at.Progress.Steps.Count)]
            : at.Progress.Current;
        if (step is null)
            return null;
        string name = $"{step.Step.Id}";
        if (!step.AllHeeded)
            return Ticking.Heed(at, StepId.Parse(name), [.. step.Step.Cautions.Select(c => c.Id)], true).On(at.Job);
        bool gate = step.Step.Kind == StepKind.Gate;
        Press<Job> press =
            !gate ? Ticking.Tick(at, StepId.Parse(name), step.State != StepState.Done, null, "seen")
            : step.Step.Expected!.Lines.Count == 0 ? Readings.Starts(at, StepId.Parse(name), true, false)
            : Readings.Read(at, StepId.Parse(name), [.. step.Step.Expected.Lines.Select(l => l.Bytes.ToSheet())], false);
        Job? after = press.On(at.Job);
        if (after is not null && !gate)
            Assert.NotEqual(
                step.State == StepState.Done,
                AtHand.Of(Trail.Stations, at.Sheets, after).Find(step.Step.Id)?.State == StepState.Done
            );
        if (after is not null)
            list.Add(
                (
                    gate ? Did.Read
                    : step.State == StepState.Done ? Did.TakenBack
                    : Did.Ticked,
                    step.Step.Id
                )
            );
        return after;
    }

    /// <summary>How many gates were open, and how many readings were struck; the plain list agrees with both.</summary>
    static (int Open, int Struck) Holds(AtHand at, List<(Did Did, StepId Step)> list)
    {
        int open = 0,
            struck = 0;
        Assert.Equal(
            list.Where(l => l.Did != Did.Read)
                .GroupBy(l => l.Step)
                .Where(g => g.Last().Did == Did.Ticked)
                .Select(g => $"{g.Key}")
                .Order(),
            at.Job.Done.Select(d => $"{d}").Order()
        );
        Assert.Equal(list.Count(l => l.Did == Did.Read), at.Job.Readings.Count);
        foreach (StepProgress gate in at.Progress.Steps.Where(s => s.Step.Kind == StepKind.Gate && s.Step.Needs.Count > 0))
        {
            int read = list.FindLastIndex(l => l == (Did.Read, gate.Step.Id));
            bool younger = read >= 0 && gate.Step.Needs.All(n => Stood(list, n, read));
            Assert.Equal(younger, gate.State == StepState.Done);
            open += younger ? 1 : 0;
            struck += gate.Struck is null ? 0 : 1;
            Assert.Equal(read >= 0 && !younger, gate.Struck is not null || (read >= 0 && gate.State != StepState.Done));
        }
        IReadOnlyList<ReadingTold> told = ReadingsTold.OfGates(at.Progress, at.Job);
        Assert.True(told.Count >= at.Job.Readings.Count, "the passport holds every reading");
        return (open, struck);
    }

    /// <summary>A step was ticked before a reading, and not taken back since.</summary>
    static bool Stood(List<(Did Did, StepId Step)> list, StepId step, int read) =>
        list.FindLastIndex(read, l => l == (Did.Ticked, step)) is >= 0 and var ticked
        && list.FindIndex(ticked, l => l == (Did.TakenBack, step)) < 0;
}
