using System.Buffers.Binary;
using System.Text;

namespace RustCabin.Core.Baseline;

/// <summary>
/// A WebP, chunk by chunk, frames of moving ones as the whole: image, transparency, colours and motion are kept. RFC 9649.
/// </summary>
static class WebpWalk
{
    /// <summary>Bytes of a chunk's name and length, of a frame's head, and of the head of the file.</summary>
    const int ChunkHead = 8,
        FrameHead = 16,
        FileHead = 12;

    /// <summary>Marks of the extended header that say that Exif and XMP follow.</summary>
    const byte Tells = 0b0000_1100;

    public static bool IsOne(ReadOnlySpan<byte> bytes) =>
        bytes.Length > FileHead + ChunkHead / 2 && bytes.StartsWith("RIFF"u8) && bytes[8..12].SequenceEqual("WEBP"u8);

    /// <exception cref="FormatException">It is broken, or too large.</exception>
    public static byte[] Clean(ReadOnlySpan<byte> bytes)
    {
        var walk = new PictureWalk("WebP");
        walk.Keep(bytes[..FileHead]);
        long says = BinaryPrimitives.ReadUInt32LittleEndian(bytes[4..]) + (long)ChunkHead;
        if (says < FileHead || says > bytes.Length)
            throw walk.CutOff;
        if (!Chunks(walk, bytes[FileHead..(int)says], inFrame: false))
            throw new FormatException("The WebP picture holds no image.");
        byte[] result = walk.Bytes;
        BinaryPrimitives.WriteUInt32LittleEndian(result.AsSpan(4), (uint)result.Length - ChunkHead);
        return result;
    }

    /// <summary>Keeps what of these chunks shows something; true if an image is among them.</summary>
    static bool Chunks(PictureWalk walk, ReadOnlySpan<byte> bytes, bool inFrame)
    {
        bool image = false;
        for (int at = 0; at + ChunkHead <= bytes.Length; )
        {
            uint length = BinaryPrimitives.ReadUInt32LittleEndian(bytes[(at + 4)..]);
            if (length > bytes.Length - at - ChunkHead)
                throw walk.CutOff;
            string type = Encoding.ASCII.GetString(bytes.Slice(at, 4));
            ReadOnlySpan<byte> data = bytes.Slice(at + ChunkHead, (int)length);
            image |= Chunk(walk, type, data, inFrame);
            at += ChunkHead + (int)length + ((int)length & 1);
        }
        return image;
    }

    static bool Chunk(PictureWalk walk, string type, ReadOnlySpan<byte> data, bool inFrame)
    {
        switch (type)
        {
            case "VP8 ":
            case "VP8L":
                Sized(walk, type, data);
                Write(walk, type, data);
                return true;
            case "ALPH":
                Write(walk, type, data);
                return false;
            case "VP8X" when !inFrame && data.Length >= 10:
                walk.Size(1 + Three(data[4..]), 1 + Three(data[7..]));
                Write(walk, type, [(byte)(data[0] & ~Tells), .. data[1..]]);
                return false;
            case "ICCP" or "ANIM" when !inFrame:
                Write(walk, type, data);
                return false;
            case "ANMF" when !inFrame && data.Length > FrameHead:
                walk.Size(1 + Three(data[6..]), 1 + Three(data[9..]));
                var frame = new PictureWalk("WebP");
                frame.Keep(data[..FrameHead]);
                bool image = Chunks(frame, data[FrameHead..], inFrame: true);
                Write(walk, type, frame.Bytes);
                return image;
            default:
                return false;
        }
    }

    /// <summary>How large a coded image says that it is, by its own head.</summary>
    static void Sized(PictureWalk walk, string type, ReadOnlySpan<byte> data)
    {
        if (data.Length < (type == "VP8L" ? 5 : 10))
            throw walk.CutOff;
        if (type == "VP8L")
            walk.Size(1 + ((data[1] | data[2] << 8) & 0x3FFF), 1 + ((data[2] >> 6 | data[3] << 2 | data[4] << 10) & 0x3FFF));
        else
            walk.Size((data[6] | data[7] << 8) & 0x3FFF, (data[8] | data[9] << 8) & 0x3FFF);
    }

    static int Three(ReadOnlySpan<byte> bytes) => bytes[0] | bytes[1] << 8 | bytes[2] << 16;

    static void Write(PictureWalk walk, string type, ReadOnlySpan<byte> data)
    {
        Span<byte> head = stackalloc byte[ChunkHead];
        Encoding.ASCII.GetBytes(type, head);
        BinaryPrimitives.WriteUInt32LittleEndian(head[4..], (uint)data.Length);
        walk.Keep(head);
        walk.Keep(data);
        if (data.Length % 2 == 1)
            walk.Keep([0]);
    }
}
