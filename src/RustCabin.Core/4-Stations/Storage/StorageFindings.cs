using RustCabin.Core.Findings;

namespace RustCabin.Core.Storage;

/// <summary>What the Storage checks have to say: each finding, once.</summary>
public static class StorageFindings
{
    static readonly StationName At = StorageStation.Here;

    /// <summary>STO-LIMIT.</summary>
    public static readonly FindingKind Limit = new("STO-LIMIT", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "The host does not reach the end of the card; a stop where a partition lies beyond.",
        Mend = "Keep every partition before the line; the rest of the card stays unused.",
    };

    /// <summary>STO-START.</summary>
    public static readonly FindingKind Start = new("STO-START", At, [Severity.Stop])
    {
        Meaning = "The machine does not start from there: the partition ends too far out, or its firmware cannot start from it.",
        Mend = "Make it smaller or put it first; or change the firmware for one that can.",
    };

    /// <summary>STO-PART.</summary>
    public static readonly FindingKind Part = new("STO-PART", At, [Severity.Stop])
    {
        Meaning = "A partition is larger than the host takes, lies off the card, has no room, or no valid cluster.",
        Mend = "Give it another size, another cluster or another file system.",
    };

    /// <summary>STO-ROOM.</summary>
    public static readonly FindingKind Room = new("STO-ROOM", At, [Severity.Stop])
    {
        Meaning = "The titles of a partition take more than it has.",
        Mend = "Make it larger, or take a title to another one.",
    };

    /// <summary>STO-CARD.</summary>
    public static readonly FindingKind Card = new("STO-CARD", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "The card is larger than the device takes; a watch where its part is not on this unit or its label does not read.",
        Mend = "Take a smaller card.",
    };

    /// <summary>STO-FS.</summary>
    public static readonly FindingKind Fs = new("STO-FS", At, [Severity.Watch])
    {
        Meaning = "A partition has a file system that the host is not known to read.",
        Mend = "Choose one that it reads, or a driver for this one.",
    };

    /// <summary>STO-NAME.</summary>
    public static readonly FindingKind Name = new("STO-NAME", At, [Severity.Watch])
    {
        Meaning = "Files on the card have names that the host cannot read.",
        Mend = "Give them the names that the page proposes.",
    };

    /// <summary>STO-CONTACTS.</summary>
    public static readonly FindingKind Contacts = new("STO-CONTACTS", At, [Severity.Stop])
    {
        Meaning = "Host and device have different numbers of contacts.",
        Mend = "An adapter between them; the page names those of the cabin.",
    };

    /// <summary>STO-POWER.</summary>
    public static readonly FindingKind Power = new("STO-POWER", At, [Severity.Stop])
    {
        Meaning = "The device has no power: its cable carries none, or no plug of its kind is free.",
        Mend = "A splitter or a lead with such a plug; its path is checked at Fit.",
        ByHand = ["a lead for its power, soldered and fused"],
    };

    /// <summary>STO-PAIR.</summary>
    public static readonly FindingKind Pair = new("STO-PAIR", At, [Severity.Stop])
    {
        Meaning = "Two devices on one ATA cable are not one first and one second, or there are more than two.",
        Mend = "Move the jumper of one.",
    };

    /// <summary>STO-ID.</summary>
    public static readonly FindingKind Id = new("STO-ID", At, [Severity.Stop])
    {
        Meaning = "Two devices, or a device and the host, have one id, or an id that the bus does not have.",
        Mend = "Set another; the page names the lowest that is free.",
    };

    /// <summary>STO-TERM.</summary>
    public static readonly FindingKind Term = new("STO-TERM", At, [Severity.Stop])
    {
        Meaning = "The bus is not terminated at both ends and only there.",
        Mend = "Terminate the host and the last device on the cable, and no other.",
    };

    /// <summary>STO-TERM-POWER.</summary>
    public static readonly FindingKind TermPower = new("STO-TERM-POWER", At, [Severity.Stop])
    {
        Meaning = "Nothing on the bus feeds the terminators.",
        Mend = "Let the host or a device give terminator power.",
    };

    /// <summary>FW-VARIANT.</summary>
    public static readonly FindingKind Variant = new("FW-VARIANT", At, [Severity.Stop])
    {
        Meaning = "The firmware that drives an interface is of another variant than the interface.",
        Mend = "Burn the firmware of its variant at ROM; what was on the card under the other is not read.",
    };

    /// <summary>STO-REGION.</summary>
    public static readonly FindingKind Region = new("STO-REGION", At, [Severity.Watch])
    {
        Meaning = "The image of a title is of another region than the machine.",
        Mend = "Take the image of this region, or a unit of the other.",
    };

    /// <summary>STO-TITLE.</summary>
    public static readonly FindingKind Title = new("STO-TITLE", At, [Severity.Watch])
    {
        Meaning = "A title on a card was made for another model.",
        Mend = "Take it off the card, or add this model to the title's sheet where it runs there.",
    };

    /// <summary>All of them, in the order in which they are looked for.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        Limit,
        Start,
        Part,
        Room,
        Card,
        Fs,
        Name,
        Contacts,
        Power,
        Pair,
        Id,
        Term,
        TermPower,
        Variant,
        Region,
        Title,
    ];
}
