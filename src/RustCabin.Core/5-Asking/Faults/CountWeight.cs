using MathNet.Numerics;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Faults;

/// <summary>
/// What counted starts say of causes: each says how often the machine starts with it, and the binomial weighs that. Source:
/// docs/handbook/faults.md, Rates.
/// </summary>
public static class CountWeight
{
    /// <summary>The logarithm of the chance that a machine with a cause starts just so often.</summary>
    /// <param name="cause">The cause; null: none of these, which starts as often as it likes.</param>
    /// <param name="counted">What was counted.</param>
    public static double LogOf(Hypothesis? cause, CountedStarts counted) =>
        LogOf(RateOf(cause, r => r.Cold), counted.Cold) + LogOf(RateOf(cause, r => r.Warm), counted.Warm);

    /// <summary>
    /// How often it starts; null: nobody knows, and each rate is as likely. A steady cause starts always or never, but for one
    /// odd try in fifty.
    /// </summary>
    static double? RateOf(Hypothesis? cause, Func<StartRates, double> kind) =>
        cause switch
        {
            { Rates: { } rates } => kind(rates),
            { Shows.Starts: true } => Posterior.Predicted,
            { Shows.Starts: false } => 1 - Posterior.Predicted,
            _ => null,
        };

    static double LogOf(double? rate, CountedTries? counted)
    {
        if (counted is not { Tries: > 0 } tries)
            return 0;
        return rate is { } p
            ? SpecialFunctions.BinomialLn(tries.Tries, tries.Works) + tries.Works * Math.Log(p) + tries.Fails * Math.Log(1 - p)
            : -Math.Log(tries.Tries + 1);
    }
}
