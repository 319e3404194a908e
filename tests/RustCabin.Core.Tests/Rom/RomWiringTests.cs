using RustCabin.Core.Chips;
using RustCabin.Core.Rom;

namespace RustCabin.Core.Tests.Rom;

/// <summary>
/// Devices wired into sockets: the worked example, and every device in every socket read back on a simulated device.
/// </summary>
public class RomWiringTests
{
    static readonly string[] BoardFour = [.. Sample.Slipway().Models[0].FindSite("rom")!.Pinout];
    static readonly Dictionary<string, string> NoTies = [];

    static RomWiring Solve(string device, IReadOnlyList<string> socket) =>
        RomWiring.Solve(RomDevice.Find(device)!, socket, NoTies);

    [Fact]
    public void The_unusual_socket_of_board_four_takes_a_27C400_with_two_legs_lifted()
    {
        RomWiring wiring = Solve("27C400", BoardFour);
        Assert.True(wiring.Fits);
        Assert.Equal([31, 34], wiring.Lift);
        Assert.Equal([new WireLink("A14", 31, 34)], wiring.Links);
        Assert.Equal([new PinTie(1, "GND"), new PinTie(31, "VCC")], wiring.Ties);
        Assert.Empty(wiring.Empty);
        Assert.Equal("ROM-LINES", Assert.Single(wiring.Findings).Code);
    }

    [Fact]
    public void A_tie_may_be_told_and_a_switch_takes_two_images()
    {
        RomWiring wiring = RomWiring.Solve(
            RomDevice.Find("27C400")!,
            BoardFour,
            new Dictionary<string, string> { ["A17"] = "switch" }
        );
        Assert.Equal([new PinTie(1, "switch"), new PinTie(31, "VCC")], wiring.Ties);
        Assert.Empty(wiring.Findings);
    }

    [Fact]
    public void A_device_goes_straight_into_its_own_socket_and_a_smaller_one_at_the_ground_end()
    {
        foreach (RomDevice device in RomDevice.All)
        {
            RomWiring own = RomWiring.Solve(device, device.Pins, NoTies);
            Assert.True(own.Fits && own.Lift.Count + own.Links.Count + own.Ties.Count + own.Empty.Count == 0, device.Name);
        }
        // 24-pin pin 1 lies on contact 3 of 28.
        RomWiring small = Solve("2716", RomDevice.Find("2764")!.Pins);
        Assert.Equal([1, 2, 27, 28], small.Empty);
        Assert.Contains(small.Findings, f => f.Code == "ROM-SIZE");
    }

    [Theory]
    [InlineData("27C400", "2764", "ROM-PINS")]
    [InlineData("27C400", "27C800", null)]
    [InlineData("2764", "27C400", "ROM-LANES")]
    public void What_cannot_be_is_said(string device, string socket, string? code)
    {
        RomWiring wiring = Solve(device, RomDevice.Find(socket)!.Pins);
        Assert.Equal(code is null, wiring.Fits);
        if (code is not null)
            Assert.Equal(code, Assert.Single(wiring.Findings).Code);
    }

    /// <summary>
    /// The net that a leg gets: what it is tied or linked to, else, not lifted, what its contact carries; each leg one net only.
    /// </summary>
    static string NetOf(RomWiring wiring, IReadOnlyList<string> socket, int pin, int ahead)
    {
        string[] given =
        [
            .. wiring.Ties.Where(t => t.Pin == pin).Select(t => t.To),
            .. wiring.Links.Where(l => l.DevicePin == pin).Select(l => socket[l.SocketPin - 1]),
            .. wiring.Lift.Contains(pin) || socket[pin + ahead - 1] == "n" ? [] : (string[])[socket[pin + ahead - 1]],
        ];
        Assert.True(given.Distinct().Count() <= 1, $"pin {pin} carries {string.Join(" and ", given)}");
        return given.Length > 0 ? Nets.InReading(given[0]) : "open";
    }

    [Fact]
    public void Every_device_in_every_socket_reads_its_image_back_or_says_why_not()
    {
        int wired = 0;
        foreach (RomDevice device in RomDevice.All)
        foreach (IReadOnlyList<string> socket in RomDevice.All.Select(d => d.Pins).Append(BoardFour))
        {
            RomWiring wiring = RomWiring.Solve(device, socket, NoTies);
            if (!wiring.Fits)
            {
                Assert.NotEmpty(wiring.Findings);
                continue;
            }
            wired++;
            int ahead = (socket.Count - device.Pins.Count) / 2;
            var nets = device
                .Pins.Select((own, i) => (Own: own, Net: NetOf(wiring, socket, i + 1, ahead)))
                .Where(p => p.Own != Nets.None)
                .ToList();
            foreach ((string own, string net) in nets)
                if (Nets.IsAddress(own))
                    Assert.True(net == own || (net == "GND" && !socket.Contains(own)), $"{device.Name} {own}: {net}");
                else if (Nets.InReading(own) == "/OE")
                    Assert.True(
                        net is "/OE" || (net == "GND" && socket.All(s => Nets.InReading(s) != "/OE")),
                        $"{device.Name} {own}: {net}"
                    );
                else
                    Assert.Equal(Nets.InReading(own), net);
            // What the processor reads at each address it can form, of one bit of every word: the address that reaches the
            // device, line by line.
            string[] lines = [.. socket.Where(Nets.IsAddress).Distinct()];
            for (int line = 0; line < lines.Length; line++)
            {
                ulong asked = 1ul << int.Parse(lines[line][1..]);
                ulong reached = nets.Where(n => Nets.IsAddress(n.Own) && n.Net == lines[line])
                    .Aggregate(0ul, (a, n) => a | 1ul << int.Parse(n.Own[1..]));
                Assert.True(
                    reached == asked || !device.Pins.Contains(lines[line]),
                    $"{device.Name}: {lines[line]} reaches {reached:x}"
                );
            }
        }
        Assert.True(wired > 40, $"{wired}");
    }

    [Fact]
    public void The_table_is_as_printed()
    {
        Assert.Equal(17, RomDevice.Find("27C512")!.Pins.Select((p, i) => (p, i)).First(p => p.p == "D5").i + 1);
        Assert.Equal(
            (18, 16, 512ul << 10),
            (RomDevice.Find("27C400")!.AddressLines, RomDevice.Find("27C400")!.DataLines, RomDevice.Find("27C400")!.Bytes)
        );
        Assert.Equal(64ul << 10, RomDevice.Find("27512")!.Bytes);
        Assert.Equal("/BYTE+VPP", RomDevice.Find("27C800")!.Pins[31]);
        Assert.All(RomDevice.All, d => Assert.Single(d.Pins, p => p == "VCC"));
    }
}
