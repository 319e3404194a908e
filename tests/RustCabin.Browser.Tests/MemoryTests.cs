using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>From a tube of chips and a board with two banks to switches, count, shopping list and build sheet.</summary>
public sealed class MemoryTests
{
    [Fact]
    public void A_tube_of_chips_becomes_a_build_sheet_in_under_a_dozen_presses()
    {
        using var bench = new Bench();
        int presses = 0;
        void Press(string role, string name)
        {
            presses++;
            bench.Press(role, name);
        }

        bench.Go("/jobs/loft-clerk-ledger/memory");
        Press("link", "Chips, modules");
        bench.Sees("h1 + .muted", "chips and modules");
        IWebElement target = bench.By("textbox", "Wanted in all");
        target.SendKeys(Keys.Control + "a");
        target.SendKeys("200K");
        Press("button", "Work out chips");
        // 20 chips of 64Kx1 in the tube fill two banks of ten; nothing is bought.
        bench.Sees(".ways", "Nothing to buy");
        Assert.Contains("216 KiB", bench.Text(".ways"));
        Press("button", "Plan this");
        bench.Sees(".way-card.planned", "S2 two");
        Assert.Contains("S1 64K", bench.Text(".way-card.planned"));
        Press("link", "Map");
        bench.Sees(".screen", "208 KiB");
        Press("link", "Build");
        bench.Sees(".steps", "Bank 0: 10 chips of 64Kx1");
        Assert.Contains("Bank 1: 10 chips of 64Kx1", bench.Text(".steps"));
        Assert.True(presses < 12);

        // A larger wish is bought for, and the cupboard says what.
        bench.Go("/jobs/loft-clerk-ledger/memory/chips?target=336K");
        bench.Press("button", "Plan this");
        bench.Sees(".way-card.planned", "Buy 2 x 256Kx1");
        bench.Go("/cupboard");
        bench.Sees("[aria-labelledby=buy-title]", "256Kx1 for Net loft Clerk");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void Two_settings_stand_side_by_side_and_one_press_sets_the_unit()
    {
        using var bench = new Bench();
        bench.Go("/jobs/winch-16c-more/memory/settings");
        bench.Sees(".settings", "Half for the ledger");
        // What video has free once loaded is less where half of the drawer answers apart.
        int Apart() => bench.Text(".settings").Split("980 KiB free").Length;
        int before = Apart();
        Assert.True(before > 1);
        Assert.Contains("does not run", bench.Text("[aria-labelledby=titles-title]"));
        bench.Press("button", "Use Half for the ledger");
        bench.Until(
            () => bench.Text(".settings thead").Contains("as planned") && Apart() > before,
            "the unit stands as the setting says"
        );
        bench.Keys("u");
        bench.Until(() => Apart() == before, "undo sets it back");
        bench.By("textbox", "Name of the present setting").SendKeys("Games" + Keys.Enter);
        bench.Sees(".settings", "Games");
        Assert.Empty(bench.Complaints);
    }
}
