using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Sockets;
using System.Text;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using RustCabin.Web.SignIn;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>No small request takes the machine, and none ends in 500. What is promised: docs/security.md.</summary>
public sealed class SafeTests : OnACabin
{
    async Task<(HttpStatusCode, string)> Transform(int images, string ops, int bytes = 1 << 20)
    {
        var form = new MultipartFormDataContent { { new StringContent(ops), "ops" } };
        for (int i = 0; i < images; i++)
            form.Add(new ByteArrayContent(new byte[bytes]), "image", $"{i}.bin");
        HttpResponseMessage answer = await Cabin.Http.PostAsync("/api/v1/rom/transform", form);
        return (answer.StatusCode, answer.IsSuccessStatusCode ? "" : await answer.Content.ReadAsStringAsync());
    }

    static string Ops(int count, string op) => $"[{string.Join(',', Enumerable.Repeat(op, count))}]";

    [Theory]
    [InlineData(1, 64, """{"op":"swap16"}""", true, "")]
    [InlineData(1, 65, """{"op":"swap16"}""", false, "64 are the most")]
    [InlineData(16, 1, """{"op":"swap16"}""", true, "")]
    [InlineData(17, 1, """{"op":"swap16"}""", false, "16 are the most")]
    [InlineData(1, 8, """{"op":"double"}""", false, "more than 256 MiB")]
    [InlineData(1, 40, """{"op":"pad","size":"16M"}""", false, "more than 256 MiB")]
    public async Task A_chain_has_a_budget_that_is_held_before_it_starts(int images, int count, string op, bool done, string why)
    {
        var clock = Stopwatch.StartNew();
        (HttpStatusCode status, string body) = await Transform(images, Ops(count, op));
        Assert.Equal(done ? HttpStatusCode.OK : HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(why, body);
        Assert.True(done || clock.Elapsed < TimeSpan.FromSeconds(3), $"{clock.Elapsed}");
    }

    /// <summary>A pack that held a core for 28 s, four times at once: pages go on being answered, and all come to an
    /// end.</summary>
    [Fact]
    public async Task Heavy_questions_have_ten_seconds_and_two_places_and_undecided_is_not_told_as_impossible()
    {
        string heavy = CabinServer.Sample("settings-not-decided.json");
        var clock = Stopwatch.StartNew();
        Task<HttpResponseMessage>[] asked =
        [
            .. Enumerable
                .Range(0, 4)
                .Select(_ =>
                    Cabin.Http.PostAsync("/api/v1/settings", new StringContent(heavy, Encoding.UTF8, "application/json"))
                ),
        ];
        await Task.Delay(500);
        var page = Stopwatch.StartNew();
        Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync("/cupboard")).StatusCode);
        Assert.True(page.Elapsed < TimeSpan.FromSeconds(5), $"the page took {page.Elapsed}");
        HttpResponseMessage[] answers = await Task.WhenAll(asked);
        Assert.True(clock.Elapsed < TimeSpan.FromSeconds(25), $"all took {clock.Elapsed}");
        Assert.Contains(answers, a => a.StatusCode == HttpStatusCode.OK);
        foreach (HttpResponseMessage answer in answers)
            if (answer.StatusCode == HttpStatusCode.ServiceUnavailable)
                Assert.Equal(TimeSpan.FromSeconds(5), answer.Headers.RetryAfter!.Delta);
            else
            {
                Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
                JsonNode body = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
                Assert.Empty(body["clash"]!.AsArray());
                Assert.True(body["undecided"] is not null || body["solutions"]!.AsArray().Count > 0, body.ToJsonString());
            }
    }

    [Fact]
    public async Task Masks_whose_switches_make_too_many_mirrors_are_refused_before_the_solver()
    {
        var clock = Stopwatch.StartNew();
        (HttpStatusCode status, JsonNode body) = await Cabin.Post(
            "/api/v1/settings",
            CabinServer.Sample("settings-holds-core.json")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("mirrors", body["errors"]![0]!["message"]!.GetValue<string>());
        Assert.True(clock.Elapsed < TimeSpan.FromSeconds(5), $"{clock.Elapsed}");
    }

    [Fact]
    public async Task Masks_that_make_too_many_mirrors_are_refused_at_once()
    {
        string claims = string.Join(
            ',',
            Enumerable
                .Range(0, 61)
                .Select(i => $$"""{ "id": "c{{i}}", "kind": "io", "base": "0x{{i:X}}", "size": "1", "mask": "0x0000FF" }""")
        );
        var clock = Stopwatch.StartNew();
        (HttpStatusCode status, JsonNode body) = await Cabin.Post(
            "/api/v1/map",
            $$"""{ "addressBits": 24, "masters": ["cpu"], "claims": [{{claims}}] }"""
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("100,000 are the most", body["errors"]![0]!["message"]!.ToString());
        Assert.True(clock.Elapsed < TimeSpan.FromSeconds(2), $"{clock.Elapsed}");
    }

    [Fact]
    public async Task At_most_200_errors_are_listed()
    {
        string pack = $$"""{ "format": "rustcabin.pack/1", "titles": [{{string.Join(',', Enumerable.Repeat("{}", 1500))}}] }""";
        (HttpStatusCode status, JsonNode body) = await Cabin.Post("/api/v1/check", pack);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(200, body["errors"]!.AsArray().Count);
    }

    [Theory]
    [InlineData("Origin", "http://elsewhere.example", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "null", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "cross-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-origin", HttpStatusCode.OK)]
    [InlineData("Sec-Fetch-Site", "none", HttpStatusCode.OK)]
    [InlineData("X-Nothing", "1", HttpStatusCode.OK)]
    public async Task Other_pages_are_kept_out_of_the_interface(string header, string value, HttpStatusCode expected)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/v1/memory/marking")
        {
            Content = new StringContent("""{ "text": "41256-12" }""", Encoding.UTF8, "application/json"),
        };
        request.Headers.TryAddWithoutValidation(header, value);
        HttpResponseMessage answer = await Cabin.Http.SendAsync(request);
        Assert.Equal(expected, answer.StatusCode);
        Assert.Equal("same-origin", answer.Headers.GetValues("Cross-Origin-Resource-Policy").Single());
    }

    [Fact]
    public async Task A_call_that_does_not_say_json_is_refused()
    {
        var body = new StringContent("""{ "text": "41256-12" }""");
        body.Headers.ContentType = new MediaTypeHeaderValue("text/plain");
        Assert.Equal(
            HttpStatusCode.UnsupportedMediaType,
            (await Cabin.Http.PostAsync("/api/v1/memory/marking", body)).StatusCode
        );
    }

    [Theory]
    [InlineData("/api/v1/map", """{ "addressBits": 16, "masters": ["cpu", "cpu"], "claims": [] }""")]
    [InlineData("/api/v1/pins", """{ "package": ")02,03(001-PFQ", "pins": [1] }""")]
    [InlineData("/api/v1/pins", """{ "package": "DIP-8", "pins": [1,2,3,4,5,6,7,8,1] }""")]
    public async Task What_once_ended_in_500_is_refused(string url, string body) =>
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Cabin.Post(url, body)).Status);

    [Fact]
    public async Task Half_a_character_in_a_chain_is_refused() =>
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Transform(1, """[{"op":"\ud800"}]""", 64)).Item1);

    [Theory]
    [InlineData("/jobs/slip-3-winter/wants", "form[action*='handler=Limits'] button", "Want", "want", "{")]
    [InlineData("/jobs/slip-3-winter/wants", "form[action*='handler=Limits'] button", "Want", "want", "{\"memory\":\"\\ud800\"}")]
    [InlineData("/jobs/slip-3-winter/wants", "form[action*='handler=Limits'] button", "Ask", "amount", "4M")]
    [InlineData("/jobs/slip-2-system/rom", "form[action*='handler=Prove'] button", "Plan", "ns", "120")]
    [InlineData("/sheets/models/brindle-16", "#fields [name=op]", "Fields", "v:x:y", "1")]
    [InlineData("/sheets/models/brindle-16", "#fields [name=op]", "Fields", "op", "up revisions[x]")]
    public async Task No_form_ends_in_500(string page, string form, string handler, string field, string value)
    {
        IHtmlDocument shown = await Cabin.Page(page);
        IHtmlFormElement sent = Form(shown, form);
        sent.SetAttribute("action", $"{page}?handler={handler}");
        (HttpStatusCode status, _) = await Cabin.Press(sent, (field, value));
        Assert.True((int)status < 500, $"{status}");
    }

    [Fact]
    public async Task Going_back_to_a_place_that_no_header_can_name_goes_to_the_shelf()
    {
        IHtmlDocument page = await Cabin.Page("/cupboard");
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=lamp]"), ("lamp", "on"), ("back", "/é"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Shelf", Text(page, "h1"));
    }

    [Theory]
    [InlineData("TRACE / HTTP/1.1\r\nHost: HOST\r\n\r\n", "405")]
    [InlineData(
        "POST /api/v1/memory/marking HTTP/1.1\r\nHost: HOST\r\nContent-Type: application/json\r\n"
            + "Transfer-Encoding: chunked\r\n\r\nzz\r\n",
        "400"
    )]
    public async Task Requests_that_no_client_would_send_are_refused(string request, string status)
    {
        using var socket = new TcpClient();
        Uri address = Cabin.Http.BaseAddress!;
        await socket.ConnectAsync(address.Host, address.Port);
        NetworkStream stream = socket.GetStream();
        await stream.WriteAsync(Encoding.ASCII.GetBytes(request.Replace("HOST", address.Authority)));
        byte[] answer = new byte[64];
        int read = await stream.ReadAtLeastAsync(answer, 12, throwOnEndOfStream: false);
        Assert.StartsWith($"HTTP/1.1 {status}", Encoding.ASCII.GetString(answer, 0, read));
    }

    [Theory]
    [InlineData("--urls=http://0.0.0.0:0", "open to other machines")]
    [InlineData("--urls=http://127.0.0.2:0", "open to other machines")]
    [InlineData("--urls=http://*:0", "open to other machines")]
    [InlineData("--urls=https://127.0.0.1:0", "wants a certificate")]
    [InlineData("--urls=nonsense", "is no address")]
    [InlineData("--Kestrel:Endpoints:x:Url=http://0.0.0.0:0", "open to other machines")]
    public void What_listens_is_this_machines_own(string setting, string why)
    {
        string data = Directory.CreateTempSubdirectory("cabin").FullName;
        ListeningException refused = Assert.Throws<ListeningException>(() =>
            RustCabin.Web.Cabin.Build(["--data", data, setting])
        );
        Assert.Contains(why, refused.Message);
        Directory.Delete(data, recursive: true);
    }
}
