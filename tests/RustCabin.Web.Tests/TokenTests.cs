using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>The field that proves where a form comes from: one for a browser, and no other browser's.</summary>
public sealed class TokenTests : OnACabin
{
    const string Page = "/jobs/slip-3-winter/memory";

    static string[] Tokens(IHtmlDocument page) =>
        [.. page.QuerySelectorAll("[name=__RequestVerificationToken]").Select(t => ((IHtmlInputElement)t).Value)];

    async Task<HttpStatusCode> Sent(string token)
    {
        using HttpResponseMessage answer = await Cabin.Http.PostAsync(
            "/preferences",
            new FormUrlEncodedContent([
                KeyValuePair.Create("back", "/"),
                KeyValuePair.Create("lamp", "on"),
                KeyValuePair.Create("__RequestVerificationToken", token),
            ])
        );
        return answer.StatusCode;
    }

    [Fact]
    public async Task A_browser_gets_one_token_and_gets_it_again()
    {
        await Cabin.Page(Page);
        string[] first = Tokens(await Cabin.Page(Page)),
            second = Tokens(await Cabin.Page("/cupboard"));
        Assert.NotEmpty(first);
        Assert.Single(first.Concat(second).Distinct());
        Assert.Equal(HttpStatusCode.OK, await Sent(first[0]));
        Assert.Equal(HttpStatusCode.OK, await Sent(second[0]));
    }

    [Fact]
    public async Task Another_browser_gets_another_and_neither_may_use_the_other_s()
    {
        await Cabin.Page(Page);
        string mine = Tokens(await Cabin.Page(Page))[0];
        Cabin.Visit();
        await Cabin.Page(Page);
        string theirs = Tokens(await Cabin.Page(Page))[0];
        Assert.NotEqual(mine, theirs);
        Assert.Equal(HttpStatusCode.BadRequest, await Sent(mine));
        Assert.Equal(HttpStatusCode.OK, await Sent(theirs));
    }

    [Fact]
    public async Task A_cookie_that_is_not_ours_is_replaced_and_never_kept_by()
    {
        await Cabin.Page(Page);
        Cookie ours = Cabin.Cookies.GetAllCookies().Single(c => c.Name.StartsWith("cabin-forgery", StringComparison.Ordinal));
        string before = ours.Value;
        ours.Value = "made-up";
        string[] tokens = Tokens(await Cabin.Page(Page));
        Assert.NotEqual("made-up", Cabin.Cookies.GetAllCookies().Single(c => c.Name == ours.Name).Value);
        Assert.NotEqual(before, Cabin.Cookies.GetAllCookies().Single(c => c.Name == ours.Name).Value);
        Assert.Equal(HttpStatusCode.OK, await Sent(tokens[0]));
    }

    [Fact]
    public async Task No_page_with_a_token_is_kept_by_a_browser()
    {
        for (int i = 0; i < 3; i++)
        {
            using HttpResponseMessage answer = await Cabin.Http.GetAsync(Page);
            Assert.True(answer.Headers.CacheControl is { NoStore: true, NoCache: true });
        }
    }
}
