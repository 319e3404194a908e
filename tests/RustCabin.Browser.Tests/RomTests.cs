namespace RustCabin.Browser.Tests;

/// <summary>From a file and a socket as it is to a proved, burnt device, in one sitting; a swap left out is caught with its cause.</summary>
public sealed class RomTests
{
    [Fact]
    public void A_file_becomes_a_proved_and_burnt_device_for_board_4()
    {
        using var bench = new Bench();
        string file = Path.Combine(Directory.CreateTempSubdirectory("rom").FullName, "system.bin");
        byte[] image = new byte[256 << 10];
        new Random(4).NextBytes(image);
        File.WriteAllBytes(file, image);

        bench.Go("/jobs/slip-3-winter/rom");
        bench.By("combobox", "type").FindElements(OpenQA.Selenium.By.TagName("option")).First(o => o.Text.StartsWith("27C400", StringComparison.Ordinal)).Click();
        bench.By("textbox", "access, ns").SendKeys("120");
        bench.Press("button", "Plan it");
        bench.Sees(".legs", "Link A16 from contact 1 to leg 32");
        Assert.Contains("Lift leg 1", bench.Text(".legs"));
        Assert.Contains("from below", bench.Browser.FindElement(OpenQA.Selenium.By.CssSelector(".outline")).GetAttribute("aria-label"));
        bench.Browser.FindElement(OpenQA.Selenium.By.CssSelector("input[type=file][name=file]")).SendKeys(file);
        bench.By("textbox", "where it comes from").SendKeys("dumped from Slipway 3");
        bench.By("textbox", "on what right").SendKeys("the cabin owns the machine");
        bench.Press("button", "Keep it");
        bench.Sees(".chain-step", "system.bin");
        bench.Sees(".tray", "The bytes want swapping");

        // The swap is forgotten: the proof names it.
        bench.Press("button", "Double");
        bench.Until(() => bench.Browser.FindElements(OpenQA.Selenium.By.CssSelector(".chain-step")).Count == 2, "the image is doubled");
        bench.Press("button", "Prove it");
        bench.Sees("[aria-labelledby=proof-title]", "The two bytes of every word are swapped");
        bench.Press("button", "Swap bytes of words");
        bench.Sees("[aria-labelledby=proof-title]", "has changed since it was proved");
        bench.Press("button", "Earlier: swap the bytes");
        bench.Press("button", "Prove it");
        bench.Sees("[aria-labelledby=proof-title]", "Every byte of 262,144 is fetched as it must be");
        Assert.DoesNotContain("swap", bench.Text(".tray"));
        bench.Press("button", "Insert and burn");
        bench.Sees("[aria-labelledby=burn-title]", "The dump is the file");
        Assert.Empty(bench.Violations());
        bench.Press("link", "Build");
        bench.Sees("#step-burn-rom", "Burn the 27C400");
        bench.Sees("#step-proof-rom", "Prove the 27C400 for rom");
        Assert.Empty(bench.Complaints);
    }
}
