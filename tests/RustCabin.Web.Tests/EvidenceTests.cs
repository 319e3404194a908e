using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>Questions without a sheet: the calls to the letter, what is refused, and the page of each.</summary>
public sealed class EvidenceTests : OnACabin
{
    [Theory]
    [InlineData(
        "starts",
        """{ "before": { "works": 7, "tries": 10 }, "after": null, "sure": 0.95 }""",
        """{"cleanTries":12,"better":null}"""
    )]
    [InlineData(
        "alternatives",
        """{ "ways": [ { "id": "a", "money": 10, "hours": 2, "chance": 0.5, "mendHours": 2, "mendMoney": 1.5 }, { "id": "b", "money": 30, "hours": 0, "chance": 1, "mendHours": 0 } ], "hourWorth": 6.2 }""",
        """{"ways":[{"id":"a","cost":29.35,"money":10.75,"hours":3,"onFront":true},{"id":"b","cost":30,"money":30,"hours":0,"onFront":true}],"best":"a","breakEvens":[{"a":"a","b":"b","hourWorth":6.4166666666666666666666666667}]}"""
    )]
    [InlineData(
        "place",
        """{ "area": { "w": 10, "h": 5 }, "taken": [], "board": { "w": 10, "h": 5, "turn": true, "margin": 0 }, "from": { "x": 13, "y": 9 }, "reach": null }""",
        """{"places":[{"x":0,"y":0,"turned":false,"distance":5}],"count":1}"""
    )]
    [InlineData(
        "speed/frames",
        """{ "runs": [ { "width": 100, "height": 100, "fps": 20 }, { "width": 200, "height": 100, "fps": 10 } ], "sizes": [ { "width": 400, "height": 100 } ], "wanted": 5, "cap": null }""",
        """{"a":0,"b":5E-06,"sizes":[{"width":400,"height":100,"fps":5}],"most":40000,"unlimited":false}"""
    )]
    [InlineData(
        "line/speeds",
        """{ "a": { "clockHz": 153600, "divide": 16, "least": 1, "most": 99 }, "b": { "clockHz": 160000, "divide": 16, "least": 1, "most": 99 }, "wants": [9600] }""",
        """{"speeds":[{"wanted":9600,"a":{"divisor":1,"speed":9600,"error":0},"b":{"divisor":1,"speed":10000,"error":0.04166666666666667},"apart":0.04,"works":false}]}"""
    )]
    [InlineData(
        "line/garbled",
        """{ "sent": "READY", "from": { "speed": 9600, "bits": 8, "parity": "none" }, "got": "911002a2ff", "tried": { "speeds": [4800, 7200], "bits": [8], "parities": ["none", "even"], "inverted": [false, true] } }""",
        """{"explains":[{"speed":7200,"bits":8,"parity":"none","inverted":false}]}"""
    )]
    [InlineData(
        "faults/swaps",
        """{ "causes": [ { "id": "b", "prior": 1, "belongs": ["x"] }, { "id": "a", "prior": 1, "belongs": ["y"] } ], "done": [], "options": [ { "moved": ["x", "y"], "minutes": 1 } ] }""",
        """{"causes":[{"id":"a","probability":0.49},{"id":"b","probability":0.49}],"other":0.02,"next":null}"""
    )]
    public async Task The_calls_answer_to_the_letter(string call, string body, string answer)
    {
        (HttpStatusCode status, JsonNode told) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(answer, told.ToJsonString());
    }

    [Theory]
    [InlineData("starts", """{ "before": { "works": 8, "tries": 7 }, "sure": 0.95 }""", "before.works")]
    [InlineData("starts", """{ "before": { "works": 1, "tries": 7 }, "sure": 0.4 }""", "sure")]
    [InlineData("reports", """{ "reports": [ { "thing": " ", "works": true } ] }""", "reports[0].thing")]
    [InlineData(
        "alternatives",
        """{ "ways": [ { "id": "a", "money": "dear", "hours": 1, "chance": 1 } ], "hourWorth": 1 }""",
        "ways[0].money"
    )]
    [InlineData("place", """{ "area": { "w": 0, "h": 5 }, "taken": [], "board": { "w": 1, "h": 1 } }""", "area.w")]
    [InlineData("speed/frames", """{ "runs": [ { "width": 1, "height": 1, "fps": 5 } ], "sizes": [] }""", "runs")]
    [InlineData(
        "line/speeds",
        """{ "a": { "clockHz": 1, "divide": 1, "least": 5, "most": 2 }, "b": { "clockHz": 1, "divide": 1, "least": 1, "most": 2 }, "wants": [] }""",
        "a.most"
    )]
    [InlineData(
        "line/garbled",
        """{ "sent": "a", "from": { "speed": 1, "bits": 8, "parity": "none" }, "got": "9", "tried": { "speeds": [], "bits": [9], "parities": [], "inverted": [] } }""",
        "got"
    )]
    [InlineData(
        "faults/swaps",
        """{ "causes": [ { "id": "a", "prior": 1, "belongs": [] } ], "done": [], "options": [ { "moved": ["x"], "minutes": 0 } ] }""",
        "options[0].minutes"
    )]
    public async Task What_is_wrong_is_told_with_its_path(string call, string body, string path)
    {
        (HttpStatusCode status, JsonNode told) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains($"\"{path}\"", told.ToJsonString());
    }

    [Theory]
    [InlineData("/tools/ways", "Least in all: mend the supply")]
    [InlineData("/tools/starts", "12 clean tries in a row prove it")]
    [InlineData("/tools/starts?works=10&tries=10", "Nothing failed before")]
    [InlineData("/tools/frames", "pixels give 20 a second")]
    [InlineData("/tools/place", "the nearest is drawn")]
    [InlineData("/tools/place?board=500%20x%20500", "No place takes it")]
    [InlineData("/tools/line", "1 setting explains it")]
    [InlineData("/tools/line?got=%7Frubbish", "No setting that was tried explains it")]
    [InlineData("/tools/swaps", "Move the supply next")]
    [InlineData("/tools/swaps?options=", "No swap of these tells any more")]
    [InlineData("/tools/reports", "they disagree")]
    public async Task Each_page_answers_its_example_with_a_drawing(string url, string says)
    {
        IHtmlDocument page = await Cabin.Page(url);
        Assert.Contains(says, page.Body!.TextContent);
        Assert.NotNull(page.QuerySelector("svg.evidence[role=img]"));
    }

    [Theory]
    [InlineData("/tools/ways?ways=mend,%20dear,%202", "ways[0].money")]
    [InlineData("/tools/starts?works=9&tries=7", "before.works")]
    [InlineData("/tools/frames?runs=320%20x%20200%2031", "runs")]
    [InlineData("/tools/place?area=wide", "area.w")]
    [InlineData("/tools/line?speed=fast", "from.speed")]
    [InlineData("/tools/swaps?causes=a;%201", "causes[0].belongs")]
    [InlineData("/tools/swaps?done=board;%20maybe", "done[0].shows")]
    [InlineData("/tools/reports?reports=card;%20perhaps", "reports[0].works")]
    [InlineData("/tools/legs?package=BRICK-9", "package")]
    [InlineData("/tools/legs?pins=99", "pins[0]")]
    [InlineData("/tools/rates?clock=fast", "pixelClockMHz")]
    [InlineData("/tools/rates?line=30", "display.lineKHz")]
    [InlineData("/tools/ratio?parts=processor,%20long", "parts[0].seconds")]
    [InlineData("/tools/names?rule=12", "rule")]
    [InlineData("/tools/socket?device=27C9", "27C9")]
    [InlineData("/tools/socket?contacts=A0%20A1%20A2", "3 contacts stand in no two rows")]
    public async Task What_was_typed_wrong_is_said_by_its_field(string url, string field)
    {
        IHtmlDocument page = await Cabin.Page(url);
        Assert.Contains(field, page.QuerySelector("[role=alert]")!.TextContent);
    }

    [Theory]
    // Leg 22 of 28 is the seventh from the upper right corner, seen from above.
    [InlineData("/tools/legs?package=DIP-28&pins=22", "22: right side, number 7 from the top-right")]
    // 13.4 MHz over 856 pixels is 15.654 kHz, which the display does not take until the lines are doubled.
    [InlineData("/tools/rates", "The display does not lock: line rate")]
    [InlineData("/tools/rates?doubled=true", "The display locks")]
    [InlineData("/tools/names?names=Harbour%20Lights.img%0AHarbour%20Lamps.img", "2 names")]
    // 100 s become 80 / 4 + 20 = 40.
    [InlineData("/tools/ratio?parts=processor,%2080,%204%0Arest,%2020", "x 2.50")]
    [InlineData("/tools/ratio?parts=a,1,2&before=3&after=1.5", "measured x 2.00")]
    public async Task A_question_without_a_sheet_is_answered(string url, string says)
    {
        IHtmlDocument page = await Cabin.Page(url);
        Assert.Null(page.QuerySelector("[role=alert]"));
        Assert.Contains(says, page.QuerySelector("[role=status]")!.TextContent);
    }

    [Fact]
    public async Task The_tools_are_one_press_from_the_empty_shelf()
    {
        IHtmlDocument page = await Cabin.Page("/tools");
        foreach (
            string tool in (string[])
                [
                    "/paste",
                    "/tools/ways",
                    "/tools/starts",
                    "/tools/frames",
                    "/tools/place",
                    "/tools/line",
                    "/tools/swaps",
                    "/tools/reports",
                    "/tools/socket",
                    "/tools/legs",
                    "/tools/rates",
                    "/tools/names",
                    "/tools/ratio",
                ]
        )
            Assert.NotNull(page.QuerySelector($"a[href='{tool}']"));
    }

    [Fact]
    public async Task A_device_over_a_socket_needs_no_sheet()
    {
        IHtmlDocument page = await Cabin.Page("/tools/socket?device=27256&socket=2764");
        Assert.NotNull(page.QuerySelector("svg.over-socket[role=img]"));
        Assert.Contains("Lift leg 27 (A14)", page.QuerySelector("ol.legs")!.TextContent);
        page = await Cabin.Page("/tools/socket?device=27C010&socket=27256");
        Assert.Contains("27C010 has 32 pins, the socket 28", page.Body!.TextContent);
        // A device over its own socket goes straight in.
        page = await Cabin.Page("/tools/socket?device=27256&socket=27256");
        Assert.Contains("Nothing to lift or link", page.QuerySelector("ol.legs")!.TextContent);
    }

    [Fact]
    public async Task A_gate_offers_the_part_to_a_unit_that_is_known_to_work()
    {
        IHtmlDocument faults = await Cabin.Page("/jobs/slip-3-winter/faults?gate=count-fathom");
        Assert.Contains("Put Fathom memory board of Slipway 3 into Slip 5", faults.QuerySelector(".swap")!.TextContent);
        Assert.NotNull(faults.QuerySelector(".swap svg[role=img]"));
    }
}
