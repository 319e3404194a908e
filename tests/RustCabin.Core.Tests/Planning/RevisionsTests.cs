using RustCabin.Core.Identify;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Planning;

public class RevisionsTests
{
    static readonly Model Brindle = Sample.Slipway().Models[0];

    static Verdict Seen(string? confirmed, params (string, string)[] seen) =>
        Revisions.Identify(Brindle, seen.ToDictionary(s => s.Item1, s => s.Item2), confirmed);

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
        Clue clue = new()
        {
            Id = "c",
            Trust = 0.9m,
            Values = new()
            {
                ["x"] = ["b4"],
                ["y"] = ["b7"],
                ["z"] = [],
            },
        };
        Assert.Equal(1.0 / 3, Revisions.Likelihood(clue, "x", "b2"), 12);
        Assert.Equal(0.9, Revisions.Likelihood(clue, "x", "b4"), 12);
        Assert.Equal(0.05, Revisions.Likelihood(clue, "z", "b4"), 12);
    }

    [Fact]
    public void The_next_look_is_the_one_that_tells_most_for_its_minutes_by_hand()
    {
        // Three boards alike: 1.58496 bits. The legend leaves .97 .015 .015, which is 0.22439: 1.36057 bits in 4 minutes, 0.340 a
        // minute.
        // The label leaves .429 .429 .143 (chance .583) or .2 .2 .6 (.417): 0.16859 bits in 1 minute.
        NextClue next = Revisions.Next(Brindle, new Dictionary<string, string>())!;
        Assert.Equal("legend", next.Clue);
        Assert.Equal(1.36057, next.Bits, 5);
        Assert.Equal(4m, next.Minutes);
        NextClue closed = Revisions.Next(Brindle, new Dictionary<string, string>(), clue => clue.Access == "closed")!;
        Assert.Equal("rear-label", closed.Clue);
        Assert.Equal(0.16859, closed.Bits, 5);
    }

    [Fact]
    public void A_clue_looked_at_in_vain_is_not_asked_for_again_and_changes_nothing()
    {
        var seen = new Dictionary<string, string> { ["legend"] = UnitEdits.CannotRead };
        Assert.Equal("rear-label", Revisions.Next(Brindle, seen)!.Clue);
        Assert.All(Revisions.Identify(Brindle, seen, null).All, r => Assert.Equal(1.0 / 3, r.Probability, 12));
        seen["rear-label"] = UnitEdits.NotThere;
        Assert.Null(Revisions.Next(Brindle, seen));
    }

    [Fact]
    public void A_rebadged_machine_by_hand()
    {
        // Badge 8, label 8X, legend 8X late. Late: .3 x .8 x .97 = .2328; 8X early: .3 x .8 x .01 = .0024; each of the three 8s:
        // .7 x .2 x .01 = .0014. Sum .2394.
        Pack dunnock = Sample.Pack(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", "dunnock.json")));
        Verdict verdict = Revisions.Identify(dunnock.Models[0], dunnock.FindUnit("dunnock-lamp")!.Seen, null);
        Assert.Equal("x-late", verdict.Id);
        Assert.Equal(0.2328 / 0.2394, verdict.Probability, 12);
        Assert.Equal("badge", Assert.Single(verdict.Contradictions).Clue);
        Assert.Equal(["board-legend", "rear-label"], verdict.Agreeing);
    }

    [Fact]
    public void No_look_is_expected_to_tell_less_than_nothing() =>
        CsCheck.Check.Sample(
            CsCheck.Gen.Select(CsCheck.Gen.Double[0.5, 1], CsCheck.Gen.Double[0.5, 1]),
            trusts =>
            {
                Model model = Brindle with
                {
                    Clues =
                    [
                        Brindle.Clues[0] with
                        {
                            Trust = (decimal)trusts.Item1,
                        },
                        Brindle.Clues[1] with
                        {
                            Trust = (decimal)trusts.Item2,
                        },
                    ],
                };
                return Revisions.Next(model, new Dictionary<string, string>()) is null or { Bits: > 0 and <= 1.585 };
            }
        );

    /// <summary>By hand, two boards: listed 0.9 against 1/2 is 0.643; another value 0.1 against 1/2 is 0.167.</summary>
    [Theory]
    [InlineData("mark", 0.9 / 1.4)]
    [InlineData("none", 0.1 / 0.6)]
    public void A_clue_with_one_listed_value_has_an_implied_other(string seen, double first)
    {
        Model model = new Machine
        {
            More = """, "clues": [ { "id": "c", "ask": "?", "trust": 0.9, "values": { "mark": ["r1"] } } ]""",
        }
            .Pack
            .Models[0];
        Assert.Equal(
            first,
            Revisions.Identify(model, new Dictionary<string, string> { ["c"] = seen }, null).All[0].Probability,
            12
        );
        Assert.True(Revisions.Next(model, new Dictionary<string, string>())!.Bits > 0.1);
    }
}
