using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Bench;

/// <summary>What can be wrong with a simulated machine.</summary>
public enum FaultKind
{
    /// <summary>A part is not seated: what it claims is gone.</summary>
    Unseated,

    /// <summary>A switch stands elsewhere.</summary>
    SwitchMoved,

    /// <summary>A data bit of one bank always reads the same.</summary>
    StuckBit,

    /// <summary>A chip of a bank is not there.</summary>
    MissingChip,

    /// <summary>An address line of a bank is stuck or open.</summary>
    AddressLine,

    /// <summary>A bank register starts with any value.</summary>
    RandomBank,

    /// <summary>A ROM holds another image, or a swapped one.</summary>
    RomImage,

    /// <summary>A rail does not come up.</summary>
    RailMissing,
}

/// <summary>
/// One fault that can be put into the simulated machine. <paramref name="Subject"/> is an instance, a claim's owner or a rail;
/// <paramref name="Bit"/> a data bit or an address line, counted from 0, and <paramref name="High"/> what it is stuck at (an
/// open line floats high); <paramref name="Bits"/> how many data bits a missing chip held;
/// <paramref name="Detail"/> a switch and its position. Source: docs/handbook/memory.md, Simulated bus.
/// </summary>
public sealed record BusFault(
    FaultKind Kind,
    string Subject,
    int Bit = 0,
    bool High = false,
    int Bits = 1,
    string Detail = "",
    int Seed = 0
)
{
    /// <summary>A name by which a page can ask for it again.</summary>
    public string Key =>
        Kind switch
        {
            FaultKind.SwitchMoved => $"switch {Subject} {Detail}",
            FaultKind.StuckBit => $"bit {Subject} {Bit} {(High ? "high" : "low")}",
            FaultKind.MissingChip => $"chip {Subject} {Bit} {Bits}",
            FaultKind.AddressLine => $"line {Subject} {Bit} {(High ? "high" : "low")}",
            FaultKind.RandomBank => $"bank {Subject}",
            FaultKind.RomImage => $"image {Subject} {Detail}",
            FaultKind.RailMissing => $"rail {Subject}",
            _ => $"unseated {Subject}",
        };

    /// <summary>The claim that it is a fault of; of no owner where it is a fault of an instance or a rail.</summary>
    public ClaimName Claim => ClaimName.Parse(Subject);

    /// <summary>It is a fault of this claim.</summary>
    public bool IsOf(DecodedClaim claim) => Claim == claim.Owner;

    /// <summary>In words, with the names of this unit.</summary>
    public string Words(PlannedUnit unit) =>
        Kind switch
        {
            FaultKind.Unseated => $"{unit.Find(InstanceName.Parse(Subject))?.Title ?? Subject} is not seated",
            FaultKind.SwitchMoved =>
                $"{Detail[..Detail.IndexOf('=')]} of {unit.Find(InstanceName.Parse(Subject))?.Title ?? Subject} stands at "
                    + $"{Detail[(Detail.IndexOf('=') + 1)..]}",
            FaultKind.StuckBit => $"data bit {Bit} of {unit.NameOf(Claim)} is stuck {(High ? "high" : "low")}",
            FaultKind.MissingChip => Bits == 1
                ? $"the chip of data bit {Bit} of {unit.NameOf(Claim)} is missing"
                : $"the chip of data bits {Bit} to {Bit + Bits - 1} of {unit.NameOf(Claim)} is missing",
            FaultKind.AddressLine =>
                $"address line A{Bit} of {unit.NameOf(Claim)} is {(High ? "open, and floats high" : "stuck low")}",
            FaultKind.RandomBank => $"the bank register of {unit.NameOf(Claim)} starts anywhere",
            FaultKind.RomImage => $"the image in {unit.NameOf(Claim)} is {Detail}",
            _ => $"the {Subject} V rail is missing",
        };
}

/// <summary>What the bus does to one claim's bytes: bits forced and address lines that do not follow.</summary>
sealed record CellFaults(byte ForcedHigh, byte ForcedLow, ulong LinesHigh, ulong LinesLow)
{
    public static readonly CellFaults None = new(0, 0, 0, 0);

    public byte Seen(byte held) => (byte)((held | ForcedHigh) & ~ForcedLow);

    public ulong Reached(ulong offset) => (offset | LinesHigh) & ~LinesLow;

    /// <summary>
    /// The faults of one claim together. Data bits beyond a byte lie on the bytes of a word in turn; the bus works byte by byte,
    /// so bit k of a word is bit k mod 8 of byte k / 8.
    /// </summary>
    public static CellFaults Of(DecodedClaim claim, IReadOnlyList<BusFault> faults, int byteInWord)
    {
        CellFaults all = None;
        foreach (BusFault fault in faults.Where(f => f.IsOf(claim)))
            all = fault.Kind switch
            {
                FaultKind.StuckBit when fault.Bit / 8 == byteInWord => fault.High
                    ? all with
                    {
                        ForcedHigh = (byte)(all.ForcedHigh | 1 << fault.Bit % 8),
                    }
                    : all with
                    {
                        ForcedLow = (byte)(all.ForcedLow | 1 << fault.Bit % 8),
                    },
                FaultKind.MissingChip => all with { ForcedHigh = (byte)(all.ForcedHigh | Mask(fault, byteInWord)) },
                FaultKind.AddressLine => fault.High
                    ? all with
                    {
                        LinesHigh = all.LinesHigh | 1ul << fault.Bit,
                    }
                    : all with
                    {
                        LinesLow = all.LinesLow | 1ul << fault.Bit,
                    },
                _ => all,
            };
        return all;
    }

    static int Mask(BusFault fault, int byteInWord) =>
        Enumerable
            .Range(fault.Bit, fault.Bits)
            .Where(bit => bit / 8 == byteInWord)
            .Aggregate(0, (mask, bit) => mask | 1 << bit % 8);
}
