using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace RustCabin.Browser.Tests;

/// <summary>From "I have a 32 GB card and this machine" to a kit on the card and a clear tray.</summary>
public sealed class StorageTests
{
    [Fact]
    public void A_card_at_hand_is_divided_by_typing_and_dragging_until_the_tray_is_clear()
    {
        using var bench = new Bench();
        bench.Go("/jobs/signal-colour-card/storage");
        bench.Sees(".tray", "44 contacts against 40");
        bench.Press("button", "Add Gangway, 40 to 44");
        bench.Sees(".tray", "all clear");
        bench.Browser.FindElement(By.Name("label")).SendKeys("32 GB" + Keys.Enter);
        bench.Sees(".device", "31,039,946,752 bytes");
        bench.Press("button", "Add partition");
        bench.Sees(".partition-line .got", "1.8 GiB");

        // Too large: the line in the drawing and the words under it say why.
        Type("size", "3G");
        bench.Sees(".told", "is more than the host takes, 1,800 MiB");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector(".partition.wrong")).Count == 1, "it is drawn as wrong");
        Type("size", "900M");
        bench.Until(
            () => bench.Text(".told").Length == 0 && bench.Browser.FindElements(By.CssSelector("[data-grip]")).Count == 1,
            "nothing is wrong any more, and it has a grip"
        );

        // Its end is dragged to the right.
        IWebElement grip = bench.Browser.FindElement(By.CssSelector("[data-grip]"));
        new Actions(bench.Browser).ClickAndHold(grip).MoveByOffset(20, 0).Release().Perform();
        bench.Until(() => Size() is not "900M" && Size().EndsWith('M'), "it was dragged");
        int mib = int.Parse(Size()[..^1]);
        Assert.InRange(mib, 901, 1800);
        bench.Keys("u");
        bench.Until(() => Size() == "900M", "undo takes the drag back");
        // What the fixed head covers half is no fault of the page.
        bench.Browser.ExecuteScript("window.scrollTo(0, 0)");
        Assert.Empty(bench.Violations());

        bench.Press("button", "3");
        bench.Browser.ExecuteScript("for (const d of document.querySelectorAll('details')) d.open = true");
        bench.Browser.FindElement(By.Name("listing")).SendKeys("Bilge/coracle plan\nBilge/who made this\n");
        bench.Press("button", "Check against the kit");
        bench.Sees(".listing", "All of the kit is in its place");
        bench.Sees(".tray", "all clear");
        bench.Browser.ExecuteScript("window.scrollTo(0, 0)");
        Assert.Empty(bench.Violations());
        bench.Press("link", "On with the build");
        bench.Sees("main", "Prepare the 32 GB card");
        Assert.Empty(bench.Complaints);

        void Type(string name, string text)
        {
            IWebElement field = bench.Browser.FindElement(By.CssSelector($".partition-row [name={name}]"));
            // As a person does: all of it marked, and typed over.
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(text + Keys.Tab);
        }
        string Size() =>
            (string)bench.Browser.ExecuteScript("return document.querySelector('.partition-row [name=size]').value")!;
    }

    [Fact]
    public void On_a_phone_the_card_and_its_way_are_all_there()
    {
        using var bench = new Bench(width: 390, height: 840);
        bench.Go("/jobs/winch-16c-card/storage");
        bench.Sees("main", "To type into the machine's own partitioner");
        Assert.True(
            (bool)bench.Browser.ExecuteScript("return document.documentElement.scrollWidth <= window.innerWidth")!,
            "the page is no wider than the phone"
        );
        Assert.Empty(bench.Violations());
        Assert.Empty(bench.Complaints);
    }
}
