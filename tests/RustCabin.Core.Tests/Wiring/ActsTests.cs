using System.Diagnostics;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>Acts of wiring that nobody can carry out, and chains whose cables are forced.</summary>
public sealed class ActsTests
{
    const string Board =
        """ "chips": [ { "id": "U1", "package": "DIP-8", "nets": { "1": "a", "2": "a", "3": "b" } } ], "points": [ { "id": "TP1", "kind": "test-point", "net": "b" }, { "id": "L1", "kind": "link", "nets": ["a", "b"] } ] """;

    static string Pack(string changes) =>
        $$"""
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                "revisions": [ { "id": "r", "name": "R" } ], {{Board}} } ],
              "parts": [ { "id": "p", "name": "P", "kind": "io", "ways": [ { "id": "w", "model": "m", "changes": [ {{changes}} ] } ] } ],
              "units": [ { "id": "u", "name": "U", "model": "m" } ],
              "jobs": [ { "id": "j", "name": "J", "unit": "u", "add": [ { "part": "p", "way": "w" } ] } ] }
            """;

    public static readonly TheoryData<string, string, string> Undoable = new()
    {
        { """{ "do": "wire", "from": [], "to": ["TP1"] }""", "from", "names no place" },
        { """{ "do": "link", "from": ["TP1"], "to": [] }""", "to", "names no place" },
        { """{ "do": "row", "from": [], "to": [] }""", "from", "names no place" },
        { """{ "do": "lift", "chip": "U1", "pins": [] }""", "pins", "names no leg" },
        { """{ "do": "cut", "net": "a", "off": [] }""", "off", "names no place" },
        { """{ "do": "wire", "from": ["TP1"], "to": ["TP1"] }""", "to", "leads from TP1 to itself" },
        { """{ "do": "cut", "net": "a", "off": ["U1.1", "U1.2", "L1.1"] }""", "off", "names every place of a" },
        { """{ "do": "remove", "point": "TP1" }""", "point", "cannot be taken off" },
        { """{ "do": "scrape", "point": "L1" }""", "point", "lies on one net" },
    };

    [Theory, MemberData(nameof(Undoable))]
    public void What_nobody_can_do_is_refused_at_import_with_its_path(string change, string field, string why)
    {
        SheetErrorText(Pack(change), out string path, out string message);
        Assert.Equal($"parts[0].ways[0].changes[0].{field}", path);
        Assert.Contains(why, message);
    }

    static void SheetErrorText(string json, out string path, out string message)
    {
        var error = Sample.Read(json).Errors[0];
        (path, message) = (error.Path, error.Message);
    }

    [Theory, MemberData(nameof(Undoable))]
    public void What_is_stored_already_reads_and_has_a_stop(string change, string field, string why)
    {
        Pack pack = Kept(Pack(change));
        PlannedUnit unit = Plan.For(pack, pack.Jobs[0]);
        var found = Assert.Single(
            Evidence.Keep(Core.Answers.Answer.For(Trail.Stations, unit)).Findings,
            f => f.Code == "WIRE-ACT"
        );
        Assert.Equal(Findings.Severity.Stop, found.Severity);
        Assert.Contains(why, found.Text);
        Assert.NotEmpty(field);
        // A lead that can be run has no stop.
        Pack sound = Sample.Pack(Pack("""{ "do": "wire", "from": ["TP1"], "to": ["U1.3"] }"""));
        Assert.DoesNotContain(
            Evidence.Keep(Core.Answers.Answer.For(Trail.Stations, Plan.For(sound, sound.Jobs[0]))).Findings,
            f => f.Code == "WIRE-ACT"
        );
        // Nothing that reads it falls over it.
        Assert.NotNull(Wired.Of(unit).Readings);
        Assert.NotEmpty(Core.Build.BuildSheet.For(Trail.Stations, Plan.For(pack, pack.Units[0]), unit).Steps);
    }

    static Pack Kept(string json)
    {
        using var document = PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(json));
        return PackReader.Read(document.RootElement, kept: true).Value!;
    }

    [Theory]
    [InlineData("""{ "do": "cut", "net": "a", "off": ["U1.1", "U1.2"] }""")]
    [InlineData("""{ "do": "remove", "point": "L1" }""")]
    [InlineData("""{ "do": "scrape", "point": "TP1" }""")]
    [InlineData("""{ "do": "wire", "from": ["TP1"], "to": ["U1.3"] }""")]
    public void What_can_be_done_is_taken_and_has_no_stop(string change)
    {
        Pack pack = Sample.Pack(Pack(change));
        Assert.DoesNotContain(
            Evidence.Keep(Core.Answers.Answer.For(Trail.Stations, Plan.For(pack, pack.Jobs[0]))).Findings,
            f => f.Code == "WIRE-ACT"
        );
    }

    const string Rails =
        """ "rails": [ { "id": "+5", "volts": 5, "amps": 1 }, { "id": "+5B", "volts": 5, "amps": 1 }, { "id": "+12", "volts": 12, "amps": 1 } ], "points": [ { "id": "TA", "kind": "pad", "net": "a" }, { "id": "TB", "kind": "pad", "net": "b" }, { "id": "T5", "kind": "pad", "net": "+5" }, { "id": "T5B", "kind": "pad", "net": "+5B" }, { "id": "T12", "kind": "pad", "net": "+12" } ] """;

    [Theory]
    [InlineData("T5", "T5B", "", "", "WIRE-CROSS")]
    [InlineData("T5", "T12", "", "", "WIRE-RAIL")]
    [InlineData("TA", "part:Q", "", "", "")] // an ordinary lead to a net of the part's own board
    [InlineData("TA", "part:Q", "part:Q", "TB", "WIRE-CROSS")]
    [InlineData("TA", "T5", "", "", "WIRE-CROSS")]
    public void Nets_with_names_meet_or_rails_do(string from, string to, string then, string last, string code)
    {
        string lead(string a, string b) => $$"""{ "do": "wire", "from": "{{a}}", "to": "{{b}}" }""";
        string json = Pack(then.Length == 0 ? lead(from, to) : $"{lead(from, to)}, {lead(then, last)}")
            .Instead(Board, Rails)
            .Instead(
                "\"kind\": \"io\"",
                "\"kind\": \"io\", \"points\": [ { \"id\": \"Q\", \"kind\": \"pad\", \"net\": \"q\" } ]"
            );
        Pack pack = Sample.Pack(json);
        Assert.Equal(
            code,
            Evidence
                .Keep(Core.Answers.Answer.For(Trail.Stations, Plan.For(pack, pack.Jobs[0])))
                .Findings.FirstOrDefault(f => f.Code.StartsWith("WIRE-", StringComparison.Ordinal))
                ?.Code
                ?? ""
        );
    }

    [Fact]
    public void A_chain_of_sixteen_boards_of_sixty_four_contacts_is_told_at_once_where_it_is_forced()
    {
        var random = new Random(7);
        string[] nets = [.. Enumerable.Range(0, ChainAsked.MostContacts).Select(i => $"s{i}")];
        string[][] wants =
        [
            .. Enumerable.Range(0, ChainAsked.MostBoards).Select(_ => nets.OrderBy(_ => random.Next()).ToArray()),
        ];
        var asked = new ChainAsked
        {
            Source = nets,
            Boards = [.. wants.Select((w, i) => new ChainBoard { Name = $"b{i}", Wants = w })],
        };
        var watch = Stopwatch.StartNew();
        var chain = Chain.Of(asked, TimeSpan.FromSeconds(10));
        Assert.InRange(watch.ElapsedMilliseconds, 0, 1000);
        string[] now = nets;
        foreach ((int i, ChainCable cable) in chain.Cables.Index())
        {
            now = [.. cable.Takes.Select(t => now[t - 1])];
            Assert.Equal(wants[i], now);
        }
    }
}
