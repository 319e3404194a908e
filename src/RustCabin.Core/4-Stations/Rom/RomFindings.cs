using RustCabin.Core.Findings;

namespace RustCabin.Core.Rom;

/// <summary>What the ROM checks have to say: each finding, once.</summary>
static class RomFindings
{
    static readonly StationName At = RomStation.Here;

    /// <summary>ROM-PINS.</summary>
    public static readonly FindingKind RomPins = new("ROM-PINS", At, [Severity.Stop])
    {
        Meaning = "The device has more pins than the socket, or needs a signal that the socket carries nowhere.",
        Mend = "Another device.",
    };

    /// <summary>ROM-LANES.</summary>
    public static readonly FindingKind RomLanes = new("ROM-LANES", At, [Severity.Stop])
    {
        Meaning = "The device's words are not as wide as the socket's.",
        Mend = "A device of that width, or two of half the width with a split image.",
    };

    /// <summary>ROM-LINES.</summary>
    public static readonly FindingKind RomLines = new("ROM-LINES", At, [Severity.Stop, Severity.Note])
    {
        Meaning =
            "Note: the socket lacks an address line (or the output enable) that the device has: it is tied low, and a half of "
            + "the device is used. Where the sheet's signals name a place that carries the line, the steps say where it "
            + "can be tapped. Stop: the image is larger than what the socket reaches (the text says how much of it "
            + "is), or a leg is to be tapped and no sheet knows a place.",
        Mend = "Tie it high, put it on a switch for several images, tap it on the board, or take a smaller image.",
    };

    /// <summary>ROM-SIZE.</summary>
    public static readonly FindingKind RomSize = new("ROM-SIZE", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Watch: the device lacks an address line that the socket has: what it holds is seen several times over. Stop: the "
            + "images have more bytes than the device.",
        Mend = "A larger device, or fewer images.",
    };

    /// <summary>ROM-SPEED.</summary>
    public static readonly FindingKind RomSpeed = new("ROM-SPEED", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "Stop where a device answers later than the socket's budget, watch within 10 % of it.",
        Mend = "A faster device.",
    };

    /// <summary>ROM-ORDER.</summary>
    public static readonly FindingKind RomOrder = new("ROM-ORDER", At, [Severity.Stop])
    {
        Meaning = "The byte order of what is burnt and that of the machine disagree, so that it would not start.",
        Mend = "Swap the bytes of each word, once.",
    };

    /// <summary>ROM-PROOF.</summary>
    public static readonly FindingKind RomProof = new("ROM-PROOF", At, [Severity.Stop])
    {
        Meaning =
            "The planned device, wired as planned, holding the planned bytes and read through the machine's own decode, does "
            + "not give the processor the image (or, at a switch position, that position's image); the text names the "
            + "cause and the first wrong address.",
        Mend = "As the cause says.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All = [RomPins, RomLanes, RomLines, RomSize, RomSpeed, RomOrder, RomProof];
}
