using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;

namespace RustCabin.Web.Tests;

/// <summary>
/// Requests that no sound program sends, at calls and at pages side by side: none ends in an unhandled error. The seed is
/// another each time and printed; <c>CABIN_FUZZ_SEED</c> plays one again. <c>./cabin test fuzz</c> sends 200,000. Source:
/// docs/security.md, How it is tested.
/// </summary>
public sealed class FuzzTests(ITestOutputHelper said) : IAsyncLifetime
{
    const int Few = 1_500;
    const int Many = 200_000;

    /// <summary>After so many requests the sample cabin is as new: forms that remove things would leave nothing to
    /// try.</summary>
    const int Again = 2_500;

    static readonly TimeSpan Longest = TimeSpan.FromSeconds(30);
    CabinServer _cabin = new();
    JsonObject _openapi = [];
    JsonNode[] _packs = [];

    public async ValueTask InitializeAsync()
    {
        await _cabin.InitializeAsync();
        _openapi = JsonNode.Parse(await _cabin.Http.GetStringAsync("/openapi/v1.json"))!.AsObject();
        _packs =
        [
            .. Directory
                .GetFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json", SearchOption.AllDirectories)
                .Order(StringComparer.Ordinal)
                .Select(f => JsonNode.Parse(File.ReadAllText(f))!)
                .Where(p => p is JsonObject o && o.ContainsKey("jobs")),
        ];
    }

    public ValueTask DisposeAsync() => _cabin.DisposeAsync();

    [Fact]
    public Task Odd_requests_end_in_no_unhandled_error() => Send(Few);

    [Fact(Explicit = true), Trait("Category", "Fuzz")]
    public Task Two_hundred_thousand_odd_requests_end_in_no_unhandled_error() => Send(Many);

    async Task Send(int requests)
    {
        int seed = int.TryParse(Environment.GetEnvironmentVariable("CABIN_FUZZ_SEED"), CultureInfo.InvariantCulture, out int told)
            ? told
            : Random.Shared.Next();
        said.WriteLine($"CABIN_FUZZ_SEED={seed}");
        var odd = new Odd(new Random(seed));
        var broken = new List<string>();
        var statuses = new SortedDictionary<int, int>();
        IReadOnlyList<IHtmlFormElement> forms = [];
        IReadOnlyList<string> links = ["/"];
        for (int n = 0; n < requests && broken.Count < 10; n++)
        {
            if (n > 0 && n % Again == 0)
            {
                await _cabin.DisposeAsync();
                _cabin = new CabinServer();
                await _cabin.InitializeAsync();
                links = ["/"];
            }
            if (n % 50 == 0)
                (forms, links) = await Looked(odd.Of(links), links);
            using HttpRequestMessage request = odd.Once(2) ? Call(odd) : Page(odd, forms, links);
            string what = $"{request.Method} {request.RequestUri} {(request.Content is null ? "" : await Cut(request.Content))}";
            using var longest = new CancellationTokenSource(Longest);
            try
            {
                using HttpResponseMessage answer = await _cabin.Http.SendAsync(request, longest.Token);
                int status = (int)answer.StatusCode;
                statuses[status] = statuses.GetValueOrDefault(status) + 1;
                if (status is >= 500 and not 503)
                    broken.Add($"request {n}: {status} {what}");
            }
            catch (OperationCanceledException)
            {
                broken.Add($"request {n}: no answer in {Longest.TotalSeconds} s: {what}");
            }
        }
        said.WriteLine(string.Join(", ", statuses.Select(s => $"{s.Key}: {s.Value}")));
        Assert.True(broken.Count == 0, $"CABIN_FUZZ_SEED={seed}\n{string.Join('\n', broken)}");
        Assert.True(statuses.GetValueOrDefault(200) > requests / 20, "some requests reach what they were made for");
    }

    static async Task<string> Cut(HttpContent content) =>
        await content.ReadAsStringAsync() is var text && text.Length > 1500 ? text[..1500] + "..." : text;

    /// <summary>A page's forms, and the links found so far.</summary>
    async Task<(IReadOnlyList<IHtmlFormElement> Forms, IReadOnlyList<string> Links)> Looked(
        string url,
        IReadOnlyList<string> known
    )
    {
        HttpResponseMessage answer = await _cabin.Http.GetAsync(url);
        if (!answer.IsSuccessStatusCode || answer.Content.Headers.ContentType?.MediaType != "text/html")
            return await Looked("/", [.. known.Where(k => k != url).Append("/").Distinct()]);
        IHtmlDocument page = new HtmlParser().ParseDocument(await answer.Content.ReadAsStringAsync());
        IEnumerable<string> links = page.QuerySelectorAll("a[href^='/']").Select(a => a.GetAttribute("href")!.Split('#')[0]);
        return (
            [.. page.QuerySelectorAll("form").OfType<IHtmlFormElement>().Where(f => f.HasAttribute("action"))],
            [.. known.Concat(links).Distinct().Take(400)]
        );
    }

    HttpRequestMessage Call(Odd odd)
    {
        JsonObject paths = _openapi["paths"]!.AsObject();
        (string path, JsonNode? methods) = odd.Of([.. paths.OrderBy(p => p.Key, StringComparer.Ordinal)]);
        JsonObject content = methods!["post"]!["requestBody"]!["content"]!.AsObject();
        JsonObject schemas = _openapi["components"]!["schemas"]!.AsObject();
        string query = odd.Once(2) ? "" : $"?job={Uri.EscapeDataString(odd.Text())}&parts={Uri.EscapeDataString(odd.Text())}";
        var request = new HttpRequestMessage(HttpMethod.Post, path + query);
        if (content["application/json"] is { } json)
        {
            bool pack = (string?)json["schema"]!["$ref"] is { } name && name.EndsWith("PackSheet", StringComparison.Ordinal);
            JsonNode? body = pack && !odd.Once(4) ? OneJob(odd) : odd.Like(json["schema"], schemas);
            request.Content = new StringContent(odd.Spoilt(body), Encoding.UTF8, "application/json");
            if (odd.Once(40))
                request.Content.Headers.ContentType = new MediaTypeHeaderValue("text/plain");
        }
        else
        {
            var form = new MultipartFormDataContent();
            for (int files = odd.Next(3); files >= 0; files--)
                form.Add(new ByteArrayContent(odd.Bytes()), odd.Once(5) ? "x" : "file", "image.bin");
            JsonNode ops = new JsonArray(
                new JsonObject
                {
                    ["op"] = odd.Of((string[])["swap", "split", "join", "pad", "slice", "patch"]),
                    ["of"] = odd.Value(),
                }
            );
            form.Add(new StringContent(odd.Spoilt(ops)), "ops");
            request.Content = form;
        }
        return request;
    }

    /// <summary>A sample pack with one of its jobs, as the calls want it.</summary>
    JsonNode OneJob(Odd odd)
    {
        JsonNode pack = odd.Of(_packs).DeepClone();
        if (pack["jobs"] is JsonArray { Count: > 1 } jobs)
            pack["jobs"] = new JsonArray(odd.Of([.. jobs])!.DeepClone());
        return pack;
    }

    static HttpRequestMessage Page(Odd odd, IReadOnlyList<IHtmlFormElement> forms, IReadOnlyList<string> links)
    {
        if (forms.Count == 0 || odd.Once(3))
        {
            string link = odd.Of(links);
            if (odd.Once(2))
                link = link.Split('?')[0] + $"?{odd.Of(Names)}={Uri.EscapeDataString(odd.Text())}";
            else if (odd.Once(4))
                link = string.Join('/', link.Split('/').Select(p => odd.Once(4) ? Uri.EscapeDataString(odd.Text()) : p));
            return new HttpRequestMessage(HttpMethod.Get, "/" + link.TrimStart('/'));
        }
        IHtmlFormElement form = odd.Of(forms);
        string action = form.GetAttribute("action")!;
        if (odd.Once(10))
            action = action.Split('?')[0] + $"?handler={odd.Of((string[])["", "Settle", "Remove", "Save", "Plan", "x"])}";
        var fields = new List<KeyValuePair<string, string>>();
        foreach (
            (string name, string value) in form
                .Elements.OfType<AngleSharp.Html.Dom.IHtmlElement>()
                .Select(e => (e.GetAttribute("name") ?? "", (e as IHtmlInputElement)?.Value ?? e.GetAttribute("value") ?? ""))
                .Where(f => f.Item1.Length > 0)
        )
        {
            bool token = name == "__RequestVerificationToken";
            if (token || !odd.Once(8))
                fields.Add(new(name, !token && odd.Once(3) ? odd.Text() : value));
        }
        return new HttpRequestMessage(new HttpMethod(form.Method), action)
        {
            Content = form.Method == "get" ? null : new FormUrlEncodedContent(fields),
        };
    }

    static readonly string[] Names =
    [
        "q",
        "zoom",
        "at",
        "site",
        "socket",
        "kind",
        "id",
        "solve",
        "want",
        "device",
        "step",
        "master",
        "handler",
        "revision",
        "of",
        "back",
    ];
}
