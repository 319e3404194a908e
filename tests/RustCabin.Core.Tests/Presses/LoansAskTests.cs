using RustCabin.Core.Build;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Presses;

/// <summary>Loans between units, the text of a question, answers, and the operating card.</summary>
public sealed class LoansAskTests
{
    [Fact]
    public void A_loan_is_seen_at_both_units_until_it_ends()
    {
        Pack brindle = Demo.Of("brindle-16.json");
        var job = new Pressing(
            brindle with
            {
                Units = [.. brindle.Units.Select(u => u with { Borrowed = [] })],
            },
            "slip-8-picture"
        );
        job.MadeOnUnit(at => Loans.Borrow(at.Sheets, at.Unit, " lid ", "slip-2"));
        Unit one = job.Sheets.FindUnit("slip-8")!,
            other = job.Sheets.FindUnit("slip-2")!;
        Assert.Equal("lid", Assert.Single(Loans.Of(job.Sheets, one)).What);
        Assert.Equal("slip-8", Assert.Single(Loans.Of(job.Sheets, other)).To.Id);
        Assert.Equal("what", Loans.Borrow(job.Sheets, other, "", "slip-8").Refused!.Field);
        Assert.Equal("from", Loans.Borrow(job.Sheets, one, "lid", "slip-8").Refused!.Field);
        Assert.Contains("lent already", Loans.Borrow(job.Sheets, other with { Id = "slip-3" }, "lid", "slip-2").Refused!.Why);
        job.MadeOnUnit(at => Loans.End(at.Unit, 0, stays: false));
        Assert.Empty(Loans.Of(job.Sheets, job.Sheets.FindUnit("slip-8")!));
        Assert.Null(Loans.End(one, 7, stays: true).Edit);
    }

    [Fact]
    public void A_question_says_which_board_what_is_in_what_was_read_and_what_was_expected()
    {
        var job = new Pressing(Demo.Of("brindle-16.json"), "slip-4-dark");
        string text = AskText.Of(job.At, "");
        string[] lines = text.Split('\n');
        Assert.StartsWith("What can make a Brindle 16 differ at \"Power up with Osprey", lines[0]);
        Assert.Contains("- Brindle 16, Board 2, confirmed", lines);
        Assert.Contains("- firmware 5.3", lines);
        Assert.Contains("- Osprey system device, by the way socket, no switches", lines);
        Assert.Contains("- Test it untouched: shared: expected 192 KiB, read 192 KiB", lines);
        Assert.Contains("- Power up with Osprey system device: it does not start", lines);
        Assert.Equal("Why?", AskText.Of(job.At, " Why? ").Split('\n')[0]);
    }

    [Fact]
    public void What_was_looked_at_and_how_switches_stand_is_in_it()
    {
        Pack all = Demo.Of("brindle-16.json");
        string text = AskText.Of(new Pressing(all, "slip-7-picture").At, "");
        Assert.Contains("set L2 768K", text);
        Assert.Contains("Planned:", text);
    }

    [Fact]
    public void An_answer_is_noted_with_its_source_and_trust()
    {
        var job = new Pressing(Demo.Of("brindle-16.json"), "slip-4-dark");
        job.Made(at => AskText.Hear(at, "Look at leg 31", "Orla", "measured"));
        HeardAnswer heard = Assert.Single(job.At.Job.Heard);
        Assert.Equal(("Look at leg 31", "Orla", FactTrust.Measured), (heard.Text, heard.Source, heard.Trust));
        Assert.StartsWith("2026-11-26", heard.At);
        Assert.Equal("text", job.Refused(at => AskText.Hear(at, "", "Orla", "measured")).Field);
        Assert.Equal("source", job.Refused(at => AskText.Hear(at, "x", " ", "measured")).Field);
        Assert.Equal("trust", job.Refused(at => AskText.Hear(at, "x", "Orla", "")).Field);
        job.Made(at => AskText.Unhear(at, 0));
        Assert.Empty(job.At.Job.Heard);
        Assert.Null(AskText.Unhear(job.At, 0).Edit);
    }

    [Fact]
    public void The_card_of_a_unit_is_made_of_its_model_and_of_what_is_on_it()
    {
        AtHand at = new Pressing(Demo.Of("larkspur-disc.json"), "keel-disc-pads").At;
        IReadOnlyList<CardLine> card = OperatingCard.Of(at.Record.Now);
        Assert.Equal(6, card.Count);
        Assert.Equal("To start a disc", card[0].Use.When);
        Assert.Contains(
            card,
            l => l.Of.StartsWith("Quiver", StringComparison.Ordinal) && l.Use.Do.StartsWith("Hold", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(OperatingCard.Of(at.Before with { Instances = [] }), l => l.Of != at.Model.Name);
    }
}
