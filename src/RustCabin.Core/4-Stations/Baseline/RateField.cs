using MathNet.Numerics.Distributions;
using MathNet.Numerics.Integration;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Baseline;

/// <summary>
/// What is known of a rate after some tries: Beta(works + 1/2, fails + 1/2). With the rate as the square of a sine the density is
/// sin^(2 works) cos^(2 fails), smooth up to both ends. Source: docs/handbook/baseline.md, Rates.
/// </summary>
static class RateField
{
    const int Panels = 48,
        Points = 16;

    /// <summary>A density reaches no further than so many times its width.</summary>
    const double Widths = 12;

    static readonly (double[] At, double[] Weight) Rule = RuleOf();

    static (double[], double[]) RuleOf()
    {
        var rule = new GaussLegendreRule(0, 1, Points);
        return ([.. rule.Abscissas], [.. rule.Weights]);
    }

    /// <summary>The rate that is undercut with a given chance.</summary>
    /// <param name="times">How often what is counted came.</param>
    /// <param name="tries">Of how many.</param>
    /// <param name="at">The chance, 0 to 1: 0.05 for the lower end.</param>
    public static double Quantile(int times, int tries, double at) => Beta.InvCDF(times + 0.5, tries - times + 0.5, at);

    /// <summary>The chance that the rate is higher after than before, both known by their tries alone.</summary>
    public static double ChanceHigher(TryCount before, TryCount after)
    {
        double[] edges = [.. Edges(before).Concat(Edges(after)).Distinct().Order()];
        Func<double, double> was = Density(before),
            now = Density(after);
        double below = 0,
            higher = 0,
            all = 0;
        for (int i = 0; i + 1 < edges.Length; i++)
        {
            (double from, double wide) = (edges[i], edges[i + 1] - edges[i]);
            for (int p = 0; p < Points; p++)
            {
                double at = from + wide * Rule.At[p],
                    weight = wide * Rule.Weight[p] * now(at);
                all += weight;
                higher += weight * (below + Sum(was, from, at - from));
            }
            below += Sum(was, from, wide);
        }
        return Math.Clamp(higher / (all * below), 0, 1);
    }

    static double Sum(Func<double, double> density, double from, double wide)
    {
        double sum = 0;
        for (int p = 0; p < Points; p++)
            sum += Rule.Weight[p] * density(from + wide * Rule.At[p]);
        return sum * wide;
    }

    /// <summary>The density over the angle, its top at 1: what it is scaled by falls out.</summary>
    static Func<double, double> Density(TryCount count)
    {
        (double works, double fails) = (2.0 * count.Works, 2.0 * count.Fails);
        double top = Log(works, Math.Sin(Peak(count))) + Log(fails, Math.Cos(Peak(count)));
        return angle => Math.Exp(Log(works, Math.Sin(angle)) + Log(fails, Math.Cos(angle)) - top);
    }

    static double Log(double times, double of) => times > 0 ? times * Math.Log(of) : 0;

    static double Peak(TryCount count) =>
        Math.Atan2(Math.Sqrt(count.Works), Math.Sqrt(count.Fails)) is var peak && count.Tries > 0 ? peak : 0;

    /// <summary>Where the panels of a density begin and end, close where it lies.</summary>
    static IEnumerable<double> Edges(TryCount count)
    {
        double wide = Widths / Math.Sqrt(2.0 * count.Tries + 1),
            from = Math.Max(0, Peak(count) - wide),
            to = Math.Min(Math.PI / 2, Peak(count) + wide);
        return Enumerable.Range(0, Panels + 1).Select(i => from + (to - from) * i / Panels).Prepend(0).Append(Math.PI / 2);
    }
}
