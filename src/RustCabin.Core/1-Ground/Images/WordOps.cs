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
        byte[] swapped = ReverseWords.Room(image, 16);
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
        byte[] swapped = ReverseWords.Room(image, 32);
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
        byte[] reversed = Room(image, Bits);
        Vectors.ReverseWords(image, reversed, Bits / 8);
        return reversed;
    }

    /// <summary>Room for an image of the same size, which is a whole number of words.</summary>
    internal static byte[] Room(byte[] image, int bits) =>
        bits % 8 == 0 && image.Length % (bits / 8) == 0
            ? New(image.Length)
            : throw Cannot($"{image.Length} bytes are no whole number of {bits}-bit words");
}
