using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Text.RegularExpressions;

namespace RustCabin.Browser.Tests;

/// <summary>
/// The process is killed at random moments while two people write; what was confirmed to them is there after each start. Run by
/// <c>./cabin test crash</c>, for less than a minute; a few rounds run with every test.
/// </summary>
public sealed partial class CrashTests
{
    [Fact]
    public Task A_few_kills_lose_nothing() => KillAndLook(rounds: 3, TimeSpan.FromSeconds(30));

    [Fact(Explicit = true), Trait("Category", "Crash")]
    public Task Many_kills_lose_nothing() => KillAndLook(rounds: 60, TimeSpan.FromSeconds(50));

    /// <summary>An image that is erased while the process dies is there whole or gone whole.</summary>
    [Fact]
    public async Task Killed_while_it_erases_it_is_whole_after()
    {
        using var cabin = new CabinProcess(demo: true);
        var random = new Random();
        for (int round = 0; round < 1; round++)
        {
            cabin.Kill();
            var file = Data.CabinFile.Open(cabin.File);
            var images = new Data.RomImageRepository(file, TimeProvider.System);
            byte[] bytes = new byte[8 << 20];
            random.NextBytes(bytes);
            long id = images.Add("slip-7", $"old-{round}.bin", "read", "mine", bytes)!.Id;
            images.Hide("slip-7", id, hidden: true);
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            cabin.Start();
            using var http = new HttpClient(new SocketsHttpHandler { CookieContainer = new CookieContainer() });
            string page = await http.GetStringAsync($"{cabin.Url}/cabin");
            Task erased = http.PostAsync(
                $"{cabin.Url}/cabin?handler=EraseImage",
                new FormUrlEncodedContent(
                    new Dictionary<string, string>
                    {
                        ["__RequestVerificationToken"] = Token().Match(page).Groups[1].Value,
                        ["unit"] = "slip-7",
                        ["image"] = $"{id}",
                    }
                )
            );
            await Task.WhenAny(erased, Task.Delay(random.Next(0, 60)));
            cabin.Kill();
            await Task.WhenAny(erased, Task.Delay(2000));
            var after = Data.CabinFile.Open(cabin.File);
            Assert.Null(after.Damage());
            byte[]? left = new Data.RomImageRepository(after, TimeProvider.System).Bytes("slip-7", id);
            Assert.True(left is null || left.AsSpan().SequenceEqual(bytes), $"round {round}");
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            cabin.Start();
        }
    }

    static async Task KillAndLook(int rounds, TimeSpan most)
    {
        int seed = Environment.TickCount;
        var random = new Random(seed);
        var confirmed = new ConcurrentQueue<string>();
        using var cabin = new CabinProcess(demo: false);
        int done = 0;
        for (var clock = Stopwatch.StartNew(); done < rounds && clock.Elapsed < most; done++)
        {
            (int round, int before) = (done, confirmed.Count);
            Task[] writers = [.. Enumerable.Range(0, 2).Select(w => Write(cabin.Url, $"r{round}-w{w}", confirmed))];
            // On whatever machine: the first change is confirmed, and then it is killed at a random moment.
            for (var waited = Stopwatch.StartNew(); confirmed.Count == before && waited.Elapsed < TimeSpan.FromSeconds(20); )
                await Task.Delay(5);
            await Task.Delay(random.Next(0, 700));
            cabin.Kill();
            await Task.WhenAll(writers);
            cabin.Start();
            using var http = new HttpClient();
            string cupboard = await http.GetStringAsync($"{cabin.Url}/cupboard?handler=Csv");
            foreach (string name in confirmed)
                Assert.True(cupboard.Contains(name, StringComparison.Ordinal), $"{name} is lost; seed {seed}, round {round}");
        }
        Assert.True(confirmed.Count >= done, $"only {confirmed.Count} changes were confirmed in {done} rounds");
        TestContext.Current.SendDiagnosticMessage($"{done} kills, {confirmed.Count} confirmed changes, none lost (seed {seed})");
    }

    /// <summary>Puts things into the cupboard one after another until the cabin is gone.</summary>
    static async Task Write(string url, string who, ConcurrentQueue<string> confirmed)
    {
        using var http = new HttpClient(
            new SocketsHttpHandler { CookieContainer = new CookieContainer(), AllowAutoRedirect = false }
        );
        try
        {
            string page = await http.GetStringAsync($"{url}/cupboard");
            string token = Token().Match(page).Groups[1].Value;
            for (int n = 0; ; n++)
            {
                string name = $"thing-{who}-{n}-";
                HttpResponseMessage answer = await http.PostAsync(
                    $"{url}/cupboard?handler=Save",
                    new FormUrlEncodedContent(
                        new Dictionary<string, string>
                        {
                            ["__RequestVerificationToken"] = token,
                            ["Form.Kind"] = "other",
                            ["Form.Name"] = name,
                            ["Form.Count"] = "1",
                        }
                    )
                );
                Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
                confirmed.Enqueue(name);
            }
        }
        catch (HttpRequestException) { } // killed
        catch (IOException) { }
    }

    [GeneratedRegex("name=\"__RequestVerificationToken\"[^>]*value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
