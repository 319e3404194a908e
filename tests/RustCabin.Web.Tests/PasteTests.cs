using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;

namespace RustCabin.Web.Tests;

/// <summary>Pasted text as a call and as a page: what is read, what is kept, and what is refused.</summary>
public sealed class PasteTests : OnACabin
{
    [Fact]
    public async Task The_calls_answer_to_the_letter()
    {
        (_, JsonNode paste) = await Cabin.Post(
            "/api/v1/paste",
            """{ "text": "0000-3FFF ROM\n\nwork RAM", "as": null, "addressBits": null }"""
        );
        Assert.Equal(
            """{"as":"map","lines":[{"line":1,"text":"0000-3FFF ROM","read":[{"kind":"rom","name":"ROM","from":0,"to":16383,"size":16384}],"doubt":null},{"line":3,"text":"work RAM","read":[],"doubt":"no address was found"}]}""",
            paste.ToJsonString()
        );
        (_, JsonNode compare) = await Cabin.Post(
            "/api/v1/acts/compare",
            """
            { "a": [ { "do": "wire", "from": "U7.45", "to": "TP3", "mm": null, "colour": null }, { "do": "lift", "chip": "U7", "pins": [1, 2] } ],
              "b": [ { "do": "wire", "from": "U7.45", "to": "TP4", "mm": 20, "colour": null }, { "do": "lift", "chip": "U7", "pins": [2] } ] }
            """
        );
        Assert.Equal(
            """{"both":[[1,1]],"onlyA":[1],"onlyB":[],"against":[{"a":0,"b":0,"why":"U7.45 goes to TP3 in one guide, to TP4 in the other","reading":{"from":"TP3","to":"TP4"}}]}""",
            compare.ToJsonString()
        );
    }

    [Fact]
    public async Task More_than_may_be_read_is_refused_with_its_path()
    {
        foreach (string text in (string[])[string.Concat(Enumerable.Repeat("a\n", 2_001)), new string('é', 100_001)])
        {
            (HttpStatusCode status, JsonNode told) = await Cabin.Post(
                "/api/v1/paste",
                new JsonObject { ["text"] = text }.ToJsonString()
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Contains("\"text\"", told.ToJsonString());
        }
        (HttpStatusCode bad, JsonNode why) = await Cabin.Post(
            "/api/v1/acts/compare",
            """{ "a": [ { "do": "wire" } ], "b": [] }"""
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, bad);
        Assert.Contains("a[0]", why.ToJsonString());
    }

    [Fact]
    public async Task A_map_becomes_a_model_that_the_import_shows_first()
    {
        string page = await Sent(
            "/paste?handler=Keep",
            ("Text", "0000-37FF monitor ROM\n3800-BFFF RAM"),
            ("Name", "Pier Clerk"),
            ("Bits", "16")
        );
        Assert.Contains("The sheet is made", page);
        string pack = new HtmlParser().ParseDocument(page).QuerySelector("textarea[name=Pasted]")!.TextContent;
        Assert.Equal("0x3800", (string?)JsonNode.Parse(pack)!["models"]![0]!["claims"]![1]!["base"]);
        string shown = await Sent("/import", ("Pasted", pack), ("Source", "pasted"));
        Assert.Contains("What it would bring", shown);
        string brought = await Sent("/import", ("Pasted", pack), ("Source", "pasted"), ("mode", "replace"));
        Assert.Contains("Imported", brought);
        Assert.Contains("Pier Clerk", (await Cabin.Page("/sheets")).Body!.TextContent);
    }

    [Theory]
    [InlineData("W4 closed = 2M\nW4 open = 1M\nS1-3 on: slow")]
    [InlineData("1 VPP 28 VCC\n14 GND")]
    [InlineData("J1: GND, +5, /RESET, CLK, D0")]
    [InlineData("8x 41256-12 U1-U8 1.10\n2x 470R R1,R2")]
    [InlineData("Pier Pilot, 512K\nFog Signal, 2 discs")]
    [InlineData("0000-37FF ROM\n3800-BFFF RAM\nC000-C0FF ports\nC100-FFFF unused")]
    public async Task Each_kind_of_sheet_comes_in_without_an_error(string text)
    {
        string page = await Sent("/paste?handler=Keep", ("Text", text), ("Name", "Of the manual"));
        string pack = new HtmlParser().ParseDocument(page).QuerySelector("textarea[name=Pasted]")!.TextContent;
        Assert.Contains("What it would bring", await Sent("/import", ("Pasted", pack), ("Source", "pasted")));
    }

    [Fact]
    public async Task A_doubtful_line_is_kept_only_where_it_is_ticked()
    {
        (string, string)[] typed = [("Text", "0000-3FFF ROM\n4000-7FFF colour latch"), ("Kind", "map"), ("Name", "Two")];
        Assert.DoesNotContain("colour-latch", await Sent("/paste?handler=Keep", typed));
        string ticked = await Sent("/paste?handler=Keep", [.. typed, ("Taken", "2")]);
        Assert.Contains("checked", ticked);
    }

    [Fact]
    public async Task Parts_go_into_the_cupboard_and_a_chip_is_known_by_its_marking()
    {
        string page = await Sent("/paste?handler=Cupboard", ("Text", "8x 41256-12 U1-U8 1.10\n2x 470R R1,R2"), ("Kind", "parts"));
        Assert.Contains("2 kinds are in the cupboard now", page);
        string cupboard = (await Cabin.Page("/cupboard")).Body!.InnerHtml;
        Assert.Contains("41256-12", cupboard);
        Assert.Contains("470R", cupboard);
    }

    [Theory]
    [InlineData("", "Nothing is pasted yet")]
    [InlineData("0000-3FFF ROM", "A name is missing")]
    public async Task What_is_missing_is_said(string text, string says) =>
        Assert.Contains(says, await Sent("/paste?handler=Keep", ("Text", text)));

    async Task<string> Sent(string path, params (string Name, string Value)[] fields)
    {
        IHtmlDocument page = await Cabin.Page(path.Split('?')[0]);
        var form = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector<IHtmlInputElement>("[name=__RequestVerificationToken]")!.Value),
                "__RequestVerificationToken"
            },
        };
        foreach ((string name, string value) in fields)
            form.Add(new StringContent(value), name);
        using HttpResponseMessage answer = await Cabin.Http.PostAsync(path, form);
        return await answer.Content.ReadAsStringAsync();
    }
}
