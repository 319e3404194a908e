using RustCabin.Core.Findings;

namespace RustCabin.Core.Wiring;

/// <summary>What the Wiring checks have to say: each finding, once.</summary>
public static class WiringFindings
{
    static readonly StationName At = WiringStation.Here;

    /// <summary>WIRE-READS.</summary>
    public static readonly FindingKind Reads = new("WIRE-READS", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "The meter read something else than the table says; a stop where a rail is shorted.",
        Mend =
            "Look at the cause that the table names, touch it up, and read the line again. A shorted rail is never switched on.",
    };

    /// <summary>WIRE-PLACE.</summary>
    public static readonly FindingKind Place = new("WIRE-PLACE", At, [Severity.Stop])
    {
        Meaning = "A change names a leg, a point, a contact or a pad that this board revision has not.",
        Mend = "Look which revision it is, or mend the sheet.",
    };

    /// <summary>WIRE-ACT.</summary>
    public static readonly FindingKind Act = new("WIRE-ACT", At, [Severity.Stop])
    {
        Meaning =
            "A change cannot be carried out as it stands: it names no place, leads from a place to itself, cuts off a whole "
            + "net, takes off what cannot be taken off.",
        Mend = "Mend the sheet that it stands on.",
    };

    /// <summary>WIRE-RAIL.</summary>
    public static readonly FindingKind Rail = new("WIRE-RAIL", At, [Severity.Stop])
    {
        Meaning = "After the changes one net holds two rails of different volts, or a rail and ground.",
        Mend = "One of the joins between them must go.",
    };

    /// <summary>WIRE-UNMADE.</summary>
    public static readonly FindingKind Unmade = new("WIRE-UNMADE", At, [Severity.Stop])
    {
        Meaning = "A pad of a part is not joined to the net that it wants.",
        Mend = "Run a lead to one of the places that carry it; the easiest stand first.",
    };

    /// <summary>WIRE-CROSS.</summary>
    public static readonly FindingKind Cross = new("WIRE-CROSS", At, [Severity.Watch])
    {
        Meaning = "Two nets with names meet, and no change says that they are meant to.",
        Mend = "Take one of the joins away, or say on the sheet that it joins them.",
    };

    /// <summary>WIRE-LEFT.</summary>
    public static readonly FindingKind Left = new("WIRE-LEFT", At, [Severity.Note])
    {
        Meaning = "A leg is lifted, nothing takes it up, and the sheet does not say that it stays in the air.",
        Mend = "Solder what it is lifted for, or say that it is left open.",
    };

    /// <summary>WIRE-TWICE.</summary>
    public static readonly FindingKind Twice = new("WIRE-TWICE", At, [Severity.Stop])
    {
        Meaning = "Two parts lift or cut the same place.",
        Mend = "One of them must go, or go another way.",
    };

    /// <summary>PIN-RAIL.</summary>
    public static readonly FindingKind PinRail = new("PIN-RAIL", At, [Severity.Stop])
    {
        Meaning = "Where two connectors meet, a rail or ground meets another net.",
        Mend = "A special cable or an adapter that changes the contacts over; never plug them together as they are.",
    };

    /// <summary>PIN-NET.</summary>
    public static readonly FindingKind PinNet = new("PIN-NET", At, [Severity.Watch])
    {
        Meaning = "Where two connectors meet, two nets of different names meet.",
        Mend = "Look whether they are one signal under two names; then name it on the sheet.",
    };

    /// <summary>PIN-GENDER.</summary>
    public static readonly FindingKind PinGender = new("PIN-GENDER", At, [Severity.Stop])
    {
        Meaning = "Pins meet pins, or holes meet holes.",
        Mend = "A gender changer.",
    };

    /// <summary>PIN-COUNT.</summary>
    public static readonly FindingKind PinCount = new("PIN-COUNT", At, [Severity.Watch])
    {
        Meaning = "One connector has fewer contacts than the other.",
        Mend = "See that contact 1 meets contact 1, and what is left over.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        Reads,
        Place,
        Act,
        Rail,
        Unmade,
        Cross,
        Left,
        Twice,
        PinRail,
        PinNet,
        PinGender,
        PinCount,
    ];
}
