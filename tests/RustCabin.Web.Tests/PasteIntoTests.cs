using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>Contacts and a bill of materials are pasted into the sheet of a part.</summary>
public sealed class PasteIntoTests : OnACabin
{
    const string Sheet = "/sheets/parts/mooring";

    async Task<IHtmlDocument> Sent(string list, string op, string text)
    {
        IHtmlDocument page = await Cabin.Page(Sheet);
        (HttpStatusCode status, page) = await Cabin.Press(
            (IHtmlFormElement)page.QuerySelector("#fields")!,
            ($"p:{list}", text),
            ("op", $"{op} {list}")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        return page;
    }

    static string Json(IHtmlDocument page) =>
        string.Concat(page.QuerySelector("#raw")!.TextContent.Where(c => !char.IsWhiteSpace(c)));

    [Fact]
    public async Task Contacts_stand_in_their_order_and_one_that_is_not_named_takes_any()
    {
        const string Text = "1 GND\n2 +5\n5 CLK";
        Assert.Contains("contact 5 CLK", (await Sent("contacts", "read", Text)).Body!.TextContent);
        Assert.Contains("\"contacts\":[\"GND\",\"+5\",\"n\",\"n\",\"CLK\"]", Json(await Sent("contacts", "take", Text)));
    }

    [Fact]
    public async Task A_bill_of_materials_becomes_lines_with_their_places()
    {
        const string Text = "2x 22k R1,R2 0.05\n4 pcs spacer";
        Assert.Contains("2 x 22k for R1 R2, 0.05 each", (await Sent("bom", "read", Text)).Body!.TextContent);
        Assert.Contains(
            "\"bom\":[{\"what\":\"22k\",\"refs\":[\"R1\",\"R2\"],\"price\":0.05},{\"what\":\"spacer\",\"count\":4}]",
            Json(await Sent("bom", "take", Text))
        );
    }
}
