using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The Picture and sound station: its calls to the letter, a standing picture, and two beeps to "swapped".</summary>
public sealed class PictureSoundTests : OnACabin
{
    [Theory]
    [InlineData(
        "picture/sampling",
        """{ "pixelsPerLine": 910, "samplesPerLine": 910, "captures": [0, 5, 5, 0, 0] }""",
        """{"perPixel":1,"beatPixels":null,"phase":4,"run":{"from":3,"length":3}}"""
    )]
    [InlineData(
        "picture/sampling",
        """{ "pixelsPerLine": 910, "samplesPerLine": 912, "captures": [3] }""",
        """{"perPixel":null,"beatPixels":455,"phase":null,"run":null}"""
    )]
    [InlineData(
        "picture/memory",
        """{ "width": 608, "height": 248, "bits": 4, "alignment": 4, "buffers": 2, "framesPerSecond": 50 }""",
        """{"stride":304,"bytes":150784,"bytesPerSecond":3769600}"""
    )]
    [InlineData(
        "picture/palette",
        """{ "levels": [11, 11, 7], "wanted": ["#7a5a30"] }""",
        """{"colours":847,"entries":[{"entry":[5,4,1],"shown":"#80662b"}]}"""
    )]
    [InlineData(
        "picture/scale",
        """{ "source": [640, 200], "pixelAspect": 0.5, "panel": [1280, 1024] }""",
        """{"factor":[2,4],"size":[1280,800],"borders":[0,112],"square":true}"""
    )]
    [InlineData(
        "sound/load",
        """{ "rms": 4, "speakers": [8, 8], "wired": "parallel", "amplifier": { "watts": 5, "minOhms": 4 } }""",
        """{"ohms":4,"watts":4,"findings":[]}"""
    )]
    public async Task Calls_answer_to_the_letter(string call, string body, string answer)
    {
        (HttpStatusCode status, JsonNode got) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal((HttpStatusCode.OK, answer), (status, got.ToJsonString()));
    }

    [Fact]
    public async Task Timings_and_sides_answer_to_the_letter()
    {
        (_, JsonNode timing) = await Cabin.Post(
            "/api/v1/picture/timing",
            """
            { "pixelClockMHz": 12.8, "pixelsPerLine": 816, "lines": 625, "interlaced": true, "doubled": false,
              "display": { "lineKHz": [30, 70], "fieldHz": [48, 75] } }
            """
        );
        Assert.Equal(["lineHz", "fieldHz", "frameHz", "outLineHz", "findings"], timing.AsObject().Select(p => p.Key));
        Assert.Equal(15_686.27, (double)timing["lineHz"]!, 0.01);
        Assert.Equal(50.20, (double)timing["fieldHz"]!, 0.01);
        Assert.Equal(
            ("SYNC-RANGE", "stop"),
            ((string)timing["findings"]![0]!["code"]!, (string)timing["findings"]![0]!["severity"]!)
        );
        (_, timing) = await Cabin.Post(
            "/api/v1/picture/timing",
            """{ "pixelClockMHz": 11.8, "pixelsPerLine": 750, "lines": 262, "interlaced": false, "doubled": true, "display": null }"""
        );
        Assert.Equal(31_466.67, (double)timing["outLineHz"]!, 0.01);
        Assert.Empty(timing["findings"]!.AsArray());
        (_, JsonNode sides) = await Cabin.Post(
            "/api/v1/sound/sides",
            """{ "heard": { "left": ["right"], "right": ["left"] } }"""
        );
        Assert.Equal(("swapped", true), ((string)sides["verdict"]!, ((string)sides["words"]!).Contains("change the two leads")));
        (_, sides) = await Cabin.Post("/api/v1/sound/sides", """{ "heard": {} }""");
        Assert.Equal("silent", (string)sides["verdict"]!);
    }

    [Theory]
    [InlineData("picture/timing", """{ "pixelClockMHz": 0, "pixelsPerLine": 910, "lines": 262 }""", "pixelClockMHz")]
    [InlineData(
        "picture/timing",
        """{ "pixelClockMHz": 1, "pixelsPerLine": 9, "lines": 2, "display": { "lineKHz": [5, 1], "fieldHz": [1, 2] } }""",
        "display.lineKHz"
    )]
    [InlineData("picture/sampling", """{ "pixelsPerLine": 910, "samplesPerLine": 910, "captures": [] }""", "captures")]
    [InlineData("picture/memory", """{ "width": 640, "height": 0, "bits": 4 }""", "height")]
    [InlineData("picture/palette", """{ "levels": [16, 16, 1], "wanted": [] }""", "levels[2]")]
    [InlineData("picture/palette", """{ "levels": [16, 16, 257], "wanted": ["blue"] }""", "wanted[0]")]
    [InlineData("picture/scale", """{ "source": [640, 200], "pixelAspect": 1, "panel": [320, 200] }""", "panel")]
    [InlineData(
        "sound/load",
        """{ "rms": 4, "speakers": [], "wired": "series", "amplifier": { "watts": 5, "minOhms": 4 } }""",
        "speakers"
    )]
    [InlineData("sound/sides", """{ "heard": { "middle": ["left"] } }""", "heard.middle")]
    public async Task Bad_input_is_told_by_its_field(string call, string body, string path)
    {
        (HttpStatusCode status, JsonNode answer) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(answer["errors"]!.AsArray(), e => (string)e!["path"]! == path);
    }

    const string Still = "/jobs/slip-8-picture/picture-sound";

    [Fact]
    public async Task From_a_planned_converter_to_a_picture_that_stands_still()
    {
        IHtmlDocument page = await Cabin.Page(Still);
        Assert.Contains("31.266 kHz", Text(page, ".top"));
        page = await Pressed(Cabin, Still, ".own-displays form:nth-child(2)");
        Assert.Contains("SYNC-RANGE", Found(page));
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "[name=locks]"),
            ("name", "Field set"),
            ("locks", "fast enough")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        page = await Pressed(Cabin, Still, "[name=locks]", ("name", "Field set"), ("locks", "15-40 kHz, 48-62 Hz, 1280x1024"));
        Assert.DoesNotContain("SYNC-RANGE", Found(page));

        // The phase is found on a still screen, refused on a moving one, and saved.
        JsonNode found = JsonNode.Parse(await Cabin.Http.GetStringAsync($"{Still}?handler=Find&moving=false"))!;
        int phase = (int)found["phase"]!;
        JsonNode there = JsonNode.Parse(
            await Cabin.Http.GetStringAsync($"{Still}?handler=Capture&phase={phase}&frame=3&moving=false")
        )!;
        JsonNode wrong = JsonNode.Parse(
            await Cabin.Http.GetStringAsync($"{Still}?handler=Capture&phase=0&frame=3&moving=false")
        )!;
        Assert.Equal(0, (int)there["wrong"]!);
        Assert.True((int)wrong["wrong"]! > 200, "at phase 0 it shimmers");
        JsonNode refused = JsonNode.Parse(await Cabin.Http.GetStringAsync($"{Still}?handler=Find&moving=true"))!;
        Assert.Null(refused["phase"]);
        Assert.Contains("moves", (string)refused["why"]!);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await Cabin.Http.GetAsync($"{Still}?handler=Capture&phase=99&frame=0")).StatusCode
        );

        page = await Pressed(Cabin, Still, "[name=samples]", ("samples", "808"));
        Assert.Contains("SAMPLE-BEAT", Found(page));
        page = await Pressed(Cabin, Still, "[name=samples]", ("samples", "806"));
        page = await Pressed(Cabin, Still, "#save-phase, form[action*='handler=Phase']", ("phase", $"{phase}"));
        Assert.Contains($"phase {phase}", Text(page, "#bench"));
        Assert.Contains($"phase {phase}", (await Cabin.Page("/jobs/slip-8-picture/passport")).Body!.TextContent);
        Assert.Contains("A still screen stands still", (await Cabin.Page("/jobs/slip-8-picture/build")).Body!.TextContent);
    }

    [Fact]
    public async Task Each_title_is_seen_at_the_output_that_it_uses()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-8-two-screens/picture-sound");
        Assert.Contains("Shearwater processor: its own plug", Text(page, "[aria-labelledby=titles-title]"));
        Assert.Contains("picture socket", Text(page, "[aria-labelledby=titles-title]"));
        page = await Cabin.Page(Still);
        Assert.Contains("nowhere: nothing here adds a picture", Text(page, "[aria-labelledby=titles-title]"));
    }

    [Fact]
    public async Task Colours_are_shown_as_the_machine_can_with_its_commands()
    {
        IHtmlDocument page = await Pressed(Cabin, Still, "[name=colour]", ("entry", "3"), ("colour", "#112233"));
        Assert.Contains("DYE 1 WITH 5,4,1", Text(page, ".commands"));
        Assert.Contains("DYE 3 WITH 1,1,1", Text(page, ".commands"));
        (HttpStatusCode status, _) = await Cabin.Press(Form(page, "[name=colour]"), ("entry", "16"), ("colour", "#112233"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (status, _) = await Cabin.Press(Form(page, "[name=colour]"), ("entry", "0"), ("colour", "brown"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
    }

    [Fact]
    public async Task From_two_beeps_to_swapped_change_these_two_leads()
    {
        const string Sing = "/jobs/granary-ledger-sing/picture-sound";
        await Pressed(Cabin, Sing, "button[aria-label='left alone, heard on right']", ("on", "right"));
        IHtmlDocument page = await Pressed(Cabin, Sing, "button[aria-label='right alone, heard on left']", ("on", "left"));
        Assert.Contains("SOUND-SIDES", Found(page));
        Assert.Contains("change the two leads", Text(page, ".verdict-line"));
        page = await Pressed(Cabin, Sing, "button[aria-label='left alone, heard on both']", ("on", "both"));
        Assert.Contains("summed", Text(page, ".verdict-line"));
        await Pressed(Cabin, Sing, "button[aria-label='left alone, heard on left']", ("on", "left"));
        page = await Pressed(Cabin, Sing, "button[aria-label='right alone, heard on right']", ("on", "right"));
        Assert.DoesNotContain("SOUND-SIDES", Found(page));
        page = await Pressed(Cabin, "/jobs/dunnock-pier-loud/picture-sound", "button[value=series]", ("wired", "series"));
        Assert.Contains("90 ohms, 0.24 W", Text(page, "[aria-label='Speakers of Bittern amplifier']"));
    }
}
