using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using RustCabin.Web.Pages.Handbook;
using RustCabin.Web.Stations;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The handbook as the application serves it: a page for each station, and no link that leads nowhere.</summary>
public sealed class HandbookTests : OnACabin
{
    [Fact]
    public async Task Every_page_reads_and_each_of_its_links_leads_somewhere()
    {
        int links = 0;
        foreach (HandbookPage page in HandbookPage.All)
        {
            IHtmlDocument read = await Cabin.Page($"/handbook/{page.Name}");
            Assert.Equal(page.Title, Text(read, ".handbook-text h1"));
            Assert.Contains($"href=\"/handbook/{page.Name}\"", read.DocumentElement.OuterHtml);
            foreach (IElement link in read.QuerySelectorAll(".handbook-text a[href]"))
            {
                links++;
                string[] to = link.GetAttribute("href")!.Split('#');
                HttpResponseMessage there = await Cabin.Http.GetAsync(to[0].Length > 0 ? to[0] : $"/handbook/{page.Name}");
                Assert.True(there.StatusCode == HttpStatusCode.OK, $"{page.Name}: {link.GetAttribute("href")}");
                if (to.Length > 1)
                    Assert.Contains($"id=\"{to[1]}\"", await there.Content.ReadAsStringAsync());
            }
        }
        Assert.True(links > 30);
        // No page is left out: what another page or a station leads to is served.
        Assert.All(
            typeof(HandbookPage)
                .Assembly.GetManifestResourceNames()
                .Where(n => n.StartsWith("handbook.", StringComparison.Ordinal)),
            n => Assert.Contains(HandbookPage.All, p => $"handbook.{p.Name}.md" == n)
        );
        await Cabin.Page("/handbook/nothing", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Each_station_leads_to_its_page()
    {
        foreach (Desk desk in Desks.Trail)
            Assert.Equal(
                $"/handbook/{desk.Slug}",
                (await Cabin.Page($"/jobs/slip-3-winter/{desk.Slug}")).QuerySelector(".to-handbook a")!.GetAttribute("href")
            );
    }
}
