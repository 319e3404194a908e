using System.Net;
using System.Text.RegularExpressions;
using AngleSharp.Html.Dom;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Tests;

/// <summary>A press of a script is answered with the page that the same press leads a browser to.</summary>
public sealed partial class AtOnceTests : OnACabin
{
    public static TheoryData<string> Stations => new(Desks.Trail.Select(desk => desk.Slug));

    const string Job = "/jobs/slip-3-winter";

    /// <summary>Sends a press as a script does, or as a browser without one; nothing is followed.</summary>
    async Task<HttpResponseMessage> Press(string page, string handler, bool atOnce, params (string Name, string Value)[] with)
    {
        IHtmlDocument seen = await Cabin.Page(page);
        string Field(string name) => ((IHtmlInputElement)seen.QuerySelector($"[name={name}]")!).Value;
        using var browser = new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = false, CookieContainer = Cabin.Cookies })
        {
            BaseAddress = Cabin.Http.BaseAddress,
        };
        using var press = new HttpRequestMessage(HttpMethod.Post, handler)
        {
            Content = new FormUrlEncodedContent([
                KeyValuePair.Create("__RequestVerificationToken", Field("__RequestVerificationToken")),
                KeyValuePair.Create("version", seen.QuerySelector("[name=version]") is null ? "" : Field("version")),
                .. with.Select(w => KeyValuePair.Create(w.Name, w.Value)),
            ]),
        };
        if (atOnce)
            press.Headers.Add(AtOnce.Asked, "1");
        return await browser.SendAsync(press);
    }

    /// <summary>A page without what is another each time that it is made: its token, and the moment.</summary>
    static string Plain(string page) => Each().Replace(page, "");

    [GeneratedRegex("""(?<=name="__RequestVerificationToken" type="hidden" value=")[^"]*|(?<=data-now=")[^"]*""")]
    private static partial Regex Each();

    [Theory]
    [MemberData(nameof(Stations))]
    public async Task At_every_station_it_is_the_page_that_a_browser_is_led_to(string station)
    {
        await Press($"{Job}/memory", $"{Job}/memory?handler=Switch", atOnce: false, Switch("closed"));
        HttpResponseMessage answer = await Press($"{Job}/{station}", $"{Job}/{station}?handler=Undo", atOnce: true);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        string page = Assert.Single(answer.Headers.GetValues(AtOnce.Told));
        string led = Plain(await answer.Content.ReadAsStringAsync());
        Assert.Equal(Plain(await Cabin.Http.GetStringAsync(page)), led);
        Assert.Contains("id=\"station\"", led);

        // The same press without a script leads there.
        answer = await Press($"{Job}/{station}", $"{Job}/{station}?handler=Redo", atOnce: false);
        Assert.Equal(HttpStatusCode.Found, answer.StatusCode);
        Assert.Equal(page, answer.Headers.Location!.OriginalString);
    }

    static (string, string)[] Switch(string position) => [("instance", "fathom"), ("switchId", "W3"), ("position", position)];

    [Fact]
    public async Task What_the_browser_is_given_to_keep_it_is_given_and_led_on()
    {
        HttpResponseMessage answer = await Press("/", "/preferences", atOnce: true, ("lamp", "off"), ("back", "/cupboard"));
        Assert.Equal(HttpStatusCode.Found, answer.StatusCode);
        Assert.Equal("/cupboard", answer.Headers.Location!.OriginalString);
        Assert.Contains(answer.Headers.GetValues("Set-Cookie"), c => c.StartsWith("cabin-lamp=off"));
    }

    [Fact]
    public async Task A_press_that_is_refused_says_so_where_it_was_made()
    {
        HttpResponseMessage answer = await Press(
            $"{Job}/memory",
            $"{Job}/memory?handler=Switch",
            atOnce: true,
            ("instance", "fathom"),
            ("switchId", "W99"),
            ("position", "on")
        );
        Assert.False(answer.IsSuccessStatusCode);
        Assert.False(answer.Headers.Contains(AtOnce.Told));
    }
}
