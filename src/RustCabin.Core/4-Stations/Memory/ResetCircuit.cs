namespace RustCabin.Core.Memory;

/// <summary>
/// A resistor to the supply and a capacitor to ground that hold a register's clear low at power-up: <c>t = R C ln(Vcc / (Vcc -
/// Vth))</c>. Ohms, farads, volts, seconds. A bipolar TTL input sources <paramref name="InputAmps"/> and charges the capacitor
/// too. The guaranteed hold is at the lowest threshold that counts as low, the longest at the highest. Source:
/// docs/handbook/memory.md, Bank windows.
/// </summary>
public sealed record ResetCircuit(
    double Ohms,
    double Farads,
    double SupplyVolts,
    double LowThreshold = 0.8,
    double HighThreshold = 2.0,
    double InputAmps = 0
)
{
    /// <summary>What a bipolar TTL input sources into the capacitor, in amps, at most.</summary>
    public const double TtlInputAmps = 0.0004;

    /// <summary>
    /// The largest resistor with which a TTL input makes no difference: what it sources moves the end of the charging by a
    /// twentieth of the supply at most. In ohms.
    /// </summary>
    public static double OhmsForTtl(double supplyVolts) => supplyVolts / 20 / TtlInputAmps;

    /// <summary>Where the charging would end: the supply, and what the input adds over the resistor. In volts.</summary>
    public double Towards => SupplyVolts + InputAmps * Ohms;

    /// <summary>Seconds for which it surely holds the reset.</summary>
    public double GuaranteedHold => Hold(LowThreshold);

    /// <summary>Seconds after which it has surely let go.</summary>
    public double LongestHold => Hold(HighThreshold);

    /// <summary>True when the clear is surely held until the supply has come up, in seconds.</summary>
    public bool Outlasts(double supplyRise) => GuaranteedHold > supplyRise;

    double Hold(double threshold) => Ohms * Farads * Math.Log(Towards / (Towards - threshold));

    /// <summary>
    /// The smallest capacitor of the series 1, 2.2, 4.7 that outlasts a rise, in seconds, with this resistor; in farads.
    /// </summary>
    public static double CapacitorFor(double ohms, double supplyVolts, double supplyRise, double inputAmps = 0)
    {
        for (double decade = 1e-9; decade < 1; decade *= 10)
            foreach (double step in (double[])[1, 2.2, 4.7])
                if (new ResetCircuit(ohms, step * decade, supplyVolts, InputAmps: inputAmps).Outlasts(supplyRise))
                    return step * decade;
        return double.NaN;
    }
}
