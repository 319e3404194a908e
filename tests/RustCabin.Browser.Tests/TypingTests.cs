using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>What a person types while an answer is on its way is theirs: no answer takes it away.</summary>
public sealed class TypingTests
{
    /// <summary>
    /// A slow answer comes back while the next field is already being typed: both are on the sheet, and an undo takes back the
    /// last only.
    /// </summary>
    [Fact]
    public void What_is_typed_while_an_answer_is_on_its_way_is_kept()
    {
        using var bench = new Bench(demo: false);
        AnswersAfter(bench, ms: 600);
        foreach (
            (string path, string text) in new[]
            {
                ("claims[0].id", "main"),
                ("claims[0].base", "0x0000"),
                ("claims[0].size", "16K"),
            }
        )
        {
            bench.Browser.FindElement(By.Id($"f-{path}")).SendKeys(Keys.Control + "a" + Keys.Null + text + Keys.Tab);
            Thread.Sleep(300);
        }
        bench.Until(
            () => EditorTests.Json(bench).Contains("\"id\":\"main\",\"kind\":\"ram\",\"base\":\"0x0000\",\"size\":\"16K\""),
            "all three fields are on the sheet"
        );
        Type(bench, "size", "32K");
        bench.Press("button", "Undo");
        bench.Until(
            () =>
                bench.Browser.FindElement(By.Id("f-claims[0].size")).GetDomProperty("value") == "16K"
                && EditorTests.Json(bench).Contains("\"size\":\"16K\""),
            "the last change is taken back"
        );
        Assert.Empty(bench.Complaints);
    }

    /// <summary>A claim of a new sheet, and answers that come late.</summary>
    static void AnswersAfter(Bench bench, int ms)
    {
        bench.Go("/sheets");
        bench.Press("link", "New model");
        EditorTests.Fill(bench, "name", "Tern");
        bench.Press("button", "Add a claim");
        bench.Until(() => IsThere(bench, "#section-claims .claim"), "a claim");
        bench.Browser.ExecuteCdpCommand("Network.enable", []);
        bench.Browser.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = false,
                ["latency"] = ms,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    static void Sent(Bench bench) => bench.Until(() => IsThere(bench, "#frame[aria-busy]"), "it is sent");

    static bool IsThere(Bench bench, string css) => bench.Browser.FindElements(By.CssSelector(css)).Count == 1;

    static void Type(Bench bench, string field, string keys) =>
        bench.Browser.FindElement(By.Id($"f-claims[0].{field}")).SendKeys(Keys.Control + "a" + Keys.Null + keys);

    /// <summary>
    /// A claim that gets its address moves to its place on the map. What is being typed into it moves with it, and so does the
    /// caret: the next key is still meant for it.
    /// </summary>
    [Fact]
    public void What_is_typed_into_something_that_moves_meanwhile_is_kept()
    {
        using var bench = new Bench(demo: false);
        AnswersAfter(bench, ms: 2000);
        bench.Browser.FindElement(By.Id("f-claims[0].base")).SendKeys("0x0000" + Keys.Tab);
        Sent(bench);
        Type(bench, "size", "1K" + Keys.ArrowLeft);
        Assert.Empty(bench.Browser.FindElements(By.CssSelector("li[id='item-claims[0]']")));
        bench.Until(() => IsThere(bench, "li[id='item-claims[0]']"), "it is in its place");
        bench.Keys("6" + Keys.Tab);
        bench.Until(() => EditorTests.Json(bench).Contains("\"base\":\"0x0000\",\"size\":\"16K\""), "both are on the sheet");

        // All of it was typed before the answer came, and nothing after.
        Type(bench, "base", Keys.Backspace + Keys.Tab);
        Sent(bench);
        Type(bench, "size", "8K");
        bench.Until(() => IsThere(bench, "div[id='item-claims[0]']"), "it is nowhere");
        bench.Keys(Keys.Tab);
        bench.Until(() => EditorTests.Json(bench).Contains("\"size\":\"8K\""), "what was typed last is on the sheet");
        Assert.Empty(bench.Complaints);
    }
}
