using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>A bare board is populated from the cupboard; what is missing is wanted, ordered, comes, is lent.</summary>
public sealed class AssemblyPageTests : OnACabin
{
    const string Sheet = "/parts/chanter/assembly";

    /// <summary>The row of a thing, in words a blank apart.</summary>
    async Task<string> Row(string name) =>
        string.Join(
            ' ',
            (await Cabin.Page("/cupboard"))
                .QuerySelectorAll(".stock tbody tr")
                .Single(r => r.QuerySelector("th")!.TextContent.StartsWith(name, StringComparison.Ordinal))
                .TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        );

    async Task<string> EditOf(string name) =>
        (await Cabin.Page("/cupboard")).QuerySelector($"a[aria-label='Change {name}']")!.GetAttribute("href")!.Split('#')[0];

    [Fact]
    public async Task What_is_missing_goes_onto_the_list_comes_and_is_built_in()
    {
        IHtmlDocument page = await Cabin.Page(Sheet);
        Assert.Contains("10 of 19 are missing", page.Body!.TextContent);
        Assert.Null(page.QuerySelector("form[action*='handler=Built']"));
        await Pressed(Cabin, Sheet, "form[action*='handler=Want'] button");
        IHtmlDocument cupboard = await Cabin.Page("/cupboard");
        Assert.Contains("33 uF", Text(cupboard, "section[aria-labelledby=buy-title]"));
        // One condenser is missing and fifty are ordered: nothing more is wanted of it.
        Assert.Contains("1 wanted", await Row("220 nF"));
        foreach (string missing in (string[])["6.8k", "33 uF", "DIP-24 socket", "drone", "two voices", "jack, three contacts"])
        {
            await Pressed(
                Cabin,
                await EditOf(missing),
                "form[action*='handler=Order'] button",
                ("ordered", "2"),
                ("due", "2026-12-24")
            );
            Assert.Contains("2 ordered, due 2026-12-24", await Row(missing));
            await Pressed(Cabin, "/cupboard", $"button[aria-label='The parcel with {missing} is here']");
            Assert.DoesNotContain("ordered", await Row(missing));
        }
        await Pressed(Cabin, "/cupboard", "button[aria-label='The parcel with 220 nF is here']");
        await Pressed(Cabin, Sheet, "form[action*='handler=Built'] button");
        Assert.Contains("19", await Row("22k"));
        Assert.Contains("populated here", await Row("Chanter sound card"));
        // All of it was one press, and goes back as one.
        await Pressed(Cabin, "/cupboard", "#undo");
        Assert.Contains("25", await Row("22k"));
        Assert.DoesNotContain("populated here", (await Cabin.Page("/cupboard")).Body!.TextContent);
    }

    [Fact]
    public async Task A_thing_that_is_lent_does_not_lie_there()
    {
        await Pressed(Cabin, await EditOf("Fast card, CF"), "form[action*='handler=Lend'] button", ("to", "the ferry house"));
        Assert.Contains("1 lent to the ferry house", await Row("Fast card, CF"));
        await Pressed(Cabin, "/cupboard", "button[aria-label='Fast card, CF came back']");
        Assert.DoesNotContain("lent", await Row("Fast card, CF"));
        string edit = await EditOf("Fast card, CF");
        foreach (string typed in (string[])["-1", "many", "1000000"])
        {
            (HttpStatusCode status, _) = await Cabin.Press(
                Form(await Cabin.Page(edit), "form[action*='handler=Order'] button"),
                ("ordered", typed)
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        }
        (HttpStatusCode day, IHtmlDocument said) = await Cabin.Press(
            Form(await Cabin.Page(edit), "form[action*='handler=Order'] button"),
            ("ordered", "1"),
            ("due", "tomorrow")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, day);
        Assert.Contains("\"tomorrow\" is no day", said.Body!.TextContent);
        (HttpStatusCode nobody, _) = await Cabin.Press(
            Form(await Cabin.Page(edit), "form[action*='handler=Lend'] button"),
            ("to", " ")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, nobody);
    }

    [Fact]
    public async Task A_change_of_a_thing_leaves_its_order_as_it_is()
    {
        await Pressed(
            Cabin,
            await EditOf("220 nF"),
            "form[action*='handler=Save'] button",
            ("Form.Kind", "other"),
            ("Form.Place", "drawer 12")
        );
        Assert.Contains("drawer 12", await Row("220 nF"));
        Assert.Contains("50 ordered, due 2031-03-14", await Row("220 nF"));
    }

    [Fact]
    public async Task A_part_without_a_bill_says_how_to_get_one()
    {
        Assert.Contains("no bill of materials", (await Cabin.Page("/parts/fathom/assembly")).Body!.TextContent);
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/parts/nothing/assembly")).StatusCode);
    }
}
