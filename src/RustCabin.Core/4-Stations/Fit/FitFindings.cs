using RustCabin.Core.Findings;
using RustCabin.Core.Identify;

namespace RustCabin.Core.Fit;

/// <summary>What the Fit checks have to say: each finding, once.</summary>
static class FitFindings
{
    static readonly StationName At = FitStation.Here;

    /// <summary>FIT-REVISION.</summary>
    public static readonly FindingKind FitRevision = new("FIT-REVISION", At, [Severity.Stop])
    {
        Meaning = "The way of a part is for another model, or not for this revision.",
        Mend = "Another way, another part, or another look at which board it is.",
    };

    /// <summary>FIT-SITE-TAKEN.</summary>
    public static readonly FindingKind FitSiteTaken = new("FIT-SITE-TAKEN", At, [Severity.Stop])
    {
        Meaning =
            "Two parts sit on one site. One that fills it, one between, one over and any taps share a site only if a sheet of "
            + "them says \"stacks\": true.",
        Mend = "Drop one, or fit it by another way.",
    };

    /// <summary>FIT-DOUBT.</summary>
    public static readonly FindingKind FitDoubt = new("FIT-DOUBT", IdentifyStation.Here, [Severity.Watch])
    {
        Meaning = "No revision is confirmed, and the revisions that a part does not fit still hold 5 % or more by the clues.",
        Mend = "Look at the clue that the why names, or confirm the revision by hand.",
    };

    /// <summary>FIT-NEED.</summary>
    public static readonly FindingKind FitNeed = new("FIT-NEED", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Stop, or watch where the sheets do not say. A part, or the way it is fitted, needs a firmware, an ability, a "
            + "signal, a part, a rail, a free site, a region or memory that is not there.",
        Mend = "Bring what it needs, or take another part.",
    };

    /// <summary>FIT-CONFLICT.</summary>
    public static readonly FindingKind FitConflict = new("FIT-CONFLICT", At, [Severity.Stop])
    {
        Meaning = "Two parts that one of their sheets knows as a bad pair.",
        Mend = "Drop one.",
    };

    /// <summary>FIT-SOLDERED.</summary>
    public static readonly FindingKind FitSoldered = new("FIT-SOLDERED", At, [Severity.Stop])
    {
        Meaning = "A part fills a site or goes between, and the chip there is soldered.",
        Mend = "A way that fits a socket (\"fitsSocket\": true), or a part that clips over the chip.",
        ByHand = ["the chip desoldered and a socket put in"],
    };

    /// <summary>FIT-LOSES.</summary>
    public static readonly FindingKind FitLoses = new("FIT-LOSES", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "The way by which a part is fitted gives up a function or a port, or lets something hang out of the case. Stop where "
            + "the job is to keep it.",
        Mend = "Another way, which the press sets where there is one; or let it go under Wants.",
    };

    /// <summary>PART-IDLE.</summary>
    public static readonly FindingKind PartIdle = new("PART-IDLE", At, [Severity.Note])
    {
        Meaning = "A part that stays in does nothing any more once the job is done.",
        Mend = "Take it out, to the cupboard.",
    };

    /// <summary>FIT-HEIGHT.</summary>
    public static readonly FindingKind FitHeight = new("FIT-HEIGHT", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop above the site's free height, watch above 90 % of it. Going between adds the carried chip's 4 mm.",
        Mend = "A lower part, or another site.",
        ByHand = ["what stands over it trimmed"],
    };

    /// <summary>FIT-NO-SITE.</summary>
    public static readonly FindingKind FitNoSite = new("FIT-NO-SITE", At, [Severity.Stop])
    {
        Meaning =
            "A part wants a site that this board has not, a site of a part that is not fitted, or a connector of which none "
            + "is free.",
        Mend = "Free the site, another way, or another part.",
    };

    /// <summary>FIT-SLOT.</summary>
    public static readonly FindingKind FitSlot = new("FIT-SLOT", At, [Severity.Watch])
    {
        Meaning = "Software looks for the part in another slot (expects) than the one it sits in.",
        Mend = "Change places (at), or tell the software.",
    };

    /// <summary>FIT-ORIENTATION.</summary>
    public static readonly FindingKind FitOrientation = new("FIT-ORIENTATION", At, [Severity.Stop])
    {
        Meaning = "The part's mark and the site's lie at different corners: it would sit turned round.",
        Mend = "A way or version for this board.",
    };

    /// <summary>FIT-ENVELOPE.</summary>
    public static readonly FindingKind FitEnvelope = new("FIT-ENVELOPE", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop above the room beside the site, watch above 90 % of it, in width or depth.",
        Mend = "A smaller part, or another site.",
        ByHand = ["what is in the way trimmed"],
    };

    /// <summary>FIT-OPENING.</summary>
    public static readonly FindingKind FitOpening = new("FIT-OPENING", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Stop where a cable does not pass its opening, watch above 90 % of it or where the model's sheet names no such "
            + "opening. Heights of cables in one opening add up.",
        Mend = "Another way out.",
        ByHand = ["the opening drilled or filed wider"],
    };

    /// <summary>FIT-BARE.</summary>
    public static readonly FindingKind FitBare = new("FIT-BARE", At, [Severity.Watch])
    {
        Meaning = "Bare metal lies over bare contacts.",
        Mend = "Insulate.",
        ByHand = ["insulated"],
    };

    /// <summary>FIT-CABLE.</summary>
    public static readonly FindingKind FitCable = new("FIT-CABLE", At, [Severity.Stop])
    {
        Meaning = "A flat cable's contacts face the same way as those of the connector that it goes into: they never meet.",
        Mend = "A cable of the other kind.",
        ByHand = ["the cable made again with its contacts turned"],
    };

    /// <summary>FIT-TRIM.</summary>
    public static readonly FindingKind FitTrim = new("FIT-TRIM", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Watch, or stop where the job must be reversible. Something of the case must be cut.",
        Mend = "Another part, or drop the limit.",
    };

    /// <summary>FIT-DRIVER.</summary>
    public static readonly FindingKind FitDriver = new("FIT-DRIVER", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Watch. A driver is not noted on the unit, or is too old; the text says whether it goes on before or after "
            + "fitting, and the build sheet has the step. Stop where the driver goes with another firmware than the plan's.",
        Mend = "Put it on and note it.",
    };

    /// <summary>PART-ERRATA.</summary>
    public static readonly FindingKind PartErrata = new("PART-ERRATA", At, [Severity.Watch, Severity.Note])
    {
        Meaning = "Watch. The part's version has known faults. Note where its version is not on the sheet.",
        Mend = "Another version, or live with it knowingly.",
    };

    /// <summary>FIT-SKILL.</summary>
    public static readonly FindingKind FitSkill = new("FIT-SKILL", At, [Severity.Watch])
    {
        Meaning = "A way wants more skill than the job's limit.",
        Mend = "An easier way, or a person who does it often.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        FitRevision,
        FitSiteTaken,
        FitDoubt,
        FitNeed,
        FitConflict,
        FitSoldered,
        FitHeight,
        FitNoSite,
        FitSlot,
        FitOrientation,
        FitEnvelope,
        FitOpening,
        FitBare,
        FitCable,
        FitTrim,
        FitDriver,
        PartErrata,
        FitLoses,
        PartIdle,
        FitSkill,
    ];
}
