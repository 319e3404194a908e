using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>The bench view by keyboard, and a round of rehearsal by keyboard alone.</summary>
public sealed class BuildFaultsTests
{
    [Fact]
    public void The_bench_view_is_turned_timed_and_noted()
    {
        using var bench = new Bench();
        bench.Go("/jobs/slip-3-winter/bench");
        bench.Sees(".bench-title", "Test it untouched");
        bench.Keys(Keys.ArrowRight);
        bench.Until(() => bench.Text(".bench-title").Contains("Lid off"), "the arrow turns to the next step");
        bench.Keys(Keys.ArrowLeft);
        bench.Until(() => bench.Text(".bench-title").Contains("Test it untouched"), "and back");
        // Nothing but the step and what stops it; a pedal and a wipe turn it too.
        Assert.Empty(bench.Browser.FindElements(By.CssSelector(".trail, .tray")));
        bench.Sees(".bench-finding.stop", "Two drive one range");
        bench.Browser.ExecuteScript(
            """
            const at = (x) => new Touch({ identifier: 1, target: document.body, clientX: x, clientY: 300 });
            const send = (kind, what) => document.body.dispatchEvent(new TouchEvent(kind, { bubbles: true, ...what }));
            send("touchstart", { touches: [at(700)] });
            send("touchend", { changedTouches: [at(300)] });
            """
        );
        bench.Until(() => bench.Text(".bench-title").Contains("Lid off"), "a wipe to the left turns to the next step");
        bench.Keys(Keys.PageUp);
        bench.Until(() => bench.Text(".bench-title").Contains("Test it untouched"), "the pedal turns back");
        bench.Browser.ExecuteScript("document.getElementById('timer').click()");
        bench.Until(() => bench.Text("#timer").Contains("stop the timer 0:01"), "the timer runs");
        Assert.Empty(bench.Violations());
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void A_whole_round_is_played_by_keyboard_alone()
    {
        using var bench = new Bench();
        bench.Go("/rehearsal?code=slip-3-winter.l5");
        IWebElement Link(string name) => bench.By("link", name);
        void Enter(IWebElement on)
        {
            bench.Browser.ExecuteScript("arguments[0].focus()", on);
            bench.Keys(Keys.Enter);
        }
        Enter(Link("Switch on: does it start?"));
        bench.Sees(".told", "Switch on");
        Enter(bench.Browser.FindElement(By.CssSelector(".rehearse .choices a")));
        bench.Until(() => bench.Browser.FindElements(By.CssSelector(".told li")).Count == 2, "the second look is told");
        Assert.Empty(bench.Violations());
        bench.Browser.ExecuteScript("document.querySelector('.name-it select').focus()");
        bench.Keys(Keys.ArrowDown);
        bench.Browser.ExecuteScript("document.querySelector('.name-it button').focus()");
        bench.Keys(Keys.Enter);
        bench.Sees(".debrief", "Hidden was");
        Assert.Empty(bench.Violations());
        Enter(Link("Another round"));
        bench.Until(() => bench.Text("#progress").Contains(" of 1 found"), "the round is remembered");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void Trials_are_filled_in_by_keys_and_the_timer_rings()
    {
        using var bench = new Bench();
        bench.Go("/jobs/slip-7-picture/faults");
        foreach (
            (string factor, string level) in ((string, string)[])
                [("card", "small"), ("card", "large"), ("lead", "a"), ("lead", "b")]
        )
        {
            bench.Browser.FindElement(By.CssSelector("#trials [name=factor]")).SendKeys(factor);
            bench.Browser.FindElement(By.CssSelector("#trials [name=level]")).SendKeys(level + Keys.Enter);
            bench.Until(() => bench.Text(".levels").Contains(level), $"{factor} can be {level}");
        }
        IWebElement At() => bench.Browser.SwitchTo().ActiveElement();
        bench.Browser.ExecuteScript("document.querySelector('.try-row select').focus()");
        At().SendKeys(Keys.ArrowDown);
        At().SendKeys(Keys.ArrowRight);
        At().SendKeys(Keys.ArrowDown);
        At().SendKeys("f");
        bench.Until(() => bench.Text(".trials tbody").Contains("large"), "the try is noted");
        Assert.Contains("b", bench.Text(".trials tbody"));
        bench.Until(() => At().TagName == "select", "the first factor is at hand again");
        At().SendKeys(Keys.ArrowUp);
        At().SendKeys("w");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector(".trials tbody tr")).Count == 2, "the other too");
        bench.Sees("#trials", "In every failure and in no success: card large");
        Assert.Empty(bench.Violations());

        bench.Go("/jobs/slip-3-winter/bench");
        bench.Sees(".bench-title", "Test it untouched");
        bench.Browser.ExecuteScript(
            "const b = document.querySelector('.bench').dataset; localStorage.setItem(`timer ${b.job} ${b.step}`, "
                + "JSON.stringify({ before: b.minutes * 60000, since: Date.now() }))"
        );
        bench.Until(() => bench.Browser.FindElements(By.CssSelector("#timer.over")).Count == 1, "the time is over");
        Assert.NotNull(bench.Browser.ExecuteScript("return document.documentElement.dataset.rang"));
        Assert.Empty(bench.Complaints);
    }
}
