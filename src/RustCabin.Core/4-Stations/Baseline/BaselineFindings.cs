using RustCabin.Core.Findings;

namespace RustCabin.Core.Baseline;

/// <summary>What the Baseline checks have to say: each finding, once.</summary>
static class BaselineFindings
{
    static readonly StationName At = BaselineStation.Here;

    /// <summary>BASE-UNTESTED.</summary>
    public static readonly FindingKind BaseUntested = new("BASE-UNTESTED", At, [Severity.Watch])
    {
        Meaning =
            "The unit's baseline says that it was not tested, or a step of the job is done and the untouched machine was "
            + "never read.",
        Mend = "Switch it on as it stands and note the reading at the Baseline station.",
    };

    /// <summary>BASE-FAULT.</summary>
    public static readonly FindingKind BaseFault = new("BASE-FAULT", At, [Severity.Watch])
    {
        Meaning =
            "Before anything was touched it counted something else than its sheets predict, did not start, did not "
            + "start every time, or a fault was noted.",
        Mend = "Mend that first, or keep it in mind at every gate: it is not the upgrade's.",
    };

    /// <summary>BASE-RAIL.</summary>
    public static readonly FindingKind BaseRail = new("BASE-RAIL", At, [Severity.Stop])
    {
        Meaning = "A rail measured under load lies outside its tolerance (5 % unless the model's sheet says otherwise).",
        Mend = "Have the supply seen to. Inside it is mains: that belongs to a qualified person under the local code.",
        ByHand = ["the supply mended by a qualified person"],
    };

    /// <summary>COND-MAINS.</summary>
    public static readonly FindingKind CondMains = new("COND-MAINS", At, [Severity.Stop])
    {
        Meaning = "The supply is made for another mains voltage than the one here (more than 12 % apart).",
        Mend = "Do not plug it in; another supply, a transformer or a conversion by a qualified person.",
        ByHand = ["the supply changed over by a qualified person"],
    };

    /// <summary>COND-CAPACITORS.</summary>
    public static readonly FindingKind CondCapacitors = new("COND-CAPACITORS", At, [Severity.Watch])
    {
        Meaning = "The survey found capacitors that bulge or leak.",
        Mend = "Replace them; the Baseline station lists which, from the model's sheet.",
        ByHand = ["capacitors replaced"],
    };

    /// <summary>COND-CELL.</summary>
    public static readonly FindingKind CondCell = new("COND-CELL", At, [Severity.Watch])
    {
        Meaning = "The survey found a leaking cell.",
        Mend = "Take it out first, clean, look for tracks that are gone.",
        ByHand = ["cells replaced"],
    };

    /// <summary>COND-CORROSION.</summary>
    public static readonly FindingKind CondCorrosion = new("COND-CORROSION", At, [Severity.Watch])
    {
        Meaning = "The survey found heavy corrosion.",
        Mend = "Clean legs and sockets, measure tracks before trusting a reading.",
        ByHand = ["cleaned and repaired"],
    };

    /// <summary>COND-PLASTIC.</summary>
    public static readonly FindingKind CondPlastic = new("COND-PLASTIC", At, [Severity.Note])
    {
        Meaning = "The plastic is brittle.",
        Mend = "Warm it, use flat tools, keep what breaks off.",
    };

    /// <summary>COND-HALF-DONE.</summary>
    public static readonly FindingKind CondHalfDone = new("COND-HALF-DONE", At, [Severity.Watch])
    {
        Meaning = "An earlier owner left work half done.",
        Mend = "Put the part on the unit as unproven; its steps get readings before power-on.",
    };

    /// <summary>WORK-UNPROVEN.</summary>
    public static readonly FindingKind WorkUnproven = new("WORK-UNPROVEN", At, [Severity.Watch])
    {
        Meaning = "A part that came with the unit has steps of its way that nobody has proved, or that are missing.",
        Mend = "Read each on the build sheet; power stays off until all are ticked.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        BaseUntested,
        BaseFault,
        BaseRail,
        CondMains,
        CondCapacitors,
        CondCell,
        CondCorrosion,
        CondPlastic,
        CondHalfDone,
        WorkUnproven,
    ];
}
