using System.Diagnostics;
using System.Net;
using System.Text;

namespace RustCabin.Web.Tests;

/// <summary>
/// The heaviest that calls can be asked by their own limits: each answers within its time and its size, or says that it is over.
/// Source: docs/security.md, Heavy work.
/// </summary>
public sealed class HeaviestTests : OnACabin
{
    static string Many(int count, Func<int, string> of) => string.Join(',', Enumerable.Range(0, count).Select(of));

    public static readonly TheoryData<string, string> Asked = new()
    {
        // Pieces that lead nowhere in every order.
        {
            "cables",
            $$"""{ "from": { "family": "a", "gender": "m", "role": "DTE", "level": "rs232" }, "to": { "family": "z", "gender": "m", "role": "DTE", "level": "rs232" }, "pieces": [ {{Many(
                32,
                i => $$"""{ "id": "p{{i}}", "a": { "family": "{{(char)('a' + i % 4)}}", "gender": "f" }, "b": { "family": "{{(i == 31 ? 'z' : (char)('a' + (i + 1) % 4))}}", "gender": "{{(i % 2 == 0 ? "f" : "m")}}" } }"""
            )}} ] }"""
        },
        {
            "identify",
            $$"""{ "model": { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"], "revisions": [ {{Many(
                900,
                i => $$"""{ "id": "r{{i}}", "name": "R" }"""
            )}} ], "clues": [ { "id": "c", "ask": "?", "trust": 0.9, "values": { {{Many(900, i => $"\"v{i}\": [\"r{i}\"]")}} } } ] }, "seen": {} }"""
        },
        {
            "map",
            $$"""{ "addressBits": 32, "masters": ["cpu"], "claims": [ {{Many(
                1900,
                i => $$"""{ "id": "c{{i}}", "kind": "ram", "base": "0x{{i * 16:X}}", "size": "1M" }"""
            )}} ] }"""
        },
        {
            "memory/arrangements",
            """{ "baseBytes": 0, "capBytes": 1073741824, "dataBits": 8, "parityBits": 0, "banks": 8, "types": ["16Kx1", "64Kx1", "256Kx1", "1Mx1"], "mix": "any", "targetBytes": 0, "stock": {}, "prices": { "16Kx1": 1, "64Kx1": 1, "256Kx1": 1, "1Mx1": 1 }, "socketed": false }"""
        },
        {
            "trials",
            $$"""{ "factors": { {{Many(16, i => $"\"f{i}\": [\"a\", \"b\"]")}} }, "trials": [ {{Many(
                500,
                t => $$"""{ "works": {{(t % 2 == 0 ? "false" : "true")}}, "set": { {{Many(16, i => $"\"f{i}\": \"{(t % 2 == 0 || (t * 31 + i * 17) % 5 > 0 && i != t % 16 ? "a" : "b")}\"")}} } }"""
            )}} ] }"""
        },
        {
            "repair",
            $$"""{ "legs": [ {{Many(2000, i => $$"""{ "place": "U{{i}}.1", "net": "n" }""")}} ], "broken": [ {{Many(2000, i => $"\"U{i}.1\"")}} ] }"""
        },
    };

    /// <summary>A chain that is not forced: the solver takes all of its time.</summary>
    static readonly string LongChain =
        $$"""{ "source": [ {{Many(16, i => $"\"{(i % 3 == 0 ? "GND" : $"s{i}")}\"")}} ], "boards": [ {{Many(
                16,
                b => $$"""{ "name": "b{{b}}", "wants": [ {{Many(16, i => (i + b) % 4 == 0 ? "\"n\"" : $"\"s{(i * 5 + b * 7) % 16}\"")}} ] }"""
            )}} ] }""";

    [Fact(Explicit = true), Trait("Category", "Load")]
    public Task A_chain_that_is_not_forced_is_told_as_undecided() =>
        It_is_answered_within_its_time_and_its_size("connectors/chain", LongChain);

    [Theory, MemberData(nameof(Asked))]
    public async Task It_is_answered_within_its_time_and_its_size(string call, string body)
    {
        var clock = Stopwatch.StartNew();
        HttpResponseMessage answer = await Cabin.Http.PostAsync(
            $"/api/v1/{call}",
            new StringContent(body, Encoding.UTF8, "application/json")
        );
        byte[] told = await answer.Content.ReadAsByteArrayAsync();
        Assert.InRange(clock.Elapsed.TotalSeconds, 0, 12);
        Assert.InRange(told.Length, 2, 8_000_000);
        string text = Encoding.UTF8.GetString(told);
        Assert.True(
            answer.StatusCode is HttpStatusCode.OK
                || (
                    answer.StatusCode == HttpStatusCode.UnprocessableEntity && text.Contains("for less") | text.Contains("within")
                ),
            $"{call}: {answer.StatusCode} {text[..Math.Min(300, text.Length)]}"
        );
        Assert.DoesNotContain("\"errors\":[]", text);
    }

    /// <summary>Pages are answered while all that is heavy is asked at once.</summary>
    [Fact(Explicit = true), Trait("Category", "Load")]
    public async Task Forty_heavy_questions_at_once_keep_no_page_waiting()
    {
        using var gone = new CancellationTokenSource();
        Task[] heavy =
        [
            .. Enumerable
                .Range(0, 40)
                .Select(_ =>
                    Cabin.Http.PostAsync(
                        "/api/v1/connectors/chain",
                        new StringContent(LongChain, Encoding.UTF8, "application/json"),
                        gone.Token
                    )
                ),
        ];
        await Task.Delay(500);
        var clock = Stopwatch.StartNew();
        for (int n = 0; n < 5; n++)
            foreach (string page in (string[])["/", "/jobs/slip-3-winter/memory", "/cupboard"])
                Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync(page)).StatusCode);
        Assert.InRange(clock.Elapsed.TotalSeconds / 15, 0, 1);
        await gone.CancelAsync();
        await Task.WhenAll(heavy.Select(h => h.ContinueWith(_ => { }, TaskScheduler.Default)));
    }

    [Fact]
    public async Task Work_ends_when_whoever_asked_has_gone()
    {
        using var gone = new CancellationTokenSource(TimeSpan.FromMilliseconds(400));
        // Both heavy places are taken, left, and free again.
        await Task.WhenAll(
            Enumerable
                .Range(0, 2)
                .Select(async _ =>
                {
                    try
                    {
                        await Cabin.Http.PostAsync(
                            "/api/v1/connectors/chain",
                            new StringContent(LongChain, Encoding.UTF8, "application/json"),
                            gone.Token
                        );
                    }
                    catch (OperationCanceledException)
                    {
                        // That is what is meant.
                    }
                })
        );
        var clock = Stopwatch.StartNew();
        HttpStatusCode status = HttpStatusCode.ServiceUnavailable;
        // Other tests run beside it: a solver that is told to stop does so once it gets its turn. Its own time is ten seconds.
        while (status == HttpStatusCode.ServiceUnavailable && clock.Elapsed.TotalSeconds < 8)
            (status, _) = await Cabin.Post(
                "/api/v1/trials",
                """{ "factors": { "f": ["a", "b"] }, "trials": [ { "works": false, "set": { "f": "a" } } ] }"""
            );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.InRange(clock.Elapsed.TotalSeconds, 0, 8);
    }
}
