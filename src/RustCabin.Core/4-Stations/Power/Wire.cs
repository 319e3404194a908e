namespace RustCabin.Core.Power;

/// <summary>
/// Copper wire by its gauge number. Source: docs/handbook/fit.md, Power.
/// </summary>
public static class Wire
{
    const double CopperOhmMetres = 1.724e-8;

    /// <summary>Resistance of one metre, in ohms, for AWG 0 to 40.</summary>
    public static double OhmsPerMetre(int awg)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(awg);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(awg, 40);
        double metres = 0.127e-3 * Math.Pow(92, (36 - awg) / 39.0);
        return CopperOhmMetres / (Math.PI / 4 * metres * metres);
    }

    /// <summary>Volts lost over a pair of wires, there and back, each <paramref name="metres"/> long.</summary>
    public static double DropVolts(double metres, int awg, double amps) => 2 * metres * OhmsPerMetre(awg) * amps;
}
