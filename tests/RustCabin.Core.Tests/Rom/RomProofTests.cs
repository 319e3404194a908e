using RustCabin.Core.Build;
using RustCabin.Core.Chips;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Rom;

/// <summary>The proof through the machine's own decode, image selectors, taps, and the lock on the build sheet.</summary>
public sealed partial class RomProofTests
{
    static byte[] Image(int size, int seed = 1)
    {
        byte[] image = new byte[size];
        new Random(seed).NextBytes(image);
        return image;
    }

    static string Nets(string device) => string.Join(',', RomDevice.Find(device)!.Pins.Select(p => $"\"{p}\""));

    /// <summary>An 8-bit machine whose 32 KiB of ROM answer from 0x8000, and the plan of a device for it.</summary>
    static Machine Small(string device, string more = "", string claim = "", string other = "") =>
        new()
        {
            Claims =
                $$"""{ "id": "os", "kind": "rom", "base": "0x8000", "size": "32K", "sockets": ["os"] {{claim}} } {{other}}""",
            More = $$""", "sites": [ { "id": "os", "kind": "socket", "pinout": [{{Nets("27256")}}] } ]""",
            Job = $$""" "roms": [ { "site": "os", "device": "{{device}}", "image": "1" {{more}} } ]""",
        };

    static Proof Prove(Machine machine, byte[] burnt, params byte[][] images) =>
        RomProof.Of(machine.Planned, machine.Pack.Jobs[0].Roms[0], images, burnt);

    [Fact]
    public void The_first_wrong_byte_has_its_address_in_the_machine()
    {
        byte[] image = Image(32 << 10),
            wrong = [.. image];
        wrong[0x123] ^= 1;
        Assert.True(Prove(Small("27256"), image, image).Passed);
        Proof failed = Prove(Small("27256"), wrong, image);
        Assert.Equal((false, 0x123L, 0x8123ul), (failed.Passed, failed.FirstWrong, failed.At!.Value.Value));
    }

    [Fact]
    public void An_image_beyond_what_the_machine_shows_of_the_socket_fails_at_its_end()
    {
        Proof failed = Prove(
            Small("27256") with
            {
                Claims = """{ "id": "os", "kind": "rom", "base": "0xC000", "size": "16K", "sockets": ["os"] }""",
            },
            Image(32 << 10),
            Image(32 << 10)
        );
        Assert.Contains("shows 16 KiB of this socket at 0xc000", failed.Words);
        Assert.Equal(16L << 10, failed.FirstWrong);
        byte[] image = Image(16 << 10);
        Assert.True(
            Prove(
                Small("27256") with
                {
                    Claims = """{ "id": "os", "kind": "rom", "base": "0xC000", "size": "16K", "sockets": ["os"] }""",
                },
                [.. image, .. image],
                image
            ).Passed
        );
    }

    /// <summary>
    /// 16 KiB at 0xC000 in a socket of 15 lines: A14 is high there, so the device is read from its upper half, or doubled, from
    /// anywhere.
    /// </summary>
    [Fact]
    public void A_socket_with_more_lines_than_its_claim_needs_is_read_from_where_they_stand()
    {
        Machine machine = Small("27256") with
        {
            Claims = """{ "id": "os", "kind": "rom", "base": "0xC000", "size": "16K", "sockets": ["os"] }""",
        };
        byte[] image = Image(16 << 10),
            blank = new byte[16 << 10];
        Proof low = Prove(machine, [.. image, .. blank], image);
        Assert.False(low.Passed);
        Assert.Contains("reads the device from 0x4000 here", low.Words);
        Assert.True(Prove(machine, [.. blank, .. image], image).Passed);
        Assert.True(Prove(machine, [.. image, .. image], image).Passed);
    }

    [Fact]
    public void What_answers_over_the_socket_is_found_where_it_begins()
    {
        string over = """, { "id": "ports", "kind": "io", "base": "0xFE00", "size": "256", "overlays": ["os"] }""";
        byte[] image = Image(32 << 10);
        Proof failed = Prove(Small("27256", other: over), image, image);
        Assert.Equal((false, 0xFE00ul), (failed.Passed, failed.At!.Value.Value));
        Assert.Contains("something else answers", failed.Words);
    }

    static Machine Windowed(int bank, string register = "") =>
        Small("27256") with
        {
            Claims =
                $$"""{ "id": "slots", "kind": "rom", "base": "0x8000", "size": "32K", "window": { "register": "select", "banks": 16, "pages": [ { "bank": {{bank}}, "site": "os" } ] } }, { "id": "select", "kind": "register", "base": "0x7F00", "size": "1" {{register}} }""",
        };

    [Theory]
    [InlineData(0)]
    [InlineData(13)]
    public void A_socket_behind_a_window_is_read_through_its_bank_register(int bank)
    {
        byte[] image = Image(32 << 10);
        Proof proof = Prove(Windowed(bank), image, image);
        Assert.True(proof.Passed, proof.Words);
    }

    [Fact]
    public void A_bank_that_its_register_cannot_choose_fails()
    {
        byte[] image = Image(32 << 10);
        Assert.Contains(
            "Bank 3 of the window at 0x8000 is not shown",
            Prove(Windowed(3, """, "access": "read" """), image, image).Words
        );
        Assert.True(Prove(Windowed(0, """, "access": "read" """), image, image).Passed);
    }

    /// <summary>Two sockets of one word: each device holds the bytes of its lane.</summary>
    [Fact]
    public void Each_lane_of_a_split_set_is_proved_in_its_own_socket()
    {
        Machine set(string site) =>
            new()
            {
                DataBits = 16,
                Claims = """{ "id": "os", "kind": "rom", "base": "0x0000", "size": "64K", "sockets": ["even", "odd"] }""",
                More =
                    $$""", "sites": [ { "id": "even", "kind": "socket", "pinout": [{{Nets("27256")}}] }, { "id": "odd", "kind": "socket", "pinout": [{{Nets("27256")}}] } ]""",
                Job = $$""" "roms": [ { "site": "{{site}}", "device": "27256", "image": "1" } ]""",
            };
        byte[] lane = Image(32 << 10),
            wrong = [.. lane];
        wrong[5] ^= 1;
        Assert.True(Prove(set("even"), lane, lane).Passed);
        Assert.Equal(10ul, Prove(set("even"), wrong, lane).At!.Value.Value);
        Assert.Equal(11ul, Prove(set("odd"), wrong, lane).At!.Value.Value);
    }

    [Fact]
    public void A_whole_image_split_for_the_set_is_proved_lane_by_lane_and_an_exchanged_pair_is_found()
    {
        byte[] whole = Image(64 << 10),
            even = [.. whole.Where((_, i) => i % 2 == 0)],
            odd = [.. whole.Where((_, i) => i % 2 == 1)];
        Machine set(string site, int lane) =>
            new()
            {
                DataBits = 16,
                Claims = """{ "id": "os", "kind": "rom", "base": "0x0000", "size": "64K", "sockets": ["even", "odd"] }""",
                More =
                    $$""", "sites": [ { "id": "even", "kind": "socket", "pinout": [{{Nets("27256")}}] }, { "id": "odd", "kind": "socket", "pinout": [{{Nets("27256")}}] } ]""",
                Job =
                    $$""" "roms": [ { "site": "{{site}}", "device": "27256", "image": "1", "ops": [ { "op": "split", "lanes": 2 }, { "op": "pick", "index": {{lane}} } ] } ]""",
            };
        Assert.Contains("in lane 1 of 2", Prove(set("even", 0), even, whole).Words);
        Assert.Contains("in lane 2 of 2", Prove(set("odd", 1), odd, whole).Words);
        Assert.False(Prove(set("odd", 0), even, whole).Passed);
        Assert.Equal(even, RomOp.Run([whole], set("even", 0).Pack.Jobs[0].Roms[0].Ops)[0]);
        RomOpException none = Assert.Throws<RomOpException>(() => RomOp.Run([whole], set("even", 2).Pack.Jobs[0].Roms[0].Ops));
        Assert.Equal((1, "there are 2 images, and number 3 is to be taken"), (none.At, none.Message));
    }

    [Fact]
    public void An_image_that_no_switch_chooses_is_told_and_an_empty_one_fails()
    {
        byte[] image = Image(16 << 10);
        Proof proof = Prove(
            Small("27256", """, "further": ["2"] """) with
            {
                Claims = """{ "id": "os", "kind": "rom", "base": "0x8000", "size": "16K", "sockets": ["os"] }""",
            },
            [.. image, .. image],
            image,
            image
        );
        Assert.True(proof.Passed);
        Assert.EndsWith("One image more is in the device and out of reach: put a line on a switch.", proof.Words);
        Assert.Equal("The image is empty.", Prove(Small("27256"), [], Image(0)).Words);
    }

    [Fact]
    public void Four_images_on_two_switches_are_each_proved_at_their_position()
    {
        // A 128 KiB device in a 32 KiB socket has two lines more; both are on switches.
        Machine machine = Small("27C010", """, "further": ["2", "3", "4"], "ties": { "A15": "switch", "A16": "switch" } """) with
        {
            More = $$""", "sites": [ { "id": "os", "kind": "socket", "pinout": ["n","n",{{Nets("27256")}},"n","n"] } ]""",
        };
        byte[][] images = [.. Enumerable.Range(1, 4).Select(i => Image(32 << 10, i))];
        byte[] burnt = [.. images.SelectMany(i => i)];
        RomPlan plan = machine.Pack.Jobs[0].Roms[0];
        RomWiring wiring = RomWiring.Solve(RomDevice.Find("27C010")!, machine.Planned.FindSite("os")!.Pinout, plan.Ties);
        Assert.True(wiring.Fits, string.Join(' ', wiring.Findings.Select(f => f.Text)));
        Proof proof = Prove(machine, burnt, images);
        Assert.True(proof.Passed, proof.Words);
        Assert.Contains("at each of 4 switch positions", proof.Words);
        Assert.Contains(
            "With A16 high, A15 low: image 3 is wanted there",
            Prove(machine, [.. images[0], .. images[1], .. images[3], .. images[2]], images).Words
        );

        IReadOnlyList<SelectorPosition> positions = ImageSelector.Of(RomDevice.Find("27C010")!, wiring);
        Assert.Equal(
            ["A16 low, A15 low", "A16 low, A15 high", "A16 high, A15 low", "A16 high, A15 high"],
            positions.Select(p => p.Words)
        );
        Assert.Equal(
            [(0L, 32767L), (32768L, 65535L), (65536L, 98303L), (98304L, 131071L)],
            positions.Select(p => p.Ranges.Single())
        );
    }

    [Fact]
    public void A_line_below_the_top_on_a_switch_interleaves_the_ranges()
    {
        RomDevice device = RomDevice.Find("27C010")!;
        RomWiring wiring = RomWiring.Solve(device, device.Pins, new Dictionary<string, string> { ["A15"] = "switch" });
        Assert.Equal(
            [
                [(0L, 32767L), (65536L, 98303L)],
                [(32768L, 65535L), (98304L, 131071L)],
            ],
            ImageSelector.Of(device, wiring).Select(p => p.Ranges)
        );
        // Tied high, there is one position, and it is the other half.
        Assert.Equal(
            [(65536L, 131071L)],
            Assert
                .Single(
                    ImageSelector.Of(
                        device,
                        RomWiring.Solve(device, device.Pins, new Dictionary<string, string> { ["A16"] = "VCC" })
                    )
                )
                .Ranges
        );
    }

    static Machine Tapped(string tie, string signals) =>
        new()
        {
            AddressBits = 17,
            Claims = """{ "id": "os", "kind": "rom", "base": "0x10000", "size": "64K", "sockets": ["os"] }""",
            More =
                $$""", "sites": [ { "id": "os", "kind": "socket", "pinout": [{{Nets("27256")}}] } ], "signals": [{{signals}}]""",
            Job = $$""" "roms": [ { "site": "os", "device": "27512", "image": "1", "bytes": 65536 {{tie}} } ]""",
        };

    const string A15 = """{ "net": "A15", "at": [ { "chip": "U9", "pin": 12, "tap": "clip" } ] }""";

    [Fact]
    public void ROM_LINES_tells_how_much_is_reached_and_where_the_line_can_be_tapped_and_a_tap_mends_it()
    {
        Findings.Finding stop = Assert.Single(
            Tapped("", A15).Answer.Findings,
            f => f is { Code: "ROM-LINES", Severity: Core.Findings.Severity.Stop }
        );
        Assert.Equal("Of the image's 64 KiB the socket reaches 32 KiB.", stop.Text);
        Assert.Contains("A15 can be tapped at U9 leg 12 (clip).", stop.Why);
        byte[] image = Image(64 << 10);
        Assert.Contains("The socket reaches 32,768 bytes", Prove(Tapped("", A15), image, image).Words);

        Machine tapped = Tapped(""", "ties": { "A15": "tap" } """, A15);
        Assert.DoesNotContain(tapped.Answer.Findings, f => f is { Code: "ROM-LINES", Severity: Core.Findings.Severity.Stop });
        Proof proof = Prove(tapped, image, image);
        Assert.True(proof.Passed, proof.Words);
        Assert.Contains(
            BuildSheet.For(Trail.Stations, tapped.Planned, tapped.Planned).Steps,
            s => s.Details.Contains("Wire leg 1 (A15) to U9 leg 12 (clip).")
        );
        Assert.Contains(
            "names no place that carries it",
            Assert
                .Single(
                    Tapped(""", "ties": { "A15": "tap" } """, "").Answer.Findings,
                    f => f is { Code: "ROM-LINES", Severity: Core.Findings.Severity.Stop }
                )
                .Text
        );
    }

    [Theory]
    [InlineData(32768, false)]
    [InlineData(32769, true)]
    public void ROM_SIZE_when_the_image_is_larger_than_the_device(int bytes, bool raised) =>
        Assert.Equal(
            raised,
            Small("27256", $", \"bytes\": {bytes}")
                .Answer.Findings.Any(f => f is { Code: "ROM-SIZE", Severity: Core.Findings.Severity.Stop })
        );
}
