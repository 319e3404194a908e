using System.Net;
using System.Net.Sockets;
using System.Text;
using AngleSharp.Html.Dom;
using RustCabin.Data;

namespace RustCabin.Web.Tests;

/// <summary>One copy of the cabin at most lies beside the data while it is sent, whoever reads it and however.</summary>
public sealed class SendingTests : OnACabin
{
    string Sent => Leftovers.Sent(Path.Combine(Cabin.Data, "cabin.db"));

    async Task<HttpRequestMessage> Asked()
    {
        var form = (IHtmlFormElement)(await Cabin.Page("/cabin")).QuerySelector("form[action$='handler=Backup']")!;
        return new HttpRequestMessage(HttpMethod.Post, form.GetAttribute("action"))
        {
            Content = new FormUrlEncodedContent(
                form.Elements.OfType<IHtmlInputElement>().Select(i => KeyValuePair.Create(i.Name!, i.Value))
            ),
        };
    }

    /// <summary>More bytes than sockets take in by themselves.</summary>
    void Fill()
    {
        var images = new RomImageRepository(CabinFile.Open(Path.Combine(Cabin.Data, "cabin.db")), TimeProvider.System);
        var random = new Random(4);
        for (int n = 0; n < 4; n++)
        {
            byte[] bytes = new byte[4 << 20];
            random.NextBytes(bytes);
            Assert.NotNull(images.Add("slip-7", $"large-{n}.bin", "read", "mine", bytes));
        }
    }

    [Fact]
    public async Task A_second_is_not_made_while_the_first_is_read_and_whoever_stands_still_is_given_up()
    {
        Fill();
        HttpRequestMessage first = await Asked();
        // A reader that asks and then reads no more.
        using var stalled = new TcpClient();
        await stalled.ConnectAsync(Cabin.Http.BaseAddress!.Host, Cabin.Http.BaseAddress.Port);
        string body = await first.Content!.ReadAsStringAsync();
        string cookies = Cabin.Cookies.GetCookieHeader(Cabin.Http.BaseAddress);
        await stalled
            .GetStream()
            .WriteAsync(
                Encoding.ASCII.GetBytes(
                    $"POST {first.RequestUri} HTTP/1.1\r\nHost: {Cabin.Http.BaseAddress.Authority}\r\nCookie: {cookies}\r\n"
                        + $"Content-Type: application/x-www-form-urlencoded\r\nContent-Length: {body.Length}\r\n\r\n{body}"
                )
            );
        await Until(() => File.Exists(Sent), "the copy is made");

        using HttpResponseMessage refused = await Cabin.Http.SendAsync(await Asked());
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Contains("being sent already", await refused.Content.ReadAsStringAsync());
        Assert.Contains("being sent since", (await Cabin.Page("/cabin")).Body!.TextContent);
        Assert.Single(Directory.GetFiles(Cabin.Data, "cabin.db.sent*"));

        await Until(() => !File.Exists(Sent), "whoever does not read is given up");
        using HttpResponseMessage whole = await Cabin.Http.SendAsync(await Asked());
        Assert.Equal(HttpStatusCode.OK, whole.StatusCode);
        Assert.True((await whole.Content.ReadAsByteArrayAsync()).Length > 16 << 20);
        await Until(() => !File.Exists(Sent), "the copy goes with its answer");
        Assert.DoesNotContain("being sent since", (await Cabin.Page("/cabin")).Body!.TextContent);
    }

    static async Task Until(Func<bool> holds, string what)
    {
        for (int tries = 0; tries < 300; tries++)
        {
            if (holds())
                return;
            await Task.Delay(100);
        }
        Assert.Fail($"never: {what}");
    }
}
