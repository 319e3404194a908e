using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Care;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Care;

/// <summary>Whitening and holes as work of a build: figures, looks, steps, cautions, what stands in the record.</summary>
public sealed class CareStationTests
{
    static readonly DateTimeOffset In = new(2026, 11, 26, 9, 0, 0, TimeSpan.Zero);

    static CareWork Bath =>
        new()
        {
            Id = "bath-1",
            What = "lid",
            Do = CareAct.Bath,
            Percent = 12,
            Light = CareLight.Sun,
            Vessel = new CareVessel
            {
                LengthCm = 40,
                WidthCm = 30,
                FillCm = 5,
            },
            Pieces = [new() { What = "lid", Grams = 420 }, new() { What = "flap", Cm3 = 100 }],
        };

    static Job With(CareWork work, params (double Hours, CareLook? Look)[] looks) =>
        new()
        {
            Build = new JobBuild
            {
                Care = [work],
                Notes =
                [
                    .. looks.Select(l => new BenchNote
                    {
                        Step = CareStation.StepOf(work.Id),
                        At = In.AddHours(l.Hours).ToString("O"),
                        Look = l.Look,
                    }),
                ],
            },
        };

    [Fact]
    public void A_vessel_holds_what_its_pieces_leave()
    {
        var figures = new CareFigures(Bath);
        // 40 x 30 x 5 cm, less 420 g of plastic at 1.05 g/cm3 and 100 cm3.
        Assert.Equal(500, figures.PiecesCm3);
        Assert.Equal(5.5m, figures.Litres);
        decimal strong = figures.Bath!.ConcentrateLitres * Core.Care.Bath.Density(35) * 35;
        Assert.Equal(5.5m * Core.Care.Bath.Density(12) * 12, strong, 9);
        Assert.Null(new CareFigures(Bath with { Pieces = [new() { What = "all", Cm3 = 6000 }] }).Bath);
        // Litres that are typed go before the vessel.
        Assert.Equal(4, new CareFigures(Bath with { Litres = 4 }).Litres);
    }

    [Fact]
    public void Looks_say_when_to_look_again_and_when_it_comes_out()
    {
        CareWatch at(double now, params (double, CareLook?)[] looks) => CareWatch.Of(Bath, With(Bath, looks), In.AddHours(now));
        // 12 % in the sun: 6 hours at most, a look every half hour.
        Assert.Equal(6, new CareFigures(Bath).Longest);
        Assert.Equal(30, new CareFigures(Bath).LookEvery);
        CareWatch none = at(0);
        Assert.Equal((null, null, CareStop.None), (none.Next, none.Until, none.Stop));
        CareWatch begun = at(0.1, (0, CareLook.In));
        Assert.Equal((In.AddMinutes(30), In.AddHours(6), CareStop.None), (begun.Next!.Value, begun.Until!.Value, begun.Stop));
        // A remark at the step is no look.
        Assert.Single(at(1, (0, CareLook.In), (0.2, null)).Looks);
        Assert.Equal(CareStop.None, at(1, (0, CareLook.In), (0.5, CareLook.Same), (1, CareLook.Whiter)).Stop);
        CareWatch same = at(1, (0, CareLook.In), (0.5, CareLook.Whiter), (1, CareLook.Same));
        Assert.Equal((CareStop.NoChange, null), (same.Stop, same.Next));
        Assert.Equal(CareStop.Marbling, at(1, (0, CareLook.In), (0.5, CareLook.Marbled), (1, CareLook.Whiter)).Stop);
        Assert.Equal(CareStop.TimeOver, at(6, (0, CareLook.In), (5.8, CareLook.Whiter)).Stop);
        // The next look is never after it must come out.
        Assert.Equal(In.AddHours(6), at(5.9, (0, CareLook.In), (5.8, CareLook.Whiter)).Next);
        Assert.Equal(TimeSpan.FromHours(1), at(1.2, (1, CareLook.Whiter), (0, CareLook.In)).In);
    }

    static (Pack Pack, Job Job, PlannedUnit Plan) Demonstrated()
    {
        Pack pack = Demo.Of("dunnock.json");
        Job job = pack.FindJob("dunnock-loft-over")!;
        return (pack, job, Plan.For(pack, job));
    }

    [Fact]
    public void Care_is_a_step_with_what_can_hurt_and_never_comes_back()
    {
        (Pack pack, Job job, PlannedUnit plan) = Demonstrated();
        PlannedUnit before = Plan.For(pack, pack.FindUnit(job.Unit)!);
        var sheet = BuildSheet.For(Trail.Stations, before, plan);
        Step bath = sheet.Steps.Single(s => s.Id == CareStation.StepOf("bath-1"));
        Assert.Equal("lid-off", bath.Level);
        Assert.Equal(["peroxide", "ultraviolet"], bath.Cautions.Select(c => c.Id).Take(2));
        Assert.All(bath.Cautions, c => Assert.NotEmpty(c.Why));
        Step hole = sheet.Steps.Single(s => s.Id == CareStation.StepOf("hole-1"));
        Assert.Contains("drilling", hole.Cautions.Select(c => c.Id));
        Assert.DoesNotContain("peroxide", hole.Cautions.Select(c => c.Id));

        var record = new PassportAsked(before, plan, id => id == bath.Id);
        PassportLine[] lines = [.. Trail.Stations.Passport(record)[Assert.Single(new CareStation().PassportParts)]];
        Assert.Equal(["done", "planned"], lines.Select(l => l.State));
        UndoStep never = Assert.Single(Undo.Of(sheet, record).Steps);
        Assert.NotEmpty(never.Never);
    }

    [Fact]
    public void A_hole_that_its_place_does_not_bear_is_a_stop()
    {
        (Pack pack, Job demo, PlannedUnit _) = Demonstrated();
        foreach (
            (decimal mm, decimal? behind, string? code) in ((decimal, decimal?, string?)[])
                [(9, 10, null), (9.5m, 20, "CARE-HOLE"), (5, 9.5m, "CARE-BEHIND"), (5, null, "CARE-BEHIND")]
        )
        {
            Job job = With(
                new CareWork
                {
                    Id = "hole-1",
                    What = "switch",
                    Do = CareAct.Hole,
                    HoleMm = mm,
                    EdgesMm = [9, 20],
                    BehindMm = behind,
                }
            );
            Finding[] found =
            [
                .. Evidence
                    .Keep(Core.Answers.Answer.For(Trail.Stations, Plan.For(pack, demo with { Build = job.Build })))
                    .Findings.Where(f => f.Code.StartsWith("CARE", StringComparison.Ordinal)),
            ];
            Assert.Equal(code is null ? [] : [code], found.Select(f => f.Code));
            Assert.All(found, f => Assert.Equal(code == "CARE-HOLE" ? Severity.Stop : Severity.Watch, f.Severity));
        }
    }

    [Fact]
    public void Pieces_that_fill_their_vessel_are_a_stop()
    {
        (Pack pack, Job job, PlannedUnit _) = Demonstrated();
        string[] codes(params BathPiece[] pieces) =>
            [
                .. Evidence
                    .Keep(
                        Core.Answers.Answer.For(
                            Trail.Stations,
                            Plan.For(pack, job with { Build = With(Bath with { Pieces = pieces }).Build })
                        )
                    )
                    .Findings.Select(f => f.Code)
                    .Where(c => c.StartsWith("CARE", StringComparison.Ordinal)),
            ];
        Assert.Equal(["CARE-BATH"], codes(new BathPiece { What = "all of it", Cm3 = 6000 }));
        Assert.Empty(codes(new BathPiece { What = "all but a litre", Cm3 = 5000 }));
    }

    [Theory]
    [InlineData("""{ "id": "a", "what": "lid", "do": "bath", "percent": 10, "fromPercent": 5, "litres": 1 }""", "fromPercent")]
    [InlineData("""{ "id": "a", "what": "lid", "do": "bath", "percent": 10 }""", "litres")]
    [InlineData("""{ "id": "a", "what": "lid", "do": "cream", "percent": 0, "areaCm2": 3 }""", "percent")]
    [InlineData("""{ "id": "a", "what": "lid", "do": "cream" }""", "areaCm2")]
    [InlineData("""{ "id": "a", "what": "lid", "do": "hole" }""", "edgesMm")]
    public void A_work_that_is_not_whole_says_which_field(string json, string field)
    {
        using var document = System.Text.Json.JsonDocument.Parse(json);
        Assert.Equal(field, Assert.Single(Core.Declared.Declaration<CareWork>.Read(document.RootElement).Errors).Path);
    }

    [Fact]
    public void A_job_that_must_be_reversible_bears_no_care_of_the_case()
    {
        (Pack pack, Job job, PlannedUnit _) = Demonstrated();
        Core.Answers.Answer answer(bool must, Job of) =>
            Evidence.Keep(
                Core.Answers.Answer.For(Trail.Stations, Plan.For(pack, of with { Limits = of.Limits with { Reversible = must } }))
            );
        Assert.Contains(answer(true, job).Findings, f => f.Code == "CARE-NEVER" && f.Severity == Severity.Stop);
        Assert.DoesNotContain(answer(false, job).Findings, f => f.Code == "CARE-NEVER");
        Assert.False(answer(false, job).Reversible);
        Assert.True(answer(false, job with { Build = null }).Reversible);
    }

    [Fact]
    public void Two_works_of_one_name_are_told()
    {
        const string Hole = """{ "id": "a", "what": "x", "do": "hole", "edgesMm": [9] }""";
        using var document = System.Text.Json.JsonDocument.Parse($$"""{ "care": [ {{Hole}}, {{Hole}} ] }""");
        Assert.Equal("care[1].id", Assert.Single(Core.Declared.Declaration<JobBuild>.Read(document.RootElement).Errors).Path);
    }

    [Fact]
    public void Half_done_wiring_is_taken_over_act_by_act_with_the_meter_as_its_proof()
    {
        (Pack pack, Job job, PlannedUnit plan) = Demonstrated();
        PlannedUnit before = Plan.For(pack, pack.FindUnit(job.Unit)!);
        InheritedStep[] steps = [.. Inherited.Steps(before, before.Instances.Single())];
        Assert.Equal([StepProof.Unproven, StepProof.Missing], steps.Select(s => s.Proof));
        Assert.All(steps, s => Assert.StartsWith("closed from ", s.Step.Proof));
        Step[] first = [.. BuildSheet.For(Trail.Stations, before, plan).Steps.TakeWhile(s => s.Id != Acts.Untouched)];
        Assert.Equal(
            ["prove-lapwing-change-1", "prove-lapwing-change-2"],
            first.Select(s => $"{s.Id}").Where(s => s.StartsWith("prove", StringComparison.Ordinal))
        );
        Assert.Contains(first, s => s.Details.Any(d => d.Contains("closed from U9.12", StringComparison.Ordinal)));
    }
}
