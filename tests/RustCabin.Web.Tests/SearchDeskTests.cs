using RustCabin.Core;
using RustCabin.Core.Packs;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Web.Api;
using RustCabin.Web.Pages.Wants;

namespace RustCabin.Web.Tests;

/// <summary>Searches for sets: joined as long as all that they rest on is the same, the oldest given up first.</summary>
public sealed class SearchDeskTests : IDisposable
{
    readonly HeavyWork _work = new();
    readonly SearchDesk _desk;
    static readonly Pack Sheets = Read();

    public SearchDeskTests() => _desk = new SearchDesk(_work, TimeSpan.FromMilliseconds(100));

    public void Dispose()
    {
        _desk.Dispose();
        _work.Dispose();
    }

    static Pack Read()
    {
        using var document = PackReader.Parse(
            File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "Samples", "slipway.json"))
        );
        return PackReader.Read(document.RootElement).Value!;
    }

    Search Ask(string job, long version, Pack sheets, string inHand) =>
        _desk.Ask(job, new SearchGround(version, sheets, inHand), SetQuestion.Of(Trail.Stations, sheets, sheets.Jobs[0]));

    [Fact]
    public async Task A_search_is_joined_until_the_job_the_sheets_or_the_cupboard_changed()
    {
        Search first = Ask("j", 1, Sheets, "");
        Assert.Same(first, Ask("j", 1, Sheets, ""));
        Assert.NotEmpty((await first.Task).Sets);
        Assert.Same(first, Ask("j", 1, Sheets, ""));
        Search other = Ask("j", 1, Sheets, "fathom=1");
        Assert.NotSame(first, other);
        Assert.NotSame(other, other = Ask("j", 1, Sheets with { Currency = "EUR" }, "fathom=1"));
        Assert.NotSame(other, Ask("j", 2, Sheets, "fathom=1"));
    }

    [Fact]
    public async Task The_one_asked_for_longest_ago_is_given_up_first()
    {
        // Long work has two places: while both are taken, none of the searches ends of itself before it is called off.
        using var done = new ManualResetEventSlim();
        for (int i = 0; i < 2; i++)
            _ = _work.DoLong(
                () =>
                {
                    done.Wait();
                    return 0;
                },
                TimeSpan.FromMinutes(1),
                CancellationToken.None
            );
        Search[] all = [.. Enumerable.Range(0, 32).Select(n => Ask($"j{n}", 1, Sheets, ""))];
        Assert.Same(all[0], Ask("j0", 1, Sheets, "")); // asked for again: the latest now
        Ask("another", 1, Sheets, "");
        Assert.NotSame(all[1], Ask("j1", 1, Sheets, ""));
        Assert.Same(all[0], Ask("j0", 1, Sheets, ""));
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => all[31].Task.WaitAsync(Cancelled()));
        done.Set();
    }

    CancellationToken Cancelled()
    {
        _desk.Cancel("j31");
        return CancellationToken.None;
    }

    [Fact]
    public async Task Long_work_takes_two_places_and_gives_them_back()
    {
        int at = 0,
            most = 0;
        await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ =>
                    _work.DoLong(
                        () =>
                        {
                            most = Math.Max(most, Interlocked.Increment(ref at));
                            Thread.Sleep(30);
                            return Interlocked.Decrement(ref at);
                        },
                        TimeSpan.FromSeconds(5),
                        CancellationToken.None
                    )
                )
        );
        Assert.Equal(2, most);
    }
}
