using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;

namespace RustCabin.Core.Tests.Build;

/// <summary>What the jobs of a cabin still want.</summary>
public class ShoppingListTests
{
    [Theory]
    [InlineData(0, 1)]
    [InlineData(1, 0)]
    [InlineData(2, 0)]
    public void A_planned_part_is_bought_unless_it_lies_in_the_cupboard(int inHand, int toBuy)
    {
        var pack = Sample.Slipway();
        StockItem[] stock =
        [
            new()
            {
                Kind = StockKind.Part,
                Item = "fathom",
                Name = "Fathom",
                Count = inHand,
            },
        ];
        Wanted line = Assert.Single(ShoppingList.Of(Trail.Stations, pack, pack.Jobs, stock));
        Assert.Equal(
            ("Fathom memory board", 1, inHand, 38.5m, toBuy),
            (line.Name, line.Count, line.InHand, line.Price, line.ToBuy)
        );
    }

    [Fact]
    public void What_is_in_is_not_wanted_any_more()
    {
        var pack = Sample.Slipway(("\"remove\": []", "\"remove\": [], \"done\": [\"fit-fathom\"]"));
        Assert.Empty(ShoppingList.Of(Trail.Stations, pack, pack.Jobs, []));
    }

    [Fact]
    public void Two_jobs_that_want_the_same_share_a_line()
    {
        var pack = Sample.Slipway();
        Assert.Equal(
            2,
            Assert.Single(ShoppingList.Of(Trail.Stations, pack, [pack.Jobs[0], pack.Jobs[0] with { Id = "again" }], [])).Count
        );
    }
}
