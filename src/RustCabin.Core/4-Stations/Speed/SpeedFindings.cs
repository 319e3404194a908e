using RustCabin.Core.Findings;

namespace RustCabin.Core.Speed;

/// <summary>What the Speed checks have to say: each finding, once.</summary>
static class SpeedFindings
{
    static readonly StationName At = SpeedStation.Here;

    /// <summary>SPEED-DIFFERS.</summary>
    public static readonly FindingKind SpeedDiffers = new("SPEED-DIFFERS", At, [Severity.Watch])
    {
        Meaning = "Runs after the build contradict the forecast by more than their spread and a tenth.",
        Mend = "See what the benchmark reads of clock, coprocessor and memory.",
    };

    /// <summary>SPEED-SEEN.</summary>
    public static readonly FindingKind SpeedSeen = new("SPEED-SEEN", At, [Severity.Watch])
    {
        Meaning = "A benchmark reads another clock, coprocessor or memory than the plan has.",
        Mend = "What it does not see is not there for the machine: seat, switch or driver.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All = [SpeedDiffers, SpeedSeen];
}
