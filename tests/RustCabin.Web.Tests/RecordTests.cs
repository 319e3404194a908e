using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>A record must be true: jobs are walked to the end, and the passport is read against what was done.</summary>
public sealed class RecordTests : OnACabin
{
    async Task<IHtmlDocument> Passport(string job) => await Cabin.Page($"/jobs/{job}/passport");

    static string[] Rows(IHtmlDocument passport) =>
        [
            .. passport
                .QuerySelectorAll(".sites-panel tbody tr")
                .Select(r => string.Join(" | ", r.Children.Select(c => c.TextContent.Trim()))),
        ];

    /// <summary>How many of a thing lie in the cupboard; 0 where it does not know it.</summary>
    async Task<int> Stock(string name) =>
        (await Cabin.Page("/cupboard"))
            .QuerySelectorAll(".stock tbody tr")
            .Where(r => r.QuerySelector("th")!.TextContent.StartsWith(name, StringComparison.Ordinal))
            .Sum(r => int.Parse(r.QuerySelector(".counter span")!.TextContent));

    [Fact]
    public async Task A_device_that_is_planned_burnt_and_fitted_is_said_to_be_just_that()
    {
        const string Job = "chalk-primer-slots";
        await Pressed(Cabin, $"/jobs/{Job}/rom", "form[action*='handler=Practice'] [name=size]", ("size", "16K"));
        Assert.Contains(Rows(await Passport(Job)), r => r == "27128 | rom 4 |  | planned");
        for (
            int i = 0;
            i < 20 && !Text(await Cabin.Page($"/jobs/{Job}/build"), "li.step[data-current=true] h2").Contains("Burn the");
            i++
        )
            Assert.True(await Step(Cabin, Job));
        // Burnt at the programmer: the step is ticked by it, the device is not in, the window not covered.
        await Pressed(Cabin, $"/jobs/{Job}/rom", "[name=fault]", ("fault", "None"), ("batch", "8842"));
        IHtmlDocument passport = await Passport(Job);
        Assert.Contains("Window not covered yet", Text(passport, ".burns"));
        Assert.Matches("27128, batch 8842, .+, CRC-32 [0-9a-f]{8}", Text(passport, ".burns"));
        Assert.Contains(
            Rows(passport),
            r => r.StartsWith("27128 with ", StringComparison.Ordinal) && r.EndsWith("| planned", StringComparison.Ordinal)
        );
        Assert.Contains("rom 4: 27128 (planned)", passport.QuerySelector("svg.sites")!.GetAttribute("aria-label"));
        Assert.NotNull(passport.QuerySelector("[data-kept=planned]"));

        await ToTheEnd(Cabin, Job);
        passport = await Passport(Job);
        Assert.Contains("Window covered.", Text(passport, ".burns"));
        Assert.DoesNotContain("not covered", Text(passport, ".burns"));
        Assert.Contains(
            Rows(passport),
            r => r.StartsWith("27128 with ", StringComparison.Ordinal) && r.EndsWith("| fitted", StringComparison.Ordinal)
        );
        Assert.Contains("rom 4: 27128 (fitted)", passport.QuerySelector("svg.sites")!.GetAttribute("aria-label"));
        Assert.DoesNotContain(Rows(passport), r => r.Contains("planned"));
        // The device that was there: one field, one press, and it stands in the passport, in the search and in the undo.
        Assert.Contains("KEEP-ORIGINAL", Found(passport));
        passport = await Pressed(
            Cabin,
            $"/jobs/{Job}/passport",
            "[aria-label='Where it is kept: original device of rom 4']",
            ("place", "tin on shelf 3")
        );
        Assert.Equal(
            "tin on shelf 3",
            passport.QuerySelector("[aria-label='Where it is kept: original device of rom 4']")!.GetAttribute("value")
        );
        Assert.DoesNotContain("KEEP-ORIGINAL", Found(passport));
        Assert.Contains("Kept in tin on shelf 3", passport.QuerySelector("#undo")!.GetAttribute("title"));
        Assert.Contains("Chalk Primer", Text(await Cabin.Page("/search?q=tin+shelf"), "main"));
    }

    [Fact]
    public async Task An_image_that_was_burnt_and_not_fitted_brings_no_new_firmware()
    {
        const string Job = "slip-2-system";
        string before = Text(await Passport(Job), "#sites-title small");
        await Cabin.Page($"/jobs/{Job}/build");
        for (
            int i = 0;
            i < 30 && !Text(await Cabin.Page($"/jobs/{Job}/build"), "li.step[data-current=true] h2").Contains(" into ");
            i++
        )
            Assert.True(await Step(Cabin, Job));
        Assert.Equal(before, Text(await Passport(Job), "#sites-title small"));
        Assert.Contains(Rows(await Passport(Job)), r => r.Contains("| planned"));
    }

    [Fact]
    public async Task What_is_fitted_leaves_the_cupboard_and_what_comes_out_lies_in_it()
    {
        const string Job = "slip-3-winter",
            Board = "Fathom memory board";
        Assert.Equal(1, await Stock(Board));
        for (int i = 0; i < 20 && (await Cabin.Page($"/jobs/{Job}/build")).QuerySelector("#step-fit-fathom.done") is null; i++)
            Assert.True(await Step(Cabin, Job));
        Assert.Equal(0, await Stock(Board));
        Assert.Contains("1 went into Winter refit", Text(await Cabin.Page("/cupboard"), ".stock"));
        // The tick taken back brings it back, and undo of that takes it again.
        await Pressed(Cabin, $"/jobs/{Job}/build", "#step-fit-fathom [name=done]", ("done", "false"));
        Assert.Equal(1, await Stock(Board));
        await Pressed(Cabin, $"/jobs/{Job}/build", "#undo");
        Assert.Equal(0, await Stock(Board));
        // Counted by hand afterwards, what is counted is what lies there.
        await Pressed(Cabin, "/cupboard", "[aria-label='One more of Fathom memory board']", ("by", "1"));
        Assert.Equal(1, await Stock(Board));

        const string Modules = "ferry-satchel-stack";
        int small = await Stock("48 KiB module");
        await ToTheEnd(Cabin, Modules);
        Assert.Equal(small + 2, await Stock("48 KiB module"));
    }

    [Theory]
    [InlineData("loft-clerk-ledger")]
    [InlineData("mast-disc-picture")]
    [InlineData("watch-porthole-system")]
    public async Task A_job_that_was_walked_to_the_end_has_nothing_planned_left_in_its_passport(string job)
    {
        await ToTheEnd(Cabin, job);
        IHtmlDocument passport = await Passport(job);
        Assert.DoesNotContain(Rows(passport), r => r.Contains("planned"));
        Assert.Empty(passport.QuerySelectorAll("[data-kept=planned]"));
        Assert.DoesNotContain("planned:", Text(passport, "#sites-title"));
        Assert.NotNull((await Cabin.Page($"/jobs/{job}/build")).QuerySelector(".done-panel"));
    }

    [Fact]
    public async Task How_a_unit_was_found_and_what_steps_took_stand_in_the_passport()
    {
        const string Job = "slip-3-winter";
        string baseline = $"/jobs/{Job}/baseline";
        await Pressed(
            Cabin,
            baseline,
            "[name=year]",
            ("year", "1988"),
            ("suppliedFor", "230"),
            ("mainsHere", "230"),
            ("halfDone", "a fan")
        );
        await Pressed(Cabin, baseline, "#ask-capacitors button", ("state", "doubtful"));
        await Pressed(Cabin, baseline, "[name=what]", ("what", "carry case"), ("place", "under the bench"));
        Assert.True(await Step(Cabin, Job));
        foreach (
            IElement caution in (await Cabin.Page($"/jobs/{Job}/build")).QuerySelectorAll("#step-open-lid-off [name=heeded]")
        )
            await Pressed(
                Cabin,
                $"/jobs/{Job}/build",
                $"#step-open-lid-off [aria-label='{caution.GetAttribute("aria-label")}']",
                ("heeded", "true")
            );
        await Pressed(Cabin, $"/jobs/{Job}/build", "li.step[data-current=true] [name=done]", ("done", "true"), ("took", "7"));
        IHtmlDocument passport = await Passport(Job);
        string found = Text(passport, "[aria-label='How it was found']");
        foreach (
            string told in (string[])
                ["made in 1988", "230 V mains, used on 230 V", "capacitors doubtful", "left half done before a fan"]
        )
            Assert.Contains(told, found);
        Assert.Contains("carry case under the bench", Text(passport, "[aria-label='Belongs to it']"));
        Assert.Contains("7 really noted so far", Text(passport, "[aria-labelledby=kept-title]"));
        // It can be put right afterwards.
        await Pressed(Cabin, $"/jobs/{Job}/build", "form[action*='handler=Took'] [name=took]", ("took", "9.5"));
        Assert.Contains("9.5 really noted so far", Text(await Passport(Job), "[aria-labelledby=kept-title]"));
    }

    /// <summary>A stop that no sheet can mend: the reset of a bank register.</summary>
    [Fact]
    public async Task A_mend_by_hand_settles_its_stop_once_it_is_said_with_its_proof()
    {
        await Cabin.Import(
            """
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                  "revisions": [ { "id": "r", "name": "R" } ],
                "sites": [ { "id": "slot", "kind": "slot" } ], "powerUp": [ { "label": "memory", "from": "0", "to": "0x1000",
                    "step": "4K" } ],
                "claims": [ { "id": "low", "kind": "ram", "base": "0", "size": "4K" } ] } ],
              "parts": [ { "id": "p", "name": "Bank board", "kind": "memory", "ways": [ { "id": "w", "model": "m",
                "occupies": [ { "site": "slot", "mode": "in" } ] } ], "claims": [
                  { "id": "r", "kind": "register", "access": "write", "base": "0x8000", "size": "1" },
                  { "id": "w", "kind": "ram", "base": "0x4000", "size": "8K", "window": { "register": "r", "banks": 4,
                      "reset": "undefined" } } ] } ],
              "units": [ { "id": "u", "model": "m", "name": "Unit U", "revision": "r" } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [ { "part": "p", "way": "w" } ] } ] }
            """
        );
        IHtmlDocument page = await Cabin.Page("/jobs/j/build");
        Assert.Contains("BANK-RESET", Found(page));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, ".by-hand [name=made]"), ("made", "true"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("what proves it", Text(page, ".notice"));
        // Planned it is a step; ticked with its proof it is made.
        page = await Pressed(Cabin, "/jobs/j/build", ".by-hand [name=made]", ("made", "false"));
        Assert.DoesNotContain("BANK-RESET", Found(page));
        Assert.NotNull(page.QuerySelector("[data-mended=BANK-RESET]"));
        Assert.Contains("Bank board, planned", Text(await Passport("j"), "[aria-label='Mended by hand']"));
        for (
            int i = 0;
            i < 8 && !Text(await Cabin.Page("/jobs/j/build"), "li.step[data-current=true] h2").Contains("Mend by hand");
            i++
        )
            Assert.True(await Step(Cabin, "j"));
        string mend = (await Cabin.Page("/jobs/j/build")).QuerySelector("li.step[data-current=true]")!.Id!;
        foreach (
            var caution in (await Cabin.Page("/jobs/j/build"))
                .GetElementById(mend)!
                .QuerySelectorAll("[name=heeded][value=true]")
                .ToList()
        )
            await Pressed(
                Cabin,
                "/jobs/j/build",
                $"[id='{mend}'] button[aria-label='{caution.GetAttribute("aria-label")}']",
                ("heeded", "true")
            );
        await Pressed(Cabin, "/jobs/j/build", $"[id='{mend}'] [name=done]", ("done", "true"), ("proof", "8 ms low by the meter"));
        await ToTheEnd(Cabin, "j");
        Assert.Contains("proved by: 8 ms low by the meter", Text(await Passport("j"), "[aria-label='Mended by hand']"));
        Assert.DoesNotContain("stop", Text(await Cabin.Page("/"), "#unit-u"));
        // Taken back, the stop is there again.
        page = await Pressed(Cabin, "/jobs/j/build", "[data-mended=BANK-RESET] button");
        Assert.Contains("BANK-RESET", Found(page));
    }

    [Fact]
    public async Task Each_sheet_of_paper_bears_unit_job_and_day_and_no_name_ends_its_text()
    {
        IHtmlDocument unit = await Cabin.Page("/units/slip-3");
        await Cabin.Press(
            (IHtmlFormElement)
                unit.QuerySelector("form[action*='handler=Name'] input[name=job][value=slip-3-winter]")!.Closest("form")!,
            ("name", "A \" } body { display: none } ")
        );
        string paper = await Cabin.Http.GetStringAsync("/jobs/slip-3-winter/paper.css");
        Assert.Contains("@top-left { content: \"Slipway 3\\00003a  A \\000022 ", paper);
        Assert.Contains("2026-11-26", paper);
        Assert.Equal(8, paper.Count(c => c == '"'));
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/jobs/nobody/paper.css")).StatusCode);
    }

    [Fact]
    public async Task A_machine_goes_to_its_next_owner_on_paper_without_prices_and_places()
    {
        await ToTheEnd(Cabin, "slip-7-picture");
        IHtmlDocument page = await Cabin.Page("/jobs/slip-7-picture/hand-over");
        string text = page.QuerySelector("main")!.TextContent;
        Assert.Contains("Tidewell video memory", text);
        Assert.Contains("What it shows when all is well", text);
        Assert.Contains("The way back", text);
        Assert.DoesNotContain("EUR", text);
        Assert.NotNull(page.QuerySelector("a[href^='/export/handover/']"));
        // All is done: the job can be ended here and on the build sheet.
        IHtmlDocument passport = await Cabin.Page("/jobs/slip-7-picture/passport");
        await Cabin.Press((IHtmlFormElement)passport.QuerySelector("form[action*='handler=End']")!);
        Assert.Null((await Cabin.Page("/jobs/slip-7-picture/build")).QuerySelector("form[action*='handler=End']"));
    }
}
