using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>
/// Where a board carries a net that a socket lacks, as the model's signals say. Source: docs/handbook/rom.md, Devices and
/// sockets.
/// </summary>
public static class Tap
{
    /// <summary>The places on this unit's board, in the sheet's order.</summary>
    public static IReadOnlyList<SignalPoint> Of(PlannedUnit unit, string net) =>
        [
            .. unit
                .Model.Signals.Where(s => s.Net == net && unit.Holds(s.Revisions))
                .SelectMany(s => s.At)
                .Where(a => unit.Holds(a.Revisions)),
        ];

    /// <summary>Where the line is taken, in words.</summary>
    public static string Words(SignalPoint at) =>
        $"{at.Chip}{(at.Pin is { } pin ? $" leg {pin}" : "")}{(at.Tap is { } how ? $" ({how})" : "")}";
}
