using System.Diagnostics;
using RustCabin.Core.Build;

namespace RustCabin.Benchmarks;

/// <summary>The order of 60 steps on 12 levels: two hundred cases with few needs to many, of which the slowest counts.</summary>
static class OrderRuns
{
    const int Cases = 200,
        Steps = 60,
        Levels = 12;

    static readonly double[] Needs = [0.01, 0.02, 0.03, 0.05, 0.08, 0.2];

    public static IEnumerable<Measured> All()
    {
        var random = new Random(12);
        var times = new List<double>();
        int undecided = 0;
        for (int i = 0; i < Cases; i++)
        {
            OrderAsked asked = Case(random, Needs[i % Needs.Length]);
            long began = Stopwatch.GetTimestamp();
            Ordering found = Ordering.Of(asked);
            times.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
            undecided += found.AtLeast < found.AccessChanges ? 1 : 0;
        }
        yield return new Measured(
            "order of 60 steps on 12 levels, median of 200",
            times.Order().ElementAt(Cases / 2),
            "ms",
            null
        );
        yield return new Measured("order of 60 steps on 12 levels, slowest of 200", times.Max(), "ms", 1000);
        yield return new Measured("of them not proved the best", undecided, "cases", 0);
    }

    static OrderAsked Case(Random random, double needs)
    {
        // Steps wait for earlier ones of a hidden order, and are listed in another.
        int[] hidden = [.. Enumerable.Range(0, Steps)];
        random.Shuffle(hidden);
        return new OrderAsked
        {
            Levels =
            [
                .. Enumerable
                    .Range(0, Levels)
                    .Select(l => new OrderLevel
                    {
                        Id = $"l{l}",
                        From = l == 0 ? null : $"l{random.Next(l)}",
                        Minutes = l,
                    }),
            ],
            Steps =
            [
                .. Enumerable
                    .Range(0, Steps)
                    .Select(s => new OrderStep
                    {
                        Id = $"s{s}",
                        Level = $"l{random.Next(Levels)}",
                        After =
                        [
                            .. Enumerable
                                .Range(0, Steps)
                                .Where(o => hidden[o] < hidden[s] && random.NextDouble() < needs)
                                .Select(o => $"s{o}"),
                        ],
                    }),
            ],
        };
    }
}
