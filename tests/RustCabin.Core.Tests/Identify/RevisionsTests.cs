using RustCabin.Core.Identify;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Identify;

public class RevisionsTests
{
    static readonly Model Brindle = Sample.Slipway().Models[0];

    static Verdict Seen(string? confirmed, params (string, string)[] seen) => Revisions.Identify(Brindle, seen.ToDictionary(s => s.Item1, s => s.Item2), confirmed);

    [Fact]
    public void Without_clues_all_are_alike_and_the_first_is_taken()
    {
        Verdict verdict = Seen(null);
        Assert.Equal("b2", verdict.Id);
        Assert.All(verdict.All, r => Assert.Equal(1.0 / 3, r.Probability, 12));
    }

    [Fact]
    public void One_clue_by_hand()
    {
        // The label "16 B" of two values: 0.25 for Board 2 and 4, 0.75 for Board 7.
        Verdict verdict = Seen(null, ("rear-label", "16 B"));
        Assert.Equal(("b7", 0.75 / 1.25), (verdict.Id, verdict.Probability));
        Assert.Empty(verdict.Contradictions);
    }

    [Fact]
    public void A_confirmed_revision_is_taken_at_the_clues_probability()
    {
        Verdict verdict = Seen("b4", ("rear-label", "16 B"));
        Assert.Equal(("b4", 0.25 / 1.25), (verdict.Id, verdict.Probability));
        Assert.Equal(["b7"], Assert.Single(verdict.Contradictions).Says);
    }

    [Fact]
    public void A_value_that_the_sheet_does_not_list_changes_nothing()
    {
        Verdict verdict = Seen(null, ("rear-label", "17 Z"));
        Assert.All(verdict.All, r => Assert.Equal(1.0 / 3, r.Probability, 12));
        Assert.Empty(verdict.Contradictions);
    }

    [Fact]
    public void A_revision_that_a_clue_lists_nowhere_is_as_likely_to_show_any_value()
    {
        Clue clue = new("c", "", null, 1, 0.9m, new() { ["x"] = ["b4"], ["y"] = ["b7"], ["z"] = [] });
        Assert.Equal(1.0 / 3, Revisions.Likelihood(clue, "x", "b2"), 12);
        Assert.Equal(0.9, Revisions.Likelihood(clue, "x", "b4"), 12);
        Assert.Equal(0.05, Revisions.Likelihood(clue, "z", "b4"), 12);
    }
}
