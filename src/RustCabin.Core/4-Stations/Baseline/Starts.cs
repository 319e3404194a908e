using System.ComponentModel.DataAnnotations;
using System.Numerics;
using MathNet.Numerics;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Baseline;

/// <summary>What <c>starts</c> takes.</summary>
public sealed record StartsAsked
{
    /// <summary>Before the mend.</summary>
    [Required, Display(Description = "How often it worked before.")]
    public TryCount Before { get; init; } = new();

    /// <summary>After the mend; null: not tried yet.</summary>
    [Display(Description = "How often it worked after the mend; left out: not tried yet.")]
    public TryCount? After { get; init; }

    /// <summary>How sure one wants to be.</summary>
    [Required, Range(0.5, 0.9999), Display(Description = "How sure one wants to be that the mend holds.")]
    public decimal Sure { get; init; }
}

/// <summary>
/// What counted starts say of a mend. Source: docs/handbook/baseline.md, Rates.
/// </summary>
/// <param name="CleanTries">How many clean tries in a row would show it; null: nothing failed before.</param>
/// <param name="Better">The chance that the rate is higher after than before; null: not tried after.</param>
public sealed record Starts(long? CleanTries, double? Better)
{
    /// <summary>From counts before and after.</summary>
    public static Starts Of(StartsAsked asked) =>
        new(
            CleanTriesOf(asked.Before, asked.Sure),
            asked.After is { } after ? RateField.ChanceHigher(asked.Before, after) : null
        );

    /// <summary>
    /// The smallest count n of clean tries at which a machine that is as it was would have shown itself with the chance wanted:
    /// B(works + 1/2 + n, fails + 1/2) / B(works + 1/2, fails + 1/2) is at most 1 - sure.
    /// </summary>
    public static long? CleanTriesOf(TryCount before, decimal sure)
    {
        if (before.Fails == 0)
            return null;
        double wanted = Math.Log((double)(1 - sure));
        long from = 0,
            to = 1;
        while (Left(before, to) > wanted)
            (from, to) = (to, to * 2);
        while (to - from > 1)
        {
            long middle = from + (to - from) / 2;
            if (Left(before, middle) > wanted)
                from = middle;
            else
                to = middle;
        }
        // Where a count lies on the edge itself, whole numbers decide.
        return to > 1 && IsNear(before, to - 1, wanted) && IsEnough(before, to - 1, sure) ? to - 1
            : IsNear(before, to, wanted) && !IsEnough(before, to, sure) ? to + 1
            : to;
    }

    /// <summary>The logarithm of the chance that a machine as it was works n times in a row.</summary>
    static double Left(TryCount before, long n) =>
        Difference(before.Works + 0.5 + n, before.Fails + 0.5) - Difference(before.Works + 0.5, before.Fails + 0.5);

    /// <summary>ln G(x) - ln G(x + s), without the loss of two large figures where x is large.</summary>
    static double Difference(double x, double s)
    {
        if (x < 100)
            return SpecialFunctions.GammaLn(x) - SpecialFunctions.GammaLn(x + s);
        double y = x + s;
        // Stirling's series: its first terms are more than exact enough from 100 on.
        static double tail(double z) => (1 / 12.0 - (1 / 360.0 - 1 / (1260.0 * z * z)) / (z * z)) / z;
        return -s * Math.Log(y) + (x - 0.5) * Log1P(-s / y) + s + tail(x) - tail(y);
    }

    static double Log1P(double x) => double.LogP1(x);

    static bool IsNear(TryCount before, long n, double wanted) => n <= 2_000 && Math.Abs(Left(before, n) - wanted) < 1e-9;

    static bool IsEnough(TryCount before, long n, decimal sure)
    {
        BigInteger above = 1,
            below = 1;
        for (long k = 0; k < n; k++)
        {
            above *= 2 * (before.Works + k) + 1;
            below *= 2 * (before.Works + before.Fails + 1 + k);
        }
        const int scale = 1_000_000_000;
        return above * scale <= below * (BigInteger)((1 - sure) * scale);
    }
}
