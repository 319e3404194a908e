namespace RustCabin.Core.Chips;

/// <summary>
/// One bank made of one type: chips for data and for parity apart, <c>ceil(D / width) + ceil(P / width)</c>; bytes <c>depth x D /
/// 8</c>; joints, pins times chips.
/// Source: docs/handbook/memory.md, Chips.
/// </summary>
public sealed record BankOfChips(ChipType Type, int DataBits, int ParityBits)
{
    public int Chips => Ceiling(DataBits, Type.Width) + Ceiling(ParityBits, Type.Width);
    public ulong Bytes => Type.Depth * (ulong)DataBits / 8;
    public int Joints => Type.Pins * Chips;

    static int Ceiling(int bits, int width) => (bits + width - 1) / width;
}
