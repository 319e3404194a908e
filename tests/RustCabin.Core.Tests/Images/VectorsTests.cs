using System.Text;
using RustCabin.Core.Images;

namespace RustCabin.Core.Tests.Images;

/// <summary>Sixteen bytes at a time is the same as byte by byte, at every length around a vector's.</summary>
public sealed class VectorsTests
{
    static byte[] Bytes(int length)
    {
        byte[] bytes = new byte[length];
        new Random(length).NextBytes(bytes);
        return bytes;
    }

    public static TheoryData<int> Words => [1, 2, 3, 4, 5, 6, 7, 8];

    [Theory]
    [MemberData(nameof(Words))]
    public void Words_turn_round_the_same(int word)
    {
        for (int words = 0; words < 100; words++)
        {
            byte[] image = Bytes(words * word),
                quick = new byte[image.Length],
                plain = new byte[image.Length];
            Vectors.ReverseWords(image, quick, word);
            Vectors.Plain.ReverseWords(image, plain, word);
            Assert.Equal(plain, quick);
        }
    }

    [Theory]
    [MemberData(nameof(Words))]
    public void Lanes_part_and_join_the_same(int lanes)
    {
        for (int each = 0; each < 100; each++)
        {
            byte[] image = Bytes(each * lanes);
            byte[][] quick = [.. Enumerable.Range(0, lanes).Select(_ => new byte[each])],
                plain = [.. Enumerable.Range(0, lanes).Select(_ => new byte[each])];
            Vectors.Split(image, quick);
            Vectors.Plain.Split(image, plain);
            Assert.Equal(plain, quick);
            byte[] joined = new byte[image.Length],
                plainly = new byte[image.Length];
            Vectors.Join(quick, joined);
            Vectors.Plain.Join(quick, plainly);
            Assert.Equal(image, joined);
            Assert.Equal(image, plainly);
        }
    }

    [Fact]
    public void Sums_are_the_same_and_hold_the_largest()
    {
        for (int length = 0; length < 300; length++)
            Assert.Equal(Vectors.Plain.Sum(Bytes(length)), Vectors.Sum(Bytes(length)));
        byte[] most = new byte[1 << 16];
        most.AsSpan().Fill(255);
        Assert.Equal(255 << 16, Vectors.Sum(most));
    }

    [Fact]
    public void Figures_of_base_16_are_read_the_same_in_capitals_and_small()
    {
        for (int length = 0; length < 300; length++)
        {
            byte[] bytes = Bytes(length),
                quick = new byte[length + 1],
                plain = new byte[length + 1];
            foreach (string text in (string[])[Convert.ToHexString(bytes), Convert.ToHexStringLower(bytes)])
            {
                Assert.True(Vectors.FromHex(Encoding.ASCII.GetBytes(text), quick));
                Assert.True(Vectors.Plain.FromHex(Encoding.ASCII.GetBytes(text), plain));
                Assert.Equal(bytes, quick[..length]);
                Assert.Equal(bytes, plain[..length]);
                Assert.Equal(0, quick[length]);
                Assert.False(Vectors.FromHex(Encoding.ASCII.GetBytes(text + "0"), quick));
            }
        }
    }

    [Fact]
    public void Every_sign_that_is_no_figure_is_refused_at_every_place()
    {
        foreach (int length in (int[])[2, 30, 32, 34, 62, 64, 66, 74])
            for (int place = 0; place < length; place++)
            for (int sign = 0; sign < 256; sign++)
            {
                byte[] text = [.. Enumerable.Repeat((byte)'7', length)];
                text[place] = (byte)sign;
                Assert.Equal(char.IsAsciiHexDigit((char)sign), Vectors.FromHex(text, new byte[length / 2]));
            }
    }

    [Fact]
    public void What_is_wrong_with_a_record_is_told_from_its_head_on()
    {
        byte[] text = RomFile.Write(RomFormat.Ihex, Bytes(32));
        for (int place = 1; place < 75; place++)
        {
            byte[] wrong = [.. text];
            wrong[place] = (byte)'g';
            Assert.Contains("no hex figure", Told(wrong));
            // A head that cannot be read says nothing of the length; one that can is held against it first.
            string cut = Told([.. wrong[..70], .. wrong[72..]]);
            Assert.Contains(place < 9 ? "no hex figure" : "the record is cut off", cut);
        }

        static string Told(byte[] file) => Assert.Throws<RomFileException>(() => RomFile.Read(RomFormat.Ihex, file)).Message;
    }

    [Fact]
    public void A_HEX_file_is_as_long_as_was_counted_at_every_edge()
    {
        foreach (int length in (int[])[1, 31, 32, 33, 65535, 65536, 65537, 131071, 131072, 131073, 200_001])
        {
            byte[] image = Bytes(length);
            byte[] text = RomFile.Write(RomFormat.Ihex, image);
            Assert.Equal((byte)'\n', text[^1]);
            Assert.Equal(":00000001FF\n"u8.ToArray(), text[^12..]);
            Assert.Equal(image, RomFile.Read(RomFormat.Ihex, text).Bytes);
        }
    }
}
