using System.Globalization;
using RustCabin.Core.Images;
using RustCabin.Core.Units;

namespace RustCabin.Core.Presses;

/// <summary>Pads an image to a size.</summary>
public sealed record PadForm(string? Size)
{
    /// <summary>The operation; null: <paramref name="wrong"/> says which field is wrong.</summary>
    public RomOp? Read(out string wrong) => ImagePlace.TrySize(Size, out ByteSize to, out wrong) ? new Pad { Size = to } : null;
}

/// <summary>Takes a part of an image.</summary>
public sealed record SliceForm(string? From, string? Size)
{
    /// <inheritdoc cref="PadForm.Read"/>
    public RomOp? Read(out string wrong) =>
        ImagePlace.TryRead(From, out ByteSize from, out wrong) && ImagePlace.TrySize(Size, out ByteSize size, out wrong)
            ? new Slice { From = from, Size = size }
            : null;
}

/// <summary>Writes bytes over an image.</summary>
public sealed record PatchForm(string? PatchAt, string? Bytes)
{
    /// <inheritdoc cref="PadForm.Read"/>
    public RomOp? Read(out string wrong) =>
        ImagePlace.TryRead(PatchAt, out ByteSize at, out wrong) ? new Patch { At = at, Bytes = (Bytes ?? "").Trim() } : null;
}

/// <summary>Writes the sum of all bytes into an image.</summary>
public sealed record ChecksumForm(string? Kind, string? SumAt, bool Little)
{
    /// <inheritdoc cref="PadForm.Read"/>
    public RomOp? Read(out string wrong) =>
        ImagePlace.TryRead(SumAt, out ByteSize at, out wrong)
            ? new Checksum
            {
                Kind = Kind == "sum32" ? "sum32" : "sum16",
                At = at,
                Little = Little,
            }
            : null;
}

/// <summary>Sizes of images and places in them, as they are typed.</summary>
static class ImagePlace
{
    /// <summary>A size of 1 byte to the largest image; false: <paramref name="wrong"/> says why not.</summary>
    public static bool TrySize(string? text, out ByteSize size, out string wrong)
    {
        wrong = $"\"{text?.Trim()}\" is not a size; type 512K";
        return ByteSize.TryTyped((text ?? "").Trim(), out size) && size.Bytes is > 0 and <= RomFile.Largest;
    }

    /// <summary>A place in an image: hex with 0x or $, or decimal; false: <paramref name="wrong"/> says why not.</summary>
    public static bool TryRead(string? text, out ByteSize place, out string wrong)
    {
        string typed = (text ?? "").Trim();
        bool hex = typed.StartsWith("0x", StringComparison.OrdinalIgnoreCase) || typed.StartsWith('$');
        string digits = hex ? typed[(typed[0] == '$' ? 1 : 2)..] : typed;
        NumberStyles style = hex ? NumberStyles.AllowHexSpecifier : NumberStyles.None;
        bool read = ulong.TryParse(digits, style, CultureInfo.InvariantCulture, out ulong at) && at < RomFile.Largest;
        place = new ByteSize(read ? at : 0);
        wrong = $"\"{typed}\" is not a place in the image; type 0x1FC or 508";
        return read;
    }
}
