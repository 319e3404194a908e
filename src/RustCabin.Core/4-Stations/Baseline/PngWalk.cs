using System.Buffers.Binary;
using System.Text;

namespace RustCabin.Core.Baseline;

/// <summary>
/// A PNG, chunk by chunk: its one header, its palette, its colours, its image and its end are kept, whatever tells more is not.
/// Of moving ones the first picture is left. PNG specification, third edition.
/// </summary>
static class PngWalk
{
    public static ReadOnlySpan<byte> Signature => [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A];

    const int HeaderBytes = 13;

    static readonly string[] Kept = ["IHDR", "PLTE", "IDAT", "IEND", "tRNS", "gAMA", "cHRM", "sRGB", "iCCP", "sBIT", "pHYs"];

    /// <exception cref="FormatException">It is broken, or too large.</exception>
    public static byte[] Clean(ReadOnlySpan<byte> bytes)
    {
        var walk = new PictureWalk("PNG");
        walk.Keep(Signature);
        bool image = false;
        string type = "";
        for (int at = Signature.Length; type != "IEND"; )
        {
            if (at + 12 > bytes.Length)
                throw walk.CutOff;
            uint length = BinaryPrimitives.ReadUInt32BigEndian(bytes[at..]);
            if (length > bytes.Length - at - 12)
                throw walk.CutOff;
            type = Encoding.ASCII.GetString(bytes.Slice(at + 4, 4));
            if (type == "IHDR" == walk.HasSize || (type == "IHDR" && length != HeaderBytes))
                throw new FormatException("The PNG picture does not begin with its header, or has two.");
            if (type == "IHDR")
                walk.Size(
                    BinaryPrimitives.ReadUInt32BigEndian(bytes[(at + 8)..]),
                    BinaryPrimitives.ReadUInt32BigEndian(bytes[(at + 12)..])
                );
            if (Kept.Contains(type))
                walk.Keep(bytes.Slice(at, (int)length + 12));
            image |= type == "IDAT";
            at += (int)length + 12;
        }
        return image ? walk.Bytes : throw new FormatException("The PNG picture holds no image.");
    }
}
