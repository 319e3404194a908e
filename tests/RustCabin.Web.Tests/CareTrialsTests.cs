using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>Case care, costs, trials, repairs and the prepared rounds over HTTP.</summary>
public sealed class CareTrialsTests : OnACabin
{
    [Fact]
    public async Task A_batch_is_noted_line_by_line_and_the_unit_has_its_worth()
    {
        const string Costs = "/jobs/slip-7-picture/costs";
        const string Batch = Costs + "?boards=3&boardPrice=8&parts=51,6&postage=7,9&sold=58&keeps=1";
        IHtmlDocument page = await Pressed(Cabin, Batch, "form[action*='handler=Batch'] button");
        Assert.Contains("25.50 EUR each", Text(page, "main"));
        Assert.Contains("spent 25.50", Text(page, "#spent-title"));
        Assert.Contains("2 spare boards sold on", Text(page, "main"));
        page = await Pressed(Cabin, Costs, "[name=worth]", ("worth", "70"));
        Assert.Contains("stands at 95.50 EUR", Text(page, ".worth"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=worth]"), [("worth", "dear")]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"dear\" is no amount", Text(page, ".notice[role=alert]"));
        Assert.DoesNotContain("worth", await Cabin.Http.GetStringAsync("/export/handover/slip-7"));
        Assert.Contains("\"worth\": 70", await Cabin.Http.GetStringAsync("/export/units/slip-7"));
    }

    [Fact]
    public async Task A_lid_is_whitened_look_by_look()
    {
        const string Care = "/jobs/slip-7-picture/care";
        Assert.Contains("Nothing is done to the case yet", Text(await Cabin.Page(Care), "main"));
        IHtmlDocument page = await Pressed(
            Cabin,
            Care,
            ".care-forms [value=bath]",
            ("what", "lid"),
            ("litres", "4"),
            ("percent", "10"),
            ("from", "35"),
            ("light", "lamp"),
            ("pieces", "lid 412 g")
        );
        Assert.Contains("1.044 l of 35 % into 2.954 l of water", Text(page, ".care-work"));
        Assert.Contains("Peroxide burns skin", Text(page, ".care-work"));
        foreach (
            (string kind, (string, string) field, string wrong) in ((string, (string, string), string)[])
                [
                    ("bath", ("percent", "40"), "cannot be thinned"),
                    ("bath", ("length", "4"), "say how many litres"),
                    ("bath", ("pieces", "lid"), "is no piece"),
                    ("cream", ("area", "wide"), "\"wide\" is not a number"),
                    ("hole", ("edges", "0"), "is no distance"),
                ]
        )
        {
            (HttpStatusCode status, IHtmlDocument refused) = await Cabin.Press(
                Form(page, $".care-forms [value={kind}]"),
                [("act", kind), ("what", "x"), .. field.Item1 == "length" ? [] : ((string, string)[])[("litres", "2")], field]
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Contains(wrong, Text(refused, ".notice[role=alert]"));
        }
        page = await Pressed(Cabin, Care, ".care-work [name=look]", ("look", "in"), ("text", "label peeled"));
        Assert.Contains("Look again at", Text(page, ".care-now"));
        page = await Pressed(Cabin, Care, ".care-work select[name=look]", ("look", "whiter"));
        page = await Pressed(Cabin, Care, ".care-work select[name=look]", ("look", "same"));
        Assert.Contains("Two looks show no change", Text(page, ".care-now"));
        Assert.Equal(3, page.QuerySelectorAll(".looks figure").Length);
        Assert.Contains("Whiten in a bath: lid", Text(await Cabin.Page("/jobs/slip-7-picture/build"), "#step-care-bath-1 h2"));
        Assert.Contains("begun", Text(await Cabin.Page("/jobs/slip-7-picture/passport"), "[aria-label='Care of the case']"));
        page = await Pressed(Cabin, Care, ".care-work button[name=work]", ("work", "bath-1"));
        Assert.Empty(page.QuerySelectorAll(".care-work"));
        Assert.DoesNotContain("care-bath-1", (await Cabin.Page("/jobs/slip-7-picture/build")).Source.Text);
    }

    [Theory]
    [InlineData("percent=40", "cannot be thinned")]
    [InlineData("litres=0", "is no bath")]
    [InlineData("from=60&edges=x", "is no distance")]
    [InlineData("percent=0&area=wide", "is no area")]
    public async Task A_bath_that_cannot_be_mixed_is_told_whatever_else_is_wrong(string typed, string wrong) =>
        Assert.Contains(wrong, Text(await Cabin.Page($"/care?{typed}"), ".notice"));

    [Fact]
    public async Task What_trials_show_of_parts_goes_onto_their_sheets()
    {
        const string Faults = "/jobs/slip-7-picture/faults";
        foreach (
            (string factor, string level) in ((string, string)[])
                [
                    ("board", "Tidewell video memory"),
                    ("board", "Fathom memory board"),
                    ("picture", "Heron picture converter"),
                    ("picture", "none"),
                    ("lead", "short"),
                    ("lead", "long"),
                ]
        )
            await Pressed(Cabin, Faults, "#trials [name=factor]", ("factor", factor), ("level", level));
        async Task<IHtmlDocument> Tried(bool works, params string[] levels) =>
            await Pressed(
                Cabin,
                Faults,
                "#trials [name=how]",
                [.. levels.Select(l => ("set", l)), ("works", works ? "true" : "false")]
            );
        string[] parts =
        [
            .. (await Cabin.Page("/sheets")).QuerySelectorAll("a[href^='/parts/']").Select(a => a.TextContent.Trim()),
        ];
        Assert.Contains(parts, p => p.Contains("Tidewell video memory", StringComparison.Ordinal));
        IHtmlDocument page = await Tried(false, "Tidewell video memory", "Heron picture converter", "short");
        page = await Tried(true, "Tidewell video memory", "none", "short");
        page = await Tried(true, "Fathom memory board", "Heron picture converter", "short");
        page = await Tried(false, "Tidewell video memory", "Heron picture converter", "long");
        Assert.Contains("board Tidewell video memory with picture Heron picture converter", Text(page, "#trials"));
        page = await Pressed(Cabin, Faults, "form[action*='handler=Known'] button", ("trial", "1"));
        Assert.Contains("works with picture none, lead short", Text(await Cabin.Page("/jobs/slip-7-picture/fit"), ".matrix"));
        page = await Pressed(Cabin, Faults, "form[action*='handler=Conflict'] button");
        Assert.Empty(page.QuerySelectorAll("form[action*='handler=Conflict']"));
        string sheet = await Cabin.Http.GetStringAsync("/export/sheets/part/tidewell");
        Assert.Contains("\"conflicts\"", sheet);
        Assert.Contains("trials of Slipway 7", sheet);
        // No single level and no pair explains this: two rules do.
        page = await Tried(false, "Fathom memory board", "none", "long");
        Assert.Contains("The fewest rules", Text(page, "#trials"));
    }

    [Fact]
    public async Task A_lifted_line_of_a_bank_is_mended_by_a_step_and_one_of_a_board_is_drawn()
    {
        const string Clerk = "/jobs/loft-clerk-ledger/faults";
        IHtmlDocument page = await Cabin.Page(Clerk);
        string net = page.QuerySelectorAll("#repair option")
            .Select(o => o.GetAttribute("value")!)
            .First(v => v.EndsWith(" A0", StringComparison.Ordinal));
        page = await Cabin.Page($"{Clerk}?net={Uri.EscapeDataString(net)}");
        string leg = page.QuerySelectorAll("#repair [name=broken]")[3].GetAttribute("value")!;
        string url = $"{Clerk}?net={Uri.EscapeDataString(net)}&broken={Uri.EscapeDataString(leg)}";
        page = await Cabin.Page(url);
        Assert.Contains("AWG 30, on the", Text(page, "#repair ol"));
        await Pressed(Cabin, url, "form[action*='handler=Repair'] button");
        page = await Cabin.Page("/jobs/loft-clerk-ledger/build");
        Assert.Contains($"Mend what was found: {net} has come off {leg}", Text(page, "main"));
        Assert.Contains("closed.", Text(page, "main"));
        page = await Cabin.Page("/jobs/jetty-disc-direct/faults?net=GND&broken=U72.11");
        Assert.NotNull(page.QuerySelector("#repair svg"));
    }

    [Fact]
    public async Task The_ten_rounds_teach_a_seat_a_line_a_reading_and_a_known_fault()
    {
        IHtmlDocument page = await Cabin.Page("/rehearsal");
        string[] codes = [.. page.QuerySelectorAll(".rounds a").Select(a => a.GetAttribute("href")!)];
        Assert.Equal(10, codes.Distinct().Count());
        foreach ((string href, string kind) in codes.Zip((string[])["seat", "address", "probe", "own"]))
        {
            page = await Cabin.Page($"/rehearsal{href}&name=before");
            Assert.Equal(kind, page.QuerySelector(".debrief")!.GetAttribute("data-kind"));
        }
    }
}
