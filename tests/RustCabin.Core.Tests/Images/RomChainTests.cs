using RustCabin.Core.Build;
using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;

namespace RustCabin.Core.Tests.Images;

/// <summary>Chains with what each step shows, and devices from the cupboard.</summary>
public sealed class RomChainTests
{
    static IReadOnlyList<RomOp> Ops(string ops)
    {
        using var json = System.Text.Json.JsonDocument.Parse(ops);
        return RomOp.Read(json.RootElement).Ops;
    }

    [Fact]
    public void Each_step_is_kept_and_the_last_single_one_is_the_file()
    {
        RomChain chain = RomChain.Of(
            [
                [1, 2, 3, 4],
            ],
            Ops("""[{ "op": "swap16" }, { "op": "double" }]""")
        );
        Assert.Equal([1, 1, 1], chain.Steps.Select(s => s.Count));
        Assert.Equal([2, 1, 4, 3, 2, 1, 4, 3], chain.File!.Bytes);
        Assert.True(chain.File.Seen.RepeatedHalves);
        Assert.Equal(16, chain.Bytes);
    }

    [Fact]
    public void Several_images_at_the_end_are_no_file_until_they_are_put_together()
    {
        Assert.Null(
            RomChain
                .Of(
                    [
                        [1, 2],
                        [3, 4],
                    ],
                    []
                )
                .File
        );
        Assert.Equal(
            [1, 2, 3, 4],
            RomChain
                .Of(
                    [
                        [1, 2],
                        [3, 4],
                    ],
                    Ops("""[{ "op": "concat" }]""")
                )
                .File!.Bytes
        );
        Assert.Equal(
            [1, 3, 2, 4],
            RomChain
                .Of(
                    [
                        [1, 2],
                        [3, 4],
                    ],
                    Ops("""[{ "op": "join" }]""")
                )
                .File!.Bytes
        );
    }

    [Fact]
    public void What_cannot_be_done_ends_the_chain_and_says_why()
    {
        RomChain chain = RomChain.Of(
            [
                [1, 2, 3],
            ],
            Ops("""[{ "op": "double" }, { "op": "swap32" }, { "op": "double" }]""")
        );
        Assert.Equal(2, chain.Steps.Count);
        Assert.Contains("6 bytes are no whole number of 32-bit words", chain.Wrong);
        Assert.Null(chain.File);
    }

    [Fact]
    public void The_guess_of_the_byte_order_shows_its_evidence()
    {
        byte[] text = [.. Enumerable.Repeat("the harbour bell rings at four\n"u8.ToArray(), 8).SelectMany(b => b)];
        RomInspection straight = RomInspection.Of(text),
            swapped = RomInspection.Of(RomOp.Run([text], Ops("""[{ "op": "swap16" }]"""))[0]);
        Assert.Equal((straight.StraightPairs, straight.SwappedPairs), (swapped.SwappedPairs, swapped.StraightPairs));
        Assert.StartsWith("text reads swapped: ", swapped.OrderWords);
        Assert.Equal(["the harbour bell rings at fo", "the harbour bell rings at fo"], [straight.Sample, swapped.Sample]);
        Assert.Equal("", RomInspection.Of([1, 2, 3, 4]).OrderWords);
    }

    /// <summary>By hand: one value says nothing, two alike 1 bit, four alike 2 bits, all 256 alike 8 bits.</summary>
    [Theory]
    [InlineData(1, 0)]
    [InlineData(2, 1)]
    [InlineData(4, 2)]
    [InlineData(256, 8)]
    public void Density_is_the_bits_that_a_byte_says(int values, double bits) =>
        Assert.All(
            ImageStrip.Density([.. Enumerable.Range(0, 4096).Select(i => (byte)(i % values))], 4),
            d => Assert.Equal(bits, d, 9)
        );

    [Fact]
    public void Density_of_what_is_too_small_is_told_for_what_there_is()
    {
        Assert.Empty(ImageStrip.Density([]));
        Assert.Equal(3, ImageStrip.Density([1, 2, 3]).Count);
    }

    static StockItem Chip(string item, string name, int count, decimal? price = null) =>
        new()
        {
            Kind = StockKind.Chip,
            Item = item,
            Name = name,
            Count = count,
            Price = price,
            Tested = true,
        };

    [Fact]
    public void Devices_in_hand_and_fast_enough_come_first()
    {
        string[] socket = [.. RomDevice.Find("27256")!.Pins];
        IReadOnlyList<DeviceOption> none = DeviceChoice.For(socket, 32 << 10, [], 200);
        Assert.Equal("27256", none[0].Device.Name);
        Assert.Equal("straight in", none[0].Needs);
        Assert.Equal("27512", DeviceChoice.For(socket, 32 << 10, [Chip("27512", "27512, 150 ns", 1)], 200)[0].Device.Name);
        Assert.Equal("27512", DeviceChoice.For(socket, 32 << 10, [Chip("27512", "27512, 200 ns", 1)], 200)[0].Device.Name);
        Assert.Equal("27256", DeviceChoice.For(socket, 32 << 10, [Chip("27512", "27512, 201 ns", 1)], 200)[0].Device.Name);
        Assert.Equal("27256", DeviceChoice.For(socket, 32 << 10, [Chip("27512", "27512, 150 ns", 0)], 200)[0].Device.Name);
    }

    [Fact]
    public void Stock_is_counted_over_its_places_with_the_fastest_and_the_cheapest()
    {
        RomDevice device = RomDevice.Find("27C400")!;
        DeviceStock own = DeviceStock.Of(
            [
                Chip("27C400", "27C400, 150 ns", 2, 6.5m),
                Chip("", "27C400-120, 120 ns", 1, 7m),
                Chip("", "27C4000, 90 ns", 9),
                Chip("27C400", "27C400, 90 ns", 0, 9m),
                Chip("256Kx4", "256Kx4 DRAM, 80 ns", 4),
            ],
            device
        );
        Assert.Equal(new DeviceStock(3, 120, 6.5m), own);
        Assert.Equal(new DeviceStock(0, null, null), DeviceStock.Of([], device));
    }

    [Fact]
    public void A_planned_device_is_on_the_shopping_list_until_it_is_burnt()
    {
        Machine machine = new()
        {
            More = """, "sites": [ { "id": "os", "kind": "socket" } ]""",
            Job = """ "roms": [ { "site": "os", "device": "27256" } ]""",
        };
        Assert.Equal(
            new Wanted("27256, ROM device", 1, 3, 2.8m),
            Assert.Single(
                ShoppingList.Of(Trail.Stations, machine.Pack, machine.Pack.Jobs, [Chip("27256", "27256, 150 ns", 3, 2.8m)])
            )
        );
        machine = machine with { Job = machine.Job + """, "done": ["burn-os"]""" };
        Assert.Empty(ShoppingList.Of(Trail.Stations, machine.Pack, machine.Pack.Jobs, []));
    }
}
