using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>
/// A machine that nobody has described, made from an empty page without touching JSON, and a unit and a part of it through the
/// stations.
/// </summary>
public sealed class EditorTests
{
    /// <summary>Types into a field of the editor by its place on the sheet, and waits until the sheet has it.</summary>
    static void Fill(Bench bench, string path, string text)
    {
        bench.Touches++;
        bench.Until(() => bench.Browser.FindElements(By.Id($"f-{path}")).Count > 0, $"a field {path}");
        IWebElement field = bench.Browser.FindElement(By.Id($"f-{path}"));
        bench.Browser.ExecuteScript(
            "let d = arguments[0].closest('details'); while (d) { d.open = true; d = d.parentElement.closest('details'); } "
                + "arguments[0].scrollIntoView({ block: 'center' })",
            field
        );
        bool choose = field.TagName == "select";
        if (choose)
            field.FindElements(By.TagName("option")).First(o => o.GetDomProperty("value") == text).Click();
        else
        {
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(text + Keys.Tab);
        }
        bench.Until(
            () =>
                bench.Browser.FindElement(By.Id($"f-{path}")).GetDomAttribute(choose ? "id" : "value") is { } now
                && (choose || now == text)
                && (string?)bench.Browser.ExecuteScript("return document.getElementById('frame').getAttribute('aria-busy')")
                    is null,
            $"{path} is {text}"
        );
    }

    static void Add(Bench bench, string section, string button, int count)
    {
        bench.Browser.ExecuteScript("document.getElementById(arguments[0]).open = true", $"section-{section}");
        bench.Press("button", button);
        bench.Until(
            () => bench.Browser.FindElements(By.CssSelector($"#section-{section} .item")).Count >= count,
            $"{count} in {section}"
        );
    }

    [Fact]
    public void A_machine_nobody_described_gets_its_sheet_a_part_a_unit_and_the_right_map()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/sheets");
        bench.Press("link", "New model");
        Fill(bench, "id", "tern");
        Fill(bench, "name", "Tern");
        Fill(bench, "revisions[0].name", "Tern early");
        Add(bench, "revisions", "Add a revision", 2);
        Fill(bench, "revisions[1].id", "late");
        Fill(bench, "revisions[1].name", "Tern late");

        // 16 KiB below, a window of 8 banks on the late board, its register, a ROM.
        Add(bench, "claims", "Add a claim", 1);
        Fill(bench, "claims[0].id", "main");
        Fill(bench, "claims[0].base", "0x0000");
        Fill(bench, "claims[0].size", "16K");
        Add(bench, "claims", "Add a claim", 2);
        Fill(bench, "claims[1].id", "banks");
        Fill(bench, "claims[1].base", "0x4000");
        Fill(bench, "claims[1].size", "8K");
        bench.Browser.ExecuteScript("document.querySelectorAll('#section-claims details').forEach(d => d.open = true)");
        bench.Press("button", "Add a window to banks");
        Fill(bench, "claims[1].window.banks", "8");
        Fill(bench, "claims[1].window.reset", "written-first");
        Add(bench, "claims", "Add a claim", 3);
        Fill(bench, "claims[2].id", "select");
        // The register stands on the sheet by now, so it is chosen and not typed.
        Fill(bench, "claims[1].window.register", "select");
        Fill(bench, "claims[2].kind", "register");
        Fill(bench, "claims[2].base", "0xC000");
        Fill(bench, "claims[2].size", "16");
        Fill(bench, "claims[2].access", "write");
        IWebElement late = bench.Browser.FindElement(By.CssSelector("[name='f:claims[1].revisions'][value=late]"));
        bench.Browser.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", late);
        late.Click();
        bench.Until(
            () =>
                bench.Text("#raw").Contains("late")
                || bench.Browser.FindElement(By.Id("raw")).GetDomProperty("value")!.Split("\"late\"").Length > 2,
            "the window is on the late board only"
        );

        Add(bench, "powerUp", "Add a power-up line", 1);
        Fill(bench, "powerUp[0].label", "memory");
        Fill(bench, "powerUp[0].from", "0x0000");
        Fill(bench, "powerUp[0].to", "0x8000");
        Fill(bench, "powerUp[0].step", "4K");
        bench.Sees(".screen", "16 KiB");
        Assert.DoesNotContain("8 x 8 KiB", bench.Text(".ladder"));
        bench.Press("link", "Tern late");
        bench.Sees(".screen", "24 KiB");
        bench.Sees(".ladder", "8 x 8 KiB");
        Add(bench, "sites", "Add a site", 1);
        Fill(bench, "sites[0].id", "slot");
        Fill(bench, "sites[0].kind", "slot");
        Assert.Empty(bench.Violations());
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");

        bench.Go("/sheets/parts/new");
        Fill(bench, "id", "egg");
        Fill(bench, "name", "Egg card");
        Add(bench, "claims", "Add a claim", 1);
        Fill(bench, "claims[0].id", "more");
        Fill(bench, "claims[0].base", "0x8000");
        Fill(bench, "claims[0].size", "16K");
        bench.Sees("[aria-labelledby=map-title]", "Tern early");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");

        bench.Go("/sheets/units/new?model=tern");
        Fill(bench, "id", "tern-1");
        Fill(bench, "name", "Slip Tern");
        Fill(bench, "revision", "late");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "It is on the shelf");
        bench.Go("/");
        bench.Press("button", "Begin a job for Slip Tern");
        bench.Sees("h1", "Memory");
        bench.By("combobox", "Plan another part").FindElements(By.TagName("option")).First(o => o.Text == "Egg card").Click();
        bench.Press("button", "Add part");
        bench.Sees(".boards", "Egg card");
        Assert.Contains("8 x 8 KiB", bench.Text(".ladder"));
        Assert.Contains("16 KiB", bench.Text(".ladder"));
        bench.Sees(".screen", "24 KiB");
        // 16 below, 64 behind the window, 16 on the card.
        bench.Sees("[aria-labelledby=reach-title]", "96 KiB");
        Assert.Empty(bench.Complaints);
        // Without the JSON pane, in fewer than 120 presses and fields.
        Assert.InRange(bench.Touches, 30, 119);
    }

    /// <summary>A field is typed into and the page is left at once: the draft has it.</summary>
    [Fact]
    public void What_is_typed_is_not_lost_by_leaving()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/sheets/models/new?pattern=8-bit");
        Fill(bench, "name", "Tern");
        bench.By("textbox", "name").SendKeys(" the second");
        bench.Go("/cupboard");
        bench.Until(
            () =>
            {
                bench.Go("/sheets/models/new");
                return bench.Browser.FindElement(By.Id("f-name")).GetDomProperty("value") == "Tern the second";
            },
            "the draft has what was typed last"
        );
    }

    /// <summary>
    /// A slow answer comes back while the next field is already being typed: both are on the sheet, and an undo takes back the
    /// last only.
    /// </summary>
    [Fact]
    public void What_is_typed_while_an_answer_is_on_its_way_is_kept()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/sheets");
        bench.Press("link", "New model");
        Fill(bench, "id", "tern");
        Add(bench, "claims", "Add a claim", 1);
        bench.Browser.ExecuteCdpCommand("Network.enable", []);
        bench.Browser.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = false,
                ["latency"] = 600,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
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
        string Raw() => bench.Browser.FindElement(By.Id("raw")).GetDomProperty("value")!.Replace(" ", "").Replace("\n", "");
        bench.Until(
            () => Raw().Contains("\"id\":\"main\",\"kind\":\"ram\",\"base\":\"0x0000\",\"size\":\"16K\""),
            "all three fields are on the sheet"
        );
        bench.Browser.FindElement(By.Id("f-claims[0].size")).SendKeys(Keys.Control + "a" + Keys.Null + "32K");
        bench.Press("button", "Undo");
        bench.Until(
            () =>
                bench.Browser.FindElement(By.Id("f-claims[0].size")).GetDomProperty("value") == "16K"
                && Raw().Contains("\"size\":\"16K\""),
            "the last change is taken back"
        );
        Assert.Empty(bench.Complaints);
    }
}
