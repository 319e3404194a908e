using RustCabin.Core.Build;
using RustCabin.Core.Care;

namespace RustCabin.Core.Tests.Build;

/// <summary>The two schools in minutes, baths, batches of boards, and orders from several suppliers.</summary>
public sealed class ExpectationTests
{
    static readonly Risk[] Four = [new(15, .05m, 40), new(20, .10m, 40), new(30, .15m, 40), new(25, .10m, 40)];
    static readonly GateCost Gate = new() { Minutes = 12, ReopenMinutes = 25 };

    [Fact]
    public void The_worked_example_is_154_against_143_6()
    {
        Assert.Equal(154.0m, Expectation.Careful(Four, Gate).Minutes);
        Assert.Equal(143.6m, Math.Round(Expectation.Batch([Four], Gate).Minutes, 1));
        Assert.Equal(154.0m + 75, Expectation.Careful(Four, Gate with { NeedsClosed = true }).Minutes);
        Assert.Equal(143.6m, Math.Round(Expectation.Batch([Four], Gate with { NeedsClosed = true }).Minutes, 1));
        Assert.Equal(0.654075m, Expectation.AllWell(Four));
    }

    [Fact]
    public void One_change_alone_needs_no_search_and_no_change_no_gate()
    {
        Assert.Equal(Expectation.Careful(Four[..1], Gate).Minutes, Expectation.Batch([Four[..1]], Gate).Minutes);
        Assert.Equal(0, Expectation.Careful([], Gate).Minutes);
        Assert.Equal([0, 0, 1, 2, 2, 3, 3], Enumerable.Range(0, 7).Select(Expectation.Halvings));
    }

    [Fact]
    public void At_the_break_even_both_cost_the_same()
    {
        decimal even = Expectation.BreakEven([Four], Gate)!.Value;
        Risk[] at = [.. Four.Select(s => s with { Chance = even })];
        Assert.Equal(Expectation.Careful(at, Gate).Minutes, Expectation.Batch([at], Gate).Minutes, 6);
        Assert.InRange(even, 0.1m, 0.2m);
        Assert.Null(Expectation.BreakEven([Four[..1]], Gate));
    }

    [Fact]
    public void Four_litres_of_ten_percent_from_thirty_five()
    {
        var bath = Bath.Of(
            new BathAsked
            {
                Litres = 4,
                Percent = 10,
                FromPercent = 35,
            }
        );
        Assert.Equal(1.044m, Math.Round(bath.ConcentrateLitres, 3));
        Assert.Equal(2.954m, Math.Round(bath.WaterLitres, 3));
        var same = Bath.Of(
            new BathAsked
            {
                Litres = 2,
                Percent = 12,
                FromPercent = 12,
            }
        );
        Assert.Equal((2m, 0m), (same.ConcentrateLitres, same.WaterLitres));
        Assert.Equal(1.0375m, Bath.Density(11));
    }

    [Fact]
    public void What_goes_in_by_weight_is_what_comes_out()
    {
        var random = new Random(7);
        for (int i = 0; i < 2000; i++)
        {
            decimal from = random.Next(1, 501) / 10m,
                percent = random.Next(1, (int)(from * 10) + 1) / 10m;
            var bath = Bath.Of(
                new BathAsked
                {
                    Litres = 3,
                    Percent = percent,
                    FromPercent = from,
                }
            );
            decimal peroxide = bath.ConcentrateLitres * Bath.Density(from) * from / 100;
            Assert.Equal(3 * Bath.Density(percent) * percent / 100, peroxide, 9);
            Assert.Equal(3 * Bath.Density(percent), bath.ConcentrateLitres * Bath.Density(from) + bath.WaterLitres, 9);
            Assert.True(bath.WaterLitres >= 0);
        }
    }

    [Fact]
    public void A_batch_of_boards_costs_what_is_left_of_it()
    {
        var batch = new BoardBatch
        {
            Boards = 5,
            BoardPrice = 4.20m,
            Parts = 31.50m,
            Postage = 12,
            Sold = 36,
            Kept = 3,
        };
        Assert.Equal(9.5m, batch.Each);
    }

    static SupplierSplit? Split(string json) => SupplierSplit.Of(Edited.Read<SuppliersAsked>(json));

    [Fact]
    public void Postage_decides_where_prices_alone_would_not()
    {
        SupplierSplit split = Split(
            """
            { "wants": { "27C400": 2, "socket": 2 },
              "offers": [ { "supplier": "reach", "item": "27C400", "price": 4.10, "least": 1 }, { "supplier": "reach", "item": "socket", "price": 0.90, "least": 1 },
                { "supplier": "kittiwake", "item": "socket", "price": 0.10, "least": 10 } ],
              "postage": { "reach": 3.50, "kittiwake": 2.00 } }
            """
        )!;
        Assert.Equal(13.5m, split.Total);
        Assert.Equal(["reach"], split.Orders.Keys);
        SupplierSplit many = Split(
            """
            { "wants": { "chip": 8 },
              "offers": [ { "supplier": "a", "item": "chip", "price": 1, "least": 1 }, { "supplier": "b", "item": "chip", "price": 0.5, "least": 10 } ],
              "postage": {} }
            """
        )!;
        Assert.Equal((5m, 10), (many.Total, many.Orders["b"]["chip"]));
        Assert.Null(Split("""{ "wants": { "x": 1 }, "offers": [], "postage": {} }"""));
        Assert.Empty(Split("""{ "wants": { "x": 0 }, "offers": [], "postage": {} }""")!.Orders);
    }

    [Fact]
    public void Ten_things_of_twenty_suppliers_with_least_orders_are_decided_at_once()
    {
        var random = new Random(3);
        SupplierOffer[] offers =
        [
            .. from supplier in Enumerable.Range(0, 20)
            from item in Enumerable.Range(0, 10)
            select new SupplierOffer
            {
                Supplier = $"s{supplier}",
                Item = $"i{item}",
                Price = random.Next(10, 900) / 100m,
                Least = random.Next(1, 40),
            },
        ];
        var asked = new SuppliersAsked
        {
            Wants = new(Enumerable.Range(0, 10).Select(i => KeyValuePair.Create($"i{i}", random.Next(1, 30)))),
            Offers = offers,
            Postage = new(Enumerable.Range(0, 20).Select(s => KeyValuePair.Create($"s{s}", random.Next(100, 900) / 100m))),
        };
        var watch = System.Diagnostics.Stopwatch.StartNew();
        Assert.Equal(10, SupplierSplit.Of(asked, TimeSpan.FromSeconds(10))!.Orders.Sum(o => o.Value.Count));
        Assert.InRange(watch.ElapsedMilliseconds, 0, 3000);
    }

    [Fact]
    public void Small_splits_equal_every_split_tried()
    {
        var random = new Random(11);
        for (int i = 0; i < 150; i++)
        {
            string[] items = ["p", "q"];
            SupplierOffer[] offers =
            [
                .. Enumerable
                    .Range(0, 4)
                    .Select(o => new SupplierOffer
                    {
                        Supplier = $"s{random.Next(3)}",
                        Item = items[random.Next(2)],
                        Price = random.Next(1, 40) / 4m,
                        Least = random.Next(1, 4),
                    }),
            ];
            var asked = new SuppliersAsked
            {
                Wants = new(items.Select(w => KeyValuePair.Create(w, random.Next(0, 4)))),
                Offers = offers,
                Postage = new(Enumerable.Range(0, 3).Select(s => KeyValuePair.Create($"s{s}", random.Next(0, 12) / 2m))),
            };
            decimal? best = null;
            void Try(int[] counts)
            {
                if (counts.Length < offers.Length)
                {
                    for (int n = 0; n <= 4; n++)
                        if (n == 0 || n >= offers[counts.Length].Least)
                            Try([.. counts, n]);
                    return;
                }
                if (asked.Wants.Any(w => offers.Zip(counts).Where(o => o.First.Item == w.Key).Sum(o => o.Second) < w.Value))
                    return;
                decimal cost =
                    offers.Zip(counts).Sum(o => o.First.Price * o.Second)
                    + offers
                        .Zip(counts)
                        .Where(o => o.Second > 0)
                        .Select(o => o.First.Supplier)
                        .Distinct()
                        .Sum(s => asked.Postage[s]);
                best = best is null || cost < best ? cost : best;
            }
            Try([]);
            Assert.Equal(best, SupplierSplit.Of(asked)?.Total);
        }
    }
}
