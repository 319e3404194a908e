using RustCabin.Core.Chips;

namespace RustCabin.Core.Tests.Chips;

/// <summary>Pinouts by the number of a chip, or by its whole marking.</summary>
public sealed class StandardPinoutTests
{
    [Theory]
    [InlineData("138", 16, "A")]
    [InlineData("SN74LS138N", 16, "A")]
    [InlineData("27256", 28, null)]
    [InlineData("4164", 16, "n")]
    [InlineData("KM4164-15", 16, "n")]
    [InlineData("gal16v8-25", 20, "CK")]
    public void A_number_or_a_marking(string typed, int legs, string? first)
    {
        StandardPinout found = StandardPinout.Find(typed)!;
        Assert.Equal(legs, found.Legs.Count);
        if (first is not null)
            Assert.Equal(first, found.Legs[0]);
    }

    [Theory]
    [InlineData("")]
    [InlineData("7805")]
    [InlineData("QUERN 1987")]
    public void What_has_no_pinout_is_none(string typed) => Assert.Null(StandardPinout.Find(typed));

    [Fact]
    public void Those_of_a_size_have_that_size()
    {
        Assert.All(StandardPinout.With(16), p => Assert.Equal(16, p.Legs.Count));
        Assert.Equal(StandardPinout.All.Count, StandardPinout.All.Select(p => p.Name).Distinct().Count());
    }
}
