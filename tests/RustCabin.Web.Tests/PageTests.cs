using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The pages as a browser without script gets them: what they show, and what a press of their forms does.</summary>
public sealed class PageTests : OnACabin
{
    const string Winter = "/jobs/slip-3-winter";

    [Fact]
    public async Task The_shelf_shows_every_unit_in_its_state()
    {
        IHtmlDocument page = await Cabin.Page("/");
        Assert.Equal(33, page.QuerySelectorAll(".unit-row").Length);
        Assert.Contains("Two drive one range", Text(page, "#unit-slip-3"));
        Assert.Contains("Power up with Tidewell", Text(page, "#unit-slip-7"));
        Assert.Contains("No job planned", Text(page, "#unit-slip-9"));
    }

    [Fact]
    public async Task The_shelf_stands_in_the_order_in_which_one_works_and_is_filtered_by_state_and_words()
    {
        IHtmlDocument page = await Cabin.Page("/");
        string[] order = [.. page.QuerySelectorAll(".unit-row").Select(r => r.GetAttribute("data-state")!)];
        Assert.Equal(order.OrderBy(s => Enum.Parse<Core.Presses.ShelfState>(s)), order);
        Assert.Equal("Stopped", order[0]);
        // Each filter holds as many as it says, and together they hold all.
        int all = 0;
        foreach (AngleSharp.Dom.IElement filter in page.QuerySelectorAll(".find-line nav a").Skip(1))
        {
            IHtmlDocument some = await Cabin.Page(filter.GetAttribute("href")!);
            int told = int.Parse(filter.TextContent.Split(' ')[^1], System.Globalization.CultureInfo.InvariantCulture);
            Assert.Equal(told, some.QuerySelectorAll(".unit-row").Length);
            all += told;
        }
        Assert.Equal(33, all);
        page = await Cabin.Page("/?find=slipway+refit");
        Assert.Equal("unit-slip-3", Assert.Single(page.QuerySelectorAll(".unit-row")).Id);
        page = await Cabin.Page("/?find=nothing+like+that");
        Assert.Empty(page.QuerySelectorAll(".unit-row"));
        Assert.Contains("No unit is like that", Text(page, "main"));
        Assert.Equal(33, (await Cabin.Page("/?from=900000")).QuerySelectorAll(".unit-row").Length);
    }

    [Fact]
    public async Task Sheets_are_filtered_by_words_and_parts_by_kind()
    {
        IHtmlDocument page = await Cabin.Page("/sheets?find=brindle");
        Assert.Equal(2, page.QuerySelectorAll(".catalogue > li").Length);
        IHtmlDocument storage = await Cabin.Page("/sheets?kind=storage");
        Assert.All(
            storage.QuerySelectorAll("[aria-labelledby=parts-title] tbody tr"),
            row => Assert.Equal("storage", row.QuerySelectorAll("td")[0].TextContent)
        );
        // What a part is for is told by name.
        Assert.Contains("Porthole", Text(storage, "[aria-labelledby=parts-title] tbody"));
        page = await Cabin.Page("/sheets?find=nothing+like+that");
        Assert.Contains("No model is like that", Text(page, "main"));
        Assert.Empty(page.QuerySelectorAll("[aria-labelledby=parts-title] tbody tr"));
    }

    [Fact]
    public async Task Each_press_of_the_shelf_leads_to_where_it_is_made()
    {
        IHtmlDocument page = await Cabin.Page("/");
        foreach (AngleSharp.Dom.IElement press in page.QuerySelectorAll(".unit-row > a.btn"))
        {
            string[] at = press.GetAttribute("href")!.Split('#');
            IHtmlDocument there = await Cabin.Page(at[0]);
            Assert.True(at.Length == 1 || there.GetElementById(at[1]) is not null, press.GetAttribute("href"));
        }
        foreach (AngleSharp.Dom.IElement unit in page.QuerySelectorAll(".unit-says b a").Take(6))
            Assert.Equal(unit.TextContent, Text(await Cabin.Page(unit.GetAttribute("href")!), "h1"));
        await Cabin.Page("/units/nobody", HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData("/memory")]
    [InlineData("/memory?as=table")]
    [InlineData("/memory?from=0xe00000&to=0xefffff")]
    [InlineData("/memory?from=zz&to=0x1")]
    [InlineData("/fit")]
    [InlineData("/fit?kind=memory&all=true")]
    [InlineData("/fit?kind=nonsense")]
    [InlineData("/identify")]
    [InlineData("/identify?open=closed")]
    [InlineData("/build")]
    [InlineData("/passport")]
    public async Task Every_station_answers(string station) =>
        Assert.NotNull((await Cabin.Page(Winter + station)).QuerySelector("h1"));

    [Fact]
    public async Task A_page_of_nobody_is_not_on_any_shelf() =>
        Assert.Contains("Not on any shelf", Text(await Cabin.Page("/jobs/nobody/memory", HttpStatusCode.NotFound), "h1"));

    [Fact]
    public async Task Pressing_a_jumper_changes_all_that_hangs_on_it_and_undo_takes_it_back()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory");
        Assert.Contains("4288 KiB", Text(page, ".screen"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "#switch-fathom-W3"), ("position", "closed"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("1216 KiB", Text(page, ".screen"));
        Assert.Contains("W3 size: closed", page.QuerySelector("#switch-fathom-W3")!.GetAttribute("aria-label"));
        Assert.Contains("1024 KiB", Text(await Cabin.Page($"{Winter}/build"), "#step-count-fathom"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        Assert.Contains("4288 KiB", Text(page, ".screen"));
        (_, page) = await Cabin.Press(Form(page, "#redo"));
        Assert.Contains("1216 KiB", Text(page, ".screen"));
    }

    [Fact]
    public async Task The_fix_in_the_tray_mends_the_fight()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory");
        (_, page) = await Cabin.Press(Form(page, ".finding.stop button"));
        Assert.Empty(page.QuerySelectorAll(".finding.stop"));
        Assert.Contains("4928 KiB", Text(page, ".screen"));
        Assert.Contains("Mended, Two drive one range", page.QuerySelector("#undo")!.GetAttribute("title"));
    }

    [Fact]
    public async Task A_change_and_its_history_are_there_after_a_restart()
    {
        await Cabin.Press(Form(await Cabin.Page($"{Winter}/memory"), "#switch-fathom-W3"), ("position", "closed"));
        await Cabin.Stop();
        await Cabin.Start();
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory");
        Assert.Contains("1216 KiB", Text(page, ".screen"));
        Assert.Contains("W3 of Fathom memory board to closed", page.QuerySelector("#undo")!.GetAttribute("title"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        Assert.Contains("4288 KiB", Text(page, ".screen"));
    }

    [Fact]
    public async Task The_later_of_two_tabs_is_told_and_changes_nothing()
    {
        IHtmlDocument one = await Cabin.Page($"{Winter}/memory"),
            two = await Cabin.Page($"{Winter}/build");
        await Cabin.Press(Form(one, "#switch-fathom-W3"), ("position", "closed"));
        IHtmlFormElement reading = Form(two, "#step-untouched [name=seen]");
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(reading, ("seen", "251"), ("seen", "7"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Contains("another tab", Text(page, "[role=alert]"));
        // What was typed is still there, to be sent again.
        Assert.Equal(["251", "7"], page.QuerySelectorAll("#step-untouched [name=seen]").Select(i => i.GetAttribute("value")));
        Assert.DoesNotContain("251", Text(await Cabin.Page($"{Winter}/passport"), "main"));
    }

    [Fact]
    public async Task A_reading_is_compared_line_by_line()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/build");
        (_, page) = await Cabin.Press(Form(page, "#step-untouched [name=seen]"), ("seen", "192"), ("seen", "0"));
        Assert.Contains("All lines agree", Text(page, "#step-untouched"));
        // Typed early it is not taken: what is not in yet has no reading.
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "#step-count-fathom [name=seen]"),
            ("seen", "192K"),
            ("seen", "1 MiB")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"Fit Fathom memory board\" are not ticked", Text(page, ".notice"));
        Assert.NotNull(page.QuerySelector("#step-count-fathom [name=tick]"));
        (status, page) = await Cabin.Press(
            Form(page, "#step-count-fathom [name=seen]"),
            ("seen", "192K"),
            ("seen", "1 MiB"),
            ("tick", "true")
        );
        Assert.Contains("tick the cautions of \"Fit Fathom memory board\" first", Text(page, ".notice"));
        (_, page) = await Cabin.Press(Form(page, "#step-fit-fathom [name=heeded]"), ("heeded", "true"));
        (_, page) = await Cabin.Press(
            Form(page, "#step-count-fathom [name=seen]"),
            ("seen", "192K"),
            ("seen", "1 MiB"),
            ("tick", "true")
        );
        Assert.NotNull(page.QuerySelector("#step-fit-fathom.done"));
        Assert.Contains("3 MiB short", Text(page, "#step-count-fathom"));
        Assert.Contains("W3 of Fathom memory board stands closed", Text(page, "#step-count-fathom"));
    }

    [Theory]
    [InlineData("", "type what the screen shows")]
    [InlineData("lots", "\"lots\" is not a size")]
    [InlineData("-4", "\"-4\" is not a size")]
    [InlineData("99999999999999", "is not a size")]
    [InlineData("<script>alert(1)</script>", "is not a size")]
    public async Task What_is_no_reading_is_refused_and_kept(string typed, string says)
    {
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(await Cabin.Page($"{Winter}/build"), "#step-untouched [name=seen]"),
            ("seen", "256"),
            ("seen", typed)
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(says, Text(page, "[role=alert]"));
        Assert.Equal(typed, page.QuerySelectorAll("#step-untouched [name=seen]")[1].GetAttribute("value"));
        Assert.Equal("true", page.QuerySelectorAll("#step-untouched [name=seen]")[1].GetAttribute("aria-invalid"));
        Assert.Empty(page.QuerySelectorAll("main script"));
    }

    [Fact]
    public async Task A_step_behind_a_gate_or_with_an_unread_caution_cannot_be_ticked()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/build");
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "#step-open-lid-off [name=done]"), ("done", "true"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("gate before this step", Text(page, "[role=alert]"));
        (_, page) = await Cabin.Press(Form(page, "#step-untouched [name=seen]"), ("seen", "192"), ("seen", "0"));
        (status, page) = await Cabin.Press(Form(page, "#step-open-lid-off [name=done]"), ("done", "true"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("tick the cautions", Text(page, "[role=alert]"));
        (_, page) = await Cabin.Press(Form(page, "#step-open-lid-off [name=heeded]"), ("heeded", "true"));
        (status, page) = await Cabin.Press(Form(page, "#step-open-lid-off [name=done]"), ("done", "true"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("done", page.QuerySelector("#step-open-lid-off")!.ClassName);
    }

    [Theory]
    [InlineData("instance", "nobody")]
    [InlineData("switchId", "W9")]
    [InlineData("position", "sideways")]
    public async Task A_press_that_names_what_is_not_there_changes_nothing(string field, string value)
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory");
        (string, string)[] with = field == "position" ? [(field, value)] : [(field, value), ("position", "closed")];
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "#switch-fathom-W3"), with);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("Nothing was changed", Text(page, "[role=alert]"));
        Assert.Contains("4288 KiB", Text(page, ".screen"));
    }

    [Fact]
    public async Task A_post_without_the_pages_token_is_refused()
    {
        HttpResponseMessage answer = await Cabin.Http.PostAsync(
            $"{Winter}/memory?handler=Undo",
            new FormUrlEncodedContent([KeyValuePair.Create("version", "1")])
        );
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact]
    public async Task Another_host_name_is_turned_away()
    {
        var request = new HttpRequestMessage(HttpMethod.Get, "/");
        request.Headers.Host = "rebound.example";
        Assert.Equal(HttpStatusCode.BadRequest, (await Cabin.Http.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task Headers_allow_nothing_from_elsewhere_and_nothing_inline()
    {
        HttpResponseMessage answer = await Cabin.Http.GetAsync($"{Winter}/memory");
        string policy = string.Join(' ', answer.Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("default-src 'none'", policy);
        Assert.DoesNotContain("unsafe", policy);
        string html = await answer.Content.ReadAsStringAsync();
        Assert.DoesNotContain(" style=", html);
        Assert.DoesNotContain("https://", html);
    }

    [Fact]
    public async Task A_part_is_planned_and_dropped_again()
    {
        (_, IHtmlDocument page) = await Cabin.Press(Form(await Cabin.Page("/"), "#unit-slip-9 button"));
        Assert.Contains("Nothing is fitted or planned", Text(page, ".boards"));
        (_, page) = await Cabin.Press(Form(page, "#add-part"), ("part", "spindrift"));
        // Slipway 9 is Board 7, which the Spindrift does not fit.
        Assert.Contains("fits Board 4; this is Board 7", Text(page, ".finding.stop"));
        (_, page) = await Cabin.Press(Form(page, ".board .quiet"));
        Assert.Empty(page.QuerySelectorAll(".finding"));
    }

    [Fact]
    public async Task A_clue_that_is_seen_moves_the_verdict_and_undo_takes_it_back()
    {
        const string Net = "/jobs/dunnock-net-switch/identify";
        IHtmlDocument page = await Cabin.Page(Net);
        Assert.Contains("FIT-DOUBT", Found(await Cabin.Page("/jobs/dunnock-net-switch/memory")));
        Assert.Contains("Legend along the front edge", Text(page, ".next-look"));
        Assert.Contains("Date on the tallest", Text(await Cabin.Page($"{Net}?open=nowhere"), "#clue-video-chip"));
        Assert.Contains("No clue that is left tells more", Text(await Cabin.Page($"{Net}?open=closed"), ".next-look"));
        (_, page) = await Cabin.Press(Form(page, "#clue-board-legend button"), ("value", "8X late"));
        Assert.Contains("8X late", Text(page, ".answer"));
        Assert.DoesNotContain("FIT-DOUBT", Found(page));
        (_, page) = await Cabin.Press(Form(page, "#confirm-as"), ("revision", "x-late"));
        Assert.Contains("and confirmed", Text(page, ".answer"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        (_, page) = await Cabin.Press(Form(page, "#undo"));
        Assert.Contains("FIT-DOUBT", Found(page));
    }

    [Fact]
    public async Task The_rebadged_Dunnock_is_a_late_8X_and_the_badge_is_the_odd_one()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/dunnock-lamp-voice/identify");
        Assert.Equal("8X late 97.2 %", Text(page, ".answer"));
        Assert.Contains(
            "The badge speaks for 8 early or 8 middle or 8 middle, eight chips. It disagrees with the board legend and the "
                + "rear label: trust the board legend; the badge may come from another machine.",
            Text(page, ".notice")
        );
        Assert.Contains("Memory chips under the keyboard bracket", Text(page, ".next-look"));
    }

    [Fact]
    public async Task The_fit_matrix_says_what_fits_which_board_and_plans_it()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/fit");
        string[] Grades(string part) =>
            [
                .. page.QuerySelectorAll(".matrix tbody tr")
                    .First(r => r.QuerySelector("th")!.TextContent.StartsWith(part, StringComparison.Ordinal))
                    .QuerySelectorAll("summary")
                    .Select(s => s.TextContent.Trim()),
            ];
        Assert.Equal(["does not fit", "fits", "fits"], Grades("Fathom"));
        Assert.Equal(["fits", "fits", "fits"], Grades("Lantern"));
        Assert.Equal(["does not fit", "does not fit", "fits"], Grades("Tidewell"));
        Assert.Contains("Show 44 more", Text(page, ".hidden-note"));
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Plan part: Tidewell video memory']"));
        Assert.Contains("Tidewell video memory fits Board 7; this is Board 4", Text(page, ".tray"));
        page = await Cabin.Page($"{Winter}/fit?all=true");
        Assert.Equal(["unknown", "unknown", "unknown"], Grades("Quayside"));
    }

    [Theory]
    [InlineData("lantern", "Lantern hatch memory")]
    [InlineData("SLIPWAY 3", "Slipway 3")]
    [InlineData("harbour log", "A year of the harbour log in one sheet")]
    public async Task Search_finds_by_name(string asked, string found) =>
        Assert.Contains(found, Text(await Cabin.Page($"/search?q={Uri.EscapeDataString(asked)}"), ".hits"));

    [Fact]
    public async Task Sizes_can_be_read_as_on_the_box_and_the_lamp_put_out()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory");
        (_, page) = await Cabin.Press(Form(page, "[name=sizes]"), ("sizes", "box"));
        Assert.Contains("4288K", Text(page, ".screen"));
        (_, page) = await Cabin.Press(Form(page, "[name=lamp]"), ("lamp", "off"));
        Assert.Equal("off", page.DocumentElement.GetAttribute("data-lamp"));
    }

    [Fact]
    public async Task Preferences_lead_back_to_this_machine_only()
    {
        IHtmlDocument page = await Cabin.Page("/");
        (_, page) = await Cabin.Press(Form(page, "[name=lamp]"), ("lamp", "off"), ("back", "//elsewhere.example/"));
        Assert.Equal("Shelf", Text(page, "h1"));
    }
}
