using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Planning;

public class PlannedClaimsTests
{
    /// <summary>The unit is a Board 1.</summary>
    [Theory]
    [InlineData("r1", true)]
    [InlineData("r2", false)]
    public void A_claim_of_a_part_is_there_on_the_boards_that_it_names(string board, bool there)
    {
        var machine = new Machine
        {
            More = Machine.Slot,
            Parts = Machine.Part(
                "p",
                $$""", "claims": [ { "id": "c", "kind": "ram", "base": "0", "size": "4K", "revisions": ["{{board}}"] } ]"""
            ),
            Job = $$"""{{Machine.Add("p")}}, "wants": [ { "memory": { "master": "cpu", "atLeast": "4K" } } ]""",
        };
        Assert.Equal(there ? 4096ul : 0, machine.Planned.Map.Reach[0].Bytes);
        // The solver and the checker agree.
        Assert.Equal(there, Core.Searches.SettingsSolver.Solve(Trail.Stations, machine.Planned).Solutions.Count > 0);
    }

    static Machine Ports(string space, string more = "") =>
        new()
        {
            Claims =
                """{ "id": "a", "kind": "io", "base": "0x10", "size": "16" }, """
                + $$"""{ "id": "b", "kind": "io", "base": "0x10", "size": "16" {{space}} } {{more}}""",
        };

    [Fact]
    public void Ports_never_meet_memory_and_meet_each_other()
    {
        Assert.Equal(["MAP-FIGHT", "MAP-WRITE-TWICE"], Ports("").Codes);
        Assert.Empty(Ports(""", "space": "io" """).Codes);
        Machine two = Ports(
            """, "space": "io" """,
            """, { "id": "c", "kind": "io", "base": "0x1F", "size": "1", "space": "io" } """
        );
        Assert.Equal(["MAP-FIGHT", "MAP-WRITE-TWICE"], two.Codes);
        Assert.Equal([Subject.Model("b"), Subject.Model("c")], two.Answer.Findings[0].Subjects);
        Assert.Equal(16, two.Planned.Ports!.AddressBits);
        Assert.Null(Ports("").Planned.Ports);
    }

    [Fact]
    public void A_port_space_of_8_lines_ends_at_255()
    {
        Machine machine = Ports(
            """, "space": "io" """,
            """, { "id": "c", "kind": "io", "base": "0x100", "size": "1", "space": "io" } """
        );
        Assert.Empty(machine.Codes);
        Assert.Equal(["MAP-OUTSIDE"], (machine with { More = ", \"ioBits\": 8" }).Codes);
    }

    [Fact]
    public void An_overlay_that_hides_reads_only_lets_writes_through()
    {
        static Machine With(string hides) =>
            new()
            {
                Claims =
                    """{ "id": "low", "kind": "ram", "base": "0", "size": "4K" }, """
                    + $$"""{ "id": "os", "kind": "rom", "base": "0", "size": "1K", "overlays": ["low"] {{hides}} }""",
            };
        PlannedUnit both = With("").Planned,
            reads = With(""", "hides": "read" """).Planned;
        foreach (PlannedUnit unit in (PlannedUnit[])[both, reads])
            Assert.Equal(3072ul, unit.Map.Reach[0].Bytes);
        Assert.Equal([1, 2], [both.Map.At(0x10).Claims.Length, reads.Map.At(0x10).Claims.Length]);
        Assert.Empty(With(""", "hides": "read" """).Codes);
        // What is written under the ROM is there when the ROM is not in the way, and is not read while it is.
        var bus = new SimulatedBus(reads.Map, 0);
        byte rom = bus.Read(0x10);
        bus.Write(0x10, (byte)~rom);
        Assert.Equal(rom, bus.Read(0x10));
        Assert.Equal(0u, reads.Map.At(0x10).Claims.Single(a => reads.Map.Claims[a.Claim].Owner == ClaimName.Model("low")).ReadBy);
    }

    [Theory]
    [InlineData("\"mask\": \"0xF000\"", false)]
    [InlineData("\"mask\": \"0x1F000\"", true)]
    public void A_masked_claim_lies_where_its_decoded_lines_put_it(string mask, bool outside) =>
        Assert.Equal(
            outside,
            new Machine
            {
                Claims = $$"""{ "id": "a", "kind": "io", "base": "0x1F000", "size": "4K", {{mask}} }""",
            }.Codes.Contains("MAP-OUTSIDE")
        );

    /// <summary>Beyond a limit or a cap memory does not count for a want.</summary>
    [Theory]
    [InlineData("", "", true)]
    [InlineData(""", "limits": { "memory": { "cpu": "12K" } } """, "", false)]
    [InlineData(""", "limits": { "memory": { "cpu": "16K" } } """, "", true)]
    [InlineData("", """, "cap": "12K" """, false)]
    [InlineData("", """, "cap": "16K" """, true)]
    public void A_want_is_met_by_memory_that_the_system_can_use(string limit, string cap, bool met)
    {
        var machine = new Machine
        {
            Claims = """{ "id": "a", "kind": "ram", "base": "0", "size": "16K" }""",
            PowerUp = $$"""{ "label": "l", "from": "0", "to": "0x8000", "step": "4K" {{cap}} }""",
            More = limit,
            Job = """ "add": [], "wants": [ { "memory": { "master": "cpu", "atLeast": "16K" } } ]""",
        };
        Assert.Equal(!met, machine.Codes.Contains("WANT-UNMET"));
        Assert.Equal(new ByteSize(16 << 10), machine.Planned.Map.Reach[0]);
        Assert.Equal(met, Core.Searches.SettingsSolver.Solve(Trail.Stations, machine.Planned).Solutions.Count > 0);
    }
}
