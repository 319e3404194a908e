using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>What ties the stations together, as a person meets it: test set, losses, asking, telling, loans, lessons.</summary>
public sealed class WholeJobPagesTests : OnACabin
{
    [Fact]
    public async Task A_test_that_went_before_and_does_not_now_leads_to_faults()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/keel-disc-pads/build");
        Assert.Contains("7 minutes try all", page.QuerySelector("#tests-title")!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "tr[data-test=pads] form[action*=TriedBefore]"), ("state", "works"));
        (_, page) = await Cabin.Press(Form(page, "tr[data-test=pads] form[action*=TriedAfter]"), ("state", "no"));
        Assert.EndsWith("/faults", page.QuerySelector("tr[data-test=pads] a")!.GetAttribute("href"));
        // The record of the unit has what was found before.
        Assert.Contains("Before: Both pads answer, works", (await Cabin.Page("/jobs/keel-disc-pads/passport")).Body!.TextContent);
    }

    [Fact]
    public async Task What_is_kept_stops_the_job_and_the_press_sets_the_other_way()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/jetty-disc-direct/wants");
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "form[action*=Limits]"),
            ("keepFunctions", "reader"),
            ("budget", "120"),
            ("skill", "4")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("takes what is to be kept", page.QuerySelector("aside")!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "aside form[action*=Fix]"));
        Assert.DoesNotContain("FIT-LOSES", page.QuerySelector("aside")!.TextContent);
        Assert.True(((IHtmlInputElement)page.QuerySelector("[name=keepFunctions][value=reader]")!).IsChecked);
    }

    [Fact]
    public async Task The_shelf_says_what_fits_into_the_time_and_what_the_rest_lacks()
    {
        IHtmlDocument page = await Cabin.Page("/?minutes=30");
        Assert.Equal("30 minutes", page.QuerySelector(".now [aria-current]")!.TextContent);
        string[] minutes = [.. page.QuerySelectorAll(".now > .now-list .mono").Select(m => m.TextContent)];
        Assert.NotEmpty(minutes);
        Assert.All(minutes, m => Assert.InRange(int.Parse(m), 0, 30));
        Assert.Contains("is lent", page.QuerySelector("#now-lack")!.TextContent);
        Assert.Equal("60 minutes", (await Cabin.Page("/?minutes=7")).QuerySelector(".now [aria-current]")!.TextContent);
    }

    [Fact]
    public async Task What_stands_by_itself_is_seen_on_every_page_until_it_is_said_to_be_ready()
    {
        const string Job = "winch-16c-four";
        Assert.Null((await Cabin.Page("/")).QuerySelector(".running"));
        string id = (await Cabin.Page($"/jobs/{Job}/build"))
            .QuerySelectorAll("li.step")
            .Single(l => l.TextContent.Contains("then stands 15 min"))
            .Id!;
        await BuildWalk.UpTo(Cabin, Job, id["step-".Length..]);
        await BuildWalk.Step(Cabin, Job);
        foreach (string path in (string[])["/", "/cupboard", "/jobs/slip-7-picture/memory"])
        {
            IHtmlDocument page = await Cabin.Page(path);
            Assert.Contains("Stick the felt prop", page.QuerySelector(".running a")!.TextContent);
            Assert.Equal($"/jobs/{Job}/build#{id}", page.QuerySelector(".running a")!.GetAttribute("href"));
            Assert.Matches("^1[45]:[0-9]{2}$", page.QuerySelector(".running b")!.TextContent);
        }
        // The ring is set off, and set on by the same press.
        (_, IHtmlDocument quiet) = await Cabin.Press(Form(await Cabin.Page("/cupboard"), ".running form"), ("ring", "off"));
        Assert.Equal("off", quiet.DocumentElement.GetAttribute("data-ring"));
        // What fills the wait goes on; what rests on it is barred.
        await BuildWalk.UpTo(Cabin, Job, "fit-limpet");
        IHtmlDocument build = await Cabin.Page($"/jobs/{Job}/build");
        Assert.Contains("Waits for \"Stick the felt prop", build.QuerySelector("#step-fit-limpet")!.TextContent);
        Assert.True(build.QuerySelector("#step-fit-limpet [name=done]")!.HasAttribute("disabled"));
        (_, build) = await Cabin.Press(Form(build, "form[action*='handler=Ready']"));
        Assert.Null(build.QuerySelector(".running"));
        Assert.DoesNotContain("Waits for", build.QuerySelector("#step-fit-limpet")!.TextContent);
    }

    [Fact]
    public async Task A_question_is_asked_and_an_answer_kept()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-4-dark/ask?question=Why%3F");
        Assert.StartsWith("Why?", page.QuerySelector("#ask-text")!.TextContent);
        Assert.StartsWith("Why?", await Cabin.Http.GetStringAsync("/jobs/slip-4-dark/ask.txt?question=Why%3F"));
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/jobs/nobody/ask.txt")).StatusCode);
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "form[action*=Hear]"),
            ("text", "Look at leg 31"),
            ("source", "")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (_, page) = await Cabin.Press(
            Form(page, "form[action*='=Hear']"),
            ("text", "Look at leg 31"),
            ("source", "Orla"),
            ("trust", "measured")
        );
        Assert.Contains("Look at leg 31", page.QuerySelector(".heard")!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "form[action*=Unhear]"), ("index", "0"));
        Assert.Null(page.QuerySelector(".heard li"));
    }

    [Fact]
    public async Task A_loan_is_seen_at_both_units_until_it_ends()
    {
        Assert.Contains("Lent: system device", (await Cabin.Page("/units/slip-8")).Body!.TextContent);
        Assert.Contains("Borrowed: system device", (await Cabin.Page("/units/slip-4")).Body!.TextContent);
        IHtmlDocument page = await Cabin.Page("/jobs/slip-4-dark/baseline");
        (_, page) = await Cabin.Press(Form(page, "form[action*=Borrow]"), ("what", "lid"), ("from", "slip-2"));
        Assert.Contains("lid", page.QuerySelector("#loans")!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "#loans form[action*=EndLoan]"), ("stays", "false"));
        Assert.DoesNotContain("Lent", (await Cabin.Page("/units/slip-8")).Body!.TextContent);
    }

    [Fact]
    public async Task A_write_up_shows_the_photos_that_are_chosen_and_takes_them_along()
    {
        const string Job = "slip-7-picture";
        byte[] png = Convert.FromBase64String(
            "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="
        );
        IHtmlDocument bench = await Cabin.Page($"/jobs/{Job}/bench?step=1");
        IHtmlFormElement form = Form(bench, "form[action*='handler=Note']");
        var parts = new MultipartFormDataContent { { new ByteArrayContent(png), "photo", "a.png" } };
        foreach (IHtmlInputElement field in form.Elements.OfType<IHtmlInputElement>().Where(i => i.Type == "hidden"))
            parts.Add(new StringContent(field.Value), field.Name!);
        parts.Add(new StringContent("the <b>tidy</b> [side"), "text");
        HttpResponseMessage noted = await Cabin.Http.PostAsync(form.GetAttribute("action"), parts);
        Assert.Equal(HttpStatusCode.OK, noted.StatusCode);

        IHtmlDocument page = await Cabin.Page($"/jobs/{Job}/tell");
        string src = page.QuerySelector(".told img")!.GetAttribute("src")!;
        Assert.StartsWith("/units/slip-7/photos/", src);
        Assert.Null(page.QuerySelector(".told li b"));
        Assert.Equal("the <b>tidy</b> [side", page.QuerySelector(".told img")!.GetAttribute("alt"));
        string number = src.Split('/')[^1];
        using (var zip = new System.IO.Compression.ZipArchive(await Cabin.Http.GetStreamAsync($"/jobs/{Job}/tell.zip")))
        {
            Assert.Equal([$"photo-{number}.png", $"{Job}.md"], zip.Entries.Select(e => e.Name).Order(StringComparer.Ordinal));
            using var text = new StreamReader(zip.GetEntry($"{Job}.md")!.Open());
            Assert.Contains($"](photo-{number}.png)", await text.ReadToEndAsync());
        }
        // Left out of the page and of the file; the text without photos stays as it was.
        Assert.Null((await Cabin.Page($"/jobs/{Job}/tell?without={number}")).QuerySelector(".told img"));
        using (
            var zip = new System.IO.Compression.ZipArchive(
                await Cabin.Http.GetStreamAsync($"/jobs/{Job}/tell.zip?without={number}")
            )
        )
            Assert.Single(zip.Entries);
        Assert.DoesNotContain("photo", await Cabin.Http.GetStringAsync($"/jobs/{Job}/tell.md"));
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/jobs/nobody/tell.zip")).StatusCode);
    }

    [Fact]
    public async Task A_lesson_comes_onto_the_parts_sheet_and_the_write_up_tells_it()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/keel-disc-pads/build");
        Assert.Contains("Press the ribbon home", page.QuerySelector("#step-fit-gannet .lesson")!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "#step-fit-gannet form[action*=Learn]"), ("lesson", "Pair the pads first"));
        Assert.Contains("Pair the pads first", page.QuerySelector("#step-fit-gannet")!.TextContent);
        Assert.Contains("Pair the pads first", await Cabin.Http.GetStringAsync("/export/sheets/part/gannet"));
        Assert.Contains("Pair the pads first", await Cabin.Http.GetStringAsync("/jobs/keel-disc-pads/tell.md"));
        Assert.Contains("# Pads without leads", (await Cabin.Page("/jobs/keel-disc-pads/tell")).Body!.TextContent);
        (HttpStatusCode status, _) = await Cabin.Press(Form(page, "#step-fit-gannet form[action*=Learn]"), ("lesson", " "));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
    }

    [Fact]
    public async Task What_is_laid_out_and_the_operating_card_stand_on_their_pages()
    {
        Assert.Contains(
            "long screwdriver",
            (await Cabin.Page("/jobs/keel-disc-pads/build")).QuerySelector(".lay-out")!.TextContent
        );
        IHtmlDocument card = await Cabin.Page("/jobs/keel-disc-pads/card");
        Assert.Equal(6, card.QuerySelectorAll(".use-card tbody tr").Length);
        Assert.Contains("No sheet of what is on this unit", (await Cabin.Page("/jobs/slip-3-winter/card")).Body!.TextContent);
    }
}
