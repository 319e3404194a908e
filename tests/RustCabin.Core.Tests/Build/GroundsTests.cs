using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Mends;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Build;

/// <summary>
/// A proof belongs to the state that it was taken on, and a mend stands where what it mends is proved. Source:
/// docs/handbook/build.md, What a reading was taken on.
/// </summary>
public sealed class GroundsTests
{
    static readonly Pack Brindle = Demo.Of("brindle-16.json");
    static readonly Pack Larkspur = Demo.Of("larkspur-disc.json");

    static AtHand At(Pack pack, Job job) => AtHand.Of(Trail.Stations, pack, job) with { Moment = "2026-11-26T10:00:00Z" };

    static Job Made(Pack pack, Job job, Func<AtHand, Press<Job>> press) =>
        press(At(pack, job)).On(job) ?? throw new InvalidOperationException("nothing was changed");

    static Job UpToGate(Pack pack, Job job, string gate)
    {
        foreach (Step step in At(pack, job).Sheet.Steps.TakeWhile(s => $"{s.Id}" != gate))
            job =
                step.Kind == StepKind.Gate
                    ? JobEdits.Read(job, Agreeing(step))
                    : JobEdits.Tick(step.Cautions.Aggregate(job, (j, c) => JobEdits.Heed(j, step.Id, c.Id, true)), step.Id, true);
        return job;
    }

    static GateReading Agreeing(Step gate) =>
        new()
        {
            Gate = gate.Id,
            Starts = gate.Expected!.Lines.Count == 0 ? true : null,
            Lines = [.. gate.Expected.Lines.Select(l => new SeenLine { Label = l.Label, Bytes = l.Bytes })],
        };

    static Job Fresh(Pack pack, string id) => pack.FindJob(id)! with { Done = [], Heeded = [], Readings = [], Probes = [] };

    static string[] Seen(Step gate) => [.. gate.Expected!.Lines.Select(l => l.Bytes.ToSheet())];

    [Fact]
    public void A_reading_whose_work_was_taken_back_is_struck_and_stays_so_when_it_is_done_again()
    {
        Job job = UpToGate(Brindle, Fresh(Brindle, "slip-3-winter"), "count-fathom");
        job = Made(
            Brindle,
            job,
            at =>
                Readings.Read(
                    at,
                    Acts.Count(InstanceName.Parse("fathom")),
                    Seen(at.Find(Acts.Count(InstanceName.Parse("fathom")))!.Step),
                    false
                )
        );
        StepProgress gate = At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!;
        Assert.Equal(StepState.Done, gate.State);
        Assert.Contains(Acts.Fit(InstanceName.Parse("fathom")), gate.Reading!.Reading.On!.Done);

        job = Made(Brindle, job, at => Ticking.Tick(at, Acts.Fit(InstanceName.Parse("fathom")), false, null, null));
        job = Made(Brindle, job, at => Ticking.Tick(at, Acts.Fit(InstanceName.Parse("fathom")), true, null, null));
        gate = At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!;
        Assert.Equal(StepState.Open, gate.State);
        Assert.Null(gate.Reading);
        Assert.Equal("\"Fit Fathom memory board\" was taken back since", Assert.Single(gate.StruckBy));

        job = Made(
            Brindle,
            job,
            at =>
                Readings.Read(
                    at,
                    Acts.Count(InstanceName.Parse("fathom")),
                    Seen(at.Find(Acts.Count(InstanceName.Parse("fathom")))!.Step),
                    false
                )
        );
        Assert.Equal(StepState.Done, At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!.State);
    }

    [Fact]
    public void A_look_whose_work_was_taken_back_counts_no_more()
    {
        Job job = UpToGate(Brindle, Fresh(Brindle, "slip-3-winter"), "count-fathom");
        StepProgress Gate() => At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!;
        Observable look = AtGate
            .Of(At(Brindle, job), Gate())
            .Observables.First(o => o.Id.StartsWith("seat:", StringComparison.Ordinal));
        string showed = look.Outcomes.First(o => o != look.Usual);
        job = Made(Brindle, job, at => MendPresses.Look(at, Acts.Count(InstanceName.Parse("fathom")), look.Id, showed));
        Assert.Equal(showed, AtGate.Seen(At(Brindle, job), Gate()).Looks[look.Id]);

        job = Made(Brindle, job, at => Ticking.Tick(at, Acts.Fit(InstanceName.Parse("fathom")), false, null, null));
        job = Made(Brindle, job, at => Ticking.Tick(at, Acts.Fit(InstanceName.Parse("fathom")), true, null, null));
        Assert.Empty(AtGate.Seen(At(Brindle, job), Gate()).Looks);
        Assert.Equal(
            "\"Fit Fathom memory board\" was taken back since",
            Assert.Single(Assert.Single(AtGate.Looks(At(Brindle, job), Gate())).Against)
        );

        job = Made(Brindle, job, at => MendPresses.Look(at, Acts.Count(InstanceName.Parse("fathom")), look.Id, showed));
        Assert.Equal(showed, AtGate.Seen(At(Brindle, job), Gate()).Looks[look.Id]);
    }

    [Fact]
    public void A_reading_of_a_version_that_kept_no_state_counts()
    {
        Job job = UpToGate(Brindle, Fresh(Brindle, "slip-3-winter"), "count-fathom");
        Step gate = At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!.Step;
        job = JobEdits.Read(job, Agreeing(gate));
        Assert.Equal(StepState.Done, At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!.State);
        Assert.Null(At(Brindle, job).Find(Acts.Count(InstanceName.Parse("fathom")))!.Reading!.Reading.On);
    }

    [Fact]
    public void The_meter_proves_nothing_of_what_is_not_made_yet()
    {
        Job job = Fresh(Larkspur, "jetty-disc-direct");
        Probed line = Wired.Of(At(Larkspur, job).After).Readings.First(l => l.Line.Change is not null);
        string says = line.Line.Closed ? WiringPresses.Beep : WiringPresses.NoBeep;
        Press<Job> early = WiringPresses.Probe(At(Larkspur, job), line.From, line.To, says, null, null);
        Assert.Equal(Readings.WithTicks, early.Refused!.Offer);

        // As an earlier version took it: it counts. As taken before its act: it is struck.
        Probe read = new()
        {
            From = line.From,
            To = line.To,
            Beep = line.Line.Closed,
        };
        Assert.True(Read(job with { Probes = [read] }, line).Agrees);
        Probed struck = Read(job with { Probes = [read with { On = new TakenOn() }] }, line);
        Assert.Null(struck.Agrees);
        Assert.Contains("was not done then: read it again", struck.Struck);
    }

    static Probed Read(Job job, Probed line) =>
        Wired.Of(At(Larkspur, job).After).Readings.First(l => l.From == line.From && l.To == line.To);

    [Fact]
    public void A_line_that_the_meter_contradicts_is_found_and_a_shorted_rail_stops()
    {
        Job job = Fresh(Larkspur, "jetty-disc-direct");
        IReadOnlyList<Probed> table = Wired.Of(At(Larkspur, job).After).Readings;
        Probed line = table.First(l => l.Line.Change is not null);
        Job wrong = job with
        {
            Probes =
            [
                new Probe
                {
                    From = line.From,
                    To = line.To,
                    Beep = !line.Line.Closed,
                },
            ],
        };
        Findings.Finding found = Evidence.Keep(At(Larkspur, wrong).Answer).Findings.First(f => f.Code == "WIRE-READS");
        Assert.Equal(Findings.Severity.Watch, found.Severity);

        Probed rail = table.First(l => l.Line.Proves == Proves.Rail);
        Job shorted = job with
        {
            Probes =
            [
                new Probe
                {
                    From = rail.From,
                    To = rail.To,
                    Beep = true,
                },
            ],
        };
        Assert.Equal(Findings.Severity.Stop, At(Larkspur, shorted).Answer.Findings.First(f => f.Code == "WIRE-READS").Severity);
        Assert.DoesNotContain(Evidence.Keep(At(Larkspur, job).Answer).Findings, f => f.Code == "WIRE-READS");
    }

    [Fact]
    public void A_gate_that_differs_is_found_and_the_job_waits_for_its_mend()
    {
        Job job = UpToGate(Brindle, Fresh(Brindle, "slip-3-winter"), "count-fathom");
        AtHand right = At(Brindle, job);
        Assert.DoesNotContain(Evidence.Keep(right.Answer).Findings, f => f.Code == "GATE-DIFFERS");
        string[] seen =
        [
            .. Seen(right.Find(Acts.Count(InstanceName.Parse("fathom")))!.Step).Select((s, i) => i == 1 ? "64K" : s),
        ];
        job = Made(Brindle, job, at => Readings.Read(at, Acts.Count(InstanceName.Parse("fathom")), seen, false));
        AtHand wrong = At(Brindle, job);
        Findings.Finding found = Evidence.Keep(wrong.Answer).Findings.First(f => f.Code == "GATE-DIFFERS");
        Assert.Contains("Power up with Fathom memory board", found.Title);
        Assert.Contains(Subject.Part(InstanceName.Parse("fathom")), found.Subjects);
        Assert.StartsWith("A mend: ", wrong.WaitsFor);
    }

    [Fact]
    public void A_confirmed_mend_comes_just_before_its_gate_and_renumbers_nothing_that_is_done()
    {
        Job job = UpToGate(Brindle, Fresh(Brindle, "slip-3-winter"), "count-fathom");
        AtHand before = At(Brindle, job);
        var cause = new ConfirmedCause
        {
            Gate = Acts.Count(InstanceName.Parse("fathom")),
            Cause = "unseated fathom",
            Words = "Fathom is not seated",
            Mend = "Seat it.",
            Access = before.Find(Acts.Count(InstanceName.Parse("fathom")))!.Step.Level,
        };
        Job found = job with { Faults = new JobFaults { Confirmed = [cause] } };
        AtHand after = At(Brindle, found);
        int at = before.Sheet.Steps.ToList().FindIndex(s => $"{s.Id}" == "count-fathom");
        Assert.Equal(before.Sheet.Steps.Take(at).Select(s => s.Id), after.Sheet.Steps.Take(at).Select(s => s.Id));
        Step mend = after.Sheet.Steps[at];
        Assert.Equal(MendStation.StepOf(cause.Gate, cause.Cause), mend.Id);
        Assert.Equal(before.Find(Acts.Count(InstanceName.Parse("fathom")))!.Step.Level, mend.Level);
        Assert.Contains(mend.Id, after.Sheet.Steps[at + 1].Needs);
    }

    [Fact]
    public void A_hand_mend_comes_before_the_first_gate_that_rests_on_it()
    {
        Pack pack = Demo.Of("brindle-16c.json");
        Job job = pack.Jobs[0] with { Done = [], Readings = [] };
        HandMend capacitors = new()
        {
            Finding = "COND-CAPACITORS",
            Subject = Subject.Unit,
            How = "the capacitors replaced",
        };
        AtHand at = At(pack, job with { Mends = [capacitors] });
        int mend = at.Sheet.Steps.ToList().FindIndex(s => s.Id == Acts.Mend(capacitors));
        Assert.Equal("board-out", at.Sheet.Steps[mend].Level);
        Assert.True(mend < at.Sheet.Steps.ToList().FindIndex(s => s.Id == Acts.Untouched));

        Instance part = at.After.Instances.First(i => i.Added);
        HandMend reset = new()
        {
            Finding = "LEVEL",
            Subject = part.Subject,
            How = "a level shifter between the two",
        };
        at = At(pack, job with { Mends = [reset] });
        Step[] steps = [.. at.Sheet.Steps];
        int made = Array.FindIndex(steps, s => s.Id == Acts.Mend(reset)),
            gate = Array.FindIndex(steps, s => s.Needs.Contains(Acts.Mend(reset)) && s.Kind == StepKind.Gate);
        Assert.True(made >= 0 && gate > made, $"{made} {gate}");
        Assert.DoesNotContain(steps[made..gate], s => s.Kind == StepKind.Gate);
    }

    [Fact]
    public void What_a_way_lists_are_steps_in_their_order_and_stand_in_the_passport_and_on_the_way_back()
    {
        foreach (Pack pack in Demo.Packs)
        foreach (Part part in pack.Parts)
        foreach (Way way in part.Ways.Where(w => w.Steps.Count > 0))
        {
            if (pack.Units.FirstOrDefault(u => u.Model == way.Model) is not { } unit)
                continue;
            var job = new Job
            {
                Id = "j",
                Unit = unit.Id,
                Name = "J",
                Add = [new FittedPart { Part = part.Id, Way = way.Id }],
            };
            AtHand at = At(pack with { Jobs = [job] }, job);
            Instance added = at.After.Instances.First(i => i.Added && i.Part.Id == part.Id);
            StepId[] own = [.. way.Steps.Select(s => Acts.WayStep(added.Name, s.Id))];
            Assert.Equal(own, at.Sheet.Steps.Select(s => s.Id).Where(own.Contains));
            Assert.Contains(at.Sheet.Steps, s => s.Kind == StepKind.Gate && own.All(s.Needs.Contains));
            Assert.All(
                way.Steps,
                s => Assert.Contains(Trail.Stations.Passport(at.Record)[PassportPart.Wired], l => l.What == s.What)
            );
            Undo back = Undo.Of(at.Sheet, at.Record with { IsDone = _ => true });
            Assert.All(own, o => Assert.Contains(back.Steps, s => s.Of == o));
            Job dropped = JobEdits.Drop(job with { Done = own }, 0, added.Name);
            Assert.Empty(dropped.Done);
        }
    }
}
