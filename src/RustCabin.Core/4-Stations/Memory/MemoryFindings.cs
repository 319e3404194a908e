using RustCabin.Core.Findings;

namespace RustCabin.Core.Memory;

/// <summary>What the Memory checks have to say: each finding, once.</summary>
static class MemoryFindings
{
    static readonly StationName At = MemoryStation.Here;

    /// <summary>MAP-FIGHT.</summary>
    public static readonly FindingKind MapFight = new("MAP-FIGHT", At, [Severity.Stop])
    {
        Meaning =
            "Two claims drive the bus in one cycle: both answer a read for the same master, with no overlay between them, or "
            + "one drives on writes (drivesOnWrite) where another takes the write. It can damage drivers, not only fail.",
        Mend = "Move one by its switch; the tray offers the move when a single switch does it.",
    };

    /// <summary>MAP-WRITE-TWICE.</summary>
    public static readonly FindingKind MapWriteTwice = new("MAP-WRITE-TWICE", At, [Severity.Watch])
    {
        Meaning = "Two claims accept the same write. Where they also fight, the tray tells it with the fight.",
        Mend = "Move one, unless the doubling is meant.",
        SaidWith = MapFight,
    };

    /// <summary>MAP-OUTSIDE.</summary>
    public static readonly FindingKind MapOutside = new("MAP-OUTSIDE", At, [Severity.Stop])
    {
        Meaning = "A claim lies beyond 2^addressBits.",
        Mend = "A lower base.",
    };

    /// <summary>MAP-UNSEEN.</summary>
    public static readonly FindingKind MapUnseen = new("MAP-UNSEEN", At, [Severity.Watch])
    {
        Meaning =
            "RAM that no power-up line counts and self-configuration did not place. A model whose sheet has no power-up lines "
            + "raises none.",
        Mend = "Move it behind the memory that is counted, or add the software that makes it known.",
    };

    /// <summary>MAP-BEYOND-LIMIT.</summary>
    public static readonly FindingKind MapBeyondLimit = new("MAP-BEYOND-LIMIT", At, [Severity.Watch])
    {
        Meaning = "More RAM than the model's limit for a master, or than a power-up line's cap; fitted and usable size are told.",
        Mend = "Fit less, or live with the rest unused.",
    };

    /// <summary>AUTO-NO-ROOM.</summary>
    public static readonly FindingKind AutoNoRoom = new("AUTO-NO-ROOM", At, [Severity.Stop])
    {
        Meaning =
            "Stop for that card. A self-configuring card finds no free range of its size: base = window base + k x size, "
            + "lowest k, in slot order.",
        Mend = "A smaller size, or free the window.",
    };

    /// <summary>BANK-RESET.</summary>
    public static readonly FindingKind BankReset = new("BANK-RESET", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Stop, or watch where firmware writes the register before it uses the window. A bank register's value at power-up "
            + "is not defined.",
        Mend = "A reset circuit; the Memory station works it out.",
        ByHand = ["a reset circuit holds the register at power-up"],
    };

    /// <summary>CHIP-MIX.</summary>
    public static readonly FindingKind ChipMix = new("CHIP-MIX", At, [Severity.Stop])
    {
        Meaning =
            "A bank holds a type that the board does not take, or types that may not stand together (all alike, larger first, "
            + "pairs; bank 0 first).",
        Mend = "Another arrangement; the Memory station lists those that reach the target.",
    };

    /// <summary>CHIP-LINES.</summary>
    public static readonly FindingKind ChipLines = new("CHIP-LINES", At, [Severity.Watch])
    {
        Meaning =
            "The board drives fewer address lines than the chip has: of a multiplexed DRAM each missing one leaves a quarter, "
            + "of a static chip a half.",
        Mend = "Smaller chips, or a board that drives the lines.",
    };

    /// <summary>CHIP-REFRESH.</summary>
    public static readonly FindingKind ChipRefresh = new("CHIP-REFRESH", At, [Severity.Stop, Severity.Watch])
    {
        Meaning =
            "Stop, or watch where only some makers' chips of the type want more. The refresh counter is narrower than the "
            + "rows, or a row comes later than its time.",
        Mend = "Chips with fewer rows, or a board that uses the chips' own counters.",
    };

    /// <summary>CHIP-SPEED.</summary>
    public static readonly FindingKind ChipSpeed = new("CHIP-SPEED", At, [Severity.Stop])
    {
        Meaning = "The chips are slower than the cycle allows. As fast or faster is fine.",
        Mend = "Faster chips.",
    };

    /// <summary>CHIP-SUPPLY.</summary>
    public static readonly FindingKind ChipSupply = new("CHIP-SUPPLY", At, [Severity.Stop])
    {
        Meaning = "A three-supply chip in a 5 V socket, or the reverse: it is destroyed.",
        Mend = "Another type, never an adapter by guess.",
    };

    /// <summary>CHIP-SWITCHES.</summary>
    public static readonly FindingKind ChipSwitches = new("CHIP-SWITCHES", At, [Severity.Stop])
    {
        Meaning = "The board's table sets the switches otherwise for the chips that are in its banks.",
        Mend = "One press in the tray.",
    };

    /// <summary>All of them, in the order of the reference.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        MapFight,
        MapWriteTwice,
        MapOutside,
        MapUnseen,
        MapBeyondLimit,
        AutoNoRoom,
        BankReset,
        ChipMix,
        ChipLines,
        ChipRefresh,
        ChipSpeed,
        ChipSupply,
        ChipSwitches,
    ];
}
