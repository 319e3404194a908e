using System.Buffers.Binary;
using System.Text;
using CsCheck;
using RustCabin.Core.Baseline;

namespace RustCabin.Core.Tests.Baseline;

/// <summary>
/// Pictures, made here byte by byte: what shows something is kept, what tells where and by whom is not, and what is no picture is
/// refused.
/// </summary>
public class PhotoTests
{
    static byte[] Chunk(string type, params byte[] data)
    {
        byte[] chunk = new byte[data.Length + 12];
        BinaryPrimitives.WriteUInt32BigEndian(chunk, (uint)data.Length);
        Encoding.ASCII.GetBytes(type).CopyTo(chunk, 4);
        data.CopyTo(chunk, 8);
        return chunk;
    }

    static byte[] PngHead(uint wide, uint tall)
    {
        byte[] head = new byte[13];
        BinaryPrimitives.WriteUInt32BigEndian(head, wide);
        BinaryPrimitives.WriteUInt32BigEndian(head.AsSpan(4), tall);
        return head;
    }

    static byte[] Frame(ushort wide, ushort tall) =>
        [8, (byte)(tall >> 8), (byte)tall, (byte)(wide >> 8), (byte)wide, 1, 1, 0x11, 0];

    /// <summary>The head of a coded WebP image without loss.</summary>
    static byte[] Lossless(int wide, int tall) =>
        [
            0x2F,
            (byte)(wide - 1),
            (byte)((wide - 1) >> 8 | (tall - 1) << 6),
            (byte)((tall - 1) >> 2),
            (byte)((tall - 1) >> 10),
            9,
            9,
        ];

    static byte[] Png(params byte[][] between) =>
        [
            0x89,
            .. "PNG\r\n\u001a\n"u8,
            .. Chunk("IHDR", PngHead(2, 2)),
            .. between.SelectMany(b => b),
            .. Chunk("IDAT", 1, 2, 3),
            .. Chunk("IEND"),
        ];

    static byte[] Segment(byte marker, params byte[] data) =>
        [0xFF, marker, (byte)((data.Length + 2) >> 8), (byte)(data.Length + 2), .. data];

    static readonly byte[] ExifOnItsSide =
    [
        .. "Exif\0\0"u8,
        .. "II"u8,
        42,
        0,
        8,
        0,
        0,
        0,
        2,
        0,
        0x12,
        1,
        3,
        0,
        1,
        0,
        0,
        0,
        6,
        0,
        0,
        0,
        0x25,
        0x88,
        4,
        0,
        1,
        0,
        0,
        0,
        99,
        0,
        0,
        0,
        0,
        0,
        0,
        0,
        .. "GPS 51.5"u8,
    ];

    static byte[] Jpeg(params byte[][] before) =>
        [
            0xFF,
            0xD8,
            .. before.SelectMany(b => b),
            .. Segment(0xC0, Frame(2, 2)),
            .. Segment(0xDA, new byte[4]),
            7,
            0xFF,
            0,
            8,
            0xFF,
            0xD9,
        ];

    static byte[] Webp(params (string Type, byte[] Data)[] chunks)
    {
        byte[] body =
        [
            .. chunks.SelectMany(c =>
                (byte[])
                    [
                        .. Encoding.ASCII.GetBytes(c.Type),
                        (byte)c.Data.Length,
                        0,
                        0,
                        0,
                        .. c.Data,
                        .. c.Data.Length % 2 == 1 ? (byte[])[0] : [],
                    ]
            ),
        ];
        byte[] all = [.. "RIFF"u8, 0, 0, 0, 0, .. "WEBP"u8, .. body];
        BinaryPrimitives.WriteUInt32LittleEndian(all.AsSpan(4), (uint)all.Length - 8);
        return all;
    }

    [Fact]
    public void A_PNG_loses_its_Exif_and_comments()
    {
        Photo photo = Photo.Read(Png(Chunk("eXIf", [.. "GPS"u8]), Chunk("tEXt", [.. "Author"u8]), Chunk("gAMA", 0, 0, 1, 0)));
        Assert.Equal((PhotoKind.Png, "image/png"), (photo.Kind, photo.MediaType));
        Assert.Equal(Png(Chunk("gAMA", 0, 0, 1, 0)), photo.Bytes);
    }

    [Fact]
    public void A_JPEG_keeps_its_way_up_and_nothing_else_of_Exif()
    {
        Photo photo = Photo.Read(
            Jpeg(
                Segment(0xE0, [.. "JFIF\0"u8, 1, 2, 0, 0, 1, 0, 1, 1, 1, .. "tiny"u8]),
                Segment(0xE1, ExifOnItsSide),
                Segment(0xE1, [.. "http://ns.adobe.com/xap"u8]),
                Segment(0xFE, [.. "me"u8])
            )
        );
        string text = Encoding.Latin1.GetString(photo.Bytes);
        Assert.DoesNotContain("GPS", text);
        Assert.DoesNotContain("xap", text);
        Assert.DoesNotContain("me", text);
        Assert.DoesNotContain("tiny", text);
        Assert.Contains("JFIF", text);
        Assert.Equal(Photo.Read(photo.Bytes).Bytes, photo.Bytes);
        int exif = text.IndexOf("Exif", StringComparison.Ordinal);
        Assert.Equal(6, photo.Bytes[exif + 6 + 8 + 2 + 9]); // the way up, big-endian, in the one entry
    }

    [Fact]
    public void A_second_picture_behind_the_first_is_left_out() => Assert.Equal(Jpeg(), Photo.Read([.. Jpeg(), .. Jpeg()]).Bytes);

    [Fact]
    public void A_WebP_loses_its_Exif_and_says_so_in_its_head()
    {
        byte[] head = [0b0000_1100, 0, 0, 0, 1, 0, 0, 1, 0, 0];
        Photo photo = Photo.Read(Webp(("VP8X", head), ("VP8L", Lossless(2, 2)), ("EXIF", [.. "GPS"u8]), ("XMP ", [.. "me"u8])));
        Assert.Equal(Webp(("VP8X", [0, .. head[1..]]), ("VP8L", Lossless(2, 2))), photo.Bytes);
    }

    /// <summary>Each of them shows the same picture and tells something beside it, each at another place.</summary>
    static IEnumerable<(string Where, byte[] Bytes)> Telling()
    {
        byte[] told = [.. "GPS 51.5 North"u8],
            image = [7, 0xFF, 0, 8],
            end = [0xFF, 0xD9],
            scan = Segment(0xDA, new byte[4]),
            start = [0xFF, 0xD8];
        byte[] jpeg(params byte[][] parts) => [.. start, .. parts.SelectMany(p => p)];
        byte[] frame = Segment(0xC2, Frame(2, 2));
        foreach (byte marker in Enumerable.Range(0xE0, 16).Append(0xFE).Select(m => (byte)m))
        {
            byte[] segment = Segment(marker, [.. "Hello\0"u8, .. new byte[8], .. told]);
            yield return ($"{marker:X2} before the frame", jpeg(segment, frame, scan, image, end));
            yield return ($"{marker:X2} between scans", jpeg(frame, scan, image, segment, scan, image, end));
            yield return ($"{marker:X2} behind fill bytes", jpeg(frame, [0xFF, 0xFF], segment, scan, image, end));
            yield return ($"{marker:X2} after the end", jpeg(frame, scan, image, end, segment));
        }
        yield return (
            "JFIF, small picture",
            jpeg(Segment(0xE0, [.. "JFIF\0"u8, 1, 2, 0, 0, 1, 0, 1, 3, 2, .. told]), frame, scan, image, end)
        );
        yield return ("Adobe, behind it", jpeg(Segment(0xEE, [.. "Adobe"u8, .. new byte[7], .. told]), frame, scan, image, end));
        yield return ("Exif, more than the way up", jpeg(Segment(0xE1, ExifOnItsSide), frame, scan, image, end));
        yield return ("PNG, text", Png(Chunk("iTXt", told)));
        yield return ("PNG, behind its end", [.. Png(), .. Chunk("tEXt", told)]);
        yield return ("PNG, a chunk of nobody", Png(Chunk("meMe", told)));
        byte[] canvas = [0b0000_1110, 0, 0, 0, 1, 0, 0, 1, 0, 0];
        yield return ("WebP, a chunk of nobody", Webp(("VP8X", canvas), ("VP8L", Lossless(2, 2)), ("MEME", told)));
        yield return ("WebP, behind its end", [.. Webp(("VP8L", Lossless(2, 2))), .. told]);
        byte[] inner = Webp(("VP8L", Lossless(2, 2)), ("EXIF", told))[12..];
        byte[] moving = [0, 0, 0, 0, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 0, .. inner];
        yield return ("WebP, within a frame", Webp(("VP8X", canvas), ("ANIM", new byte[6]), ("ANMF", moving)));
    }

    [Fact]
    public void Whatever_tells_something_is_taken_out_wherever_it_stands() =>
        Assert.All(
            Telling(),
            one =>
            {
                byte[] kept = Photo.Read(one.Bytes).Bytes;
                Assert.False(Encoding.Latin1.GetString(kept).Contains("GPS"), one.Where);
                Assert.Equal(kept, Photo.Read(kept).Bytes);
                // A reader of others finds no more in it than sizes, colours and the way up.
                Assert.All(
                    MetadataExtractor.ImageMetadataReader.ReadMetadata(new MemoryStream(kept)),
                    found => Assert.Contains(found.Name, Allowed)
                );
            }
        );

    static readonly string[] Allowed =
    [
        "JPEG",
        "JFIF",
        "Adobe JPEG",
        "Exif IFD0",
        "PNG-IHDR",
        "PNG-gAMA",
        "WebP",
        "File Type",
        "Huffman",
        "ICC Profile",
    ];

    /// <summary>Each says somewhere that it becomes larger than is allowed, or no size at all.</summary>
    static IEnumerable<(string Where, byte[] Bytes)> Huge()
    {
        byte[] huge = Segment(0xC0, Frame(65_535, 65_535)),
            small = Segment(0xC0, Frame(2, 2)),
            rest = [.. Segment(0xDA, new byte[4]), 7, 0xFF, 0xD9];
        yield return ("JPEG", [0xFF, 0xD8, .. huge, .. rest]);
        yield return ("JPEG behind fill bytes", [0xFF, 0xD8, 0xFF, 0xFF, .. huge, .. rest]);
        yield return ("JPEG, the second frame", [0xFF, 0xD8, .. small, .. huge, .. rest]);
        yield return ("JPEG, a frame between scans", [0xFF, 0xD8, .. small, .. rest[..^2], .. huge, .. rest]);
        yield return ("JPEG of no height", [0xFF, 0xD8, .. Segment(0xC0, Frame(2, 0)), .. rest]);
        yield return ("PNG", [.. Png()[..8], .. Chunk("IHDR", PngHead(65_535, 65_535)), .. Png()[33..]]);
        yield return ("PNG, the second header", Png(Chunk("IHDR", PngHead(65_535, 65_535))));
        yield return ("PNG of more than 31 bits", [.. Png()[..8], .. Chunk("IHDR", PngHead(0xFFFF_FFFF, 1)), .. Png()[33..]]);
        byte[] canvas = [0, 0, 0, 0, 0xFF, 0xFF, 0, 0xFF, 0xFF, 0];
        yield return ("WebP, the canvas", Webp(("VP8X", canvas), ("VP8L", Lossless(2, 2))));
        yield return ("WebP, the image", Webp(("VP8L", Lossless(16_384, 16_384))));
        byte[] frame = [0, 0, 0, 0, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 0, .. Webp(("VP8L", Lossless(16_384, 16_384)))[12..]];
        yield return ("WebP, within a frame", Webp(("VP8X", [0, 0, 0, 0, 1, 0, 0, 1, 0, 0]), ("ANMF", frame)));
    }

    [Fact]
    public void A_size_is_believed_from_whatever_header_says_it() =>
        Assert.All(Huge(), one => Assert.Throws<FormatException>(() => Photo.Read(one.Bytes)));

    [Fact]
    public void Exif_of_any_bytes_is_no_more_than_a_way_up() =>
        Check.Sample(
            Gen.Select(Gen.Int[0, 48], Gen.Byte).Array[1, 12],
            changes =>
            {
                byte[] exif = [.. ExifOnItsSide];
                foreach ((int place, byte value) in changes)
                    exif[6 + place % (exif.Length - 6)] = value;
                byte[] kept = Photo.Read(Jpeg(Segment(0xE1, exif))).Bytes;
                Assert.True(kept.Length == Jpeg().Length || kept.Length == Jpeg().Length + 36, $"{kept.Length}");
            },
            iter: 20_000
        );

    static byte[][] NoPictures() =>
        [
            [.. "a text file named .png"u8],
            [],
            [.. "<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"u8],
            [.. "GIF89a"u8, .. new byte[50]],
            [0x89, .. "PNG\r\n\u001a\n"u8],
            Png()[..^6],
            Png()[..40],
            [0xFF, 0xD8, 0xFF],
            [0xFF, 0xD8, .. Segment(0xDA, new byte[4]), 0xFF, 0xD9],
            Jpeg()[..^2],
            Webp(("EXIF", [1])),
            [.. Webp(("VP8 ", [1, 2, 3, 4]))[..^3]],
            [0x89, .. "PNG\r\n\u001a\n"u8, .. Chunk("IDAT", 1), .. Chunk("IEND")],
        ];

    [Fact]
    public void What_is_no_picture_is_refused_whatever_it_is_called() =>
        Assert.All(NoPictures(), bytes => Assert.Throws<FormatException>(() => Photo.Read(bytes)));

    [Fact]
    public void A_picture_may_not_be_too_large() =>
        Assert.Contains("8 MB are allowed", Assert.Throws<FormatException>(() => Photo.Read(new byte[30_000_000])).Message);

    [Fact]
    public void Any_broken_picture_is_refused_with_words_and_never_otherwise() =>
        Check.Sample(
            Gen.Select(Gen.Int[0, 2], Gen.Int[0, 200], Gen.Byte),
            (kind, place, value) =>
            {
                byte[] bytes =
                [
                    .. kind switch
                    {
                        0 => Png(Chunk("eXIf", [.. "GPS"u8])),
                        1 => Jpeg(Segment(0xE1, ExifOnItsSide)),
                        _ => Webp(("VP8X", new byte[10]), ("VP8L", Lossless(2, 2))),
                    },
                ];
                bytes[place % bytes.Length] = value;
                try
                {
                    Photo.Read(bytes);
                }
                catch (FormatException) { }
            },
            iter: 20_000
        );
}
