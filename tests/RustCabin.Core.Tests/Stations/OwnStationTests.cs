using RustCabin.Core.Build;
using RustCabin.Core.Choices;
using RustCabin.Core.Faults;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Stations;

/// <summary>
/// A station that nobody else knows of, in the list that is passed in: it has an act with its way back, a caution, a part of the
/// passport, a finding and a cause, and all of them arrive where a person meets them.
/// </summary>
public class OwnStationTests
{
    sealed class DryingStation : Station
    {
        static readonly StationName Here = new("Drying");

        static readonly PassportPart Dried = new("Dried", 90);

        static readonly FindingKind Damp = new("DRY-DAMP", Here, [Severity.Watch])
        {
            Meaning = "It lay in a damp place.",
            Mend = "Dry it.",
        };

        public static readonly StepId Step = new("dry", "");

        public override StationName Name => Here;

        public override IReadOnlyList<FindingKind> Findings => [Damp];

        public override IReadOnlyList<Check> Checks =>
            [
                Check.On(
                    Rests.All,
                    unit =>
                        [new Finding(Damp, Severity.Watch, "Damp", [Subject.Unit], $"{unit.Unit.Name} lay in a damp place.", [])]
                ),
            ];

        public override IReadOnlyList<Act> OwnActs => [new("dry", a => a.Leaves("it is dry", "it does not become damp again"))];

        public override IReadOnlyList<Caution> Cautions =>
            [new("warm-air", "Warm air", "Warm air above 60 degrees bends a case.")];

        public override IReadOnlyList<PassportPart> PassportParts => [Dried];

        public override IEnumerable<Work> Works(BuildAsked asked) =>
            [
                new Work(
                    WorkTime.Before,
                    [
                        new Step(Step, StepKind.Set, "Dry it", [], 30)
                        {
                            Cautions = [Caution.Of("warm-air") with { Why = "it is dried" }],
                        },
                    ]
                )
                {
                    Anywhere = true,
                },
            ];

        public override IEnumerable<PassportLine> Passport(PassportAsked asked) =>
            [new PassportLine(Dried, "The unit", "", "30 minutes", asked.IsDone(Step) ? "done" : "planned")];

        public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) =>
            [new Hypothesis("damp:board", "The board is still damp", 0.3m, Shown.Dark)];
    }

    static readonly StationList All = new([.. Trail.Stations, new DryingStation()]);

    static readonly PlannedUnit After = Plan.For(Sample.Slipway(), Sample.Slipway().Jobs[0]);

    static readonly PlannedUnit Before = Plan.For(Sample.Slipway(), After.Unit);

    static readonly BuildSheet Sheet = BuildSheet.For(All, Before, After);

    [Fact]
    public void Its_act_is_a_step_with_its_caution_in_full()
    {
        Step step = Sheet.Steps.Single(s => s.Id == DryingStation.Step);
        Caution caution = step.Cautions.Single(c => c.Id == "warm-air");
        Assert.Equal(("Warm air", "it is dried"), (caution.Title, caution.Why));
        Assert.Contains("60 degrees", caution.Text);
        // The stations that ship know nothing of it.
        Assert.DoesNotContain(BuildSheet.For(Trail.Stations, Before, After).Steps, s => s.Id == DryingStation.Step);
    }

    [Fact]
    public void Its_way_back_is_its_own()
    {
        UndoStep back = Undo.Of(Sheet, new PassportAsked(Before, After, id => id == DryingStation.Step))
            .Steps.Single(s => s.Of == DryingStation.Step);
        Assert.True(back.Stays);
        Assert.Equal("it does not become damp again", back.Never);
    }

    [Fact]
    public void Its_line_stands_in_the_passport_under_its_own_heading()
    {
        Assert.Equal("Dried", All.PassportParts.Last().Title);
        var record = new PassportAsked(Before, After, id => id == DryingStation.Step);
        Assert.Equal("done", Assert.Single(All.Passport(record)[All.PassportParts.Last()]).State);
    }

    [Fact]
    public void Its_finding_and_its_cause_are_told()
    {
        Assert.Contains(Core.Answers.Answer.For(All, After).Findings, f => f.Code == "DRY-DAMP");
        var found = Diagnosis.Of(All, After, [], new Seen { Starts = false });
        Assert.Contains(found.Causes, c => c.Cause.Id == "damp:board" && c.Fits);
        Assert.DoesNotContain(Trail.Stations.Hypotheses(After), h => h.Id == "damp:board");
    }

    [Fact]
    public void No_two_stations_declare_one_act_one_caution_or_one_part_of_the_passport()
    {
        void Apart(IEnumerable<string> words) => Assert.Equal(words.Distinct().Order(), words.Order());
        Apart(All.SelectMany(s => s.OwnActs).Select(a => a.Word));
        Apart(All.Cautions.Select(c => c.Id));
        Apart(All.PassportParts.Select(p => p.Title));
    }
}
