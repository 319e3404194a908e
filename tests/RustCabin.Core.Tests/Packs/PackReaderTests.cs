using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Packs;

public class PackReaderTests
{
    static string[] Errors(params (string, string)[] changes) =>
        [.. Sample.Read(Sample.SlipwayText(changes)).Errors.Select(e => e.ToString())];

    [Fact]
    public void The_printed_pack_reads_without_error()
    {
        Pack pack = Sample.Slipway();
        Assert.Equal(
            ("brindle-16", "fathom", "slip-3", "slip-3-winter", "harbour-lights"),
            (pack.Models[0].Id, pack.Parts[0].Id, pack.Units[0].Id, pack.Jobs[0].Id, pack.Titles[0].Id)
        );
        Assert.Equal(40, pack.Models[0].FindSite("rom")!.Pinout.Count);
        Assert.Equal(0.06m, pack.Parts[0].Ways[0].FaultChance);
    }

    [Fact]
    public void Five_errors_give_five_messages_with_their_paths()
    {
        string[] errors = Errors(
            ("\"0x800000\"", "\"0x80000G\""),
            ("\"clockMHz\": 9.3", "\"clockMHz\": \"fast\""),
            ("\"kind\": \"memory\"", "\"kind\": \"memmory\""),
            ("\"way\": \"socket\"", "\"way\": \"sockets\""),
            ("\"heatW\": 1.5", "\"heatWatts\": 1.5")
        );
        Assert.Equal(5, errors.Length);
        Assert.Contains("models[0].autoWindows[0].base: \"0x80000G\" is not an address", errors);
        Assert.Contains("models[0].clockMHz: must be a number, not text", errors);
        Assert.Contains(
            errors,
            e => e.StartsWith("parts[0].kind: \"memmory\" is not one of memory, rom,", StringComparison.Ordinal)
        );
        Assert.Contains("jobs[0].add[0].way: \"sockets\" is not a way of fathom", errors);
        Assert.Contains("parts[0].heatWatts: is not a field of this sheet", errors);
    }

    [Theory]
    [InlineData(
        "\"rustcabin.pack/1\"",
        "\"rustcabin.pack/2\"",
        "format: \"rustcabin.pack/2\" is not a format that this version reads"
    )]
    [InlineData("\"id\": \"fathom\"", "\"id\": \"../fathom\"", "parts[0].id: \"../fathom\" is not an identifier")]
    [InlineData("\"id\": \"fathom\"", "\"id\": \"Fathom\"", "parts[0].id: \"Fathom\" is not an identifier")]
    [InlineData("\"price\": 38.5", "\"price\": -1", "parts[0].price: must lie from 0")]
    [InlineData(
        "\"factory\": \"closed\"",
        "\"factory\": \"shut\"",
        "parts[0].switches[0].factory: \"shut\" is not one of its positions"
    )]
    [InlineData("\"revision\": \"b4\"", "\"revision\": \"b5\"", "units[0].revision: \"b5\" is not a revision of brindle-16")]
    [InlineData("\"unit\": \"slip-3\"", "\"unit\": \"slip-9\"", "jobs[0].unit: \"slip-9\" is not a unit here")]
    [InlineData("\"addressBits\": 24", "\"addressBits\": 99", "models[0].addressBits: must lie from 1 to 40")]
    [InlineData("\"currency\": \"EUR\"", "\"currency\": \"euro\"", "currency: \"euro\" is not a currency")]
    [InlineData("\"seen\": {", "\"seen\": { \"stripe\": \"x\",", "units[0].seen.stripe: \"stripe\" is not a clue")]
    [InlineData("\"trust\": 0.97", "\"trust\": 1.97", "models[0].clues[0].trust: must lie from 0 to 1")]
    [InlineData("\"W3\": \"open\"\n", "\"W4\": \"open\"\n", "W4: \"W4\" is not a switch here")]
    [InlineData("\"base\": \"0x1C0000\",\n     \"size\": \"256K\"", "\"size\": \"256K\"", "models[0].claims[2].base: is missing")]
    [InlineData("\"size\": \"1M\"", "\"size\": \"3M\"", "parts[0].claims[0].size: must be a power of two")]
    [InlineData("\"wants\": [", "\"wants\": [ {}, ", "jobs[0].wants[0]: names no need")]
    public void Each_error_is_told_with_its_path(string old, string instead, string starts)
    {
        string[] errors = Errors((old, instead));
        Assert.Contains(errors, e => e.Contains(starts, StringComparison.Ordinal));
    }

    [Fact]
    public void A_field_under_x_is_kept_out_of_the_way() =>
        Assert.Empty(Errors(("\"heatW\": 1.5", "\"heatW\": 1.5, \"x\": { \"anything\": [1, 2] }")));

    [Fact]
    public void The_same_id_twice_is_told_once()
    {
        string[] errors = Errors(
            ("\"titles\": [", "\"titles\": [ { \"id\": \"harbour-lights\", \"name\": \"Again\", \"needs\": [] },")
        );
        Assert.Equal(["titles[1].id: \"harbour-lights\" is used twice"], errors);
    }

    [Theory]
    [InlineData("[]")]
    [InlineData("\"pack\"")]
    [InlineData("null")]
    [InlineData("{}")]
    [InlineData("""{ "format": 1 }""")]
    [InlineData("""{ "format": "rustcabin.pack/1", "models": {} }""")]
    [InlineData("""{ "format": "rustcabin.pack/1", "models": [ 5, {} ], "jobs": [ { "unit": null } ] }""")]
    public void What_is_no_pack_gives_errors_and_nothing_else(string json)
    {
        Reading<Pack> reading = Sample.Read(json);
        Assert.Null(reading.Value);
        Assert.NotEmpty(reading.Errors);
    }

    [Theory]
    [InlineData("{")]
    [InlineData("{ \"a\": 1, \"a\": 2 }")]
    [InlineData("{ /* no */ }")]
    public void What_is_no_json_is_refused(string json) => Assert.ThrowsAny<JsonException>(() => Sample.Read(json));

    [Fact]
    public void Text_may_have_4000_characters_and_no_more()
    {
        const string Summary = "16-bit home computer; video and sound share a memory of their own high up in the space";
        Assert.Empty(Errors((Summary, new string('a', 4000))));
        Assert.Contains("models[0].summary: is 4001 characters long; 4000 are allowed", Errors((Summary, new string('a', 4001))));
    }

    [Fact]
    public void A_pack_may_hold_2000_sheets_and_no_more()
    {
        string Titles(int count) =>
            $$"""{ "format": "rustcabin.pack/1", "titles": [{{string.Join(',', Enumerable.Range(0, count).Select(i => $$"""{"id":"t{{i}}","name":"T","needs":[]}"""))}}] }""";
        Assert.Empty(Sample.Read(Titles(2000)).Errors);
        Assert.Contains("2,000", Assert.Single(Sample.Read(Titles(2001)).Errors).Message);
    }

    [Fact]
    public void A_mask_that_leaves_out_too_many_lines_is_refused_before_it_is_resolved()
    {
        Assert.Contains(
            "leaves out 24 address lines",
            Assert.Single(
                Errors(
                    ("\"base\": \"0xE0C000\",", "\"base\": \"0xE0C000\", \"mask\": \"0\","),
                    ("\"size\": \"8K\"", "\"size\": \"1\"")
                )
            )
        );
        string[] part = Errors(("\"auto\": true,\n     \"size\": \"1M\"", "\"base\": \"0\", \"mask\": \"0\", \"size\": \"1\""));
        Assert.Contains("jobs[0].add[0].part", Assert.Single(part));
    }
}
