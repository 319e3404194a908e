using RustCabin.Core.Answers;
using RustCabin.Core.Fit;

namespace RustCabin.Core.Tests.Fit;

/// <summary>Each check that holds a part against its place: what raises it, and what by a hair does not.</summary>
public sealed class MoreFitChecksTests
{
    static string[] Codes(
        string site,
        string part,
        string way = "",
        string occupies = "",
        string more = "",
        string job = "",
        string unit = "",
        string parts = ""
    ) =>
        [
            .. new Machine
            {
                More =
                    $$""", "sites": [ { "id": "slot", "kind": "slot", "connector": "bus-50" {{site}} }, { "id": "slot-2", "kind": "slot", "connector": "bus-50", "revisions": ["r2"] } ] {{more}}""",
                Parts =
                    $$"""{ "id": "p", "name": "P", "kind": "io", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "slot", "mode": "in" {{occupies}} } ] {{way}} } ] {{part}} } {{parts}}""",
                Job = job.Length > 0 ? job : Machine.Add("p"),
                UnitMore = unit,
            }.Codes.Except(["BASE-UNTESTED"]),
        ];

    [Theory]
    [InlineData("", "", "FIT-NO-SITE")]
    [InlineData("", ", \"at\": \"slot-2\"", "FIT-NO-SITE")]
    [InlineData(", \"at\": \"other\"", "", "FIT-NO-SITE")]
    public void FIT_NO_SITE_when_no_connector_is_left_or_the_one_named_is_not_there(string first, string second, string code)
    {
        Machine machine = new()
        {
            More =
                """, "sites": [ { "id": "slot", "kind": "slot", "connector": "bus-50" }, { "id": "slot-2", "kind": "slot", "connector": "bus-50", "revisions": ["r2"] }, { "id": "other", "kind": "plug", "connector": "lamp-4" } ]""",
            Parts =
                """{ "id": "p", "name": "P", "kind": "io", "ways": [ { "id": "w", "connector": "bus-50" } ] }, { "id": "q", "name": "Q", "kind": "io", "ways": [ { "id": "w", "connector": "bus-50" } ] }""",
            Job = $$""" "add": [ { "part": "p", "way": "w" {{first}} }, { "part": "q", "way": "w" {{second}} } ]""",
        };
        Assert.Contains(code, machine.Codes);
        Assert.DoesNotContain("FIT-NO-SITE", (machine with { Job = Machine.Add("p") }).Codes);
        Assert.DoesNotContain(
            "FIT-NO-SITE",
            (machine with { More = machine.More.Instead(", \"revisions\": [\"r2\"]", ""), Job = Machine.Add("p", "q") }).Codes
        );
    }

    [Fact]
    public void FIT_NO_SITE_for_a_site_of_another_board_or_of_a_part_that_is_not_there()
    {
        const string Carrier =
            """, { "id": "c", "name": "C", "kind": "adapter", "ways": [ { "id": "w", "model": "m" } ], "sites": [ { "id": "seat", "kind": "socket" } ] }, { "id": "q", "name": "Q", "kind": "io", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "c:seat", "mode": "in" } ] } ] }""";
        Assert.Contains("FIT-NO-SITE", Codes("", "", parts: Carrier, job: Machine.Add("q")));
        Assert.DoesNotContain("FIT-NO-SITE", Codes("", "", parts: Carrier, job: Machine.Add("c", "q")));
        Assert.Contains("FIT-NO-SITE", Codes(", \"revisions\": [\"r2\"]", ""));
    }

    [Fact]
    public void FIT_SLOT_when_software_looks_elsewhere()
    {
        Assert.Contains("FIT-SLOT", Codes("", "", way: ", \"expects\": \"slot-2\""));
        Assert.DoesNotContain("FIT-SLOT", Codes("", "", way: ", \"expects\": \"slot\""));
    }

    [Theory]
    [InlineData("top-left", "bottom-right", true)]
    [InlineData("top-left", "top-left", false)]
    public void FIT_ORIENTATION_by_the_marks(string site, string part, bool raised) =>
        Assert.Equal(
            raised,
            Codes($", \"mark\": \"{site}\"", "", occupies: $", \"mark\": \"{part}\"").Contains("FIT-ORIENTATION")
        );

    [Theory]
    [InlineData("90", null)]
    [InlineData("90.1", "watch")]
    [InlineData("100", "watch")]
    [InlineData("100.1", "stop")]
    public void FIT_ENVELOPE_by_width_and_depth(string mm, string? severity)
    {
        foreach (string side in (string[])["widthMm", "depthMm"])
            Assert.Equal(
                severity,
                new Machine
                {
                    More = $$""", "sites": [ { "id": "slot", "kind": "slot", "{{side}}": 100 } ]""",
                    Parts = Machine.Part("p", $", \"{side}\": {mm}"),
                    Job = Machine.Add("p"),
                }
                    .Answer.Findings.FirstOrDefault(f => f.Code == "FIT-ENVELOPE")
                    ?.Severity.ToString()
                    .ToLowerInvariant()
            );
    }

    [Theory]
    [InlineData(36, 2.7, false)]
    [InlineData(37, 1, true)]
    [InlineData(10, 2.8, true)]
    public void FIT_OPENING_by_the_widest_and_by_heights_together(decimal wide, decimal high, bool raised) =>
        Assert.Equal(
            raised,
            Codes(
                    "",
                    $$""", "cables": [ { "what": "ribbon", "through": "gap", "widthMm": {{wide}}, "heightMm": {{high - 1}} }, { "what": "lead", "through": "gap", "widthMm": 3, "heightMm": 1 } ]""",
                    more: """, "openings": [ { "id": "gap", "widthMm": 40, "heightMm": 3 } ]"""
                )
                .Contains("FIT-OPENING")
        );

    [Fact]
    public void FIT_OPENING_that_the_model_does_not_have() =>
        Assert.Contains("FIT-OPENING", Codes("", """, "cables": [ { "what": "ribbon", "through": "gap" } ]"""));

    [Theory]
    [InlineData("true", "true", true)]
    [InlineData("true", "false", false)]
    [InlineData("false", "true", false)]
    public void FIT_BARE_metal_over_bare_contacts(string metal, string contacts, bool raised) =>
        Assert.Equal(raised, Codes($", \"bareContacts\": {contacts}", $", \"bareMetal\": {metal}").Contains("FIT-BARE"));

    [Theory]
    [InlineData("up", "up", true)]
    [InlineData("up", "down", false)]
    public void FIT_CABLE_that_faces_as_its_connector_does(string cable, string site, bool raised) =>
        Assert.Equal(
            raised,
            Codes(
                    $", \"contactsFace\": \"{site}\"",
                    $$""", "cables": [ { "what": "flat cable", "into": "slot", "contactsFace": "{{cable}}" } ]"""
                )
                .Contains("FIT-CABLE")
        );

    [Fact]
    public void FIT_TRIM_is_a_stop_where_all_must_be_undone()
    {
        const string Trim = ", \"trims\": [\"the lid post\"]";
        Assert.Contains("FIT-TRIM", Codes("", "", way: Trim));
        Machine machine = new()
        {
            More = Machine.Slot,
            Parts = """{ "id": "p", "name": "P", "kind": "io", "ways": [ { "id": "w", "model": "m", "trims": ["post"] } ] }""",
            Job = Machine.Add("p") + ", \"limits\": { \"reversible\": true }",
        };
        Assert.Equal(Standing.Stop, machine.Answer.Standing);
        Assert.DoesNotContain("FIT-TRIM", Codes("", ""));
    }

    [Theory]
    [InlineData("", true)]
    [InlineData(", \"software\": { \"Quay driver\": \"1.9\" }", true)]
    [InlineData(", \"software\": { \"Quay driver\": \"1.10\" }", false)]
    [InlineData(", \"software\": { \"Quay driver\": \"2\" }", false)]
    public void FIT_DRIVER_by_its_version(string unit, bool raised) =>
        Assert.Equal(
            raised,
            Codes("", """, "drivers": [ { "name": "Quay driver", "atLeast": "1.10", "order": "before" } ]""", unit: unit)
                .Contains("FIT-DRIVER")
        );

    [Fact]
    public void FIT_DRIVER_of_another_firmware_is_a_stop_and_one_before_fitting_comes_first_on_the_build_sheet()
    {
        Machine machine = new()
        {
            More = Machine.Slot + """, "firmware": [ { "id": "1.0" }, { "id": "2.0" } ]""",
            Parts = Machine.Part(
                "p",
                """, "drivers": [ { "name": "D", "atLeast": "1", "order": "before", "firmware": "2.0" } ]"""
            ),
            Job = Machine.Add("p"),
            UnitMore = """, "firmware": "1.0", "software": { "D": "1" }""",
        };
        Assert.Equal(Core.Findings.Severity.Stop, machine.Answer.Findings.Single(f => f.Code == "FIT-DRIVER").Severity);
        Assert.DoesNotContain("FIT-DRIVER", (machine with { UnitMore = machine.UnitMore.Instead("\"1.0\"", "\"2.0\"") }).Codes);
        Machine without = machine with { UnitMore = "" };
        string[] steps =
        [
            .. Core
                .Build.BuildSheet.For(
                    Trail.Stations,
                    Core.Planning.Plan.For(without.Pack, without.Pack.Units[0]),
                    without.Planned
                )
                .Steps.Select(s => $"{s.Id}"),
        ];
        Assert.Equal(["untouched", "driver-p-1", "fit-p"], steps.Take(3));
    }

    [Theory]
    [InlineData("1.9", "1.10", true)]
    [InlineData("1.10", "1.9", false)]
    [InlineData("1.2", "1.2", false)]
    [InlineData("2", "2.0.1", true)]
    [InlineData("1.0b", "1.0a", false)]
    [InlineData("anything", "", false)]
    public void Versions_are_held_number_by_number(string has, string wanted, bool older) =>
        Assert.Equal(older, SoftwareChecks.Older(has, wanted));

    [Theory]
    [InlineData("1", false)]
    [InlineData("2", true)]
    [InlineData("3", true)]
    public void PART_ERRATA_of_its_version(string version, bool raised) =>
        Assert.Equal(
            raised,
            Codes(
                    "",
                    """, "versions": [ { "id": "1" }, { "id": "2", "errata": ["bank light reversed"] } ]""",
                    job: $$""" "add": [ { "part": "p", "way": "w", "version": "{{version}}" } ]"""
                )
                .Contains("PART-ERRATA")
        );

    [Theory]
    [InlineData(3, false)]
    [InlineData(4, true)]
    public void FIT_SKILL_over_the_limit(int skill, bool raised) =>
        Assert.Equal(
            raised,
            Codes("", "", way: $", \"skill\": {skill}", job: Machine.Add("p") + ", \"limits\": { \"skill\": 3 }")
                .Contains("FIT-SKILL")
        );

    [Theory]
    [InlineData("90.00", false)]
    [InlineData("90.01", true)]
    public void LIMIT_BUDGET_over_the_budget(string price, bool raised) =>
        Assert.Equal(
            raised,
            Codes("", $", \"price\": {price}", job: Machine.Add("p") + ", \"limits\": { \"budget\": 90 }")
                .Contains("LIMIT-BUDGET")
        );

    [Theory]
    [InlineData("true", false)]
    [InlineData("false", true)]
    public void LIMIT_UNDO_for_a_way_that_cannot_be(string reversible, bool raised) =>
        Assert.Equal(
            raised,
            Codes(
                    "",
                    "",
                    way: $", \"reversible\": {reversible}",
                    job: Machine.Add("p") + ", \"limits\": { \"reversible\": true }"
                )
                .Contains("LIMIT-UNDO")
        );

    [Theory]
    [InlineData("1K", false)]
    [InlineData("1025", true)]
    public void WANT_UNMET_by_a_byte(string size, bool raised) =>
        Assert.Equal(
            raised,
            new Machine
            {
                Claims = """{ "id": "a", "kind": "ram", "base": "0", "size": "1K" }""",
                Job = $$""" "wants": [ { "memory": { "master": "cpu", "atLeast": "{{size}}" } } ]""",
            }.Codes.Contains("WANT-UNMET")
        );

    [Theory]
    [InlineData("""{ "speed": { "atLeast": 3 } }""", ", \"speed\": { \"processor\": 3 }", true)]
    [InlineData("""{ "speed": { "atLeast": 3.01 } }""", ", \"speed\": { \"processor\": 3 }", false)]
    [InlineData("""{ "storage": { "atLeast": "2G" } }""", ", \"capacity\": \"2G\"", true)]
    [InlineData("""{ "storage": { "atLeast": "2147483649" } }""", ", \"capacity\": \"2G\"", false)]
    [InlineData("""{ "provides": "card" }""", ", \"provides\": [\"card\"]", true)]
    public void WANT_UNMET_for_speed_storage_and_what_parts_give(string want, string part, bool met) =>
        Assert.Equal(!met, Codes("", part, job: Machine.Add("p") + $", \"wants\": [{want}]").Contains("WANT-UNMET"));

    [Fact]
    public void KEEP_ORIGINAL_once_the_part_is_in_until_its_place_is_noted()
    {
        const string Keeps = ", \"keeps\": [\"processor chip\"]";
        string done = Machine.Add("p") + ", \"done\": [\"fit-p\"]";
        Assert.DoesNotContain("KEEP-ORIGINAL", Codes("", Keeps));
        Assert.Contains("KEEP-ORIGINAL", Codes("", Keeps, job: done));
        Assert.Contains(
            "KEEP-ORIGINAL",
            Codes("", Keeps, job: done, unit: """, "belongings": [ { "what": "processor chip", "original": true } ]""")
        );
        Assert.DoesNotContain(
            "KEEP-ORIGINAL",
            Codes(
                "",
                Keeps,
                job: done,
                unit: """, "belongings": [ { "what": "processor chip", "original": true, "place": "box 3" } ]"""
            )
        );
    }

    [Theory]
    [InlineData(5.4, null)]
    [InlineData(5.5, "FIT-HEIGHT")]
    public void FIT_HEIGHT_under_a_board_that_hangs_over(decimal mm, string? code) =>
        Assert.Equal(
            code,
            new Machine
            {
                More = Machine.Slot,
                Job = Machine.Add("a", "b"),
                Parts =
                    $$"""{ "id": "a", "name": "A", "kind": "io", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "slot", "mode": "in", "overhangs": [ { "site": "slot-2", "clearanceMm": 6 } ] } ] } ] }, {{Machine.Part("b", $", \"heightMm\": {mm}", site: "slot-2")}}""",
            }.Codes.FirstOrDefault(c => c == "FIT-HEIGHT")
        );
}
