using System.Diagnostics;
using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>
/// A minute of mixed load: pages, presses with their undo, calls. What it holds of memory afterwards is what it held after the
/// first quarter. <c>./cabin test load</c>. Source: docs/security.md, How it is tested.
/// </summary>
public sealed class LoadTests(ITestOutputHelper said) : OnACabin
{
    /// <summary>A minute; more where <c>CABIN_LOAD_MINUTES</c> says so: a soak.</summary>
    static readonly TimeSpan Minute = TimeSpan.FromMinutes(
        double.TryParse(Environment.GetEnvironmentVariable("CABIN_LOAD_MINUTES"), out double told) ? told : 1
    );

    /// <summary>Open files and sockets of this process.</summary>
    static int Handles => OperatingSystem.IsLinux() ? Directory.GetFileSystemEntries("/proc/self/fd").Length : 0;
    const int Clients = 8;
    const double Level = 1.15;

    [Fact(Explicit = true), Trait("Category", "Load")]
    public async Task Memory_is_level_after_a_minute_of_mixed_load()
    {
        var clock = Stopwatch.StartNew();
        int asked = 0;
        long quarter = 0;
        string[] pages =
        [
            "/",
            "/cupboard",
            "/sheets",
            "/search?q=board",
            "/cabin",
            .. Of("slip-3-winter"),
            .. Of("slip-7-picture"),
        ];
        string pack = CabinServer.Sample("slipway.json");
        async Task Client(int number)
        {
            for (int n = number; clock.Elapsed < Minute; n++, Interlocked.Increment(ref asked))
                if (n % 10 == 0)
                    Assert.Equal(HttpStatusCode.OK, (await Cabin.Post("/api/v1/check", pack)).Status);
                else if (n % 10 == 5 && number == 0)
                    await Press(n % 20 == 5 ? "Switch" : "Undo");
                else
                    using (HttpResponseMessage page = await Cabin.Http.GetAsync(pages[n % pages.Length]))
                        Assert.Equal(HttpStatusCode.OK, page.StatusCode);
        }
        Task all = Task.WhenAll(Enumerable.Range(0, Clients).Select(n => Task.Run(() => Client(n))));
        while (!all.IsCompleted && clock.Elapsed < Minute / 4)
            await Task.Delay(200);
        quarter = Held();
        int handles = Handles;
        await all;
        long end = Held();
        said.WriteLine(
            $"{asked} requests in {Minute.TotalMinutes:0.#} min; held after a quarter {quarter / 1e6:0.0} MB, {handles} handles; "
                + $"at the end {end / 1e6:0.0} MB, {Handles} handles"
        );
        Assert.True(end < quarter * Level, $"{quarter / 1e6:0.0} MB after a quarter, {end / 1e6:0.0} MB at the end");
        Assert.True(Handles < handles + 20, $"{handles} handles after a quarter, {Handles} at the end");
    }

    static long Held()
    {
        GC.Collect();
        GC.WaitForPendingFinalizers();
        return GC.GetTotalMemory(forceFullCollection: true);
    }

    static IEnumerable<string> Of(string job) =>
        ((string[])["memory", "build", "passport", "rom", "fit", "baseline", "identify"]).Select(s => $"/jobs/{job}/{s}");

    async Task Press(string handler)
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-3-winter/memory");
        if (
            page.QuerySelector(
                handler == "Undo" ? "form[action*='handler=Undo']" : "form[action*='handler=Switch'] button[name=position]"
            )
            is not { } found
        )
            return;
        IHtmlFormElement form = found as IHtmlFormElement ?? (IHtmlFormElement)found.Closest("form")!;
        await Cabin.Press(form, handler == "Undo" ? [] : [("position", found.GetAttribute("value") ?? "")]);
    }
}
