using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;

namespace RustCabin.Core.Faults;

/// <summary>
/// Single slips that would make the machine show exactly what was read. Each is tried on the simulated bus; what does not give
/// the very reading is not named.
/// Source: docs/handbook/build.md, Gates.
/// </summary>
public static class Explanations
{
    /// <summary>
    /// The slips, in words, likeliest kind first; none when the reading is as predicted or nothing single explains it.
    /// </summary>
    public static IReadOnlyList<string> Of(PlannedUnit at, Comparison reading)
    {
        if (reading.Agrees || reading.Lines.Count == 0 || reading.Reading.Starts == false)
            return [];
        IEnumerable<Slip> named = Trail.Slips(at).Where(s => s.Look is not null).OrderBy(s => s.Rank);
        return [.. named.Where(s => Shows(s.Run(s.Fault).Count, reading)).Select(s => s.Look!)];
    }

    static bool Shows(PowerUpCount? count, Comparison reading) =>
        count is not null && count.Lines.Select(l => (ByteSize?)l.Bytes).SequenceEqual(reading.Lines.Select(l => l.Seen));
}
