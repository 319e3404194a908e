using RustCabin.Core.Build;
using RustCabin.Core.Cards;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Wants;

/// <summary>Titles under each start-up, and settings that are lines in files.</summary>
public sealed class StartUpTests
{
    static readonly PlannedUnit Winch = new Pressing(Demo.Of("brindle-16c.json"), "winch-16c-more").At.After;

    static Title Needing(string master, int kib, bool free) =>
        new()
        {
            Id = "t",
            Name = "t",
            Needs = [new MemoryNeed(master, new ByteSize((ulong)kib << 10), free)],
        };

    [Theory]
    // Video reaches 1,408 KiB; the firmware takes 44, a start-up 0, 38 or 112 beside it.
    [InlineData("video", 1364, true, new[] { true, false, false })]
    [InlineData("video", 1326, true, new[] { true, true, false })]
    [InlineData("video", 1252, true, new[] { true, true, true })]
    // Without "free" the firmware's share does not count, the start-up's does.
    [InlineData("video", 1408, false, new[] { true, false, false })]
    [InlineData("video", 1370, false, new[] { true, true, false })]
    [InlineData("video", 1296, false, new[] { true, true, true })]
    public void A_title_runs_as_long_as_the_start_up_leaves_enough(string master, int kib, bool free, bool[] runs)
    {
        var (starts, rows) = Titles.UnderStartUps(Winch, [Needing(master, kib, free)]);
        Assert.Equal(["bare", "from the card", "with the shelf"], starts.Select(s => s.Name));
        Assert.Equal(runs, Assert.Single(rows).Runs.Select(r => r.Runs == true));
    }

    [Fact]
    public void A_start_up_of_another_firmware_is_none_and_how_stands_on_the_operating_card()
    {
        Assert.Equal(["bare"], (Winch with { Firmware = "6.2" }).StartUps.Select(s => s.Name));
        Assert.Contains(
            OperatingCard.Of(Winch),
            l => l.Use.When == "to start it bare" && l.Use.Do.StartsWith("hold both keys", StringComparison.Ordinal)
        );
        Assert.Equal(([], []), Titles.UnderStartUps(new Pressing(Demo.Of("clerk.json"), "loft-clerk-ledger").At.After, []));
    }

    [Fact]
    public void A_line_in_a_file_is_a_switch_that_makes_the_choice_of_the_kit()
    {
        Pack pack = Demo.Of("larkspur-disc-2.json");
        Switch line = new()
        {
            Id = "HOME",
            Kind = SwitchKind.File,
            File = "nest.lst",
            Line = "home water {position}",
            Positions = ["50Hz", "60Hz"],
            Factory = "50Hz",
            Choice = "region",
        };
        pack = pack with { Parts = [.. pack.Parts.Select(p => p.Id == "eider" ? p with { Switches = [line] } : p)] };
        var job = new Pressing(pack, "lookout-disc-2-card");
        PlannedUnit at(string position) => Plan.Moved(job.At.After, InstanceName.First("eider"), "HOME", position);
        foreach (string position in line.Positions)
        {
            PlannedCard card = Assert.Single(PlannedCard.Of(at(position)));
            Assert.Equal(position, card.Choices["region"]);
            Assert.Contains(
                KitFiles.Of(card.Device.Part.CardKit!, card.Choices),
                f => f.Path == "nest.lst" && f.Text.Contains($"home water {position}")
            );
        }
        Assert.Contains(
            job.At.Sheet.Steps.SelectMany(s => s.Details),
            d => d.Contains("in nest.lst stands \"home water 50Hz\"", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData("""{ "id": "a", "kind": "file", "positions": ["x"] }""", "file")]
    [InlineData("""{ "id": "a", "kind": "dip", "positions": ["x"], "line": "y" }""", "kind")]
    public void A_line_needs_its_file_and_a_jumper_has_none(string json, string field)
    {
        using var document = System.Text.Json.JsonDocument.Parse(json);
        Assert.Contains(
            Core.Declared.Declaration<Switch>.Read(document.RootElement).Errors,
            e => e.Path.EndsWith(field, StringComparison.Ordinal)
        );
    }
}
