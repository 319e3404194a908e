using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>A guide from elsewhere, held against the changes of a job at Wiring.</summary>
public sealed class GuideAtWiringTests : OnACabin
{
    [Fact]
    public async Task Another_guide_is_held_against_the_changes_and_nothing_is_kept()
    {
        const string Page = "/jobs/float-disc-cuts/wiring",
            Guide = "Lift pin 15 of U40\nWire TP27 to pad LATCH\nWire U72.85 to TP9";
        IHtmlDocument page = await Cabin.Page(Page);
        (HttpStatusCode status, page) = await Cabin.Press(Shown.Form(page, "form[action*='handler=Guide']"), ("guide", Guide));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("2 in both", page.QuerySelector("#guides")!.TextContent);
        Assert.Contains("MARK, TP9", page.QuerySelector("#guides table")!.TextContent);
        Assert.Equal(Guide, page.QuerySelector("#guides textarea")!.TextContent);
        (status, page) = await Cabin.Press(
            Shown.Form(await Cabin.Page(Page), "form[action*='handler=Guide']"),
            ("guide", "close the case")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("no line of it reads as an act", page.Body!.TextContent);
        Assert.Null((await Cabin.Page(Page)).QuerySelector("#guides table"));
    }
}
