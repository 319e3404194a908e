using RustCabin.Core.Findings;
using RustCabin.Core.Fit;

namespace RustCabin.Core.Power;

/// <summary>What the power checks have to say: each finding, once.</summary>
static class PowerFindings
{
    static readonly StationName At = FitStation.Here;

    /// <summary>FAN-AGAINST.</summary>
    public static readonly FindingKind FanAgainst = new("FAN-AGAINST", At, [Severity.Watch])
    {
        Meaning = "A fan blows through an opening against the way that air goes there: both stand, and the case warms up.",
        Mend = "Turn the fan round, or put it before another opening.",
        ByHand = ["the fan turned round"],
    };

    /// <summary>POWER-OVER.</summary>
    public static readonly FindingKind PowerOver = new("POWER-OVER", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Watch above 90 % of a rail's capacity, stop above the whole. Capacity is the rated current x 0.8 for age, unless "
            + "the sheet gives derate.",
        Mend = "Fewer parts on the rail, or a stronger supply.",
    };

    /// <summary>POWER-NO-RAIL.</summary>
    public static readonly FindingKind PowerNoRail = new("POWER-NO-RAIL", At, [Severity.Stop])
    {
        Meaning = "A part draws from a rail that this revision does not have and no part supplies.",
        Mend = "A part that brings the rail.",
    };

    /// <summary>POWER-PARALLEL.</summary>
    public static readonly FindingKind PowerParallel = new("POWER-PARALLEL", At, [Severity.Stop])
    {
        Meaning = "Two regulated supplies feed one rail at once. They do not share: the one that stands higher drives the other.",
        Mend = "A supply that replaces the other, or one that is a rail of its own, joined at ground only.",
    };

    /// <summary>POWER-PATH.</summary>
    public static readonly FindingKind PowerPath = new("POWER-PATH", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop above what a branch of a rail carries (a plug, a splitter, a trace, a cable), watch above 90 %.",
        Mend = "Power from another branch.",
        ByHand = ["a lead of its own from the supply"],
    };

    /// <summary>POWER-DROP.</summary>
    public static readonly FindingKind PowerDrop = new("POWER-DROP", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop where a branch loses more volts (amps x ohms) than the rail's tolerance, watch above 90 % of it.",
        Mend = "Thicker or shorter wire.",
        ByHand = ["thicker or shorter wire"],
    };

    /// <summary>LEVEL.</summary>
    public static readonly FindingKind Level = new("LEVEL", At, [Severity.Stop])
    {
        Meaning = "Pins of different volts meet and the sheet does not say that the lower side stands it.",
        Mend = "A level shifter, or another part.",
        ByHand = ["a level shifter between the two"],
    };

    /// <summary>FEED-RANGE.</summary>
    public static readonly FindingKind FeedRange = new("FEED-RANGE", At, [Severity.Stop])
    {
        Meaning = "The rail at a part's feed pin is outside the range that it stands.",
        Mend = "Feed it from another rail.",
    };

    /// <summary>USB-PROFILE.</summary>
    public static readonly FindingKind UsbProfile = new("USB-PROFILE", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Stop. A trigger board's voltage is not offered by the supply exactly, or not with enough current, or over 3 A "
            + "without a marked cable. Watch where no supply is in the plan.",
        Mend = "A supply that offers it.",
    };

    /// <summary>HEAT-REGULATOR.</summary>
    public static readonly FindingKind HeatRegulator = new("HEAT-REGULATOR", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop above the watts that a linear regulator stands, watch above 90 %.",
        Mend = "A switching regulator, or less on the rail.",
        ByHand = ["a larger heat sink", "a switching regulator in its place"],
    };

    /// <summary>HEAT-CASE.</summary>
    public static readonly FindingKind HeatCase = new("HEAT-CASE", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop where the case becomes warmer than allowed, or its fan moves too little air; watch above 90 %.",
        Mend = "Less heat, or more air.",
        ByHand = ["a fan added"],
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        PowerOver,
        PowerNoRail,
        PowerPath,
        PowerDrop,
        Level,
        FeedRange,
        UsbProfile,
        HeatRegulator,
        HeatCase,
        FanAgainst,
    ];
}
