using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>Boards one behind another, and the cables between them.</summary>
public class ChainTests
{
    static ChainAsked Asked(string source, params string[] boards) =>
        new()
        {
            Source = source.Split(' '),
            Boards = [.. boards.Select((b, i) => new ChainBoard { Name = $"b{i + 1}", Wants = b.Split(' ') })],
        };

    [Fact]
    public void One_special_cable_brings_minus_nine_to_the_boards_behind_or_none_when_the_source_is_rewired()
    {
        string[] boards = ["GND +5 n n n +12 n GND n", "GND +5 tx rx -9 +12 ring GND n", "GND +5 tx rx -9 +12 ring GND n"];
        var chain = Chain.Of(Asked("GND +5 tx rx +5 +12 ring GND -9", boards));
        Assert.Equal(1, chain.Specials);
        Assert.Equal([true, false, false], chain.Cables.Select(c => c.Special));
        Assert.Equal([1, 2, 3, 4, 9, 6, 7, 8, 5], chain.Cables[0].Takes);
        Assert.Equal([1, 2, 3, 4, 5, 6, 7, 8, 9], chain.Cables[1].Takes);
        Assert.Empty(chain.Missing);
        Assert.Equal(0, Chain.Of(Asked("GND +5 tx rx -9 +12 ring GND n", boards)).Specials);
    }

    [Fact]
    public void What_the_source_has_not_is_missing_by_board_and_the_rest_is_cabled()
    {
        var chain = Chain.Of(Asked("GND +5 n", "GND -9 +5", "n -9 -9", "GND GND n"));
        Assert.Equal([("b1", "-9"), ("b2", "-9"), ("b3", "GND")], chain.Missing.Select(m => (m.Board, m.Net)));
        Assert.Equal([1, 3, 2], chain.Cables[0].Takes);
        Assert.Equal(1, chain.Specials);
    }

    [Fact]
    public void Cables_are_what_brute_force_finds_on_2000_chains()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            string[] nets = ["GND", "+5", "-9", "n"];
            int contacts = random.Next(1, 5);
            string[] source = [.. Enumerable.Range(0, contacts).Select(_ => nets[random.Next(3)])];
            string[] board() => [.. source.OrderBy(_ => random.Next()).Select(s => random.Next(2) == 0 ? "n" : s)];
            string[][] boards = [.. Enumerable.Range(0, random.Next(1, 6)).Select(_ => board())];
            var chain = Chain.Of(Asked(string.Join(' ', source), [.. boards.Select(b => string.Join(' ', b))]));
            Best best = Best.Of(source, boards, 0, []);
            Assert.True(
                best.Takes.SequenceEqual(chain.Cables.SelectMany(c => c.Takes)),
                $"seed {seed}: {string.Join(' ', source)} | {string.Join(" | ", boards.Select(b => string.Join(' ', b)))}: "
                    + $"{string.Join(' ', chain.Cables.SelectMany(c => c.Takes))}, not {string.Join(' ', best.Takes)}"
            );
        }
    }

    /// <summary>The best of all cables from one board on, every order of contacts tried.</summary>
    sealed record Best(int Specials, int[] Places, int Moved, int[] Takes) : IComparable<Best>
    {
        public int CompareTo(Best? other) =>
            (
                (int[])
                    [
                        Specials.CompareTo(other!.Specials),
                        First(Places, other.Places),
                        Moved.CompareTo(other.Moved),
                        First(Takes, other.Takes),
                    ]
            ).FirstOrDefault(c => c != 0);

        static int First(int[] one, int[] other) => one.Zip(other, (a, b) => a.CompareTo(b)).FirstOrDefault(c => c != 0);

        public static Best Of(string[] now, string[][] boards, int at, Dictionary<string, Best> known)
        {
            if (at == boards.Length)
                return new Best(0, [], 0, []);
            string key = $"{at} {string.Join(' ', now)}";
            if (known.TryGetValue(key, out Best? best))
                return best;
            foreach (int[] takes in Orders(now.Length))
            {
                string[] seen = [.. takes.Select(t => now[t - 1])];
                if (!boards[at].Zip(seen).All(x => x.First == "n" || x.First == x.Second))
                    continue;
                int moved = takes.Index().Count(t => t.Item != t.Index + 1);
                Best rest = Of(seen, boards, at + 1, known);
                var one = new Best(
                    rest.Specials + (moved > 0 ? 1 : 0),
                    moved > 0 ? [at, .. rest.Places] : rest.Places,
                    rest.Moved + moved,
                    [.. takes, .. rest.Takes]
                );
                if (best is null || one.CompareTo(best) < 0)
                    best = one;
            }
            return known[key] = best!;
        }

        static IEnumerable<int[]> Orders(int n) =>
            n == 0
                ?
                [
                    [],
                ]
                : Orders(n - 1).SelectMany(o => Enumerable.Range(0, n).Select(i => (int[])[.. o[..i], n, .. o[i..]]));
    }

    [Theory]
    [InlineData("""{ "source": [], "boards": [] }""", "must have 1 to 64 contacts")]
    [InlineData(
        """{ "source": ["a"], "boards": [ { "name": "x", "wants": ["a", "b"] } ] }""",
        "names 2 contacts; the source has 1"
    )]
    [InlineData(
        """{ "source": ["a"], "boards": [ { "name": "x", "wants": ["a"] }, { "name": "x", "wants": ["n"] } ] }""",
        "\"x\" is used twice"
    )]
    public void Bad_chains_are_refused(string json, string why)
    {
        using var document = System.Text.Json.JsonDocument.Parse(json);
        Assert.Contains(
            why,
            string.Join("; ", Declaration<ChainAsked>.Read(document.RootElement).Errors.Select(e => e.Sentence))
        );
    }

    static CablesAsked Line(string from, string to, params string[] pieces) =>
        new()
        {
            From = Device(from),
            To = Device(to),
            Pieces =
            [
                .. pieces
                    .Select(p => p.Split(' '))
                    .Select(p => new CablePiece
                    {
                        Id = p[0],
                        A = End(p[1]),
                        B = End(p[2]),
                        Crossing = p is [_, _, _, "crossing"],
                    }),
            ],
        };

    static CableEnd End(string text) => new() { Family = text[..^1], Gender = text[^1] == 'm' ? Gender.M : Gender.F };

    static DeviceEnd Device(string text)
    {
        string[] words = text.Split(' ');
        return new DeviceEnd
        {
            Family = words[0][..^1],
            Gender = words[0][^1] == 'm' ? Gender.M : Gender.F,
            Role = words[1],
            Level = words[2],
        };
    }

    static string Found(CablesAsked asked)
    {
        var chain = CableChain.Of(asked);
        return chain.Links is { } links ? string.Join(' ', links.Select(l => l.Turned ? l.Piece + "'" : l.Piece))
            : chain.Missing is { } piece
                ? $"want {piece.A.Family}{piece.A.Gender} {piece.B.Family}{piece.B.Gender} "
                    + (piece.Crossing ? "crossing" : "straight")
            : "never";
    }

    [Theory]
    [InlineData("DBm DTE rs232", "DBf DCE rs232", "", "")] // plugged together as they are
    [InlineData("DBm DTE rs232", "DBf DTE rs232", "", "want DBF DBM crossing")]
    [InlineData("DBm DTE rs232", "DBm DCE rs232", "s DBf DBf", "s")]
    [InlineData("DBm DTE rs232", "DBm DTE rs232", "s DBf DBf", "want DBF DBF crossing")]
    [InlineData("DBm DTE rs232", "DEm DCE rs232", "p DEf DBf", "p'")]
    [InlineData("DBm DTE rs232", "DBm DTE rs232", "x DBf DBm crossing,s DBf DBf", "x s")]
    [InlineData("DBm DTE rs232", "DBm DTE rs232", "s DBf DBf,x DBf DBm crossing", "s x'")]
    [InlineData("DBm DTE rs232", "DBm DTE ttl", "x DBf DBf crossing", "never")]
    [InlineData("DBm DTE rs232", "DBm DTE rs232", "a DBf DBf crossing,b DBf DBf crossing", "a")]
    public void The_shortest_chain_of_pieces_or_the_one_that_would_do(string from, string to, string pieces, string found) =>
        Assert.Equal(found, Found(Line(from, to, pieces.Split(',', StringSplitOptions.RemoveEmptyEntries))));

    [Fact]
    public void A_piece_serves_once() =>
        // Crossing and back through p would need p twice.
        Assert.Equal("want DBF DEF straight", Found(Line("DBm DTE rs232", "DEm DCE rs232", "p DBf DEf crossing", "q DEm DBm")));

    [Theory]
    [InlineData("", "want F1F ZM crossing")]
    [InlineData("r F3f Zm", "F1F3 r c p")]
    public void Thirty_pieces_that_lead_everywhere_are_decided_at_once(string more, string found)
    {
        // From every family to every other; the only crossing piece begins where p ends, and p serves once.
        string[] pieces =
        [
            .. from one in Enumerable.Range(0, 6)
            from other in Enumerable.Range(0, 6)
            where one != other
            select $"F{one}F{other} F{one}f F{other}m",
            "p F0f Zm",
            "c Zf F0m crossing",
            .. more.Length > 0 ? [more] : (string[])[],
        ];
        var clock = System.Diagnostics.Stopwatch.StartNew();
        Assert.Equal(found, Found(Line("F1m DTE rs232", "Zf DTE rs232", pieces)));
        Assert.InRange(clock.ElapsedMilliseconds, 0, 3000);
    }

    [Fact]
    public void Connectors_meet_contact_by_contact()
    {
        string[] codes(string[] a, string[] b, Gender of = Gender.F) =>
            [
                .. Mating
                    .Of(new Connector(a, Gender.M), new Connector(b, of), n => n == "VBAT", "a", "b", [Subject.Asked("x")])
                    .Select(f => f.Code),
            ];
        Assert.Empty(codes(["GND", "+5", "n"], ["GND", "+5", "rx"]));
        Assert.Equal(["PIN-NET"], codes(["GND", "tx"], ["GND", "rx"]));
        Assert.Equal(["PIN-RAIL"], codes(["GND", "tx"], ["GND", "-9"]));
        Assert.Equal(["PIN-RAIL"], codes(["GND"], ["tx"]));
        Assert.Equal(["PIN-RAIL"], codes(["VBAT"], ["tx"]));
        Assert.Equal(["PIN-GENDER"], codes(["GND"], ["GND"], Gender.M));
        Assert.Equal(["PIN-COUNT"], codes(["GND", "n"], ["GND"]));
    }
}
