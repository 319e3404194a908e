using System.Text;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Build;

/// <summary>The way back, simulated; the text of a label; what to look at again.</summary>
public sealed class UndoTests
{
    static (BuildSheet Sheet, PassportAsked Record) Done(Pack pack, Job job, Func<Step, bool>? done = null)
    {
        PlannedUnit before = Plan.For(pack, pack.FindUnit(job.Unit)!),
            after = Plan.For(pack, job);
        var sheet = BuildSheet.For(Trail.Stations, before, after);
        HashSet<StepId> ids = [.. sheet.Steps.Where(s => done?.Invoke(s) != false).Select(s => s.Id)];
        return (sheet, new PassportAsked(before, after, ids.Contains));
    }

    [Fact]
    public void Undone_every_demo_job_counts_as_the_original_machine()
    {
        int jobs = 0;
        foreach (Pack pack in Demo.Packs)
        foreach (Job job in pack.Jobs)
        {
            (BuildSheet sheet, PassportAsked record) = Done(pack, job);
            Undo undo = Undo.Of(sheet, record);
            Assert.True(undo.IsOriginal, job.Id);
            Assert.Equal(
                record.Before.Instances.Select(i => (i.Name, string.Join(',', i.Positions))),
                undo.Result.Instances.Select(i => (i.Name, string.Join(',', i.Positions)))
            );
            Assert.Equal(record.Before.Firmware, undo.Result.Firmware);
            jobs++;
            // Half done, only what was done is taken back.
            int half = sheet.Steps.Count / 2;
            HashSet<StepId> first = [.. sheet.Steps.Take(half).Select(s => s.Id)];
            (BuildSheet same, PassportAsked partly) = Done(pack, job, s => first.Contains(s.Id));
            Undo back = Undo.Of(same, partly);
            Assert.True(back.IsOriginal, job.Id);
            Assert.All(back.Steps.Where(s => s.Of != Acts.CloseUp), s => Assert.Contains(s.Of, first));
        }
        Assert.True(jobs > 30);
    }

    [Fact]
    public void Steps_come_back_in_reverse_and_what_never_can_says_so()
    {
        Pack pack = Demo.Of("larkspur-disc.json");
        (BuildSheet sheet, PassportAsked record) = Done(pack, pack.FindJob("float-disc-cuts")!);
        Undo undo = Undo.Of(sheet, record);
        UndoStep[] work = [.. undo.Steps.Where(s => s.Of.Act is not ("open" or "close"))];
        StepId[] forward = [.. sheet.Steps.Select(s => s.Id).Where(id => work.Any(u => u.Of == id))];
        Assert.Equal(forward.Reverse(), work.Select(u => u.Of));
        // The case comes first, with what lies bare in it, and last.
        Assert.Equal("Switch off, pull the plug. Open: shell off", undo.Steps[0].Title);
        Assert.Contains(undo.Steps[0].Cautions, c => c.Id == "mains");
        Assert.Equal(Acts.CloseUp, undo.Steps[^1].Of);
        Assert.True(undo.HasNever);
        Assert.Contains(undo.Steps, s => s.Title.StartsWith("Bridge the cut", StringComparison.Ordinal) && s.Never.Length > 0);
        Assert.Empty(Undo.Of(sheet, record with { IsDone = _ => false }).Steps);
    }

    [Fact]
    public void Whatever_was_done_goes_into_two_hundred_bytes_that_are_whole_characters()
    {
        foreach (Pack pack in Demo.Packs)
        foreach (Job job in pack.Jobs)
        {
            PassportAsked record = Done(pack, job).Record;
            string code = PassportText.Code(record, "2026-11-26");
            Assert.InRange(Encoding.UTF8.GetByteCount(code), 10, PassportText.MostBytes);
            Assert.StartsWith(record.Unit.Unit.Name, code);
        }
        Pack slip = Sample.Slipway();
        Unit named = slip.Units[0] with { Name = string.Concat(Enumerable.Repeat("Böötshaus 🛶 ", 30)) };
        PassportAsked odd = Done(slip, slip.Jobs[0]).Record;
        string cut = PassportText.Code(odd with { Unit = odd.Unit with { Unit = named } }, "2026-11-26");
        Assert.InRange(Encoding.UTF8.GetByteCount(cut), 190, PassportText.MostBytes);
        Assert.Equal(cut, Encoding.UTF8.GetString(Encoding.UTF8.GetBytes(cut)));
        Assert.EndsWith("...", cut);
    }

    [Fact]
    public void Only_what_is_in_is_on_the_label_and_in_the_calendar()
    {
        Pack slip = Sample.Slipway();
        Assert.Contains("Fathom memory board W3=open", PassportText.Changes(Done(slip, slip.Jobs[0]).Record));
        Assert.DoesNotContain(PassportText.Changes(Done(slip, slip.Jobs[0], _ => false).Record), c => c.Contains("Fathom"));
        var today = new DateOnly(2026, 11, 26);
        Pack cards = Demo.Of("brindle-16c.json");
        Job card = cards.FindJob("winch-16c-card")!;
        Assert.Contains(
            Reminders.Of(Done(cards, card).Record, today),
            r => r.Id.StartsWith("card-") && r.On == today.AddMonths(6)
        );
        Assert.DoesNotContain(Reminders.Of(Done(cards, card, _ => false).Record, today), r => r.Id.StartsWith("card-"));
    }
}
