using RustCabin.Core.Findings;

namespace RustCabin.Core.Wants;

/// <summary>What the Wants checks have to say: each finding, once.</summary>
static class WantsFindings
{
    static readonly StationName At = WantsStation.Here;

    /// <summary>WANT-UNMET.</summary>
    public static readonly FindingKind WantUnmet = new("WANT-UNMET", At, [Severity.Watch, Severity.Note])
    {
        Meaning = "Watch. A want that the plan does not give. Note where the sheets do not say.",
        Mend = "The Wants station proposes sets of parts.",
        ByOtherParts = true,
    };

    /// <summary>LIMIT-BUDGET.</summary>
    public static readonly FindingKind LimitBudget = new("LIMIT-BUDGET", At, [Severity.Watch])
    {
        Meaning = "The added parts cost more than the budget.",
        Mend = "A cheaper set.",
    };

    /// <summary>LIMIT-UNDO.</summary>
    public static readonly FindingKind LimitUndo = new("LIMIT-UNDO", At, [Severity.Watch])
    {
        Meaning = "All of the job is to be undoable, and a way is not.",
        Mend = "A way that is.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All = [WantUnmet, LimitBudget, LimitUndo];
}
