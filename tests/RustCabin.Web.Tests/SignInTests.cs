using System.Net;
using AngleSharp.Html.Dom;
using Microsoft.AspNetCore.Builder;
using RustCabin.Web.SignIn;

namespace RustCabin.Web.Tests;

/// <summary>The door to other machines. This one plays another by an option that asks everybody.</summary>
public sealed class SignInTests : IAsyncLifetime
{
    const string Phrase = "four rusty tin cans";
    readonly CabinServer _cabin = new() { Options = ["--sign-in", "everybody"], Clock = "" };

    public async ValueTask InitializeAsync()
    {
        new DoorFile(_cabin.Data, TimeProvider.System).SetPhrase(Phrase);
        await _cabin.InitializeAsync();
    }

    public ValueTask DisposeAsync() => _cabin.DisposeAsync();

    DoorFile Door => new(_cabin.Data, TimeProvider.System);

    async Task<(HttpStatusCode, IHtmlDocument)> Give(string phrase, string page = "/jobs/slip-3-winter/memory") =>
        await _cabin.Press((IHtmlFormElement)(await _cabin.Page(page)).QuerySelector("form")!, ("phrase", phrase));

    [Fact]
    public async Task Nothing_is_seen_before_the_phrase_and_what_was_asked_for_after_it()
    {
        IHtmlDocument page = await _cabin.Page("/jobs/slip-3-winter/memory");
        Assert.Contains("Sign in", page.Title);
        Assert.DoesNotContain("Dunnock", page.DocumentElement.TextContent);
        Assert.Null(page.QuerySelector("nav"));
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await _cabin.Post("/api/v1/memory/marking", """{ "text": "41256-12" }""")).Status
        );
        Assert.Equal(HttpStatusCode.OK, (await _cabin.Http.GetAsync("/css/tokens.css")).StatusCode);

        (HttpStatusCode status, page) = await Give("four rusty tin can");
        Assert.Equal(HttpStatusCode.Unauthorized, status);
        Assert.Equal("That is not the pass phrase.", page.QuerySelector(".notice")!.TextContent);

        (status, page) = await Give(Phrase);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("Dunnock", page.DocumentElement.TextContent);
        Assert.Equal(HttpStatusCode.OK, (await _cabin.Post("/api/v1/memory/marking", """{ "text": "41256-12" }""")).Status);
    }

    [Theory]
    [InlineData("//elsewhere.example/")]
    [InlineData("https://elsewhere.example/")]
    [InlineData("/\\elsewhere.example")]
    public async Task It_leads_nowhere_else(string back)
    {
        IHtmlDocument page = await _cabin.Page($"/sign-in?back={Uri.EscapeDataString(back)}");
        (_, page) = await _cabin.Press((IHtmlFormElement)page.QuerySelector("form")!, ("phrase", Phrase));
        Assert.Contains("Shelf", page.Title);
    }

    [Fact]
    public async Task The_cookie_is_for_this_site_alone_and_a_stolen_one_ends_with_the_sign_out()
    {
        IHtmlDocument page = await _cabin.Page("/sign-in");
        using var thief = new HttpClient(new SocketsHttpHandler { UseCookies = false, AllowAutoRedirect = false })
        {
            BaseAddress = _cabin.Http.BaseAddress,
        };
        string token = ((IHtmlInputElement)page.QuerySelector("[name=__RequestVerificationToken]")!).Value;
        using var give = new HttpRequestMessage(HttpMethod.Post, "/sign-in")
        {
            Content = new FormUrlEncodedContent([new("phrase", Phrase), new("__RequestVerificationToken", token)]),
        };
        give.Headers.Add("Cookie", _cabin.Cookies.GetCookieHeader(_cabin.Http.BaseAddress!));
        string set = (await thief.SendAsync(give)).Headers.GetValues("Set-Cookie").Single(c => c.StartsWith("cabin-door"));
        Assert.Contains("httponly", set, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=strict", set, StringComparison.OrdinalIgnoreCase);
        string stolen = set.Split(';')[0];
        _cabin.Cookies.SetCookies(_cabin.Http.BaseAddress!, stolen);

        async Task<HttpStatusCode> AsThief()
        {
            using var ask = new HttpRequestMessage(HttpMethod.Get, "/cabin");
            ask.Headers.Add("Cookie", stolen);
            return (await thief.SendAsync(ask)).StatusCode;
        }
        Assert.Equal(HttpStatusCode.OK, await AsThief());
        page = await _cabin.Page("/cabin");
        Assert.Contains("1 device signed in", page.QuerySelector("#door")!.TextContent);
        var form = (IHtmlFormElement)page.QuerySelector("#door form")!;
        (_, page) = await _cabin.Press(form, ("everywhere", "false"));
        Assert.Contains("Sign in", page.Title);
        Assert.Equal(HttpStatusCode.Redirect, await AsThief());
        Assert.Empty(Door.Devices);
    }

    [Fact]
    public async Task Signed_out_everywhere_and_a_new_phrase_end_every_device()
    {
        await Give(Phrase);
        Door.Enter("192.0.2.77");
        IHtmlDocument page = await _cabin.Page("/cabin");
        Assert.Contains("2 devices signed in", page.QuerySelector("#door")!.TextContent);
        (_, page) = await _cabin.Press((IHtmlFormElement)page.QuerySelector("#door form")!, ("everywhere", "true"));
        Assert.Contains("Sign in", page.Title);
        Assert.Empty(Door.Devices);

        await Give(Phrase);
        Assert.Contains("Shelf", (await _cabin.Page("/")).Title);
        Door.SetPhrase("another phrase altogether"); // as ./cabin phrase does, in a process of its own
        Assert.Contains("Sign in", (await _cabin.Page("/")).Title);
        Assert.Equal(HttpStatusCode.Unauthorized, (await Give(Phrase)).Item1);
    }

    [Fact]
    public async Task Nobody_signs_others_out_who_is_not_in()
    {
        Door.Enter("192.0.2.77");
        var form = (IHtmlFormElement)(await _cabin.Page("/sign-in")).QuerySelector("form")!;
        form.SetAttribute("action", "/sign-in?handler=Out");
        Assert.Equal(HttpStatusCode.Unauthorized, (await _cabin.Press(form, ("everywhere", "true"))).Status);
        Assert.Single(Door.Devices);
    }

    [Fact]
    public async Task A_page_left_open_keeps_what_was_typed_when_its_device_was_signed_out()
    {
        await Give(Phrase);
        IHtmlDocument page = await _cabin.Page("/cupboard");
        Door.LeaveAll();
        (HttpStatusCode status, IHtmlDocument told) = await _cabin.Press(
            (IHtmlFormElement)page.QuerySelector("form[action='/preferences']")!,
            ("lamp", "on")
        );
        Assert.Equal(HttpStatusCode.Unauthorized, status);
        Assert.Contains("not signed in any more", told.QuerySelector("main .empty p")!.TextContent);
    }

    [Fact]
    public async Task Ten_wrong_phrases_a_minute_are_slowed_the_right_one_with_them()
    {
        for (int i = 0; i < WrongPhrases.APerson; i++)
            Assert.Equal(HttpStatusCode.Unauthorized, (await Give($"wrong phrase {i}")).Item1);
        (HttpStatusCode status, IHtmlDocument page) = await Give(Phrase);
        Assert.Equal(HttpStatusCode.TooManyRequests, status);
        Assert.Contains("Wait 60 seconds", page.QuerySelector(".notice")!.TextContent);
    }

    [Fact]
    public void The_file_holds_neither_phrase_nor_cookie_and_is_for_its_owner()
    {
        string token = Door.Enter("192.0.2.77");
        string path = Path.Combine(_cabin.Data, "door.json"),
            text = File.ReadAllText(path);
        Assert.DoesNotContain(Phrase, text);
        Assert.DoesNotContain(token, text);
        if (!OperatingSystem.IsWindows())
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(path));
        Assert.True(Door.IsIn(token));
        Door.Leave(token);
        Assert.False(Door.IsIn(token));
    }

    [Fact]
    public void A_device_stays_in_for_thirty_days()
    {
        var clock = new Later();
        var door = new DoorFile(_cabin.Data, clock);
        string token = door.Enter("192.0.2.77");
        clock.By = DoorFile.Stays - TimeSpan.FromSeconds(1);
        Assert.True(door.IsIn(token));
        clock.By = DoorFile.Stays;
        Assert.False(door.IsIn(token));
        Assert.Empty(door.Devices);
    }

    sealed class Later : TimeProvider
    {
        readonly DateTimeOffset _start = DateTimeOffset.UtcNow;
        public TimeSpan By { get; set; }

        public override DateTimeOffset GetUtcNow() => _start + By;
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("{}")]
    [InlineData("{\"Phrase\":\"AQAAAAIAAYag")]
    public void A_file_that_does_not_read_lets_nobody_in_and_says_so(string text)
    {
        string token = Door.Enter("192.0.2.77");
        string path = Path.Combine(_cabin.Data, "door.json");
        File.WriteAllText(path, text);
        File.SetLastWriteTimeUtc(path, DateTime.UtcNow.AddSeconds(5));
        Assert.Contains("./cabin phrase", Door.Unread);
        Assert.False(Door.IsIn(token) || Door.IsPhrase(Phrase));
        Door.SetPhrase("another phrase of words");
        Assert.Null(Door.Unread);
    }

    [Theory]
    [InlineData("short one")]
    [InlineData("          ")]
    public void A_short_phrase_is_refused(string phrase) =>
        Assert.Contains("at least 10", Assert.Throws<FormatException>(() => Door.SetPhrase(phrase)).Message);

    [Fact]
    public async Task A_phrase_opens_to_the_network_and_this_machine_need_not_say_it()
    {
        string data = Directory.CreateTempSubdirectory("cabin").FullName;
        new DoorFile(data, TimeProvider.System).SetPhrase(Phrase);
        await using (WebApplication app = Cabin.Build(["--data", data, "--urls", "http://0.0.0.0:0"]))
        {
            await app.StartAsync(TestContext.Current.CancellationToken);
            int port = new Uri(app.Urls.First()).Port;
            using var http = new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = false });
            Assert.Equal(HttpStatusCode.OK, (await http.GetAsync($"http://127.0.0.1:{port}/")).StatusCode);
            IReadOnlyList<string> reached = RustCabin.Web.SignIn.Door.Reached(app.Urls);
            foreach (string address in reached)
            {
                HttpResponseMessage answer = await http.GetAsync(address);
                Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
                Assert.StartsWith("/sign-in?back=%2F", answer.Headers.Location!.OriginalString);
            }
            using var foreign = new HttpRequestMessage(HttpMethod.Get, $"http://127.0.0.1:{port}/");
            foreign.Headers.Host = "elsewhere.example";
            Assert.Equal(HttpStatusCode.BadRequest, (await http.SendAsync(foreign)).StatusCode);
            await app.StopAsync(TestContext.Current.CancellationToken);
        }
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
    }
}
