using System.Buffers.Binary;
using MetadataExtractor;
using MetadataExtractor.Formats.Exif;
using MetadataExtractor.IO;

namespace RustCabin.Core.Baseline;

/// <summary>
/// A JPEG, segment by segment from its first byte to its end mark, those between scans as those before them: what the image needs
/// is kept. Of application segments these are the density (APP0), the colours (APP2), how colours are coded (APP14), and of Exif
/// the way up alone. A picture has one frame, so that there is one size. ITU-T T.81, Exif 2.32.
/// </summary>
static class JpegWalk
{
    const byte Start = 0xD8,
        End = 0xD9,
        Scan = 0xDA,
        App0 = 0xE0,
        App1 = 0xE1,
        App2 = 0xE2,
        App14 = 0xEE,
        App15 = 0xEF,
        Comment = 0xFE;

    /// <summary>Tables, intervals and scans: what an image is decoded by, beside its frame.</summary>
    static bool IsNeeded(byte marker) => marker is 0xC4 or 0xCC or 0xDB or 0xDD or Scan;

    static bool IsFrame(byte marker) => marker is >= 0xC0 and <= 0xCF and not (0xC4 or 0xC8 or 0xCC);

    /// <summary>Marks that stand alone: restarts, and 01.</summary>
    static bool IsBare(byte marker) => marker is 0x01 or (>= 0xD0 and <= 0xD7);

    public static bool IsOne(ReadOnlySpan<byte> bytes) =>
        bytes.Length > 3 && bytes[0] == 0xFF && bytes[1] == Start && bytes[2] == 0xFF;

    /// <exception cref="FormatException">It is broken, or too large.</exception>
    public static byte[] Clean(ReadOnlySpan<byte> bytes)
    {
        var walk = new PictureWalk("JPEG");
        walk.Keep([0xFF, Start]);
        bool scanned = false;
        for (int at = 2; ; )
        {
            byte marker = MarkerAt(bytes, ref at, walk);
            if (marker == End)
            {
                if (!scanned)
                    throw new FormatException("The JPEG picture holds no image.");
                // A second picture may hang behind the end of the first: it is left out.
                walk.Keep([0xFF, End]);
                return walk.Bytes;
            }
            if (at + 2 > bytes.Length)
                throw walk.CutOff;
            int length = BinaryPrimitives.ReadUInt16BigEndian(bytes[at..]);
            if (length < 2 || length > bytes.Length - at)
                throw walk.CutOff;
            Segment(walk, marker, bytes.Slice(at + 2, length - 2));
            at += length;
            if (marker != Scan)
                continue;
            if (!walk.HasSize)
                throw new FormatException("The JPEG picture has no frame before its image.");
            scanned = true;
            int coded = CodedBytes(bytes[at..], walk);
            walk.Keep(bytes.Slice(at, coded));
            at += coded;
        }
    }

    /// <summary>The mark that stands here, fill bytes before it passed over; <paramref name="at"/> is behind it then.</summary>
    static byte MarkerAt(ReadOnlySpan<byte> bytes, ref int at, PictureWalk walk)
    {
        if (at >= bytes.Length)
            throw walk.CutOff;
        if (bytes[at] != 0xFF)
            throw new FormatException("The JPEG picture is broken: no mark stands where one must.");
        while (at < bytes.Length && bytes[at] == 0xFF)
            at++;
        if (at >= bytes.Length)
            throw walk.CutOff;
        byte marker = bytes[at++];
        return marker is 0 or Start || IsBare(marker)
            ? throw new FormatException("The JPEG picture is broken: a mark stands where none can.")
            : marker;
    }

    /// <summary>How far coded data goes: in it 0xFF is followed by 0 or a restart mark, and any other mark ends it.</summary>
    static int CodedBytes(ReadOnlySpan<byte> coded, PictureWalk walk)
    {
        for (int at = 0; ; at += 2)
        {
            int next = coded[at..].IndexOf((byte)0xFF);
            if (next < 0 || (at += next) + 1 >= coded.Length)
                throw walk.CutOff;
            if (coded[at + 1] is not (0 or (>= 0xD0 and <= 0xD7)))
                return at;
        }
    }

    static void Segment(PictureWalk walk, byte marker, ReadOnlySpan<byte> data)
    {
        if (IsFrame(marker))
        {
            if (walk.HasSize)
                throw new FormatException("The JPEG picture has two frames.");
            if (data.Length < 6)
                throw walk.CutOff;
            walk.Size(BinaryPrimitives.ReadUInt16BigEndian(data[3..]), BinaryPrimitives.ReadUInt16BigEndian(data[1..]));
            Write(walk, marker, data);
        }
        else if (IsNeeded(marker))
            Write(walk, marker, data);
        else if (marker is >= App0 and <= App15)
            Application(walk, marker, data);
        else if (marker is not (Comment or 0xDC))
            throw new FormatException($"The JPEG picture has a segment {marker:X2}, which no photo has.");
    }

    static void Application(PictureWalk walk, byte marker, ReadOnlySpan<byte> data)
    {
        // JFIF: version and density; the small picture behind them may show more than the large one.
        if (marker == App0 && data.Length >= 14 && data.StartsWith("JFIF\0"u8))
            Write(walk, marker, [.. data[..12], 0, 0]);
        else if (marker == App2 && data.StartsWith("ICC_PROFILE\0"u8))
            Write(walk, marker, data);
        else if (marker == App14 && data.Length >= 12 && data.StartsWith("Adobe"u8))
            Write(walk, marker, data[..12]);
        else if (marker == App1 && WayUp(data) is > 1 and var up)
            Write(walk, App1, ExifOfWayUp(up));
    }

    static void Write(PictureWalk walk, byte marker, ReadOnlySpan<byte> data)
    {
        walk.Keep([0xFF, marker, (byte)((data.Length + 2) >> 8), (byte)(data.Length + 2)]);
        walk.Keep(data);
    }

    /// <summary>The Exif way up, 1 to 8; 1 where none can be read.</summary>
    static int WayUp(ReadOnlySpan<byte> segment)
    {
        ReadOnlySpan<byte> begins = "Exif\0\0"u8;
        if (!segment.StartsWith(begins))
            return 1;
        ExifIfd0Directory? first = new ExifReader()
            .Extract(new ByteArrayReader(segment[begins.Length..].ToArray()))
            .OfType<ExifIfd0Directory>()
            .FirstOrDefault();
        return first is not null && first.TryGetInt32(ExifDirectoryBase.TagOrientation, out int up) && up is >= 1 and <= 8
            ? up
            : 1;
    }

    /// <summary>Exif with one entry: orientation, a short, once.</summary>
    static byte[] ExifOfWayUp(int up) =>
        [.. "Exif\0\0MM"u8, 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, (byte)up, 0, 0, 0, 0, 0, 0];
}
