using System.Diagnostics;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Builder;

namespace RustCabin.Benchmarks;

/// <summary>
/// Pages under load: 16 browsers that go through the memory, build and ROM pages of every job of the sample cabin while another
/// person presses, beside a static file; and what a page allocates.
/// </summary>
static partial class LoadRuns
{
    const int Clients = 16,
        Each = 150;

    /// <summary>Times between two presses of the one who presses.</summary>
    static readonly TimeSpan BetweenPresses = TimeSpan.FromMilliseconds(250);

    /// <summary>
    /// Of the files a second, pages that the same work serves: three times the 0.04 of the time when this was first asked for.
    /// </summary>
    const double Wanted = 0.12;

    public const string File = "static file of 17 kB, 16 clients";

    public static async Task<IReadOnlyList<Measured>> All(string url)
    {
        using var http = new HttpClient { BaseAddress = new Uri(url) };
        string[] pages = await Pages(http);
        string file = await FileOf17(http);
        // A server that has been running: what is measured was asked for before.
        Drive(url, pages, Each);
        Drive(url, [file], Each);
        (double files, _) = Drive(url, [file], 10 * Each);
        using var gone = new CancellationTokenSource();
        Task pressing = Task.Run(() => Press(http, gone.Token), CancellationToken.None);
        (double rate, double[] times) = Drive(url, pages, 2 * Each);
        await gone.CancelAsync();
        await pressing;
        return
        [
            new Measured(File, files, "/s", null),
            new Measured($"pages of {pages.Length / 3} jobs, 16 clients, presses between", rate, "/s", Wanted * files)
            {
                Least = true,
                Yard = File,
            },
            new Measured("the same, 95th percentile", times[(int)(times.Length * 0.95)], "ms", 20),
        ];
    }

    /// <summary>
    /// The 95th percentile of one page in milliseconds, after as many requests as are measured: a server that has been running.
    /// </summary>
    public static double Percentile95(string url, string page)
    {
        Drive(url, [page], Each);
        double[] times = Drive(url, [page], Each).Times;
        return times[(int)(times.Length * 0.95)];
    }

    static async Task<string[]> Pages(HttpClient http)
    {
        string html = await http.GetStringAsync("/jobs/slip-3-winter/memory");
        string[] jobs = [.. Jobs().Matches(html).Select(m => m.Groups[1].Value).Distinct()];
        return [.. jobs.SelectMany(j => (string[])[$"/jobs/{j}/memory", $"/jobs/{j}/build", $"/jobs/{j}/rom"])];
    }

    [GeneratedRegex("href=\"/jobs/([a-z0-9-]+)/memory\"")]
    private static partial Regex Jobs();

    /// <summary>The file that a page links whose size is nearest to 17 kB.</summary>
    static async Task<string> FileOf17(HttpClient http)
    {
        string html = await http.GetStringAsync("/jobs/slip-3-winter/memory");
        var sizes = new List<(string Path, int Size)>();
        foreach (Match linked in ServerRuns.Linked().Matches(html))
            sizes.Add((linked.Groups[1].Value, (await http.GetByteArrayAsync(linked.Groups[1].Value)).Length));
        return sizes.MinBy(s => Math.Abs(s.Size - 17_000)).Path;
    }

    /// <summary>Sixteen browsers, each with its cookie; answers a second, and how long each took in milliseconds.</summary>
    static (double Rate, double[] Times) Drive(string url, string[] paths, int each)
    {
        double[][] times = new double[Clients][];
        Thread[] browsers =
        [
            .. Enumerable.Range(0, Clients).Select(client => new Thread(() => times[client] = Browse(url, paths, each, client))),
        ];
        long began = Stopwatch.GetTimestamp();
        foreach (Thread browser in browsers)
            browser.Start();
        foreach (Thread browser in browsers)
            browser.Join();
        double took = Stopwatch.GetElapsedTime(began).TotalSeconds;
        return (Clients * each / took, [.. times.SelectMany(t => t).Order()]);
    }

    static double[] Browse(string url, string[] paths, int each, int client)
    {
        using var browser = new LightBrowser(url);
        double[] times = new double[each];
        for (int i = 0; i < each; i++)
        {
            long began = Stopwatch.GetTimestamp();
            // Each begins elsewhere, so that they are on different jobs.
            browser.Get(paths[(client * 5 + i) % paths.Length]);
            times[i] = Stopwatch.GetElapsedTime(began).TotalMilliseconds;
        }
        return times;
    }

    static async Task Press(HttpClient http, CancellationToken gone)
    {
        while (!gone.IsCancellationRequested)
        {
            Presses.Once(http, "/jobs/slip-3-winter/memory");
            await Task.Delay(BetweenPresses, CancellationToken.None);
        }
    }

    /// <summary>
    /// What a page allocates, the client in the same process included: the application runs in the bench for this one line.
    /// </summary>
    public static async Task<Measured> Allocated(string data)
    {
        const int Pages = 200;
        await using WebApplication app = Web.Cabin.Build(["--data", data, "--urls", "http://127.0.0.1:0"]);
        await app.StartAsync();
        using var http = new HttpClient { BaseAddress = new Uri(app.Urls.First()) };
        string[] paths = await LoadRuns.Pages(http);
        for (int i = 0; i < paths.Length; i++)
            await http.GetByteArrayAsync(paths[i]);
        long before = GC.GetTotalAllocatedBytes(precise: true);
        for (int i = 0; i < Pages; i++)
            await http.GetByteArrayAsync(paths[i % paths.Length]);
        double each = (GC.GetTotalAllocatedBytes(precise: true) - before) / (double)Pages;
        await app.StopAsync();
        return new Measured("allocated for a page, its client included", each / 1000, "kB", 1000);
    }
}
