using System.Net.Sockets;
using System.Text;
using AngleSharp.Html.Dom;

namespace RustCabin.Web.Tests;

/// <summary>Requests that end too soon or say wrong lengths are answered as bad ones, at every form and call.</summary>
public sealed class CutShortTests : OnACabin
{
    /// <summary>Sends bytes as they are, and gives what comes back until the other side closes or is silent.</summary>
    async Task<string> Raw(string request, bool close)
    {
        using var client = new TcpClient();
        await client.ConnectAsync(Cabin.Http.BaseAddress!.Host, Cabin.Http.BaseAddress.Port);
        NetworkStream stream = client.GetStream();
        await stream.WriteAsync(Encoding.Latin1.GetBytes(request));
        if (close)
            client.Client.Shutdown(SocketShutdown.Send);
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        byte[] answer = new byte[64];
        int read = 0;
        try
        {
            while (read < 12 && await stream.ReadAsync(answer.AsMemory(read), limit.Token) is var more and > 0)
                read += more;
        }
        catch (IOException) { }
        return Encoding.Latin1.GetString(answer, 0, read);
    }

    /// <summary>Nothing is answered to a sender that has gone; to one that waits, that its request is bad.</summary>
    async Task IsBad(string url, string what, string request)
    {
        foreach (bool close in (bool[])[true, false])
        {
            // Of what is shorter than it says the other side can only wait for more.
            if (
                !close
                && (what.StartsWith("shorter") || what.Contains("without an end") || what.Contains("they say") || what == "JSON")
            )
                continue;
            string answer = await Raw(request, close);
            Assert.True(
                close && answer.Length == 0 || answer.Length > 9 && answer[9] == '4',
                $"{url}: {what}, {(close ? "gone" : "waiting")}: {answer.ReplaceLineEndings(" ")}"
            );
        }
    }

    string Head(string url, string type, string more) =>
        $"POST {url} HTTP/1.1\r\nHost: {Cabin.Http.BaseAddress!.Authority}\r\nConnection: close\r\n"
        + $"Cookie: {Cabin.Cookies.GetCookieHeader(Cabin.Http.BaseAddress)}\r\nContent-Type: {type}\r\n{more}\r\n\r\n";

    const string Multi = "multipart/form-data; boundary=cut";

    static readonly string Part =
        "--cut\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.json\"\r\n"
        + "Content-Type: application/json\r\n\r\n{\"a\":";

    /// <summary>Kinds of bodies that are not what they say, by name.</summary>
    static IEnumerable<(string What, string Type, string More, string Body)> Cut(string token)
    {
        string field = $"--cut\r\nContent-Disposition: form-data; name=\"__RequestVerificationToken\"\r\n\r\n{token}\r\n";
        foreach ((string kind, string whole) in ((string, string)[])[("token first", field + Part), ("file first", Part)])
        {
            yield return ($"no closing boundary, {kind}", Multi, $"Content-Length: {whole.Length}", whole);
            yield return ($"shorter than it says, {kind}", Multi, $"Content-Length: {whole.Length + 500}", whole);
            yield return (
                $"chunk longer than it says, {kind}",
                Multi,
                "Transfer-Encoding: chunked",
                $"5\r\n{whole}\r\n0\r\n\r\n"
            );
            yield return (
                $"chunks without an end, {kind}",
                Multi,
                "Transfer-Encoding: chunked",
                $"{whole.Length:x}\r\n{whole}\r\n"
            );
        }
        yield return ("a part without its head", Multi, "Content-Length: 20", "--cut\r\nnothing here..");
        yield return ("a head without an end", Multi, "Content-Length: 40", "--cut\r\nContent-Disposition: form-data; na");
        yield return ("no boundary", "multipart/form-data", $"Content-Length: {Part.Length}", Part);
        yield return ("a chunk's size is none", Multi, "Transfer-Encoding: chunked", "zz\r\nhello\r\n0\r\n\r\n");
        yield return ("fields that end within an escape", "application/x-www-form-urlencoded", "Content-Length: 5", "a=b%4");
        yield return (
            "fields shorter than they say",
            "application/x-www-form-urlencoded",
            "Content-Length: 500",
            $"__RequestVerificationToken={token}&a="
        );
    }

    [Theory]
    [InlineData("/import")]
    [InlineData("/jobs/slip-3-winter/baseline")]
    [InlineData("/jobs/slip-3-winter/rom")]
    [InlineData("/jobs/slip-3-winter/build")]
    [InlineData("/cupboard")]
    [InlineData("/preferences")]
    public async Task A_form_that_is_cut_short_is_a_bad_request(string page)
    {
        IHtmlDocument at = await Cabin.Page(page == "/preferences" ? "/" : page);
        string token = at.QuerySelector("input[name='__RequestVerificationToken']")!.GetAttribute("value")!;
        string[] urls =
        [
            .. at.QuerySelectorAll("form[method='post']")
                .Select(f => f.GetAttribute("action") ?? page)
                .DistinctBy(u => u.Split("handler=").Last().Split('&')[0])
                .Take(3),
        ];
        Assert.NotEmpty(urls);
        foreach (string url in urls)
        foreach ((string what, string type, string more, string body) in Cut(token))
        {
            await IsBad(url, what, Head(url, type, more) + body);
        }
    }

    [Theory]
    [InlineData("/api/v1/rom/inspect")]
    [InlineData("/api/v1/rom/transform")]
    [InlineData("/api/v1/check")]
    public async Task A_call_that_is_cut_short_is_a_bad_request(string call)
    {
        foreach ((string what, string type, string more, string body) in Cut("none"))
        {
            await IsBad(call, what, Head(call, type, more) + body);
        }
        await IsBad(call, "JSON", Head(call, "application/json", "Transfer-Encoding: chunked") + "fff\r\n{\"a\":");
    }
}
