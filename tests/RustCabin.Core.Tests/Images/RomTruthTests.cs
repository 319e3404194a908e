using System.Text;
using RustCabin.Core.Images;

namespace RustCabin.Core.Tests.Images;

/// <summary>What was told wrongly of images once, each by its number and by a hair.</summary>
public class RomTruthTests
{
    [Fact]
    public void Noise_has_no_byte_order()
    {
        for (int seed = 0; seed < 180; seed++)
        {
            byte[] noise = new byte[1 << 10 + seed % 9];
            new Random(seed).NextBytes(noise);
            Assert.Equal(ByteOrder.Unknown, RomInspection.Of(noise).ByteOrder);
        }
    }

    static byte[] Hex(params string[] lines) => Encoding.ASCII.GetBytes(string.Join('\n', lines) + "\n");

    static string Record(params byte[] bytes) => ":" + Convert.ToHexString([.. bytes, (byte)-bytes.Sum(b => b)]);

    static string SRecord(int type, params byte[] rest)
    {
        byte[] counted = [(byte)(rest.Length + 1), .. rest];
        return $"S{type}" + Convert.ToHexString([.. counted, (byte)~counted.Sum(b => b)]);
    }

    const string End = ":00000001FF";

    [Fact]
    public void A_linear_record_goes_on_over_64_KiB_and_a_segment_does_not()
    {
        string data = Record(2, 0xFF, 0xFF, 0, 1, 2);
        Assert.Equal([1, 2], RomFile.Read(RomFormat.Ihex, Hex(Record(2, 0, 0, 4, 0, 1), data, End)).Bytes);
        Assert.Equal(
            "line 2: the record runs over the end of its segment",
            Assert
                .Throws<RomFileException>(() => RomFile.Read(RomFormat.Ihex, Hex(Record(2, 0, 0, 2, 0x10, 0), data, End)))
                .Message
        );
    }

    [Fact]
    public void Both_forms_refuse_what_runs_past_the_last_address_and_take_what_ends_on_it()
    {
        Assert.Equal([1], RomFile.Read(RomFormat.Ihex, Hex(Record(1, 0xFF, 0xFF, 0, 1), End)).Bytes);
        Assert.Equal([1], RomFile.Read(RomFormat.Srec, Hex(SRecord(1, 0xFF, 0xFF, 1), SRecord(9, 0, 0))).Bytes);
        foreach (
            (RomFormat format, byte[] text) in ((RomFormat, byte[])[])
                [
                    (RomFormat.Ihex, Hex(Record(2, 0xFF, 0xFF, 0, 1, 2), End)),
                    (RomFormat.Srec, Hex(SRecord(1, 0xFF, 0xFF, 1, 2), SRecord(9, 0, 0))),
                ]
        )
            Assert.Equal(
                "line 1: the record runs past the last address, 0xffff",
                Assert.Throws<RomFileException>(() => RomFile.Read(format, text)).Message
            );
    }

    [Theory]
    [InlineData("\r")]
    [InlineData("\r\n")]
    [InlineData("\n")]
    public void Lines_may_end_as_old_systems_end_them_and_close_with_ctrl_z(string end)
    {
        byte[] text = Encoding.ASCII.GetBytes(Record(1, 0, 0, 0, 7) + end + End + end + "\x1A");
        Assert.Equal([7], RomFile.Read(RomFormat.Ihex, text).Bytes);
        text = Encoding.ASCII.GetBytes(SRecord(1, 0, 0, 7) + end + SRecord(9, 0, 0) + end + "\x1A\x1A");
        Assert.Equal([7], RomFile.Read(RomFormat.Srec, text).Bytes);
    }

    [Theory]
    [InlineData(3, 1, true)]
    [InlineData(4, 0, false)]
    [InlineData(3, 2, false)]
    [InlineData(9, 1, false)]
    public void A_slice_ends_with_the_image(uint from, uint size, bool there)
    {
        var slice = new Slice { From = new(from), Size = new(size) };
        if (there)
            Assert.Equal(
                [4],
                RomOp.Run(
                    [
                        [1, 2, 3, 4],
                    ],
                    [slice]
                )[0]
            );
        else
            Assert.Throws<RomOpException>(() =>
                RomOp.Run(
                    [
                        [1, 2, 3, 4],
                    ],
                    [slice]
                )
            );
    }

    [Fact]
    public void One_wrong_bit_is_one_wrong_bit_and_no_wrong_chip()
    {
        byte[] image = PracticeImage.Make(4096),
            dump = [.. image];
        dump[0x1F2] ^= 0x08;
        Compared one = RomCompare.Of(image, dump);
        Assert.Equal((Difference.Other, 1L, 0x1F2L), (one.Cause, one.WrongBytes, one.FirstWrong));
        Assert.Contains(
            $"1 byte differs, at 0x1f2: 0x{image[0x1F2]:x2} is wanted, 0x{dump[0x1F2]:x2} was read, in D3 alone.",
            one.Words
        );
        dump[0x2F0] ^= 0x08;
        Assert.EndsWith("2 of 4,096 bytes differ, from 0x1f2 to 0x2f0, in D3 alone.", RomCompare.Of(image, dump).Words);
    }

    [Fact]
    public void A_chip_of_a_pair_that_holds_something_else_is_still_told()
    {
        byte[] image = PracticeImage.Make(4096),
            dump = [.. image];
        for (int i = 0; i < dump.Length; i += 2)
            dump[i] ^= (byte)(i / 2 % 7 + 1);
        Compared lane = RomCompare.Of(image, dump);
        Assert.Equal(Difference.LaneWrong, lane.Cause);
        Assert.Contains("Only lane 0 of 2 is wrong", lane.Words);
        Assert.Contains("2,048 of 4,096 bytes differ", lane.Words);
    }
}
