using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>A person's whole path through the thin slice, in real Chromium.</summary>
public sealed class SliceTests
{
    const string Winter = "/jobs/slip-3-winter";

    [Fact]
    public void From_the_shelf_to_a_mended_fight_a_jumper_a_reading_and_the_passport()
    {
        using var bench = new Bench();
        bench.Go("/");
        bench.Press("link", "Mend the stop, Slipway 3");
        bench.Sees(".tray", "Two drive one range");
        bench.Browser.ExecuteScript("window.notReloaded = true");

        bench.Press("button", "Set W1 to low");
        bench.Until(() => !bench.Text(".tray").Contains("Two drive"), "the stop is gone from the tray");
        bench.Sees(".screen", "4928 KiB");

        // One press: ladder, reach, screen, tray and gate follow, without a reload; u takes it back.
        bench.Press("button", "W3 size: open");
        bench.Sees(".screen", "1856 KiB");
        Assert.Contains("1 MiB", bench.Text(".ladder"));
        Assert.Contains("1,856 KiB", bench.Text("[aria-labelledby=reach-title]"));
        Assert.Contains("short by 2,944 KiB", bench.Text("[aria-labelledby=reach-title]"));
        bench.Keys("u");
        bench.Sees(".screen", "4928 KiB");

        bench.Press("link", "Build");
        bench.Sees("h1", "Build");
        bench.By("textbox", "shared, as the screen shows, at Test it untouched").SendKeys("192");
        bench.By("textbox", "boards, as the screen shows, at Test it untouched").SendKeys("0" + Keys.Enter);
        bench.Sees("#step-untouched .fold summary", "What was read");
        bench.Press("checkbox", "Read: Static");
        bench.Until(() => bench.By("button", "Done: Lid off").Enabled, "the step may be ticked once the caution is");
        bench.Press("button", "Done: Lid off");
        bench.Press("button", "Done: Set the switches of Fathom");
        bench.Sees(".top", "3 of 9 steps");
        Assert.Equal(true, bench.Browser.ExecuteScript("return window.notReloaded"));

        bench.Press("button", "Done: Fit Fathom");
        // The screen shows less than predicted: told by how much, and which slip would show just this.
        bench.By("textbox", "shared, as the screen shows, at Power up with Fathom").SendKeys("192");
        bench.By("textbox", "boards, as the screen shows, at Power up with Fathom").SendKeys("1024" + Keys.Enter);
        bench.Sees("#step-count-fathom", "3 MiB short");
        bench.Sees("#step-count-fathom", "W3 of Fathom memory board stands closed");

        bench.Press("link", "Passport");
        bench.Sees("[aria-labelledby=readings-title]", "differs");
        bench.Sees(".history", "W3 of Fathom memory board to closed (taken back)");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void What_was_confirmed_survives_a_killed_process_and_can_still_be_undone()
    {
        using var bench = new Bench(apart: true);
        bench.Go($"{Winter}/memory");
        bench.Press("button", "W3 size: open");
        bench.Sees(".screen", "1216 KiB");
        var cabin = (CabinProcess)bench.Cabin;
        cabin.Kill();
        cabin.Start();
        bench.Go($"{Winter}/memory");
        bench.Sees(".screen", "1216 KiB");
        bench.Press("button", "Undo");
        bench.Sees(".screen", "4288 KiB");
    }

    [Fact]
    public void By_keyboard_alone()
    {
        using var bench = new Bench();
        bench.Go($"{Winter}/memory");
        bench.Sees("h1", "Memory");
        bench.Browser.FindElement(By.Id("switch-fathom-W3")).SendKeys(Keys.Enter);
        bench.Sees(".screen", "1216 KiB");
        bench.Until(
            () => bench.Browser.SwitchTo().ActiveElement().GetAttribute("id") == "switch-fathom-W3",
            "the focus stays on the jumper"
        );
        bench.Keys("u");
        bench.Sees(".screen", "4288 KiB");
        bench.Keys("U");
        bench.Sees(".screen", "1216 KiB");
        bench.Keys("u");
        bench.Sees(".screen", "4288 KiB");

        foreach (string station in (string[])["ROM", "Speed", "Storage", "Picture, sound", "Wiring", "Build"])
        {
            bench.Keys("]");
            bench.Sees("h1", station);
        }
        bench.Keys("r");
        bench.Keys("192" + Keys.Tab + "0" + Keys.Enter);
        bench.Sees(".top", "1 of 9 steps");
        bench.Browser.FindElement(By.CssSelector("#step-open-lid-off [role=checkbox]")).SendKeys(Keys.Space);
        bench.Until(
            () => bench.Browser.FindElements(By.CssSelector("#step-open-lid-off .ticked")).Count == 1,
            "the caution is ticked"
        );
        bench.Browser.ExecuteScript("document.activeElement.blur()");
        bench.Keys(" ");
        bench.Sees(".top", "2 of 9 steps");
        bench.Keys("gp");
        bench.Sees("h1", "Passport");
        bench.Keys("?");
        bench.Sees("dialog[open]", "tick the step at hand");
        bench.Keys(Keys.Escape);
        bench.Until(() => bench.Browser.FindElements(By.CssSelector("dialog[open]")).Count == 0, "the list of keys is closed");
        bench.Keys("/");
        bench.Keys("lantern" + Keys.Enter);
        bench.Sees(".hits", "Lantern hatch memory");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void On_a_narrow_screen()
    {
        using var bench = new Bench(390, 844);
        bench.Go($"{Winter}/memory");
        foreach (string station in (string[])["identify", "fit", "memory", "build", "passport"])
        {
            bench.Go($"{Winter}/{station}");
            Assert.True(
                (bool)bench.Browser.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!,
                $"{station} is wider than the screen"
            );
        }
        bench.Go($"{Winter}/memory");
        Assert.False(bench.Browser.FindElement(By.Id("tray")).Displayed);
        bench.Press("button", "Tray");
        bench.Press("button", "Set W1 to low");
        bench.Sees(".tray-tab", "1 note");
        bench.Press("button", "Tray");
        bench.Press("button", "W3 open");
        bench.Press("button", "W3 closed");
        bench.Sees(".screen", "1856 KiB");
        bench.Press("button", "Undo");
        bench.Sees(".screen", "4928 KiB");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void A_zoom_is_kept_when_a_jumper_is_pressed_and_left_by_going_back()
    {
        using var bench = new Bench();
        bench.Go($"{Winter}/memory");
        IWebElement rung = bench.Browser.FindElement(By.CssSelector("a.zoom[aria-label^='Fathom']"));
        rung.SendKeys(Keys.Enter);
        bench.Sees(".zoomed", "0x80_0000 to 0xbf_ffff");
        bench.Press("button", "W3 size: open");
        bench.Sees(".screen", "1216 KiB");
        bench.Sees(".zoomed", "0x80_0000 to 0xbf_ffff");
        bench.Press("link", "Whole space");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector(".zoomed")).Count == 0, "the whole space is shown");
        bench.Browser.Navigate().Back();
        bench.Sees(".zoomed", "0x80_0000 to 0xbf_ffff");
        bench.Press("link", "Table");
        bench.Sees(".map-table", "Fathom (ram)");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void A_users_own_machine_is_imported_from_a_file_and_gets_its_stations()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/");
        bench.Press("link", "Import a pack");
        bench.Browser.FindElement(By.Id("pack")).SendKeys(Path.Combine(AppContext.BaseDirectory, "Samples", "weir.json"));
        bench.Browser.FindElement(By.CssSelector("form.import button")).Click();
        bench.Sees(".tally", "4 new");
        bench.Press("button", "Import pack");
        bench.Press("link", "To Two cards");
        bench.Sees(".screen", "152 KiB");
        Assert.Contains("0x0_0000 to 0x3_ffff", bench.Browser.FindElement(By.CssSelector(".ladder")).GetAttribute("aria-label"));
        bench.Press("link", "Build");
        bench.Sees("h1", "Build");
        Assert.Empty(bench.Complaints);
    }
}
