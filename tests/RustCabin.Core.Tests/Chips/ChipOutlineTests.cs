using RustCabin.Core.Chips;

namespace RustCabin.Core.Tests.Chips;

public class ChipOutlineTests
{
    static ChipOutline Of(string package)
    {
        Assert.True(ChipOutline.TryParse(package, out ChipOutline outline), package);
        return outline;
    }

    [Theory]
    // QFP-64, mark top left, from above: pin 50 is the second of the top side, counted from its right-hand corner. Source:
    // docs/handbook/wiring.md, Outlines.
    [InlineData("QFP-64", 50, View.Above, PinSide.Top, 2, "top-right", "49 51")]
    [InlineData("QFP-64", 50, View.Below, PinSide.Top, 2, "top-left", "49 51")]
    [InlineData("QFP-64", 1, View.Above, PinSide.Left, 1, "top-left", "2")]
    [InlineData("QFP-64", 17, View.Above, PinSide.Bottom, 1, "bottom-left", "18")]
    [InlineData("QFP-64", 33, View.Above, PinSide.Right, 1, "bottom-right", "34")]
    [InlineData("DIP-40", 1, View.Above, PinSide.Left, 1, "top-left", "2")]
    [InlineData("DIP-40", 1, View.Below, PinSide.Right, 1, "top-right", "2")]
    [InlineData("DIP-40", 40, View.Above, PinSide.Right, 1, "top-right", "39")]
    [InlineData("DIP-40", 21, View.Above, PinSide.Right, 1, "bottom-right", "22")]
    [InlineData("SOIC-16", 8, View.Above, PinSide.Left, 1, "bottom-left", "7")]
    // PLCC begins in the middle of the top side; 32 legs stand 7 + 9 + 7 + 9.
    [InlineData("PLCC-32", 1, View.Above, PinSide.Top, 4, "top-left", "2 32")]
    [InlineData("PLCC-32", 5, View.Above, PinSide.Left, 1, "top-left", "6")]
    [InlineData("PLCC-32", 14, View.Above, PinSide.Bottom, 1, "bottom-left", "15")]
    [InlineData("PLCC-32", 21, View.Above, PinSide.Right, 1, "bottom-right", "22")]
    [InlineData("PLCC-68", 1, View.Above, PinSide.Top, 9, "top-left", "2 68")]
    [InlineData("QFP-100(30,20)", 31, View.Above, PinSide.Bottom, 1, "bottom-left", "32")]
    [InlineData("HEADER-40", 2, View.Above, PinSide.Right, 1, "top-right", "4")]
    [InlineData("HEADER-40", 39, View.Above, PinSide.Left, 1, "bottom-left", "37")]
    [InlineData("DSUB-25", 14, View.Above, PinSide.Bottom, 1, "bottom-left", "15")]
    public void A_pin_stands_where_the_trade_counts_it(
        string package,
        int pin,
        View view,
        PinSide side,
        int fromCorner,
        string corner,
        string neighbours
    )
    {
        ChipOutline outline = Of(package);
        PinPlace place = outline.Find(pin, view);
        Assert.Equal((side, fromCorner, corner), (place.Side, place.FromCorner, place.Corner));
        Assert.Equal(neighbours, string.Join(' ', outline.Neighbours(pin, [pin])));
    }

    [Fact]
    public void A_tie_between_two_corners_goes_to_the_lower_numbered_end()
    {
        // PLCC-32, left side 5 to 13, from above the lower number on top; pin 9 stands in the middle.
        Assert.Equal("top-left", Of("PLCC-32").Find(9, View.Above).Corner);
        // Right side 21 to 29 from bottom to top: 25 in the middle, the lower number below.
        Assert.Equal("bottom-right", Of("PLCC-32").Find(25, View.Above).Corner);
    }

    [Fact]
    public void Asked_pins_are_no_neighbours() => Assert.Equal([52], Of("QFP-64").Neighbours(51, [50, 51]));

    [Theory]
    [InlineData("QFP-63")]
    [InlineData("DIP-7")]
    [InlineData("QFP-100(30,21)")]
    [InlineData("PLCC")]
    [InlineData("BGA-100")]
    [InlineData("DIP--8")]
    [InlineData("DIP-40000")]
    public void What_is_no_outline_is_refused(string text) => Assert.False(ChipOutline.TryParse(text, out _));

    public static TheoryData<string> Packages =>
        [
            "DIP-8",
            "DIP-64",
            "SOIC-28",
            "PLCC-20",
            "PLCC-28",
            "PLCC-32",
            "PLCC-44",
            "PLCC-68",
            "PLCC-84",
            "QFP-44",
            "QFP-64",
            "QFP-100(30,20)",
            "HEADER-44",
            "DSUB-9",
            "DSUB-37",
        ];

    [Theory]
    [MemberData(nameof(Packages))]
    public void Every_pin_is_there_once_and_below_mirrors_above(string package)
    {
        ChipOutline outline = Of(package);
        foreach (View view in Enum.GetValues<View>())
            Assert.Equal(
                Enumerable.Range(1, outline.Pins),
                Enum.GetValues<PinSide>().SelectMany(s => outline.Side(s, view)).Order()
            );
        foreach (PinSide side in (PinSide[])[PinSide.Top, PinSide.Bottom])
            Assert.Equal(outline.Side(side, View.Above).Reverse(), outline.Side(side, View.Below));
        Assert.Equal(outline.Side(PinSide.Left, View.Above), outline.Side(PinSide.Right, View.Below));
        // Around a chip, neighbours on a side differ by one, but where PLCC's count begins; on a header and a plug by what its
        // rows skip.
        if (outline.Family is PackageFamily.Header or PackageFamily.Dsub)
            return;
        foreach (PinSide side in Enum.GetValues<PinSide>())
        foreach ((int a, int b) in outline.Side(side, View.Above).Zip(outline.Side(side, View.Above).Skip(1)))
            Assert.True(
                Math.Abs(a - b) == 1 || (outline.Family == PackageFamily.Plcc && Math.Abs(a - b) == outline.Pins - 1),
                $"{a} beside {b}"
            );
    }

    /// <summary>Shells with three rows are not numbered as two.</summary>
    [Theory]
    [InlineData("DE-9", true)]
    [InlineData("DA-15", true)]
    [InlineData("DB-23", true)]
    [InlineData("DC-37", true)]
    [InlineData("DE-15", false)]
    [InlineData("DA-26", false)]
    [InlineData("DB-44", false)]
    [InlineData("DD-50", false)]
    [InlineData("DB-7", false)]
    public void A_plug_of_three_rows_is_refused(string plug, bool read) => Assert.Equal(read, ChipOutline.TryParse(plug, out _));

    [Fact]
    public void PLCC_32_has_its_first_leg_in_the_middle_of_its_short_side()
    {
        Assert.True(ChipOutline.TryParse("PLCC-32", out ChipOutline plcc));
        Assert.Equal([4, 3, 2, 1, 32, 31, 30], plcc.Side(PinSide.Top, View.Above));
        Assert.Equal([5, 6, 7, 8, 9, 10, 11, 12, 13], plcc.Side(PinSide.Left, View.Above));
        Assert.Equal([14, 15, 16, 17, 18, 19, 20], plcc.Side(PinSide.Bottom, View.Above));
        Assert.Equal([29, 28, 27, 26, 25, 24, 23, 22, 21], plcc.Side(PinSide.Right, View.Above));
    }
}
