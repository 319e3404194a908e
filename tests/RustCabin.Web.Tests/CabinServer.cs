using System.Collections.Concurrent;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;

[assembly: AssemblyFixture(typeof(RustCabin.Web.Tests.KeptCabins))]

namespace RustCabin.Web.Tests;

/// <summary>Closes at the end of a run what its tests left as they found it.</summary>
public sealed class KeptCabins : IAsyncDisposable
{
    public async ValueTask DisposeAsync() => await CabinServer.CloseAll();
}

/// <summary>The application as it runs, on a port of its own with data of its own.</summary>
public sealed class CabinServer : IAsyncLifetime
{
    readonly string _data = Directory.CreateTempSubdirectory("cabin").FullName;
    WebApplication? _app;

    /// <summary>The folder that holds its cabin.</summary>
    public string Data => _data;

    /// <summary>Set false for an empty cabin.</summary>
    public bool Demo { get; init; } = true;

    /// <summary>
    /// How long a page waits for a search before it shows how far it is: here as long as it takes, on whatever machine.
    /// </summary>
    public int PatienceMs { get; init; } = 60_000;

    /// <summary>
    /// The moment at which its clock starts, so that pages hold the same day whenever the tests run; empty: the real clock, which
    /// whatever a browser keeps for a while needs.
    /// </summary>
    public string Clock { get; init; } = DemoFile.Clock;

    /// <summary>Further options of the application.</summary>
    public string[] Options { get; init; } = [];

    /// <summary>What this browser keeps.</summary>
    public CookieContainer Cookies { get; private set; } = new();

    public HttpClient Http { get; private set; } = null!;

    /// <summary>What the application is made of.</summary>
    public IServiceProvider Services => _app!.Services;

    public async ValueTask InitializeAsync()
    {
        if (_app is null)
            await Start();
        else
            Visit();
        if (_isUsual)
        {
            if (_watch is null)
            {
                _watch = new SqliteConnection($"Data Source={Path.Combine(_data, "cabin.db")};Pooling=False;Mode=ReadOnly");
                _watch.Open();
            }
            _begun = Version();
        }
    }

    /// <summary>
    /// Cabins in which nothing was written, or that were made the demo again: the next test finds them as a new one.
    /// </summary>
    static readonly ConcurrentBag<CabinServer> AsNew = [];

    /// <summary>
    /// Looks at the file from the beginning of a test to its end; null: the test has stopped its cabin, or asked for another.
    /// </summary>
    SqliteConnection? _watch;
    long _begun;

    /// <summary>One with the demo data as it comes, for a test that asks for nothing else.</summary>
    public static CabinServer Usual() => AsNew.TryTake(out CabinServer? found) ? found : new CabinServer { _isUsual = true };

    bool _isUsual;

    /// <summary>Another number whenever anything was written into the file since.</summary>
    long Version()
    {
        using SqliteCommand ask = _watch!.CreateCommand();
        ask.CommandText = "pragma data_version";
        return (long)ask.ExecuteScalar()!;
    }

    /// <summary>Closes what is kept for further tests.</summary>
    public static async Task CloseAll()
    {
        while (AsNew.TryTake(out CabinServer? cabin))
            await cabin.End();
        DemoFile.Dispose();
    }

    public async Task Start()
    {
        bool copied = Demo && Clock == DemoFile.Clock;
        if (copied && !File.Exists(Path.Combine(_data, "cabin.db")))
            DemoFile.CopyTo(_data);
        _app = RustCabin.Web.Cabin.Build([
            "--data",
            _data,
            "--urls",
            "http://127.0.0.1:0",
            "--patience",
            $"{PatienceMs}",
            .. Clock.Length > 0 ? ["--clock", Clock] : Array.Empty<string>(),
            .. Options,
            .. Demo && !copied ? ["--demo"] : Array.Empty<string>(),
        ]);
        await _app.StartAsync();
        Visit();
    }

    /// <summary>A browser that has never been here.</summary>
    public void Visit()
    {
        Cookies = new();
        Http = new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = true, CookieContainer = Cookies })
        {
            BaseAddress = new Uri(_app!.Urls.First()),
        };
    }

    public async Task Stop()
    {
        _watch?.Dispose();
        (_watch, _isUsual) = (null, false);
        Http.Dispose();
        // Stopped before it is disposed of: what tidies the file at the end is waited for, as when the application ends.
        await _app!.StopAsync();
        await _app.DisposeAsync();
        _app = null;
        SqliteConnection.ClearAllPools();
    }

    public async ValueTask DisposeAsync()
    {
        if (_watch is null)
        {
            await End();
            return;
        }
        Http.Dispose();
        if (Version() != _begun)
            DemoFile.PutBack(_app!);
        AsNew.Add(this);
    }

    async Task End()
    {
        if (_app is not null)
            await Stop();
        Directory.Delete(_data, recursive: true);
    }

    public async Task<IHtmlDocument> Page(string url, HttpStatusCode expect = HttpStatusCode.OK)
    {
        HttpResponseMessage answer = await Http.GetAsync(url);
        Assert.Equal(expect, answer.StatusCode);
        return await Html(answer);
    }

    public static async Task<IHtmlDocument> Html(HttpResponseMessage answer) =>
        new HtmlParser().ParseDocument(await answer.Content.ReadAsStringAsync());

    /// <summary>
    /// Sends a form of a page as a browser would, with some fields changed or added (a button's name among them).
    /// </summary>
    public async Task<(HttpStatusCode Status, IHtmlDocument Page)> Press(
        IHtmlFormElement form,
        params (string Name, string Value)[] with
    )
    {
        var fields = form
            .Elements.OfType<IHtmlInputElement>()
            .Where(i =>
                i.Name is not null && !i.IsDisabled && (i.Type != "checkbox" || i.IsChecked) && with.All(w => w.Name != i.Name)
            )
            .Select(i => KeyValuePair.Create(i.Name!, i.Value))
            .Concat(with.Select(w => KeyValuePair.Create(w.Name, w.Value)));
        HttpResponseMessage answer = await Http.PostAsync(form.GetAttribute("action"), new FormUrlEncodedContent(fields));
        return (answer.StatusCode, await Html(answer));
    }

    /// <summary>Brings a pack in through the import page, what is there already replaced.</summary>
    public async Task Import(string pack)
    {
        IHtmlDocument page = await Page("/import");
        var form = new MultipartFormDataContent
        {
            {
                new StringContent(
                    ((IHtmlInputElement)page.QuerySelector("form.import [name=__RequestVerificationToken]")!).Value
                ),
                "__RequestVerificationToken"
            },
            { new StringContent(pack), "pack", "pack.json" },
            { new StringContent("replace"), "mode" },
        };
        Assert.Equal(HttpStatusCode.OK, (await Http.PostAsync("/import", form)).StatusCode);
    }

    public async Task<(HttpStatusCode Status, JsonNode Body)> Post(string url, string json, string media = "application/json")
    {
        HttpResponseMessage answer = await Http.PostAsync(url, new StringContent(json, Encoding.UTF8, media));
        return (answer.StatusCode, JsonNode.Parse(await answer.Content.ReadAsStringAsync())!);
    }

    public static string Sample(string name) => File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Samples", name));
}
