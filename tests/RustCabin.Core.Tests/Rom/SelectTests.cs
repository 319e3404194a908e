using RustCabin.Core.Chips;
using RustCabin.Core.Rom;

namespace RustCabin.Core.Tests.Rom;

/// <summary>What says when a ROM drives the bus: /CE and /OE of a 27256 in its own socket, changed.</summary>
public class SelectTests
{
    static RomWiring Wire(string ce, string oe, params (string Net, string To)[] ties)
    {
        RomDevice device = RomDevice.Find("27256")!;
        string[] socket =
        [
            .. device.Pins.Select(p =>
                p == "/CE" ? ce
                : p == "/OE" ? oe
                : p
            ),
        ];
        return RomWiring.Solve(device, socket, ties.ToDictionary(t => t.Net, t => t.To));
    }

    [Fact]
    public void As_it_comes_it_fits_with_no_leg_lifted() => Assert.Empty(Wire("/CE", "/OE").Lift);

    [Fact]
    public void Ce_at_ground_with_oe_carried_works_and_says_what_it_costs()
    {
        RomWiring wiring = Wire("GND", "/OE");
        Assert.True(wiring.Fits);
        Assert.Empty(wiring.Lift);
        Assert.Contains("/OE alone then says when it drives", Assert.Single(wiring.Findings).Why[0]);
    }

    [Fact]
    public void Oe_at_ground_with_ce_carried_works_and_says_when_it_drives()
    {
        RomWiring wiring = Wire("/CE", "GND");
        Assert.True(wiring.Fits);
        Assert.Contains("/CE alone then says when it drives", Assert.Single(wiring.Findings).Why[0]);
    }

    [Fact]
    public void With_neither_it_would_always_drive() =>
        Assert.Contains("always drives the bus", Assert.Single(Wire("GND", "GND").Findings).Text);

    [Theory]
    [InlineData("/OE", "never drives the bus")]
    [InlineData("/CE", "never wakes")]
    [InlineData("D3", "never see that bit")]
    public void A_tie_with_which_it_cannot_be_read_does_not_fit(string net, string why)
    {
        RomWiring wiring = Wire("/CE", "/OE", (net, "VCC"));
        Assert.False(wiring.Fits);
        Assert.Contains(why, wiring.Findings[0].Text + wiring.Findings[0].Why[0]);
    }
}
