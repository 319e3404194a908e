using System.Diagnostics;

namespace RustCabin.Benchmarks;

/// <summary>How long a piece of work takes, in milliseconds.</summary>
static class Timed
{
    /// <summary>Once.</summary>
    public static double Once(Func<object> work)
    {
        long began = Stopwatch.GetTimestamp();
        GC.KeepAlive(work());
        return Stopwatch.GetElapsedTime(began).TotalMilliseconds;
    }

    /// <summary>The median of so many times.</summary>
    public static double Median(int times, Func<object> work) =>
        Enumerable.Range(0, times).Select(_ => Once(work)).Order().ElementAt(times / 2);
}
