using RustCabin.Core.Build;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Rom;

/// <summary>Findings and build steps of a device planned for a socket.</summary>
public sealed class RomChecksTests
{
    const string Image = """, "image": "1" """,
        Swap = """, "ops": [ { "op": "swap16" } ]""";

    static Machine Planning(string rom, string order = "high-first", string device = "27C400") =>
        new()
        {
            DataBits = 16,
            More =
                $$""", "byteOrder": "{{order}}", "sites": [ { "id": "rom", "kind": "socket", "package": "DIP-40", "romBudgetNs": 210, "pinout": [{{string.Join(',', RomDevice.Find("27C400")!.Pins.Select(p => $"\"{p}\""))}}] }, { "id": "bare", "kind": "socket" } ]""",
            Job = $$""" "roms": [ { "site": "rom", "device": "{{device}}" {{rom}} } ]""",
        };

    static string Proved(Machine machine, bool passed, string rom) =>
        $$"""{{rom}}, "proof": { "at": "2026-11-23T20:00:00Z", "of": "{{RomProof.KeyOf(machine.Planned, machine.Pack.Jobs[0].Roms[0])}}", "passed": {{(passed ? "true" : "false")}}, "words": "told" }""";

    [Theory]
    [InlineData("high-first", "", true)]
    [InlineData("high-first", Swap, false)]
    [InlineData("low-first", Swap, true)]
    [InlineData("low-first", "", false)]
    public void ROM_ORDER_when_programmer_and_machine_disagree_and_nothing_swaps(string order, string ops, bool raised) =>
        Assert.Equal(raised, Planning(Image + ops, order).Codes.Contains("ROM-ORDER"));

    [Fact]
    public void ROM_PROOF_is_a_watch_until_it_passed_a_stop_when_it_failed_and_stale_when_the_plan_changes()
    {
        string? Severity(string rom) =>
            Planning(rom).Answer.Findings.FirstOrDefault(f => f.Code == "ROM-PROOF")?.Severity.ToString();
        Machine machine = Planning(Image + Swap);
        Assert.Equal("Watch", Severity(Image + Swap));
        Assert.Null(Severity(Proved(machine, true, Image + Swap)));
        Assert.Equal("Stop", Severity(Proved(machine, false, Image + Swap)));
        Assert.Equal(
            "Watch",
            Severity(Proved(machine, true, Image + """, "ops": [ { "op": "swap16" }, { "op": "swap16" }, { "op": "swap16" } ]"""))
        );
        Assert.Null(Severity(""));
    }

    [Theory]
    [InlineData("\"ns\": 189", null)]
    [InlineData("\"ns\": 211", "Stop")]
    public void ROM_SPEED_of_a_planned_device(string ns, string? severity) =>
        Assert.Equal(
            severity,
            Planning($", {ns}").Answer.Findings.FirstOrDefault(f => f.Code == "ROM-SPEED")?.Severity.ToString()
        );

    [Theory]
    [InlineData("bare", true)]
    [InlineData("rom", false)]
    public void ROM_PINS_where_no_contact_is_known(string site, bool raised) =>
        Assert.Equal(
            raised,
            (Planning("") with { Job = $$""" "roms": [ { "site": "{{site}}", "device": "27C400" } ]""" }).Codes.Contains(
                "ROM-PINS"
            )
        );

    [Theory]
    [InlineData("27C400", null)]
    [InlineData("2764", "ROM-LANES")]
    [InlineData("27C800", "ROM-PINS")]
    public void A_device_of_half_the_lanes_or_of_two_legs_more_does_not_go_in(string device, string? code) =>
        Assert.Equal(code, Planning("", device: device).Codes.FirstOrDefault(c => c is "ROM-PINS" or "ROM-LANES"));

    [Fact]
    public void A_device_that_is_not_in_the_table_is_an_error_with_its_path()
    {
        Reading<Pack> reading = Sample.Read(
            """{ "format": "rustcabin.pack/1", "jobs": [ { "id": "j", "unit": "u", "name": "J", "roms": [ { "site": "rom", "device": "27C9999", "ties": { "A17": "perhaps" } } ] } ] }"""
        );
        Assert.Contains(reading.Errors, e => e.Path == "jobs[0].roms[0].device");
        Assert.Contains(reading.Errors, e => e.Path == "jobs[0].roms[0].ties.A17");
    }

    [Fact]
    public void The_build_sheet_proves_burns_wires_and_fits()
    {
        Machine machine = Planning(Image + Swap);
        string[] steps =
        [
            .. BuildSheet
                .For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), machine.Planned)
                .Steps.Select(s => $"{s.Id}"),
        ];
        Assert.Equal(["untouched", "proof-rom", "burn-rom", "cover-rom", "fit-rom-rom", "count-rom-rom"], steps);
    }
}
