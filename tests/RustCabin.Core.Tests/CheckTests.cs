using RustCabin.Core.Answers;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests;

/// <summary>Each finding: a machine that raises it, and one that by a hair does not.</summary>
public class CheckTests
{
    const string Count = """{ "label": "l", "from": "0", "to": "32K", "step": "4K" }""";

    static string Ram(string id, string from, string size) =>
        $$"""{ "id": "{{id}}", "kind": "ram", "base": "{{from}}", "size": "{{size}}" }""";

    static Machine Two(string second, string more = "") =>
        new()
        {
            Claims = Ram("a", "0", "16K"),
            More = Machine.Slot + more,
            Parts = Machine.Part("p", $", \"claims\": [{second}]"),
            Job = Machine.Add("p"),
        };

    [Theory]
    [InlineData("0x3FFF", true)]
    [InlineData("0x4000", false)]
    public void MAP_FIGHT(string from, bool raised)
    {
        Answer answer = Two(Ram("b", from, "16K")).Answer;
        Assert.Equal(raised, answer.Findings.Any(f => f.Code == "MAP-FIGHT"));
        Assert.Equal(raised ? Standing.Stop : Standing.Clear, answer.Standing);
        if (raised)
            Assert.Equal(
                [Subject.Model("a"), Subject.Part(InstanceName.Parse("p"))],
                answer.Findings.First(f => f.Code == "MAP-FIGHT").Subjects
            );
    }

    [Theory]
    [InlineData("0x4F", true)]
    [InlineData("0x50", false)]
    public void MAP_WRITE_TWICE(string from, bool raised)
    {
        var machine = new Machine
        {
            Claims =
                $$"""{ "id": "a", "kind": "register", "base": "0x40", "size": "16", "access": "write" }, { "id": "b", "kind": "register", "base": "{{from}}", "size": "16", "access": "write" }""",
        };
        Assert.Equal(raised ? ["MAP-WRITE-TWICE"] : [], machine.Codes);
        Assert.Equal(raised ? Standing.Watch : Standing.Clear, machine.Answer.Standing);
    }

    [Theory]
    [InlineData("0xF001", true)]
    [InlineData("0xF000", false)]
    public void MAP_OUTSIDE(string from, bool raised) =>
        Assert.Equal(raised ? ["MAP-OUTSIDE"] : [], new Machine { Claims = Ram("a", from, "4K") }.Codes);

    [Theory]
    [InlineData("0x8000", true)]
    [InlineData("0x4000", false)]
    public void MAP_UNSEEN(string from, bool raised) =>
        Assert.Equal(raised ? ["MAP-UNSEEN"] : [], (Two(Ram("b", from, "16K")) with { PowerUp = Count }).Codes);

    [Fact]
    public void Memory_seen_only_at_a_mirror_is_seen() =>
        Assert.Empty(
            new Machine
            {
                Claims = """{ "id": "a", "kind": "ram", "base": "0x8000", "size": "32K", "mask": "0" }""",
                PowerUp = Count,
            }.Codes
        );

    [Fact]
    public void Memory_under_an_overlay_is_not_there_to_be_seen() =>
        Assert.Empty(
            new Machine
            {
                Claims =
                    Ram("a", "0", "32K")
                    + """, { "id": "rom", "kind": "rom", "base": "0x7000", "size": "4K", "overlays": ["a"] }""",
                PowerUp = """{ "label": "l", "from": "0", "to": "28K", "step": "4K" }""",
            }.Codes
        );

    [Theory]
    [InlineData("24K", true)]
    [InlineData("32K", false)]
    public void MAP_BEYOND_LIMIT(string limit, bool raised)
    {
        Machine byLimit = Two(Ram("b", "16K", "16K"), $$""", "limits": { "memory": { "cpu": "{{limit}}" } }""");
        Machine byCap = Two(Ram("b", "16K", "16K")) with { PowerUp = Count.Replace(" }", $", \"cap\": \"{limit}\" }}") };
        Assert.Equal(raised ? ["MAP-BEYOND-LIMIT"] : [], byLimit.Codes);
        Assert.Equal(raised ? ["MAP-BEYOND-LIMIT"] : [], byCap.Codes);
        if (raised)
            Assert.Contains("32 KiB - 24 KiB = 8 KiB", byLimit.Answer.Findings[0].Why[^1]);
    }

    [Theory]
    [InlineData("7M", true)]
    [InlineData("8M", false)]
    public void AUTO_NO_ROOM(string window, bool raised)
    {
        var machine = new Machine
        {
            AddressBits = 24,
            More = $$""", "autoWindows": [ { "id": "w", "base": "0", "size": "{{window}}" } ]""" + Machine.Slot,
            Parts =
                Machine.Part("p", """, "claims": [ { "id": "a", "kind": "ram", "auto": true, "size": "4M" } ]""")
                + ","
                + Machine.Part(
                    "q",
                    """, "claims": [ { "id": "a", "kind": "ram", "auto": true, "size": "4M" } ]""",
                    site: "slot-2"
                ),
            Job = Machine.Add("q", "p"),
        };
        Assert.Equal(raised ? ["AUTO-NO-ROOM"] : [], machine.Codes);
        // In slot order, whatever the order of the job: p sits in the first slot.
        Assert.Equal("part:p:a", $"{machine.Planned.Claims.MinBy(c => c.Base)!.Owner}");
        if (raised)
            Assert.Equal([Subject.Part(InstanceName.Parse("q"))], machine.Answer.Findings[0].Subjects);
    }

    [Theory]
    [InlineData("\"r2\"", true)]
    [InlineData("\"r1\"", false)]
    [InlineData("", false)]
    public void FIT_REVISION(string revisions, bool raised)
    {
        var machine = new Machine
        {
            More = Machine.Slot,
            Parts =
                $$"""{ "id": "p", "name": "p", "kind": "io", "ways": [ { "id": "w", "model": "m", "revisions": [{{revisions}}], "occupies": [] } ] }""",
            Job = Machine.Add("p"),
        };
        Assert.Equal(raised ? ["FIT-REVISION"] : [], machine.Codes);
    }

    [Theory]
    // Trust 0.95 in one clue of two values leaves the other board 5 %; a confirmed board leaves no doubt.
    [InlineData("0.95", "", true)]
    [InlineData("0.9501", "", false)]
    [InlineData("0.95", ", \"revision\": \"r1\"", false)]
    public void FIT_DOUBT(string trust, string confirmed, bool raised)
    {
        string json = $$"""
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                  "revisions": [ { "id": "r1", "name": "Board 1" }, { "id": "r2", "name": "Board 2" } ],
                "clues": [ { "id": "c", "ask": "Label", "trust": {{trust}}, "values": { "1": ["r1"], "2": ["r2"] } }, { "id": "d",
                    "ask": "Crystal", "trust": 0.9, "values": { "1": ["r1"], "2": ["r2"] } } ] } ],
              "parts": [ { "id": "p", "name": "Part", "kind": "io", "ways": [ { "id": "w", "model": "m",
                  "revisions": ["r1"] } ] } ],
              "units": [ { "id": "u", "model": "m", "name": "U", "seen": { "c": "1" } {{confirmed}} } ], "jobs": [ { "id": "j",
                  "unit": "u", "name": "J", "add": [ { "part": "p" } ] } ] }
            """;
        Answer answer = Sample.Answer(Sample.Pack(json));
        Assert.Equal(raised ? ["FIT-DOUBT"] : [], answer.Findings.Select(f => f.Code));
        if (raised)
            Assert.Equal("Part fits Board 1, not Board 2; Board 2 still has 5 %.", answer.Findings[0].Text);
        if (raised)
            Assert.Contains("Crystal", answer.Findings[0].Why[^1]);
    }

    [Theory]
    [InlineData("in", "in", "", true)]
    [InlineData("in", "between", "", true)]
    [InlineData("in", "between", ", \"stacks\": true", false)]
    [InlineData("in", "in", ", \"stacks\": true", true)]
    [InlineData("tap", "tap", ", \"stacks\": true", false)]
    public void FIT_SITE_TAKEN(string first, string second, string stacks, bool raised)
    {
        var machine = new Machine
        {
            More = Machine.Slot,
            Parts = Machine.Part("p", stacks, first) + "," + Machine.Part("q", "", second),
            Job = Machine.Add("p", "q"),
        };
        Assert.Equal(raised ? ["FIT-SITE-TAKEN"] : [], machine.Codes);
    }

    [Fact]
    public void Two_parts_on_two_sites_are_not_in_each_others_way() =>
        Assert.Empty(
            new Machine
            {
                More = Machine.Slot,
                Parts = Machine.Part("p", "") + "," + Machine.Part("q", "", site: "slot-2"),
                Job = Machine.Add("p", "q"),
            }.Codes
        );

    [Theory]
    // 1 A x 0.8 = 0.8 A; nine tenths of it 0.72 A.
    [InlineData("0.72", null)]
    [InlineData("0.7201", "Watch")]
    [InlineData("0.8", "Watch")]
    [InlineData("0.8001", "Stop")]
    public void POWER_OVER(string peak, string? severity)
    {
        var machine = new Machine
        {
            More = Machine.Slot + """, "rails": [ { "id": "+5", "volts": 5, "amps": 1.0 } ]""",
            Parts = Machine.Part("p", $$""", "draws": [ { "rail": "+5", "peakAmps": {{peak}} } ]"""),
            Job = Machine.Add("p"),
        };
        Assert.Equal(
            severity is null ? [] : [$"POWER-OVER {severity}"],
            machine.Answer.Findings.Select(f => $"{f.Code} {f.Severity}")
        );
    }

    [Theory]
    [InlineData("-12", true)]
    [InlineData("+5", false)]
    public void POWER_NO_RAIL(string rail, bool raised)
    {
        var machine = new Machine
        {
            More =
                Machine.Slot
                + """, "rails": [ { "id": "+5", "volts": 5, "amps": 1.0 }, { "id": "-12", "volts": -12, "amps": 1.0, "revisions": ["r2"] } ]""",
            Parts = Machine.Part("p", $$""", "draws": [ { "rail": "{{rail}}", "peakAmps": 0.1 } ]"""),
            Job = Machine.Add("p"),
        };
        Assert.Equal(raised ? ["POWER-NO-RAIL"] : [], machine.Codes);
    }

    [Fact]
    public void A_part_may_bring_the_rail_or_stand_in_its_place()
    {
        var machine = new Machine
        {
            More = Machine.Slot + """, "rails": [ { "id": "+5", "volts": 5, "amps": 1.0 } ]""",
            Parts =
                Machine.Part("p", """, "draws": [ { "rail": "-12", "peakAmps": 0.1 }, { "rail": "+5", "peakAmps": 1.5 } ]""")
                + ","
                + Machine.Part(
                    "q",
                    """, "supplies": [ { "rail": "-12", "amps": 0.5 }, { "rail": "+5", "amps": 3.0, "replaces": true } ]""",
                    site: "slot-2"
                ),
            Job = Machine.Add("p", "q"),
        };
        Assert.Empty(machine.Codes);
        Assert.Equal(2.4m, machine.Answer.Rails.Single(r => r.Rail == "+5").CapacityAmps);
    }

    [Fact]
    public void What_a_part_sets_changes_what_is_there()
    {
        Machine machine = Two("", "") with
        {
            Parts = Machine.Part("p", """, "sets": [ { "claim": "model:a", "size": "32K" } ]"""),
        };
        Assert.Equal(32ul << 10, machine.Planned.Map.Reach[0].Bytes);
        Assert.Equal(
            0ul,
            (machine with { Parts = Machine.Part("p", """, "sets": [ { "claim": "model:a", "off": true } ]""") })
                .Planned
                .Map
                .Reach[0]
                .Bytes
        );
    }
}
