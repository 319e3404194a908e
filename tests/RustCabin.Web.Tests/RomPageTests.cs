using System.IO.Compression;
using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The ROM station: sample jobs, files in and out, chains that cannot be done, and what is typed wrong.</summary>
public sealed class RomPageTests : OnACabin
{
    const string System = "/jobs/slip-2-system/rom";

    [Theory]
    [InlineData("/jobs/slip-2-system/rom", "Every byte of 262,144")]
    [InlineData("/jobs/winch-16c-system/rom", "Every byte of 524,288")]
    [InlineData("/jobs/dunnock-net-device/rom", "Every byte of 8,192 is fetched as it must be, at each of 4 switch positions")]
    [InlineData("/jobs/watch-porthole-system/rom?at=rom-even", "Every byte of 262,144 is fetched as it must be, in lane 1 of 2")]
    [InlineData("/jobs/watch-porthole-system/rom?at=rom-odd", "Every byte of 262,144 is fetched as it must be, in lane 2 of 2")]
    [InlineData("/jobs/chalk-primer-slots/rom", "Every byte of 16,384")]
    public async Task The_sample_jobs_prove_and_stand_on_the_build_sheet(string path, string words)
    {
        IHtmlDocument page = await Cabin.Page(path);
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "[aria-labelledby=proof-title] button"),
            ("site", ((IHtmlButtonElement)page.QuerySelector("[aria-labelledby=proof-title] button")!).Value)
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(words, Text(page, "[aria-labelledby=proof-title]"));
        string site = ((IHtmlButtonElement)page.QuerySelector("[aria-labelledby=proof-title] button")!).Value;
        Assert.Contains(
            "fetched as it must be",
            Text(await Cabin.Page(path.Split('?')[0].Replace("/rom", "/build")), $"#step-proof-{site}")
        );
    }

    static string Row(IHtmlDocument page, int row) =>
        string.Join('|', page.QuerySelectorAll(".selector tbody tr")[row].Children.Select(c => c.TextContent.Trim()));

    [Fact]
    public async Task Lines_on_switches_have_a_table_of_positions_images_and_ranges()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/dunnock-net-device/rom");
        Assert.Equal(4, page.QuerySelectorAll(".selector tbody tr").Length);
        Assert.Contains("A14 high, A13 low|practice system C|0x4000 to 0x5fff", Row(page, 2));
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Tie A14 to GND']"), ("to", "GND"));
        Assert.Equal(2, page.QuerySelectorAll(".selector tbody tr").Length);
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Tie A13 to GND']"), ("to", "GND"));
        Assert.Null(page.QuerySelector(".selector"));
    }

    [Fact]
    public async Task Images_are_put_behind_one_another_and_one_that_is_in_the_wrong_place_fails_with_its_position()
    {
        const string Net = "/jobs/dunnock-net-device/rom";
        IHtmlDocument page = await Cabin.Page(Net);
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Remove image 4: practice system D']"), ("index", "3"));
        Assert.Contains("none yet", Text(page, ".selector"));
        Assert.Equal(3, page.QuerySelectorAll(".chain-step")[0].QuerySelectorAll(".rom-strip").Length);
        string first = ((IHtmlOptionElement)page.QuerySelector("[name=image] option")!).Value;
        (_, page) = await Cabin.Press(Form(page, "[name=image]"), ("image", first), ("further", "true"));
        Assert.Contains("A14 high, A13 high|practice system A|", Row(page, 3));
        (_, page) = await Cabin.Press(Form(page, "[aria-labelledby=proof-title] button"), ("site", "os"));
        Assert.Contains("at each of 4 switch positions", Text(page, "[aria-labelledby=proof-title]"));
        // Without the operation that puts them behind one another there is no one file to burn.
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Remove put one behind the other']"), ("index", "0"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[aria-labelledby=proof-title] button"), ("site", "os"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (status, page) = await Cabin.Press(Form(await Cabin.Page(Net), "[name=image]"), ("image", "999"), ("further", "true"));
        Assert.Contains("that image does not lie in this cabin", Text(page, ".notice"));
    }

    [Fact]
    public async Task A_plan_whose_image_lies_in_another_cabin_says_so_and_takes_none_of_the_same_number()
    {
        string pack = (await Cabin.Http.GetStringAsync("/export/units/slip-2")).Instead("\"image\": \"1-", "\"image\": \"1-0");
        Assert.Contains("1-0", pack);
        var other = new CabinServer();
        await other.InitializeAsync();
        try
        {
            await other.Import(pack);
            IHtmlDocument page = await other.Page(System);
            Assert.Contains(
                "of the plan does not lie in this cabin: choose one that does",
                Text(page, "[aria-labelledby=image-title] .wrong")
            );
            Assert.Null(page.QuerySelector("[aria-labelledby=proof-title]"));
        }
        finally
        {
            await other.DisposeAsync();
        }
    }

    [Fact]
    public async Task What_is_no_operation_is_refused_and_the_socket_on_show_stays()
    {
        const string Odd = "/jobs/watch-porthole-system/rom?at=rom-odd";
        IHtmlDocument page = await Cabin.Page(Odd);
        foreach (string op in (string[])["{", "[]", """{"op":"melt"}"""])
        {
            (HttpStatusCode status, IHtmlDocument refused) = await Cabin.Press(Form(page, "[name=op]"), ("op", op));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Contains("Nothing was changed", Text(refused, ".notice"));
        }
        (_, page) = await Cabin.Press(Form(page, "form[action*='handler=Patch'] input"), ("patchAt", "nowhere"), ("bytes", "00"));
        Assert.Contains("In rom odd", Text(page, "#device-title"));
    }

    [Fact]
    public async Task A_recipe_is_kept_used_elsewhere_taken_off_and_put_back()
    {
        IHtmlDocument page = await Cabin.Page(System);
        (_, page) = await Cabin.Press(Form(page, "[name=recipe]"), ("recipe", "swapped and twice"));
        Assert.Contains("swap the bytes of each 16-bit word, double", Text(page, ".recipes"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=recipe]"), ("recipe", ""));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (_, page) = await Cabin.Press(Form(await Cabin.Page(System), "[aria-label='Remove double']"), ("index", "1"));
        (status, page) = await Cabin.Press(Form(page, "input[name=recipe]"), ("recipe", "swapped and twice"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("another recipe is called", Text(page, ".notice"));

        const string Other = "/jobs/chalk-primer-slots/rom";
        page = await Cabin.Page(Other);
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Use it: swapped and twice']"), ("recipe", "1"));
        Assert.Equal(
            ["Swap the bytes of each 16-bit word", "Double"],
            page.QuerySelectorAll(".chain-step > p:first-child > b").Skip(1).Select(b => b.TextContent[3..])
        );
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Hide: swapped and twice']"), ("recipe", "1"), ("hidden", "true"));
        Assert.Null(page.QuerySelector("[aria-label='Use it: swapped and twice']"));
        (_, page) = await Cabin.Press(
            Form(page, "[aria-label='Put back: swapped and twice']"),
            ("recipe", "1"),
            ("hidden", "false")
        );
        Assert.NotNull(page.QuerySelector("[aria-label='Use it: swapped and twice']"));
    }

    [Fact]
    public async Task The_eraser_s_lamp_wants_its_caution_and_broken_off_does_not_count()
    {
        IHtmlDocument page = await Cabin.Page(System);
        (string, string)[] usual = [("dose", "15"), ("intensity", "12"), ("lamp", "80")];
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=dose]"), usual);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("tick the caution first", Text(page, ".notice"));
        (status, page) = await Cabin.Press(
            Form(page, "[name=dose]"),
            ("dose", "much"),
            ("intensity", "12"),
            ("lamp", "80"),
            ("heeded", "true")
        );
        Assert.Contains("\"much\" is not a dose", Text(page, ".notice"));
        (_, page) = await Cabin.Press(Form(page, "[name=dose]"), [.. usual, ("heeded", "true")]);
        // 15 000 / (12 x 0.8) = 1562.5 s, begun again for the half second: 26:03.
        Assert.Matches("^26:0[0-3]$", Text(page, ".countdown"));
        (_, page) = await Cabin.Press(Form(page, "form[action*='LampOff'] button"), ("site", "rom"));
        Assert.Null(page.QuerySelector(".countdown"));
        Assert.DoesNotContain("so far", Text(page, "[aria-labelledby=burn-title]"));
    }

    [Fact]
    public async Task A_burning_is_recorded_with_batch_setting_and_label_and_stands_in_the_passport()
    {
        IHtmlDocument page = await Cabin.Page(System);
        (_, page) = await Cabin.Press(Form(page, "textarea[name=label]"), ("label", "Slipway 2\nfresh system"));
        // Nothing is burnt before the proof.
        (HttpStatusCode status, IHtmlDocument refused) = await Cabin.Press(
            Form(page, "[name=fault]"),
            ("fault", "None"),
            ("batch", "9114-K")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("prove it first", Text(refused, ".notice"));
        Assert.Equal("9114-K", refused.QuerySelector("[name=batch]")!.GetAttribute("value"));
        (_, page) = await Cabin.Press(Form(page, "form[action*='handler=Prove'] button"), ("site", "rom"));
        (_, page) = await Cabin.Press(Form(page, "[name=fault]"), ("fault", "None"), ("batch", "9114-K"));
        Assert.Contains("Window not covered yet", Text(page, ".burns"));
        (_, page) = await Cabin.Press(Form(page, "[role=checkbox][name=covered]"), ("covered", "true"));
        IHtmlDocument passport = await Cabin.Page(System.Replace("/rom", "/passport"));
        string record = Text(passport, ".burns");
        foreach (
            string told in (string[])
                [
                    ", batch 9114-K",
                    "low byte first",
                    "Read back: The dump is the file.",
                    "Window covered.",
                    "Slipway 2 / fresh system",
                ]
        )
            Assert.Contains(told, record);
        Assert.Contains("Label written", Text(passport, ".history"));
        (status, page) = await Cabin.Press(
            Form(page, "textarea[name=label]"),
            ("label", "a line that is far too long for a label")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("more than 24 letters", Text(page, ".notice"));
    }

    [Fact]
    public async Task The_build_sheet_waits_for_the_proof_and_takes_no_tick_for_it()
    {
        string build = System.Replace("/rom", "/build");
        IHtmlDocument page = await Cabin.Page(build);
        Assert.Equal($"{System}", page.QuerySelector("#step-proof-rom .tick a")!.GetAttribute("href"));
        Assert.Null(page.QuerySelector("#step-proof-rom form"));
        Assert.True(((IHtmlButtonElement)page.QuerySelector("#step-burn-rom .tick button")!).IsDisabled);
    }

    [Fact]
    public async Task A_device_in_hand_comes_first_and_brings_its_speed()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-3-winter/rom");
        Assert.Equal(
            ["27C400", "512 KiB", "lift 2, link 1, tie 2", "2, 120 ns"],
            page.QuerySelector(".devices tbody tr")!.Children.Take(4).Select(c => c.TextContent.Trim())
        );
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Plan device: 27C400']"), ("device", "27C400"));
        Assert.Equal(
            "120",
            ((IHtmlInputElement)page.QuerySelector("[aria-labelledby=choose-title] input[name=ns]:not([type=hidden])")!).Value
        );
        Assert.Contains("27C400, ROM device", Text(await Cabin.Page("/cupboard"), "main"));
    }

    [Theory]
    [InlineData("Slice", "from", "size", "0x10", "1K", "Take 1 KiB from 16")]
    [InlineData("Patch", "patchAt", "bytes", "$8", "4e 71", "Put 2 bytes at 0x8")]
    public async Task Typed_operations_join_the_chain_and_what_is_wrong_is_kept(
        string handler,
        string one,
        string two,
        string first,
        string second,
        string words
    )
    {
        string form = $"form[action*='handler={handler}'] input";
        IHtmlDocument page = await Cabin.Page(System);
        (_, page) = await Cabin.Press(Form(page, form), (one, first), (two, second));
        Assert.Contains(words, page.QuerySelectorAll(".chain-step > p:first-child > b")[^1].TextContent);
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, form), (one, "nowhere"), (two, second));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"nowhere\" is not a place in the image", Text(page, ".notice"));
        Assert.Contains(
            page.QuerySelectorAll($"form[action*='handler={handler}'] input[name={one}]"),
            i => ((IHtmlInputElement)i).Value == "nowhere"
        );
    }

    [Fact]
    public async Task Every_fault_of_the_programmer_ends_in_the_log()
    {
        IHtmlDocument page = await Cabin.Page(System);
        (_, page) = await Cabin.Press(Form(page, "form[action*='handler=Prove'] button"), ("site", "rom"));
        foreach (
            (string fault, string told) in new[]
            {
                ("None", "Read back: The dump is the file"),
                ("UnderErased", "Blank check:"),
                ("WrongDevice", "Identify:"),
                ("WeakBit", "Verify:"),
                ("SwappedSetting", "Read back: The two bytes of every word are swapped"),
            }
        )
        {
            (_, page) = await Cabin.Press(Form(page, "[name=fault]"), ("fault", fault));
            Assert.Contains(told, Text(page, "[aria-labelledby=burn-title]"));
        }
    }

    [Theory]
    [InlineData("bin", 524_288)]
    [InlineData("ihex", 0)]
    [InlineData("srec", 0)]
    public async Task The_file_goes_out_in_each_format(string format, int size)
    {
        byte[] file = await Cabin.Http.GetByteArrayAsync($"{System}?handler=File&at=rom&format={format}");
        if (size > 0)
            Assert.Equal(size, file.Length);
        else
            Assert.Equal(format == "ihex" ? (byte)':' : (byte)'S', file[0]);
    }

    [Fact]
    public async Task A_zip_holds_the_lanes_and_their_sums()
    {
        IHtmlDocument page = await Cabin.Page(System);
        (_, page) = await Cabin.Press(Form(page, "[name=op]"), ("op", """{"op":"split","lanes":2}"""));
        using var zip = new ZipArchive(
            new MemoryStream(await Cabin.Http.GetByteArrayAsync($"{System}?handler=File&at=rom&format=zip"))
        );
        Assert.Equal(["slip-2-system-rom-0.bin", "slip-2-system-rom-1.bin", "sums.txt"], zip.Entries.Select(e => e.FullName));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[aria-labelledby=proof-title] button"), ("site", "rom"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("ends in several images", Text(page, ".notice"));
    }

    async Task<(HttpStatusCode, IHtmlDocument)> Upload(
        string name,
        byte[] bytes,
        string origin = "dumped here",
        string right = "mine"
    )
    {
        IHtmlDocument page = await Cabin.Page(System);
        var form = new MultipartFormDataContent();
        foreach (string field in (string[])["__RequestVerificationToken", "version"])
            form.Add(
                new StringContent(((IHtmlInputElement)Form(page, "[name=paste]").QuerySelector($"[name={field}]")!).Value),
                field
            );
        form.Add(new StringContent("rom"), "site");
        form.Add(new StringContent(origin), "origin");
        form.Add(new StringContent(right), "right");
        form.Add(new ByteArrayContent(bytes), "file", name);
        HttpResponseMessage answer = await Cabin.Http.PostAsync($"{System}?handler=Upload", form);
        IHtmlDocument shown = await CabinServer.Html(answer);
        // A planned image is not replaced unasked: the new one is chosen by hand.
        if (shown.QuerySelectorAll("select[name=image] option").FirstOrDefault(o => o.TextContent.Contains(name)) is not { } kept)
            return (answer.StatusCode, shown);
        Assert.Contains(name, Text(shown, ".saved"));
        return await Cabin.Press(Form(shown, "select[name=image]"), ("image", kept.GetAttribute("value")!), ("further", "false"));
    }

    [Fact]
    public async Task A_broken_record_is_told_by_its_line_and_an_image_without_an_owner_is_not_kept()
    {
        (HttpStatusCode status, IHtmlDocument page) = await Upload(
            "x.hex",
            ":0400000001020304F2\n:04000400050607FF\n:00000001FF\n"u8.ToArray()
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("line 2: the record is cut off", Text(page, ".notice"));
        (status, page) = await Upload("x.bin", [1, 2, 3, 4], origin: "");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("on what right it is used", Text(page, ".notice"));
        // The file need not be chosen again.
        Assert.Contains("x.bin", Text(page, ".held"));
        (status, page) = await Cabin.Press(
            Form(page, ".held input"),
            ("origin", "dumped here"),
            ("right", "mine"),
            ("name", "second try")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("second try", Text(page, "select[name=image]"));
        (status, page) = await Upload("<script>.bin", new byte[64]);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("<script>.bin", Text(page, ".chain-step"));
        Assert.Null(page.QuerySelector(".chain-step script"));
    }

    [Fact]
    public async Task A_step_that_cannot_be_done_is_told_and_can_be_taken_out()
    {
        await Upload("odd.bin", new byte[63]);
        IHtmlDocument page = await Cabin.Page(System);
        Assert.Contains(
            page.QuerySelectorAll("[aria-labelledby=image-title] .wrong"),
            w => w.TextContent.Contains("63 bytes are no whole number of 16-bit words", StringComparison.Ordinal)
        );
        (_, page) = await Cabin.Press(Form(page, "[name=size][placeholder='512K']"), ("size", "nothing"));
        Assert.Contains("\"nothing\" is not a size", Text(page, ".notice"));
    }

    [Fact]
    public async Task A_machine_without_a_known_socket_says_what_is_missing() =>
        Assert.Contains("names no ROM socket", Text(await Cabin.Page("/jobs/gable-keep-render/rom"), "main"));
}
