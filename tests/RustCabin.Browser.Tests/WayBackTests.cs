namespace RustCabin.Browser.Tests;

/// <summary>The browser's own way back stands in the queue with the presses, whichever comes first.</summary>
public sealed class WayBackTests
{
    const string Winter = "/jobs/slip-3-winter";

    /// <summary>Answers take so long that what follows is pressed meanwhile.</summary>
    const string Slow = """
        const real = window.fetch;
        window.fetch = async (...asked) => { await new Promise((go) => setTimeout(go, 700)); return real(...asked); };
        """;

    [Fact]
    public void Back_and_a_press_wait_for_each_other()
    {
        using var bench = new Bench();
        bench.Go($"{Winter}/memory");
        bench.Press("link", "Fit");
        bench.Sees("h1", "Fit");
        bench.Browser.ExecuteScript(Slow);
        // A press is on its way when the way back is taken: it is kept, and the page gone back to is the one that stays.
        bench.Browser.ExecuteScript(
            "document.querySelector('.tray form[action*=\"handler=Fix\"] button').click(); history.back();"
        );
        bench.Sees("h1", "Memory");
        bench.Until(() => bench.Browser.Url.EndsWith("/memory", StringComparison.Ordinal), "the address is that of the page");
        bench.Until(() => !bench.Text(".tray").Contains("Two drive"), "what was pressed before is done");

        bench.Press("link", "Fit");
        bench.Sees("h1", "Fit");
        // The way back is on its way when something is pressed: the press comes after it and is not lost.
        bench.Browser.ExecuteScript(
            "history.back(); setTimeout(() => document.querySelector('form[action*=\"handler=Undo\"] button').click(), 150);"
        );
        bench.Sees("h1", "Memory");
        bench.Until(() => bench.Text(".tray").Contains("Two drive"), "what was pressed meanwhile is done");
        Assert.Empty(bench.Complaints);
    }
}
