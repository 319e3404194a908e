using System.Buffers.Binary;
using System.ComponentModel.DataAnnotations;
using System.Runtime.InteropServices;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Images;

/// <summary>Swaps the bytes of each 16-bit word.</summary>
public sealed record Swap16() : ImageOp("swap16")
{
    /// <inheritdoc/>
    public override string Words => "swap the bytes of each 16-bit word";

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        byte[] swapped = ReverseWords.Copied(image, 16);
        BinaryPrimitives.ReverseEndianness(
            MemoryMarshal.Cast<byte, ushort>(image),
            MemoryMarshal.Cast<byte, ushort>(swapped.AsSpan())
        );
        return swapped;
    }
}

/// <summary>Reverses the bytes of each 32-bit word.</summary>
public sealed record Swap32() : ImageOp("swap32")
{
    /// <inheritdoc/>
    public override string Words => "reverse the bytes of each 32-bit word";

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        byte[] swapped = ReverseWords.Copied(image, 32);
        BinaryPrimitives.ReverseEndianness(
            MemoryMarshal.Cast<byte, uint>(image),
            MemoryMarshal.Cast<byte, uint>(swapped.AsSpan())
        );
        return swapped;
    }
}

/// <summary>Turns the order of the words round, each word as it stands.</summary>
public sealed record ReverseWords() : ImageOp("reverseWords")
{
    /// <summary>Bits of a word, whole bytes.</summary>
    [Range(8, 64), UnitOf("bits"), Display(Description = "The width of a word, in whole bytes.")]
    public int Bits { get; init; } = 16;

    /// <inheritdoc/>
    public override string Words => $"reverse the order of {Bits}-bit words";

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        byte[] reversed = Copied(image, Bits);
        int word = Bits / 8;
        switch (word)
        {
            case 1:
                Array.Reverse(reversed);
                break;
            case 2:
                MemoryMarshal.Cast<byte, ushort>(reversed.AsSpan()).Reverse();
                break;
            case 4:
                MemoryMarshal.Cast<byte, uint>(reversed.AsSpan()).Reverse();
                break;
            case 8:
                MemoryMarshal.Cast<byte, ulong>(reversed.AsSpan()).Reverse();
                break;
            default:
                for (int i = 0; i < image.Length; i += word)
                    image.AsSpan(i, word).CopyTo(reversed.AsSpan(image.Length - word - i));
                break;
        }
        return reversed;
    }

    /// <summary>A copy of an image that is a whole number of words.</summary>
    internal static byte[] Copied(byte[] image, int bits) =>
        bits % 8 == 0 && image.Length % (bits / 8) == 0
            ? (byte[])image.Clone()
            : throw Cannot($"{image.Length} bytes are no whole number of {bits}-bit words");
}
