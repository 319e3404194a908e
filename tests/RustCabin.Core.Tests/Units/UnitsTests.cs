using CsCheck;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Units;

public class UnitsTests
{
    [Theory]
    [InlineData("0x600000", 0x600000ul)]
    [InlineData("0x2D8000", 0x2D8000ul)]
    [InlineData("512K", 524288ul)]
    [InlineData("4M", 4194304ul)]
    [InlineData("1G", 1073741824ul)]
    [InlineData("1536", 1536ul)]
    [InlineData("0", 0ul)]
    public void Sizes_read_as_packs_write_them(string text, ulong bytes)
    {
        Assert.True(ByteSize.TryParse(text, out ByteSize size));
        Assert.Equal(bytes, size.Bytes);
        Assert.True(Address.TryParse(text, out Address address));
        Assert.Equal(bytes, address.Value);
    }

    [Theory]
    [InlineData("0x20000G")]
    [InlineData("")]
    [InlineData("0x")]
    [InlineData("K")]
    [InlineData("-1")]
    [InlineData("+1")]
    [InlineData(" 1K")]
    [InlineData("1k")]
    [InlineData("1.5K")]
    [InlineData("1,000")]
    [InlineData("0X10")]
    [InlineData("10000000000G")]
    [InlineData("0x8000000000000000")]
    [InlineData("99999999999999999999")]
    public void What_is_no_size_is_refused(string text) => Assert.False(ByteSize.TryParse(text, out _));

    [Theory]
    [InlineData(0ul, "0 KiB", "0K")]
    [InlineData(1ul, "1 byte", "1 byte")]
    [InlineData(300ul, "300 bytes", "300 bytes")]
    [InlineData(262144ul, "256 KiB", "256K")]
    [InlineData(4456448ul, "4,352 KiB", "4352K")]
    [InlineData(4194304ul, "4 MiB", "4M")]
    [InlineData(1073741824ul, "1 GiB", "1G")]
    public void Sizes_are_shown_in_the_largest_exact_unit(ulong bytes, string exact, string box)
    {
        Assert.Equal(exact, new ByteSize(bytes).ToString());
        Assert.Equal(box, new ByteSize(bytes).ToScreen(asOnTheBox: true));
    }

    [Theory]
    [InlineData(0x0c0000ul, 24, "0x0c0000", "0x0c_0000")]
    [InlineData(0xf8000ul, 20, "0xf8000", "0xf_8000")]
    [InlineData(0xeful, 16, "0x00ef", "0x00ef")]
    [InlineData(5ul, 1, "0x5", "0x5")]
    public void Addresses_are_padded_to_the_width_of_the_space(ulong value, int bits, string json, string screen)
    {
        Assert.Equal(json, new Address(value).ToJson(bits));
        Assert.Equal(screen, new Address(value).ToScreen(bits));
    }

    [Fact]
    public void Json_form_of_any_address_reads_back() =>
        Gen.ULong[0, (1ul << 40) - 1]
            .Sample(value => Address.TryParse(new Address(value).ToJson(40), out Address back) && back.Value == value);

    [Fact]
    public void A_range_holds_both_its_ends()
    {
        AddressRange range = AddressRange.Of(0x6000, 0x2000);
        Assert.Equal(new Address(0x7FFF), range.To);
        Assert.True(range.Contains(range.From) && range.Contains(range.To));
        Assert.False(range.Contains(new Address(0x8000)));
        Assert.True(range.Touches(AddressRange.Of(0x7FFF, 1)));
        Assert.False(range.Touches(AddressRange.Of(0x8000, 1)));
    }
}
