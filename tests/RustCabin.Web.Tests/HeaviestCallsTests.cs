using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>
/// Every call of the interface with the heaviest bodies that can be made of its schema (<see cref="Grown"/>): twelve seconds,
/// 8 MB of JSON, 200 MB above rest, and an idle processor a second after whoever asked has left. Calls that come later fall under
/// it by themselves. Source: docs/security.md, Heavy work.
/// </summary>
public sealed class HeaviestCallsTests(ITestOutputHelper said) : IAsyncLifetime
{
    const double Seconds = 12;
    const int JsonBytes = 8_000_000;
    const long AboveRest = 200_000_000;
    readonly CabinServer _cabin = new() { Demo = false };

    public ValueTask InitializeAsync() => _cabin.InitializeAsync();

    public ValueTask DisposeAsync() => _cabin.DisposeAsync();

    [Fact]
    public Task Calls_with_some_of_their_heaviest_bodies_stay_within_their_budget() => Held(counts: [400], most: 1, alone: false);

    [Fact(Explicit = true), Trait("Category", "Load")]
    public Task Calls_with_more_of_their_heaviest_bodies_stay_within_their_budget() =>
        Held(counts: [300, 3000], most: 16, alone: true);

    async Task Held(int[] counts, int most, bool alone)
    {
        JsonObject openapi = JsonNode.Parse(await _cabin.Http.GetStringAsync("/openapi/v1.json"))!.AsObject();
        var grown = new Grown(openapi["components"]!["schemas"]!.AsObject());
        int drawn =
            int.TryParse(Environment.GetEnvironmentVariable("CABIN_FUZZ_SEED"), CultureInfo.InvariantCulture, out int again)
                ? again
            : alone ? Random.Shared.Next()
            : 20261130;
        said.WriteLine($"CABIN_FUZZ_SEED={drawn}");
        var random = new Random(drawn);
        var wrong = new List<string>();
        int asked = 0;
        long rest = alone ? Memory() : 0;
        foreach ((string path, JsonNode? methods) in openapi["paths"]!.AsObject())
        {
            if (methods!["post"]!["requestBody"]!["content"]!["application/json"]?["schema"] is not { } schema)
                continue; // Files, which have sizes of their own.
            int answered = 0;
            double longest = 0;
            foreach (string seed in SeedsOf(path))
            foreach ((string what, string text) in Bodies(grown, JsonNode.Parse(seed)!, schema, counts, most, random))
            {
                if (Encoding.UTF8.GetByteCount(text) > Core.Sheets.Pack.LargestBytes)
                    continue;
                var clock = Stopwatch.StartNew();
                using HttpResponseMessage answer = await _cabin.Http.PostAsync(path, Json(text));
                byte[] told = await answer.Content.ReadAsByteArrayAsync();
                asked++;
                longest = Math.Max(longest, clock.Elapsed.TotalSeconds);
                answered += answer.StatusCode == HttpStatusCode.OK ? 1 : 0;
                bool json = answer.Content.Headers.ContentType?.MediaType?.EndsWith("json", StringComparison.Ordinal) == true;
                string begins = $"{what}, {text.Length:#,0} letters";
                if (clock.Elapsed.TotalSeconds > 1)
                    said.WriteLine($"  {clock.Elapsed.TotalSeconds:0.0} s: {begins}");
                if (clock.Elapsed.TotalSeconds > Seconds || (json && told.Length > JsonBytes) || (int)answer.StatusCode >= 500)
                    wrong.Add(
                        $"{path}: {(int)answer.StatusCode}, {clock.Elapsed.TotalSeconds:0.0} s, {told.Length:#,0} bytes: {begins}"
                    );
                if (alone && clock.Elapsed.TotalSeconds > 0.2 && Memory() - rest is var above && above > AboveRest)
                    wrong.Add($"{path}: {above / 1e6:0} MB above rest: {begins}");
                if (alone && clock.Elapsed.TotalSeconds > 1 && await BusyAfterLeaving(path, text) is var busy and > 0.3)
                    wrong.Add($"{path}: {busy:0.0} s of processor in the second after leaving: {begins}");
            }
            said.WriteLine($"{path}: {answered} answered, the longest {longest:0.00} s");
            if (answered == 0)
                wrong.Add($"{path}: no body was answered; its seed does not read");
        }
        said.WriteLine($"{asked} bodies");
        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }

    static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");

    static IEnumerable<string> SeedsOf(string path)
    {
        if (Seeds.All.TryGetValue(path["/api/v1/".Length..], out string? own))
            return [own];
        string pack = CabinServer.Sample("slipway.json");
        return path.EndsWith("/faults", StringComparison.Ordinal)
            ? [$$"""{ "pack": {{pack}}, "gate": "count-fathom" }"""]
            : [pack];
    }

    /// <summary>The seed, its numbers at their largest, and each place of it grown, by itself and with the others.</summary>
    static IEnumerable<(string What, string Text)> Bodies(
        Grown grown,
        JsonNode seed,
        JsonNode schema,
        int[] counts,
        int most,
        Random random
    )
    {
        yield return ("as it is", seed.ToJsonString());
        yield return ("largest numbers", grown.Largest(seed, schema).ToJsonString());
        string[][] places = [.. grown.Places(seed, schema)];
        var bodies = new List<(string What, Func<JsonNode> Of)>();
        foreach (int count in counts)
        foreach (bool alike in (bool[])[false, true])
        {
            bodies.AddRange(
                places.Select(p =>
                    (
                        $"{count} of {string.Join('.', p)}{(alike ? ", alike" : "")}",
                        (Func<JsonNode>)(() => Grown.At(seed, p, count, alike))
                    )
                )
            );
            // The inner places first, so that what is copied is large already.
            bodies.Add(
                (
                    $"{count} of everything{(alike ? ", alike" : "")}",
                    () =>
                        places
                            .OrderByDescending(p => p.Length)
                            .Aggregate(seed, (b, p) => Grown.At(b, p, Math.Min(count, 60), alike))
                )
            );
        }
        if (bodies.Count > most)
            random.Shuffle(System.Runtime.InteropServices.CollectionsMarshal.AsSpan(bodies));
        foreach ((string what, Func<JsonNode> body) in bodies.Take(most))
            yield return (what, body().ToJsonString());
    }

    static long Memory()
    {
        GC.Collect();
        return GC.GetTotalMemory(forceFullCollection: true);
    }

    /// <summary>Processor seconds that are used in the second after whoever asked has left.</summary>
    async Task<double> BusyAfterLeaving(string path, string text)
    {
        using (var gone = new CancellationTokenSource(TimeSpan.FromMilliseconds(500)))
            try
            {
                using HttpResponseMessage _ = await _cabin.Http.PostAsync(path, Json(text), gone.Token);
            }
            catch (OperationCanceledException)
            {
                // That is what is meant.
            }
        await Task.Delay(1000);
        TimeSpan before = Process.GetCurrentProcess().TotalProcessorTime;
        await Task.Delay(1000);
        return (Process.GetCurrentProcess().TotalProcessorTime - before).TotalSeconds;
    }
}
