using RustCabin.Core.Findings;

namespace RustCabin.Core.Identify;

/// <summary>What the Identify checks have to say: each finding, once.</summary>
static class IdentifyFindings
{
    static readonly StationName At = IdentifyStation.Here;

    /// <summary>ID-CONTRADICTION.</summary>
    public static readonly FindingKind IdContradiction = new("ID-CONTRADICTION", At, [Severity.Note])
    {
        Meaning = "A clue that was seen speaks for other revisions than the one taken (the confirmed one, else the likeliest).",
        Mend = "Look at the next clue, or confirm the revision by hand. The clue that disagrees may come from another machine.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All = [IdContradiction];
}
