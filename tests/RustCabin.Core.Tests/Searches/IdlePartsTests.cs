using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Searches;

/// <summary>Parts that do nothing any more once a job is done.</summary>
public sealed class IdlePartsTests
{
    const string Text = """
        { "format": "rustcabin.pack/1",
          "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
            "revisions": [ { "id": "r1", "name": "Board 1" } ],
            "claims": [ { "id": "low", "kind": "ram", "base": "0x0000", "size": "16K" } ],
            "powerUp": [ { "label": "memory", "from": "0x0000", "to": "0xC000", "step": "1K" } ] } ],
          "parts": [
            { "id": "old", "name": "Old", "kind": "memory", "provides": ["memory"], "sets": [ ],
              "switches": [ { "id": "W1", "positions": ["on", "off"] } ],
              "claims": [ { "id": "bank", "kind": "ram", "base": "0x4000", "size": "16K", "when": { "W1": "on" } } ],
              "ways": [ { "id": "fit", "model": "m" } ] },
            { "id": "egg", "name": "Egg", "kind": "memory", "provides": ["memory"],
              "claims": [ { "id": "bank", "kind": "ram", "base": "0x4000", "size": "32K" } ],
              "ways": [ { "id": "fit", "model": "m" } ] } ],
          "units": [ { "id": "u", "model": "m", "name": "Slip U", "fitted": [ { "part": "old" } ] } ],
          "jobs": [ { "id": "j", "unit": "u", "name": "more", "add": [ { "part": "egg" } ],
            "switches": { "old": { "W1": "off" } } } ] }
        """;

    static IEnumerable<Finding> Idle(string from, string to) =>
        Sample.Answer(Sample.Pack(from.Length > 0 ? Text.Instead(from, to) : Text)).Findings.Where(f => f.Code == "PART-IDLE");

    [Fact]
    public void A_board_that_is_switched_off_for_a_larger_one_is_idle()
    {
        Finding idle = Assert.Single(Idle("", ""));
        Assert.Equal([Subject.Part(InstanceName.First("old"))], idle.Subjects);
        Assert.Equal(Severity.Note, idle.Severity);
        Assert.Contains("to the cupboard", idle.Text);
        Assert.Contains(idle.Why, w => w.Contains("48 KiB either way"));
    }

    [Theory]
    [InlineData("\"provides\": [\"memory\"], \"sets\"", "\"provides\": [\"memory\", \"clock\"], \"sets\"")]
    [InlineData("\"sets\": [ ]", "\"functions\": [ { \"id\": \"lamp\" } ]")]
    [InlineData("\"name\": \"more\", \"add\"", "\"name\": \"more\", \"wants\": [ { \"part\": \"old\" } ], \"add\"")]
    [InlineData("\"when\": { \"W1\": \"on\" }", "\"when\": { \"W1\": \"off\" }")]
    public void A_part_that_still_does_something_is_not(string from, string to) => Assert.Empty(Idle(from, to));

    [Fact]
    public void What_is_idle_is_told_and_what_is_not_is_held_back()
    {
        Assert.NotEmpty(Idle("", ""));
        Assert.Empty(Idle("\"provides\": [\"memory\"], \"sets\"", "\"provides\": [\"memory\", \"clock\"], \"sets\""));
    }

    [Fact]
    public void A_part_whose_sheet_does_not_say_what_it_does_is_left_alone()
    {
        Pack pack = Sample.Pack(Text);
        Part silent = pack.FindPart("old")! with { Claims = [], Provides = [] };
        Assert.DoesNotContain(
            Sample.Answer(pack with { Parts = [silent, pack.FindPart("egg")!] }).Findings,
            f => f.Code == "PART-IDLE"
        );
    }
}
