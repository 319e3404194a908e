using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>A job is parked and taken up, goes on in stages, follows another, keeps to ways at the iron.</summary>
public sealed class JobLifeTests : OnACabin
{
    [Fact]
    public async Task A_parked_job_says_so_on_the_shelf_until_it_is_taken_up()
    {
        const string Build = "/jobs/slip-5-line/build";
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(await Cabin.Page(Build), "form[action*='handler=Park']"),
            ("next", "reflow the line"),
            ("day", "soon")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal("reflow the line", page.QuerySelector("[name=next]")!.GetAttribute("value"));
        await Pressed(Cabin, Build, "form[action*='handler=Park'] button", ("next", "reflow the line"), ("day", "2031-05-02"));
        Assert.Contains("Parked until 2031-05-02: reflow the line", Text(await Cabin.Page("/"), "#unit-slip-5"));
        await Pressed(Cabin, Build, "form[action*='handler=GoOn'] button");
        Assert.DoesNotContain("Parked", Text(await Cabin.Page("/"), "#unit-slip-5"));
    }

    [Fact]
    public async Task Stages_are_gone_on_to_kept_and_dropped()
    {
        const string Chips = "/jobs/loft-clerk-ledger/memory/chips";
        Assert.Equal(3, (await Cabin.Page(Chips)).QuerySelectorAll(".stage-list li").Length);
        await Pressed(
            Cabin,
            Chips,
            "button[aria-label='Go on to it: stage when eight more come']",
            ("stage", "when eight more come")
        );
        IHtmlDocument page = await Cabin.Page(Chips);
        Assert.Contains("at hand", page.QuerySelector("svg.stair")!.GetAttribute("aria-label")!.Split(';')[2]);
        Assert.Null(page.QuerySelector("button[aria-label='Go on to it: stage when eight more come']"));
        (HttpStatusCode status, _) = await Cabin.Press(
            Form(page, "form[action*='handler=KeepStage']"),
            ("stage", "the same under another name")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        await Pressed(Cabin, Chips, "button[aria-label='Drop stage eight from the rack']", ("stage", "eight from the rack"));
        Assert.Equal(2, (await Cabin.Page(Chips)).QuerySelectorAll(".stage-list li").Length);
    }

    [Fact]
    public async Task A_job_to_come_that_this_one_blocks_is_told_in_the_browser()
    {
        const string Race = "/jobs/slip-7-race/build",
            Unit = "/units/slip-7";
        Assert.Contains("cannot follow as it is planned", (await Cabin.Page(Race)).Body!.TextContent);
        IHtmlFormElement form = Form(await Cabin.Page(Unit), "select[aria-label='Picture pages comes after']");
        await Cabin.Press(form, ("after", ""));
        Assert.DoesNotContain("cannot follow", (await Cabin.Page(Race)).Body!.TextContent);
        form = Form(await Cabin.Page(Unit), "select[aria-label='Picture pages comes after']");
        await Cabin.Press(form, ("after", "slip-7-race"));
        Assert.Contains("cannot follow as it is planned", (await Cabin.Page(Race)).Body!.TextContent);
        // Round and round is refused.
        string name = (await Cabin.Page(Unit)).QuerySelector("#job-slip-7-race b")!.TextContent;
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(await Cabin.Page(Unit), $"select[aria-label='{name} comes after']"),
            ("after", "slip-7-picture")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("comes after this job itself", page.Body!.TextContent);
    }

    [Fact]
    public async Task A_way_at_the_iron_stands_in_the_steps_and_the_next_job_keeps_to_it()
    {
        const string Build = "/jobs/float-disc-cuts/build";
        await Pressed(Cabin, Build, "button[aria-label='Keep to it: dry first']");
        Assert.Contains("Take the old solder off as it is.", (await Cabin.Page(Build)).Body!.TextContent);
        await Pressed(Cabin, "/units/float-disc", "form[action*='handler=Begin'] button", ("name", "Next"));
        IHtmlDocument unit = await Cabin.Page("/units/float-disc");
        string begun = unit.QuerySelectorAll("a[href$='/build']").Select(a => a.GetAttribute("href")!).First(h => h != Build);
        string pack = await Cabin.Http.GetStringAsync("/export/units/float-disc");
        Assert.Contains("dry", pack[pack.IndexOf(begun.Split('/')[2], StringComparison.Ordinal)..]);
    }

    [Fact]
    public async Task A_photo_is_asked_for_at_an_opening_and_equipment_with_a_quirk_is_a_condition()
    {
        IHtmlDocument build = await Cabin.Page("/jobs/float-disc-cuts/build");
        Assert.NotEmpty(build.QuerySelectorAll("[id^=step-open-] .opening-photo input[type=file]"));
        Assert.Empty(build.QuerySelectorAll("[id^=step-fit-] .opening-photo"));
        const string Faults = "/jobs/slip-3-winter/faults";
        await Pressed(Cabin, Faults, "button[aria-label^='Bench panel: shows stripes']");
        IHtmlDocument faults = await Cabin.Page(Faults);
        Assert.NotNull(faults.QuerySelector("button[aria-label='Drop display Bench panel']"));
        Assert.Null(faults.QuerySelector("button[aria-label^='Bench panel: shows stripes']"));
    }

    [Fact]
    public async Task A_job_ends_with_how_it_came_out()
    {
        await ToTheEnd(Cabin, "slip-7-picture");
        const string Passport = "/jobs/slip-7-picture/passport";
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(await Cabin.Page(Passport), "form.end-job"),
            ("outcome", "with-limits"),
            ("words", "")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("say which limits", page.Body!.TextContent);
        await Pressed(Cabin, Passport, "form.end-job button", ("outcome", "with-limits"), ("words", "no sound above 8 kHz"));
        Assert.Contains("It works with limits: no sound above 8 kHz", (await Cabin.Page(Passport)).Body!.TextContent);
    }
}
