using RustCabin.Core.Chips;
using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Nets of a row of alike chips, and what mends one of them.</summary>
public sealed class ArrayLegsTests
{
    [Fact]
    public void Every_outline_of_the_table_has_its_supplies_its_lines_and_as_many_legs_as_pins()
    {
        ChipType[] known = [.. ChipType.ForBanks.Where(t => t.Legs is not null)];
        Assert.True(known.Length >= 9);
        foreach (ChipType type in known)
        {
            string[] legs = [.. type.Legs!];
            Assert.Equal(type.Pins, legs.Length);
            Assert.Equal(type.AddressPins, legs.Count(l => l[0] == 'A'));
            Assert.Single(legs, "GND");
            Assert.All(type.Supplies, s => Assert.Single(legs, s));
            int data = legs.Count(l => l is "D" or "Q" || (l[0] == 'D' && l.Length == 2));
            Assert.Equal(type.Width == 1 ? 2 : type.Width, data);
            // A leg has one net, but for those that have none.
            string[] named = [.. legs.Where(l => l != "n")];
            Assert.Equal(named.Distinct(), named);
            Assert.Equal(type.Family == ChipType.Dram, legs.Contains("/RAS"));
        }
    }

    [Fact]
    public void Address_legs_of_a_row_are_one_net_and_data_legs_their_own()
    {
        Pack pack = Demo.Of("clerk.json");
        Job job = pack.FindJob("loft-clerk-ledger")!;
        RepairLeg[] legs = [.. ArrayLegs.Of(Plan.For(pack, job))];
        string bank = legs[0].Net[..legs[0].Net.IndexOf(' ')];
        RepairLeg[] fifth =
        [
            .. legs.Where(l =>
                l.Place.StartsWith(bank, StringComparison.Ordinal) && l.Place.EndsWith(".5", StringComparison.Ordinal)
            ),
        ];
        // Eight for data and two for the check bits.
        Assert.Equal(10, fifth.Length);
        Assert.Single(fifth.Select(l => l.Net).Distinct());
        RepairLeg[] second =
        [
            .. legs.Where(l =>
                l.Place.StartsWith(bank, StringComparison.Ordinal) && l.Place.EndsWith(".2", StringComparison.Ordinal)
            ),
        ];
        Assert.Equal(10, second.Select(l => l.Net).Distinct().Count());

        // A leg in the middle of the row has come off: one wire from what is still joined.
        var repair = Repair.Of(new RepairAsked { Legs = legs, Broken = [fifth[3].Place] });
        RepairWire wire = Assert.Single(repair.Wires);
        Assert.Contains(fifth[3].Place, (string[])[wire.From, wire.To]);
        Assert.Contains(fifth.Where(l => l != fifth[3]), l => l.Place == wire.From || l.Place == wire.To);
    }
}
