using System.Diagnostics;
using System.Net;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>
/// Every press that the pages of the demo offer, its fields filled with the longest that a form takes: each is answered within
/// twelve seconds by a page of less than 8 MB, and none by an error of ours. Presses that come later fall under it by themselves.
/// Source: docs/security.md, Heavy work.
/// </summary>
public sealed class HeaviestPressesTests(ITestOutputHelper said) : OnACabin
{
    const int Some = 10;

    static readonly string[] Pages =
    [
        "/",
        "/cupboard",
        "/sheets",
        "/tools",
        "/import",
        "/cabin",
        "/sheets/parts/fathom",
        "/sheets/models/brindle-16",
        .. ((string[])["slip-3-winter", "slip-7-picture", "jetty-disc-direct", "counter-exchange-book"]).SelectMany(job =>
            Stations.Desks.Trail.Select(d => $"/jobs/{job}/{d.Slug}")
        ),
    ];

    [Fact]
    public Task Some_presses_with_the_longest_texts_stay_within_their_budget() => Held(Some);

    [Fact(Explicit = true), Trait("Category", "Load")]
    public Task All_presses_with_the_longest_texts_stay_within_their_budget() => Held(int.MaxValue);

    async Task Held(int most)
    {
        var presses = new Dictionary<string, (string Page, IHtmlFormElement Form)>();
        foreach (string url in Pages)
        {
            using HttpResponseMessage answer = await Cabin.Http.GetAsync(url);
            if (answer.StatusCode != HttpStatusCode.OK)
                continue;
            IHtmlDocument page = await CabinServer.Html(answer);
            foreach (IHtmlFormElement form in page.QuerySelectorAll("form[method='post']").OfType<IHtmlFormElement>())
                presses.TryAdd(
                    $"{url.Split('/').Last()} {form.GetAttribute("action")!.Split("handler=").Last().Split('&')[0]}",
                    (url, form)
                );
        }
        Assert.True(presses.Count > 60, $"{presses.Count} presses");
        KeyValuePair<string, (string Page, IHtmlFormElement Form)>[] all = [.. presses];
        new Random(20261130).Shuffle(all);
        var wrong = new List<string>();
        (double longest, string which) = (0, "");
        foreach ((string name, (string page, IHtmlFormElement form)) in all.Take(most))
        foreach (
            string text in (string[])
                [
                    new string('9', 60_000),
                    string.Join(' ', Enumerable.Range(0, 9000).Select(n => $"{n}K;")),
                    new string('(', 60_000),
                ]
        )
        {
            (string, string)[] with =
            [
                .. form
                    .Elements.Where(e => e.GetAttribute("name") is not (null or "version" or "__RequestVerificationToken"))
                    .Where(e =>
                        e is IHtmlTextAreaElement
                        || e is IHtmlInputElement { Type: not ("hidden" or "file" or "checkbox" or "radio") }
                    )
                    .Select(e => (e.GetAttribute("name")!, text)),
            ];
            // The whole of a form has a size of its own.
            with = [.. with.Select(f => (f.Item1, f.Item2[..Math.Min(f.Item2.Length, 400_000 / with.Length)]))];
            var clock = Stopwatch.StartNew();
            (HttpStatusCode status, IHtmlDocument shown) = await Cabin.Press(form, with);
            double took = clock.Elapsed.TotalSeconds;
            if (took > longest)
                (longest, which) = (took, name);
            if (took > 12 || (int)status >= 500 || shown.Source.Length > 8_000_000)
                wrong.Add($"{name} of {page}: {(int)status} after {took:0.0} s, {shown.Source.Length:#,0} letters");
            if (with.Length == 0)
                break;
        }
        said.WriteLine($"{all.Length} presses; the longest {longest:0.00} s, {which}");
        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }
}
