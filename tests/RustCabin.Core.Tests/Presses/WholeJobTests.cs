using RustCabin.Core.Build;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Presses;

/// <summary>Every press of a whole job, refused ones too, without a server.</summary>
public sealed class WholeJobTests
{
    /// <summary>Jobs of the demo that can be walked: those that burn a device want its image, which no pack carries.</summary>
    public static TheoryData<string> Walked() =>
        new(
            Demo.Jobs.Where(j =>
                    j.Job.Roms.Count == 0
                    && AtHand.Of(Trail.Stations, j.Pack, j.Job).Answer.Standing != Core.Answers.Standing.Stop
                )
                .Select(j => j.Job.Id)
        );

    [Theory]
    [MemberData(nameof(Walked))]
    public void A_job_goes_to_its_end_by_presses_alone(string job)
    {
        (Pack pack, Job _) = Demo.Jobs.Single(j => j.Job.Id == job);
        var pressing = new Pressing(pack, job);
        for (int i = 0; i < 400 && pressing.At.Progress.Current is { } current; i++)
            Step(pressing, current);
        Assert.True(pressing.At.Progress.Finished, pressing.At.Progress.Current?.Step.Title);
        Assert.Equal("Nothing: built, read and closed", pressing.At.WaitsFor);

        (Press<Job> ended, Press<Unit> folded) = Naming.End(pressing.At);
        Assert.True(ended.On(pressing.At.Job)!.Ended);
        Assert.Equal(pressing.At.After.Instances.Select(i => i.Part.Id), folded.On(pressing.At.Unit)!.Fitted.Select(f => f.Part));
    }

    /// <summary>Does the step at hand; what a person may not do yet is tried first, and refused.</summary>
    static void Step(Pressing pressing, StepProgress current)
    {
        string id = $"{current.Step.Id}";
        foreach (Step stands in current.Waits.Where(w => Waiting.UntilOf(pressing.At.Job, w.Id) is not null))
            pressing.Made(at => Ticking.Ready(at, stands.Id));
        // A gate takes no reading before its own cautions are read; another step no tick.
        foreach (Caution caution in current.Step.Cautions)
            if (pressing.At.Find(StepId.Parse(id)) is { AllHeeded: false })
            {
                if (current.Step is { Kind: not StepKind.Gate, Proved: null })
                    Assert.Equal("heeded", pressing.Refused(at => Ticking.Tick(at, StepId.Parse(id), true, null, "seen")).Field);
                pressing.Made(at => Ticking.Heed(at, StepId.Parse(id), [caution.Id], true));
            }
        if (current.Step.Expected is { Lines: var lines })
            Gate(pressing, id, lines.Select(l => l.Bytes.ToSheet()).ToList());
        else if (current.Step.Proved is not null)
            Prove(pressing, current.Step);
        else
        {
            if (Ledger.Missing(Ledger.Of(pressing.At.Sheet, pressing.At.Job), current.Step).Count > 0)
            {
                Assert.Equal("piece", pressing.Refused(at => Ticking.Tick(at, StepId.Parse(id), true, null, "seen")).Field);
                pressing.Made(at => Closing.AllBack(at, StepId.Parse(id)));
            }
            Assert.Equal("took", pressing.Refused(at => Ticking.Tick(at, StepId.Parse(id), true, "soon", "seen")).Field);
            pressing.Made(at =>
                Ticking.Tick(at, StepId.Parse(id), true, "3,5", current.Step.Kind == StepKind.Mend ? "no beep" : null)
            );
            // A tick is taken back and made again, and what it took can be noted otherwise.
            pressing.Made(at => Ticking.Tick(at, StepId.Parse(id), false, null, null));
            Assert.NotEqual(StepState.Done, pressing.At.Find(StepId.Parse(id))!.State);
            pressing.Made(at => Ticking.Tick(at, StepId.Parse(id), true, null, "no beep"));
            pressing.Made(at => Ticking.Took(at, StepId.Parse(id), "4"));
        }
    }

    static void Gate(Pressing pressing, string id, List<string> lines)
    {
        if (lines.Count == 0)
        {
            pressing.Made(at => Readings.Starts(at, StepId.Parse(id), false, false));
            Assert.Equal(StepState.Differs, pressing.At.Find(StepId.Parse(id))!.State);
            pressing.Made(at => Readings.Starts(at, StepId.Parse(id), true, false));
            return;
        }
        Refusal wrong = pressing.Refused(at => Readings.Read(at, StepId.Parse(id), [.. lines.Select(_ => "some")], false));
        Assert.Equal(("seen", lines.Count), (wrong.Field, wrong.Lines.Count));
        pressing.Made(at => Readings.Read(at, StepId.Parse(id), lines, false));
        Assert.Equal(StepState.Done, pressing.At.Find(StepId.Parse(id))!.State);
    }

    static void Prove(Pressing pressing, Step step)
    {
        if (step.Id == WiringActs.ProbeWiring)
        {
            Assert.Equal("ohms", pressing.Refused(at => WiringPresses.Probe(at, "a", "b", null, "many", null)).Field);
            Assert.Equal("from", pressing.Refused(at => WiringPresses.Probe(at, "a", "b", "beep", null, null)).Field);
            foreach (Probed line in Wired.Of(pressing.At.After).Readings)
                pressing.Made(at =>
                    WiringPresses.Probe(
                        at,
                        line.From,
                        line.To,
                        line.Line.Closed ? WiringPresses.Beep : WiringPresses.NoBeep,
                        null,
                        null
                    )
                );
            return;
        }
        Assert.Equal("phase", pressing.Refused(at => Picturing.Phase(at, Picturing.Phases(at), true)).Field);
        pressing.Made(at => Picturing.Phase(at, 3, true));
        foreach (string side in (string[])["left", "right"])
            pressing.Made(at => Picturing.Heard(at, side, side));
    }

    [Fact]
    public void What_is_locked_is_refused_and_a_press_on_what_is_gone_changes_nothing()
    {
        var pressing = new Pressing(Demo.Of("brindle-16.json"), "slip-3-winter");
        Assert.Contains(
            "a gate before",
            pressing.Refused(at => Ticking.Tick(at, Acts.Fit(InstanceName.Parse("fathom")), true, null, null)).Why
        );
        Assert.Contains(
            "not passed",
            pressing.Refused(at => Readings.Read(at, Acts.Count(InstanceName.Parse("fathom")), ["192K", "4M"], true)).Why
        );
        Func<AtHand, Press<Job>>[] gone =
        [
            at => Ticking.Tick(at, Acts.Count(InstanceName.Parse("fathom")), true, null, null),
            at => Ticking.Tick(at, StepId.Parse("fit-nothing"), true, null, null),
            at => Ticking.Took(at, Acts.Fit(InstanceName.Parse("fathom")), "3"),
            at => Ticking.Heed(at, Acts.Fit(InstanceName.Parse("fathom")), ["tube"], true),
            at => Readings.Read(at, Acts.Fit(InstanceName.Parse("fathom")), [], false),
            at => Readings.Starts(at, StepId.Parse("untouched"), true, false),
            at => Readings.StartsAtAll(at, Acts.Count(InstanceName.Parse("fathom")), true),
            at => Switching.Fix(at, "MAP-FIGHT", Subject.Parse("part:nobody")),
            at => Switching.Use(at, "nobody's"),
            at => Switching.Fill(at, InstanceName.Parse("nobody"), []),
            at => Parts.Add(at, "nothing"),
            at => Parts.Drop(at, InstanceName.Parse("nothing")),
            at => Parts.Way(at, InstanceName.Parse("fathom"), new WayName("sideways")),
            at => Parts.Option(at, InstanceName.Parse("nothing"), "lamp", true),
            at => MendPresses.Unmend(at, "MAP-FIGHT", Subject.Parse("part:lantern")),
            at => MendPresses.Mend(at, "MAP-FIGHT", Subject.Parse("part:nobody"), "by hand", "seen", false),
            at => MendPresses.Look(at, StepId.Parse("count-nothing"), "starts", "yes"),
            at => MendPresses.Confirm(at, Acts.Count(InstanceName.Parse("fathom")), "nothing"),
            at => MendPresses.Unconfirm(at, Acts.Count(InstanceName.Parse("fathom")), "nothing"),
            at => Closing.Back(at, "lid-off/9", true),
            at => Closing.AllBack(at, StepId.Parse("close")),
            at => Closing.Extra(at, 2026, "nothing", true),
            at => Closing.Lay(at, "cellar", "screw", "1", null, null),
            at => Gating.School(at, "careful"),
            at => Gating.School(at, "mine"),
            at => Gating.Gate(at, StepId.Parse("count-nothing"), true),
            at => Gating.Forget(at, 0),
            at => Spending.Unspend(at, 0),
            at => Wanting.Unwant(at, 9),
            at => Wanting.Unclaim(at, 0),
            at => Trying.DropTrial(at, 0),
            at => Trying.DropLevel(at, "card", "small"),
            at => Carding.Card(at, InstanceName.Parse("nothing"), "32 GB"),
            _ => Carding.Drag(InstanceName.Parse("nothing"), 0, 0),
            at => Carding.Variant(at, "rom", "A", true),
            _ => Carding.Clone(InstanceName.Parse("nothing"), null, "other"),
            at => Picturing.Mode(at, "nothing"),
            at => Picturing.Heard(at, "middle", "left"),
            at => Picturing.Rewire(at),
            at => WiringPresses.Unwire(at),
            at => CasePresses.Drop(at, "bath-1"),
            _ => Burning.Plan(null, "27C400", ""),
            _ => Burning.Recipe("rom", null),
        ];
        Assert.All(gone, press => Assert.Null(press(pressing.At).Refused));
        Assert.All(gone, press => Assert.Null(press(pressing.At).On(pressing.At.Job)));
    }

    /// <summary>Each press with something typed wrong: the field that it names, and a reason.</summary>
    [Fact]
    public void What_is_typed_wrong_names_its_field_and_a_reason()
    {
        var pressing = new Pressing(Demo.Of("brindle-16.json"), "slip-3-winter");
        string long200 = new('a', 201),
            long4000 = new('a', 4001);
        (string Field, Func<AtHand, Press<Job>> Press)[] wrong =
        [
            ("took", at => Ticking.Took(at, StepId.Parse("untouched"), "-1")),
            ("name", at => Switching.Name(at, " ")),
            ("name", at => Switching.Name(at, long200)),
            ("name", _ => Naming.Name("")),
            ("proof", at => MendPresses.Mend(at, "MAP-FIGHT", Subject.Parse("part:lantern"), "x", long4000, true)),
            ("why", at => Closing.LeaveOut(at, "lid-off/1", long200)),
            ("what", at => Closing.Lay(at, "lid-off", long200, "1", null, null)),
            ("count", at => Closing.Lay(at, "lid-off", "screw", "0", null, null)),
            ("count", at => Closing.Lay(at, "lid-off", "screw", "1001", null, null)),
            ("mm", at => Closing.Lay(at, "lid-off", "screw", "1", "0.05", null)),
            ("where", at => Closing.Lay(at, "lid-off", "screw", "1", null, long4000)),
            ("boards", at => Spending.Batch(at, null)),
            ("what", at => Spending.Spend(at, "", "bought", "1", null)),
            ("amount", at => Spending.Spend(at, "chips", "bought", "1000000.01", null)),
            ("kind", at => Spending.Spend(at, "chips", "stolen", "1", null)),
            ("at", at => Spending.Spend(at, "chips", "bought", "1", "yesterday")),
            ("act", at => CasePresses.Add(at, "sing", _ => "")),
            ("what", at => CasePresses.Add(at, "hole", _ => "")),
            ("label", at => Carding.Card(at, InstanceName.Parse("skiff"), "32 TB")),
            ("name", _ => Carding.Partition(InstanceName.Parse("skiff"), 0, new PartitionForm("", "1M", "fat", null, false))),
            ("size", _ => Carding.Partition(InstanceName.Parse("skiff"), 0, new PartitionForm("a", "much", "fat", null, false))),
            ("fs", _ => Carding.Partition(InstanceName.Parse("skiff"), 0, new PartitionForm("a", "1M", "tape", null, false))),
            (
                "cluster",
                _ => Carding.Partition(InstanceName.Parse("skiff"), 0, new PartitionForm("a", "1M", "fat", "big", false))
            ),
            ("id", at => Carding.Id(at, InstanceName.Parse("skiff"), 0, "x")),
            ("what", at => WiringPresses.Join(at, "", "a", "b")),
            ("one", at => WiringPresses.Join(at, "printer", "a", "b")),
            ("before", at => WiringPresses.Probe(at, "a", "b", "beep", null, "some")),
            ("locks", _ => Picturing.Display([], "set", "all of it")),
            ("samples", _ => Picturing.Samples(0)),
            ("entry", at => Picturing.Colour(at, 12, "#112233")),
            ("colour", at => Picturing.Colour(at, 11, "brown")),
            ("factor", at => Trying.Level(at, "", "small")),
            ("set", at => Trying.Try(at, ["small"], true, null)),
            ("want", at => Wanting.Want(at, "{}")),
            ("amount", at => Wanting.Ask(at, new AskForm("speed", "fast", null, false))),
            ("budget", at => Wanting.Limits(at, new LimitsForm("much", null, false, false, null))),
            ("set", _ => Wanting.Take(null)),
            ("seconds", _ => Wanting.Work(["processor"], ["long"])),
            ("seconds", _ => Wanting.After("", "1")),
            ("ratio", at => Wanting.Claim(at, new ClaimForm("the box", "0", null))),
            ("unit", at => Wanting.Claim(at, new ClaimForm("the box", "1.5", "no-such-unit"))),
            ("clock", _ => Wanting.Seen(new SeenForm("quick", null, null))),
            ("ns", _ => Burning.Plan("rom", "27C400", "fast")),
            ("image", _ => Burning.Image("rom", null, [], false)),
            ("op", _ => Burning.Op("rom", null, "no operation")),
            ("image", at => Burning.Prove(at, "rom", new ToBurn(Core.Images.RomChain.Empty, []))),
            ("image", at => Burning.Burn(at, "rom", new ToBurn(Core.Images.RomChain.Empty, []), null, null)),
            ("dose", at => Burning.LampOn(at, "rom", new LampForm("15", "12", "80", false))),
        ];
        Assert.All(wrong, w => Assert.Equal(w.Field, pressing.Refused(w.Press).Field));
        Assert.All(wrong, w => Assert.NotEmpty(w.Press(pressing.At).Refused!.Why));
        AtHand at = pressing.At;
        (string Field, Press<Unit> Press)[] units =
        [
            ("name", Naming.Call(long200)),
            ("place", MendPresses.PutAway(at, "processor chip, in foam", "")),
            ("seen", Readings.Baseline(at, ["three", "0"])),
            ("volts", Readings.Rails(["+5"], ["five"])),
            ("seconds", Readings.Runs("", "1")),
            ("worth", Spending.Worth("a lot")),
            ("photo", WiringPresses.Lay("main", null, new LayForm(null, null, null, null, null, null), [])),
            ("year", Surveying.Age(new AgeForm("old", null, null, null))),
            ("text", Surveying.Note(" ", false)),
            ("what", Surveying.Belongs("", false, null)),
        ];
        Assert.All(units, u => Assert.Equal(u.Field, u.Press.Refused?.Field));
        Assert.All(units, u => Assert.Null(u.Press.On(at.Unit)));
    }

    [Fact]
    public void A_typed_text_is_as_long_as_its_field_declares_and_no_longer()
    {
        Assert.Equal(200, Texts.Most<LyingPiece>(nameof(LyingPiece.What)));
        Assert.Equal(4000, Texts.Most<LyingPiece>(nameof(LyingPiece.Where)));
        Assert.True(Texts.TryNeeded<Spent>(nameof(Spent.What), $" {new string('a', 200)} ", out string text));
        Assert.Equal(200, text.Length);
        Assert.False(Texts.TryNeeded<Spent>(nameof(Spent.What), new string('a', 201), out _));
        Assert.False(Texts.TryNeeded<Spent>(nameof(Spent.What), "  ", out _));
        Assert.True(Texts.TryOptional<Spent>(nameof(Spent.What), null, out _));
        Assert.Throws<ArgumentException>(() => Texts.Most<Spent>("Whatever"));
    }
}
