using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Build;

/// <summary>The build sheet by each school, its levels, its ledger, its cautions, and what was learnt.</summary>
public sealed class SheetTests
{
    const string Access =
        """, "access": [ { "id": "closed" }, { "id": "lid", "from": "closed", "minutes": 6, "remove": [ { "what": "screw", "count": 5, "where": "underside" } ], "unplug": ["keyboard ribbon"] }, { "id": "shield", "from": "lid", "minutes": 4, "remove": [ { "what": "clip", "count": 2, "where": "rear" } ] }, { "id": "hatch", "from": "closed", "minutes": 1 } ], "sites": [ { "id": "a", "kind": "slot", "access": "lid" }, { "id": "b", "kind": "slot", "access": "lid" }, { "id": "c", "kind": "slot", "access": "shield" }, { "id": "d", "kind": "slot", "access": "hatch" }, { "id": "rom", "kind": "socket", "access": "shield" } ]""";

    static string Way(string id, string site, string more = "") =>
        $$"""{ "id": "{{id}}", "name": "{{id}}", "kind": "memory", "ways": [ { "id": "w", "model": "m", "minutes": 20, "faultChance": 0.1, "occupies": [ { "site": "{{site}}", "mode": "in" } ] {{more}} } ] }""";

    static Machine Four(string job = "", string more = "", params string[] ways) =>
        new()
        {
            More = Access + more,
            Parts = string.Join(",", ways.Length > 0 ? ways : [Way("pa", "a"), Way("pb", "b"), Way("pc", "c"), Way("pd", "d")]),
            Job = Machine.Add([.. ways.Length > 0 ? ways.Select(w => w.Split('"')[3]) : ["pa", "pb", "pc", "pd"]]) + job,
        };

    static BuildSheet Sheet(Machine machine, School? school = null) =>
        BuildSheet.For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), machine.Planned, school);

    static string[] Ids(BuildSheet sheet) => [.. sheet.Steps.Select(s => $"{s.Id}")];

    [Fact]
    public void Careful_tests_each_change_and_batch_each_stay_at_a_level()
    {
        Assert.Equal(
            [
                "untouched",
                "open-lid",
                "fit-pa",
                "count-pa",
                "fit-pb",
                "count-pb",
                "open-shield",
                "fit-pc",
                "count-pc",
                "close-shield",
                "close-lid",
                "open-hatch",
                "fit-pd",
                "count-pd",
                "close",
            ],
            Ids(Sheet(Four()))
        );
        BuildSheet batch = Sheet(Four(), School.Batch);
        Assert.Equal(
            ["untouched", "count-pb", "count-pc", "count-pd"],
            batch.Steps.Where(s => s.Kind == StepKind.Gate).Select(s => $"{s.Id}")
        );
        Step gate = batch.Steps.First(s => $"{s.Id}" == "count-pb");
        Assert.Equal("Power up with pa and pb", gate.Title);
        Assert.Equal(["fit-pa", "fit-pb"], gate.Needs.Select(n => $"{n}"));
        Assert.Equal(["pa", "pb"], gate.At!.Instances.Select(i => $"{i.Name}"));
        Assert.Equal(6, batch.Order.Ordering!.AccessChanges);
    }

    [Fact]
    public void Own_gates_stand_where_they_are_put_and_the_last_always()
    {
        BuildSheet own = Sheet(Four(""", "build": { "school": "own", "gates": ["count-pa"] }"""));
        Assert.Equal(["untouched", "count-pa", "count-pd"], own.Steps.Where(s => s.Kind == StepKind.Gate).Select(s => $"{s.Id}"));
        Assert.NotNull(own.Schools.Own);
    }

    [Fact]
    public void Firmware_comes_first_and_is_proved_alone_by_every_school()
    {
        Machine machine = Four(""", "firmware": "2" """, """, "firmware": [ { "id": "1" }, { "id": "2" } ] """) with
        {
            Claims = """{ "id": "os", "kind": "rom", "base": "0xC000", "size": "16K", "sockets": ["rom"] }""",
            UnitMore = """, "firmware": "1" """,
        };
        foreach (School school in Enum.GetValues<School>())
        {
            string[] ids = Ids(Sheet(machine, school));
            Assert.Equal(["untouched", "open-lid", "open-shield", "firmware", "count-firmware"], ids[..5]);
        }
        Assert.Equal("2", Sheet(machine).Steps.First(s => $"{s.Id}" == "count-firmware").At!.Firmware);
        Assert.Empty(Sheet(machine).Steps.First(s => $"{s.Id}" == "count-firmware").At!.Instances);
    }

    [Fact]
    public void What_lies_under_another_board_is_done_before_it()
    {
        Machine machine = Four("", "", Way("pa", "a", """, "covers": ["b"] """), Way("pb", "b"));
        string[] ids = Ids(Sheet(machine));
        Assert.True(Array.IndexOf(ids, "fit-pb") < Array.IndexOf(ids, "fit-pa"));
    }

    [Fact]
    public void A_board_comes_after_the_board_that_it_sits_on()
    {
        Machine machine = Four("", "", Way("pa", "pb:top"), Way("pb", "b")) with
        {
            Parts = Way("pa", "pb:top") + "," + Way("pb", "b")[..^1] + """, "sites": [ { "id": "top", "kind": "slot" } ] }""",
        };
        string[] ids = Ids(Sheet(machine));
        Assert.True(Array.IndexOf(ids, "fit-pb") < Array.IndexOf(ids, "fit-pa"));
    }

    [Fact]
    public void Parts_that_need_each_other_are_ordered_all_the_same()
    {
        string needs(string id, string site, string other) =>
            Way(id, site)[..^1] + $$""", "needs": [ { "part": "{{other}}" } ] }""";
        Machine machine = Four("", "", needs("pa", "a", "pb"), needs("pb", "c", "pa")) with { };
        string[] ids = Ids(Sheet(machine));
        Assert.Contains("fit-pa", ids);
        Assert.Contains("fit-pb", ids);
    }

    [Fact]
    public void The_case_cannot_be_closed_while_a_piece_is_missing()
    {
        Machine machine = Four();
        BuildSheet sheet = Sheet(machine);
        Job job = machine.Pack.Jobs[0];
        Step close = sheet.Steps.First(s => $"{s.Id}" == "close-lid");
        Assert.Equal(["lid/2", "lid/1"], Ledger.Missing(Ledger.Of(sheet, job), close).Select(p => p.Key));

        job = BuildEdits.Lay(
            job,
            new LyingPiece
            {
                Level = "lid",
                What = "screw",
                Count = 2,
                Mm = 8,
                Where = "left hinge",
            }
        );
        Assert.Equal(["lid/3", "lid/2", "lid/1"], Ledger.Missing(Ledger.Of(sheet, job), close).Select(p => p.Key));
        Assert.Equal("2 screws, 8 mm", Ledger.Of(sheet, job).First(p => p.Key == "lid/3").Words);
        job = BuildEdits.Back(BuildEdits.LeaveOut(job, "lid/3", "stripped"), "lid/1", true);
        Assert.Equal(["lid/2"], Ledger.Missing(Ledger.Of(sheet, job), close).Select(p => p.Key));
        job = BuildEdits.LeaveOut(BuildEdits.Back(job, "lid/2", true), "lid/1", "");
        Assert.Equal(["lid/1"], Ledger.Missing(Ledger.Of(sheet, job), close).Select(p => p.Key));
        Assert.DoesNotContain(Ledger.Missing(Ledger.Of(sheet, job), sheet.Steps[^1]), p => p.Level.Id == "lid");
    }

    [Fact]
    public void Every_caution_says_what_brought_it_in()
    {
        Machine machine = Four(
            """, "build": { "extras": ["cell", "cap"] } """,
            """
            , "service": [ { "id": "cell", "kind": "cell", "what": "clock cell", "access": "lid" }, { "id": "cap", "kind": "capacitor", "what": "mains cap", "volts": 400, "access": "shield" } ]
            """
        ) with
        {
            UnitMore = """, "survey": { "cells": "bad" } """,
        };
        BuildSheet sheet = Sheet(machine);
        Step At(string id) => sheet.Steps.First(s => $"{s.Id}" == id);
        Assert.Equal(["leaking"], At("open-lid").Cautions.Select(c => c.Id));
        Assert.Equal(["capacitors"], At("open-shield").Cautions.Select(c => c.Id));
        Assert.Contains("400 V", At("open-shield").Cautions[0].Why);
        Assert.Equal(["lithium"], At("service-cell").Cautions.Select(c => c.Id));
        Assert.Equal(["capacitors", "hot", "fumes"], At("service-cap").Cautions.Select(c => c.Id));
        Assert.Contains(At("fit-pa").Cautions, c => c.Id == "static");
        Assert.All(sheet.Steps.SelectMany(s => s.Cautions), c => Assert.NotEmpty(c.Why));
        Assert.True(Ids(sheet).ToList().IndexOf("service-cap") > Ids(sheet).ToList().IndexOf("open-shield"));
    }

    [Fact]
    public void A_gate_asks_for_the_case_as_the_model_says()
    {
        Machine machine = Four(
            "",
            """, "gate": { "minutes": 12, "case": "closed", "reopenMinutes": 25, "needs": ["keyboard"] } """
        );
        BuildSheet sheet = Sheet(machine);
        Step gate = sheet.Steps.First(s => $"{s.Id}" == "count-pa");
        Assert.Equal(12 + 25, gate.Minutes);
        Assert.Contains("Plug in again for it: keyboard ribbon.", gate.Details);
        Assert.Contains("Connect keyboard, switch on and read the screen.", gate.Details);
        Assert.Equal(3 * 25, sheet.Schools.Careful.Reopening);
        Assert.Equal(12, sheet.Steps[0].Minutes);
    }

    [Fact]
    public void Chances_and_minutes_are_learnt_with_the_sheet_worth_ten()
    {
        Machine machine = Four();
        BuildSheet sheet = Sheet(machine);
        Job job = machine.Pack.Jobs[0];
        Work fit = sheet.Order.Works.First(w => w.Gate!.Id == Acts.Count(InstanceName.Parse("pa")));
        Assert.Equal(0.1m, Experience.None.ChanceOf(fit));
        Assert.Null(Experience.None.MinutesOf(fit));

        job = JobEdits.Took(
            JobEdits.Read(job, new GateReading { Gate = Acts.Count(InstanceName.Parse("pa")), Starts = false }),
            Acts.Fit(InstanceName.Parse("pa")),
            30
        );
        job = JobEdits.Read(job, new GateReading { Gate = Acts.Count(InstanceName.Parse("pa")), Starts = true });
        var learnt = Experience.Of([Taught.By(sheet, job)]);
        // One of the sheet's ten, and the first of one's own readings differed: the second counts for the mend.
        Assert.Equal((0.1m * 10 + 1) / 11, learnt.ChanceOf(fit));
        Assert.Equal(1, learnt.TrialsOf(fit));
        Assert.Equal(30, learnt.MinutesOf(fit));
        Assert.Equal(0.1m, learnt.ChanceOf(sheet.Order.Works.First(w => w.Gate!.Id == Acts.Count(InstanceName.Parse("pb")))));
    }

    [Fact]
    public void Every_demo_job_has_an_order_that_is_proven_and_no_step_twice()
    {
        foreach (Pack pack in Demo.Packs)
        foreach (Job job in pack.Jobs)
        foreach (School school in Enum.GetValues<School>())
        {
            var sheet = BuildSheet.For(Trail.Stations, Plan.For(pack, pack.FindUnit(job.Unit)!), Plan.For(pack, job), school);
            Assert.Equal(sheet.Steps.Count, sheet.Steps.Select(s => s.Id).Distinct().Count());
            foreach ((int i, Step step) in sheet.Steps.Index())
                Assert.DoesNotContain(sheet.Steps.Skip(i + 1), later => step.Needs.Contains(later.Id));
            Assert.True(sheet.Order.Works.Count == 0 || sheet.Order.Ordering is not null);
        }
    }
}
