using System.Text.Json;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Identify;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Planning;

/// <summary>Switches of a machine's own board: they are set, solved, walked, suspected and kept as those of a part
/// are.</summary>
public sealed class MainboardTests
{
    const string Text = """
        { "format": "rustcabin.pack/1",
          "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
            "revisions": [ { "id": "r1", "name": "Board 1" } ],
            "switches": [ { "id": "W3", "label": "upper memory", "positions": ["on", "off"] } ],
            "claims": [ { "id": "low", "kind": "ram", "base": "0x0000", "size": "16K" },
              { "id": "high", "kind": "ram", "base": "0x4000", "size": "16K", "when": { "W3": "on" } } ],
            "powerUp": [ { "label": "memory", "from": "0x0000", "to": "0xC000", "step": "1K" } ] } ],
          "parts": [ { "id": "egg", "name": "Egg", "kind": "memory",
            "claims": [ { "id": "bank", "kind": "ram", "base": "0x4000", "size": "32K" } ],
            "ways": [ { "id": "fit", "model": "m" } ] } ],
          "units": [ { "id": "u", "model": "m", "name": "Slip U" } ],
          "jobs": [ { "id": "j", "unit": "u", "name": "more", "add": [ { "part": "egg" } ] } ] }
        """;

    static Pressing Job() => new(Read(), "j");

    static Pack Read()
    {
        using JsonDocument document = PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(Text));
        Reading<Pack> read = PackReader.Read(document.RootElement);
        Assert.Empty(read.Errors);
        return read.Value!;
    }

    static string Counted(PlannedUnit unit) => $"{Core.Bench.PowerUp.Run(unit).Total}";

    [Fact]
    public void A_claim_of_the_machine_hangs_on_its_own_jumper()
    {
        Pack pack = Read();
        Assert.Equal("32 KiB", Counted(Plan.For(pack, pack.Units[0])));
        Unit off = pack.Units[0] with { Switches = new() { ["W3"] = "off" } };
        Assert.Equal("16 KiB", Counted(Plan.For(pack, off)));
        Assert.Equal("16 KiB", Counted(Plan.Moved(Plan.For(pack, pack.Units[0]), InstanceName.Mainboard, "W3", "off")));
    }

    [Fact]
    public void It_is_no_part_and_stays_when_parts_go()
    {
        Pack pack = Read();
        PlannedUnit unit = Plan.For(pack, pack.FindJob("j")!);
        Assert.Equal(["egg"], unit.Parts.Select(i => i.Part.Id));
        Assert.Equal("32 KiB", Counted(Plan.With(unit, _ => false)));
    }

    [Fact]
    public void The_solver_moves_it_and_the_stop_offers_it()
    {
        // The card fights with the upper memory of the machine until W3 stands off.
        Pressing job = Job();
        Assert.Contains(
            job.At.Answer.Findings,
            f => f is { Code: "MAP-FIGHT", Fix: { } fix } && fix.Switches.ContainsKey("mainboard")
        );
        Choice found = Assert.Single(SettingsSolver.Solve(Trail.Stations, job.At.After, [], 8).Solutions);
        Assert.Equal("off", found.Switches["mainboard"]["W3"]);
        Assert.Equal(1, found.Moves);
    }

    [Fact]
    public void A_move_is_a_step_and_stays_with_the_unit_when_the_job_ends()
    {
        Pressing job = Job();
        job.Made(at => Switching.Switch(at, InstanceName.Mainboard, "W3", "off"));
        Assert.Equal("off", job.At.Job.Switches[InstanceName.Mainboard]["W3"]);
        Step set = job.At.Sheet.Steps.Single(s => $"{s.Id}" == "set-mainboard");
        Assert.Contains("W3 (upper memory): off, moved from on", set.Details);
        Unit after = UnitEdits.Fold(job.At.Unit, job.At.After);
        Assert.Equal("off", after.Switches["W3"]);
        Assert.Equal(["egg"], after.Fitted.Select(f => f.Part));
    }

    [Fact]
    public void A_jumper_that_stands_wrong_is_a_cause_and_a_board_that_is_not_seated_is_none()
    {
        PlannedUnit at = Plan.For(Read(), Read().Units[0]);
        string[] causes = [.. Trail.Stations.SelectMany(s => s.Hypotheses(at)).Select(h => h.Id)];
        Assert.Contains("switch:mainboard.W3=off", causes);
        Assert.DoesNotContain(causes, c => c.StartsWith("seat:mainboard", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("\"W3\": \"on\"", "\"W4\": \"on\"", "\"W4\" is not a switch of this sheet")]
    [InlineData("\"W3\": \"on\"", "\"W3\": \"up\"", "\"up\" is not a position of W3")]
    [InlineData("\"id\": \"egg\", \"name\"", "\"id\": \"mainboard\", \"name\"", "is what a machine's own board is called")]
    [InlineData("\"name\": \"Slip U\"", "\"name\": \"Slip U\", \"switches\": { \"W9\": \"on\" }", "\"W9\" is not a switch here")]
    [InlineData(
        "\"name\": \"more\"",
        "\"name\": \"more\", \"switches\": { \"mainboard\": { \"W3\": \"up\" } }",
        "not a position of W3"
    )]
    public void What_names_no_switch_of_it_is_told(string from, string to, string says)
    {
        using var document = JsonDocument.Parse(Text.Replace(from, to));
        Assert.Contains(PackReader.Read(document.RootElement).Errors, e => e.Message.Contains(says));
    }
}
