namespace RustCabin.Browser.Tests;

/// <summary>
/// From a file and a socket as it is to a proved, burnt device, in one sitting; a swap left out is caught with its cause.
/// </summary>
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
        bench.Press("button", "Plan device: 27C400");
        bench.Sees(".legs", "Link A14 from contact 31 to leg 34");
        Assert.Contains("Lift leg 31", bench.Text(".legs"));
        Assert.Contains(
            "from below",
            bench.Browser.FindElement(OpenQA.Selenium.By.CssSelector(".outline")).GetAttribute("aria-label")
        );
        bench.Browser.FindElement(OpenQA.Selenium.By.CssSelector("input[type=file][name=file]")).SendKeys(file);
        bench.By("textbox", "where it comes from").SendKeys("dumped from Slipway 3");
        bench.By("textbox", "on what right").SendKeys("the cabin owns the machine");
        bench.Press("button", "Save image");
        bench.Sees(".chain-step", "system.bin");
        bench.Sees(".tray", "The bytes want swapping");

        // The swap is forgotten: the proof names it.
        bench.Press("button", "Double");
        bench.Until(
            () => bench.Browser.FindElements(OpenQA.Selenium.By.CssSelector(".chain-step")).Count == 2,
            "the image is doubled"
        );
        bench.Press("button", "Prove device");
        bench.Sees("[aria-labelledby=proof-title]", "The two bytes of every word are swapped");
        bench.Press("button", "Swap bytes of words");
        bench.Sees("[aria-labelledby=proof-title]", "has changed since it was proved");
        bench.Press("button", "Move up: swap the bytes");
        bench.Press("button", "Prove device");
        bench.Sees("[aria-labelledby=proof-title]", "Every byte of 262,144 is fetched as it must be");
        Assert.DoesNotContain("swap", bench.Text(".tray"));
        bench.Press("button", "Insert and burn");
        bench.Sees("[aria-labelledby=burn-title]", "The dump is the file");
        Assert.Empty(bench.Violations());
        bench.Press("checkbox", "Window covered, label on");
        bench.Until(() => bench.By("checkbox", "Window covered").GetAttribute("aria-checked") == "true", "the window is covered");
        bench.Press("link", "Build");
        bench.Sees("#step-burn-rom", "Burn the 27C400");
        bench.Until(
            () =>
                bench
                    .Browser.FindElement(OpenQA.Selenium.By.Id("step-proof-rom"))
                    .GetAttribute("class")!
                    .Contains("done", StringComparison.Ordinal),
            "the proof stands as done"
        );
        // Another tie is another plan: the gate shuts again.
        bench.Press("link", "ROM");
        bench.Press("button", "Tie A17 to VCC");
        bench.Sees("[aria-labelledby=proof-title]", "has changed since it was proved");
        bench.Press("link", "Build");
        bench.Sees("#step-proof-rom", "No tick opens this");
        bench.Press("link", "Passport");
        bench.Sees(".burns", "Window covered.");
        Assert.Empty(bench.Violations());
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void A_file_is_dropped_on_the_bench_and_the_eraser_runs_down()
    {
        using var bench = new Bench();
        bench.Go("/jobs/slip-2-system/rom");
        bench.Press("button", "Bring an image");
        bench.Browser.ExecuteScript(
            """
            const files = new DataTransfer();
            files.items.add(new File([new Uint8Array(256 * 1024).fill(7)], "dropped.bin"));
            const form = document.querySelector("form[action*='Upload']");
            form.dispatchEvent(new DragEvent("dragover", { bubbles: true, cancelable: true, dataTransfer: files }));
            window.wasOver = form.classList.contains("dropping");
            form.dispatchEvent(new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer: files }));
            """
        );
        Assert.True((bool)bench.Browser.ExecuteScript("return window.wasOver && !document.querySelector('.dropping')")!);
        bench.By("textbox", "where it comes from").SendKeys("dumped here");
        bench.By("textbox", "on what right").SendKeys("mine");
        bench.Press("button", "Save image");
        // The planned image stays; the new one is chosen by hand.
        bench.Sees(".saved", "dropped.bin");
        bench
            .By("combobox", "of this unit")
            .FindElements(OpenQA.Selenium.By.TagName("option"))
            .First(o => o.Text.Contains("dropped"))
            .Click();
        bench.Press("button", "Use image");
        bench.Sees(".chain-step", "dropped.bin");

        bench.Press("button", "Erase");
        OpenQA.Selenium.IWebElement dose = bench.By("textbox", "dose");
        dose.Clear();
        dose.SendKeys("0.03");
        bench.Browser.FindElement(OpenQA.Selenium.By.Name("heeded")).Click();
        bench.Press("button", "Eraser on");
        // 0.03 Ws/cm2 at 12 mW/cm2 is 2.5 s.
        bench.Until(() => bench.Text(".countdown.over") == "0:00", "the lamp has run down");
        Assert.StartsWith("Eraser off: ", bench.Browser.Title);
        Assert.Empty(bench.Violations());
        bench.Press("button", "Eraser off");
        bench.Sees("[aria-labelledby=burn-title]", "1 so far");
        Assert.Empty(bench.Complaints);
    }
}
