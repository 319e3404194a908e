using System.Net;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using RustCabin.Data;

namespace RustCabin.Web.Tests;

/// <summary>Every word that the demo's own pages show can be searched for, in any order.</summary>
public sealed partial class EveryWordTests : OnACabin
{
    [GeneratedRegex(@"[\p{L}\p{N}]+")]
    private static partial Regex Word { get; }

    [Fact]
    public async Task No_select_of_the_demo_has_a_choice_twice()
    {
        int selects = 0;
        foreach (string job in (string[])["slip-3-winter", "slip-7-picture", "harbour-clerk-second", "jetty-disc-direct"])
        foreach (string desk in RustCabin.Web.Stations.Desks.Trail.Select(d => d.Slug))
        {
            IHtmlDocument page = await Cabin.Page($"/jobs/{job}/{desk}");
            foreach (IElement select in page.QuerySelectorAll("select"))
            {
                selects++;
                string[] choices = [.. select.QuerySelectorAll("option").Select(o => o.TextContent.Trim())];
                Assert.Empty(choices.GroupBy(c => c).Where(g => g.Count() > 1).Select(g => $"{job}/{desk}: {g.Key}"));
            }
        }
        Assert.True(selects > 20, $"{selects} selects");
    }

    [Fact]
    public async Task Every_word_of_the_demo_is_found_or_not_and_never_an_error()
    {
        var words = new HashSet<string>(["32", "cable", "box", "a"]);
        foreach (string url in (string[])["/", "/cupboard", "/sheets", "/tools", "/jobs/slip-3-winter/build"])
        {
            IHtmlDocument page = await Cabin.Page(url);
            words.UnionWith(Word.Matches(page.QuerySelector("main")!.TextContent).Select(m => m.Value));
        }
        Assert.True(words.Count > 400, $"{words.Count} words");
        var search = new SearchRepository(CabinFile.Open(Path.Combine(Cabin.Data, "cabin.db")));
        int found = 0;
        foreach (string word in words)
            found += search.Things(word).Count(f => f.Key.Length > 0);
        Assert.True(found > words.Count);
        foreach (string word in (string[])["32", "cable", "box", "a"])
            Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync($"/search?q={word}")).StatusCode);
    }
}
