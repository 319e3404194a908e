using RustCabin.Core.Pasted;

namespace RustCabin.Core.Tests.Pasted;

/// <summary>Sheets written out in random notations are read back: what is wrong has a doubt, and nearly all is right.</summary>
public sealed class WrittenOutTests
{
    static readonly string[] Kinds = ["ram", "rom", "io", "window", "free"];

    static readonly string[][] Words =
    [
        ["RAM", "work memory", "screen", "DRAM"],
        ["ROM", "monitor", "firmware (flash)", "EPROM"],
        ["I/O", "ports", "sound registers", "hardware"],
        ["window", "banked card", "paged area"],
        ["free", "unused", "reserved"],
    ];

    [Fact]
    public void Maps_of_random_ranges_in_random_notations()
    {
        int whole = 0,
            all = 0;
        for (int seed = 0; seed < 600; seed++)
        {
            var random = new Random(seed);
            int bits = random.Next(2) == 0 ? 16 : 20;
            (int Kind, ulong From, ulong To)[] ranges = Ranges(random, bits);
            string text = MapText(random, ranges, bits);
            IReadOnlyList<PastedLine> lines = Paste
                .Of(
                    new PasteAsked
                    {
                        Text = text,
                        As = PasteKind.Map,
                        AddressBits = bits,
                    }
                )
                .Lines.Where(l => l.Read.Count > 0 || l.Doubt is not null)
                .ToList();
            Assert.Equal(ranges.Length, lines.Count);
            foreach ((PastedLine line, var range) in lines.Zip(ranges))
            {
                all++;
                if (line.Doubt is not null)
                    continue;
                whole++;
                PastedRange read = Assert.IsType<PastedRange>(Assert.Single(line.Read));
                Assert.True(
                    (read.Kind, read.From, read.To) == (Kinds[range.Kind], range.From, range.To),
                    $"seed {seed}: {line.Text} is {read} and should be {Kinds[range.Kind]} {range.From}-{range.To} in\n{text}"
                );
            }
        }
        Assert.True(whole > all * 0.95, $"{whole} of {all} lines");
    }

    static (int, ulong, ulong)[] Ranges(Random random, int bits)
    {
        var ranges = new List<(int, ulong, ulong)>();
        ulong at = 0,
            end = 1ul << bits;
        while (at < end && ranges.Count < 9)
        {
            ulong size = Math.Min(1ul << random.Next(10, bits), end - at);
            ranges.Add((random.Next(Kinds.Length), at, at + size - 1));
            at += size;
        }
        return [.. ranges];
    }

    static string MapText(Random random, (int Kind, ulong From, ulong To)[] ranges, int bits)
    {
        int mark = random.Next(6);
        string form = random.Next(2) == 0 ? "X" : "x";
        string Number(ulong n) =>
            mark switch
            {
                0 => "0x" + n.ToString(form + (bits / 4)),
                1 => "$" + n.ToString("X" + (bits / 4)),
                2 => n.ToString("X" + (bits / 4)) + "h" is var h && char.IsLetter(h[0])
                    ? "0" + h
                    : n.ToString("X" + (bits / 4)) + "h",
                3 => n.ToString(form + (bits / 4)),
                4 => $"{n}",
                _ => "&" + n.ToString("X" + (bits / 4)),
            };
        string gap = new[] { "-", " - ", " to ", "..", "\t", "  ", " | ", " – " }[random.Next(8)];
        bool sizes = random.Next(4) == 0,
            before = random.Next(4) == 0 && !string.IsNullOrWhiteSpace(gap);
        IEnumerable<string> rows = ranges.Select(r =>
        {
            string word = Words[r.Kind][random.Next(Words[r.Kind].Length)];
            ulong size = r.To - r.From + 1;
            string end = sizes ? $" {(size % 1024 == 0 ? $"{size / 1024}K" : $"{size} bytes")}" : gap + Number(r.To);
            return before && !sizes ? $"{word}: {Number(r.From)}{end}" : $"{Number(r.From)}{end}  {word}";
        });
        return string.Join("\n", random.Next(3) == 0 ? rows.Prepend("--------") : rows);
    }

    [Fact]
    public void Pinouts_in_random_hands()
    {
        string[] nets =
        [
            "A0",
            "A1",
            "A15",
            "D0",
            "D7",
            "VCC",
            "GND",
            "/CE",
            "/OE",
            "/WE",
            "/RAS",
            "R/W",
            "CLK",
            "n",
            "-5V",
            "+12V",
        ];
        for (int seed = 0; seed < 600; seed++)
        {
            var random = new Random(seed);
            (int Leg, string Net)[] legs =
            [
                .. Enumerable.Range(1, random.Next(4, 40)).Select(l => (l, nets[random.Next(nets.Length)])),
            ];
            int hand = random.Next(8);
            string Low(string net) =>
                net is ['/', .. var name]
                    ? hand switch
                    {
                        1 => name + "#",
                        2 => "-" + name,
                        3 => name + "*",
                        4 => "n" + name,
                        5 => "!" + name,
                        6 => "~" + name,
                        7 => name + "_N",
                        _ => net,
                    }
                : net == "n" ? new[] { "NC", "N/C", "n.c." }[random.Next(3)]
                : net;
            string gap = new[] { " ", "  ", "\t", " | ", " = ", ": " }[random.Next(6)];
            bool first = random.Next(2) == 0,
                two = random.Next(2) == 0;
            string One((int Leg, string Net) l) => first ? $"{l.Leg}{gap}{Low(l.Net)}" : $"{Low(l.Net)}{gap}{l.Leg}";
            string text = string.Join("\n", legs.Chunk(two ? 2 : 1).Select(c => string.Join("   ", c.Select(One))));
            PastedLine[] lines = [.. Paste.Of(new PasteAsked { Text = text, As = PasteKind.Pinout }).Lines];
            Assert.All(lines, l => Assert.Null(l.Doubt));
            Assert.Equal(legs.Select(l => new PastedLeg(l.Leg, l.Net)), lines.SelectMany(l => l.Read.Cast<PastedLeg>()));
        }
    }

    [Fact]
    public void Switches_in_random_words()
    {
        string[] closed = ["on", "closed", "shorted", "fitted", "in", "1", "ON", "Closed"],
            open = ["off", "open", "removed", "out", "0", "OFF"],
            means = ["= ", ": ", " -> ", "  = "];
        for (int seed = 0; seed < 600; seed++)
        {
            var random = new Random(seed);
            var positions = new Dictionary<string, string>();
            foreach (int i in Enumerable.Range(1, random.Next(1, 5)))
                positions[random.Next(2) == 0 ? $"W{i}" : $"S1-{i}"] = random.Next(3) switch
                {
                    0 => "closed",
                    1 => "open",
                    _ => "2-3",
                };
            string State(string state) =>
                state == "closed" ? closed[random.Next(closed.Length)]
                : state == "open" ? open[random.Next(open.Length)]
                : state;
            string parted = new[] { ", ", "  ", " and ", ", " }[random.Next(4)];
            int kib = 1 << random.Next(4, 12);
            string text =
                string.Join(parted, positions.Select(p => $"{p.Key}{(random.Next(4) == 0 ? ": " : " ")}{State(p.Value)}"))
                + $" {means[random.Next(means.Length)]}{kib}K{(random.Next(2) == 0 ? " at $C000" : "")}";
            PastedLine line = Assert.Single(Paste.Of(new PasteAsked { Text = text, As = PasteKind.Switches }).Lines);
            Assert.True(line.Doubt is null && line.Read.Count == 1, $"{text}: {line.Doubt}");
            var read = (PastedSetting)line.Read[0];
            Assert.Equal(positions, read.Positions);
            Assert.Equal(((ulong)kib << 10, text.Contains('$') ? 0xC000 : (ulong?)null), (read.Size!.Value, read.At));
        }
    }

    [Fact]
    public void Bills_of_materials_in_random_columns()
    {
        string[] things = ["4164", "74LS138", "27C256-15", "100 nF", "470R", "NE555", "41256-12 DRAM"];
        for (int seed = 0; seed < 600; seed++)
        {
            var random = new Random(seed);
            int count = random.Next(1, 9),
                from = random.Next(1, 90);
            string what = things[random.Next(things.Length)];
            string[] refs = random.Next(3) == 0 ? [] : [.. Enumerable.Range(from, count).Select(n => $"U{n}")];
            decimal? price = random.Next(2) == 0 ? random.Next(1, 999) / 100m : null;
            string said = new[] { $"{count}x", $"{count} x", $"{count} pcs" }[random.Next(3)];
            string places =
                refs.Length == 0 ? ""
                : refs.Length > 1 && random.Next(2) == 0 ? $"  {refs[0]}-{refs[^1]}"
                : "  " + string.Join(random.Next(2) == 0 ? "," : ", ", refs);
            string money =
                price is null ? ""
                : random.Next(2) == 0 ? $"  {price:0.00}"
                : $"  € {price:0.00}";
            string text = $"{said} {what}{places}{money}";
            PastedLine line = Assert.Single(Paste.Of(new PasteAsked { Text = text, As = PasteKind.Parts }).Lines);
            Assert.True(line.Doubt is null && line.Read.Count == 1, $"{text}: {line.Doubt}");
            var read = (PastedPart)line.Read[0];
            Assert.Equal((count, what, price), (read.Count, read.What, read.Price));
            Assert.Equal(refs, read.Refs);
        }
    }
}
