using RustCabin.Core.Findings;

namespace RustCabin.Core.Mends;

/// <summary>What the build has to say of its readings: each finding, once.</summary>
static class MendFindings
{
    /// <summary>GATE-DIFFERS.</summary>
    public static readonly FindingKind GateDiffers = new("GATE-DIFFERS", StationName.Build, [Severity.Watch])
    {
        Meaning =
            "What was read at a gate differs from its prediction: the count is short, the machine does not start, or something "
            + "that was looked at is not as usual.",
        Mend = "Switch off. Faults names the causes, the likeliest first; mend, and read the gate again.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All = [GateDiffers];
}
