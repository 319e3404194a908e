using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Images;

/// <summary>Puts an image twice, to fill a device of twice its size.</summary>
public sealed record DoubleImage() : ImageOp("double")
{
    /// <inheritdoc/>
    public override string Words => "double";

    /// <inheritdoc/>
    protected override IReadOnlyList<long> Makes(IReadOnlyList<long> sizes) => [.. sizes.Select(s => s * 2)];

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        byte[] twice = New(image.Length * 2L);
        image.CopyTo(twice, 0);
        image.CopyTo(twice, image.Length);
        return twice;
    }
}

/// <summary>Fills an image up to a size.</summary>
public sealed record Pad() : ImageOp("pad")
{
    /// <summary>The size to fill up to.</summary>
    [Required, OrNumber, Display(Description = "The size to fill up to.")]
    public ByteSize Size { get; init; }

    /// <summary>The byte to fill with.</summary>
    [Range(0, 255), Display(Description = "The byte to fill with.")]
    public int Fill { get; init; } = 255;

    /// <inheritdoc/>
    public override string Words => $"pad with 0x{Fill:x2} to {Size}";

    /// <inheritdoc/>
    protected override IReadOnlyList<long> Makes(IReadOnlyList<long> sizes) =>
        [.. sizes.Select(s => Math.Max(s, (long)Math.Min(Size.Bytes, int.MaxValue)))];

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        if (Size.Bytes > RomFile.Largest)
            throw Cannot($"{Size} is beyond {RomFile.Largest >> 20} MiB");
        if ((ulong)image.Length > Size.Bytes)
            throw Cannot($"{image.Length} bytes are more than the {Size.Bytes} to pad to");
        byte[] padded = New((long)Size.Bytes);
        image.CopyTo(padded, 0);
        padded.AsSpan(image.Length).Fill((byte)Fill);
        return padded;
    }
}

/// <summary>Takes a piece of an image.</summary>
public sealed record Slice() : ImageOp("slice")
{
    /// <summary>Where the piece begins.</summary>
    [OrNumber, Display(Description = "Where the piece begins.")]
    public ByteSize From { get; init; }

    /// <summary>How long it is; 0: the rest.</summary>
    [OrNumber, Display(Description = "How long it is; left out: the rest.")]
    public ByteSize Size { get; init; }

    /// <inheritdoc/>
    public override string Words => $"take {(Size.Bytes == 0 ? "the rest" : Size.ToString())} from {From.Bytes:#,0}";

    /// <inheritdoc/>
    protected override byte[] One(byte[] image)
    {
        ulong whole = (ulong)image.Length,
            from = From.Bytes,
            size = Size.Bytes == 0 && from <= whole ? whole - from : Size.Bytes;
        if (from >= whole)
            throw Cannot($"{from} lies past the last of the image's {image.Length} bytes");
        if (size > whole - from)
            throw Cannot($"{size} bytes from {from} lie beyond the {image.Length} of the image");
        return image.AsSpan((int)from, (int)size).ToArray();
    }
}
