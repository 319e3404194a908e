using RustCabin.Core.Bench;

namespace RustCabin.Core.Tests.Bench;

/// <summary>What a power-up scan takes for memory, where something else answers or nothing does.</summary>
public class ScanTests
{
    static ulong Count(string claims, string line, string more = "", string masters = "\"cpu\"") =>
        PowerUp
            .Run(
                new Machine
                {
                    Claims = claims,
                    Masters = masters,
                    PowerUp = $$"""{ "label": "l", {{line}} }""",
                    More = more,
                }.Planned
            )
            .Total.Bytes;

    const string Scan = "\"from\": \"0\", \"to\": \"0x10000\", \"step\": \"4K\"";

    [Fact]
    public void Memory_that_a_rom_fights_over_is_not_counted_as_good() =>
        Assert.Equal(
            4096ul,
            Count(
                """{ "id": "a", "kind": "ram", "base": "0", "size": "8K" }, { "id": "r", "kind": "rom", "base": "0x1000", "size": "4K" }""",
                Scan
            )
        );

    [Theory]
    [InlineData("")]
    [InlineData(", \"undriven\": \"last\"")]
    public void Where_nothing_answers_the_scan_fails_whatever_is_left_on_the_bus(string more) =>
        Assert.Equal(4096ul, Count("""{ "id": "a", "kind": "ram", "base": "0", "size": "4K" }""", Scan, more));

    [Fact]
    public void A_read_that_nothing_drives_gives_what_was_last_on_the_bus()
    {
        var bus = new SimulatedBus(new Machine().Planned.Map, 0) { KeepsLast = true };
        bus.Write(5, 0x5A);
        Assert.Equal(0x5A, bus.Read(9));
        Assert.Equal(0xFF, new SimulatedBus(new Machine().Planned.Map, 0).Read(9));
    }

    /// <summary>The beginning may be empty; aliasing is then tried against the first block that passed.</summary>
    [Theory]
    [InlineData("0x4000", "", 16384ul)]
    [InlineData("0x4000", ", \"mask\": \"0xC000\"", 16384ul)]
    // Seen again at 0xC000, where its first block is found out; the other three are not the first block's, and pass.
    [InlineData("0x4000", ", \"mask\": \"0x4000\"", 28672ul)]
    public void A_scan_that_passes_over_gaps_tries_aliasing_against_the_first_block_that_passed(
        string from,
        string mask,
        ulong bytes
    ) =>
        Assert.Equal(
            bytes,
            Count(
                $$"""{ "id": "a", "kind": "ram", "base": "{{from}}", "size": "16K" {{mask}} }""",
                Scan + ", \"stopAtGap\": false"
            )
        );

    [Theory]
    [InlineData("", 8192ul)]
    [InlineData(", \"masters\": [\"cpu\"]", 8192ul)]
    [InlineData(", \"masters\": [\"video\"]", 0ul)]
    public void The_auto_line_counts_what_the_first_master_reaches(string masters, ulong bytes) =>
        Assert.Equal(
            bytes,
            Count(
                $$"""{ "id": "a", "kind": "ram", "auto": true, "size": "8K" {{masters}} }""",
                "\"auto\": true",
                """, "autoWindows": [ { "id": "w", "base": "0x8000", "size": "32K" } ]""",
                "\"cpu\", \"video\""
            )
        );
}
