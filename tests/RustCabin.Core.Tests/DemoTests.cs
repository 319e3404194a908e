using RustCabin.Core.Answers;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests;

/// <summary>The packs that ship: each reads without an error, and its jobs stand as the demo says.</summary>
public class DemoTests
{
    [Theory]
    [InlineData("brindle-16.json", "slip-3-winter", Standing.Stop, "MAP-FIGHT", 192 + 4096)]
    [InlineData("brindle-16.json", "slip-7-picture", Standing.Clear, null, 768 + 4096)]
    [InlineData("clerk.json", "loft-clerk-ledger", Standing.Clear, null, 336 + 8)]
    [InlineData("clerk.json", "harbour-clerk-second", Standing.Watch, "MAP-BEYOND-LIMIT", 528 + 8)]
    [InlineData("dunnock.json", "dunnock-lamp-voice", Standing.Watch, "BANK-RESET", 52)]
    [InlineData("dunnock.json", "dunnock-net-switch", Standing.Watch, "FIT-DOUBT", 40)]
    [InlineData("satchel.json", "ferry-satchel-stack", Standing.Watch, "WORK-UNPROVEN", 432 + 20)]
    [InlineData("ledger.json", "granary-ledger-sing", Standing.Watch, "MAP-BEYOND-LIMIT", 0)]
    [InlineData("larkspur-disc.json", "boathouse-disc-cards", Standing.Watch, "BASE-FAULT", 0)]
    [InlineData("larkspur-disc.json", "mast-disc-picture", Standing.Stop, "POWER-OVER", 0)]
    [InlineData("dunnock.json", "dunnock-pier-select", Standing.Clear, null, 40)]
    [InlineData("primer.json", "desk-primer-array", Standing.Watch, "BANK-RESET", 36)]
    [InlineData("brindle-16.json", "slip-5-line", Standing.Clear, null, 192)]
    [InlineData("clerk.json", "bench-pontoon-sockets", Standing.Clear, null, 0)]
    [InlineData("exchange.json", "counter-exchange-book", Standing.Clear, null, 52)]
    [InlineData("exchange.json", "counter-exchange-cable", Standing.Clear, null, 52)]
    [InlineData("larkspur-disc.json", "jetty-disc-direct", Standing.Watch, "FIT-LOSES", 0)]
    [InlineData("larkspur-disc.json", "float-disc-cuts", Standing.Watch, "FIT-LOSES", 0)]
    [InlineData("brindle-16c.json", "winch-16c-card", Standing.Watch, "COND-CAPACITORS", 640)]
    [InlineData("brindle-16.json", "slip-8-two-screens", Standing.Clear, null, 192)]
    [InlineData("brindle-16.json", "slip-8-picture", Standing.Clear, null, 192)]
    [InlineData("dunnock.json", "dunnock-pier-loud", Standing.Clear, null, 40)]
    [InlineData("brindle-16.json", "slip-6-card", Standing.Clear, null, 192)]
    [InlineData("keep.json", "tower-keep-room", Standing.Watch, "FIT-HEIGHT", 12288 + 32768)]
    [InlineData("larkspur-disc.json", "boathouse-disc-cards", Standing.Watch, null, 0)]
    [InlineData("larkspur-disc-2.json", "lookout-disc-2-card", Standing.Watch, "STO-REGION", 0)]
    [InlineData("porthole-colour.json", "chandlery-colour-card", Standing.Clear, null, 3072)]
    [InlineData("porthole-colour.json", "signal-colour-card", Standing.Stop, "STO-CONTACTS", 3072)]
    [InlineData("primer.json", "desk-primer-card", Standing.Watch, "BANK-RESET", 36)]
    [InlineData("brindle-16c.json", "winch-16c-more", Standing.Watch, "COND-CAPACITORS", 1408 + 3072)]
    public void Job_stands_as_meant(string file, string job, Standing standing, string? code, int kib)
    {
        Pack pack = Demo.Of(file);
        Answer answer = Answer.For(Trail.Stations, Plan.For(pack, pack.FindJob(job)!));
        Assert.Equal(standing, answer.Standing);
        if (code is not null)
            Assert.Contains(answer.Findings, f => f.Code == code);
        Assert.Equal((ulong)kib << 10, answer.PowerUp.Total.Bytes);
    }

    /// <summary>A sheet of one pack would stop another from coming in where both have an id.</summary>
    [Fact]
    public void No_id_stands_in_two_packs()
    {
        string[] ids =
        [
            .. Directory
                .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json")
                .Select(f => Demo.Of(Path.GetFileName(f)))
                .SelectMany(p =>
                    (string[])
                        [
                            .. p.Models.Select(m => $"model {m.Id}"),
                            .. p.Parts.Select(m => $"part {m.Id}"),
                            .. p.Units.Select(m => $"unit {m.Id}"),
                            .. p.Jobs.Select(m => $"job {m.Id}"),
                            .. p.Titles.Select(m => $"title {m.Id}"),
                        ]
                ),
        ];
        Assert.True(ids.Length > 100);
        Assert.Equal(ids.Length, ids.Distinct().Count());
    }

    [Fact]
    public void Sidecar_counts_336_and_with_its_switch_left_at_64K_144()
    {
        Pack pack = Demo.Of("clerk.json");
        PlannedUnit planned = Plan.For(pack, pack.FindJob("loft-clerk-ledger")!);
        Assert.Equal(336ul << 10, Answer.For(Trail.Stations, planned).PowerUp.Lines[0].Bytes.Bytes);
        Assert.Equal(
            144ul << 10,
            Answer
                .For(Trail.Stations, Plan.Moved(planned, InstanceName.Parse("quayside"), "S1", "64K"))
                .PowerUp.Lines[0]
                .Bytes.Bytes
        );
    }

    [Fact]
    public void Fight_is_mended_by_the_one_switch_offered()
    {
        Pack pack = Demo.Of("brindle-16.json");
        PlannedUnit planned = Plan.For(pack, pack.FindJob("slip-3-winter")!);
        Findings.Finding fight = Answer.For(Trail.Stations, planned).Findings.First(f => f.Code == "MAP-FIGHT");
        Assert.Equal("low", fight.Fix!.Switches["lantern"]["W1"]);
        Assert.Equal(
            Standing.Clear,
            Answer.For(Trail.Stations, Plan.Moved(planned, InstanceName.Parse("lantern"), "W1", "low")).Standing
        );
    }
}
