using System.Diagnostics;

namespace RustCabin.Benchmarks;

/// <summary>A press as a browser without script makes it: the form of a page is sent, and the page that shows it read.</summary>
static class Presses
{
    /// <summary>A jumper is set to and fro, and the page that shows it is read; the median of 10 in milliseconds.</summary>
    public static double Median(HttpClient http)
    {
        // The first two compile what they run through.
        double[] times = [.. Enumerable.Range(0, 12).Select(_ => Once(http, "/jobs/slip-3-winter/memory")).Skip(2).Order()];
        return times[times.Length / 2];
    }

    /// <summary>Sets the first switch of a page that can be set; how long that took, until its page was here.</summary>
    public static double Once(HttpClient http, string page)
    {
        string html = http.GetStringAsync(page).GetAwaiter().GetResult();
        long began = Stopwatch.GetTimestamp();
        (string action, KeyValuePair<string, string>[] fields) = Form(html, "handler=Switch");
        using HttpResponseMessage answer = http.PostAsync(action, new FormUrlEncodedContent(fields)).GetAwaiter().GetResult();
        answer.EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync().GetAwaiter().GetResult();
        return Stopwatch.GetElapsedTime(began).TotalMilliseconds;
    }

    /// <summary>The first form of a press, with its fields and its first button that is not barred.</summary>
    static (string Action, KeyValuePair<string, string>[] Fields) Form(string html, string press)
    {
        int at = html.IndexOf(press, StringComparison.Ordinal),
            from = html.LastIndexOf("<form", at, StringComparison.Ordinal),
            to = html.IndexOf("</form>", at, StringComparison.Ordinal);
        string form = System.Net.WebUtility.HtmlDecode(html[from..to]);
        string action = System.Text.RegularExpressions.Regex.Match(form, "action=\"([^\"]+)\"").Groups[1].Value;
        IEnumerable<string> tags = System
            .Text.RegularExpressions.Regex.Matches(form, "<(?:input|button)[^>]*>")
            .Select(m => m.Value)
            .ToArray();
        string Of(string tag, string name) =>
            System.Text.RegularExpressions.Regex.Match(tag, $" {name}=\"([^\"]*)\"").Groups[1].Value;
        return (
            action,
            [
                .. tags.Where(t => t.StartsWith("<input", StringComparison.Ordinal))
                    .Concat(
                        tags.Where(t =>
                                t.StartsWith("<button", StringComparison.Ordinal)
                                && !t.Contains("aria-pressed=\"true\"", StringComparison.Ordinal)
                                && !t.Contains("disabled", StringComparison.Ordinal)
                            )
                            .Take(1)
                    )
                    .Where(t => Of(t, "name").Length > 0)
                    .Select(t => KeyValuePair.Create(Of(t, "name"), Of(t, "value"))),
            ]
        );
    }
}
