using System.Diagnostics;

namespace RustCabin.Tests.Shared;

/// <summary>
/// How fast this machine goes just now. A budget is meant for a machine that does nothing else, and tests run beside each other:
/// a fixed piece of work that is timed around it says by how much the budget is to be stretched.
/// </summary>
static class Pace
{
    /// <summary>What the fixed piece takes on an idle core of the machine that the budgets were set on.</summary>
    const double UsualMs = 14;

    /// <summary>
    /// The milliseconds that some work takes, as on an idle machine: the best of some tries, each divided by how much slower than
    /// usual the fixed work before and after it was.
    /// </summary>
    /// <param name="work">The work; done at least once.</param>
    /// <param name="budget">Where a try is within it, no other is made.</param>
    /// <param name="tries">So many at most.</param>
    public static double Ms(Action work, double budget, int tries = 3)
    {
        double best = double.MaxValue;
        for (int i = 0; i < tries && best > budget; i++)
        {
            double before = Fixed();
            var watch = Stopwatch.StartNew();
            work();
            double took = watch.Elapsed.TotalMilliseconds;
            best = Math.Min(best, took / Math.Max(1, Math.Max(before, Fixed()) / UsualMs));
        }
        return best;
    }

    static double Fixed()
    {
        var watch = Stopwatch.StartNew();
        ulong x = 88172645463325252;
        int[] seen = new int[1 << 16];
        for (int i = 0; i < 5_000_000; i++)
        {
            x ^= x << 13;
            x ^= x >> 7;
            x ^= x << 17;
            seen[x & 0xFFFF]++;
        }
        return seen[7] >= 0 ? watch.Elapsed.TotalMilliseconds : 0;
    }
}
