using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>A part out of the cupboard is worked on by itself, and goes back with its record; cables of a chain leave the
/// cupboard when they are joined.</summary>
public sealed class OnTheBenchTests : OnACabin
{
    /// <summary>The rows of the cupboard that begin with a name: how many lie there, and the whole text.</summary>
    async Task<(int Count, string Text)[]> Lying(string name) =>
        [
            .. (await Cabin.Page("/cupboard"))
                .QuerySelectorAll(".stock tbody tr")
                .Where(r => r.QuerySelector("th")!.TextContent.StartsWith(name, StringComparison.Ordinal))
                .Select(r => (int.Parse(r.QuerySelector(".counter span")!.TextContent), r.TextContent)),
        ];

    async Task<string> Begin(string unit, string name)
    {
        IHtmlDocument page = await Cabin.Page($"/units/{unit}");
        var form = (IHtmlFormElement)page.QuerySelector("form[action*='handler=Begin']")!;
        (HttpStatusCode status, page) = await Cabin.Press(form, ("name", name));
        Assert.Equal(HttpStatusCode.OK, status);
        return page.QuerySelector("a[href$='/build']")!.GetAttribute("href")!.Split('/')[2];
    }

    [Fact]
    public async Task A_part_is_taken_onto_the_bench_worked_on_and_laid_back_with_its_record()
    {
        await Pressed(Cabin, "/cupboard", "button[aria-label='Take Pontoon sidecar onto the bench']");
        Assert.Equal(1, Assert.Single(await Lying("Pontoon sidecar")).Count);
        string job = await Begin("bench-pontoon-2", "Sockets");
        await Pressed(Cabin, $"/jobs/{job}/fit", "form[action*='handler=Add'] [value=mooring]");
        IHtmlDocument wiring = await Cabin.Page($"/jobs/{job}/wiring");
        Assert.Contains("U10", Text(wiring, "ol.changes"));
        Assert.NotNull(wiring.QuerySelector("svg[data-board]"));
        // While a job is open, it does not go back.
        const string OnTheBench = "/units/bench-pontoon-2";
        Assert.Null((await Cabin.Page(OnTheBench)).QuerySelector("form[action*='handler=Back']"));
        await Pressed(Cabin, OnTheBench, "form[action*='handler=End'] button[aria-label='End job Sockets of Pontoon sidecar']");
        await Pressed(Cabin, OnTheBench, "form[action*='handler=Back']");
        (int Count, string Text)[] now = await Lying("Pontoon sidecar");
        Assert.Equal([1, 1], now.Select(n => n.Count));
        Assert.Contains(now, n => n.Text.Contains("its record is the unit bench-pontoon-2", StringComparison.Ordinal));
        Assert.NotNull((await Cabin.Page("/")).QuerySelector("#unit-bench-pontoon-2.retired"));
        Assert.Contains("retired", Text(await Cabin.Page(OnTheBench), ".top"));
        Assert.Null((await Cabin.Page(OnTheBench)).QuerySelector("form[action*='handler=Back']"));
    }

    [Fact]
    public async Task A_press_for_the_bench_that_comes_too_late_takes_nothing()
    {
        IHtmlDocument seen = await Cabin.Page("/cupboard");
        await Pressed(Cabin, "/cupboard", "button[aria-label='One fewer of Pontoon sidecar']", ("by", "-1"));
        (HttpStatusCode status, _) = await Cabin.Press(Form(seen, "button[aria-label='Take Pontoon sidecar onto the bench']"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Equal(1, Assert.Single(await Lying("Pontoon sidecar")).Count);
        Assert.Null((await Cabin.Page("/")).QuerySelector("#unit-bench-pontoon-2"));
        Assert.Null(seen.QuerySelector("button[aria-label='Take Long serial lead onto the bench']"));
    }

    [Fact]
    public async Task Cables_of_a_chain_leave_the_cupboard_when_they_are_joined_and_come_back_when_not()
    {
        string job = await Begin("counter-exchange", "Leads only");
        await Pressed(
            Cabin,
            $"/jobs/{job}/wiring",
            "form[action*='handler=Join']",
            ("what", "console"),
            ("one", "DB-25 m DTE rs232"),
            ("other", "DB-25 m DTE rs232")
        );
        IHtmlDocument page = await Cabin.Page($"/jobs/{job}/wiring");
        string run = Text(page, ".run");
        string[] used = [.. new[] { "Long serial lead", "Crossing adapter" }.Where(run.Contains)];
        Assert.NotEmpty(used);
        int[] before = [.. used.Select(u => Lying(u).GetAwaiter().GetResult().Sum(l => l.Count))];
        await ToTheEnd(Cabin, job);
        Assert.Equal(before.Select(b => b - 1), used.Select(u => Lying(u).GetAwaiter().GetResult().Sum(l => l.Count)));
        await Pressed(Cabin, $"/jobs/{job}/build", "#undo");
        Assert.Equal(before, used.Select(u => Lying(u).GetAwaiter().GetResult().Sum(l => l.Count)));
    }

    [Fact]
    public async Task Contacts_of_a_connector_are_given_a_net_each_in_a_row_and_a_gap_takes_any()
    {
        const string Sheet = "/sheets/parts/changeover";
        IHtmlDocument page = await Cabin.Page(Sheet);
        IElement[] stands = [.. page.QuerySelectorAll("input[name='c:contacts']")];
        Assert.Equal(9 + 4, stands.Length);
        Assert.Equal("Net of contact 1", stands[0].GetAttribute("aria-label"));
        Assert.Equal("+5", stands[1].GetAttribute("value"));
        var form = (IHtmlFormElement)stands[0].Closest("form")!;
        ((IHtmlInputElement)stands[1]).Value = "";
        ((IHtmlInputElement)stands[9]).Value = "rx";
        (HttpStatusCode status, page) = await Cabin.Press(form, ("op", "save"));
        Assert.Equal(HttpStatusCode.OK, status);
        page = await Cabin.Page(Sheet);
        Assert.Equal(
            ["GND", "n", "tx", "rx", "+5", "+12", "ring", "GND", "-9", "rx", "", "", "", ""],
            page.QuerySelectorAll("input[name='c:contacts']").Select(i => i.GetAttribute("value") ?? "")
        );
    }
}
