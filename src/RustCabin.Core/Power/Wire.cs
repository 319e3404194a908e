namespace RustCabin.Core.Power;

/// <summary>
/// Copper wire by its gauge number. Source: the gauge's definition, d = 0.127 mm x 92^((36 - n) / 39), and copper of 1.724e-8 ohm
/// metres; domain.md, section 7.
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
