using RustCabin.Core.Answers;
using RustCabin.Core.Bench;
using RustCabin.Core.Faults;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Memory;

/// <summary>
/// Faults in the simulated bus, by hand what a person would see; the bank listing run line by line; the reset circuit.
/// </summary>
public class BankTests
{
    static readonly Machine Plain = new()
    {
        Claims =
            """{ "id": "a", "kind": "ram", "base": "0", "size": "32K" }, { "id": "os", "kind": "rom", "base": "0xE000", "size": "8K" }""",
        PowerUp = """{ "label": "main", "from": "0", "to": "48K", "step": "4K" }""",
        More =
            Machine.Slot
            + """, "rails": [ { "id": "+5", "volts": 5, "amps": 2, "usedAmps": 0.5 }, { "id": "-5", "volts": -5, "amps": 1 } ]""",
        Parts = Machine.Part(
            "p",
            """, "switches": [ { "id": "S", "positions": ["64K", "16K"] } ], "draws": [ { "rail": "-5", "peakAmps": 0.1 } ], "claims": [ { "id": "b", "kind": "ram", "base": "32K", "size": "16K", "when": { "S": "64K" } }, { "id": "c", "kind": "ram", "base": "32K", "size": "4K", "when": { "S": "16K" } } ]"""
        ),
        Job = Machine.Add("p"),
    };

    static Machine Window(int banks, string reset = "undefined") =>
        new()
        {
            Claims =
                $$"""{ "id": "w", "kind": "ram", "base": "0x6000", "size": "8K", "window": { "register": "r", "banks": {{banks}}, "reset": "{{reset}}" } }, { "id": "r", "kind": "register", "base": "0xEF80", "size": "128", "access": "write" }, { "id": "os", "kind": "rom", "base": "0xE000", "size": "8K" }""",
            PowerUp = """{ "label": "window", "from": "0x6000", "to": "0x8000", "step": "4K" }""",
        };

    static ulong? Kib(Machine machine, BusFault fault) =>
        WhatIf.Run(Trail.Stations, machine.Planned, fault).Count?.Total.Bytes >> 10;

    [Fact]
    public void Without_a_fault_it_counts_48_KiB() => Assert.Equal(48ul << 10, Plain.Answer.PowerUp.Total.Bytes);

    [Theory]
    // The top line of 32 KiB stuck: the upper half shows the lower: the count stops at 16. The next line down: at 8. A line
    // inside one block is not met.
    [InlineData(FaultKind.AddressLine, "model:a", 14, false, 16)]
    [InlineData(FaultKind.AddressLine, "model:a", 14, true, 16)]
    [InlineData(FaultKind.AddressLine, "model:a", 13, false, 8)]
    [InlineData(FaultKind.AddressLine, "model:a", 5, false, 48)]
    // A bit stuck or a chip gone in the memory that it starts in: no stack, so it shows nothing.
    [InlineData(FaultKind.StuckBit, "model:a", 3, false, null)]
    [InlineData(FaultKind.StuckBit, "model:a", 3, true, null)]
    [InlineData(FaultKind.MissingChip, "model:a", 0, false, null)]
    // In a bank that comes later the first block does not hold what is written.
    [InlineData(FaultKind.MissingChip, "part:p:b", 0, false, 32)]
    [InlineData(FaultKind.AddressLine, "part:p:b", 13, false, 48)]
    public void A_fault_in_a_bank_stops_the_count_where_a_person_would_see_it(
        FaultKind kind,
        string owner,
        int bit,
        bool high,
        int? kib
    ) => Assert.Equal((ulong?)kib, Kib(Plain, new BusFault(kind, owner, bit, high)));

    [Fact]
    public void An_unseated_part_a_wrong_switch_and_a_missing_rail_count_short()
    {
        Assert.Equal(32ul, Kib(Plain, new BusFault(FaultKind.Unseated, "p")));
        Assert.Equal(36ul, Kib(Plain, new BusFault(FaultKind.SwitchMoved, "p", Detail: "S=16K")));
        Assert.Equal(32ul, Kib(Plain, new BusFault(FaultKind.RailMissing, "-5")));
        Assert.Null(WhatIf.Run(Trail.Stations, Plain.Planned, new BusFault(FaultKind.RailMissing, "+5")).Count);
        Assert.Null(
            WhatIf
                .Run(Trail.Stations, Plain.Planned, new BusFault(FaultKind.RomImage, "model:os", Detail: "swapped byte by byte"))
                .Count
        );
    }

    [Fact]
    public void A_bit_of_the_other_byte_of_a_word_fails_as_well()
    {
        Machine wide = Plain with { DataBits = 16 };
        Assert.Null(Kib(wide, new BusFault(FaultKind.StuckBit, "model:a", 11)));
        Assert.Equal(32ul, Kib(wide, new BusFault(FaultKind.StuckBit, "part:p:b", 11)));
    }

    [Fact]
    public void An_undefined_bank_register_differs_from_run_to_run_and_is_the_same_for_a_seed()
    {
        // Five banks want three bits: of eight values three select nothing.
        Machine machine = Window(5);
        ulong?[] runs =
        [
            .. Enumerable.Range(0, 40).Select(seed => Kib(machine, new BusFault(FaultKind.RandomBank, "model:w", Seed: seed))),
        ];
        Assert.Equal([0ul, 8ul], runs.Distinct().Order().Select(r => r!.Value));
        Assert.Equal(
            runs,
            Enumerable.Range(0, 40).Select(seed => Kib(machine, new BusFault(FaultKind.RandomBank, "model:w", Seed: seed)))
        );
        Assert.True(
            Enumerable
                .Range(0, 40)
                .Select(seed =>
                    WhatIf.Run(Trail.Stations, Window(16).Planned, new BusFault(FaultKind.RandomBank, "model:w", Seed: seed)).Why
                )
                .Distinct()
                .Count() > 8
        );
    }

    [Fact]
    public void Everything_that_is_offered_runs_and_has_words_and_a_name_of_its_own()
    {
        foreach (Machine machine in (Machine[])[Plain, Window(16)])
        {
            IReadOnlyList<BusFault> offers = WhatIf.Offers(Trail.Stations, machine.Planned);
            Assert.Equal(offers.Count, offers.Select(o => o.Key).Distinct().Count());
            Assert.All(
                offers,
                offer =>
                    Assert.True(
                        WhatIf.Run(Trail.Stations, machine.Planned, offer).Why.Length > 0
                            && offer.Words(machine.Planned).Length > 0
                    )
            );
        }
    }

    [Theory]
    [InlineData("undefined", Standing.Stop)]
    [InlineData("written-first", Standing.Watch)]
    [InlineData("defined", Standing.Clear)]
    public void BANK_RESET(string reset, Standing standing)
    {
        Answer answer = Window(16, reset).Answer;
        Assert.Equal(standing, answer.Standing);
        Assert.Equal(standing != Standing.Clear, answer.Findings.Any(f => f.Code == "BANK-RESET"));
    }

    [Fact]
    public void A_write_to_the_register_under_the_ROM_lands_and_a_read_there_gives_the_ROM()
    {
        var bus = new SimulatedBus(Window(16).Planned.Map, 0);
        bus.Write(0x6000, 11);
        bus.Write(0xEF80, 3);
        bus.Write(0x6000, 33);
        Assert.Equal(3, bus.BankShown(ClaimName.Model("w")));
        bus.Write(0xEFFF, 16 + 0);
        Assert.Equal(11, bus.Read(0x6000));
        Assert.Empty(Window(16, "defined").Answer.Findings);
    }

    [Theory]
    [InlineData(16)]
    [InlineData(3)]
    public void The_listing_passes_on_a_good_board(int banks)
    {
        PlannedUnit unit = Window(banks).Planned;
        BankListing listing = Assert.Single(BankListing.Of(unit));
        Assert.Equal(["CLEAN PASS"], TinyBasic.Run(listing.Basic, new SimulatedBus(unit.Map, 0)));
        Assert.Equal(9, listing.CleanPasses);
    }

    [Fact]
    public void The_listing_names_the_bad_bank()
    {
        PlannedUnit unit = Window(16).Planned;
        var bus = new SimulatedBus(unit.Map, 0, [new BusFault(FaultKind.StuckBit, "model:w", Bit: 7)]);
        Assert.Equal(
            16,
            TinyBasic
                .Run(Assert.Single(BankListing.Of(unit)).Basic, bus)
                .Count(p => p.StartsWith("BAD BANK", StringComparison.Ordinal))
        );

        // Twelve banks are there, the listing walks sixteen: the last four hold nothing.
        IReadOnlyList<string> sixteen = Assert.Single(BankListing.Of(unit)).Basic;
        Assert.Equal(
            ["BAD BANK 12", "BAD BANK 13", "BAD BANK 14", "BAD BANK 15"],
            TinyBasic.Run(sixteen, new SimulatedBus(Window(12).Planned.Map, 0))
        );
        // A register that lost its top line: bank 8 is bank 0, and so on; the lower half is found overwritten.
        Assert.Equal(
            Enumerable.Range(0, 8).Select(b => $"BAD BANK {b}"),
            TinyBasic.Run(sixteen, new SimulatedBus(Window(8).Planned.Map, 0))
        );
    }

    [Fact]
    public void A_window_without_a_register_that_the_processor_writes_has_no_listing() =>
        Assert.Empty(BankListing.Of(Plain.Planned));

    [Fact]
    public void The_reset_circuit_holds_8_to_24_ms()
    {
        // 47 kOhm and 1 uF at 5 V: 8 ms at 0.8 V, 24 ms at 2.0 V. Source: docs/handbook/memory.md, Bank windows.
        var circuit = new ResetCircuit(47_000, 1e-6, 5);
        Assert.Equal(8.2, circuit.GuaranteedHold * 1000, 1);
        Assert.Equal(24.0, circuit.LongestHold * 1000, 1);
        Assert.True(circuit.Outlasts(0.008));
        Assert.False(circuit.Outlasts(0.0083));
        Assert.Equal(2.2e-6, ResetCircuit.CapacitorFor(47_000, 5, 0.010), 12);
    }
}
