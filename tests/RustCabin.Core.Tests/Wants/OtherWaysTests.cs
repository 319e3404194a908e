using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Wants;

/// <summary>Other ways, by hand and against a search over what an hour may be worth.</summary>
public sealed class OtherWaysTests
{
    static OtherWay Way(
        string id,
        decimal money,
        decimal hours,
        decimal chance = 1,
        decimal mendHours = 0,
        decimal mendMoney = 0
    ) =>
        new()
        {
            Id = id,
            Money = money,
            Hours = hours,
            Chance = chance,
            MendHours = mendHours,
            MendMoney = mendMoney,
        };

    [Fact]
    public void Money_and_hours_are_what_is_expected_and_decimals_are_exact()
    {
        Alternatives found = Alternatives.Of(
            new AlternativesAsked
            {
                Ways = [Way("mend", 12.5m, 4, 0.8m, 3), Way("buy", 60, 0.5m, 0.9m, 1, 20), Way("dear", 70, 4.6m)],
                HourWorth = 9,
            }
        );
        Assert.Equal(["mend 53.9 12.5 4.6 True", "buy 67.4 62 0.6 True", "dear 111.4 70 4.6 False"], found.Ways.Select(Said));
        Assert.Equal("mend", found.Best);
        Assert.Equal(new BreakEven("mend", "buy", 12.375m), Assert.Single(found.BreakEvens));
    }

    static string Said(WeighedWay w) => FormattableString.Invariant($"{w.Id} {w.Cost} {w.Money} {w.Hours} {w.OnFront}");

    [Fact]
    public void A_point_on_a_straight_stretch_is_no_corner_and_of_equals_the_first_is_named()
    {
        Alternatives found = Alternatives.Of(
            new AlternativesAsked { Ways = [Way("a", 0, 10), Way("b", 5, 5), Way("b2", 10, 0), Way("c", 10, 0)], HourWorth = 1 }
        );
        Assert.All(found.Ways, w => Assert.True(w.OnFront));
        Assert.Equal(new BreakEven("a", "b2", 1), Assert.Single(found.BreakEvens));
        Assert.Equal("a", found.Best);
    }

    [Fact]
    public void Two_thousand_random_cases_agree_with_a_search()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            OtherWay[] ways =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 9))
                    .Select(i =>
                        Way(
                            $"w{i}",
                            random.Next(-5, 20),
                            random.Next(0, 12),
                            random.Next(0, 5) / 4m,
                            random.Next(4),
                            random.Next(9)
                        )
                    ),
            ];
            decimal worth = random.Next(0, 9);
            Alternatives found = Alternatives.Of(new AlternativesAsked { Ways = ways, HourWorth = worth });
            foreach (WeighedWay w in found.Ways)
                Assert.Equal(
                    !found.Ways.Any(o => o.Money <= w.Money && o.Hours <= w.Hours && (o.Money, o.Hours) != (w.Money, w.Hours)),
                    w.OnFront
                );
            Assert.Equal(found.Ways.First(w => w.Cost == found.Ways.Min(o => o.Cost)).Id, found.Best);
            WeighedWay Find(string id) => found.Ways.Single(w => w.Id == id);
            decimal Cost(WeighedWay w, decimal hour) => w.Money + hour * w.Hours;
            foreach (BreakEven even in found.BreakEvens)
            {
                (WeighedWay a, WeighedWay b) = (Find(even.A), Find(even.B));
                Assert.True(a.Money < b.Money);
                Assert.Equal((double)Cost(a, even.HourWorth), (double)Cost(b, even.HourWorth), 1e-9);
                // Just where the two change over nothing else is cheaper.
                Assert.All(found.Ways, w => Assert.True(Cost(w, even.HourWorth) > Cost(a, even.HourWorth) - 1e-9m));
            }
            Assert.Equal(
                found.BreakEvens.Select(e => e.HourWorth).OrderDescending(),
                found.BreakEvens.Select(e => e.HourWorth).Reverse()
            );
            // Each way that is cheapest for some worth of an hour is named, or is the only one.
            for (decimal hour = 0.37m; hour < 40; hour += 1.13m)
            {
                decimal least = found.Ways.Min(w => Cost(w, hour));
                if (found.BreakEvens.Count > 0 && found.Ways.Count(w => Cost(w, hour) == least) == 1)
                    Assert.Contains(
                        found.Ways.First(w => Cost(w, hour) == least).Id,
                        found.BreakEvens.SelectMany(e => (string[])[e.A, e.B])
                    );
            }
        }
    }
}
