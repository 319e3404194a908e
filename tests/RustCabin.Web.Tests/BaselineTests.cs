using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The Baseline station, the cupboard and the editor, as a person's browser asks for them.</summary>
public sealed class BaselineTests : OnACabin
{
    const string Winch = "/jobs/winch-16c-more/baseline",
        Satchel = "/jobs/ferry-satchel-stack/baseline";

    [Fact]
    public async Task A_reading_is_compared_with_the_unit_as_it_stands()
    {
        IHtmlDocument page = await Cabin.Page(Satchel);
        Assert.Contains("240 KiB", Text(page, ".reading"));
        Assert.Contains("BASE-UNTESTED", Found(page));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, ".reading"), ("seen", "three"), ("seen", "16"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"three\" is not a size", Text(page, ".notice"));
        Assert.Equal("three", ((IHtmlInputElement)page.QuerySelector("input[name=seen]")!).Value);
        (_, page) = await Cabin.Press(Form(page, ".reading"), ("seen", "192"), ("seen", "20"));
        Assert.Contains("48 KiB short", Text(page, ".reading"));
        Assert.Contains("BASE-FAULT", Found(page));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        Assert.Contains("BASE-UNTESTED", Found(page));
    }

    [Fact]
    public async Task A_rail_out_of_its_band_is_a_stop_and_a_wrong_figure_is_kept()
    {
        IHtmlDocument page = await Cabin.Page(Winch);
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=volts]"), ("volts", "4,6V"), ("volts", "12"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal("4,6V", ((IHtmlInputElement)page.QuerySelector("[name=volts]")!).Value);
        (_, page) = await Cabin.Press(Form(page, "[name=volts]"), ("volts", "4,6"), ("volts", ""));
        Assert.Contains("BASE-RAIL", Found(page));
        Assert.Contains("qualified person", Text(page, ".tray"));
        Assert.Contains("+9 V, not measured", page.QuerySelector(".gauges")!.GetAttribute("aria-label"));
    }

    [Fact]
    public async Task Survey_runs_notes_and_belongings_are_kept_with_the_unit()
    {
        IHtmlDocument page = await Cabin.Page(Winch);
        Assert.Contains("sound capacitors", Text(page, "[aria-labelledby=condition-title]"));
        (_, page) = await Cabin.Press(Form(page, "#ask-cells"), ("state", "bad"));
        Assert.Contains("COND-CELL", Found(page));
        (_, page) = await Cabin.Press(Form(page, "[name=suppliedFor]"), ("suppliedFor", "115"), ("mainsHere", "230"));
        Assert.Contains("COND-MAINS", Found(page));
        (_, page) = await Cabin.Press(Form(page, "[name=seconds]"), ("name", "scroll"), ("seconds", "3.1 3.3 3.2"));
        Assert.Equal(
            ["scroll", "3.20 s", "3.10 to 3.30", "3"],
            page.QuerySelectorAll("[aria-labelledby=runs-title] tbody tr:last-child > *").Select(c => c.TextContent)
        );
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=seconds]"), ("name", "scroll"), ("seconds", "fast"));
        Assert.Equal(
            (HttpStatusCode.UnprocessableEntity, "fast"),
            (status, ((IHtmlInputElement)page.QuerySelector("[name=seconds]")!).Value)
        );
        (_, page) = await Cabin.Press(Form(page, "[name=text]"), ("text", "hums <b>"), ("fault", "true"));
        Assert.Contains("hums <b>", Text(page, ".tray"));
        (_, page) = await Cabin.Press(
            Form(page, "[name=what]"),
            ("what", "disc of drawings"),
            ("place", "shelf B"),
            ("original", "false")
        );
        Assert.Equal(
            ["disc of drawings", "accessory", "shelf B"],
            page.QuerySelectorAll("[aria-labelledby=belongs-title] tbody tr:last-child > *").Take(3).Select(c => c.TextContent)
        );
    }

    [Fact]
    public async Task Inherited_steps_are_told_apart_and_lead_the_build_sheet()
    {
        IHtmlDocument page = await Cabin.Page(Satchel);
        (_, page) = await Cabin.Press(
            page.QuerySelectorAll("form.asked")
                .OfType<IHtmlFormElement>()
                .First(f => f.TextContent.Contains("Unplug the lamp converter")),
            ("proof", "done")
        );
        Assert.Contains("WORK-UNPROVEN", Found(page));
        page = await Cabin.Page("/jobs/ferry-satchel-stack/build");
        Assert.Equal("step-prove-glowstrip-feed", page.QuerySelectorAll("[id^=step-prove]").Single().Id);
    }

    async Task<(HttpStatusCode, IHtmlDocument)> Upload(byte[] bytes, string name)
    {
        IHtmlDocument page = await Cabin.Page(Winch);
        IHtmlFormElement form = Form(page, "[name=photo][type=file]");
        var content = new MultipartFormDataContent
        {
            {
                new StringContent(((IHtmlInputElement)form.QuerySelector("[name=__RequestVerificationToken]")!).Value),
                "__RequestVerificationToken"
            },
            { new ByteArrayContent(bytes), "photo", name },
            { new StringContent("the board"), "note" },
        };
        HttpResponseMessage answer = await Cabin.Http.PostAsync(form.GetAttribute("action"), content);
        return (answer.StatusCode, await CabinServer.Html(answer));
    }

    [Fact]
    public async Task Photos_that_are_none_are_refused_with_the_reason()
    {
        (HttpStatusCode status, IHtmlDocument page) = await Upload("a list of parts"u8.ToArray(), "board.png");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("board.png was refused: This is not a PNG, JPEG or WebP picture by its contents", Text(page, ".notice"));
        (status, page) = await Upload(
            "<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"u8.ToArray(),
            "board.svg"
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (status, page) = await Upload(new byte[30_000_000], "large.jpg");
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, status);
        Assert.Contains("large.jpg is 30 MB; 8 MB are allowed", Text(page, ".notice"));
        Assert.Empty(page.QuerySelectorAll(".photos img"));
    }

    [Fact]
    public async Task A_photo_is_kept_served_as_what_it_is_and_taken_off_and_put_back()
    {
        byte[] png = Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=="
        );
        (HttpStatusCode status, IHtmlDocument page) = await Upload(png, "<b>.png");
        Assert.Equal(HttpStatusCode.OK, status);
        string url = page.QuerySelector(".photos img")!.GetAttribute("src")!;
        HttpResponseMessage picture = await Cabin.Http.GetAsync(url);
        Assert.Equal("image/png", picture.Content.Headers.ContentType!.MediaType);
        Assert.Equal("nosniff", picture.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Equal(png, await picture.Content.ReadAsByteArrayAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync(url.Replace("winch-16c", "slip-3"))).StatusCode);
        (_, page) = await Cabin.Press(Form(page, ".photos button"));
        Assert.Empty(page.QuerySelectorAll(".photos img"));
        (_, page) = await Cabin.Press(Form(page, ".put-back button"));
        Assert.Single(page.QuerySelectorAll(".photos img"));
    }

    [Fact]
    public async Task The_cupboard_counts_and_keeps_what_was_typed_wrongly()
    {
        IHtmlDocument page = await Cabin.Page("/cupboard");
        Assert.Equal(
            ["Fathom memory board", "3", "1", "2"],
            page.QuerySelectorAll("[aria-labelledby=buy-title] tbody tr")
                .First(r => r.TextContent.Contains("Fathom"))
                .Children.Select(c => c.TextContent)
        );
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "#put [name='Form.Item']"),
            ("Form.Kind", "chip"),
            ("Form.Item", "64Kx1"),
            ("Form.Name", "=1+1"),
            ("Form.Count", "lots")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("must be a number", Text(page, ".wrong"));
        Assert.Equal("lots", ((IHtmlInputElement)page.QuerySelector("#count")!).Value);
        (_, page) = await Cabin.Press(
            Form(page, "#put [name='Form.Item']"),
            ("Form.Kind", "chip"),
            ("Form.Item", "64Kx1"),
            ("Form.Name", "=1+1"),
            ("Form.Count", "4")
        );
        Assert.Contains("=1+1", Text(page, ".stock"));
        string csv = await Cabin.Http.GetStringAsync("/cupboard?handler=Csv");
        Assert.Contains("chip,64Kx1,'=1+1,4,", csv);
        (_, page) = await Cabin.Press(Form(page, ".counter [aria-label='One fewer of =1+1']"), ("by", "-1"));
        Assert.Contains("3", Text(page, ".counter:has([aria-label='One fewer of =1+1'])"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        Assert.DoesNotContain("=1+1", Text(page, ".stock"));
    }

    [Fact]
    public async Task The_fit_matrix_is_narrowed_by_want_and_by_stock()
    {
        async Task<string[]> Parts(string query) =>
            [
                .. (await Cabin.Page($"/jobs/slip-3-winter/fit{query}"))
                    .QuerySelectorAll(".matrix tbody th")
                    .Select(t => t.FirstChild!.TextContent),
            ];
        Assert.Equal(["Fathom memory board"], await Parts("?stock=true"));
        Assert.Contains("Lantern hatch memory", await Parts("?want=memory"));
        Assert.Empty(await Parts("?want=nothing-does"));
    }

    [Fact]
    public async Task A_sheet_is_changed_in_its_fields_saved_and_taken_back()
    {
        IHtmlDocument page = await Cabin.Page("/sheets/models/clerk");
        Assert.Contains("unit Net loft Clerk", Text(page, ".used"));
        (_, page) = await Cabin.Press(Form(page, "#fields"), ("f:claims[0].size", "6G4"));
        Assert.Contains("\"6G4\" is not a size", Text(page, ".wrongs"));
        Assert.Equal("6G4", ((IHtmlInputElement)page.QuerySelector("[name='f:claims[0].size']")!).Value);
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "#fields"), ("op", "save"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (_, page) = await Cabin.Press(Form(page, "#fields"), ("f:claims[0].size", "128K"));
        Assert.Contains("128 KiB", Text(page, ".screen"));
        (_, page) = await Cabin.Press(Form(page, "#fields"), ("op", "save"));
        Assert.Contains("Saved", Text(page, ".saved"));
        page = await Cabin.Page("/import");
        Assert.Contains("the editor: model clerk", Text(page, ".earlier"));
        await Cabin.Press(Form(page, ".earlier button"));
        Assert.Contains("\"80K\"", Text(await Cabin.Page("/sheets/models/clerk"), "#raw"));
    }

    [Fact]
    public async Task A_sheet_that_others_lean_on_is_not_saved_without_what_they_need()
    {
        IHtmlDocument page = await Cabin.Page("/sheets/models/clerk");
        int c = page.QuerySelectorAll("[name^='f:revisions']").Length / 2;
        (_, page) = await Cabin.Press(Form(page, "#fields"), ("op", $"drop revisions[{c - 1}]"));
        Assert.Contains("is not a revision of this model", Text(page, ".wrongs"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        Assert.Null(page.QuerySelector(".wrongs"));
        string raw = page.QuerySelector("#raw")!.TextContent.Instead("\"id\": \"ports\"", "\"id\": \"doors\"");
        (_, page) = await Cabin.Press(Form(page, "#raw"), ("raw", raw));
        Assert.Equal("doors", ((IHtmlInputElement)page.QuerySelector("[name='f:claims[2].id']")!).Value);
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "#raw"), ("raw", "{ not json"));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "{ not json"), (status, page.QuerySelector("#raw")!.TextContent));
    }

    [Fact]
    public async Task Two_tabs_on_one_draft_do_not_overwrite_each_other()
    {
        IHtmlDocument one = await Cabin.Page("/sheets/parts/fathom"),
            two = await Cabin.Page("/sheets/parts/fathom");
        await Cabin.Press(Form(one, "#fields"), ("f:price", "40"));
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(Form(two, "#fields"), ("f:price", "41"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        // What was typed is shown, and what the other tab wrote is what is kept.
        Assert.Equal("41", ((IHtmlInputElement)page.QuerySelector("[name='f:price']")!).Value);
        page = await Cabin.Page("/sheets/parts/fathom");
        Assert.Equal("40", ((IHtmlInputElement)page.QuerySelector("[name='f:price']")!).Value);
    }

    [Fact]
    public async Task One_sheet_is_exported_alone_and_a_copy_is_begun()
    {
        string pack = await Cabin.Http.GetStringAsync("/export/sheets/part/fathom");
        Assert.Contains("\"fathom\"", pack);
        Assert.DoesNotContain("lantern", pack);
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/export/sheets/part/nothing")).StatusCode);
        IHtmlDocument page = await Cabin.Page("/sheets/parts/new?from=fathom");
        Assert.Contains("\"id\": \"fathom-copy\"", page.QuerySelector("#raw")!.TextContent);
        Assert.Null(page.QuerySelector("[name='f:id']"));
        // Looking stores nothing: there is no draft yet, nothing to export, and another beginning is itself.
        Assert.Null((await Cabin.Page("/sheets")).QuerySelector(".notice"));
        Assert.Null(page.QuerySelector("a[href^='/export/']"));
        page = await Cabin.Page("/sheets/parts/new?from=skerry");
        Assert.Contains("\"id\": \"skerry-copy\"", page.QuerySelector("#raw")!.TextContent);
        Assert.Null(page.QuerySelector("[name='f:id']"));
        page = await Cabin.Page("/sheets/models/new?pattern=8-bit");
        string first = page.QuerySelector("#raw")!.TextContent;
        page = await Cabin.Page("/sheets/models/new?pattern=16-bit");
        Assert.NotEqual(first, page.QuerySelector("#raw")!.TextContent);
        Assert.Null((await Cabin.Page("/sheets")).QuerySelector(".notice"));
    }

    [Fact]
    public async Task A_group_that_nobody_filled_stays_absent_and_what_must_be_answered_is_asked()
    {
        foreach (string part in (string[])["fathom", "quiver", "chanter", "glowstrip"])
        {
            IHtmlDocument page = await Cabin.Page($"/sheets/parts/{part}");
            JsonObject before = JsonNode.Parse(page.QuerySelector("#raw")!.TextContent)!.AsObject();
            (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("#fields")!, ("f:name", "Another name"));
            JsonObject after = JsonNode.Parse(page.QuerySelector("#raw")!.TextContent)!.AsObject();
            Assert.Equal("Another name", $"{after["name"]}");
            Assert.Equal(before.Select(f => f.Key).Order(), after.Select(f => f.Key).Order());
            // No select that must be answered shows an answer that nobody gave.
            Assert.All(
                page.QuerySelectorAll("select[name^='f:storage']")
                    .Cast<IHtmlSelectElement>()
                    .Where(_ => after["storage"] is null),
                s => Assert.Equal("", s.Value)
            );
        }
    }

    [Theory]
    [InlineData("/sheets/models/nothing")]
    [InlineData("/sheets/jobs/slip-3-winter")]
    [InlineData("/sheets/parts/..%2F..%2Fetc")]
    [InlineData("/cupboard?edit=999")]
    [InlineData("/jobs/nobody/baseline")]
    public async Task What_is_not_there_is_not_found(string url) => await Cabin.Page(url, HttpStatusCode.NotFound);
}
