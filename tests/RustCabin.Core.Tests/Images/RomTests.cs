using System.Text;
using System.Text.Json;
using CsCheck;
using RustCabin.Core.Images;

namespace RustCabin.Core.Tests.Images;

/// <summary>Files, operations and sums of images. Source: docs/handbook/rom.md, Files.</summary>
public class RomTests
{
    static byte[] Ascii(string text) => Encoding.ASCII.GetBytes(text);

    static RomImage Hex(params string[] lines) => RomFile.Read(RomFormat.Ihex, Ascii(string.Join("\r\n", lines)));

    static RomImage Srec(params string[] lines) => RomFile.Read(RomFormat.Srec, Ascii(string.Join("\n", lines)));

    [Fact]
    public void Written_files_read_back_equal() =>
        Gen.Select(Gen.Byte.Array[1, 3000], Gen.OneOf(Gen.Const(RomFormat.Ihex), Gen.Const(RomFormat.Srec)))
            .Sample((image, format) => RomFile.Read(format, RomFile.Write(format, image)).Bytes.SequenceEqual(image), iter: 300);

    [Theory]
    [InlineData(0x10000)]
    [InlineData(0x10001)]
    [InlineData(0x30000)]
    [InlineData(0x1000001)]
    public void Long_images_cross_segments(int size)
    {
        byte[] image = new byte[size];
        new Random(1).NextBytes(image);
        foreach (RomFormat format in (RomFormat[])[RomFormat.Ihex, RomFormat.Srec])
            Assert.True(RomFile.Read(format, RomFile.Write(format, image)).Bytes.AsSpan().SequenceEqual(image));
    }

    [Fact]
    public void A_text_is_as_long_as_its_lines_and_one_of_nothing_has_its_ends()
    {
        static string Text(RomFormat format, byte[] image) => Encoding.ASCII.GetString(RomFile.Write(format, image));
        Assert.Equal(":00000001FF\n", Text(RomFormat.Ihex, []));
        Assert.Equal("S0030000FC\nS9030000FC\n", Text(RomFormat.Srec, []));
        Assert.Equal(":020000000102FB\n:00000001FF\n", Text(RomFormat.Ihex, [1, 2]));
        Assert.Equal("S0030000FC\nS10500000102F7\nS9030000FC\n", Text(RomFormat.Srec, [1, 2]));
        string[] lines = Text(RomFormat.Ihex, new byte[0x20001]).Split('\n');
        Assert.Equal(
            [":020000040001F9", ":020000040002F8"],
            lines.Where(l => l.StartsWith(":02000004", StringComparison.Ordinal))
        );
        Assert.Equal([":0100000000FF", ":00000001FF", ""], lines[^3..]);
    }

    [Fact]
    public void Files_made_elsewhere_are_read_with_gaps_filled()
    {
        RomImage image = Hex(":020000021000EC", ":03000000010203F7", ":02000500AABB94", ":04000005000000CD2A", ":00000001FF");
        Assert.Equal((0x10000ul, 2), (image.From, image.Filled));
        Assert.Equal([1, 2, 3, 0xFF, 0xFF, 0xAA, 0xBB], image.Bytes);
        image = Srec("S00600004844521B", "S1061000010203E3", "S5030001FB", "S9031000EC");
        Assert.Equal([1, 2, 3], image.Bytes);
        Assert.Equal(0x1000ul, image.From);
    }

    [Theory]
    [InlineData(":030000000102F7|:00000001FF", 1, "cut off")]
    [InlineData(":03000000010203F8|:00000001FF", 1, "the checksum is F8, and F7 would be right")]
    [InlineData(":03000000010203F7", 1, "without an end record")]
    [InlineData(":03000000010203F7|:03000200010203F5|:00000001FF", 2, "overlaps")]
    [InlineData(":03000006010203F1|:00000001FF", 1, "type 06")]
    [InlineData(":030000000102ZZF7|:00000001FF", 1, "no hex figure")]
    [InlineData("S1061000010203E3", 1, "begins with a colon")]
    [InlineData(":00000001FF|:03000000010203F7", 2, "after the end")]
    [InlineData(":00000001FF", 1, "no data")]
    public void A_broken_HEX_file_is_told_by_line_and_cause(string lines, int line, string cause)
    {
        RomFileException wrong = Assert.Throws<RomFileException>(() => Hex(lines.Split('|')));
        Assert.Equal(line, wrong.Line);
        Assert.Contains(cause, wrong.Message);
    }

    [Theory]
    [InlineData("S1061000010203E4|S9031000EC", 1, "E3 would be right")]
    [InlineData("S1061000010203E3", 1, "without an end record")]
    [InlineData("S1061000010203E3|S5030002FA|S9031000EC", 2, "counts 2 data records, and 1 were read")]
    [InlineData("S4061000010203E3|S9031000EC", 1, "S4 is not a record that is read")]
    [InlineData("S106100001", 1, "cut off")]
    [InlineData("S1061000010203E300|S9", 1, "longer")]
    [InlineData("S101FE|S9031000EC", 1, "no room")]
    public void A_broken_S_record_file_is_told_by_line_and_cause(string lines, int line, string cause)
    {
        RomFileException wrong = Assert.Throws<RomFileException>(() => Srec(lines.Split('|')));
        Assert.Equal(line, wrong.Line);
        Assert.Contains(cause, wrong.Message);
    }

    [Fact]
    public void Any_text_is_read_or_refused_with_its_line() =>
        Gen.Select(Gen.Char["S:0123456789ABCDEF\n"].Array[0, 120], Gen.Bool)
            .Sample(
                (text, hex) =>
                {
                    try
                    {
                        RomFile.Read(hex ? RomFormat.Ihex : RomFormat.Srec, Ascii(new string(text)));
                    }
                    catch (RomFileException wrong)
                    {
                        Assert.True(wrong.Line >= 0);
                    }
                },
                iter: 20_000
            );

    /// <summary>Runs binutils' objcopy, which ./cabin test installs where it is missing.</summary>
    static byte[] Objcopy(byte[] file, string from, string to)
    {
        string folder = Directory.CreateTempSubdirectory("rom").FullName;
        try
        {
            File.WriteAllBytes(Path.Combine(folder, "in"), file);
            using var copy = System.Diagnostics.Process.Start(
                new System.Diagnostics.ProcessStartInfo(
                    "objcopy",
                    ["-I", from, "-O", to, Path.Combine(folder, "in"), Path.Combine(folder, "out")]
                )
                {
                    RedirectStandardError = true,
                }
            )!;
            string said = copy.StandardError.ReadToEnd();
            copy.WaitForExit();
            Assert.True(copy.ExitCode == 0, said);
            return File.ReadAllBytes(Path.Combine(folder, "out"));
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Theory]
    [InlineData(RomFormat.Ihex, "ihex", 700)]
    [InlineData(RomFormat.Ihex, "ihex", 200_000)]
    [InlineData(RomFormat.Srec, "srec", 700)]
    [InlineData(RomFormat.Srec, "srec", 200_000)]
    public void Another_tools_files_are_read_right_and_ours_by_it(RomFormat format, string name, int size)
    {
        byte[] image = new byte[size];
        new Random(size).NextBytes(image);
        Assert.Equal(image, RomFile.Read(format, Objcopy(image, "binary", name)).Bytes);
        Assert.Equal(image, Objcopy(RomFile.Write(format, image), name, "binary"));
    }

    static IReadOnlyList<byte[]> Run(string ops, params byte[][] images)
    {
        using JsonDocument json = JsonDocument.Parse(ops);
        (IReadOnlyList<RomOp> read, var errors) = RomOp.Read(json.RootElement);
        Assert.Empty(errors);
        return RomOp.Run(images, read);
    }

    [Theory]
    [InlineData("""[{"op":"swap16"}]""", "2 1 4 3 6 5 8 7")]
    [InlineData("""[{"op":"swap32"}]""", "4 3 2 1 8 7 6 5")]
    [InlineData("""[{"op":"reverseWords","bits":16}]""", "7 8 5 6 3 4 1 2")]
    [InlineData("""[{"op":"split","lanes":2}]""", "1 3 5 7|2 4 6 8")]
    [InlineData("""[{"op":"split","lanes":4}]""", "1 5|2 6|3 7|4 8")]
    [InlineData("""[{"op":"split","lanes":2},{"op":"join"}]""", "1 2 3 4 5 6 7 8")]
    [InlineData("""[{"op":"split","lanes":2},{"op":"concat"}]""", "1 3 5 7 2 4 6 8")]
    [InlineData("""[{"op":"double"}]""", "1 2 3 4 5 6 7 8 1 2 3 4 5 6 7 8")]
    [InlineData("""[{"op":"pad","size":"10","fill":0}]""", "1 2 3 4 5 6 7 8 0 0")]
    [InlineData("""[{"op":"pad","size":9}]""", "1 2 3 4 5 6 7 8 255")]
    [InlineData("""[{"op":"slice","from":2,"size":"3"}]""", "3 4 5")]
    [InlineData("""[{"op":"slice","from":6}]""", "7 8")]
    [InlineData("""[{"op":"checksum","kind":"sum16","at":0}]""", "0 33 3 4 5 6 7 8")]
    [InlineData("""[{"op":"checksum","kind":"sum32","at":4,"from":0,"size":4,"little":true}]""", "1 2 3 4 10 0 0 0")]
    [InlineData("[]", "1 2 3 4 5 6 7 8")]
    public void An_operation_does_what_it_says(string ops, string result) =>
        Assert.Equal(result, string.Join('|', Run(ops, [1, 2, 3, 4, 5, 6, 7, 8]).Select(i => string.Join(' ', i))));

    [Theory]
    [InlineData("""[{"op":"swap16"}]""", 0)]
    [InlineData("""[{"op":"double"},{"op":"swap32"}]""", 1)]
    [InlineData("""[{"op":"split","lanes":2}]""", 0)]
    [InlineData("""[{"op":"pad","size":"2"}]""", 0)]
    [InlineData("""[{"op":"slice","from":2,"size":"2"}]""", 0)]
    [InlineData("""[{"op":"pad","size":"1G"}]""", 0)]
    public void What_does_not_go_with_the_image_is_refused_at_its_place(string ops, int at) =>
        Assert.Equal(at, Assert.Throws<RomOpException>(() => Run(ops, [1, 2, 3])).At);

    [Fact]
    public void Swaps_and_splits_undo_themselves() =>
        Gen
            .Byte.Array[0, 400]
            .Select(b => b[..(b.Length / 4 * 4)])
            .Sample(image =>
                image.SequenceEqual(
                    Run(
                        """[{"op":"swap16"},{"op":"swap16"},{"op":"swap32"},{"op":"swap32"},{"op":"split","lanes":4},{"op":"join"},{"op":"reverseWords"},{"op":"reverseWords"}]""",
                        image
                    )[0]
                )
            );

    [Fact]
    public void An_image_is_told_by_its_sums()
    {
        RomInspection seen = RomInspection.Of("123456789"u8);
        Assert.Equal(("cbf43926", "f7c3bc1d808e04732adf679965ccc34ca7ae3441", 477u), (seen.Crc32, seen.Sha1, seen.Sum16));
        Assert.Equal("15e2b0d3c33891ebb0f1ef609ec419420c20e320ce94c65fbc8c3312448eb225", seen.Sha256);
        seen = RomInspection.Of([1, 0xFF, 1, 0xFF]);
        Assert.Equal(
            (4, 2, true, 512u, ByteOrder.Unknown),
            (seen.Size, seen.BlankBytes, seen.RepeatedHalves, seen.Sum32, seen.ByteOrder)
        );
    }

    [Fact]
    public void Text_tells_the_byte_order()
    {
        byte[] text = Ascii("The harbour office keeps another list of the tides.!");
        Assert.Equal(ByteOrder.Straight, RomInspection.Of(text).ByteOrder);
        Assert.Equal(ByteOrder.Swapped, RomInspection.Of(Run("""[{"op":"swap16"}]""", text)[0]).ByteOrder);
    }
}
