using RustCabin.Core.Chips;
using RustCabin.Core.Rom;

namespace RustCabin.Core.Tests.Rom;

public sealed class RomVectorsTests
{
    static Machine With(string order, string vectors) =>
        new()
        {
            AddressBits = 24,
            DataBits = 16,
            Claims = """{ "id": "rom", "kind": "rom", "base": "0x1C0000", "size": "256K", "sockets": ["rom"] }""",
            More =
                $$""", "byteOrder": "{{order}}", "vectors": [{{vectors}}], "sites": [ { "id": "rom", "kind": "socket", "pinout": [{{string.Join(',', RomDevice.Find("27C400")!.Pins.Select(p => $"\"{p}\""))}}] } ]""",
            Job = """ "roms": [ { "site": "rom", "device": "27C400" } ]""",
        };

    const string Start = """{ "id": "start", "at": "0x1C0004", "bytes": 4 }""";

    static byte[] Holding(params byte[] bytes)
    {
        byte[] image = new byte[256 << 10];
        bytes.CopyTo(image, 4);
        return image;
    }

    [Theory]
    [InlineData("high-first", new byte[] { 0x00, 0x1C, 0x00, 0xD2 }, true, "start at 0x1c_0004: 0x1c_00d2, in Test rom")]
    [InlineData("low-first", new byte[] { 0xD2, 0x00, 0x1C, 0x00 }, true, "start at 0x1c_0004: 0x1c_00d2, in Test rom")]
    [InlineData(
        "high-first",
        new byte[] { 0x00, 0x12, 0x34, 0x56 },
        false,
        "start at 0x1c_0004: 0x12_3456, where no memory answers"
    )]
    [InlineData(
        "high-first",
        new byte[] { 0x1C, 0x00, 0xD2, 0x00 },
        false,
        "beyond the last address; with the bytes of its words swapped it is 0x1c_00d2: this image is swapped"
    )]
    public void A_vector_is_read_in_the_machine_s_order_and_its_target_named(string order, byte[] bytes, bool sound, string words)
    {
        VectorSeen seen = Assert.Single(RomVectors.Of(With(order, Start).Planned, "rom", Holding(bytes)));
        Assert.Equal(sound, seen.Sound);
        Assert.EndsWith(words, seen.Words);
    }

    [Theory]
    [InlineData("0x1FFFFC", 1)]
    [InlineData("0x1FFFFD", 0)]
    [InlineData("0x1BFFFF", 0)]
    public void Only_vectors_that_lie_in_the_image_are_told(string at, int told) =>
        Assert.Equal(
            told,
            RomVectors.Of(With("high-first", Start.Instead("0x1C0004", at)).Planned, "rom", new byte[256 << 10]).Count
        );

    [Fact]
    public void What_is_written_reads_back_sound()
    {
        byte[] image = new byte[256 << 10];
        Core.Planning.PlannedUnit unit = With("high-first", Start).Planned;
        RomVectors.Write(unit, "rom", image);
        Assert.Equal(
            (0x1C0100ul, true),
            (RomVectors.Of(unit, "rom", image)[0].Target, RomVectors.Of(unit, "rom", image)[0].Sound)
        );
    }
}
