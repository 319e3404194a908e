using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Build;

/// <summary>A bare board against the cupboard, by figures worked by hand and by random packets counted otherwise.</summary>
public sealed class AssemblyTests
{
    static readonly Part Board = new()
    {
        Id = "board",
        Name = "board",
        Price = 30,
        Bare = new BareBoard { Price = 5 },
        Bom =
        [
            new BomLine
            {
                What = "header",
                Refs = ["J1"],
                Joints = 10,
                Price = 1,
            },
            new BomLine
            {
                What = "2.2k",
                Refs = ["R1", "R2", "R3"],
                Price = 0.5m,
            },
            new BomLine
            {
                What = "27256",
                Refs = ["U3"],
                Socketed = true,
                Price = 3,
            },
            new BomLine { What = "transistor", Refs = ["Q1"] },
        ],
    };

    [Fact]
    public void The_flat_ones_go_on_first_and_what_is_pushed_in_last()
    {
        var assembly = Assembly.Of(
            Board,
            [
                new StockItem
                {
                    Name = "transistor",
                    Count = 4,
                    Price = 0.2m,
                },
            ]
        );
        Assert.Equal(["2.2k", "transistor", "header", "27256"], assembly.Lines.Select(l => l.Line.What));
        Assert.Equal(6, assembly.Pieces);
        // 3 x 2 + 3 + 10, and none for what is pushed in.
        Assert.Equal((19, 0), (assembly.Joints, assembly.Uncounted));
        // Three resistors, a header and a device are missing; the transistor is there.
        Assert.Equal(5 + 1.5m + 1 + 3, assembly.Money);
        // 19 x 0.4 + 6 x 0.5 = 10.6 minutes; 30 - 10.50 saved in them is 110.38 an hour.
        Assert.Equal(10.6m, assembly.Minutes(0.4m));
        Assert.Equal(110.38m, Math.Round(assembly.SavedAnHour(0.4m)!.Value, 2));
    }

    [Fact]
    public void Nothing_is_said_of_buying_where_a_price_is_missing()
    {
        var assembly = Assembly.Of(Board, []);
        Assert.Equal(1, assembly.Unpriced);
        Assert.Null(assembly.SavedAnHour(0.4m));
        Assert.Null(Assembly.Of(Board with { Price = 0 }, [new StockItem { Name = "transistor", Price = 1 }]).SavedAnHour(0.4m));
    }

    [Theory]
    [InlineData("2.2K", true)]
    [InlineData(" 2.2 k", true)]
    [InlineData("2.7k", false)]
    public void A_thing_serves_that_is_called_so(string name, bool serves) =>
        Assert.Equal(serves, Assembly.Serves("2.2k", new StockItem { Name = name, Count = 1 }));

    [Fact]
    public void A_chip_serves_by_its_organisation()
    {
        Assert.True(
            Assembly.Serves(
                "41256-12",
                new StockItem
                {
                    Kind = StockKind.Chip,
                    Item = "256Kx1",
                    Name = "from the crate",
                }
            )
        );
        Assert.False(Assembly.Serves("41256-12", new StockItem { Kind = StockKind.Chip, Item = "64Kx1" }));
    }

    [Fact]
    public void No_piece_serves_twice()
    {
        var random = new Random(11);
        string[] kinds = ["a", "b", "c"];
        for (int round = 0; round < 500; round++)
        {
            BomLine[] bom =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 6))
                    .Select(_ => new BomLine { What = kinds[random.Next(3)], Count = random.Next(1, 6) }),
            ];
            StockItem[] stock =
            [
                .. Enumerable
                    .Range(0, random.Next(0, 5))
                    .Select(_ => new StockItem
                    {
                        Name = kinds[random.Next(3)],
                        Count = random.Next(0, 6),
                        Ordered = random.Next(0, 4),
                    }),
            ];
            var assembly = Assembly.Of(Board with { Bom = bom }, stock);
            foreach (string kind in kinds)
            {
                AssemblyLine[] lines = [.. assembly.Lines.Where(l => l.Line.What == kind)];
                int wanted = bom.Where(b => b.What == kind).Sum(b => b.Count!.Value),
                    there = stock.Where(s => s.Name == kind).Sum(s => s.Count),
                    coming = stock.Where(s => s.Name == kind).Sum(s => s.Ordered);
                Assert.Equal(Math.Min(wanted, there), lines.Sum(l => l.InHand));
                Assert.Equal(Math.Min(wanted - Math.Min(wanted, there), coming), lines.Sum(l => l.Coming));
                Assert.All(lines, l => Assert.InRange(l.InHand + l.Coming, 0, l.Line.Pieces));
            }
        }
    }

    [Theory]
    [InlineData(0, 2, 3, 0, 5)]
    [InlineData(4, 2, 3, 0, 3)]
    [InlineData(4, 2, 3, 2, 1)]
    [InlineData(1, 2, 3, 9, 0)]
    public void What_is_wanted_beside_the_jobs_is_bought_unless_it_is_ordered(
        int inHand,
        int forJobs,
        int more,
        int ordered,
        int toBuy
    ) => Assert.Equal(toBuy, new Wanted("x", forJobs, inHand, null) { More = more, Ordered = ordered }.ToBuy);

    [Fact]
    public void A_parcel_that_came_lies_there_and_is_no_longer_wanted()
    {
        StockItem item = new()
        {
            Name = "x",
            Count = 1,
            Wanted = 5,
        };
        item = item.OrderedAs(4, "2026-12-24");
        Assert.Equal(new DateOnly(2026, 12, 24), item.DueOn);
        item = item.Arrived();
        Assert.Equal((5, 1, 0, null), (item.Count, item.Wanted, item.Ordered, item.DueOn));
        item = item.LentOut("a neighbour");
        Assert.Equal((4, 1, "a neighbour"), (item.Count, item.Lent, item.LentTo));
        item = item.Returned();
        Assert.Equal((5, 0, ""), (item.Count, item.Lent, item.LentTo));
        Assert.Null(item.OrderedAs(0, "2026-12-24").Due);
    }
}
