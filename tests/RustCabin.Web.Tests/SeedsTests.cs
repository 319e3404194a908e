using System.Text;

namespace RustCabin.Web.Tests;

/// <summary>
/// The small bodies from which heavy ones are grown are answered as they stand, whatever the day's chance makes of them.
/// </summary>
public sealed class SeedsTests : OnACabin
{
    [Fact]
    public async Task Each_is_answered()
    {
        var wrong = new List<string>();
        foreach ((string call, string body) in Seeds.All)
        {
            using var json = new StringContent(body, Encoding.UTF8, "application/json");
            using HttpResponseMessage answer = await Cabin.Http.PostAsync($"/api/v1/{call}", json);
            if (!answer.IsSuccessStatusCode)
                wrong.Add($"{call}: {await answer.Content.ReadAsStringAsync()}");
        }
        Assert.True(wrong.Count == 0, string.Join("\n", wrong));
    }
}
