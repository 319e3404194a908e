using System.IO.Compression;
using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The ROM station: sample jobs, files in and out, chains that cannot be done, and what is typed wrong.</summary>
public sealed class RomPageTests : IAsyncLifetime
{
    const string System = "/jobs/slip-2-system/rom";
    readonly CabinServer _cabin = new();
    public ValueTask InitializeAsync() => _cabin.InitializeAsync();
    public ValueTask DisposeAsync() => _cabin.DisposeAsync();

    [Theory]
    [InlineData("/jobs/slip-2-system/rom", "Every byte of 262,144")]
    [InlineData("/jobs/winch-16c-system/rom", "Every byte of 524,288")]
    [InlineData("/jobs/dunnock-net-device/rom", "Every byte of 32,768")]
    [InlineData("/jobs/chalk-primer-slots/rom", "Every byte of 16,384")]
    public async Task The_sample_jobs_prove_and_stand_on_the_build_sheet(string path, string words)
    {
        IHtmlDocument page = await _cabin.Page(path);
        (HttpStatusCode status, page) = await _cabin.Press(Form(page, "[aria-labelledby=proof-title] button"), ("site", ((IHtmlButtonElement)page.QuerySelector("[aria-labelledby=proof-title] button")!).Value));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(words, Text(page, "[aria-labelledby=proof-title]"));
        string site = ((IHtmlButtonElement)page.QuerySelector("[aria-labelledby=proof-title] button")!).Value;
        Assert.Contains("fetched as it must be", Text(await _cabin.Page(path.Replace("/rom", "/build")), $"#step-proof-{site}"));
    }

    [Fact]
    public async Task A_line_on_a_switch_has_its_table()
    {
        IHtmlDocument page = await _cabin.Page("/jobs/dunnock-net-device/rom");
        Assert.Contains("high second 0x8000 to 0xffff".Replace(" ", ""), Text(page, "[aria-labelledby=device-title] table").Replace(" ", ""));
        (_, page) = await _cabin.Press(Form(page, "[aria-label='Tie A15 to GND']"), ("to", "GND"));
        Assert.Null(page.QuerySelector("[aria-labelledby=device-title] table"));
    }

    [Fact]
    public async Task Every_fault_of_the_programmer_ends_in_the_log()
    {
        IHtmlDocument page = await _cabin.Page(System);
        foreach ((string fault, string told) in new[] { ("None", "ReadBack: The dump is the file"), ("UnderErased", "Blank:"), ("WrongDevice", "Identify:"), ("WeakBit", "Verify:"), ("SwappedSetting", "ReadBack: The two bytes of every word are swapped") })
        {
            (_, page) = await _cabin.Press(Form(page, "[name=fault]"), ("fault", fault));
            Assert.Contains(told, Text(page, "[aria-labelledby=burn-title]"));
        }
    }

    [Theory]
    [InlineData("bin", 524_288)]
    [InlineData("ihex", 0)]
    [InlineData("srec", 0)]
    public async Task The_file_goes_out_in_each_format(string format, int size)
    {
        byte[] file = await _cabin.Http.GetByteArrayAsync($"{System}?handler=File&at=rom&format={format}");
        if (size > 0) Assert.Equal(size, file.Length);
        else Assert.Equal(format == "ihex" ? (byte)':' : (byte)'S', file[0]);
    }

    [Fact]
    public async Task A_zip_holds_the_lanes_and_their_sums()
    {
        IHtmlDocument page = await _cabin.Page(System);
        (_, page) = await _cabin.Press(Form(page, "[name=op]"), ("op", """{"op":"split","lanes":2}"""));
        using var zip = new ZipArchive(new MemoryStream(await _cabin.Http.GetByteArrayAsync($"{System}?handler=File&at=rom&format=zip")));
        Assert.Equal(["slip-2-system-rom-0.bin", "slip-2-system-rom-1.bin", "sums.txt"], zip.Entries.Select(e => e.FullName));
        (HttpStatusCode status, page) = await _cabin.Press(Form(page, "[aria-labelledby=proof-title] button"), ("site", "rom"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("ends in several images", Text(page, ".notice"));
    }

    async Task<(HttpStatusCode, IHtmlDocument)> Upload(string name, byte[] bytes, string origin = "dumped here", string right = "mine")
    {
        IHtmlDocument page = await _cabin.Page(System);
        var form = new MultipartFormDataContent();
        foreach (string field in (string[])["__RequestVerificationToken", "version"])
            form.Add(new StringContent(((IHtmlInputElement)Form(page, "[name=paste]").QuerySelector($"[name={field}]")!).Value), field);
        form.Add(new StringContent("rom"), "site");
        form.Add(new StringContent(origin), "origin");
        form.Add(new StringContent(right), "right");
        form.Add(new ByteArrayContent(bytes), "file", name);
        HttpResponseMessage answer = await _cabin.Http.PostAsync($"{System}?handler=Upload", form);
        return (answer.StatusCode, await CabinServer.Html(answer));
    }

    [Fact]
    public async Task A_broken_record_is_told_by_its_line_and_an_image_without_an_owner_is_not_kept()
    {
        (HttpStatusCode status, IHtmlDocument page) = await Upload("x.hex", ":0400000001020304F2\n:04000400050607FF\n:00000001FF\n"u8.ToArray());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("line 2: the record is cut off", Text(page, ".notice"));
        (status, page) = await Upload("x.bin", [1, 2, 3, 4], origin: "");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("on what right it is used", Text(page, ".notice"));
        (status, page) = await Upload("<script>.bin", new byte[64]);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("<script>.bin", Text(page, ".chain-step"));
        Assert.Null(page.QuerySelector(".chain-step script"));
    }

    [Fact]
    public async Task A_step_that_cannot_be_done_is_told_and_can_be_taken_out()
    {
        await Upload("odd.bin", new byte[63]);
        IHtmlDocument page = await _cabin.Page(System);
        Assert.Contains("63 bytes are no whole number of 16-bit words", Text(page, "[aria-labelledby=image-title] .wrong"));
        (_, page) = await _cabin.Press(Form(page, "[name=size][placeholder='512K']"), ("size", "nothing"));
        Assert.Contains("\"nothing\" is not a size", Text(page, ".notice"));
    }

    [Fact]
    public async Task A_machine_without_a_known_socket_says_what_is_missing() => Assert.Contains("names no ROM socket", Text(await _cabin.Page("/jobs/gable-keep-render/rom"), "main"));
}
