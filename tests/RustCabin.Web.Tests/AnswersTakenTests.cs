using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>The answer of a tool is noted in a job.</summary>
public sealed class AnswersTakenTests : OnACabin
{
    [Theory]
    [InlineData("/tools/fair", "A fair test: 10 clean passes in a row.")]
    [InlineData("/tools/legs", "Legs of a chip: DIP-28 from above.")]
    [InlineData("/tools/ways", "Other ways: Least in all")]
    [InlineData("/tools/line", "Serial line: ")]
    [InlineData("/tools/repair", "A lifted trace: 1 wire, 49.1 mm in all. U7.11 to U9.4, 49.1 mm.")]
    public async Task An_answer_is_noted_in_a_job_at_the_step_at_hand(string tool, string words)
    {
        IHtmlDocument page = await Cabin.Page(tool);
        (HttpStatusCode status, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form.take")!,
            ("job", "slip-3-winter")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains(words, page.Body!.TextContent);
        (status, page) = await Cabin.Press(
            (IHtmlFormElement)(await Cabin.Page(tool)).QuerySelector("form.take")!,
            ("job", "no-such-job")
        );
        Assert.Equal(HttpStatusCode.NotFound, status);
        Assert.Contains("not here any more", page.Body!.TextContent);
    }
}
