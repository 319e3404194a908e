using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Care;

/// <summary>What <c>build/bath</c> takes: so much of one strength is wanted, and another is at hand.</summary>
public sealed record BathAsked : ICompleted<BathAsked>
{
    /// <summary>How much is wanted.</summary>
    [Required, Range(0.000001, 10_000), UnitOf("l"), Display(Description = "How many litres are wanted.")]
    public decimal Litres { get; init; }

    /// <summary>How strong it shall be.</summary>
    [Required, UnitOf("%"), Display(Description = "How strong it shall be, percent by weight.")]
    public decimal Percent { get; init; }

    /// <summary>How strong the concentrate is.</summary>
    [Required, UnitOf("%"), Display(Description = "How strong the concentrate is, percent by weight.")]
    public decimal FromPercent { get; init; }

    /// <inheritdoc/>
    public BathAsked Completed(RecordReading read)
    {
        if (read.Read("percent") && Percent <= 0)
            read.Wrong("percent", "must be above 0");
        if (read.Read("fromPercent") && FromPercent > CareWork.Strongest)
            read.Wrong("fromPercent", $"must be {CareWork.Strongest} at most");
        else if (read.Read("percent") && read.Read("fromPercent") && FromPercent < Percent)
            read.Wrong("fromPercent", $"{FromPercent} % cannot be thinned to {Percent} %");
        return this;
    }
}

/// <summary>A bath of peroxide, which is sold by weight. Source: docs/handbook/build.md, Case care.</summary>
/// <param name="ConcentrateLitres">What is taken of the concentrate.</param>
/// <param name="WaterLitres">The water that goes to it.</param>
public sealed record Bath(decimal ConcentrateLitres, decimal WaterLitres)
{
    static readonly (decimal Percent, decimal Density)[] Densities =
    [
        (0, 1.000m),
        (3, 1.009m),
        (6, 1.019m),
        (10, 1.034m),
        (12, 1.041m),
        (20, 1.071m),
        (30, 1.111m),
        (35, 1.132m),
        (50, 1.196m),
    ];

    /// <summary>Kilograms a litre, by straight lines between known strengths.</summary>
    /// <param name="percent">By weight, 0 to 50.</param>
    public static decimal Density(decimal percent)
    {
        int above = Array.FindIndex(Densities, d => d.Percent >= percent);
        (decimal p1, decimal d1) = Densities[above];
        if (p1 == percent || above == 0)
            return d1;
        (decimal p0, decimal d0) = Densities[above - 1];
        return d0 + (d1 - d0) * (percent - p0) / (p1 - p0);
    }

    /// <summary>The mixture.</summary>
    public static Bath Of(BathAsked asked)
    {
        decimal weight = asked.Litres * Density(asked.Percent),
            of = Density(asked.FromPercent);
        decimal concentrate = weight * asked.Percent / (asked.FromPercent * of);
        return new Bath(concentrate, weight - concentrate * of);
    }
}
