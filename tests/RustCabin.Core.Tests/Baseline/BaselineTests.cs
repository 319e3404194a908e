using System.Text.Json.Nodes;
using RustCabin.Core.Answers;
using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Baseline;

/// <summary>What a unit did and was before anything was touched: each finding, and one that by a hair is none.</summary>
public class BaselineTests
{
    static readonly Machine Plain = new()
    {
        Claims = """{ "id": "a", "kind": "ram", "base": "0", "size": "16K" }""",
        PowerUp = """{ "label": "main", "from": "0", "to": "32K", "step": "4K" }""",
        More =
            Machine.Slot
            + """, "rails": [ { "id": "+5", "volts": 5, "amps": 1 }, { "id": "-12", "volts": -12, "amps": 1, "tolerance": 0.1 } ]""",
    };

    static Machine Baseline(string baseline) => Plain with { UnitMore = $", \"baseline\": {baseline}" };

    static Machine Survey(string survey) => Plain with { UnitMore = $", \"survey\": {survey}" };

    [Theory]
    [InlineData("""{ "tested": false }""", true)]
    [InlineData("""{ "tested": true }""", false)]
    public void BASE_UNTESTED(string baseline, bool raised) =>
        Assert.Equal(raised ? ["BASE-UNTESTED"] : [], Baseline(baseline).Codes);

    [Theory]
    [InlineData("[]", "[]", false)]
    [InlineData("""["open-lid"]""", "[]", true)]
    [InlineData(
        """["open-lid"]""",
        """[ { "gate": "untouched", "at": "now", "lines": [ { "label": "main", "bytes": "16K" } ] } ]""",
        false
    )]
    public void Work_begun_without_a_test_is_untested_too(string done, string readings, bool raised) =>
        Assert.Equal(
            raised,
            (Plain with { Job = $"\"add\": [], \"done\": {done}, \"readings\": {readings}" }).Codes.Contains("BASE-UNTESTED")
        );

    [Theory]
    [InlineData("12K", true)]
    [InlineData("16K", false)]
    public void BASE_FAULT(string seen, bool raised) =>
        Assert.Equal(
            raised ? ["BASE-FAULT"] : [],
            Baseline(
                $$"""{ "tested": true, "reading": { "at": "x", "lines": [ { "label": "main", "bytes": "{{seen}}" } ] } }"""
            ).Codes
        );

    [Fact]
    public void A_baseline_is_compared_with_the_unit_as_it_stands_and_not_with_the_plan()
    {
        Machine more = Baseline(
            """{ "tested": true, "reading": { "at": "x", "lines": [ { "label": "main", "bytes": "16K" } ] } }"""
        ) with
        {
            Parts = Machine.Part("p", """, "claims": [ { "id": "b", "kind": "ram", "base": "16K", "size": "16K" } ]"""),
            Job = Machine.Add("p"),
        };
        Assert.Empty(more.Codes);
        Assert.Equal(32ul << 10, more.Answer.PowerUp.Total.Bytes);
    }

    [Fact]
    public void A_noted_fault_was_there_before_and_a_plain_note_is_none()
    {
        Answer answer = Baseline(
            """{ "tested": true, "notes": [ { "text": "hums", "fault": true }, { "text": "scratch" } ] }"""
        ).Answer;
        Assert.Equal("hums", Assert.Single(answer.Findings).Text);
    }

    [Theory]
    [InlineData("+5", "4.75", false)]
    [InlineData("+5", "4.749", true)]
    [InlineData("+5", "5.25", false)]
    [InlineData("+5", "5.251", true)]
    [InlineData("-12", "-13.2", false)]
    [InlineData("-12", "-13.21", true)]
    [InlineData("-12", "12", true)]
    public void BASE_RAIL(string rail, string volts, bool raised) =>
        Assert.Equal(
            raised ? ["BASE-RAIL"] : [],
            Baseline($$"""{ "tested": true, "rails": [ { "rail": "{{rail}}", "volts": {{volts}} } ] }""").Codes
        );

    [Theory]
    [InlineData(120, 230, true)]
    [InlineData(220, 240, false)]
    [InlineData(240, 220, false)]
    [InlineData(100, 115, true)]
    public void COND_MAINS(int made, int here, bool raised)
    {
        Answer answer = Survey($$"""{ "suppliedForVolts": {{made}}, "mainsHereVolts": {{here}} }""").Answer;
        Assert.Equal(raised ? ["COND-MAINS"] : [], answer.Findings.Select(f => f.Code));
        Assert.Equal(raised ? Standing.Stop : Standing.Clear, answer.Standing);
    }

    [Theory]
    [InlineData("bad", true)]
    [InlineData("doubtful", false)]
    public void COND_CAPACITORS(string state, bool raised) =>
        Assert.Equal(raised ? ["COND-CAPACITORS"] : [], Survey($$"""{ "capacitors": "{{state}}" }""").Codes);

    [Theory]
    [InlineData("bad", true)]
    [InlineData("doubtful", false)]
    public void COND_CELL(string state, bool raised) =>
        Assert.Equal(raised ? ["COND-CELL"] : [], Survey($$"""{ "cells": "{{state}}" }""").Codes);

    [Theory]
    [InlineData("bad", true)]
    [InlineData("doubtful", false)]
    public void COND_CORROSION(string state, bool raised) =>
        Assert.Equal(raised ? ["COND-CORROSION"] : [], Survey($$"""{ "corrosion": "{{state}}" }""").Codes);

    [Theory]
    [InlineData("bad", true)]
    [InlineData("doubtful", false)]
    public void COND_PLASTIC(string state, bool raised) =>
        Assert.Equal(raised ? ["COND-PLASTIC"] : [], Survey($$"""{ "plastic": "{{state}}" }""").Codes);

    [Theory]
    [InlineData("Wires hang out", true)]
    [InlineData("", false)]
    public void COND_HALF_DONE(string text, bool raised) =>
        Assert.Equal(raised ? ["COND-HALF-DONE"] : [], Survey($$"""{ "halfDone": "{{text}}" }""").Codes);

    [Theory]
    [InlineData("doubtful", null, 2000, "found doubtful")]
    [InlineData("sound", 1987, 2012, null)]
    [InlineData("sound", 1987, 2013, "26 years old, due after 25")]
    [InlineData("sound", null, 2100, null)]
    public void A_piece_is_replaced_when_it_is_found_worn_or_is_past_its_years(string state, int? made, int year, string? why)
    {
        Machine machine = Survey($$"""{ "capacitors": "{{state}}" {{(made is null ? "" : $", \"year\": {made}")}} }""") with
        {
            More =
                Machine.Slot
                + """, "service": [ { "id": "c1", "kind": "capacitor", "what": "capacitor", "value": "47 uF", "volts": 16, "years": 25 }, { "id": "c2", "kind": "capacitor", "what": "of the other board", "revisions": ["r2"] } ]""",
        };
        Assert.Equal(why is null ? [] : [why], ConditionChecks.Replacements(machine.Planned, year).Select(r => r.Why));
    }

    static Machine Inherited(string fitted) =>
        Plain with
        {
            Parts = Machine
                .Part("p", "")
                .Instead(
                    "\"mode\": \"in\" } ]",
                    "\"mode\": \"in\" } ], \"steps\": [ { \"id\": \"cut\", \"what\": \"Cut the trace\", \"proof\": \"open\" "
                        + "}, \"Lift leg 4\" ]"
                ),
            Fitted = $$"""{ "part": "p", "way": "w" {{fitted}} }""",
        };

    [Theory]
    [InlineData("", false)]
    [InlineData(""", "state": "half" """, true)]
    [InlineData(""", "state": "unproven", "steps": { "cut": "done", "step-2": "done" }""", false)]
    [InlineData(""", "steps": { "step-2": "missing" }""", true)]
    public void WORK_UNPROVEN(string fitted, bool raised) =>
        Assert.Equal(raised ? ["WORK-UNPROVEN"] : [], Inherited(fitted).Codes);

    [Fact]
    public void Unproven_steps_bar_the_first_power_on()
    {
        Machine machine = Inherited(""", "state": "half", "steps": { "cut": "missing" }""") with { Job = "\"add\": []" };
        PlannedUnit before = Plan.For(machine.Pack, machine.Pack.Units[0]);
        BuildSheet sheet = BuildSheet.For(Trail.Stations, before, machine.Planned);
        Assert.Equal(["prove-p-cut", "prove-p-step-2", "untouched"], sheet.Steps.Select(s => $"{s.Id}"));
        Assert.Equal("Do and prove: Cut the trace", sheet.Steps[0].Title);
        Assert.Equal(
            [StepState.Open, StepState.Locked, StepState.Locked],
            Progress.Of(sheet, machine.Planned.Job).Steps.Select(s => s.State)
        );
        Job ticked = machine.Planned.Job! with
        {
            Done = [Acts.Prove(InstanceName.Parse("p"), "cut"), Acts.Prove(InstanceName.Parse("p"), "step-2")],
        };
        Assert.Equal(StepState.Open, Progress.Of(sheet, ticked).Steps[2].State);
    }

    [Fact]
    public void The_baseline_reading_passes_the_gate_of_the_untouched_machine()
    {
        Machine machine = Baseline(
            """{ "tested": true, "reading": { "at": "x", "lines": [ { "label": "main", "bytes": "16K" } ] } }"""
        );
        BuildSheet sheet = BuildSheet.For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), machine.Planned);
        Assert.Equal(StepState.Done, Progress.Of(sheet, machine.Planned.Job).Steps[0].State);
    }

    [Theory]
    [InlineData("12.3", "12.3", "12.3", "12.3")]
    [InlineData("12.4 12.1 12.2", "12.2", "12.1", "12.4")]
    [InlineData("4 1 2 3", "2.5", "1", "4")]
    public void Runs_have_a_median_and_a_spread(string seconds, string median, string least, string most)
    {
        decimal[] runs = [.. seconds.Split(' ').Select(s => decimal.Parse(s, System.Globalization.CultureInfo.InvariantCulture))];
        Assert.Equal(new Runs(Number(median), Number(least), Number(most)), Runs.Of(runs));
        Assert.Null(Runs.Of([]));
        static decimal Number(string text) => decimal.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public void What_is_noted_reads_again_and_can_be_taken_away()
    {
        var unit = JsonNode
            .Parse("""{ "id": "u", "model": "m", "name": "U", "fitted": [ { "part": "p", "way": "w" } ] }""")!
            .AsObject();
        JsonObject noted = Edited.Of<Unit>(
            unit,
            u =>
            {
                u = BaselineEdits.Rails(u, [new MeasuredRail { Rail = "+5", Volts = 4.93m }]);
                u = BaselineEdits.Runs(u, "sieve", [12.1m, 12.3m]);
                u = BaselineEdits.Runs(u, "sieve", [12.0m]);
                u = BaselineEdits.Note(u, "hums", fault: true);
                u = BaselineEdits.Survey(u, s => s with { Year = 1987 });
                u = BaselineEdits.Belongs(u, Strap);
                return BaselineEdits.Found(u, 0, "cut", StepProof.Missing);
            }
        );
        Unit read = PackReader
            .ReadUnit(System.Text.Json.JsonDocument.Parse(noted.ToJsonString()).RootElement, Inherited("").Pack)
            .Value!;
        Assert.Equal(4.93m, Assert.Single(read.Baseline!.Rails).Volts);
        Assert.Equal([12.0m], Assert.Single(read.Baseline.Runs).Seconds);
        Assert.False(read.Baseline.Tested);
        Assert.Equal(1987, read.Survey!.Year);
        Assert.Equal(Strap, Assert.Single(read.Belongings));
        Assert.Equal(StepProof.Missing, read.Fitted[0].Steps["cut"]);
        noted = Edited.Of<Unit>(noted, u => BaselineEdits.DropBelonging(BaselineEdits.Survey(u, s => s with { Year = null }), 0));
        Assert.False(noted.ContainsKey("survey"));
        Assert.False(noted.ContainsKey("belongings"));
        Assert.False(unit.ContainsKey("baseline"));
    }

    static readonly Belonging Strap = new()
    {
        What = "strap",
        Original = true,
        Place = "peg 4",
    };
}
