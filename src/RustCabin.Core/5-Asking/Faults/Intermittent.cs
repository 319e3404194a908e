using RustCabin.Core.Baseline;

namespace RustCabin.Core.Faults;

/// <summary>
/// What a count of failures says of a fault that comes and goes: Beta(k + 1/2, n - k + 1/2). Source: docs/handbook/faults.md,
/// Trials.
/// </summary>
public static class Intermittent
{
    /// <summary>The chance of a failure that is undercut with a given chance.</summary>
    /// <param name="fails">How often it failed.</param>
    /// <param name="trials">Of how many.</param>
    /// <param name="at">The chance, 0 to 1: 0.05 for the lower end.</param>
    public static double Quantile(int fails, int trials, double at) => RateField.Quantile(fails, trials, at);

    /// <summary>The chance that a fault which shows in <paramref name="share"/> of all passes is missed in so many clean
    /// ones.</summary>
    public static double Missed(double share, int passes) => Math.Pow(1 - share, passes);
}
