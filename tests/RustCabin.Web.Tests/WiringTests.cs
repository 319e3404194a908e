using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using RustCabin.Data;

namespace RustCabin.Web.Tests;

/// <summary>The Wiring station, from the board to a table that agrees; and its calls to the letter.</summary>
public sealed class WiringTests : OnACabin
{
    const string Page = "/jobs/jetty-disc-direct/wiring";

    static string Text(IHtmlDocument page, string selector) => page.QuerySelector(selector)?.TextContent ?? "";

    static IHtmlFormElement Meter(IHtmlDocument page) => (IHtmlFormElement)page.QuerySelector("form.says")!;

    [Fact]
    public async Task Each_line_is_answered_a_wrong_one_names_its_cause_and_the_gate_opens_when_all_agree()
    {
        IHtmlDocument page = await Cabin.Page(Page);
        Assert.Contains("Y2.1", Text(page, ".probe"));
        (HttpStatusCode early, page) = await Cabin.Press(Meter(page), ("says", "none"));
        // Nothing is made yet, so nothing can be read of it: it is offered to tick what is made.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, early);
        Assert.Contains("not ticked", Text(page, ".notice"));
        await BuildWalk.UpTo(Cabin, "jetty-disc-direct", "probe-wiring");
        page = await Cabin.Page(Page);
        (_, page) = await Cabin.Press(Meter(page), ("says", "none"));
        // U72.31 must be off its pad; on purpose it beeps.
        Assert.Contains("U72.31p", Text(page, ".probe"));
        (_, page) = await Cabin.Press(Meter(page), ("says", "beep"));
        Assert.Contains("U72.31 still on its pad", Text(page, ".differs"));
        Assert.Contains("lift it further", Text(page, ".differs"));
        IHtmlDocument build = await Cabin.Page("/jobs/jetty-disc-direct/build");
        Assert.Contains("no power until they agree", build.Body!.TextContent);

        (HttpStatusCode status, page) = await Cabin.Press(Meter(page), ("says", "ohms"), ("ohms", "a lot"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("not a number of ohms", Text(page, ".notice"));
        page = await Cabin.Page(Page);
        (_, page) = await Cabin.Press(Meter(page), ("says", "ohms"), ("ohms", "4700"));
        Assert.Contains("Something is in the way", Text(page, ".differs"));

        for (int i = 0; i < 100 && page.QuerySelector("form.says") is not null; i++)
            (_, page) = await Cabin.Press(Meter(page), ("says", Text(page, ".must").Contains("not beep") ? "none" : "beep"));
        Assert.Contains("Every reading agrees", Text(page, ".probe"));
        Assert.All(page.QuerySelectorAll("table.readings tbody tr"), row => Assert.NotEmpty(row.QuerySelectorAll("form")));

        // A reading that is taken away opens the table again.
        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("table.readings form")!);
        Assert.Contains("Y2.1", Text(page, ".probe"));
    }

    [Fact]
    public async Task The_power_is_locked_until_the_changes_are_ticked_and_the_table_agrees()
    {
        // A reading proves nothing of what is not done: none is taken.
        IHtmlDocument page = await Cabin.Page(Page);
        (HttpStatusCode status, page) = await Cabin.Press(Meter(page), ("says", "none"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.NotNull(page.QuerySelector("form.early"));
        // Nor are the acts ticked with it while a gate before them has not passed.
        (status, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("form.early")!, ("tick", "true"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        IHtmlDocument build = await Cabin.Page("/jobs/jetty-disc-direct/build");
        Assert.Contains(
            "locked",
            build.GetElementById("step-fit-quiver")?.ClassName ?? build.QuerySelectorAll("li.step")[^2].ClassName
        );

        await BuildWalk.UpTo(Cabin, "jetty-disc-direct", "probe-wiring");
        page = await Cabin.Page(Page);
        for (int i = 0; i < 100 && page.QuerySelector("form.says") is not null; i++)
            (_, page) = await Cabin.Press(Meter(page), ("says", Text(page, ".must").Contains("not beep") ? "none" : "beep"));
        build = await Cabin.Page("/jobs/jetty-disc-direct/build");
        Assert.Contains("Every reading agrees", build.GetElementById("step-probe-wiring")!.TextContent);

        // An act that is taken back takes its readings with it: they are struck, and say why.
        await Cabin.Press(
            (IHtmlFormElement)build.QuerySelector("li.step[id^='step-change-'] form[action*='handler=Tick']")!,
            ("done", "false")
        );
        page = await Cabin.Page(Page);
        Assert.Contains("was taken back since", page.QuerySelector("table.readings s")!.GetAttribute("title"));
    }

    /// <summary>What is worked on lies within the window, larger than on the whole board, with that small beside it.</summary>
    [Fact]
    public async Task The_drawing_shows_where_the_work_is_and_the_whole_board_small()
    {
        IHtmlDocument page = await Cabin.Page(Page + "?at=2");
        AngleSharp.Dom.IElement board = page.QuerySelector("svg.board-map")!;
        double ground = board.QuerySelectorAll(".board-ground").Min(g => Number(g.GetAttribute("width")!));
        Assert.InRange(Number(board.QuerySelector(".inset-area")!.GetAttribute("width")!), 0.3 * ground, 0.6 * ground);
        double[] window = [.. board.QuerySelector("svg.window")!.GetAttribute("viewBox")!.Split(' ').Select(Number)];
        foreach (AngleSharp.Dom.IElement leg in board.QuerySelectorAll(".leg.lifted"))
        {
            Assert.InRange(Number(leg.GetAttribute("cx")!), window[0], window[0] + window[2]);
            Assert.InRange(Number(leg.GetAttribute("cy")!), window[1], window[1] + window[3]);
        }
        // Pads stand under the name of their part, with the length of the lead that comes to them.
        string[] words = [.. board.QuerySelectorAll("text").Select(t => t.TextContent)];
        Assert.Contains("BEAT, 32 mm", words);
        Assert.DoesNotContain(words, w => w.Contains(':', StringComparison.Ordinal));
        static double Number(string text) => double.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public async Task From_below_it_is_mirrored_and_each_leg_is_counted_from_the_nearer_corner()
    {
        IHtmlDocument page = await Cabin.Page(Page + "?at=2");
        Assert.Contains("31: bottom side, number 6 from the bottom-left", Text(page, ".counted"));
        Assert.Contains("33 stays down", Text(page, ".counted"));
        page = await Cabin.Page(Page + "?at=2&from=below");
        Assert.Contains("31: bottom side, number 6 from the bottom-right", Text(page, ".counted"));
        Assert.Contains("from below", page.QuerySelector("svg.board-map")!.GetAttribute("aria-label"));
        Assert.Contains("Legs 33 and 36 stand among them", Text(page, ".trap"));
    }

    [Fact]
    public async Task Another_way_is_planned_in_one_press_and_undone()
    {
        IHtmlDocument page = await Cabin.Page(Page);
        Assert.Equal(2, page.QuerySelectorAll(".way").Length);
        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector(".way form")!);
        Assert.Contains("beat from crystal", Text(page, ".way.chosen"));
        Assert.Contains("Y2.2", Text(page, "ol.changes"));
        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("form[action*='handler=Undo']")!);
        Assert.Contains("six fingers", Text(page, ".way.chosen"));
    }

    [Fact]
    public async Task A_job_without_wiring_says_so()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-3-winter/wiring");
        Assert.Contains("No part of this job lifts a leg", Text(page, ".empty"));
    }

    static string Strings(JsonNode? list) => string.Join(' ', list!.AsArray().Select(n => n!.ToString()));

    [Fact]
    public async Task The_wiring_call_tells_changes_readings_nets_taps_and_findings()
    {
        string pack = """
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                "revisions": [ { "id": "r1", "name": "1" } ],
                "chips": [ { "id": "U1", "package": "DIP-8", "nets": { "1": "clk", "2": "data", "4": "GND", "8": "+5" } } ],
                "points": [ { "id": "TP1", "kind": "test-point", "net": "clk" } ],
                "netNames": { "clk": ["SCK"] },
                "sites": [ { "id": "slot", "kind": "slot" } ],
                "rails": [ { "id": "+5", "volts": 5, "amps": 1 } ] } ],
              "parts": [ { "id": "p", "name": "P", "kind": "io", "pads": [ { "id": "CLK", "wants": "SCK" } ],
                "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "slot", "mode": "in" } ], "changes": [
                  { "do": "lift", "chip": "U1", "pins": [2] },
                  { "do": "wire", "from": "U1.2", "to": "part:CLK", "mm": 30 } ] } ] } ],
              "units": [ { "id": "u", "model": "m", "name": "U", "fitted": [] } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [ { "part": "p", "way": "w" } ], "remove": [] } ] }
            """;
        (HttpStatusCode status, JsonNode body) = await Cabin.Post("/api/v1/wiring", pack);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(["lift", "wire"], body["changes"]!.AsArray().Select(c => (string)c!["do"]!));
        Assert.Equal([0, 1], body["changes"]!.AsArray().Select(c => (int)c!["index"]!));
        Assert.Equal(
            ["U1.2 U1.2p open 0", "U1.2 U1.1 open 0", "U1.2 U1.3 open 0", "U1.2 p:CLK closed 1"],
            body["continuity"]!
                .AsArray()
                .Select(l => $"{l!["from"]} {l["to"]} {l["expect"]} {(l["change"] is { } c ? c.ToString() : "rail")}")
        );
        Assert.Equal(
            ["[] U1.2 p:CLK", "[data] U1.2p"],
            body["nets"]!.AsArray().Select(n => $"[{Strings(n!["names"])}] {Strings(n["places"])}")
        );
        JsonNode taps = Assert.Single(body["taps"]!.AsArray())!;
        Assert.Equal("clk", (string)taps["net"]!);
        Assert.Equal(["TP1 test-point", "U1.1 clip"], taps["options"]!.AsArray().Select(o => $"{o!["place"]} {o["tap"]}"));
        Assert.Equal(["WIRE-UNMADE"], body["findings"]!.AsArray().Select(f => (string)f!["code"]!));
    }

    [Fact]
    public async Task Chains_cables_and_mates_answer_to_the_letter()
    {
        (_, JsonNode chain) = await Cabin.Post(
            "/api/v1/connectors/chain",
            """
            { "source": ["GND", "+5", "tx", "rx", "+5", "+12", "ring", "GND", "-9"], "boards": [
              { "name": "a", "wants": ["GND", "+5", "n", "n", "n", "+12", "n", "GND", "n"] },
              { "name": "b", "wants": ["GND", "+5", "tx", "rx", "-9", "+12", "ring", "GND", "n"] } ] }
            """
        );
        Assert.Equal(
            """{"cables":[{"to":"a","takes":[1,2,3,4,9,6,7,8,5],"special":true},{"to":"b","takes":[1,2,3,4,5,6,7,8,9],"special":false}],"specials":1,"missing":[]}""",
            chain.ToJsonString(Plain)
        );
        (_, JsonNode cables) = await Cabin.Post(
            "/api/v1/cables",
            """
            { "from": { "family": "DB-25", "gender": "m", "role": "DTE", "level": "rs232" },
              "to": { "family": "DB-25", "gender": "m", "role": "DTE", "level": "rs232" },
              "pieces": [ { "id": "s", "a": { "family": "DB-25", "gender": "f" }, "b": { "family": "DB-25", "gender": "f" }, "crossing": false } ] }
            """
        );
        Assert.Equal(
            """{"chain":null,"missing":{"a":{"family":"DB-25","gender":"f"},"b":{"family":"DB-25","gender":"f"},"crossing":true}}""",
            cables.ToJsonString(Plain)
        );
        (_, JsonNode mate) = await Cabin.Post(
            "/api/v1/connectors/mate",
            """{ "a": { "contacts": ["GND", "VB"], "gender": "m" }, "b": { "contacts": ["GND", "tx"], "gender": "m" }, "rails": ["VB"] }"""
        );
        Assert.Equal(["PIN-RAIL", "PIN-GENDER"], mate["findings"]!.AsArray().Select(f => (string)f!["code"]!));
    }

    static readonly System.Text.Json.JsonSerializerOptions Plain = new()
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    [Theory]
    [InlineData(
        "/api/v1/connectors/chain",
        """{ "source": ["a"], "boards": [ { "name": "x", "wants": [] } ] }""",
        "boards[0].wants"
    )]
    [InlineData(
        "/api/v1/cables",
        """{ "from": { "family": "D", "gender": "x", "role": "DTE", "level": "a" }, "to": { "family": "D", "gender": "m", "role": "DTX", "level": "a" }, "pieces": [] }""",
        "from.gender"
    )]
    [InlineData("/api/v1/connectors/mate", """{ "a": { "contacts": [] }, "b": { "contacts": [], "gender": "m" } }""", "a.gender")]
    public async Task Bad_input_is_told_by_its_field(string call, string body, string path)
    {
        (HttpStatusCode status, JsonNode answer) = await Cabin.Post(call, body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(path, answer["errors"]!.AsArray().Select(e => (string)e!["path"]!));
    }

    [Fact]
    public async Task A_chain_typed_on_the_page_shows_its_special_cable_with_a_label()
    {
        IHtmlDocument page = await Cabin.Page(
            "/connectors?source=%2B5+tx+%2B5+GND+-9&boards=first:+%2B5+n+n+GND+n%0Asecond:+%2B5+tx+-9+GND+n"
        );
        Assert.Contains("1 special cable", Text(page, "#chain-title"));
        Assert.Contains("5>3", Text(page, ".cable-label"));
        Assert.Equal(2, page.QuerySelectorAll(".cable-wire.moved").Length);
        page = await Cabin.Page("/connectors?source=GND&boards=first:+GND+n");
        Assert.Contains("names 2 contacts; the source has 1", Text(page, ".notice"));
    }

    [Fact]
    public async Task A_lead_is_drawn_with_the_beeps_that_prove_it_and_what_is_left_over()
    {
        IHtmlDocument page = await Cabin.Page("/connectors?one=GND+rx+tx+n&other=tx+rx+GND+dtr");
        Assert.Equal(3, page.QuerySelectorAll(".cable-wire").Length);
        string text = Text(page, "[aria-labelledby=lead-title]");
        Assert.Contains("1 to 3: beep", text);
        Assert.Contains("1 to 2, one end: none", text);
        Assert.Contains("dtr", text);
    }

    [Theory]
    [InlineData("DB-25 m DTE rs232", "DB-25 f DCE rs232", "", "as they are")]
    [InlineData("DB-25 m DTE rs232", "DB-25 m DTE rs232", "x: DB-25 f, DB-25 f, crossing", "then x")]
    [InlineData("DB-37 m DTE rs232", "DB-37 m DTE rs232", "", "One piece would")]
    [InlineData("DB-25 m DTE rs232", "DB-25 m DTE ttl", "", "levels differ")]
    [InlineData("DB-25 DTE", "DB-25 m DTE ttl", "", "A device is its family")]
    [InlineData("DB-25 m DTE rs232", "DB-25 m DTE rs232", "x DB-25", "is not a piece")]
    public async Task Cables_are_found_or_what_is_missing_said(string from, string to, string pieces, string said)
    {
        IHtmlDocument page = await Cabin.Page(
            $"/connectors?from={Uri.EscapeDataString(from)}&to={Uri.EscapeDataString(to)}&pieces={Uri.EscapeDataString(pieces)}"
        );
        Assert.Contains(said, System.Text.RegularExpressions.Regex.Replace(Text(page, "main"), @"\s+", " "));
    }

    [Fact]
    public async Task A_photo_of_the_unit_is_laid_under_its_board_by_two_taps_and_taken_away()
    {
        var photos = new PhotoRepository(CabinFile.Open(Path.Combine(Cabin.Data, "cabin.db")), TimeProvider.System);
        long id = photos.Add("jetty-disc", Core.Baseline.Photo.Read(Pixel), "the board")!.Value;
        IHtmlDocument page = await Cabin.Page($"{Page}?photo={id}");
        var form = (IHtmlFormElement)page.QuerySelector("form.lay")!;
        (HttpStatusCode status, page) = await Cabin.Press(
            form,
            ("place1", "TP27"),
            ("x1", "100"),
            ("y1", "50"),
            ("place2", "P12")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("tap P12 on the photo", Text(page, ".notice"));
        page = await Cabin.Page($"{Page}?photo={id}");
        (_, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form.lay")!,
            ("place1", "TP27"),
            ("x1", "100"),
            ("y1", "50"),
            ("place2", "P12"),
            ("x2", "300"),
            ("y2", "450")
        );
        double[] m =
        [
            .. page.QuerySelector("svg.board-map image")!
                .GetAttribute("transform")![7..^1]
                .Split(' ')
                .Select(n => double.Parse(n, System.Globalization.CultureInfo.InvariantCulture)),
        ];
        foreach ((string place, double x, double y) in ((string, double, double)[])[("TP27", 100, 50), ("P12", 300, 450)])
        {
            AngleSharp.Dom.IElement dot = page.QuerySelector($"svg.board-map [data-place='{place}']")!;
            double at(string name) => double.Parse(dot.GetAttribute(name)!, System.Globalization.CultureInfo.InvariantCulture);
            Assert.Equal(at("cx"), m[0] * x + m[2] * y + m[4], 0.2);
            Assert.Equal(at("cy"), m[1] * x + m[3] * y + m[5], 0.2);
        }
        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("form[action*='handler=Lift']")!);
        Assert.Null(page.QuerySelector("svg.board-map image"));
    }

    static readonly byte[] Pixel = Convert.FromBase64String(
        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="
    );

    [Fact]
    public async Task An_option_brings_its_own_changes()
    {
        IHtmlDocument page = await Cabin.Page(Page);
        Assert.DoesNotContain("LAMP", Text(page, "ol.changes"));
        (_, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form[action*='handler=Choose']")!,
            ("chosen", "true")
        );
        Assert.Contains("quiver-row:LAMP", Text(page, "ol.changes"));
        (_, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form[action*='handler=Choose']")!,
            ("chosen", "false")
        );
        Assert.DoesNotContain("LAMP", Text(page, "ol.changes"));
    }

    [Fact]
    public async Task A_run_of_cables_is_made_out_of_the_cupboard_and_what_is_missing_is_on_the_shopping_list()
    {
        const string Book = "/jobs/counter-exchange-book/wiring";
        IHtmlDocument page = await Cabin.Page(Book);
        string[] runs = [.. page.QuerySelectorAll(".run").Select(r => r.TextContent)];
        Assert.Contains("Crossing adapter", runs[0]);
        Assert.Contains("One piece would: DB-25 f, DE-9 m", runs[1]);
        string wanted() => Text(Cabin.Page("/cupboard").GetAwaiter().GetResult(), "[aria-labelledby=buy-title]");
        Assert.Contains("cable DB-25 f, DE-9 m", wanted());
        Assert.DoesNotContain("cable DB-25 f, DB-25 f", wanted());

        var put = (IHtmlFormElement)(await Cabin.Page("/cupboard")).QuerySelector("#put")!;
        (HttpStatusCode status, page) = await Cabin.Press(
            put,
            ("Form.Kind", "cable"),
            ("Form.Item", "a lead"),
            ("Form.Name", "x"),
            ("Form.Count", "1")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("a cable needs its ends", page.Body!.TextContent);
        put = (IHtmlFormElement)(await Cabin.Page("/cupboard")).QuerySelector("#put")!;
        await Cabin.Press(
            put,
            ("Form.Kind", "cable"),
            ("Form.Item", "DE-9 m, DB-25 f"),
            ("Form.Name", "Modem lead"),
            ("Form.Count", "1")
        );
        Assert.DoesNotContain("cable DB-25 f, DE-9 m", wanted());
        page = await Cabin.Page(Book);
        Assert.Contains("Modem lead, turned round", page.QuerySelectorAll(".run")[1].TextContent);

        (_, page) = await Cabin.Press((IHtmlFormElement)page.QuerySelector("form[action*='handler=Part']")!);
        Assert.Single(page.QuerySelectorAll(".run"));
        (status, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form[action*='handler=Join']")!,
            ("what", "printer"),
            ("one", "DB-25 m DTE rs232"),
            ("other", "a printer")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("a device is its family", Text(page, ".notice"));
        page = await Cabin.Page("/jobs/counter-exchange-book/build");
        Assert.Contains("Join by cables: printer on line 2", page.Body!.TextContent);
        Assert.Contains(
            "Cables: printer on line 2",
            (await Cabin.Page("/jobs/counter-exchange-book/passport")).Body!.TextContent
        );
    }
}
