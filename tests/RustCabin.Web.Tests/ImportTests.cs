using System.Net;
using System.Text;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>Bringing packs in through the page, on an empty cabin.</summary>
public sealed class ImportTests() : OnACabin(new() { Demo = false })
{
    async Task<(HttpStatusCode, IHtmlDocument)> Bring(byte[] pack, string name = "pack.json", string mode = "replace")
    {
        IHtmlDocument page = await Cabin.Page("/import");
        var form = new MultipartFormDataContent
        {
            {
                new StringContent(
                    ((IHtmlInputElement)page.QuerySelector("form.import [name=__RequestVerificationToken]")!).Value
                ),
                "__RequestVerificationToken"
            },
            { new ByteArrayContent(pack), "pack", name },
            { new StringContent(mode), "mode" },
        };
        HttpResponseMessage answer = await Cabin.Http.PostAsync("/import", form);
        return (answer.StatusCode, await CabinServer.Html(answer));
    }

    Task<(HttpStatusCode, IHtmlDocument)> Bring(string pack) => Bring(Encoding.UTF8.GetBytes(pack));

    [Fact]
    public async Task An_empty_shelf_offers_the_sample_cabin_and_the_import()
    {
        IHtmlDocument page = await Cabin.Page("/");
        Assert.Contains("The shelf is empty", page.Body!.TextContent);
        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector(".empty form")!);
        Assert.Equal(33, page.QuerySelectorAll(".unit-row").Length);
    }

    [Fact]
    public async Task What_a_sheet_would_bring_is_drawn_before_it_comes()
    {
        byte[] weir = Encoding.UTF8.GetBytes(CabinServer.Sample("weir.json"));
        (_, IHtmlDocument page) = await Bring(weir, mode: "");
        Assert.Contains("nothing is written yet", page.Body!.TextContent);
        Assert.Single(page.QuerySelectorAll(".brings svg"));
        await Bring(weir);
        (_, page) = await Bring(weir, mode: "");
        Assert.Contains("There is nothing to do", page.Body!.TextContent);
        Assert.Empty(page.QuerySelectorAll(".brings"));
    }

    [Fact]
    public async Task A_users_own_machine_gets_the_same_stations_and_right_numbers()
    {
        (HttpStatusCode status, IHtmlDocument page) = await Bring(CabinServer.Sample("weir.json"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("4 written", page.Body!.TextContent);
        page = await Cabin.Page("/jobs/weir-job/memory");
        Assert.Contains("152 KiB", page.QuerySelector(".screen")!.TextContent);
        Assert.Equal(
            ["main", "blitter", "disc"],
            page.QuerySelectorAll(".ladder > text.strong").Take(3).Select(t => t.TextContent)
        );
        Assert.Contains("8 banks", page.QuerySelector(".ladder")!.TextContent);
        page = await Cabin.Page("/jobs/weir-job/build");
        Assert.NotNull(page.QuerySelector("#step-open-open"));
        Assert.NotNull(page.QuerySelector("[id='step-count-culvert#2']"));
        Assert.Contains("25.00 GBP", (await Cabin.Page("/jobs/weir-job/passport")).Body!.TextContent);
    }

    [Fact]
    public async Task What_is_exported_comes_in_again_and_is_exported_to_equal_bytes()
    {
        await Bring(CabinServer.Sample("weir.json"));
        await Bring(CabinServer.Sample("slipway.json"));
        byte[] whole = await Cabin.Http.GetByteArrayAsync("/export"),
            unit = await Cabin.Http.GetByteArrayAsync("/export/units/weir-1");
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/export/units/nobody")).StatusCode);
        Assert.DoesNotContain("brindle", Encoding.UTF8.GetString(unit));

        await using var other = new CabinServer { Demo = false };
        await other.InitializeAsync();
        foreach ((byte[] pack, string url) in ((byte[], string)[])[(unit, "/export/units/weir-1"), (whole, "/export")])
        {
            await other.Import(Encoding.UTF8.GetString(pack));
            Assert.Equal(Encoding.UTF8.GetString(pack), await other.Http.GetStringAsync(url));
        }
    }

    [Fact]
    public async Task Errors_are_listed_with_their_paths_and_nothing_comes_in()
    {
        (HttpStatusCode status, IHtmlDocument page) = await Bring(
            CabinServer
                .Sample("weir.json")
                .Instead("\"base\": \"0x20000\"", "\"base\": \"0x2000G\"")
                .Instead("\"culvert.D2\"", "\"D7\"")
                .Instead("\"way\": \"right\"", "\"way\": \"rihgt\"")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(
            ["models[0].autoWindows[0].base", "parts[0].claims[0].when.D7", "jobs[0].add[0].way"],
            page.QuerySelectorAll("td.mono").Select(t => t.TextContent)
        );
        Assert.Contains("nothing was imported", page.Body!.TextContent);
        Assert.Empty((await Cabin.Page("/")).QuerySelectorAll(".unit-row"));
    }

    [Fact]
    public async Task More_than_5_MB_is_too_large()
    {
        (HttpStatusCode status, _) = await Bring(new byte[6_000_000]);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, status);
    }

    [Theory]
    [InlineData("")]
    [InlineData("not json")]
    [InlineData("{\"format\":\"rustcabin.pack/9\"}")]
    public async Task What_is_no_pack_is_refused(string text) =>
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Bring(text)).Item1);

    [Fact]
    public async Task Hostile_text_is_shown_as_text_everywhere()
    {
        const string Hostile = "<script>alert(1)</script>]]>\u202e\"'&amp;";
        string json = CabinServer
            .Sample("weir.json")
            .Instead("Culvert card", System.Text.Json.JsonEncodedText.Encode(Hostile).ToString())
            .Instead("Weir one", System.Text.Json.JsonEncodedText.Encode(Hostile).ToString());
        Assert.Equal(HttpStatusCode.OK, (await Bring(json)).Item1);
        foreach (
            string url in (string[])
                [
                    "/",
                    "/jobs/weir-job/memory",
                    "/jobs/weir-job/memory?as=table",
                    "/jobs/weir-job/build",
                    "/jobs/weir-job/passport",
                    "/jobs/weir-job/baseline",
                    "/sheets",
                    "/sheets/parts/culvert",
                    "/sheets/units/weir-1",
                    "/search?q=script",
                ]
        )
        {
            IHtmlDocument page = await Cabin.Page(url);
            Assert.DoesNotContain(page.QuerySelectorAll("script"), s => s.TextContent.Length > 0);
            Assert.Contains("alert(1)", page.Body!.TextContent);
        }
    }

    [Fact]
    public async Task A_name_of_4000_characters_and_a_path_in_an_id_are_refused_by_name()
    {
        (HttpStatusCode status, IHtmlDocument page) = await Bring(
            CabinServer
                .Sample("weir.json")
                .Instead("Weir one", new string('w', 4000))
                .Instead("\"id\": \"weir-job\"", "\"id\": \"../../etc\"")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("is 4000 characters long; 200 are allowed", page.Body!.TextContent);
        Assert.Contains("\"../../etc\" is not an identifier", page.Body.TextContent);
    }

    /// <summary>What came in one go from one source is one line, opened for the rest.</summary>
    [Fact]
    public async Task The_sample_packs_are_one_line()
    {
        await using var demo = new CabinServer();
        await demo.InitializeAsync();
        IHtmlDocument page = await demo.Page("/import");
        AngleSharp.Dom.IElement group = Assert.Single(page.QuerySelectorAll(".earlier > details"));
        Assert.Contains("the sample packs", group.QuerySelector("summary")!.TextContent);
        Assert.True(group.QuerySelectorAll("tbody tr").Length > 3);
        Assert.Empty(page.QuerySelectorAll(".earlier > table"));
    }

    [Fact]
    public async Task An_import_is_looked_at_first_and_taken_back_as_a_whole()
    {
        IHtmlDocument page = await Cabin.Page("/import");
        (_, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form.import")!,
            ("Pasted", CabinServer.Sample("weir.json"))
        );
        Assert.Equal(["4 new", "0 changed", "0 here already"], page.QuerySelectorAll(".tally p").Select(p => p.TextContent));
        Assert.Empty((await Cabin.Page("/")).QuerySelectorAll(".unit-row"));
        (_, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form.decide")!,
            ("Pasted", page.QuerySelector("form.decide textarea")!.TextContent),
            ("mode", "replace")
        );
        Assert.Contains("4 written", page.Body!.TextContent);
        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("form.decide")!);
        Assert.Contains("taken back", page.QuerySelector(".earlier")!.TextContent);
        Assert.Empty((await Cabin.Page("/")).QuerySelectorAll(".unit-row"));
    }
}
