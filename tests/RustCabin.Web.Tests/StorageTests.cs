using System.Formats.Tar;
using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The Storage station, from a card at hand to one that is prepared; and its calls to the letter.</summary>
public sealed class StorageTests : OnACabin
{
    [Fact]
    public async Task A_plan_answers_to_the_letter()
    {
        (HttpStatusCode status, JsonNode answer) = await Cabin.Post(
            "/api/v1/storage/plan",
            """
            { "card": "32 GB", "host": { "blockBits": 28, "sectorBytes": 512, "largestPartition": "2G", "startWithin": "4G", "geometry": null },
              "partitions": [ { "name": "start", "size": "512M", "fs": "fat16", "cluster": null, "start": true, "files": [1, 8192, 8193] },
                { "name": "work", "size": 1073741824, "fs": "native", "type": "7f" }, { "name": "rest", "rest": true, "fs": "fat" } ] }
            """
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            ["usableBytes", "reachableBytes", "unreachableBytes", "partitions", "findings", "script"],
            answer.AsObject().Select(p => p.Key)
        );
        Assert.Equal(31_039_946_752, (long)answer["usableBytes"]!);
        Assert.Equal(31_039_946_752, (long)answer["reachableBytes"]!);
        Assert.Equal(0, (long)answer["unreachableBytes"]!);
        Assert.Equal(
            """{"name":"start","firstSector":2048,"sectors":1048576,"bytes":536870912,"fs":"fat16","type":"06","clusterBytes":8192,"clusters":65501,"wasteBytes":16382}""",
            answer["partitions"]![0]!.ToJsonString()
        );
        Assert.Equal(
            """{"name":"work","firstSector":1050624,"sectors":2097152,"bytes":1073741824,"fs":"native","type":"7f","clusterBytes":null,"clusters":null,"wasteBytes":null}""",
            answer["partitions"]![1]!.ToJsonString()
        );
        // A limit of 2 GiB means FAT16, whose largest volume is a little less.
        Assert.Equal("fat16", (string)answer["partitions"]![2]!["fs"]!);
        Assert.Equal(2047L << 20, (long)answer["partitions"]![2]!["bytes"]!);
    }

    [Fact]
    public async Task Findings_of_a_plan_have_the_form_of_all_findings_and_bar_its_image()
    {
        const string Plan = """
            { "card": "8 GB", "host": { "offsetBits": 32 }, "partitions": [ { "name": "far", "size": "5G", "fs": "exfat" } ] }
            """;
        (_, JsonNode answer) = await Cabin.Post("/api/v1/storage/plan", Plan);
        JsonNode limit = Assert.Single(answer["findings"]!.AsArray())!;
        Assert.Equal(["code", "severity", "subjects", "text", "why", "fix"], limit.AsObject().Select(p => p.Key));
        Assert.Equal(("STO-LIMIT", "stop"), ((string)limit["code"]!, (string)limit["severity"]!));
        (HttpStatusCode status, JsonNode refused) = await Cabin.Post("/api/v1/storage/image", Plan);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("STO-LIMIT", (string)refused["errors"]![0]!["message"]!);
    }

    [Fact]
    public async Task An_image_is_plain_or_an_archive_by_the_size_of_its_card()
    {
        async Task<HttpResponseMessage> image(string card) =>
            await Cabin.Http.PostAsync(
                "/api/v1/storage/image",
                new StringContent(
                    $$"""{ "card": "{{card}}", "partitions": [ { "name": "a", "rest": true, "fs": "fat" } ] }""",
                    Encoding.UTF8,
                    "application/json"
                )
            );
        HttpResponseMessage small = await image("16 MB");
        Assert.Equal("application/octet-stream", small.Content.Headers.ContentType!.MediaType);
        byte[] bytes = await small.Content.ReadAsByteArrayAsync();
        Assert.Equal(14 << 20, bytes.Length);
        Assert.Equal([0x55, 0xAA], bytes[510..512]);
        Assert.Equal("FAT16", Encoding.ASCII.GetString(bytes, (1 << 20) + 54, 5));
        HttpResponseMessage large = await image("32 GB");
        Assert.Equal("application/x-tar", large.Content.Headers.ContentType!.MediaType);
        byte[] tar = await large.Content.ReadAsByteArrayAsync();
        Assert.True(tar.Length < 200_000, $"{tar.Length}");
        using var reader = new TarReader(new MemoryStream(tar));
        Assert.NotNull(reader.GetNextEntry());
    }

    [Fact]
    public async Task Buses_names_and_routes_answer_to_the_letter()
    {
        (_, JsonNode bus) = await Cabin.Post(
            "/api/v1/storage/scsi",
            """
            { "host": { "id": 7, "terminates": null, "power": true },
              "devices": [ { "name": "a", "id": null, "terminates": false, "power": false }, { "name": "b", "id": 0, "terminates": null, "power": false } ] }
            """
        );
        Assert.Equal("""{"ids":{"a":1,"b":0},"terminate":["host","b"],"findings":[]}""", bus.ToJsonString());
        (_, JsonNode names) = await Cabin.Post(
            "/api/v1/storage/names",
            """{ "rule": "8.3", "names": ["OK.TXT", "not ok.text"] }"""
        );
        Assert.Equal(
            """{"names":[{"given":"OK.TXT","ok":true,"proposed":"OK.TXT"},{"given":"not ok.text","ok":false,"proposed":"NOTOK~1.TEX"}]}""",
            names.ToJsonString()
        );
        (_, JsonNode route) = await Cabin.Post(
            "/api/v1/storage/route",
            """
            { "bytes": 1200000, "ends": ["a", "c"], "legs": [ { "from": "a", "to": "b", "carries": 600000, "bytesPerSecond": 10000, "minutesEach": 1 },
              { "from": "b", "to": "c", "carries": null, "bytesPerSecond": 20000, "minutesEach": 3 }, { "from": "a", "to": "c", "bytesPerSecond": 100, "minutesEach": 0 } ] }
            """
        );
        Assert.Equal(
            ("a", "b", 2, 8.0),
            (
                (string)route["legs"]![0]!["from"]!,
                (string)route["legs"]![0]!["to"]!,
                (int)route["pieces"]!,
                (double)route["minutes"]!
            )
        );
        HttpResponseMessage none = await Cabin.Http.PostAsync(
            "/api/v1/storage/route",
            new StringContent("""{ "bytes": 1, "ends": ["a", "z"], "legs": [] }""", Encoding.UTF8, "application/json")
        );
        Assert.Equal((HttpStatusCode.OK, "null"), (none.StatusCode, await none.Content.ReadAsStringAsync()));
    }

    [Theory]
    [InlineData("plan", """{ "card": "32", "partitions": [] }""", "card")]
    [InlineData("plan", """{ "card": "3000 GB", "partitions": [] }""", "card")]
    [InlineData("plan", """{ "card": "1 GB", "host": { "sectorBytes": 1e15 }, "partitions": [] }""", "host.sectorBytes")]
    [InlineData("plan", """{ "card": "1 GB", "host": { "sectorBytes": 2048 }, "partitions": [] }""", "host.sectorBytes")]
    [InlineData(
        "plan",
        """{ "card": "1 GB", "partitions": [ { "name": "a", "rest": true }, { "name": "b", "rest": true } ] }""",
        "partitions[1].rest"
    )]
    [InlineData("plan", """{ "card": "1 GB", "partitions": [ { "name": "a" } ] }""", "partitions[0].size")]
    [InlineData(
        "plan",
        """{ "card": "1 GB", "partitions": [ { "name": "a", "size": "1M", "fs": "ext" } ] }""",
        "partitions[0].fs"
    )]
    [InlineData(
        "plan",
        """{ "card": "1 GB", "partitions": [ { "name": "a", "size": "1M", "files": [-1] } ] }""",
        "partitions[0].files[0]"
    )]
    [InlineData(
        "plan",
        """
            { "card": "1 GB", "partitions": [ { "name": "a", "size": "1M" }, { "name": "b", "size": "1M" }, { "name": "c", "size": "1M" },
              { "name": "d", "size": "1M" }, { "name": "e", "size": "1M" } ] }
            """,
        "partitions"
    )]
    [InlineData("image", """{ "card": "1 GB", "host": { "table": "own" }, "partitions": [] }""", "host.table")]
    [InlineData("scsi", """{ "host": { "id": 7 }, "devices": [ { "name": "a", "id": 16 } ] }""", "devices[0].id")]
    [InlineData("scsi", """{ "host": { "id": 7 }, "devices": [ { "name": "a" }, { "name": "a" } ] }""", "devices[1].name")]
    [InlineData("names", """{ "rule": "9.4", "names": [] }""", "rule")]
    [InlineData("route", """{ "bytes": 1, "ends": ["a"], "legs": [] }""", "ends")]
    [InlineData(
        "route",
        """{ "bytes": 1, "ends": ["a", "b"], "legs": [ { "from": "a", "to": "b", "bytesPerSecond": 0 } ] }""",
        "legs[0].bytesPerSecond"
    )]
    public async Task Bad_input_is_told_by_its_field(string call, string body, string path)
    {
        (HttpStatusCode status, JsonNode answer) = await Cabin.Post($"/api/v1/storage/{call}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(answer["errors"]!.AsArray(), e => (string)e!["path"]! == path);
    }

    const string Job = "/jobs/signal-colour-card/storage";

    [Fact]
    public async Task From_a_card_at_hand_to_a_clear_tray_a_kit_and_a_record()
    {
        IHtmlDocument page = await Cabin.Page(Job);
        Assert.Contains("STO-CONTACTS", Found(page));
        Assert.Contains("44 contacts against 40", Text(page, ".host-chain"));
        // What the page offers has been tried, and helps.
        page = await Pressed(Cabin, Job, ".host-chain form[action*='handler=Add']");
        Assert.DoesNotContain("STO-CONTACTS", Found(page));
        Assert.Contains("Gangway", Text(page, ".host-chain"));

        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "form[action*='handler=Card'] [name=label]"),
            ("label", "32 TB")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("up to 2 TiB", Text(page, ".notice"));
        page = await Pressed(Cabin, Job, "form[action*='handler=Card'] [name=label]", ("label", "32 GB"));
        Assert.Contains("31,039,946,752 bytes", Text(page, ".device"));
        page = await Pressed(Cabin, Job, "form[action*='handler=More']");
        // The rest stops at the largest partition that the host takes.
        Assert.Contains("1.8 GiB", Text(page, ".partition-line .got"));
        page = await Pressed(
            Cabin,
            Job,
            "form[action*='handler=Partition']",
            ("name", "Start"),
            ("size", "3G"),
            ("fs", "fat"),
            ("start", "true")
        );
        Assert.Contains("STO-PART", Found(page));
        Assert.Contains("is more than the host takes", Text(page, ".told"));
        page = await Pressed(
            Cabin,
            Job,
            "form[action*='handler=Partition']",
            ("name", "Start"),
            ("size", "1700M"),
            ("fs", "fat"),
            ("start", "true")
        );
        Assert.Empty(Found(page));
        Assert.Contains("Start 1,700 MiB, fat16", page.QuerySelector("svg.card-strip")!.GetAttribute("aria-label"));

        // Dragged to another end.
        page = await Pressed(Cabin, Job, "form.drag", ("index", "0"), ("mib", "1000"));
        Assert.Equal("1000M", page.QuerySelector(".partition-line [name=size]")!.GetAttribute("value"));

        page = await Pressed(Cabin, Job, "form[action*='handler=Choose'] [value='3']", ("value", "3"));
        using var kit = new ZipArchive(await Cabin.Http.GetStreamAsync($"{Job}?handler=Kit&on=coracle"));
        using var settings = new StreamReader(kit.GetEntry("Bilge/coracle plan")!.Open());
        Assert.Contains("look for 3", settings.ReadToEnd());
        (status, page) = await Cabin.Press(
            Form(page, "form[action*='handler=Listing'] textarea"),
            ("listing", "./coracle plan\n./who made this")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("In the wrong place: coracle plan, it belongs to Bilge/coracle plan", Text(page, ".listing"));
        (_, page) = await Cabin.Press(
            Form(page, "form[action*='handler=Listing'] textarea"),
            ("listing", "./Bilge\n./Bilge/coracle plan\n./Bilge/who made this")
        );
        Assert.Contains("All of the kit is in its place", Text(page, ".listing"));

        string csv = await Cabin.Http.GetStringAsync($"{Job}?handler=Csv&on=coracle");
        Assert.Contains("Start,2048,2048000", csv);
        Assert.Contains("start=2048, size=2048000", await Cabin.Http.GetStringAsync($"{Job}?handler=Script&on=coracle"));
        Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync($"{Job}?handler=Image&on=coracle")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync($"{Job}?handler=Kit&on=nothing")).StatusCode);

        await ToTheEnd(Cabin, "signal-colour-card");
        IHtmlDocument passport = await Cabin.Page("/jobs/signal-colour-card/passport");
        Assert.Contains("Card, 32 GB", passport.Body!.TextContent);
        Assert.Contains("prepared", passport.Body.TextContent);
        IElement fast = (await Cabin.Page("/cupboard"))
            .QuerySelectorAll(".stock tr")
            .Single(r => r.TextContent.Contains("Fast card"));
        Assert.Equal("0", fast.QuerySelector(".counter span")!.TextContent);
    }

    [Fact]
    public async Task Titles_go_onto_a_partition_with_their_discs_and_a_foreign_one_is_told()
    {
        const string Discs = "/jobs/boathouse-disc-cards/storage";
        IHtmlDocument page = await Cabin.Page(Discs);
        Assert.Contains("3, side by side in one folder", Text(page, ".titles"));
        page = await Pressed(Cabin, Discs, "button[aria-label='Regatta Night, for 60 Hz on DISCS']", ("holds", "true"));
        Assert.Contains("STO-REGION", Found(page));
        page = await Pressed(Cabin, Discs, "button[aria-label='Regatta Night, for 60 Hz on DISCS']", ("holds", "false"));
        Assert.DoesNotContain("STO-REGION", Found(page));
    }

    [Fact]
    public async Task Ids_are_set_and_a_card_of_another_job_is_cloned()
    {
        const string Keep = "/jobs/tower-keep-room/storage";
        IHtmlDocument page = await Cabin.Page(Keep);
        Assert.Contains("id 2, 4, 5", page.QuerySelector("svg.bus")!.GetAttribute("aria-label"));
        page = await Pressed(Cabin, Keep, "button[aria-label='Save id 6']", ("what", "spare.disc"));
        Assert.Contains("id 2, 4, 5, 6", page.QuerySelector("svg.bus")!.GetAttribute("aria-label"));
        page = await Pressed(Cabin, Keep, "form[action*='handler=Clone']");
        Assert.Contains("clone", Text(page, ".device"));
        page = await Pressed(Cabin, Keep, "#undo");
        Assert.Contains("MOAT", Text(page, "svg.card-strip"));
    }

    [Fact]
    public async Task The_variant_of_an_interface_is_held_against_the_device_that_is_burnt_for_it()
    {
        const string Primer = "/jobs/desk-primer-card/storage";
        Assert.DoesNotContain("FW-VARIANT", Found(await Cabin.Page(Primer)));
        IHtmlDocument page = await Pressed(Cabin, Primer, "form[action*='handler=Variant'] button", ("holds", "false"));
        Assert.Contains("FW-VARIANT", Found(page));
        page = await Pressed(Cabin, Primer, "form[action*='handler=Variant'] button", ("holds", "true"));
        Assert.DoesNotContain("FW-VARIANT", Found(page));
        Assert.Contains("blocks ", Text(page, ".figures"));
    }

    [Fact]
    public async Task A_file_finds_its_way_over_small_discs_or_is_told_that_there_is_none()
    {
        const string Clerk = "/jobs/loft-clerk-ledger/storage";
        IHtmlDocument page = await Cabin.Page($"{Clerk}?bytes=2M&from=helper&to=machine");
        Assert.Contains("It goes in 4 pieces", Text(page, "#routes"));
        Assert.Contains("No way leads", Text(await Cabin.Page($"{Clerk}?bytes=2M&from=helper&to=moon"), "#routes"));
        page = await Cabin.Page($"{Clerk}?bytes=2M&from=disc&to=tape&ways=disc > tape, 1000 bytes/s, 2 min, 580K");
        Assert.Contains("tape", Text(page, "#routes table"));
        Assert.Contains("is no way", Text(await Cabin.Page($"{Clerk}?bytes=2M&from=a&to=b&ways=nonsense"), "#routes"));
        Assert.Contains("Nothing that stores", Text(page, ".empty"));
    }
}
