using RustCabin.Core.Chips;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Rom;

/// <summary>Compare, proof, programmer, strip and choice of a device.</summary>
public sealed class RomBenchTests
{
    static byte[] Image(int size, int seed = 1)
    {
        byte[] image = new byte[size];
        new Random(seed).NextBytes(image);
        return image;
    }

    static byte[] Op(byte[] image, string op)
    {
        using var json = System.Text.Json.JsonDocument.Parse($"[{{ \"op\": \"{op}\" }}]");
        return RomOp.Run([image], RomOp.Read(json.RootElement).Ops)[0];
    }

    static readonly string[] BrindleSocket =
    [
        "A16",
        "A7",
        "A6",
        "A5",
        "A4",
        "A3",
        "A2",
        "A1",
        "A0",
        "/CE",
        "GND",
        "/OE",
        "D0",
        "D8",
        "D1",
        "D9",
        "D2",
        "D10",
        "D3",
        "D11",
        "VCC",
        "D4",
        "D12",
        "D5",
        "D13",
        "D6",
        "D14",
        "D7",
        "D15",
        "GND",
        "GND",
        "n",
        "A15",
        "A14",
        "A13",
        "A12",
        "A11",
        "A10",
        "A9",
        "A8",
    ];

    static readonly IReadOnlyDictionary<string, string> NoTies = new Dictionary<string, string>();

    [Fact]
    public void Each_difference_is_named()
    {
        byte[] image = Image(4096),
            stuck = [.. image.Select(b => (byte)(b | 8))],
            other = Image(4096, 2),
            lane = [.. image],
            exchanged = [.. image];
        for (int i = 1; i < lane.Length; i += 2)
            lane[i] = other[i];
        for (int i = 0; i < image.Length; i += 4)
            (exchanged[i], exchanged[i + 2]) = (image[i + 2], image[i]);
        (byte[] Dump, Difference Cause)[] cases =
        [
            ([.. image], Difference.Equal),
            (Op(image, "swap16"), Difference.Swapped),
            ([.. image[2048..], .. image[..2048]], Difference.HalfSwapped),
            ([0, 0, 0, .. image[..^3]], Difference.Shifted),
            ([.. image[16..], .. new byte[16]], Difference.Shifted),
            (stuck, Difference.StuckBit),
            (lane, Difference.LaneWrong),
            (exchanged, Difference.LaneExchanged),
            ([.. image, .. image], Difference.Doubled),
            (image[..4000], Difference.Shorter),
            (other, Difference.Other),
        ];
        foreach ((byte[] dump, Difference cause) in cases)
            Assert.Equal(cause, RomCompare.Of(image, dump).Cause);
        Assert.Contains("D3 always reads 1", RomCompare.Of(image, stuck).Words);
        Assert.Contains("Only lane 1 of 2", RomCompare.Of(image, lane).Words);
        Assert.Contains("3 bytes too high", RomCompare.Of(image, [0, 0, 0, .. image[..^3]]).Words);
    }

    [Fact]
    public void The_first_wrong_byte_and_the_map_say_where()
    {
        byte[] image = Image(6400),
            dump = [.. image];
        dump[3205] ^= 0xFF;
        Compared compared = RomCompare.Of(image, dump);
        Assert.Equal((3205L, 1L), (compared.FirstWrong, compared.WrongBytes));
        Assert.Equal(32, compared.Map.Index().Single(m => m.Item > 0).Index);
        Assert.Equal(-1, RomCompare.Of(image, image).FirstWrong);
    }

    /// <summary>
    /// Board 4 of the sample sheet and a 27C400: a byte-ordered image must be swapped on this machine and doubled to fill the
    /// device.
    /// </summary>
    [Fact]
    public void The_proof_passes_swapped_and_doubled_and_names_the_swap_that_was_left_out()
    {
        byte[] image = Image(256 << 10);
        RomDevice device = RomDevice.Find("27C400")!;
        RomWiring wiring = RomWiring.Solve(device, BrindleSocket, NoTies);
        Proof right = RomProof.Of(device, BrindleSocket, wiring, image, Op(Op(image, "swap16"), "double"), highFirst: true);
        Assert.True(right.Passed, right.Words);
        Proof wrong = RomProof.Of(device, BrindleSocket, wiring, image, Op(image, "double"), highFirst: true);
        Assert.False(wrong.Passed);
        Assert.Equal(Difference.Swapped, wrong.Compared!.Cause);
        Assert.True(RomProof.Of(device, BrindleSocket, wiring, image, image, highFirst: false).Passed);
    }

    [Fact]
    public void A_leg_left_in_its_wrong_contact_fails_the_proof()
    {
        byte[] image = Image(256 << 10);
        RomDevice device = RomDevice.Find("27C400")!;
        RomWiring wiring = RomWiring.Solve(device, BrindleSocket, NoTies);
        // Leg 1 left down reads A17 from the contact of A16; leg 32 loses its wire.
        Assert.False(RomProof.Of(device, BrindleSocket, wiring with { Links = [] }, image, image, false).Passed);
        Assert.Contains("two nets", RomProof.Of(device, BrindleSocket, wiring with { Lift = [] }, image, image, false).Words);
    }

    [Fact]
    public void A_top_line_on_a_switch_holds_two_images()
    {
        RomDevice device = RomDevice.Find("27512")!;
        string[] socket = [.. RomDevice.Find("27256")!.Pins];
        byte[] first = Image(32 << 10),
            second = Image(32 << 10, 2),
            both = [.. first, .. second];
        RomWiring wiring = RomWiring.Solve(device, socket, new Dictionary<string, string> { ["A15"] = "switch" });
        Assert.True(RomProof.Of(device, socket, wiring, first, both, false, switchAt: false).Passed);
        Assert.True(RomProof.Of(device, socket, wiring, second, both, false, switchAt: true).Passed);
        Assert.False(RomProof.Of(device, socket, wiring, second, both, false, switchAt: false).Passed);
    }

    /// <summary>Every device in every socket of the same width: the proof passes, or the wiring says why not.</summary>
    [Fact]
    public void Every_device_in_every_socket_reads_its_image_back()
    {
        int proved = 0;
        foreach (RomDevice device in RomDevice.All)
        foreach (RomDevice made in RomDevice.All)
        {
            RomWiring wiring = RomWiring.Solve(device, made.Pins, NoTies);
            if (!wiring.Fits)
            {
                Assert.NotEmpty(wiring.Findings);
                continue;
            }
            // What both hold: a smaller device is seen again, a larger one is used in part.
            int lines = Math.Min(device.AddressLines, made.AddressLines);
            byte[] image = Image((int)Math.Min(1L << lines, 1 << 14) * device.DataLines / 8, device.Pins.Count);
            Proof proof = RomProof.Of(device, made.Pins, wiring, image, image, false);
            Assert.True(proof.Passed, $"{device.Name} in a socket for {made.Name}: {proof.Words}");
            proved++;
        }
        Assert.True(proved > 50, $"{proved} proved");
    }

    [Fact]
    public void What_is_too_large_for_device_or_socket_is_told()
    {
        RomDevice device = RomDevice.Find("27256")!;
        RomWiring wiring = RomWiring.Solve(device, device.Pins, NoTies);
        Assert.Contains("do not go into", RomProof.Of(device, device.Pins, wiring, Image(1024), Image(40_000), false).Words);
        Assert.Contains("The socket reaches", RomProof.Of(device, device.Pins, wiring, Image(40_000), Image(1024), false).Words);
    }

    [Theory]
    [InlineData(ProgrammerFault.None, BurnStep.ReadBack, true)]
    [InlineData(ProgrammerFault.WrongDevice, BurnStep.Identify, false)]
    [InlineData(ProgrammerFault.UnderErased, BurnStep.Blank, false)]
    [InlineData(ProgrammerFault.WeakBit, BurnStep.Verify, false)]
    [InlineData(ProgrammerFault.SwappedSetting, BurnStep.ReadBack, false)]
    public void The_programmer_ends_at_the_step_that_shows_its_fault(ProgrammerFault fault, BurnStep last, bool passed)
    {
        IReadOnlyList<BurnResult> results = new Programmer(RomDevice.Find("27256")!, fault).Run(Image(32 << 10));
        Assert.Equal((last, passed), (results[^1].Step, results[^1].Passed));
        Assert.All(results.SkipLast(1), r => Assert.True(r.Passed));
    }

    [Fact]
    public void Bits_only_go_from_one_to_nought()
    {
        var programmer = new Programmer(RomDevice.Find("2764")!);
        programmer.Burn([0x0F]);
        programmer.Burn([0xF0]);
        Assert.Equal(0x00, programmer.ReadBack(1)[0]);
        Assert.False(programmer.Blank().Passed);
        Assert.False(programmer.Burn(new byte[8193]).Passed);
    }

    [Fact]
    public void Erasing_takes_dose_over_intensity()
    {
        Assert.Equal(1250, Erasing.Seconds(Erasing.UsualDose, Erasing.UsualIntensity));
        Assert.Equal(2500, Erasing.Seconds(15, 12, 0.5m));
        Assert.Throws<ArgumentOutOfRangeException>(() => Erasing.Seconds(15, 0));
    }

    [Fact]
    public void The_strip_tells_text_code_blank_and_repeats()
    {
        byte[] code = Image(4096),
            text =
                System.Text.Encoding.ASCII.GetBytes(string.Concat(Enumerable.Repeat("the harbour bell rings at four ", 140)))[
                    ..4096
                ],
            blank = [.. Enumerable.Repeat((byte)0xFF, 8192)];
        Assert.Equal(
            [PieceKind.Code, PieceKind.Text, PieceKind.Blank],
            ImageStrip.Of([.. code, .. text, .. blank]).Select(p => p.Kind)
        );
        Assert.Equal([PieceKind.Code, PieceKind.Repeat], ImageStrip.Of([.. code, .. code]).Select(p => p.Kind));
        Assert.Equal(16384, ImageStrip.Of([.. code, .. text, .. blank]).Sum(p => p.Length));
        Assert.Empty(ImageStrip.Of([]));
    }

    [Fact]
    public void Devices_for_a_socket_least_work_first()
    {
        IReadOnlyList<DeviceOption> options = DeviceChoice.For(RomDevice.Find("27256")!.Pins, 16 << 10);
        Assert.Equal(("27256", 2, 0), (options[0].Device.Name, options[0].Copies, options[0].Work));
        Assert.DoesNotContain(options, o => o.Device.Name is "2764" or "27C400");
        Assert.Contains(options, o => o.Device.Name == "27512" && o.Work == 2);
    }

    [Theory]
    [InlineData(189, null)]
    [InlineData(190, "Watch")]
    [InlineData(210, "Watch")]
    [InlineData(211, "Stop")]
    public void ROM_SPEED_against_the_budget(int ns, string? severity) =>
        Assert.Equal(severity, DeviceChoice.Speed(Subject.Unit, "27C400", ns, 210)?.Severity.ToString());

    [Fact]
    public void The_budget_of_two_cycles_at_four_megahertz_is_390_ns() =>
        Assert.Equal(390, DeviceChoice.Budget(2, 4, 60, 30, 20));

    /// <summary>The quick ways through an image against the slow one, at sizes about the width of the quick one.</summary>
    [Theory]
    [InlineData(2, 30)]
    [InlineData(2, 32)]
    [InlineData(2, 34)]
    [InlineData(2, 1000)]
    [InlineData(4, 1000)]
    [InlineData(3, 999)]
    public void Lanes_are_the_bytes_of_their_remainder(int lanes, int size)
    {
        byte[] image = Image(size);
        using var json = System.Text.Json.JsonDocument.Parse($$"""[ { "op": "split", "lanes": {{lanes}} } ]""");
        IReadOnlyList<byte[]> split = RomOp.Run([image], RomOp.Read(json.RootElement).Ops);
        for (int lane = 0; lane < lanes; lane++)
            Assert.Equal(image.Where((_, i) => i % lanes == lane), split[lane]);
    }

    [Theory]
    [InlineData(8)]
    [InlineData(16)]
    [InlineData(24)]
    [InlineData(32)]
    [InlineData(64)]
    public void Words_are_reversed_whole(int bits)
    {
        byte[] image = Image(bits / 8 * 37);
        using var json = System.Text.Json.JsonDocument.Parse($$"""[ { "op": "reverseWords", "bits": {{bits}} } ]""");
        Assert.Equal(image.Chunk(bits / 8).Reverse().SelectMany(w => w), RomOp.Run([image], RomOp.Read(json.RootElement).Ops)[0]);
    }
}
