using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
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
        if (reading.Agrees)
            return [];
        IEnumerable<Slip> named = Trail.Slips(at).Where(s => s.Look is not null).OrderBy(s => s.Rank);
        if (IsDark(reading))
            return
            [
                .. named.Where(s => s.Run(s.Fault).Count is null).Select(s => s.Look!).Distinct(),
                .. at
                    .Instances.Where(i => i.Added && i.Occupied.Any(o => o.Mode is SiteMode.Between or SiteMode.Over))
                    .Select(i =>
                        $"{i.Title} carries the processor's signals: one leg beside its contact, and "
                        + $"nothing starts. Look at its seating."
                    ),
                "A fuse, a plug or a lid switch: see that the supply comes up at all, by its lamp or by the meter.",
            ];
        return [.. named.Where(s => Shows(s.Run(s.Fault).Count, reading)).Select(s => s.Look!)];
    }

    /// <summary>Nothing is seen at all: it does not start, or every line reads 0.</summary>
    static bool IsDark(Comparison reading) =>
        reading.Reading.Starts == false || (reading.Lines.Count > 0 && reading.Lines.All(l => l.Seen is not { Bytes: > 0 }));

    static bool Shows(PowerUpCount? count, Comparison reading) =>
        count is not null && count.Lines.Select(l => (ByteSize?)l.Bytes).SequenceEqual(reading.Lines.Select(l => l.Seen));
}
