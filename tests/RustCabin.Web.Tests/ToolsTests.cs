using System.Net;
using AngleSharp.Html.Dom;
using RustCabin.Web.Pages.Tools;

namespace RustCabin.Web.Tests;

/// <summary>Every declared tool answers its example with a drawing, from at most ten fields, one press from the empty
/// shelf.</summary>
public sealed class ToolsTests(ToolsTests.Empty empty) : IClassFixture<ToolsTests.Empty>
{
    /// <summary>A cabin without sheets.</summary>
    public sealed class Empty : IAsyncLifetime
    {
        public CabinServer Cabin { get; } = new() { Demo = false };

        public ValueTask InitializeAsync() => Cabin.InitializeAsync();

        public ValueTask DisposeAsync() => Cabin.DisposeAsync();
    }

    public static readonly TheoryData<string> Slugs = new(AllTools.List.Select(t => t.Slug));

    [Theory]
    [MemberData(nameof(Slugs))]
    public async Task A_tool_answers_its_example_from_an_empty_cabin(string slug)
    {
        Tool tool = AllTools.List.First(t => t.Slug == slug);
        Assert.InRange(tool.Fields.Count, 1, 10);
        Assert.Contains(
            $"/tools/{slug}",
            (await empty.Cabin.Page("/tools")).QuerySelectorAll("a").Select(a => a.GetAttribute("href"))
        );
        IHtmlDocument page = await empty.Cabin.Page($"/tools/{slug}");
        Assert.Equal(tool.Title, page.QuerySelector("h1")!.TextContent);
        Assert.NotEmpty(page.QuerySelector("[role=status] h2")!.TextContent);
        Assert.NotNull(page.QuerySelector("[role=status] svg"));
        // The handbook has the heading that it leads to.
        string heading = page.QuerySelector(".top a")!.GetAttribute("href")!;
        IHtmlDocument handbook = await empty.Cabin.Page(heading[..heading.IndexOf('#')]);
        Assert.NotNull(handbook.GetElementById(heading[(heading.IndexOf('#') + 1)..]));
    }

    [Theory]
    [InlineData("chips?types=9Kx1", "types")]
    [InlineData("map?ranges=nothing", "ranges")]
    [InlineData("map?bits=3", "bits")]
    [InlineData("switches?table=nothing", "table")]
    [InlineData("switches?wanted=", "wanted")]
    [InlineData("power?amps=much", "amps")]
    [InlineData("power?loads=board, some", "loads")]
    [InlineData("card?card=large", "card")]
    [InlineData("palette?levels=8 8", "levels")]
    [InlineData("panel?panel=9 9", "panel")]
    [InlineData("load?speakers=", "speakers")]
    [InlineData("trials?trials=old, fails", "trials")]
    [InlineData("rom?bytes=xyz", "bytes")]
    [InlineData("rom?bytes=0102 03", "op")]
    [InlineData("rom?op=melt", "ops")]
    [InlineData("fair?shows=0", "shows")]
    [InlineData("fair?of=none", "of")]
    [InlineData("fair?missed=1", "missed")]
    [InlineData("sampling?errors=", "captures")]
    [InlineData("sides?left=above", "heard")]
    [InlineData("batch?kept=0", "kept")]
    [InlineData("repair?broken=U1.1", "broken")]
    [InlineData("repair?legs=U1.1, far", "legs")]
    [InlineData("power?rail=", "rail")]
    [InlineData("bath?from=3", "fromPercent")]
    public async Task What_is_typed_wrong_is_told_with_its_field(string address, string field)
    {
        IHtmlDocument page = await empty.Cabin.Page($"/tools/{address}");
        Assert.Contains(
            page.QuerySelectorAll("[role=alert] b").Select(b => b.TextContent),
            f => f.StartsWith(field, StringComparison.Ordinal)
        );
        Assert.Null(page.QuerySelector("[role=status]"));
    }

    [Theory]
    [InlineData("power", "0.23 A are left")] // 2.6 x 0.8 - 1.3 - 0.55
    [InlineData("batch", "4.50 for each that is kept")] // (24 + 96 + 18 - 120) / 4
    [InlineData("load", "4.5 ohms take 0.89 W")] // 4 / 4.5
    [InlineData("chips", "512 KiB from 18 x 256Kx1")]
    [InlineData("trials", "supply own")]
    [InlineData("fair", "10 clean passes in a row")] // 0.7^9 is 0.0404, once in 24.8; 0.7^10 is enough
    [InlineData("rom", "Split into 2 lanes")]
    [InlineData("sampling", "Phase 3")]
    [InlineData("sides", "Left and right are exchanged: change the two leads at the jack.")]
    [InlineData("map", "Two answer in 1 range")]
    [InlineData("switches", "W2 closed, W3 open, W4 open")]
    [InlineData("repair", "1 wire, 49.1 mm in all")] // from 58, 22 to 61, 71
    public async Task The_example_gives_the_worked_figure(string slug, string headline) =>
        Assert.Equal(headline, (await empty.Cabin.Page($"/tools/{slug}")).QuerySelector("[role=status] h2")!.TextContent);

    [Fact]
    public async Task There_is_no_tool_of_another_name_and_a_map_is_kept_as_a_sheet()
    {
        Assert.Equal(HttpStatusCode.NotFound, (await empty.Cabin.Http.GetAsync("/tools/oars")).StatusCode);
        IHtmlDocument page = await empty.Cabin.Page("/tools/map?bits=17");
        (_, page) = await empty.Cabin.Press((IHtmlFormElement)page.QuerySelector("form.keep")!, ("Name", "Tern"));
        Assert.Contains("The sheet is made", page.Body!.TextContent);
        Assert.Contains("\"addressBits\":17", page.QuerySelector("textarea[name=Pasted]")!.TextContent);
    }

    /// <summary>What is kept of a tool is a pack that the import takes whole.</summary>
    [Theory]
    [MemberData(nameof(Slugs))]
    public async Task What_is_kept_of_a_tool_is_a_sheet_that_comes_in(string slug)
    {
        IHtmlDocument page = await empty.Cabin.Page($"/tools/{slug}");
        if (page.QuerySelector("form.keep") is not IHtmlFormElement keep)
        {
            Assert.DoesNotContain(slug, (string[])["chips", "map", "switches", "power", "card", "palette", "load"]);
            (HttpStatusCode none, _) = await empty.Cabin.Press(
                (IHtmlFormElement)(await empty.Cabin.Page("/tools/map")).QuerySelector("form.keep")!,
                ("Name", " ")
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, none);
            return;
        }
        (_, page) = await empty.Cabin.Press(keep, ("Name", $"Kept {slug}"));
        string pack = page.QuerySelector("textarea[name=Pasted]")!.TextContent;
        Assert.Contains($"kept-{slug}", pack);
        (_, page) = await empty.Cabin.Press((IHtmlFormElement)page.QuerySelector("form[action='/import']")!, ("Pasted", pack));
        Assert.Contains("What it would bring", page.Body!.TextContent);
    }
}
