using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Build;

/// <summary>In what state the machine is at each step, and which cautions follow. Source: docs/handbook/build.md.</summary>
public sealed class CaseStateTests
{
    const string Access =
        """, "access": [ { "id": "closed" }, { "id": "lid", "from": "closed", "minutes": 6, "unplug": ["supply plug"], "cautions": ["mains"] }, { "id": "shield", "from": "lid", "minutes": 4 } ], "sites": [ { "id": "a", "kind": "slot", "access": "lid" }, { "id": "b", "kind": "slot", "access": "shield" } ], "service": [ { "id": "cap", "kind": "capacitor", "what": "supply capacitor", "volts": 320, "fallMinutes": 7, "access": "lid" } ]""";

    static string Way(string id, string site) =>
        $$"""{ "id": "{{id}}", "name": "{{id}}", "kind": "memory", "ways": [ { "id": "w", "model": "m", "minutes": 20, "occupies": [ { "site": "{{site}}", "mode": "in" } ] } ] }""";

    static Machine Two(string gate = "") =>
        new()
        {
            More = Access + gate,
            Parts = Way("pa", "a") + "," + Way("pb", "b"),
            Job = Machine.Add("pa", "pb"),
        };

    static BuildSheet Sheet(Machine machine) =>
        BuildSheet.For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), machine.Planned);

    static string[] Words(Step step) => [.. step.Cautions.Select(c => c.Id)];

    [Fact]
    public void Where_mains_lies_bare_the_case_is_laid_shut_for_a_gate_and_the_plug_is_pulled_after_it()
    {
        BuildSheet sheet = Sheet(Two());
        Assert.Equal(
            [
                "untouched",
                "open-lid",
                "fit-pa",
                "count-pa",
                "off-count-pa",
                "open-shield",
                "fit-pb",
                "count-pb",
                "off-count-pb",
                "close",
            ],
            sheet.Steps.Select(s => $"{s.Id}")
        );
        Step open = sheet.Steps[1],
            gate = sheet.Steps[3],
            off = sheet.Steps[4];
        Assert.Equal("Switch off, pull the plug, keep it in sight.", open.Details[0]);
        Assert.Equal("plug out; open: lid; bare: mains inside, charged capacitors", open.State.Words);
        Assert.Equal(["mains", "capacitors"], Words(open));
        Assert.Contains("supply capacitor, 320 V, lies open here and falls in 7 minutes", open.Cautions[1].Why);
        Assert.Equal("plugged in; laid shut", gate.State.Words);
        Assert.Equal("Plug in again for it: supply plug.", gate.Details[0]);
        Assert.Empty(Words(gate));
        Assert.Equal(["mains", "capacitors"], Words(off));
        Assert.Contains("Wait 7 minutes, then have the charge measured.", off.Details);
        Assert.Equal(8, off.Minutes);
    }

    [Fact]
    public void A_machine_that_runs_open_by_its_sheet_has_the_caution_at_the_gate_and_it_is_ticked_before_the_reading()
    {
        Machine machine = Two(""", "gate": { "case": "open" } """);
        Job job = machine.Pack.Jobs[0];
        var at = AtHand.Of(Trail.Stations, machine.Pack, job);
        Step gate = at.Sheet.Steps.First(s => $"{s.Id}" == "count-pa");
        Assert.Equal([Caution.LiveWord], Words(gate));
        Assert.Contains("it runs open", gate.Cautions[0].Why);
        job = at
            .Sheet.Steps.TakeWhile(s => s != gate)
            .Aggregate(job, (j, s) => s.Kind == StepKind.Gate ? j : JobEdits.Tick(j, s.Id, true));
        job = JobEdits.Read(job, new GateReading { Gate = Acts.Untouched, Starts = true });
        at = AtHand.Of(Trail.Stations, machine.Pack, job);
        Assert.Equal("heeded", Readings.Starts(at, StepId.Parse("count-pa"), true, false).Refused!.Field);
        job = JobEdits.Heed(job, gate.Id, Caution.LiveWord, true);
        Assert.NotNull(
            Readings.Starts(AtHand.Of(Trail.Stations, machine.Pack, job), StepId.Parse("count-pa"), true, false).On(job)
        );
    }

    [Fact]
    public void What_was_read_of_the_plug_is_read_again_once_it_ran_and_what_was_read_of_the_case_is_not()
    {
        Machine machine = Two();
        Job job = machine.Pack.Jobs[0];
        job = JobEdits.Heed(JobEdits.Heed(job, Acts.Open("lid"), "mains", true), Acts.Open("lid"), "capacitors", true);
        BuildSheet sheet = Sheet(machine);
        var progress = Progress.Of(sheet, job);
        Assert.True(progress.Steps.First(s => $"{s.Step.Id}" == "open-lid").AllHeeded);
        Assert.False(progress.Steps.First(s => $"{s.Step.Id}" == "off-count-pa").AllHeeded);
    }

    /// <summary>
    /// No step and no gate of any job of the demo, by any school, meets bare mains, a tube or a charge without a caution of just
    /// that state; hands go in with the plug out; and a machine that runs has been switched off before the next step in it.
    /// </summary>
    [Fact]
    public void No_step_of_any_demo_job_meets_what_is_deadly_without_its_caution()
    {
        int bare = 0;
        foreach (Pack pack in Demo.Packs)
        foreach (Job job in pack.Jobs)
        foreach (School school in Enum.GetValues<School>())
        foreach (Job own in Gated(pack, job, school))
        {
            PlannedUnit after = Plan.For(pack, own);
            var sheet = BuildSheet.For(Trail.Stations, after.Before ?? Plan.For(pack, after.Unit), after, school);
            var read = new HashSet<string>();
            bool on = true;
            foreach (Step step in sheet.Steps)
            {
                if (step.Runs || step.Kind == StepKind.Off)
                    read.RemoveWhere(Bare.IsOfPower);
                if (step.State.Open.Count == 0)
                    read.Clear();
                read.UnionWith(step.Cautions.Select(c => c.Id));
                on = step.Runs || (on && step.State.Open.Count == 0);
                string where = $"{own.Id}, {school}, {step.Id}";
                Assert.True(step.State.Plugged == on || step.State.Open.Count == 0, where);
                if (step.State.Bare.Count == 0)
                    continue;
                bare++;
                if (step.Runs)
                    Assert.True(step.State.Lies != CaseLies.Open || step.Cautions.Any(c => c.Id == Caution.LiveWord), where);
                else
                    Assert.True(step.State.Bare.All(b => read.Contains(b.Word)), where);
            }
        }
        Assert.True(bare > 100, $"only {bare} steps meet something bare");
    }

    /// <summary>The job as it is, and for gates of one's own also with none and with every second of them.</summary>
    static IEnumerable<Job> Gated(Pack pack, Job job, School school)
    {
        yield return job;
        if (school != School.Own)
            yield break;
        var at = AtHand.Of(Trail.Stations, pack, job);
        StepId[] gates = [.. Gating.Own(at).Select(g => g.Gate)];
        foreach (
            IReadOnlyList<StepId> own in (StepId[][])
                [
                    [],
                    [.. gates.Where((_, i) => i % 2 == 0)],
                    gates,
                ]
        )
            yield return BuildEdits.To(job, School.Own, own) with
            {
                Build = (job.Build ?? new JobBuild()) with { School = School.Own, Gates = own },
            };
    }

    /// <summary>
    /// No gate stands where what it needs is unplugged: it is plugged in first, by name, and comes off before a hand goes in.
    /// </summary>
    [Fact]
    public void What_was_unplugged_on_the_way_in_is_plugged_in_at_each_gate_of_the_demo_and_comes_off_after_it()
    {
        int gates = 0;
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            AtHand at = AtHand.Of(Trail.Stations, pack, job);
            Step[] steps = [.. at.Sheet.Steps];
            foreach ((int i, Step gate) in steps.Index().Where(s => s.Item is { Kind: StepKind.Gate, Depth: > 0 }))
            {
                string[] unplugged = [.. AccessPath.Path(at.Model, gate.Level).SelectMany(l => l.Unplug)];
                if (unplugged.Length == 0)
                    continue;
                gates++;
                string pulled = string.Join(", ", unplugged);
                Assert.Contains($"Plug in again for it: {pulled}.", gate.Details);
                Step next = steps[i + 1];
                if (next.Kind != StepKind.Close && !next.Runs)
                    Assert.True(next.Details.Contains($"Unplug again: {pulled}."), $"{job.Id}: {next.Id} after {gate.Id}");
            }
        }
        Assert.True(gates > 10, $"{gates} gates of the demo stand in an open case with something unplugged");
    }
}
