using System.Diagnostics;
using RustCabin.Core.Build;

namespace RustCabin.Core.Tests.Build;

/// <summary>The order of work against every order there is, and against the clock.</summary>
public sealed class OrderingTests
{
    static OrderAsked Asked(string levels, string steps) =>
        Edited.Read<OrderAsked>(
            $$"""{ "levels": [{{levels}}], "steps": [{{steps}}], "gate": { "minutes": 12, "reopenMinutes": 25 }, "policy": "careful" }"""
        );

    const string Case =
        """{ "id": "closed", "minutes": 0 }, { "id": "lid", "from": "closed", "minutes": 6 }, { "id": "shield", "from": "lid", "minutes": 4 }, { "id": "hatch", "from": "closed", "minutes": 1 }""";

    [Fact]
    public void Each_lid_is_opened_once_and_the_earlier_listed_comes_first()
    {
        var found = Ordering.Of(
            Asked(
                Case,
                """{ "id": "a", "level": "shield" }, { "id": "b", "level": "hatch" }, { "id": "c", "level": "lid", "after": ["a"] }, { "id": "d", "level": "closed" }"""
            )
        );
        // From shield back to closed is on the way to the hatch; a is listed first and costs nothing more.
        Assert.Equal([0, 2, 1, 3], found.Order);
        Assert.Equal(6, found.AccessChanges);
        Assert.Equal(2 * (6 + 4 + 1), found.AccessMinutes);
    }

    [Fact]
    public void Needs_force_a_case_open_twice()
    {
        var found = Ordering.Of(
            Asked(
                Case,
                """{ "id": "a", "level": "lid" }, { "id": "b", "level": "hatch", "after": ["a"] }, { "id": "c", "level": "lid", "after": ["b"] }"""
            )
        );
        Assert.Equal([0, 1, 2], found.Order);
        Assert.Equal(6, found.AccessChanges);
    }

    [Fact]
    public void Nothing_to_do_opens_nothing()
    {
        var found = Ordering.Of(Asked(Case, ""));
        Assert.Empty(found.Order);
        Assert.Equal((0, 0m), (found.AccessChanges, found.AccessMinutes));
    }

    /// <summary>Every order that the needs allow, the earlier listed first: the first of the cheapest.</summary>
    static (int[] Order, int Changes) BruteForce(OrderAsked asked)
    {
        var parent = asked.Levels.ToDictionary(l => l.Id, l => l.From);
        List<string> Up(string? level)
        {
            var up = new List<string>();
            for (; level is not null; level = parent[level])
                up.Add(level);
            return up;
        }
        int Between(string a, string b) => Up(a).Except(Up(b)).Count() + Up(b).Except(Up(a)).Count();
        string root = asked.Levels.First(l => l.From is null).Id;
        int[] best = [];
        int fewest = int.MaxValue;
        var order = new List<int>();
        void Go(string at, int changes)
        {
            if (changes >= fewest)
                return;
            if (order.Count == asked.Steps.Count)
            {
                if (changes + Between(at, root) < fewest)
                    (best, fewest) = ([.. order], changes + Between(at, root));
                return;
            }
            foreach ((int i, OrderStep step) in asked.Steps.Index())
            {
                if (order.Contains(i) || step.After.Any(a => order.All(o => asked.Steps[o].Id != a)))
                    continue;
                order.Add(i);
                Go(step.Level, changes + Between(at, step.Level));
                order.RemoveAt(order.Count - 1);
            }
        }
        Go(root, 0);
        return (best, fewest);
    }

    /// <summary>What is found is the best of all orders.</summary>
    static void IsBest(OrderAsked asked, int i)
    {
        (int[] order, int changes) = BruteForce(asked);
        var found = Ordering.Of(asked);
        Assert.True(changes == found.AccessChanges, $"case {i}: {found.AccessChanges} instead of {changes}");
        Assert.True(order.SequenceEqual(found.Order), $"case {i}: {string.Join(' ', found.Order)}");
    }

    [Fact]
    public void Two_thousand_random_cases_equal_every_order_tried()
    {
        var random = new Random(20261126);
        for (int i = 0; i < 2000; i++)
            IsBest(OrderCases.Random(random, random.Next(1, 9), random.Next(1, 6), random.NextDouble() * 0.6), i);
    }

    /// <summary>The same work where each level lies eleven others deep in the one that it lay in.</summary>
    static OrderAsked Deeper(OrderAsked asked) =>
        asked with
        {
            Levels =
            [
                .. asked.Levels.SelectMany(l =>
                    l.From is null
                        ? (IEnumerable<OrderLevel>)[l]
                        :
                        [
                            .. Enumerable
                                .Range(0, 11)
                                .Select(d => new OrderLevel { Id = $"{l.Id}-{d}", From = d == 0 ? l.From : $"{l.Id}-{d - 1}" }),
                            l with
                            {
                                From = $"{l.Id}-10",
                            },
                        ]
                ),
            ],
        };

    [Fact]
    public void Sixty_levels_equal_every_order_tried()
    {
        var random = new Random(60);
        for (int i = 0; i < 100; i++)
            IsBest(Deeper(OrderCases.Random(random, random.Next(1, 7), 6, random.NextDouble() * 0.6)), i);
    }

    [Fact]
    public void Without_time_the_order_is_good_and_no_order_is_below_its_bound()
    {
        var random = new Random(7);
        int best = 0;
        for (int i = 0; i < 400; i++)
        {
            OrderAsked asked = OrderCases.Random(random, random.Next(1, 9), random.Next(1, 6), random.NextDouble() * 0.6);
            (int[] _, int changes) = BruteForce(asked);
            Ordering near = Ordering.Near(asked);
            Assert.Equal(Enumerable.Range(0, asked.Steps.Count), near.Order.Order());
            Assert.All(
                near.Order.Index(),
                s => Assert.All(asked.Steps[s.Item].After, a => Assert.Contains(a, Before(asked, near.Order, s.Index)))
            );
            Assert.True(near.AtLeast <= changes && changes <= near.AccessChanges, $"case {i}");
            best += near.AccessChanges == changes ? 1 : 0;
        }
        Assert.True(best > 380, $"{best} of 400 are the best there is");
    }

    static IEnumerable<string> Before(OrderAsked asked, IReadOnlyList<int> order, int place) =>
        order.Take(place).Select(o => asked.Steps[o].Id);

    [Fact]
    public void On_twenty_five_levels_there_is_an_answer_with_its_bound_within_the_time()
    {
        var random = new Random(25);
        for (int i = 0; i < 6; i++)
        {
            OrderAsked asked = OrderCases.Random(random, 60, 25, new[] { 0.02, 0.04, 0.06 }[i % 3]);
            var clock = Stopwatch.StartNew();
            var found = Ordering.Of(asked, TimeSpan.FromMilliseconds(300));
            Assert.True(clock.Elapsed.TotalSeconds < 3, $"{clock.Elapsed} for case {i}");
            Assert.InRange(found.AtLeast, 1, found.AccessChanges);
            Assert.Equal(60, found.Order.Distinct().Count());
        }
    }

    [Theory]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(7)]
    [InlineData(12)]
    public void Sixty_steps_are_ordered_within_two_seconds(int levels)
    {
        var random = new Random(levels);
        // One for the compiler; then each counts.
        for (int i = 0; i < 12; i++)
        {
            OrderAsked asked = OrderCases.Random(random, 60, levels, new[] { 0.01, 0.03, 0.08, 0.2 }[i % 4]);
            var clock = Stopwatch.StartNew();
            var found = Ordering.Of(asked);
            Assert.Equal(60, found.Order.Distinct().Count());
            Assert.True(i == 0 || clock.Elapsed.TotalSeconds < 2, $"{clock.Elapsed} for case {i}, {found.Tried} states");
        }
    }
}
