using System.Diagnostics;
using Microsoft.Data.Sqlite;
using RustCabin.Web.SignIn;

namespace RustCabin.Web.Tests;

/// <summary>What keeps a cabin from starting is told in one line; what a kill left is gone after a start.</summary>
public sealed class StartTests : IDisposable
{
    readonly string _data = Directory.CreateTempSubdirectory("cabin").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_data, recursive: true);
    }

    /// <summary>Runs the application until it ends by itself, as it must here; its exit code and what it told.</summary>
    async Task<(int Code, string Told)> Run(string phrase, params string[] options)
    {
        var start = new ProcessStartInfo("dotnet") { RedirectStandardError = true, RedirectStandardOutput = true };
        foreach (
            string argument in (string[])
                [
                    Path.Combine(AppContext.BaseDirectory, "RustCabin.Web.dll"),
                    "--data",
                    _data,
                    "--urls",
                    "http://127.0.0.1:0",
                    .. options,
                ]
        )
            start.ArgumentList.Add(argument);
        start.Environment["CABIN_PHRASE"] = phrase;
        using Process process = Process.Start(start)!;
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        try
        {
            Task<string> output = process.StandardOutput.ReadToEndAsync(limit.Token);
            string told = await process.StandardError.ReadToEndAsync(limit.Token);
            await process.WaitForExitAsync(limit.Token);
            return (process.ExitCode, (await output + told).Trim());
        }
        finally
        {
            if (!process.HasExited)
                process.Kill(entireProcessTree: true);
        }
    }

    async Task RefusesInOneLine(string because, params string[] options)
    {
        (int code, string told) = await Run("", options);
        Assert.Equal(2, code);
        Assert.Equal(told, Assert.Single(told.Split('\n')));
        Assert.StartsWith("Rust Cabin did not start: ", told);
        Assert.Contains(because, told);
    }

    [Fact]
    public async Task Keys_that_cannot_be_read()
    {
        await File.WriteAllTextAsync(Path.Combine(_data, "keys"), "no folder");
        await RefusesInOneLine("the keys of the forms");
    }

    [Fact]
    public async Task A_file_of_another_program_is_told_and_left_as_it_was()
    {
        string path = Path.Combine(_data, "cabin.db");
        using (var other = new SqliteConnection($"Data Source={path};Pooling=False"))
        {
            other.Open();
            using SqliteCommand command = other.CreateCommand();
            command.CommandText = "create table letters (text)";
            command.ExecuteNonQuery();
        }
        await RefusesInOneLine("is not the file of a cabin");
    }

    [Theory]
    [InlineData("{\"Phrase\":\"AQAAAAIAAYag")]
    [InlineData("{}")]
    public async Task A_door_that_was_cut_off_lets_nobody_in_until_a_phrase_mends_it(string cut)
    {
        string path = Path.Combine(_data, "door.json");
        var door = new DoorFile(_data, TimeProvider.System);
        door.SetPhrase("four words and one more");
        string token = door.Enter("192.0.2.7");
        await File.WriteAllTextAsync(path, cut);
        File.SetLastWriteTimeUtc(path, DateTime.UtcNow.AddSeconds(5));
        Assert.False(door.IsPhrase("four words and one more"));
        Assert.False(door.IsIn(token));
        await RefusesInOneLine("door.json", "--sign-in", "everybody");

        (int code, string told) = await Run("quite another phrase", "--phrase");
        Assert.True(code == 0, told);
        var mended = new DoorFile(_data, TimeProvider.System);
        Assert.Null(mended.Unread);
        Assert.True(mended.IsPhrase("quite another phrase"));
        Assert.False(mended.IsIn(token));
    }

    [Fact]
    public async Task It_listens_by_the_newer_protocol_alone()
    {
        await using Microsoft.AspNetCore.Builder.WebApplication app = Cabin.Build(["--data", _data, "--urls", "http://[::1]:0"]);
        await app.StartAsync(TestContext.Current.CancellationToken);
        using var http = new HttpClient();
        Assert.Equal(System.Net.HttpStatusCode.OK, (await http.GetAsync(app.Urls.Single())).StatusCode);
        await app.StopAsync(TestContext.Current.CancellationToken);
    }

    /// <summary>What came last is what undo takes back, whatever the clock says of when it was.</summary>
    [Fact]
    public async Task A_clock_that_was_set_back_changes_no_order()
    {
        var server = new CabinServer { Clock = "2026-11-26T09:30:00Z" };
        await server.InitializeAsync();
        await Noted(server, "the first thing");
        string data = server.Data;
        await server.Stop();
        foreach (string before in (string[])["2001-01-01T00:00:00Z"])
        {
            await using Microsoft.AspNetCore.Builder.WebApplication app = Cabin.Build([
                "--data",
                data,
                "--urls",
                "http://127.0.0.1:0",
                "--clock",
                before,
            ]);
            await app.StartAsync(TestContext.Current.CancellationToken);
            using var earlier = new HttpClient { BaseAddress = new Uri(app.Urls.Single()) };
            foreach (
                string page in (string[])["/", "/cupboard", "/cabin", "/jobs/slip-3-winter/build", "/jobs/slip-3-winter/passport"]
            )
                Assert.Equal(System.Net.HttpStatusCode.OK, (await earlier.GetAsync(page)).StatusCode);
            await app.StopAsync(TestContext.Current.CancellationToken);
        }
        await server.Start();
        await Noted(server, "the last thing");
        AngleSharp.Html.Dom.IHtmlDocument cupboard = await server.Page("/cupboard");
        await server.Press((AngleSharp.Html.Dom.IHtmlFormElement)cupboard.QuerySelector("form[action$='handler=Undo']")!);
        string left = (await server.Page("/cupboard")).Body!.TextContent;
        Assert.Contains("the first thing", left);
        Assert.DoesNotContain("the last thing", left);
        await server.DisposeAsync();
    }

    static async Task Noted(CabinServer server, string name)
    {
        AngleSharp.Html.Dom.IHtmlDocument page = await server.Page("/cupboard");
        var form = (AngleSharp.Html.Dom.IHtmlFormElement)page.QuerySelector("form[action$='handler=Save']")!;
        await server.Press(form, ("Form.Kind", "other"), ("Form.Name", name), ("Form.Count", "1"));
    }

    /// <summary>A process that ends when its input does, as it does when whoever started it is killed.</summary>
    Process Started(params string[] options) =>
        Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    Path.Combine(AppContext.BaseDirectory, "RustCabin.Web.dll"),
                    "--data",
                    _data,
                    "--urls",
                    "http://127.0.0.1:0",
                    "--until",
                    "input-ends",
                    .. options,
                ]
            )
            {
                RedirectStandardInput = true,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;

    [Fact]
    public async Task It_tells_of_its_work_where_it_is_asked_to_and_ends_with_whoever_started_it()
    {
        using Process process = Started("--telemetry", "console");
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(40));
        Task<string> log = process.StandardError.ReadToEndAsync(limit.Token);
        string open = (await process.StandardOutput.ReadLineAsync(limit.Token))!;
        string address = open.Split(' ').First(w => w.StartsWith("http", StringComparison.Ordinal));
        using (var http = new HttpClient())
            await http.GetAsync($"{address}/units/my-secret-unit/photos/7?q=another-secret", limit.Token);
        Assert.Equal((0, ""), await Run("", "--well", address));
        process.StandardInput.Close();
        string told = await process.StandardOutput.ReadToEndAsync(limit.Token);
        await process.WaitForExitAsync(limit.Token);
        Assert.Equal(0, process.ExitCode);
        Assert.Contains("http.server.request.duration", told);
        Assert.Matches(@"GET /units/\{unit\}/photos/\{id:long\} 404 in \d", await log);
        Assert.DoesNotContain("secret", await log + told);
        Assert.Equal(2, (await Run("", "--well", address)).Code);
    }

    [Fact]
    public Task Telemetry_goes_to_the_console_or_to_an_address() =>
        RefusesInOneLine("neither console nor the address", "--telemetry", "somewhere");

    [Fact]
    public async Task Nothing_is_told_where_it_is_not_asked_for()
    {
        using Process process = Started();
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(40));
        string open = (await process.StandardOutput.ReadLineAsync(limit.Token))!;
        using (var http = new HttpClient())
            await http.GetAsync(open.Split(' ').First(w => w.StartsWith("http", StringComparison.Ordinal)), limit.Token);
        process.StandardInput.Close();
        Assert.Equal("", await process.StandardOutput.ReadToEndAsync(limit.Token));
        Assert.Equal("", await process.StandardError.ReadToEndAsync(limit.Token));
    }

    [Fact]
    public async Task A_start_removes_what_a_kill_left_and_nothing_else()
    {
        string[] left = ["cabin.db.sent", "cabin.db.sent.part", "cabin.db.restoring", "cabin.db.restoring-wal", "door.json.part"],
            kept = ["cabin.db.20260101-000000-0", "my-own.backup.db", "notes.part"];
        foreach (string name in left.Concat(kept))
            await File.WriteAllTextAsync(Path.Combine(_data, name), "bytes");
        await using (
            Microsoft.AspNetCore.Builder.WebApplication _ = Cabin.Build(["--data", _data, "--urls", "http://127.0.0.1:0"])
        )
        {
            string[] names = [.. Directory.GetFiles(_data).Select(f => Path.GetFileName(f))];
            Assert.Empty(names.Intersect(left));
            Assert.Equal(kept.Order(), names.Intersect(kept).Order());
        }
    }
}
