namespace RustCabin.Core.Speed;

/// <summary>
/// Cycles that a bus must wait for slow memory: <c>ceil((t_mem + t_logic) / t_clk) - cycles already allowed</c>, not below 0.
/// Source: docs/handbook/speed.md, Wait states.
/// </summary>
public static class WaitStates
{
    /// <param name="memoryNs">Access time of the memory, in nanoseconds.</param>
    /// <param name="logicNs">Decoding and buffers, in nanoseconds.</param>
    /// <param name="clockMHz">The bus clock, above 0.</param>
    /// <param name="allowed">Cycles that an access has without waiting.</param>
    public static int Of(decimal memoryNs, decimal logicNs, decimal clockMHz, int allowed)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(clockMHz);
        // t / (1000 / f) is t x f / 1000, which stays exact.
        return Math.Max(0, (int)Math.Ceiling((memoryNs + logicNs) * clockMHz / 1000) - allowed);
    }
}
