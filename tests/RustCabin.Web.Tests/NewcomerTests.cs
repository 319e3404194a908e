using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>What a newcomer meets: an empty cabin, a machine of one's own, jobs that come and go, words that help.</summary>
public sealed class NewcomerTests : OnACabin
{
    const string Machine = """
        { "format": "rustcabin.pack/1",
          "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
            "revisions": [ { "id": "r1", "name": "Board 1" }, { "id": "r2", "name": "Board 2" } ],
            "access": [ { "id": "lid-off", "minutes": 5, "remove": [ { "what": "screws", "count": 4 } ] } ],
            "sites": [ { "id": "slot", "kind": "slot", "access": "lid-off" }, { "id": "slot-2", "kind": "slot",
                "access": "lid-off" } ],
            "claims": [ { "id": "low", "kind": "ram", "base": "0", "size": "4K" } ], "rails": [ { "id": "+5", "volts": 5,
                "amps": 1 } ],
            "powerUp": [ { "label": "memory", "from": "0", "to": "0x1000", "step": "4K" } ] } ],
          "parts": [
            { "id": "p", "name": "Board P", "kind": "io", "cautions": ["static"], "switches": [ { "id": "S", "positions": ["a",
                "b"] } ],
              "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "slot", "mode": "in" } ] } ] },
            { "id": "q", "name": "Board Q", "kind": "io", "cautions": ["static"],
              "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "slot-2", "mode": "in" } ] } ] } ],
          "units": [ { "id": "u", "model": "m", "name": "Unit U" } ],
          "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [ { "part": "p", "way": "w" }, { "part": "q",
              "way": "w" } ] } ] }
        """;

    [Fact]
    public async Task An_empty_cabin_offers_a_machine_of_ones_own_the_sample_and_an_import()
    {
        await using var empty = new CabinServer { Demo = false };
        await empty.InitializeAsync();
        IHtmlDocument page = await empty.Page("/");
        Assert.NotNull(page.QuerySelector(".empty a[href='/sheets#begin']"));
        Assert.NotNull(page.QuerySelector(".empty form[action*='handler=Sample'] button"));
        Assert.NotNull(page.QuerySelector(".empty a[href='/import']"));
        page = await empty.Page("/sheets");
        string[] patterns =
        [
            .. page.QuerySelectorAll(".patterns a[href*='models/new?pattern=']").Select(a => a.GetAttribute("href")!),
        ];
        Assert.Equal(4, patterns.Length);
        // Each pattern is a sheet that reads, once it has a name, and has the closed case among its access levels.
        foreach (string pattern in patterns)
        {
            page = await empty.Page(pattern);
            Assert.Contains("closed", Text(page, "[name=raw]"));
            (_, page) = await empty.Press(Form(page, "#fields [name=op]"), ("f:name", "Own machine"), ("op", ""));
            Assert.Null(page.QuerySelector(".wrongs li"));
            await empty.Press(Form(page, "form[action*='handler=Forget'] button"));
        }
    }

    [Fact]
    public async Task A_machine_with_one_level_that_takes_screws_out_is_opened_and_closed()
    {
        await Cabin.Import(Machine);
        IHtmlDocument page = await Cabin.Page("/jobs/j/build");
        Assert.Contains("Take out 4 screws.", Text(page, "#step-open-lid-off"));
        Assert.Contains("Put back 4 screws.", Text(page, "#step-close"));
        // The caution is asked once an opening, then shown as read.
        await Pressed(Cabin, "/jobs/j/build", "#step-fit-p [name=heeded]", ("heeded", "true"));
        page = await Cabin.Page("/jobs/j/build");
        Assert.Null(page.QuerySelector("#step-fit-q [name=heeded]"));
        Assert.NotNull(page.QuerySelector("#step-fit-q [data-read-before=static]"));
    }

    [Fact]
    public async Task Jobs_and_units_are_named_ended_and_taken_off_and_put_back()
    {
        await Cabin.Import(Machine);
        // The board is a guess, and says so; a new job begins at the clues.
        IHtmlDocument page = await Cabin.Page("/jobs/j/memory");
        Assert.NotNull(page.QuerySelector(".assuming"));
        page = await Pressed(Cabin, "/units/u", "[aria-label='Begin a job for Unit U']", ("name", "Second job"));
        Assert.Contains("/identify", page.QuerySelector(".trail [aria-current=page]")!.GetAttribute("href"));
        Assert.Contains("Second job", Text(page, "#switcher"));
        await Pressed(Cabin, "/jobs/j/identify", "#confirm-as", ("revision", "r1"));
        page = await Cabin.Page("/jobs/j/memory");
        Assert.Null(page.QuerySelector(".assuming"));
        Assert.Contains("Board 1, confirmed", Text(page, "#switcher summary"));
        Assert.DoesNotContain("%", Text(page, "#switcher summary"));

        page = await Pressed(Cabin, "/units/u", "[aria-label='Name of J']", ("name", "First job"));
        Assert.Contains("First job", Text(page, "#job-j"));
        await ToTheEnd(Cabin, "j");
        await Pressed(Cabin, "/units/u", "[aria-label='End job First job of Unit U']");
        // What was done is on the unit: the other job starts from there, the ended one still says what it did.
        Assert.Contains("Board P", Text(await Cabin.Page("/jobs/u-job-1/passport"), ".sites-panel tbody"));
        page = await Cabin.Page("/jobs/j/passport");
        Assert.Equal(2, page.QuerySelectorAll(".sites-panel tbody tr").Length);
        Assert.DoesNotContain("planned", Text(page, ".sites-panel tbody"));
        await Pressed(Cabin, "/jobs/j/passport", "#undo");
        Assert.Contains(
            "Nothing but what the maker fitted",
            Text(await Cabin.Page("/jobs/u-job-1/passport"), ".sites-panel tbody")
        );

        await Pressed(Cabin, "/units/u", "[aria-label='Name of Unit U']", ("name", "Bench unit"));
        page = await Pressed(Cabin, "/units/u", "[name=retired]", ("retired", "true"));
        Assert.NotNull((await Cabin.Page("/")).QuerySelector("#unit-u.retired"));
        page = await Pressed(Cabin, "/units/u", "[aria-label='Remove unit Bench unit']");
        Assert.Null(page.QuerySelector("#unit-u"));
        await Cabin.Page("/jobs/j/memory", HttpStatusCode.NotFound);
        page = await Pressed(Cabin, "/", "[aria-label='Put back Bench unit']");
        Assert.NotNull(page.QuerySelector("#unit-u"));
        page = await Pressed(Cabin, "/units/u", "[aria-label='Remove job Second job of Bench unit']");
        await Cabin.Page("/jobs/u-job-1/memory", HttpStatusCode.NotFound);
        await Pressed(Cabin, "/", "[aria-label='Put back Second job']");
        await Cabin.Page("/jobs/u-job-1/memory");
    }

    [Theory]
    [InlineData("16 KiB", "16K")]
    [InlineData("16 kB", "16K")]
    [InlineData("16k", "16K")]
    [InlineData("4,352 KiB", "4352K")]
    [InlineData("300 bytes", "300")]
    [InlineData("1536", "1536")]
    public async Task Sizes_as_the_pages_write_them_are_read_in_the_editor(string typed, string kept)
    {
        await Cabin.Import(Machine);
        IHtmlDocument page = await Cabin.Page("/sheets/models/m");
        (_, page) = await Cabin.Press(Form(page, "#fields [name=op]"), ("f:claims[0].size", typed), ("op", ""));
        Assert.Contains($"\"size\": \"{kept}\"", Text(page, "[name=raw]"));
    }

    [Fact]
    public async Task A_size_that_is_none_is_refused_with_an_example_and_no_path()
    {
        await Cabin.Import(Machine);
        IHtmlDocument page = await Cabin.Page("/sheets/models/m");
        (_, page) = await Cabin.Press(Form(page, "#fields [name=op]"), ("f:claims[0].size", "plenty"), ("op", ""));
        Assert.Contains("claims, number 1, size: \"plenty\" is not a size, such as 16K, 4M or 1536", Text(page, ".wrongs"));
        Assert.DoesNotContain("claims[0]", Text(page, ".wrongs"));
    }

    [Fact]
    public async Task A_reading_in_bytes_is_noticed_and_a_dead_machine_is_switched_off_first()
    {
        await Cabin.Import(Machine);
        IHtmlDocument page = await Cabin.Page("/jobs/slip-7-race/build");
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "#step-untouched [name=seen]"),
            ("seen", "262144"),
            ("seen", "0")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("262144 looks like bytes, which are 256 KiB; type 256K", Text(page, ".notice"));

        const string Dead = "/jobs/mast-disc-picture/build";
        page = await Pressed(Cabin, Dead, "#step-untouched [name=starts]", ("starts", "false"));
        Assert.Contains("Switch off first", Text(page, "#step-untouched .verdict"));
        Assert.NotEmpty(page.QuerySelectorAll("#step-untouched .likeliest li"));
    }

    [Fact]
    public async Task A_gate_that_reads_nothing_after_a_rom_went_in_names_the_rom()
    {
        const string Job = "slip-2-system";
        for (int i = 0; i < 40; i++)
        {
            IElement? now = (await Cabin.Page($"/jobs/{Job}/build")).QuerySelector("li.step[data-current=true]");
            if (now?.Id == "step-count-rom-rom")
                break;
            Assert.True(await Step(Cabin, Job));
        }
        (_, IHtmlDocument page) = await Cabin.Press(
            Form(await Cabin.Page($"/jobs/{Job}/build"), "#step-count-rom-rom [name=seen]"),
            ("seen", "0"),
            ("seen", "0")
        );
        Assert.Contains("the 27C400 that went into rom", Text(page, "#step-count-rom-rom .differs-box"));
    }

    [Fact]
    public async Task The_tray_offers_no_switches_for_what_no_switch_can_mend()
    {
        await Cabin.Import(Machine);
        await Pressed(Cabin, "/jobs/j/baseline", "[name=volts]", ("rail", "+5"), ("volts", "4.4"));
        IHtmlDocument page = await Cabin.Page("/jobs/j/baseline");
        Assert.Contains("BASE-RAIL", Found(page));
        Assert.Null(page.QuerySelector(".tray form[action*='handler=Settle']"));
        Assert.NotNull((await Cabin.Page("/jobs/slip-3-winter/memory")).QuerySelector(".tray form[action*='handler=Settle']"));
    }

    [Fact]
    public async Task What_is_pasted_and_is_no_record_is_refused_with_what_was_typed_kept()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-2-system/rom");
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "[name=paste]"),
            ("paste", "hello, world"),
            ("origin", "typed"),
            ("right", "mine"),
            ("name", "letter")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("is no record", Text(page, ".notice"));
        Assert.Equal("hello, world", Text(page, "[name=paste]"));
        Assert.Equal("typed", page.QuerySelector("[name=origin]")!.GetAttribute("value"));
    }

    /// <summary>A form that comes too late keeps what was typed into it.</summary>
    [Theory]
    [InlineData("/jobs/slip-3-winter/baseline", "[name=halfDone]", "halfDone")]
    [InlineData("/jobs/slip-2-system/rom", "[name=label]", "label")]
    [InlineData("/jobs/slip-3-winter/speed", "[name=who]", "who")]
    public async Task A_stale_form_keeps_what_was_typed(string path, string field, string name)
    {
        IHtmlDocument late = await Cabin.Page(path);
        await Pressed(
            Cabin,
            path.Replace("/rom", "/baseline").Replace("/speed", "/baseline"),
            "#ask-plastic button",
            ("state", "sound")
        );
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(late, field),
            (name, "a fan, half wired"),
            ("ratio", "2")
        );
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Equal("a fan, half wired", page.QuerySelector(field) is IHtmlInputElement input ? input.Value : Text(page, field));
    }
}
