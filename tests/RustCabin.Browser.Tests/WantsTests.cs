namespace RustCabin.Browser.Tests;

/// <summary>From three wants to a job that is clear, then onto another board and to the nearest set that works there.</summary>
public sealed class WantsTests
{
    [Fact]
    public void Three_wants_become_a_clear_job_and_another_board_gets_the_nearest_set()
    {
        using var bench = new Bench();
        int presses = 0;
        void Press(string role, string name)
        {
            bench.Press(role, name);
            presses++;
        }
        bench.Go("/");
        Press("button", "Begin a job for Slipway 9");
        bench.Sees("h1", "Memory");
        Press("link", "Wants");
        bench.Sees("h1", "Wants");
        Press("button", "512 KiB that the processor reaches");
        bench.Sees(".wanted", "512 KiB that the processor reaches");
        Press("button", "512 KiB that video reaches");
        bench.Sees(".wanted", "512 KiB that video reaches");
        Press("button", "A processor 4 times as fast");
        bench.Sees(".wanted", "A processor 4 times as fast");
        bench.Sees(".tray", "Not yet");
        Press("link", "Propose sets of parts");
        bench.Sees(".set-list", "Skerry accelerator + Tidewell video memory");
        Press("button", "Make it the job: Skerry accelerator + Tidewell");
        bench.Sees(".top", "the plan gives all of them");
        bench.Sees(".tray", "all clear");
        Assert.True(presses < 10, $"{presses} presses");

        bench.Press("link", "Identify");
        bench.Sees("h1", "Identify");
        bench.Press("button", "Leave it to the clues");
        bench
            .By("combobox", "I am sure it is")
            .FindElements(OpenQA.Selenium.By.TagName("option"))
            .First(o => o.Text == "Board 4")
            .Click();
        bench.Press("button", "Confirm board");
        bench.Sees(".tray", "Tidewell video memory fits Board 7; this is Board 4");
        bench.Press("link", "Propose the nearest set that works");
        bench.Sees(".set-list", "takes out Tidewell video memory; puts in Spindrift video memory");
        Assert.Empty(bench.Violations());
        bench.Press("button", "Make it the job: Skerry accelerator + Spindrift");
        bench.Until(() => !bench.Text(".tray").Contains("Tidewell"), "the stop is gone");
        bench.Sees(".top", "the plan gives all of them");
        bench.Press("button", "Undo");
        bench.Sees(".tray", "Tidewell video memory fits Board 7; this is Board 4");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void A_search_that_takes_its_time_is_shown_as_it_goes_and_ends_in_its_sets()
    {
        using var bench = new Bench(options: ["--patience", "0"]);
        bench.Go("/jobs/granary-ledger-sing/wants");
        // It may be over before a test looks, so the page itself notes what stood on it.
        bench.Browser.ExecuteScript(
            "window.stood = ''; new MutationObserver(() => { window.stood += "
                + "document.querySelector('.searching')?.textContent || ''; }).observe(document, { childList: true, subtree: "
                + "true })"
        );
        bench.Press("link", "Propose sets of parts");
        bench.Sees(".set-list", "to buy");
        Assert.Contains("plans put to the checks", (string)bench.Browser.ExecuteScript("return window.stood")!);
        Assert.Empty(bench.Browser.FindElements(OpenQA.Selenium.By.CssSelector(".searching")));
        Assert.Empty(bench.Complaints);
    }
}
