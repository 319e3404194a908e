using System.Text.Encodings.Web;
using System.Text.Json;
using RustCabin.Core.Pasted;

namespace RustCabin.Core.Tests.Pasted;

/// <summary>Lines as manuals, guides and lists print them, and what each is read as.</summary>
public sealed class PasteTests
{
    static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web)
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>What was read of a line, and a question mark behind it where there is a doubt.</summary>
    static string Said(PastedLine line) =>
        string.Join(" ", line.Read.Select(r => JsonSerializer.Serialize(r, r.GetType(), Plain).Replace("\"", "")))
        + (line.Doubt is null ? "" : "?");

    static Paste Read(PasteKind? kind, string text, int? bits = null) =>
        Paste.Of(
            new PasteAsked
            {
                Text = text,
                As = kind,
                AddressBits = bits,
            }
        );

    [Theory]
    [InlineData("0000-3FFF ROM", "{kind:rom,name:ROM,from:0,to:16383,size:16384}")]
    [InlineData("$2000 to $9FFF: work RAM", "{kind:ram,name:work RAM,from:8192,to:40959,size:32768}")]
    [InlineData("0100H-01FFH  stack", "{kind:ram,name:stack,from:256,to:511,size:256}")]
    [InlineData("ROM0 at 8000h, 16 KB", "{kind:rom,name:ROM0,from:32768,to:49151,size:16384}")]
    [InlineData("| $D000 | $D7FF | registers |", "{kind:io,name:registers,from:53248,to:55295,size:2048}")]
    [InlineData("8255 chip D000-D003 ports", "{kind:io,name:8255 chip ports,from:53248,to:53251,size:4}")]
    [InlineData("bank 0-3 at 4000-7FFF RAM", "{kind:ram,name:bank 0-3 RAM,from:16384,to:32767,size:16384}")]
    [InlineData("bank at 4000-7FFF", "{kind:window,name:bank,from:16384,to:32767,size:16384}")]
    [InlineData("40000,7FFFF,RAM card", "{kind:ram,name:RAM card,from:262144,to:524287,size:262144}")]
    [InlineData("65,536 to 131,071 RAM", "{kind:ram,name:RAM,from:65536,to:131071,size:65536}")]
    [InlineData("0x0001_0000..0x0001'FFFF flash", "{kind:rom,name:flash,from:65536,to:131071,size:65536}")]
    [InlineData("1. $8000-$9FFF ROM", "{kind:rom,name:ROM,from:32768,to:40959,size:8192}")]
    [InlineData("$A000 status register", "{kind:io,name:status register,from:40960,to:40960,size:1}")]
    [InlineData("A000 BFFF unused", "{kind:free,name:unused,from:40960,to:49151,size:8192}")]
    [InlineData("0000-3FFF RAM 8K", "{kind:ram,name:RAM,from:0,to:16383,size:16384}?")]
    [InlineData("$8000-$9FFF RAM, mirror of $A000", "{kind:ram,name:RAM, mirror of $A000,from:32768,to:40959,size:8192}?")]
    [InlineData("D800-DBFF colour", "{kind:null,name:colour,from:55296,to:56319,size:1024}?")]
    [InlineData("E000-DFFF RAM", "?")]
    [InlineData("work RAM", "?")]
    [InlineData("address  size  use", "")]
    [InlineData("--------------", "")]
    [InlineData("# the map", "")]
    [InlineData("Upper half:", "")]
    public void Maps(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Map, line).Lines)));

    [Theory]
    [InlineData("0 to 16383 ROM\n16384 to 32767 RAM", 16, "0,16383 16384,32767")]
    [InlineData("0-8191 RAM\n8192-16383 ROM", 16, "0,8191 8192,16383")]
    [InlineData("1000 1999 RAM\n2000 2999 ROM", null, "1000,1999 2000,2999")]
    [InlineData("1000-4000 RAM\n6000-7000 ROM", null, "4096,16384 24576,28672")]
    [InlineData("0-4000 RAM\n6000-7000 ROM", null, "0,4000 6000,7000")]
    [InlineData("Start Size Use\n0000 4000 ROM\n4000 2000 RAM", null, "0,16383 16384,24575")]
    [InlineData("0000-4000 ROM\n4000-8000 RAM", null, "0,16383? 16384,32767?")]
    [InlineData("0000-4000 ROM\n4001-8000 RAM", null, "0,16384 16385,32768")]
    [InlineData("$F000-$12FFF ROM", 16, "61440,77823?")]
    public void Bases_and_ends_are_judged_over_the_whole_text(string text, int? bits, string expected) =>
        Assert.Equal(
            expected,
            string.Join(
                " ",
                Read(PasteKind.Map, text, bits)
                    .Lines.SelectMany(l =>
                        l.Read.Cast<PastedRange>().Select(r => $"{r.From},{r.To}{(l.Doubt is null ? "" : "?")}")
                    )
            )
        );

    [Theory]
    [InlineData("W4 closed = 2M", "{positions:{W4:closed},means:2M,size:2097152,at:null}")]
    [InlineData(
        "W4 closed, W5 open = 512K at 0x80000",
        "{positions:{W4:closed,W5:open},means:512K at 0x80000,size:524288,at:524288}"
    )]
    [InlineData(
        "W4: closed 2M, open 1M",
        "{positions:{W4:closed},means:2M,size:2097152,at:null} {positions:{W4:open},means:1M,size:1048576,at:null}"
    )]
    [InlineData(
        "J3 1-2: 50 Hz, 2-3: 60 Hz",
        "{positions:{J3:1-2},means:50 Hz,size:null,at:null} {positions:{J3:2-3},means:60 Hz,size:null,at:null}"
    )]
    [InlineData("S1-3 on -> 9600 baud", "{positions:{S1-3:closed},means:9600 baud,size:null,at:null}")]
    [InlineData("S1.4 off : base C000", "{positions:{S1-4:open},means:base C000,size:null,at:49152}")]
    [InlineData("S1/2 1 S1/3 0 = 64K", "{positions:{S1-2:closed,S1-3:open},means:64K,size:65536,at:null}")]
    [InlineData("S1: 3 on = RAM at $4000", "{positions:{S1-3:closed},means:RAM at $4000,size:null,at:16384}")]
    [InlineData("S2: 1 on, 2 off = slow", "{positions:{S2-1:closed,S2-2:open},means:slow,size:null,at:null}")]
    [InlineData("W6 in position A = fast", "{positions:{W6:A},means:fast,size:null,at:null}")]
    [InlineData("W2 shorted 1-2 = x", "{positions:{W2:1-2},means:x,size:null,at:null}")]
    [InlineData("W1  in   W2  out   1 MB", "{positions:{W1:closed,W2:open},means:1 MB,size:1048576,at:null}")]
    [InlineData("JP2 fitted", "{positions:{JP2:closed},means:null,size:null,at:null}?")]
    [InlineData("If W4 closed = 2M", "?")]
    [InlineData("JP1 not fitted = locked", "?")]
    public void Switches(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Switches, line).Lines)));

    [Fact]
    public void A_heading_names_the_switches_of_the_rows_below_it()
    {
        string[] said =
        [
            .. Read(PasteKind.Switches, "S1 S2 S3  Memory\n0 0 1  512K\non off on  1M\n0 1  oops").Lines.Select(Said),
        ];
        Assert.Equal("", said[0]);
        Assert.Equal("{positions:{S1:open,S2:open,S3:closed},means:512K,size:524288,at:null}", said[1]);
        Assert.Equal("{positions:{S1:closed,S2:open,S3:closed},means:1M,size:1048576,at:null}", said[2]);
        Assert.Equal("{positions:{S1:open,S2:closed},means:oops,size:null,at:null}?", said[3]);
    }

    [Theory]
    [InlineData("1 VPP  28 VCC", "{leg:1,net:VPP} {leg:28,net:VCC}")]
    [InlineData("VPP |1  28| VCC", "{leg:1,net:VPP} {leg:28,net:VCC}")]
    [InlineData("2 /CE  27 WE#", "{leg:2,net:/CE} {leg:27,net:/WE}")]
    [InlineData("8 -RAS  9 CAS_N", "{leg:8,net:/RAS} {leg:9,net:/CAS}")]
    [InlineData("4 nCE 5 n/c", "{leg:4,net:/CE} {leg:5,net:n}")]
    [InlineData("6 !OE 7 ~WE", "{leg:6,net:/OE} {leg:7,net:/WE}")]
    [InlineData("7 R/W#", "{leg:7,net:R/W#}")]
    [InlineData("6 -5V", "{leg:6,net:-5V}")]
    [InlineData("3-A15", "{leg:3,net:A15}")]
    [InlineData("pin 12 = GND", "{leg:12,net:GND}")]
    [InlineData("10 D0 data bit 0", "{leg:10,net:D0}")]
    [InlineData("3 A7 see pin 5 note", "{leg:3,net:A7}")]
    [InlineData("13 DATA OUT", "{leg:13,net:DATA}?")]
    [InlineData("5 A6 6 A5 7 A4", "{leg:5,net:A6} {leg:6,net:A5}?")]
    [InlineData("no pins here", "?")]
    public void Pinouts(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Pinout, line).Lines)));

    [Theory]
    [InlineData("J1: GND, R, G", "{contact:1,net:GND} {contact:2,net:R} {contact:3,net:G}")]
    [InlineData("GND R SYNC*", "{contact:1,net:GND} {contact:2,net:R} {contact:3,net:/SYNC}")]
    [InlineData("GND,,R", "{contact:1,net:GND} {contact:3,net:R}?")]
    [InlineData("1 GND 2 R 3 G", "{contact:1,net:GND} {contact:2,net:R} {contact:3,net:G}")]
    public void Contacts(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Contacts, line).Lines)));

    [Theory]
    [InlineData("8x 4164 U1-U3 U5 0.90", "{count:8,what:4164,refs:[U1,U2,U3,U5],price:0.90}?")]
    [InlineData("4 x 4164 U1-U3 U5 0.90", "{count:4,what:4164,refs:[U1,U2,U3,U5],price:0.90}")]
    [InlineData("74LS138 U12, U13 € 0.45", "{count:2,what:74LS138,refs:[U12,U13],price:0.45}")]
    [InlineData("100 nF C1-C2", "{count:2,what:100 nF,refs:[C1,C2],price:null}")]
    [InlineData("10 pcs 2.54 mm header", "{count:10,what:2.54 mm header,refs:[],price:null}")]
    [InlineData("12 pcs header 2.54 mm @ 0.15 each", "{count:12,what:header 2.54 mm,refs:[],price:0.15}")]
    [InlineData("1,27C512,U5,2.75", "{count:1,what:27C512,refs:[U5],price:2.75}")]
    [InlineData("74LS00 | 4 | U1-U4 | 0.30", "{count:4,what:74LS00,refs:[U1,U2,U3,U4],price:0.30}")]
    [InlineData("8 4164 DRAM 1.10", "{count:8,what:4164 DRAM,refs:[],price:1.10}")]
    [InlineData("R5-R8  4k7  x4", "{count:4,what:4k7,refs:[R5,R6,R7,R8],price:null}")]
    [InlineData("regulator", "?")]
    [InlineData("Resistor 470", "{count:470,what:Resistor,refs:[],price:null}?")]
    public void Parts(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Parts, line).Lines)));

    [Theory]
    [InlineData("Harbour Run, 640 KB", "{name:Harbour Run,bytes:655360,discs:null,region:null}")]
    [InlineData("Rust and Tide  2 discs  PAL", "{name:Rust and Tide,bytes:null,discs:2,region:PAL}")]
    [InlineData("Pier Pilot needs 512K RAM (Europe)", "{name:Pier Pilot,bytes:524288,discs:null,region:Europe}")]
    [InlineData("Dune Walker - 1 disc, needs 1M, 50Hz", "{name:Dune Walker,bytes:1048576,discs:1,region:50Hz}")]
    [InlineData("Fog Signal", "?")]
    public void Titles(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Titles, line).Lines)));

    [Theory]
    [InlineData("1. Lift pin 45 of U7.", "{do:lift,chip:U7,pins:[45]}")]
    [InlineData("lift leg 3 of IC4 (and 5, 6)", "{do:lift,chip:IC4,pins:[3,5,6]}")]
    [InlineData("Lift pins 3, 4, and 5 of U7 and pin 9 of U8", "{do:lift,chip:U7,pins:[3,4,5]} {do:lift,chip:U8,pins:[9]}")]
    [InlineData(
        "Lift U7-45, then cut the trace between TP3 and R14 left.",
        "{do:lift,chip:U7,pins:[45]} {do:cut,between:[TP3,R14 left]}"
    )]
    [InlineData("run a 60 mm red wire from U7.45 to pad CLK", "{do:wire,from:U7.45,to:pad CLK,mm:60,colour:red}")]
    [InlineData("Wire TP1 to TP2 with a 3 inch white wire", "{do:wire,from:TP1,to:TP2,mm:76.2,colour:white}")]
    [InlineData("wire U7 pin 45 to TP3, 6 cm, blue", "{do:wire,from:U7.45,to:TP3,mm:60,colour:blue}")]
    [InlineData("Connect U7-45 -> U9-3", "{do:wire,from:U7.45,to:U9.3,mm:null,colour:null}")]
    [InlineData(
        "connect pin 4 of U2 to pin 9 of U3 and TP1",
        "{do:wire,from:U2.4,to:U3.9,mm:null,colour:null} {do:wire,from:U2.4,to:TP1,mm:null,colour:null}"
    )]
    [InlineData("Solder a 5 cm blue wire between U7.3 and U8.4", "{do:wire,from:U7.3,to:U8.4,mm:50,colour:blue}")]
    [InlineData("Bridge L2 and L3", "{do:link,point:L2} {do:link,point:L3}")]
    [InlineData("short U7.1 and U7.2", "{do:wire,from:U7.1,to:U7.2,mm:null,colour:null}")]
    [InlineData("close L4 with a blob of solder", "{do:link,point:L4}")]
    [InlineData("Socket U6; remove R14 and R15", "{do:socket,chip:U6} {do:remove,point:R14} {do:remove,point:R15}")]
    [InlineData("scrape the mask at V7", "{do:scrape,point:V7}")]
    [InlineData("cut the trace at V7", "{do:cut,where:V7}")]
    [InlineData("bend pin 45 of U7 up", "{do:bend,where:U7.45 up}")]
    [InlineData("close the case", "?")]
    [InlineData("Remove the 4 screws", "?")]
    [InlineData("lift U7.45 and wire it to TP3", "{do:lift,chip:U7,pins:[45]}?")]
    [InlineData("do not lift U7.45", "?")]
    [InlineData("Optional: bridge L9", "?")]
    [InlineData("Take a break", "?")]
    public void Acts(string line, string expected) =>
        Assert.Equal(expected, Said(Assert.Single(Read(PasteKind.Acts, line).Lines)));

    [Fact]
    public void A_heading_with_a_condition_puts_a_doubt_on_the_lines_below_it()
    {
        string[] said =
        [
            .. Read(PasteKind.Acts, "For rev B boards:\nlift U7.46\nremove R3\nGeneral steps:\nlift U7.47").Lines.Select(Said),
        ];
        Assert.Equal(["", "{do:lift,chip:U7,pins:[46]}?", "{do:remove,point:R3}?", "", "{do:lift,chip:U7,pins:[47]}"], said);
    }

    [Theory]
    [InlineData(
        "total 8\n-rw-r--r-- 1 me me  123 Jan  1 12:00 menu.bin\ndrwxr-xr-x 2 me me 4096 Jan 1 12:00 games",
        "menu.bin 123"
    )]
    [InlineData(
        "/mnt/card:\ntotal 8\n-rw-r--r-- 1 me me 12 Jan  1  2024 a b.bin\n\n"
            + "/mnt/card/sub:\n-rw-r--r-- 1 me me 13 Jan  1 12:00 b.bin",
        "a b.bin 12|sub/b.bin 13"
    )]
    [InlineData(
        " Directory of D:\\\n01/02/2026  12:00 PM    <DIR>  GAMES\n01/02/2026  12:00 PM  1,234 MENU.BIN\n 1 File(s) 1,234 bytes\n"
            + " Directory of D:\\GAMES\n01/02/2026  12:00 PM  65,536 RUN.IMG",
        "MENU.BIN 1234|GAMES/RUN.IMG 65536"
    )]
    [InlineData(".\n./sub\n./sub/a.bin\n./b.bin", "sub/a.bin |b.bin ")]
    [InlineData("Archive:  c.zip\n  Length  Date  Time  Name\n 123  2026-01-02 12:00  d/n.bin\n 123   1 file", "d/n.bin 123")]
    public void Listings(string text, string expected)
    {
        IReadOnlyList<PastedLine> lines = Read(PasteKind.Listing, text).Lines;
        Assert.Equal(
            expected,
            string.Join("|", lines.SelectMany(l => l.Read.Cast<PastedFile>().Select(f => $"{f.Path} {f.Bytes}")))
        );
        Assert.DoesNotContain(lines, l => l.Doubt is not null);
    }

    [Theory]
    [InlineData(PasteKind.Acts, "lift U7.45\nwire U7.45 to TP3")]
    [InlineData(PasteKind.Listing, "-rw-r--r-- 1 me me  123 Jan  1 12:00 menu.bin")]
    [InlineData(PasteKind.Map, "0000-3FFF ROM\n4000-FFFF RAM")]
    [InlineData(PasteKind.Switches, "W4 closed = 2M\nW4 open = 1M")]
    [InlineData(PasteKind.Pinout, "1 VPP 28 VCC\n2 A12 27 /PGM")]
    [InlineData(PasteKind.Contacts, "GND, R, G, B")]
    [InlineData(PasteKind.Parts, "8x 4164 U1-U8\n2x 74LS138 U9, U10")]
    [InlineData(PasteKind.Titles, "Pier Pilot, 512K\nFog Signal, 2 discs")]
    public void The_kind_is_found(PasteKind kind, string text) => Assert.Equal(kind, Read(null, text).As);

    [Fact]
    public void Lines_are_numbered_and_kept_as_they_were()
    {
        IReadOnlyList<PastedLine> lines = Read(PasteKind.Map, "\n  0000-3FFF ROM  \r\n\n4000-7FFF RAM\n").Lines;
        Assert.Equal([(2, "  0000-3FFF ROM  "), (4, "4000-7FFF RAM")], lines.Select(l => (l.Line, l.Text)));
    }

    [Fact]
    public void Two_thousand_lines_of_any_kind_are_read_in_time()
    {
        string text = string.Join(
            "\n",
            Enumerable.Range(0, 2000).Select(i => $"{i * 16:X5}-{i * 16 + 15:X5}  RAM block W4 closed, lift U7.{i}")
        );
        Paste.Of(new PasteAsked { Text = text[..2000] });
        foreach (PasteKind kind in Enum.GetValues<PasteKind>())
        {
            double ms = Pace.Ms(() => Paste.Of(new PasteAsked { Text = text, As = kind }), 200);
            Assert.True(ms < 200, $"{kind}: {ms:0} ms");
        }
        string map = text.Replace(" block W4 closed, lift U7.", "");
        double found = Pace.Ms(() => Paste.Of(new PasteAsked { Text = map }), 200);
        Assert.True(found < 200, $"{found:0} ms");
    }
}
