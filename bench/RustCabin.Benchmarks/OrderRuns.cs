using System.Diagnostics;
using RustCabin.Core.Build;
using RustCabin.Tests.Shared;

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
            OrderAsked asked = OrderCases.Random(random, Steps, Levels, Needs[i % Needs.Length]);
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
}
