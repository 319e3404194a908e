using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>
/// A person reads names, never identifiers: no station of any job of the demo shows one with a hyphen or an owner.
/// </summary>
public sealed partial class IdsOnScreenTests : OnACabin
{
    /// <summary>A place of copper (<c>row:A</c>, <c>slot-2.7</c>) is written as on drawings, and is none.</summary>
    [GeneratedRegex("(?<![A-Za-z0-9])[a-z0-9]+(?:[-:][a-z0-9]+)+(?![:.]?[A-Z0-9])")]
    private static partial Regex Hyphened { get; }

    /// <summary>Every id of the demo, and what a sheet has as words and may be shown as it stands.</summary>
    static (HashSet<string> Ids, HashSet<string> Words) OnSheets()
    {
        var (ids, words) = (new HashSet<string>(), new HashSet<string>());
        foreach (string file in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json"))
            Gather(JsonNode.Parse(File.ReadAllText(file)), "", ids, words);
        return (ids, words);
    }

    static void Gather(JsonNode? node, string key, HashSet<string> ids, HashSet<string> words)
    {
        if (node is JsonObject thing)
            foreach ((string inner, JsonNode? value) in thing)
                Gather(value, inner, ids, words);
        else if (node is JsonArray list)
            foreach (JsonNode? value in list)
                Gather(value, key, ids, words);
        else if (node is JsonValue value && value.TryGetValue(out string? text))
        {
            if (key == "id")
                ids.Add(text);
            if (key is "version" or "firmware" or "connector" or "label" or "name" or "what" or "variant" or "file")
                words.UnionWith(Hyphened.Matches(text).Select(m => m.Value));
        }
    }

    [Fact]
    public async Task No_station_shows_an_id()
    {
        (HashSet<string> ids, HashSet<string> words) = OnSheets();
        Assert.True(ids.Count > 300, $"{ids.Count} ids");
        IHtmlDocument shelf = await Cabin.Page("/");
        string[] jobs =
        [
            .. shelf
                .QuerySelectorAll("a[href^='/jobs/']")
                .Select(a => a.GetAttribute("href")!.Split('/', '?', '#')[2])
                .Distinct()
                .Order(),
        ];
        Assert.True(jobs.Length > 20, $"{jobs.Length} jobs");
        var shown = new SortedSet<string>();
        foreach (string job in jobs)
        foreach (string at in RustCabin.Web.Stations.Desks.Trail.Select(d => d.Slug).Append("hand-over"))
        {
            IHtmlDocument page = await Cabin.Page($"/jobs/{job}/{at}");
            foreach (IElement off in page.QuerySelectorAll("script, style, code, option, [hidden]"))
                off.Remove();
            foreach (IText text in page.Body!.Descendants<IText>())
            foreach (string word in Hyphened.Matches(text.Data).Select(m => m.Value))
                if (
                    !words.Contains(word)
                    && word.Split(':') is var ends
                    && ends.All(ids.Contains)
                    && word.AsSpan().ContainsAny('-', ':')
                )
                    shown.Add($"{word} at {job}/{at}: {text.Data.Trim()}");
        }
        Assert.Equal("", string.Join('\n', shown));
    }
}
