using CsCheck;
using RustCabin.Core.Bench;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using static RustCabin.Core.Tests.Maps.Claims;

namespace RustCabin.Core.Tests.Bench;

public class PowerUpTests
{
    static CountedLine Count(
        string claims,
        string line = "\"from\": \"0\", \"to\": \"0x10000\", \"step\": \"4K\"",
        int dataBits = 8
    ) =>
        PowerUp
            .Run(
                new Machine
                {
                    Claims = claims,
                    PowerUp = $$"""{ "label": "l", {{line}} }""",
                    DataBits = dataBits,
                }.Planned
            )
            .Lines[0];

    static string Ram(string id, string from, string size, string more = "") =>
        $$"""{ "id": "{{id}}", "kind": "ram", "base": "{{from}}", "size": "{{size}}" {{more}} }""";

    [Fact]
    public void Counts_up_to_the_first_gap() =>
        Assert.Equal(16ul << 10, Count(Ram("a", "0", "16K") + "," + Ram("b", "0x8000", "16K")).Bytes.Bytes);

    [Fact]
    public void Passes_over_gaps_when_the_sheet_says_so() =>
        Assert.Equal(
            32ul << 10,
            Count(
                Ram("a", "0", "16K") + "," + Ram("b", "0x8000", "16K"),
                "\"from\": \"0\", \"to\": \"0x10000\", \"step\": \"4K\", \"stopAtGap\": false"
            ).Bytes.Bytes
        );

    [Fact]
    public void Stops_where_the_first_block_shows_again() =>
        Assert.Equal(8ul << 10, Count(Ram("a", "0", "8K", ", \"mask\": \"0xC000\"")).Bytes.Bytes);

    [Fact]
    public void A_block_that_is_cut_short_does_not_count() => Assert.Equal(4ul << 10, Count(Ram("a", "0", "0x1FFF")).Bytes.Bytes);

    [Fact]
    public void A_whole_second_block_counts() => Assert.Equal(8ul << 10, Count(Ram("a", "0", "0x2000")).Bytes.Bytes);

    [Fact]
    public void Rom_and_nothing_count_as_nothing()
    {
        Assert.Equal(0ul, Count("""{ "id": "r", "kind": "rom", "base": "0", "size": "16K" }""").Bytes.Bytes);
        Assert.Equal(0ul, Count("").Bytes.Bytes);
    }

    [Fact]
    public void The_cap_bounds_what_is_shown_and_the_rest_is_known()
    {
        CountedLine line = Count(
            Ram("a", "0", "32K"),
            "\"from\": \"0\", \"to\": \"0x10000\", \"step\": \"4K\", \"cap\": \"20K\""
        );
        Assert.Equal((20ul << 10, 32ul << 10), (line.Bytes.Bytes, line.Uncapped.Bytes));
    }

    [Fact]
    public void Only_what_the_first_master_reaches_counts() =>
        Assert.Equal(
            0ul,
            PowerUp
                .Run(
                    new Machine
                    {
                        Masters = "\"cpu\", \"video\"",
                        Claims = Ram("a", "0", "16K", ", \"masters\": [\"video\"]"),
                        PowerUp = """{ "label": "l", "from": "0", "to": "16K", "step": "4K" }""",
                    }.Planned
                )
                .Total.Bytes
        );

    [Theory]
    [InlineData(8)]
    [InlineData(16)]
    [InlineData(32)]
    public void Words_of_any_width_are_tried_whole(int dataBits) =>
        Assert.Equal(16ul << 10, Count(Ram("a", "0", "16K"), dataBits: dataBits).Bytes.Bytes);

    [Fact]
    public void Self_configured_memory_is_counted_as_placed()
    {
        var machine = new Machine
        {
            AddressBits = 24,
            PowerUp = """{ "label": "boards", "auto": true }""",
            More = ", \"autoWindows\": [ { \"id\": \"w\", \"base\": \"2M\", \"size\": \"4M\" } ]" + Machine.Slot,
            Parts = Machine.Part(
                "p",
                """, "claims": [ { "id": "a", "kind": "ram", "auto": true, "size": "1M" }, { "id": "b", "kind": "ram", "auto": true, "size": "2M" } ]"""
            ),
            Job = Machine.Add("p"),
        };
        Assert.Equal(3ul << 20, machine.Answer.PowerUp.Total.Bytes);
        // a at 2M; b at the lowest 2M + k x 2M that is free: 4M.
        Assert.Equal([2ul << 20, 4ul << 20], machine.Planned.Claims.Select(c => c.Base));
    }

    [Fact]
    public void On_faultless_maps_the_simulated_count_is_what_arithmetic_gives() =>
        Gen.Int[0, 255]
            .Array[1, 6]
            .Select(Gen.Int[0, 3])
            .Sample(
                (ends, step) =>
                {
                    // Blocks of RAM one after the other from address 0, with one gap somewhere: arithmetic is whole steps below
                    // the gap.
                    ulong size = (ulong)ends.Sum() << 8,
                        stepBytes = 256ul << step,
                        at = 0;
                    var claims = new List<DecodedClaim>();
                    foreach (int length in ends.Where(l => l > 0))
                    {
                        claims.Add(Maps.Claims.Ram($"c{claims.Count}", at, (ulong)length << 8));
                        at += (ulong)length << 8;
                    }
                    claims.Add(Maps.Claims.Ram("far", at + 0x10000, 0x1000));
                    ResolvedMap map = Resolve(24, [.. claims]);
                    var model = new Machine
                    {
                        AddressBits = 24,
                        PowerUp = $$"""{ "label": "l", "from": "0", "to": "4M", "step": "{{stepBytes}}" }""",
                    }
                        .Pack
                        .Models[0];
                    return PowerUp.Run(model, map).Total.Bytes == size / stepBytes * stepBytes;
                },
                iter: 200
            );

    [Fact]
    public void A_byte_written_is_read_back_through_any_mirror()
    {
        var bus = new SimulatedBus(Resolve(16, Maps.Claims.Ram("a", 0x8000, 0x1000) with { Mask = 0x9000 }), 0);
        bus.Write(0x8123, 0x5A);
        Assert.Equal(0x5A, bus.Read(0xE123));
        Assert.Equal(0xFF, bus.Read(0x0123));
    }

    [Fact]
    public void A_bank_register_under_a_rom_switches_the_window()
    {
        ResolvedMap map = Resolve(
            16,
            Maps.Claims.Ram("part:p:banks", 0x6000, 0x2000) with
            {
                Window = new Window { Register = "select", Banks = 16 },
            },
            RomClaim("model:os", 0xE000, 0x2000),
            Register("part:p:select", 0xEF80, 0x80)
        );
        var bus = new SimulatedBus(map, 0);
        for (byte bank = 0; bank < 16; bank++)
        {
            bus.Write(0xEF80, bank);
            bus.Write(0x6000, (byte)(0x30 + bank));
        }
        for (byte bank = 0; bank < 16; bank++)
        {
            bus.Write(0xEFFF, bank);
            Assert.Equal(0x30 + bank, bus.Read(0x6000));
        }
    }

    [Fact]
    public void Where_two_drive_the_lows_win()
    {
        var bus = new SimulatedBus(Resolve(16, Maps.Claims.Ram("a", 0, 16), Maps.Claims.Ram("b", 8, 16)), 0);
        bus.Write(8, 0x0F);
        Assert.Equal(0x0F, bus.Read(8));
        Assert.Equal(new ByteSize(32), Resolve(16, Maps.Claims.Ram("a", 0, 16), Maps.Claims.Ram("b", 8, 16)).Reach[0]);
    }
}
