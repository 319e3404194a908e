using RustCabin.Core.Findings;

namespace RustCabin.Core.Passport;

/// <summary>What the Passport checks have to say: each finding, once.</summary>
static class PassportFindings
{
    static readonly StationName At = PassportStation.Here;

    /// <summary>KEEP-ORIGINAL.</summary>
    public static readonly FindingKind KeepOriginal = new("KEEP-ORIGINAL", At, [Severity.Note])
    {
        Meaning = "A part is in, and no place is noted for an original that must be kept.",
        Mend = "Note its place among the unit's belongings.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All = [KeepOriginal];
}
