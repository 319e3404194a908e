using System.Buffers.Binary;
using System.Text;
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

    static byte[] Png(params byte[][] between) =>
        [
            0x89,
            .. "PNG\r\n\u001a\n"u8,
            .. Chunk("IHDR", new byte[13]),
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
            .. Segment(0xC0, new byte[9]),
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
                Segment(0xE0, [.. "JFIF\0"u8]),
                Segment(0xE1, ExifOnItsSide),
                Segment(0xE1, [.. "http://ns.adobe.com/xap"u8]),
                Segment(0xFE, [.. "me"u8])
            )
        );
        string text = Encoding.Latin1.GetString(photo.Bytes);
        Assert.DoesNotContain("GPS", text);
        Assert.DoesNotContain("xap", text);
        Assert.DoesNotContain("me", text);
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
        Photo photo = Photo.Read(Webp(("VP8X", head), ("VP8L", [1, 2, 3]), ("EXIF", [.. "GPS"u8]), ("XMP ", [.. "me"u8])));
        Assert.Equal(Webp(("VP8X", [0, .. head[1..]]), ("VP8L", [1, 2, 3])), photo.Bytes);
    }

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
        CsCheck.Check.Sample(
            CsCheck.Gen.Select(CsCheck.Gen.Int[0, 2], CsCheck.Gen.Int[0, 200], CsCheck.Gen.Byte),
            (kind, place, value) =>
            {
                byte[] bytes =
                [
                    .. kind switch
                    {
                        0 => Png(Chunk("eXIf", [.. "GPS"u8])),
                        1 => Jpeg(Segment(0xE1, ExifOnItsSide)),
                        _ => Webp(("VP8X", new byte[10]), ("VP8L", [1, 2, 3])),
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
