using RustCabin.Core.Findings;
using RustCabin.Core.Identify;
using RustCabin.Core.PictureSound;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.PictureSound;

/// <summary>Sides that are put right by acts of wiring, proved on the nets.</summary>
public sealed class SoundMendTests
{
    static readonly Pack Ledger = Demo.Of("ledger.json");

    static PlannedUnit Planned(Func<Job, Job> change) => Plan.For(Ledger, change(Ledger.FindJob("granary-ledger-sing")!));

    static bool Joined(Netlist nets, string a, string b) => nets.Same(nets.Find(a), nets.Find(b));

    [Fact]
    public void Two_leads_changed_over_bring_each_voice_to_the_other_contact_and_nothing_else()
    {
        PlannedUnit unit = Planned(j => j);
        IReadOnlyList<WireChange> acts = SoundMend.Of(unit, SidesVerdict.Swapped);
        Assert.Equal([ChangeAct.Cut, ChangeAct.Cut, ChangeAct.Wire, ChangeAct.Wire], acts.Select(a => a.Do));

        Job mended = PictureSoundEdits.Rewire(
            PictureSoundEdits.Heard(Ledger.FindJob("granary-ledger-sing")!, "left", ["right"]),
            acts
        );
        Assert.Empty(mended.Sound!.Heard);
        PlannedUnit after = Planned(_ => mended);
        var wired = Wired.Of(after);
        Assert.True(Joined(wired.Before, "chanter:U1.7", "chanter:tip"));
        Assert.True(Joined(wired.After, "chanter:U1.7", "chanter:ring"));
        Assert.True(Joined(wired.After, "chanter:U2.7", "chanter:tip"));
        Assert.False(Joined(wired.After, "chanter:U1.7", "chanter:tip"));
        Assert.False(Joined(wired.After, "chanter:tip", "chanter:ring"));
        Assert.DoesNotContain(
            WiringChecks.Of(after),
            f => f.Severity == Severity.Stop || f.Kind == WiringFindings.Place || f.Kind == WiringFindings.Cross
        );
        Assert.Contains(wired.Readings, r => r.Line.Closed);
    }

    [Fact]
    public void What_feeds_both_sides_is_taken_off_one_and_what_no_place_is_known_of_is_left_to_words()
    {
        PlannedUnit unit = Planned(j => j);
        WireChange off = Assert.Single(SoundMend.Of(unit, SidesVerdict.Summed));
        Assert.Equal((ChangeAct.Remove, "chanter:R8"), (off.Do, off.Point));
        Assert.Empty(SoundMend.Of(unit, SidesVerdict.Silent));
        Assert.Empty(SoundMend.Of(unit, SidesVerdict.Right));
        Pack brindle = Demo.Of("brindle-16.json");
        Assert.Empty(SoundMend.Of(Plan.For(brindle, brindle.FindJob("slip-8-two-screens")!), SidesVerdict.Swapped));
    }

    [Fact]
    public void Own_acts_are_steps_proved_like_others_stand_in_the_record_and_stay_on_the_unit()
    {
        PlannedUnit unit = Planned(j => j);
        Job mended = PictureSoundEdits.Rewire(unit.Job!, SoundMend.Of(unit, SidesVerdict.Swapped));
        PlannedUnit before = Plan.For(Ledger, Ledger.FindUnit(mended.Unit)!),
            after = Planned(_ => mended);
        Core.Build.BuildSheet sheet = Core.Build.BuildSheet.For(Trail.Stations, before, after);
        StepId[] own = [.. Enumerable.Range(1, 4).Select(n => Acts.Change(Acts.Own, n))];
        Assert.Equal(own, sheet.Steps.Select(s => s.Id).Where(own.Contains));
        Assert.Contains(WiringActs.ProbeWiring, sheet.Steps.Select(s => s.Id));

        Job half = own[..2].Aggregate(mended, (j, s) => JobEdits.Tick(j, s, true));
        Unit folded = UnitEdits.Fold(after.Unit, Planned(_ => half));
        Assert.Equal(2, folded.Changes.Count);
        Assert.Equal(ChangeAct.Cut, folded.Changes[1].Do);
        Job ended = JobEdits.End(half, after.Unit);
        Assert.Empty(ended.On(folded).Changes);
        Job dropped = WiringEdits.DropOwn(half);
        Assert.Empty(dropped.Changes);
        Assert.DoesNotContain(dropped.Done, own.Contains);
    }
}
