using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>From a part, from the cupboard, and from a pattern or a standard pinout.</summary>
public sealed class FromPartTests : OnACabin
{
    static IHtmlFormElement Form(IHtmlDocument page, string css) => (IHtmlFormElement)page.QuerySelector(css)!;

    [Fact]
    public async Task A_job_that_adds_the_part_begins_with_one_press()
    {
        IHtmlDocument page = await Cabin.Page("/parts/fathom");
        Assert.Contains("6 of 9 at once", page.QuerySelector("#takes-title")!.TextContent);
        Assert.Contains("firmware 5.3 or later", page.Body!.TextContent);
        Assert.Contains("Board 7 takes it", page.Body.TextContent);
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "form[action*='handler=Begin']:has([value=slip-9])"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("Fit", page.QuerySelector("h1")!.TextContent);
        Assert.Contains("Fathom memory board", page.QuerySelector("header")!.TextContent);
        Assert.Contains("planned", page.QuerySelector(".matrix")!.TextContent);
        await Cabin.Page("/parts/nobody", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_cupboard_says_what_it_could_make()
    {
        IHtmlDocument page = await Cabin.Page("/cupboard/makes");
        Assert.Contains("Slipway 9", page.Body!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "form[action*='handler=Begin']:has([value=dunnock-net])"));
        Assert.Equal("Fit", page.QuerySelector("h1")!.TextContent);
    }

    [Fact]
    public async Task Every_pattern_of_a_part_wants_nothing_but_its_name()
    {
        IHtmlDocument sheets = await Cabin.Page("/sheets");
        string[] patterns = [.. sheets.QuerySelectorAll("a[href*='pattern=part-']").Select(a => a.GetAttribute("href")!)];
        Assert.Equal(8, patterns.Length);
        foreach (string pattern in patterns)
        {
            IHtmlDocument page = await Cabin.Page(pattern);
            Assert.Equal(["name"], page.QuerySelectorAll(".unsaids li").Select(l => l.TextContent));
            // Nothing is red before something was typed.
            Assert.Empty(page.QuerySelectorAll(".wrong, .wrongs, [aria-invalid]"));
        }
    }

    [Fact]
    public async Task A_standard_pinout_fills_the_pins_of_a_socket()
    {
        IHtmlDocument page = await Cabin.Page("/sheets/models/dunnock-8");
        var field = (IHtmlInputElement)page.QuerySelector("[name^='std:sites['][name$='.pinout']")!;
        (HttpStatusCode status, IHtmlDocument told) = await Cabin.Press(Form(page, "#fields"), (field.Name!, "no such chip"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("no pinout is known of \"no such chip\"", told.QuerySelector(".notice")!.TextContent);
        (_, page) = await Cabin.Press(Form(page, "#fields"), (field.Name!, "27256"));
        string path = field.Name!["std:".Length..];
        string[] pins =
        [
            .. page.QuerySelectorAll("input").OfType<IHtmlInputElement>().Where(i => i.Name == $"c:{path}").Select(i => i.Value),
        ];
        Assert.Equal(Core.Chips.StandardPinout.Find("27256")!.Legs, pins.Take(28));
    }

    [Fact]
    public async Task What_is_not_known_yet_is_listed_with_where_it_is_noted()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-5-line/fit");
        string href = page.QuerySelector(".tray a[href$='/missing']")!.GetAttribute("href")!;
        page = await Cabin.Page(href);
        Assert.Contains("What Sandbar ROM line draws", page.QuerySelector("table")!.TextContent);
        Assert.NotNull(page.QuerySelector("a[href='/sheets/parts/sandbar#section-draws']"));
        Assert.NotNull(page.QuerySelector("a[href='/jobs/slip-5-line/baseline']"));
    }
}
