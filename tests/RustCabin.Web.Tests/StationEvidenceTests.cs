using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>Counts, ways, places, lines, frames and reports at their stations: forms, refusals, and what stays.</summary>
public sealed class StationEvidenceTests : OnACabin
{
    static IHtmlFormElement Form(IHtmlDocument page, string handler) =>
        (IHtmlFormElement)page.QuerySelector($"form[action*='handler={handler}']")!;

    static string Text(IHtmlDocument page, string css) =>
        string.Join(' ', page.QuerySelectorAll(css).Select(e => e.TextContent)).Replace('\n', ' ');

    [Fact]
    public async Task Starts_are_counted_and_the_tray_tells_of_them()
    {
        const string at = "/jobs/slip-3-winter/baseline";
        IHtmlDocument page = await Cabin.Page(at);
        (_, page) = await Cabin.Press(Form(page, "Count"), ("works", "false"));
        (_, page) = await Cabin.Press(Form(page, "Count"), ("works", "true"));
        Assert.Contains("1 of 2", Text(page, ".count-starts"));
        Assert.Contains("It does not start every time", Text(page, ".tray"));
        Assert.Contains("starts, before", Text(await Cabin.Page("/jobs/slip-3-winter/passport"), "main"));
        (_, page) = await Cabin.Press(Form(page, "Afresh"));
        Assert.DoesNotContain("It does not start every time", Text(page, ".tray"));
    }

    [Fact]
    public async Task A_gate_is_asked_for_clean_starts_and_counts_none_before_its_work_is_done()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-10-sevens/build");
        IHtmlFormElement ask = page.QuerySelectorAll("form[action*='handler=AskRate']").OfType<IHtmlFormElement>().Last();
        Assert.Contains("12 clean starts in a row", ask.TextContent);
        (_, page) = await Cabin.Press(ask);
        Assert.Contains("0 of 12 clean starts in a row", Text(page, "main"));
        IHtmlFormElement count = page.QuerySelectorAll("form[action*='handler=Count']").OfType<IHtmlFormElement>().Last();
        (HttpStatusCode status, page) = await Cabin.Press(count, ("works", "true"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("The start was not counted", Text(page, ".notice"));
    }

    [Fact]
    public async Task A_swap_that_was_made_stays_when_the_other_unit_is_gone_from_the_good_ones()
    {
        const string at = "/jobs/slip-4-dark/faults";
        IHtmlDocument page = await Cabin.Page(at);
        var swap = (IHtmlFormElement)page.QuerySelector(".swap form")!;
        (_, page) = await Cabin.Press(swap, ("showed", "it works"));
        Assert.Contains("into Slip 5, and switch on there: it works", Text(page, "#swaps"));
        // The other unit is not known to be good any more: what was seen was seen.
        IHtmlDocument baseline = await Cabin.Page("/jobs/slip-5-line/baseline");
        await Cabin.Press(Form(baseline, "Count"), ("works", "false"));
        Assert.Contains("into Slip 5, and switch on there: it works", Text(await Cabin.Page(at), "#swaps"));
        (HttpStatusCode status, _) = await Cabin.Press(swap, ("showed", "it flies"));
        Assert.NotEqual(HttpStatusCode.OK, status);
    }

    [Theory]
    [InlineData("keel-disc-pads/wants", "Way", "name", "", "name the way")]
    [InlineData("keel-disc-pads/wants", "Hour", "worth", "much", "is no amount")]
    [InlineData("slip-6-card/places", "Room", "size", "wide", "type 240 x 150")]
    [InlineData("slip-6-card/places", "Stand", "where", "1 2 3", "does not read")]
    [InlineData("slip-6-card/places", "Seek", "size", "thick", "width x depth")]
    [InlineData("gable-keep-render/speed", "Frame", "size", "large", "is not a size of a picture")]
    [InlineData("gable-keep-render/speed", "Rates", "cap", "soon", "is not a rate")]
    public async Task What_does_not_read_is_refused_with_why_and_stays_typed(
        string at,
        string handler,
        string field,
        string typed,
        string why
    )
    {
        IHtmlDocument page = await Cabin.Page($"/jobs/{at}");
        IHtmlFormElement form = page.QuerySelectorAll($"form[action*='handler={handler}']").OfType<IHtmlFormElement>().Last();
        (HttpStatusCode status, page) = await Cabin.Press(form, (field, typed));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(why, Text(page, ".notice"));
        var again = (IHtmlInputElement)
            page.QuerySelectorAll($"form[action*='handler={handler}']").Last().QuerySelector($"[name={field}]")!;
        Assert.Equal(typed, again.Value);
    }

    [Fact]
    public async Task A_line_is_set_and_unset()
    {
        const string at = "/jobs/counter-exchange-cable/wiring";
        IHtmlDocument page = await Cabin.Page(at);
        Assert.Contains("Kept: 2400 bits a second", Text(page, "#serial"));
        (_, page) = await Cabin.Press(Form(page, "Serial"), ("speed", "1200"), ("bits", "7"), ("parity", "odd"));
        Assert.Contains("Kept: 1200 bits a second, 7 data bits, parity odd", Text(page, "#serial"));
        Assert.Contains("1200 bits a second", Text(await Cabin.Page("/jobs/counter-exchange-cable/passport"), "main"));
        (_, page) = await Cabin.Press(Form(page, "Unset"));
        Assert.DoesNotContain("Kept:", Text(page, "#serial"));
    }

    [Fact]
    public async Task Reports_come_onto_the_sheet_and_off_it()
    {
        const string at = "/parts/curragh/reports";
        IHtmlDocument page = await Cabin.Page(at);
        Assert.Contains("No report yet", Text(page, "main"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "Add"), ("reports", "Teal; who knows"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("line 1", Text(page, ".notice"));
        (_, page) = await Cabin.Press(Form(page, "Add"), ("reports", "Teal; works; 2\nTeal; fails; 2"));
        Assert.Contains("works 1 of 2 times", Text(page, "main"));
        Assert.Contains("the reports differ", Text(await Cabin.Page("/jobs/slip-6-card/fit"), "main"));
        (_, page) = await Cabin.Press(Form(page, "Drop"));
        Assert.Contains("works 0 of 1 times", Text(page, "main"));
        await Cabin.Page("/parts/nobody/reports", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_marking_of_logic_answers_its_legs()
    {
        (HttpStatusCode status, JsonNode told) = await Cabin.Post("/api/v1/memory/marking", """{ "text": "SN74LS139N" }""");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Empty(told["readings"]!.AsArray());
        JsonNode other = told["others"]![0]!;
        Assert.Equal("74LS139", (string)other["number"]!);
        Assert.Equal(16, (int)other["pins"]!);
        Assert.Equal("/1G", (string)other["legs"]![0]!);
        Assert.Contains("two decoders", Text(await Cabin.Page("/tools?chips=SN74LS139N%0A8%20x%2041256-12"), "main"));
        Assert.Contains("Address decoder", Text(await Cabin.Page("/tools?chips=SN74LS139N%0A8%20x%2041256-12"), "main"));
    }
}
