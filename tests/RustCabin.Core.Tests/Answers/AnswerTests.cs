using RustCabin.Core.Answers;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Answers;

/// <summary>The pack that the format's description prints, and the answer it prints for it.</summary>
public class AnswerTests
{
    static readonly Answer Printed = Sample.Answer(Sample.Slipway());

    [Fact]
    public void Printed_pack_is_clear_with_one_note()
    {
        Assert.Equal(Standing.Clear, Printed.Standing);
        Findings.Finding note = Assert.Single(Printed.Findings);
        Assert.Equal(("ID-CONTRADICTION", Findings.Severity.Note), (note.Code, note.Severity));
        Assert.Equal("The rear label speaks for Board 7; the legend for Board 4.", note.Text);
        Assert.Equal([Subject.Unit], note.Subjects);
    }

    [Theory]
    [InlineData("16 B", true)]
    [InlineData("16 A", false)]
    public void ID_CONTRADICTION_where_a_label_speaks_for_another_board(string label, bool raised) =>
        Assert.Equal(
            raised,
            Sample
                .Answer(Sample.Slipway(("\"rear-label\": \"16 B\"", $"\"rear-label\": \"{label}\"")))
                .Findings.Any(f => f.Code == "ID-CONTRADICTION")
        );

    [Fact]
    public void Revision_follows_the_clues()
    {
        Assert.Equal("b4", Printed.Planned.Revision.Id);
        Assert.Equal(0.2425 / 0.2575, Printed.Planned.Revision.Probability, 12);
        Assert.Equal("rear-label", Assert.Single(Printed.Planned.Revision.Contradictions).Clue);
    }

    [Fact]
    public void Reach_and_power_up_count()
    {
        Assert.Equal([4390912ul, 196608ul], Printed.Planned.Map.Reach.Select(r => r.Bytes));
        Assert.Equal([("shared", 196608ul), ("boards", 4194304ul)], Printed.PowerUp.Lines.Select(l => (l.Label, l.Bytes.Bytes)));
        Assert.Equal(4390912ul, Printed.PowerUp.Total.Bytes);
    }

    [Fact]
    public void Rails_in_decimal_amps()
    {
        Core.Power.RailLoad five = Printed.Rails[0],
            nine = Printed.Rails[1];
        Assert.Equal((3.36m, 2.4m, 2.52m, 0.84m), (five.CapacityAmps, five.TypicalAmps, five.PeakAmps, five.HeadroomAmps));
        Assert.Equal((0.56m, 0.1m, 0.1m, 0.46m), (nine.CapacityAmps, nine.TypicalAmps, nine.PeakAmps, nine.HeadroomAmps));
    }

    [Fact]
    public void Cost_minutes_and_undoing() =>
        Assert.Equal(
            (38.50m, "EUR", 20m, true),
            (Printed.Cost.Amount, Printed.Cost.Currency, Printed.Minutes, Printed.Reversible)
        );

    [Fact]
    public void Moving_the_jumper_leaves_a_quarter_of_the_board()
    {
        Answer closed = Sample.Answer(Sample.Slipway(("\"W3\": \"open\"\n", "\"W3\": \"closed\"\n")));
        Assert.Equal(196608ul + (1ul << 20), closed.PowerUp.Total.Bytes);
    }

    [Fact]
    public void Same_sheets_same_answer()
    {
        Answer again = Sample.Answer(Sample.Slipway());
        Assert.Equal(Printed.Findings.Select(f => f.Text), again.Findings.Select(f => f.Text));
        Assert.Equal(Words<ClaimKind>.All.Count(), Enum.GetValues<ClaimKind>().Length);
    }
}
