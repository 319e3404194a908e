using System.Text.Json.Nodes;

namespace RustCabin.Browser.Tests;

/// <summary>An answer changes the page in place: what it does not change stays, and forms are ready for the next press.</summary>
public sealed class SwapTests
{
    const string Forms = """
        const forms = [...document.querySelectorAll("#frame form")];
        const all = (name) => [...new Set(forms.map((f) => f.elements[name]?.value).filter((v) => v !== undefined))];
        return JSON.stringify({ versions: all("version"), tokens: all("__RequestVerificationToken") });
        """;

    [Fact]
    public void A_press_changes_what_it_changes_and_leaves_every_form_with_its_version_and_token()
    {
        using var bench = new Bench();
        (string Version, string Token) Now()
        {
            JsonNode said = JsonNode.Parse((string)bench.Browser.ExecuteScript(Forms)!)!;
            string One(string name) => Assert.Single(said[name]!.AsArray())!.ToString();
            return (One("versions"), One("tokens"));
        }

        bench.Go("/jobs/slip-3-winter/memory");
        string before = bench.Text(".screen");
        (string Version, string Token) first = Now();
        // A mark that is in no answer: a node that is made once more has lost it.
        bench.Browser.ExecuteScript(
            "document.querySelectorAll('#frame *').forEach((el) => { el.seen = true; });"
                + "document.querySelector('#switch-fathom-W3').dataset.typed = ''"
        );
        bench.Browser.ExecuteScript("document.getElementById('switch-fathom-W3').click()");
        bench.Until(() => bench.Text(".screen") != before && Now().Version != first.Version, "the switch is over");
        (string Version, string Token) second = Now();
        Assert.Equal(long.Parse(first.Version) + 1, long.Parse(second.Version));
        Assert.NotEqual(first.Token, second.Token);
        // What the answer says as before is the same node still; a mark that no answer has is gone with the node that changed.
        Assert.Equal(true, bench.Browser.ExecuteScript("return document.querySelector('#frame header').seen === true"));
        Assert.Equal(true, bench.Browser.ExecuteScript("return document.querySelector('[data-typed]') === null"));
        // The next press goes by the version that was laid in.
        bench.Keys("u");
        bench.Until(() => bench.Text(".screen") == before, "undo sets it back");
        Assert.Equal(long.Parse(second.Version) + 1, long.Parse(Now().Version));
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void What_is_typed_and_not_sent_stays_and_what_was_sent_is_as_the_answer_says()
    {
        using var bench = new Bench();
        bench.Go("/jobs/winch-16c-more/memory/settings");
        const string Field = "Name of the present setting";
        bench.By("textbox", Field).SendKeys("half typed");
        bench.Press("button", "Use Half for the ledger");
        bench.Until(() => bench.Text(".settings thead").Contains("as planned"), "the unit stands as the setting says");
        Assert.Equal("half typed", bench.By("textbox", Field).GetAttribute("value"));
        bench.By("textbox", Field).SendKeys(OpenQA.Selenium.Keys.Enter);
        bench.Sees(".settings", "half typed");
        bench.Until(() => bench.By("textbox", Field).GetAttribute("value") == "", "the field is empty, as the answer has it");
    }
}
