using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Images;

/// <summary>Puts bytes at a place of an image.</summary>
public sealed record Patch() : ImageOp("patch"), ICompleted<Patch>
{
    /// <summary>Where they go.</summary>
    [OrNumber, Display(Name = "where", Description = "Where they go.")]
    public ByteSize At { get; init; }

    /// <summary>The bytes as pairs of hex digits; blanks between them do not count.</summary>
    [LongText, Display(Description = "The bytes as pairs of hex digits, such as 4e 71.")]
    public string Bytes { get; init; } = "";

    /// <inheritdoc/>
    public override string Words => $"put {Hex.Length / 2} {(Hex.Length == 2 ? "byte" : "bytes")} at 0x{At.Bytes:x}";

    string Hex => Bytes.Replace(" ", "");

    /// <inheritdoc/>
    public Patch Completed(RecordReading read)
    {
        if (Hex.Length == 0 || Hex.Length % 2 != 0 || !Hex.All(char.IsAsciiHexDigit))
            read.Wrong("bytes", "must be pairs of hex digits, such as \"4e 71\"");
        return this;
    }

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        byte[] bytes = Convert.FromHexString(Hex);
        if (At.Bytes > (ulong)image.Length || (ulong)bytes.Length > (ulong)image.Length - At.Bytes)
            throw Cannot($"{bytes.Length} bytes at {At.Bytes} lie beyond the {image.Length} of the image");
        byte[] patched = (byte[])image.Clone();
        bytes.CopyTo(patched, (int)At.Bytes);
        return patched;
    }
}

/// <summary>Writes the sum of a range's bytes, modulo 2^16 or 2^32, at a place; bytes of the place itself do not count.</summary>
public sealed record Checksum() : ImageOp("checksum")
{
    /// <summary>The sum: sum16 or sum32.</summary>
    [Display(Description = "The sum: sum16 or sum32.")]
    public string Kind { get; init; } = "sum16";

    /// <summary>Where the sum is written.</summary>
    [OrNumber, Display(Name = "where", Description = "Where the sum is written.")]
    public ByteSize At { get; init; }

    /// <summary>Where the range begins.</summary>
    [OrNumber, Display(Description = "Where the range begins.")]
    public ByteSize From { get; init; }

    /// <summary>How long the range is; 0: the rest.</summary>
    [OrNumber, Display(Description = "How long the range is; left out: the rest.")]
    public ByteSize Size { get; init; }

    /// <summary>The low byte of the sum is written first.</summary>
    [Display(Description = "The low byte of the sum is written first.")]
    public bool Little { get; init; }

    /// <inheritdoc/>
    public override string Words => $"fix the {Kind} at {At.Bytes:#,0}";

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        int bytes = Kind switch
        {
            "sum16" => 2,
            "sum32" => 4,
            _ => throw Cannot($"\"{Kind}\" is not a checksum: sum16 or sum32"),
        };
        ulong whole = (ulong)image.Length,
            at = At.Bytes,
            from = From.Bytes,
            size = Size.Bytes == 0 && from <= whole ? whole - from : Size.Bytes;
        if (at + (ulong)bytes > whole || from > whole || size > whole - from)
            throw Cannot("the range or the place of the sum lies beyond the image");
        byte[] summed = (byte[])image.Clone();
        uint sum = 0;
        for (ulong i = from; i < from + size; i++)
            if (i < at || i >= at + (ulong)bytes)
                sum += image[i];
        for (int i = 0; i < bytes; i++)
            summed[(int)at + i] = (byte)(sum >> 8 * (Little ? i : bytes - 1 - i));
        return summed;
    }
}
