using RustCabin.Core.Chips;

namespace RustCabin.Core.Tests.Chips;

/// <summary>Markings of chips beside memory: every number of the table in every dress, and nothing that is not one.</summary>
public sealed class LogicMarkingTests
{
    static readonly string[] Makers = ["", "SN", "DM", "HD", "MC", "M", "GD"],
        Families = ["", "LS", "S", "F", "ALS", "HC", "HCT", "AC", "ACT", "AHCT"],
        Ends = ["", "N", "P", "AN", "D", "PC", "B1"];

    [Fact]
    public void The_table_has_functions_enough_and_each_has_a_ground_and_its_legs_once()
    {
        Assert.True(LogicChip.All.Count(c => c.Block is not ("regulator" or "amplifier" or "timer")) >= 150);
        foreach (LogicChip chip in LogicChip.All)
        {
            string[] named = [.. chip.Legs.Where(l => l != "n")];
            Assert.Equal(named.Length, named.Distinct().Count());
            Assert.Contains(chip.Legs.Count, (int[])[3, 8, 14, 16, 20, 24]);
            Assert.True(chip.Legs.Count == 3 || chip.Legs.Contains("GND") || chip.Legs.Contains("VEE"), chip.Number);
            Assert.NotEmpty(chip.What);
        }
    }

    [Fact]
    public void Every_number_of_the_74_series_reads_back_in_every_dress()
    {
        var random = new Random(4);
        foreach (LogicChip chip in LogicChip.All.Where(Is74))
            for (int i = 0; i < 20; i++)
            {
                string Pick(string[] of) => of[random.Next(of.Length)];
                string family = Pick(Families),
                    marking = $"{Pick(Makers)}74{family}{chip.Number}{Pick(Ends)}";
                OtherChip read = Assert.Single(LogicMarking.Read($"{marking} 8{random.Next(0, 9)}3{random.Next(1, 9)}"));
                Assert.Equal($"74{family}{chip.Number}", read.Number);
                Assert.Equal(chip.What, read.What);
                Assert.Equal(chip.Legs, read.Legs);
            }
    }

    static bool Is74(LogicChip chip) =>
        chip.Number.Length <= 3
        && chip.Number.All(char.IsDigit)
        && chip.Block is not ("regulator" or "amplifier" or "timer" or "line driver");

    [Theory]
    [InlineData("CD4040BE", "4040", 16)]
    [InlineData("HEF4017BP", "4017", 16)]
    [InlineData("MC14011BCP", "4011", 14)]
    [InlineData("MC74HC4040AN", "74HC4040", 16)]
    [InlineData("CD40106BE", "40106", 14)]
    [InlineData("GAL16V8-25LP", "16V8", 20)]
    [InlineData("PAL20L8ACN", "20L8", 24)]
    [InlineData("NE555P", "555", 8)]
    [InlineData("LM7805CT", "7805", 3)]
    [InlineData("78L05", "78L05", 3)]
    [InlineData("MC1488P", "1488", 14)]
    [InlineData("SN75189N", "75189", 14)]
    [InlineData("AM26LS31PC", "26LS31", 16)]
    [InlineData("LM386N-1", "386", 8)]
    [InlineData("11.4 MHz", "11.4 MHZ", 2)]
    public void A_marking(string marking, string number, int pins)
    {
        OtherChip read = Assert.Single(LogicMarking.Read(marking));
        Assert.Equal((number, pins), (read.Number, read.Pins));
    }

    [Theory]
    [InlineData("LM393N", "comparators of voltage")]
    [InlineData("SN74LS393N", "counters by 16")]
    [InlineData("LM386N", "audio")]
    [InlineData("SN74LS386N", "XOR")]
    public void A_number_that_two_series_use_is_told_by_its_dress(string marking, string what) =>
        Assert.Contains(what, Assert.Single(LogicMarking.Read(marking)).What);

    [Theory]
    [InlineData("")]
    [InlineData("74LS")]
    [InlineData("74ALS1034")]
    [InlineData("74XYZ138")]
    [InlineData("SN74LS138N/883-WRONG-END")]
    [InlineData("KM41256A-15 735Y")]
    [InlineData("TMS4464-12NL")]
    [InlineData("HM6264LP-12")]
    [InlineData("M27C256B-10F1")]
    [InlineData("QUERN 1987")]
    public void What_the_table_does_not_have_is_not_guessed(string marking) => Assert.Empty(LogicMarking.Read(marking));

    [Fact]
    public void No_memory_of_the_table_with_its_speed_reads_as_something_else() =>
        Assert.All(ChipNumber.All, n => Assert.Empty(LogicMarking.Read($"{n.Number}-15")));

    [Fact]
    public void An_unknown_board_is_read_as_blocks()
    {
        string[] board =
        [
            .. Enumerable.Repeat("41256-12", 8),
            "74LS138N",
            "SN74LS157N",
            "SN74LS157N",
            "74LS273",
            "74HCT245",
            "74F04",
            "10.6 MHz",
        ];
        Assert.Equal(
            ["Address decoder", "Bank register", "Row and column of the address", "Buffer of the bus", "Control", "Clock"],
            BoardBlocks.Of(board).Select(b => b.What)
        );
        Assert.Equal(["2 x 74LS157"], BoardBlocks.Of(board)[2].Chips);
        Assert.Equal("Register", Assert.Single(BoardBlocks.Of(["74LS273"])).What);
        Assert.Empty(BoardBlocks.Of([]));
    }
}
