using RustCabin.Core.Build;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Switches;
using RustCabin.Core.Units;

namespace RustCabin.Core.Faults;

/// <summary>
/// Single slips that would make the machine show exactly what was read: a switch in another position, a part not seated. Each is tried on
/// the simulated bus; what does not give the very reading is not named. Source: domain.md, sections 2 and 12.
/// </summary>
public static class Explanations
{
    /// <summary>The slips, in words, likeliest kind first; none when the reading is as predicted or nothing single explains it.</summary>
    public static IReadOnlyList<string> Of(PlannedUnit at, Comparison reading)
    {
        if (reading.Agrees || reading.Lines.Count == 0 || reading.Reading.Starts == false)
            return [];
        return
        [
            .. SingleMoves
                .Of(at)
                .Where(m => Shows(m.Planned, reading))
                .Select(m =>
                    $"{m.Switch.Id} of {m.Instance.Title} standing {m.Position} would show just this: look whether it stands {m.Instance.Positions[m.Switch.Id]}."
                ),
            .. at
                .Instances.Where(i => Shows(Plan.With(at, other => other != i), reading))
                .Select(i =>
                    $"{i.Title} not answering at all would show just this: switch off, and look whether it is seated all the way."
                ),
        ];
    }

    static bool Shows(PlannedUnit planned, Comparison reading) =>
        PowerUp.Run(planned).Lines.Select(l => (ByteSize?)l.Bytes).SequenceEqual(reading.Lines.Select(l => l.Seen));
}
