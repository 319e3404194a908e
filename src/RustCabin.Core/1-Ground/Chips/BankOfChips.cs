namespace RustCabin.Core.Chips;

/// <summary>
/// One bank made of one type: chips for data and for parity apart, <c>ceil(D / width) + ceil(P / width)</c>; bytes <c>depth x D /
/// 8</c>; joints, pins times chips.
/// Source: docs/handbook/memory.md, Chips.
/// </summary>
public sealed record BankOfChips(ChipType Type, int DataBits, int ParityBits)
{
    /// <summary>Chips that it takes: those of the data, and those of the parity apart.</summary>
    public int Chips => Ceiling(DataBits, Type.Width) + Ceiling(ParityBits, Type.Width);

    /// <summary>Bytes that it holds.</summary>
    public ulong Bytes => Type.Depth * (ulong)DataBits / 8;

    /// <summary>Joints when each chip is soldered: its legs times the chips.</summary>
    public int Joints => Type.Pins * Chips;

    static int Ceiling(int bits, int width) => (bits + width - 1) / width;
}
