using System.IO.Compression;
using RustCabin.Core.Cards;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Cards;

/// <summary>Names of files, routes for them, and kits.</summary>
public class FilesTests
{
    [Theory]
    [InlineData("README.TXT", true)]
    [InlineData("A", true)]
    [InlineData("HARBOUR1.DSK", true)]
    [InlineData("~$#!.A", true)]
    [InlineData("readme.txt", false)]
    [InlineData("HARBOUR12.DSK", false)]
    [InlineData("A.JPEG", false)]
    [InlineData("A.B.C", false)]
    [InlineData("A B.TXT", false)]
    [InlineData("A+B.TXT", false)]
    [InlineData("A.", false)]
    [InlineData(".A", false)]
    [InlineData("", false)]
    [InlineData("ÄBER.TXT", false)]
    [InlineData("CON", false)]
    [InlineData("COM1.TXT", false)]
    [InlineData("LPT9.A", false)]
    [InlineData("COM0.TXT", true)]
    [InlineData("CONS.TXT", true)]
    public void Short_names(string name, bool ok)
    {
        NameVerdict verdict = Assert.Single(ShortNames.Of(NameRule.Short, [name]));
        Assert.Equal(ok, verdict.Ok);
        Assert.True(ShortNames.IsLawful(NameRule.Short, verdict.Proposed), verdict.Proposed);
        if (ok)
            Assert.Equal(name, verdict.Proposed);
    }

    [Fact]
    public void Proposals_stay_distinct_from_each_other_and_from_what_is_there()
    {
        Assert.Equal(
            ["HARBOU~1.DSK", "HARBOU~3.DSK", "HARBOU~2.DSK", "HARBOU~4.DSK", "A.TXT", "A~1.TXT"],
            ShortNames
                .Of(
                    NameRule.Short,
                    ["Harbour lights.dsk", "Harbour Lights 2.dsk", "HARBOU~2.DSK", "harbourmaster.dsk", "A.TXT", "A.TXT"]
                )
                .Select(v => v.Proposed)
        );
        var random = new Random(5);
        string[] many =
        [
            .. Enumerable
                .Range(0, 5000)
                .Select(_ => string.Concat(Enumerable.Range(0, random.Next(0, 14)).Select(_ => "aB. +é1~"[random.Next(8)]))),
        ];
        foreach (NameRule rule in Enum.GetValues<NameRule>())
        {
            IReadOnlyList<NameVerdict> all = ShortNames.Of(rule, many);
            Assert.Equal(5000, all.Select(v => v.Proposed.ToUpperInvariant()).Distinct().Count());
            Assert.All(all, v => Assert.True(ShortNames.IsLawful(rule, v.Proposed), v.Proposed));
        }
    }

    static RouteLeg Leg(string from, string to, decimal rate, decimal each = 0, ulong? carries = null) =>
        new()
        {
            From = from,
            To = to,
            BytesPerSecond = rate,
            MinutesEach = each,
            Carries = carries is { } c ? new ByteSize(c) : null,
        };

    [Fact]
    public void A_large_file_goes_over_small_discs_in_pieces()
    {
        var asked = new RouteAsked
        {
            Bytes = new ByteSize(10ul << 20),
            Ends = ["helper", "clerk"],
            Legs = [Leg("helper", "disc", 20_000, 2, 720 << 10), Leg("disc", "clerk", 15_000, 1, 720 << 10)],
        };
        FileRoute route = FileRoute.Of(asked)!;
        Assert.Equal(15, route.Pieces);
        Assert.Equal(15 * 2 + 15 * 1 + 10485760 / 20_000.0 / 60 + 10485760 / 15_000.0 / 60, route.Minutes, 9);
        Assert.Null(FileRoute.Of(asked with { Ends = ["clerk", "helper"] }));
        FileRoute here = FileRoute.Of(asked with { Ends = ["clerk", "clerk"] })!;
        Assert.Equal((0, 1, 0.0), (here.Legs.Count, here.Pieces, here.Minutes));
    }

    [Fact]
    public void The_quickest_route_is_what_brute_force_finds_on_2000_graphs()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            int places = random.Next(2, 7);
            var asked = new RouteAsked
            {
                Bytes = new ByteSize((ulong)random.Next(0, 5_000_000)),
                Ends = ["p0", $"p{places - 1}"],
                Legs =
                [
                    .. Enumerable
                        .Range(0, random.Next(0, 14))
                        .Select(_ =>
                            Leg(
                                $"p{random.Next(places)}",
                                $"p{random.Next(places)}",
                                random.Next(1, 50) * 1000,
                                random.Next(0, 8),
                                random.Next(2) == 0 ? null : (ulong)random.Next(100_000, 2_000_000)
                            )
                        ),
                ],
            };
            double? best = Best(asked, "p0", []);
            FileRoute? route = FileRoute.Of(asked);
            Assert.Equal(best is null, route is null);
            if (route is null)
                continue;
            Assert.Equal(best!.Value, route.Minutes, 6);
            Assert.Equal(route.Minutes, route.Legs.Sum(l => l.MinutesOf((long)asked.Bytes.Bytes)), 6);
            Assert.Equal(asked.Ends, (string[])[route.Legs[0].From, route.Legs[^1].To]);
        }
    }

    static double? Best(RouteAsked asked, string here, List<string> seen)
    {
        if (here == asked.Ends[1])
            return 0;
        return asked
            .Legs.Where(l => l.From == here && !seen.Contains(l.To) && l.To != here)
            .Select(l => l.MinutesOf((long)asked.Bytes.Bytes) + Best(asked, l.To, [.. seen, here]))
            .Where(m => m is not null)
            .Min();
    }

    static readonly CardKit Kit = Edited.Read<CardKit>(
        """
        { "files": [ { "path": "profiles/default.txt", "text": "buttons = {buttons}\n" },
                     { "path": "picture.cfg", "text": "wide\n", "when": { "screen": "wide" } } ],
          "choices": [ { "id": "buttons", "label": "buttons fitted", "values": ["1", "3"] },
                       { "id": "screen", "label": "screen", "values": ["wide", "narrow"], "factory": "narrow" } ] }
        """
    );

    [Fact]
    public void A_kit_is_made_of_what_is_chosen_else_of_the_factory()
    {
        Assert.Equal(
            [("profiles/default.txt", "buttons = 1\n")],
            KitFiles.Of(Kit, new Dictionary<string, string> { ["buttons"] = "7" })
        );
        var chosen = new Dictionary<string, string> { ["buttons"] = "3", ["screen"] = "wide" };
        var files = KitFiles.Of(Kit, chosen);
        Assert.Equal([("profiles/default.txt", "buttons = 3\n"), ("picture.cfg", "wide\n")], files);
        byte[] zip = KitFiles.Zip(files);
        Assert.Equal(zip, KitFiles.Zip(files));
        using var archive = new ZipArchive(new MemoryStream(zip));
        Assert.Equal(["profiles/default.txt", "picture.cfg"], archive.Entries.Select(e => e.FullName));
        using var reader = new StreamReader(archive.Entries[0].Open());
        Assert.Equal("buttons = 3\n", reader.ReadToEnd());
    }

    [Fact]
    public void A_listing_is_held_against_the_kit()
    {
        var files = KitFiles.Of(Kit, new Dictionary<string, string> { ["screen"] = "wide" });
        KitReading right = KitFiles.Compare(files, ".\n./profiles\n./PROFILES/DEFAULT.TXT\n./picture.cfg\n./games/LIGHTS.DSK\n");
        Assert.True(right.Agrees);
        Assert.Equal(["games/LIGHTS.DSK"], right.Further);
        KitReading wrong = KitFiles.Compare(files, "profiles\\picture.cfg\r\n");
        Assert.False(wrong.Agrees);
        Assert.Equal(["profiles/default.txt"], wrong.Missing);
        Assert.Equal([("picture.cfg", "profiles/picture.cfg")], wrong.Misplaced);
        Assert.Empty(wrong.Further);
    }

    [Theory]
    [InlineData("/etc/a")]
    [InlineData("../a")]
    [InlineData("a/../../b")]
    [InlineData("a\\\\b")]
    [InlineData("C:/a")]
    [InlineData("a//b")]
    public void A_kit_stays_on_its_card(string path)
    {
        using var json = System.Text.Json.JsonDocument.Parse($$"""{ "files": [ { "path": "{{path}}", "text": "" } ] }""");
        RustCabin.Core.Declared.Reading<CardKit> reading = RustCabin.Core.Declared.Declaration<CardKit>.Read(json.RootElement);
        Assert.Equal("files[0].path", Assert.Single(reading.Errors).Path);
    }
}
