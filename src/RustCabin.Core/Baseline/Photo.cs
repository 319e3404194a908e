using System.Buffers.Binary;

namespace RustCabin.Core.Baseline;

/// <summary>The kinds of pictures that are taken in.</summary>
public enum PhotoKind
{
    /// <summary>PNG.</summary>
    Png,

    /// <summary>JPEG.</summary>
    Jpeg,

    /// <summary>WebP.</summary>
    Webp,
}

/// <summary>
/// A picture that was looked into: its kind by its bytes, and the bytes to keep, without position, camera or comment.
/// </summary>
public sealed record Photo(PhotoKind Kind, byte[] Bytes)
{
    /// <summary>No larger picture is taken, in bytes.</summary>
    public const int LargestBytes = 8_000_000;

    /// <summary>No larger picture is taken, in points.</summary>
    public const long MostPixels = 50_000_000;

    /// <summary>How wide and tall a picture says that it is; 0 and 0 where its header does not read.</summary>
    static (int Wide, int Tall) Dimensions(ReadOnlySpan<byte> bytes)
    {
        if (bytes.StartsWith(PngSignature) && bytes.Length >= 24)
            return (
                (int)Math.Min(int.MaxValue, BinaryPrimitives.ReadUInt32BigEndian(bytes[16..])),
                (int)Math.Min(int.MaxValue, BinaryPrimitives.ReadUInt32BigEndian(bytes[20..]))
            );
        if (bytes.Length > 30 && bytes[..4].SequenceEqual("RIFF"u8))
            return bytes[12..16].SequenceEqual("VP8X"u8)
                    ? (1 + (bytes[24] | bytes[25] << 8 | bytes[26] << 16), 1 + (bytes[27] | bytes[28] << 8 | bytes[29] << 16))
                : bytes[12..16].SequenceEqual("VP8 "u8)
                    ? ((bytes[26] | bytes[27] << 8) & 0x3FFF, (bytes[28] | bytes[29] << 8) & 0x3FFF)
                : bytes[12..16].SequenceEqual("VP8L"u8)
                    ? (
                        1 + ((bytes[21] | bytes[22] << 8) & 0x3FFF),
                        1 + ((bytes[22] >> 6 | bytes[23] << 2 | bytes[24] << 10) & 0x3FFF)
                    )
                : (0, 0);
        for (int at = 2; at + 9 < bytes.Length && bytes[0] == 0xFF && bytes[at] == 0xFF; )
        {
            int mark = bytes[at + 1],
                length = bytes[at + 2] << 8 | bytes[at + 3];
            if (mark is >= 0xC0 and <= 0xCF and not (0xC4 or 0xC8 or 0xCC))
                return (bytes[at + 7] << 8 | bytes[at + 8], bytes[at + 5] << 8 | bytes[at + 6]);
            at += 2 + Math.Max(2, length);
        }
        return (0, 0);
    }

    /// <summary>Its media type, as it is sent.</summary>
    public string MediaType =>
        Kind switch
        {
            PhotoKind.Png => "image/png",
            PhotoKind.Jpeg => "image/jpeg",
            _ => "image/webp",
        };

    /// <summary>
    /// Takes a picture apart and puts it together again from the pieces that show something: PNG chunks, JPEG segments, WebP
    /// chunks (PNG
    /// specification, third edition; ITU-T T.81 with Exif 2.32; RFC 9649). Of Exif only the way up is kept.
    /// </summary>
    /// <exception cref="FormatException">It is none of the three, or broken; the message says which.</exception>
    public static Photo Read(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length > LargestBytes)
            throw new FormatException(
                $"The picture is {bytes.Length / 1_000_000.0:0.#} MB; {LargestBytes / 1_000_000} MB are allowed."
            );
        // The header says how many points the picture has, whatever its file weighs.
        if (Dimensions(bytes) is var (wide, tall) && (long)wide * tall > MostPixels)
            throw new FormatException(
                $"The picture has {(long)wide * tall / 1_000_000} megapixels; {MostPixels / 1_000_000} are allowed."
            );
        if (bytes.StartsWith(PngSignature))
            return new Photo(PhotoKind.Png, Png(bytes));
        if (bytes.Length > 3 && bytes[0] == 0xFF && bytes[1] == 0xD8 && bytes[2] == 0xFF)
            return new Photo(PhotoKind.Jpeg, Jpeg(bytes));
        if (bytes.Length > 16 && bytes[..4].SequenceEqual("RIFF"u8) && bytes[8..12].SequenceEqual("WEBP"u8))
            return new Photo(PhotoKind.Webp, Webp(bytes));
        throw new FormatException("This is not a PNG, JPEG or WebP picture by its contents, whatever its name says.");
    }

    static ReadOnlySpan<byte> PngSignature => [0x89, (byte)'P', (byte)'N', (byte)'G', 0x0D, 0x0A, 0x1A, 0x0A];

    static readonly string[] PngKept = ["IHDR", "PLTE", "IDAT", "IEND", "tRNS", "gAMA", "cHRM", "sRGB", "iCCP", "sBIT", "pHYs"];

    static byte[] Png(ReadOnlySpan<byte> bytes)
    {
        var kept = new MemoryStream(bytes.Length);
        kept.Write(PngSignature);
        string type = "";
        for (int at = 8; type != "IEND"; )
        {
            if (at + 12 > bytes.Length)
                throw new FormatException("The PNG picture is cut off.");
            uint length = BinaryPrimitives.ReadUInt32BigEndian(bytes[at..]);
            if (length > bytes.Length - at - 12)
                throw new FormatException("The PNG picture is cut off.");
            type = System.Text.Encoding.ASCII.GetString(bytes.Slice(at + 4, 4));
            if (at == 8 && type != "IHDR")
                throw new FormatException("The PNG picture does not begin with its header.");
            if (PngKept.Contains(type))
                kept.Write(bytes.Slice(at, (int)length + 12));
            at += (int)length + 12;
        }
        return kept.ToArray();
    }

    static byte[] Jpeg(ReadOnlySpan<byte> bytes)
    {
        var kept = new MemoryStream(bytes.Length);
        kept.Write([0xFF, 0xD8]);
        bool frame = false;
        for (int at = 2; ; )
        {
            if (at + 4 > bytes.Length || bytes[at] != 0xFF)
                throw new FormatException("The JPEG picture is broken before its image begins.");
            byte marker = bytes[at + 1];
            if (marker == 0xFF)
            {
                at++;
                continue;
            }
            int length = BinaryPrimitives.ReadUInt16BigEndian(bytes[(at + 2)..]);
            if (length < 2 || at + 2 + length > bytes.Length)
                throw new FormatException("The JPEG picture is cut off.");
            ReadOnlySpan<byte> segment = bytes.Slice(at, length + 2);
            // APP0 and APP2 carry size and colour; APP14 says how colours are coded. Exif (APP1), comments and the rest may tell
            // where and by whom.
            if (marker is 0xE1)
            {
                if (WayUp(segment[4..]) is > 1 and var up)
                    kept.Write(ExifOfWayUp(up));
            }
            else if (marker is 0xE0 or 0xE2 or 0xEE || marker is not (>= 0xE0 and <= 0xEF or 0xFE))
                kept.Write(segment);
            frame |= marker is >= 0xC0 and <= 0xCF and not 0xC4 and not 0xC8 and not 0xCC;
            at += length + 2;
            if (marker != 0xDA)
                continue;
            if (!frame)
                throw new FormatException("The JPEG picture has no frame.");
            // A second picture may hang behind the end of the first: it is left out.
            int end = EndOfImage(bytes[at..]);
            kept.Write(bytes.Slice(at, end));
            return kept.ToArray();
        }
    }

    /// <summary>
    /// The length of the coded image with its end mark. Inside it, 0xFF is followed by 0 or a restart mark; other segments may
    /// stand between scans.
    /// </summary>
    static int EndOfImage(ReadOnlySpan<byte> coded)
    {
        int end = coded.IndexOf([(byte)0xFF, (byte)0xD9]);
        return end < 0 ? throw new FormatException("The JPEG picture is cut off.") : end + 2;
    }

    /// <summary>The Exif way up, 1 to 8; 1 where none can be read.</summary>
    static int WayUp(ReadOnlySpan<byte> exif)
    {
        if (exif.Length < 14 || !exif[..6].SequenceEqual("Exif\0\0"u8))
            return 1;
        ReadOnlySpan<byte> tiff = exif[6..];
        bool little = tiff[0] == 'I';
        uint first = little
            ? BinaryPrimitives.ReadUInt32LittleEndian(tiff[4..])
            : BinaryPrimitives.ReadUInt32BigEndian(tiff[4..]);
        if (first > tiff.Length - 2)
            return 1;
        ushort Short(ReadOnlySpan<byte> s) =>
            little ? BinaryPrimitives.ReadUInt16LittleEndian(s) : BinaryPrimitives.ReadUInt16BigEndian(s);
        int entries = Short(tiff[(int)first..]);
        for (int i = 0, at = (int)first + 2; i < entries && at + 12 <= tiff.Length; i++, at += 12)
            if (Short(tiff[at..]) == 0x0112)
                return Short(tiff[(at + 8)..]) is var up and >= 1 and <= 8 ? up : 1;
        return 1;
    }

    static byte[] ExifOfWayUp(int up) =>
        [
            0xFF,
            0xE1,
            0,
            34,
            .. "Exif\0\0MM"u8,
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte)up,
            0,
            0,
            0,
            0,
            0,
            0,
        ];

    static byte[] Webp(ReadOnlySpan<byte> bytes)
    {
        var kept = new MemoryStream(bytes.Length);
        kept.Write(bytes[..12]);
        bool image = false;
        for (int at = 12; at + 8 <= bytes.Length; )
        {
            uint length = BinaryPrimitives.ReadUInt32LittleEndian(bytes[(at + 4)..]);
            if (length > bytes.Length - at - 8)
                throw new FormatException("The WebP picture is cut off.");
            string type = System.Text.Encoding.ASCII.GetString(bytes.Slice(at, 4));
            int whole = Math.Min(bytes.Length - at, (int)length + 8 + ((int)length & 1));
            if (type is not ("EXIF" or "XMP "))
            {
                byte[] chunk = bytes.Slice(at, whole).ToArray();
                if (type == "VP8X" && chunk.Length > 8)
                    chunk[8] &= 0b1111_0011; // the marks that say Exif and XMP follow
                kept.Write(chunk);
            }
            image |= type is "VP8 " or "VP8L" or "ANMF";
            at += whole;
        }
        if (!image)
            throw new FormatException("The WebP picture holds no image.");
        byte[] result = kept.ToArray();
        BinaryPrimitives.WriteUInt32LittleEndian(result.AsSpan(4), (uint)result.Length - 8);
        return result;
    }
}
