using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>The JSON interface, held to what its description prints.</summary>
public sealed partial class ApiTests(CabinServer cabin) : IClassFixture<CabinServer>
{
    const string Check = "/api/v1/check",
        Map = "/api/v1/map";

    [Fact]
    public async Task Check_answers_the_printed_pack_exactly()
    {
        (HttpStatusCode status, JsonNode got) = await cabin.Post(Check, CabinServer.Sample("slipway.json"));
        Assert.Equal(HttpStatusCode.OK, status);
        JsonNode want = JsonNode.Parse(CabinServer.Sample("slipway.answer.json"))!;

        // Printed shortened: the probability to six places, the why as an ellipsis.
        Assert.Equal((double)want["revision"]!["probability"]!, (double)got["revision"]!["probability"]!, 6);
        got["revision"]!["probability"] = want["revision"]!["probability"]!.DeepClone();
        Assert.NotEmpty(got["findings"]![0]!["why"]!.AsArray());
        got["findings"]![0]!["why"] = want["findings"]![0]!["why"]!.DeepClone();
        AssertSame(want, got, "$");
    }

    /// <summary>Equal as JSON: numbers by value, objects by their fields whatever the order.</summary>
    static void AssertSame(JsonNode? want, JsonNode? got, string path)
    {
        switch (want)
        {
            case JsonObject fields:
                Assert.Equal(fields.Select(f => f.Key).Order(), got!.AsObject().Select(f => f.Key).Order());
                foreach ((string key, JsonNode? value) in fields)
                    AssertSame(value, got[key], $"{path}.{key}");
                break;
            case JsonArray items:
                Assert.True(items.Count == got!.AsArray().Count, $"{path}: {got.ToJsonString()}");
                for (int i = 0; i < items.Count; i++)
                    AssertSame(items[i], got[i], $"{path}[{i}]");
                break;
            case JsonValue value when value.GetValueKind() == System.Text.Json.JsonValueKind.Number:
                Assert.True((decimal)value == (decimal)got!, $"{path}: {got}");
                break;
            default:
                Assert.True(want?.ToJsonString() == got?.ToJsonString(), $"{path}: {got?.ToJsonString()}");
                break;
        }
    }

    /// <summary>
    /// A machine that nothing in the program knows of: 18 bits, three masters, a masked chip, a bank window, an overlay, two
    /// cards.
    /// </summary>
    [Fact]
    public async Task Check_answers_for_a_machine_never_seen_before()
    {
        (HttpStatusCode status, JsonNode answer) = await cabin.Post(Check, CabinServer.Sample("weir.json"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("clear", (string)answer["verdict"]!);
        // 96 KiB on the board less 8 KiB under the start ROM, 8 x 16 KiB behind the window, 32 and 16 KiB on the cards; the
        // blitter sees 32 KiB of the board.
        Assert.Equal((88 + 128 + 48) * 1024, (int)answer["reach"]!["main"]!);
        Assert.Equal(32 * 1024, (int)answer["reach"]!["blitter"]!);
        Assert.Equal(0, (int)answer["reach"]!["disc"]!);
        Assert.Equal(
            [("main", 88 * 1024), ("window", 16 * 1024), ("cards", 48 * 1024)],
            answer["powerUp"]!["lines"]!.AsArray().Select(l => ((string)l!["label"]!, (int)l["bytes"]!))
        );
        Assert.Contains(
            answer["map"]!.AsArray(),
            s =>
                (string)s!["from"]! == "0x00000"
                && (string)s["to"]! == "0x01fff"
                && s["claims"]!.ToJsonString()
                    == """[{"owner":"model:low","kind":"ram","access":"both","masters":["blitter"]},{"owner":"model:start","kind":"rom","access":"read","masters":["main"]}]"""
        );
        Assert.Equal(
            "{\"culvert\":{\"D1\":\"16K\",\"D2\":\"8\"},\"culvert#2\":{\"D1\":\"32K\",\"D2\":\"8\"}}",
            answer["switches"]!.ToJsonString()
        );
    }

    [Theory]
    [InlineData("{", "application/json", HttpStatusCode.BadRequest)]
    [InlineData("{}", "text/plain", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("{}", "application/json", HttpStatusCode.UnprocessableEntity)]
    [InlineData("[]", "application/json", HttpStatusCode.UnprocessableEntity)]
    [InlineData("""{ "format": "rustcabin.pack/1" }""", "application/json", HttpStatusCode.UnprocessableEntity)]
    public async Task Check_refuses_with_a_problem_document(string body, string media, HttpStatusCode expect)
    {
        HttpResponseMessage answer = await cabin.Http.PostAsync(
            Check,
            new StringContent(body, MediaTypeHeaderValue.Parse(media))
        );
        Assert.Equal(expect, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType!.MediaType);
        JsonNode problem = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
        Assert.Equal((int)expect, (int)problem["status"]!);
        Assert.NotEmpty(problem["errors"]!.AsArray());
        Assert.All(problem["errors"]!.AsArray(), e => Assert.Equal(["path", "message"], e!.AsObject().Select(f => f.Key)));
    }

    [Fact]
    public async Task Check_tells_all_errors_with_their_paths()
    {
        string json = CabinServer
            .Sample("slipway.json")
            .Instead("\"0x800000\"", "\"0x80000G\"")
            .Instead("\"heatW\"", "\"heat\"")
            .Instead("\"way\": \"socket\"", "\"way\": \"nail\"");
        (HttpStatusCode status, JsonNode problem) = await cabin.Post(Check, json);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(
            ["jobs[0].add[0].way", "models[0].autoWindows[0].base", "parts[0].heat"],
            problem["errors"]!.AsArray().Select(e => (string)e!["path"]!).Order()
        );
    }

    [Fact]
    public async Task Check_wants_to_know_which_of_several_jobs()
    {
        JsonObject pack = JsonNode.Parse(CabinServer.Sample("slipway.json"))!.AsObject();
        JsonNode second = pack["jobs"]![0]!.DeepClone();
        second["id"] = "other";
        second["add"] = new JsonArray();
        pack["jobs"]!.AsArray().Add(second);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await cabin.Post(Check, pack.ToJsonString())).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await cabin.Post($"{Check}?job=nobody", pack.ToJsonString())).Status);
        (HttpStatusCode status, JsonNode answer) = await cabin.Post($"{Check}?job=other", pack.ToJsonString());
        Assert.Equal((HttpStatusCode.OK, 196608), (status, (int)answer["reach"]!["cpu"]!));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task More_than_5_MB_is_too_large_whether_its_length_is_told_or_not(bool told)
    {
        HttpContent body = told ? new ByteArrayContent(new byte[6_000_000]) : new StreamContent(new EndlessStream(6_000_000));
        body.Headers.ContentType = new MediaTypeHeaderValue("application/json");
        HttpResponseMessage answer = await cabin.Http.PostAsync(Check, body);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.StatusCode);
    }

    [Fact]
    public async Task Map_gives_segments_fights_mirrors_and_reach()
    {
        (HttpStatusCode status, JsonNode map) = await cabin.Post(
            Map,
            """
            { "addressBits": 16, "masters": ["cpu", "video"], "claims": [
              { "id": "board", "kind": "ram", "base": "0", "size": "32K" },
              { "id": "card", "kind": "ram", "base": "0x7000", "size": "8K", "masters": ["cpu"] },
              { "id": "chip", "kind": "io", "base": "0xA000", "size": "4K", "mask": "0xD000", "masters": ["cpu"] },
              { "id": "os", "kind": "rom", "base": "0xE000", "size": "8K" } ] }
            """
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            """[{"from":"0x7000","to":"0x7fff","claims":["board","card"],"masters":["cpu"]},{"from":"0x8000","to":"0x8fff","claims":["card","chip"],"masters":["cpu"]}]""",
            map["fights"]!.ToJsonString()
        );
        Assert.Equal("""[{"claim":"chip","base":"0x8000","size":4096}]""", map["mirrors"]!.ToJsonString());
        Assert.Equal("""{"cpu":40960,"video":32768}""", map["reach"]!.ToJsonString());
        Assert.Equal(
            """{"from":"0x8000","to":"0x8fff","claims":[{"owner":"card","kind":"ram","access":"both","masters":["cpu"]},{"owner":"chip","kind":"io","access":"both","masters":["cpu"]}]}""",
            map["segments"]!.AsArray().First(s => (string)s!["from"]! == "0x8000")!.ToJsonString()
        );
    }

    [Fact]
    public async Task Map_refuses_what_cannot_be_resolved()
    {
        (HttpStatusCode status, JsonNode problem) = await cabin.Post(
            Map,
            """
            { "addressBits": 16, "masters": [], "claims": [ { "id": "a", "kind": "ram", "size": "0", "base": "x" }, { "id": "a",
                "kind": "ram", "auto": true, "size": "1K" }, { "id": "b", "kind": "rom", "base": "0", "size": "1",
                "overlays": ["z"], "masters": ["dma"] } ] }
            """
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(
            [
                "claims[0].base",
                "claims[0].size",
                "claims[1].auto",
                "claims[1].id",
                "claims[2].masters",
                "claims[2].overlays[0]",
                "masters",
            ],
            problem["errors"]!.AsArray().Select(e => (string)e!["path"]!).Order()
        );
    }

    [Fact]
    public async Task Identify_gives_chances_contradictions_and_the_next_look()
    {
        JsonNode model = JsonNode.Parse(CabinServer.Sample("slipway.json"))!["models"]![0]!;
        string Ask(string seen) => $$"""{ "model": {{model.ToJsonString()}}, "seen": {{seen}} }""";
        (HttpStatusCode status, JsonNode answer) = await cabin.Post(
            "/api/v1/identify",
            Ask("""{ "legend": "BR-4", "rear-label": "16 B" }""")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            [("b2", 0.014563), ("b4", 0.941748), ("b7", 0.043689)],
            answer["revisions"]!.AsArray().Select(r => ((string)r!["id"]!, Math.Round((double)r["probability"]!, 6)))
        );
        Assert.Equal("""[{"clue":"rear-label","says":["b7"]}]""", answer["contradictions"]!.ToJsonString());
        Assert.Null(answer["next"]);
        (_, answer) = await cabin.Post("/api/v1/identify", Ask("{}"));
        Assert.Equal(("legend", 4m), ((string)answer["next"]!["clue"]!, (decimal)answer["next"]!["minutes"]!));
        Assert.Equal(1.36057, (double)answer["next"]!["bits"]!, 5);
        (status, answer) = await cabin.Post("/api/v1/identify", Ask("""{ "stripe": "red" }"""));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal("seen.stripe", (string)answer["errors"]![0]!["path"]!);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await cabin.Post("/api/v1/identify", "{}")).Status);
    }

    [Theory]
    [InlineData(
        "memory/bank",
        """{ "dataBits": 8, "parityBits": 1, "type": "64Kx1" }""",
        """{"chips":9,"bytes":65536,"pins":16,"joints":144}"""
    )]
    [InlineData(
        "memory/sectors",
        """{ "sectors": 930, "reservedSectors": 12, "bytesPerSector": 320, "linkBytes": 4, "files": [9000, 0] }""",
        """{"capacityBytes":297600,"freeSectors":888,"files":[{"bytes":9000,"sectors":29},{"bytes":0,"sectors":1}]}"""
    )]
    [InlineData(
        "memory/arrangements",
        """{ "baseBytes": 65536, "capBytes": 524288, "dataBits": 8, "parityBits": 0, "banks": 2, "types": ["64Kx1", "256Kx1"], "mix": "alike", "targetBytes": 327680, "stock": { "256Kx1": 7 }, "prices": { "256Kx1": 2.5 }, "socketed": true }""",
        """{"arrangements":[{"banks":["256Kx1",null],"totalBytes":327680,"usableBytes":327680,"unusedBytes":0,"buy":{"256Kx1":1},"cost":2.5,"joints":0},{"banks":["256Kx1","256Kx1"],"totalBytes":589824,"usableBytes":524288,"unusedBytes":65536,"buy":{"256Kx1":9},"cost":22.5,"joints":0}]}"""
    )]
    [InlineData(
        "pins",
        """{ "package": "QFP-64", "pins": [50], "view": "above" }""",
        """{"pins":[{"pin":50,"side":"top","fromCorner":2,"corner":"top-right","neighbours":[49,51]}]}"""
    )]
    [InlineData(
        "pins",
        """{ "package": "DIP-40", "pins": [1, 31], "view": "below" }""",
        """{"pins":[{"pin":1,"side":"right","fromCorner":1,"corner":"top-right","neighbours":[2]},{"pin":31,"side":"left","fromCorner":10,"corner":"top-left","neighbours":[30,32]}]}"""
    )]
    [InlineData(
        "speed",
        """{ "parts": [ { "name": "processor", "seconds": 80, "factor": 4 }, { "name": "memory", "seconds": 15, "factor": 1.5 }, { "name": "storage", "seconds": 5, "factor": 1 } ], "measured": { "before": [100, 102], "after": [50] } }""",
        """{"predictedSeconds":35,"predictedRatio":2.857142857142857,"measuredRatio":2.02,"spread":[2,2.04]}"""
    )]
    [InlineData(
        "speed",
        """{ "parts": [ { "name": "all", "seconds": 10, "factor": 2 } ] }""",
        """{"predictedSeconds":5,"predictedRatio":2,"measuredRatio":null,"spread":null}"""
    )]
    public async Task A_call_answers_field_for_field(string call, string body, string answer)
    {
        (HttpStatusCode status, JsonNode given) = await cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(answer, given.ToJsonString());
    }

    [Fact]
    public async Task A_marking_is_read_with_its_date()
    {
        (_, JsonNode answer) = await cabin.Post("/api/v1/memory/marking", """{ "text": "xx41256-12 8739" }""");
        JsonNode reading = Assert.Single(answer["readings"]!.AsArray())!;
        Assert.Equal(
            """{"family":"DRAM","organisation":"256Kx1","ns":120,"pins":16,"dateCode":{"year":1987,"week":39},"score":1""",
            reading.ToJsonString()[..reading.ToJsonString().IndexOf(",\"why\"", StringComparison.Ordinal)]
        );
    }

    [Theory]
    [InlineData("memory/bank", """{ "dataBits": 8, "parityBits": 0, "type": "99Kx1" }""", "type")]
    [InlineData(
        "memory/bank",
        """{ "dataBits": 0, "parityBits": -1, "type": "64Kx1", "colour": 1 }""",
        "colour dataBits parityBits"
    )]
    [InlineData("memory/bank", "{}", "dataBits type")]
    [InlineData(
        "memory/arrangements",
        """{ "dataBits": 8, "banks": 2, "types": ["64Kx1", "x"], "mix": "odd", "targetBytes": 1.5, "stock": { "y": 1 }, "prices": { "64Kx1": "much" } }""",
        "mix prices.64Kx1 stock.y targetBytes types[1]"
    )]
    [InlineData(
        "memory/arrangements",
        """{ "dataBits": 8, "banks": 16, "types": ["64Kx1", "256Kx1", "64Kx4"], "targetBytes": 0 }""",
        "banks"
    )]
    [InlineData("memory/marking", "{}", "text")]
    [InlineData(
        "memory/sectors",
        """{ "sectors": 10, "reservedSectors": 11, "bytesPerSector": 4, "linkBytes": 4, "files": [0.5] }""",
        "files[0] linkBytes reservedSectors"
    )]
    [InlineData("memory/sectors", """{ "sectors": 10, "bytesPerSector": 0 }""", "bytesPerSector")]
    [InlineData("pins", """{ "package": "QFP-63", "pins": [1], "view": "aside" }""", "package view")]
    [InlineData("pins", """{ "package": "DIP-8", "pins": [1, 9, 0] }""", "pins[1] pins[2]")]
    [InlineData(
        "speed",
        """{ "parts": [ { "seconds": -1, "factor": 0 } ], "measured": { "before": ["x"] } }""",
        "measured.before[0] parts[0].factor parts[0].seconds"
    )]
    public async Task What_does_not_validate_is_422_with_every_path(string call, string body, string paths)
    {
        (HttpStatusCode status, JsonNode problem) = await cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(
            paths,
            string.Join(' ', problem["errors"]!.AsArray().Select(e => (string)e!["path"]!).Order(StringComparer.Ordinal))
        );
    }

    [Fact]
    public async Task The_interface_is_described()
    {
        JsonNode document = JsonNode.Parse(await cabin.Http.GetStringAsync("/openapi/v1.json"))!;
        Assert.Equal(ApiPaths.All, document["paths"]!.AsObject().Select(p => p.Key).Order(StringComparer.Ordinal));
        Assert.Equal(
            ["200", "400", "404", "413", "415", "422"],
            document["paths"]!["/api/v1/check"]!["post"]!["responses"]!.AsObject().Select(r => r.Key).Order()
        );
    }

    /// <summary>Calls that take or give files.</summary>
    static readonly string[] Files = ["/api/v1/rom/", "/api/v1/storage/image"];

    [Fact]
    public async Task Every_call_is_described_with_what_it_takes_and_gives()
    {
        JsonNode document = JsonNode.Parse(await cabin.Http.GetStringAsync("/openapi/v1.json"))!;
        JsonObject schemas = document["components"]!["schemas"]!.AsObject();
        foreach ((string path, JsonNode? call) in document["paths"]!.AsObject())
        {
            JsonNode post = call!["post"]!;
            foreach (JsonNode? body in (JsonNode?[])[post["requestBody"], post["responses"]!["200"]])
            {
                JsonNode schema = body!["content"]!.AsObject().First().Value!["schema"]!;
                if ((string?)schema["$ref"] is not { } named)
                    Assert.True(Files.Any(f => path.StartsWith(f, StringComparison.Ordinal)) && schema["type"] is not null, path);
                else
                    Assert.NotEmpty(schemas[named["#/components/schemas/".Length..]]!["properties"]!.AsObject());
            }
        }
        // What is declared of a field is in its description.
        JsonNode bits = schemas["Model"]!["properties"]!["addressBits"]!;
        Assert.Equal((1, 40), ((int)bits["minimum"]!, (int)bits["maximum"]!));
        Assert.Contains("address space", (string)bits["description"]!);
    }
}
