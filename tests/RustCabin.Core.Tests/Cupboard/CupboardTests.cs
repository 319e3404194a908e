using System.Text.Json;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Tests.Cupboard;

public class CupboardTests
{
    static (StockItem? Item, string[] Errors) Read(string json)
    {
        using JsonDocument document = JsonDocument.Parse(json);
        Reading<StockItem> read = StockItem.Read(document.RootElement);
        return (read.Value, [.. read.Errors.Select(e => $"{e.Path}: {e.Message}")]);
    }

    [Fact]
    public void A_thing_is_written_as_it_was_read()
    {
        var item = new StockItem
        {
            Kind = StockKind.Chip,
            Item = "64Kx1",
            Name = "DRAM",
            Count = 18,
            Price = 1.20m,
            Place = "tube",
            Tested = true,
            Note = "from the flood",
        };
        Assert.Equal(item, Read(item.ToJson().ToJsonString()).Item);
        var bare = new StockItem { Kind = StockKind.Other, Name = "sockets" };
        Assert.Equal(bare, Read(bare.ToJson().ToJsonString()).Item);
    }

    [Theory]
    [InlineData("""{ "kind": "chip", "name": "x", "count": -1 }""", "count: must lie from 0 to 100000, not -1")]
    [InlineData(
        """{ "kind": "chips", "name": "x" }""",
        "kind: \"chips\" is not one of part, chip, module, cable, card, display, other, tool, consumable"
    )]
    [InlineData("""{ "kind": "chip", "name": "", "count": "many" }""", "name: must not be empty")]
    [InlineData("""{ "kind": "chip", "name": "x", "count": 1.5 }""", "count: must be a whole number, not 1.5")]
    public void What_is_wrong_is_told_by_field(string json, string error) => Assert.Contains(error, Read(json).Errors);

    [Fact]
    public void The_sample_cupboard_reads()
    {
        using JsonDocument items = JsonDocument.Parse(
            File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "stock", "cupboard.json"))
        );
        Assert.All(items.RootElement.EnumerateArray(), i => Assert.Empty(StockItem.Read(i).Errors));
    }

    [Theory]
    [InlineData("plain", "plain")]
    [InlineData("a,b", "\"a,b\"")]
    [InlineData("say \"so\"", "\"say \"\"so\"\"\"")]
    [InlineData("=cmd|' /C calc'!A0", "'=cmd|' /C calc'!A0")]
    [InlineData("@SUM(1)", "'@SUM(1)")]
    [InlineData("+1+2", "'+1+2")]
    [InlineData("-12", "-12")]
    [InlineData("-1+HYPERLINK(\"x\")", "\"'-1+HYPERLINK(\"\"x\"\")\"")]
    [InlineData("\t=1", "\"'\t'=1\"")]
    [InlineData("<script>", "<script>")]
    [InlineData("two\nlines", "\"two\nlines\"")]
    [InlineData("", "")]
    [InlineData("a;=1+1", "\"a;'=1+1\"")]
    [InlineData("a, @sum", "\"a, '@sum\"")]
    [InlineData("a\n-cmd", "\"a\n'-cmd\"")]
    [InlineData("between 3, -5 and 4", "\"between 3, -5 and 4\"")]
    public void No_cell_is_a_command_to_a_spreadsheet(string text, string cell) => Assert.Equal(cell, Csv.Cell(text));
}
