namespace RustCabin.Core.Bench;

/// <summary>
/// How firmware tries a block of memory: writes a pattern to a word and reads it back, with a second word between to clear the
/// bus.
/// </summary>
static class Probe
{
    static readonly byte[] Patterns = [0x55, 0xAA, 0x33, 0xCC];

    /// <summary>Null when the first and last word of the block hold all patterns, else what is wrong.</summary>
    public static string? Block(SimulatedBus bus, ulong at, ulong step, int word) =>
        Holds(bus, at, word) && Holds(bus, at + Math.Max((ulong)word, step) - (ulong)word, word)
            ? null
            : "does not hold what is written to it";

    /// <summary>True if a write to the block at <paramref name="at"/> is seen at the scan's beginning.</summary>
    public static bool Aliases(SimulatedBus bus, ulong beginning, ulong at, int word)
    {
        Fill(bus, beginning, word, 0x55);
        Fill(bus, at, word, 0xAA);
        bus.Pass(0xAA);
        return !Reads(bus, beginning, word, 0x55);
    }

    static bool Holds(SimulatedBus bus, ulong at, int word)
    {
        foreach (byte pattern in Patterns)
        {
            Fill(bus, at, word, pattern);
            // The next instruction is fetched between, so what the write left on the bus is not taken for memory.
            bus.Pass((byte)~pattern);
            if (!Reads(bus, at, word, pattern))
                return false;
        }
        return true;
    }

    static void Fill(SimulatedBus bus, ulong at, int word, byte pattern)
    {
        for (int i = 0; i < word; i++)
            bus.Write(at + (ulong)i, pattern);
    }

    static bool Reads(SimulatedBus bus, ulong at, int word, byte pattern)
    {
        for (int i = 0; i < word; i++)
            if (bus.Read(at + (ulong)i) != pattern)
                return false;
        return true;
    }
}
