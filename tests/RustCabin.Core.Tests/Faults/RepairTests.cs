using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Wiring;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Faults;

/// <summary>The shortest wires of a repair, on the nets that the job leaves. Source: docs/handbook/faults.md, Repairs.</summary>
public sealed class RepairTests
{
    static RepairLeg Leg(string place, string net, decimal? x = null) =>
        new()
        {
            Place = place,
            Net = net,
            XMm = x,
            YMm = x is null ? null : 0,
        };

    [Fact]
    public void Two_thousand_places_take_less_than_a_second()
    {
        var random = new Random(5);
        RepairLeg[] legs =
        [
            .. Enumerable
                .Range(0, RepairAsked.Most)
                .Select(i => Leg($"U{i}.1", "a", random.Next(9000) / 10m) with { YMm = random.Next(9000) / 10m }),
        ];
        Repair repair = null!;
        double best = Pace.Ms(
            () => repair = Repair.Of(new RepairAsked { Legs = legs, Broken = [.. legs.Select(l => l.Place)] }),
            budget: 1000
        );
        Assert.Equal(RepairAsked.Most - 1, repair.Wires.Count);
        Assert.InRange(best, 0, 1000);
        Assert.Equal(repair.Wires.Select(w => w.Mm).Order(), repair.Wires.Select(w => w.Mm));
    }

    [Fact]
    public void Places_without_a_position_are_not_compared_with_millimetres()
    {
        // By their places in the list A and B would be 1 apart, less than the 30 mm to C.
        RepairLeg[] legs = [Leg("A", "n", 0), Leg("B", "n"), Leg("C", "n", 30)];
        var repair = Repair.Of(new RepairAsked { Legs = legs, Broken = ["A", "B", "C"] });
        Assert.Equal([("A", "C", 30.0), ("A", "B", null)], repair.Wires.Select(w => (w.From, w.To, w.Mm)));
    }

    [Fact]
    public void Places_of_two_nets_that_are_joined_are_told_as_a_short_and_mended_by_no_wire()
    {
        RepairLeg[] legs = [Leg("A", "n", 0), Leg("B", "n", 9), Leg("C", "other", 1)];
        var repair = Repair.Of(
            new RepairAsked
            {
                Legs = legs,
                Broken = ["A"],
                Joined =
                [
                    ["B", "C"],
                ],
            }
        );
        MeasuredShort told = Assert.Single(repair.Shorts);
        Assert.Equal(["B", "C"], told.Places);
        Assert.Equal(["n", "other"], told.Nets);
        Assert.Equal(("A", "B"), (Assert.Single(repair.Wires).From, repair.Wires[0].To));
        Assert.Empty(Repair.Of(new RepairAsked { Legs = legs, Broken = ["A"] }).Shorts);
    }

    static PlannedUnit Lifted()
    {
        Model model = RandomBoard.Of(RandomBoard.Chip("U1", "DIP-8", (1, "a"), (2, "a"), (3, "a"), (4, "GND")));
        return RandomBoard.With(
            model,
            [
                new WireChange
                {
                    Do = ChangeAct.Lift,
                    Chip = "U1",
                    Pins = [2],
                },
            ],
            RandomBoard.Pads
        );
    }

    [Fact]
    public void A_leg_that_the_job_lifts_is_on_no_net_that_is_mended()
    {
        var wired = Wired.Of(Lifted());
        RepairLeg[] legs = [.. BoardLegs.Of(wired).Select(l => l.Leg)];
        Assert.DoesNotContain(legs, l => l.Place == "U1.2");
        Assert.Contains(legs, l => l is { Place: "U1.2p", Net: "a" });
        Assert.Contains(legs, l => l is { Place: "U1.1", Net: "a" });
    }

    [Fact]
    public void Every_wire_of_a_repair_is_proved_and_what_came_off_too()
    {
        PlannedUnit unit = Lifted();
        var wired = Wired.Of(unit);
        var repair = Repair.Of(new RepairAsked { Legs = [.. BoardLegs.Of(wired).Select(l => l.Leg)], Broken = ["U1.1", "U1.3"] });
        Assert.Equal(2, repair.Wires.Count);
        Job job = unit.Job! with { Changes = [.. RepairPresses.ActsOf(wired, repair, ["U1.1", "U1.3"])] };
        ContinuityLine[] table = [.. Continuity.Of(Wired.Of(unit with { Job = job }))];
        Netlist nets = wired.After;
        foreach (RepairWire wire in repair.Wires)
            Assert.Contains(table, l => l.Closed && nets.NameOf(l.From) == wire.From && nets.NameOf(l.To) == wire.To);
    }
}
