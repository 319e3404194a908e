using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>Two tabs on one sheet: what the second typed is not lost, and goes over the first's only when it says so.</summary>
public sealed class EditorTwoTabsTests : OnACabin
{
    const string Sheet = "/sheets/models/brindle-16";

    static IHtmlFormElement Form(IHtmlDocument page, string handler) =>
        (IHtmlFormElement)page.QuerySelector($"form[action*='handler={handler}']")!;

    static string Name(IHtmlDocument page) => ((IHtmlInputElement)page.QuerySelector("[name='f:name']")!).Value;

    [Fact]
    public async Task Fields_typed_on_an_older_state_stay_and_are_kept_by_the_next_press()
    {
        IHtmlDocument second = await Cabin.Page(Sheet);
        await Cabin.Press(Form(await Cabin.Page(Sheet), "Fields"), ("f:name", "Called by the first"));

        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(second, "Fields"),
            ("f:name", "Called by the second")
        );
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Equal("Called by the second", Name(page));
        Assert.Contains("another tab", page.QuerySelector("[role=alert]")!.TextContent);
        Assert.Equal("Called by the first", Name(await Cabin.Page(Sheet)));

        (status, page) = await Cabin.Press(Form(page, "Fields"), ("f:name", Name(page)));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal("Called by the second", Name(page));
        (_, page) = await Cabin.Press(Form(page, "Undo"));
        Assert.Equal("Called by the first", Name(page));
    }

    [Fact]
    public async Task Text_of_the_raw_pane_stays_too()
    {
        IHtmlDocument second = await Cabin.Page(Sheet);
        string raw = ((IHtmlTextAreaElement)second.QuerySelector("[name=raw]")!).Value;
        await Cabin.Press(Form(await Cabin.Page(Sheet), "Fields"), ("f:name", "Called by the first"));
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(
            Form(second, "Raw"),
            ("raw", raw.Instead("\"Brindle 16\"", "\"Called in raw\""))
        );
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Contains("Called in raw", ((IHtmlTextAreaElement)page.QuerySelector("[name=raw]")!).Value);
    }
}
