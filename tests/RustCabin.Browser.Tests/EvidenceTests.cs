using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>What is reached for when the sheet is silent: one path each, on a bench and on a phone.</summary>
public sealed class EvidenceTests
{
    /// <summary>The window of a bench, and that of a phone.</summary>
    public static TheoryData<int, int> Windows() => new() { { 1280, 800 }, { 390, 844 } };

    static void Type(Bench bench, string form, string name, string text)
    {
        IWebElement field = bench.Browser.FindElement(By.CssSelector($"form[action*='handler={form}'] [name={name}]"));
        field.Clear();
        field.SendKeys(text);
    }

    static void Send(Bench bench, string form) =>
        bench.Browser.ExecuteScript(
            "const all = document.querySelectorAll(`form[action*='handler=${arguments[0]}']`);"
                + "all[all.length - 1].requestSubmit()",
            form
        );

    [Theory]
    [MemberData(nameof(Windows))]
    public void A_swap_decides_where_the_fault_is(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/jobs/slip-4-dark/faults");
        bench.Sees(".swap", "Put Osprey system device of Slipway 4 into Slip 5");
        bench.Press("button", "It works");
        bench.Sees("#swaps", "it works");
        // What goes with the part falls behind what stays.
        bench.Until(
            () => !bench.Text(".cause summary").Contains("address line", StringComparison.Ordinal),
            "another cause leads than that of the device itself"
        );
        Assert.Empty(bench.Violations());
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void Starts_are_counted_by_one_key_and_prove_the_mend()
    {
        using var bench = new Bench();
        bench.Go("/jobs/slip-3-winter/baseline");
        bench.Press("button", "It does not start every");
        void Counted(string key, string now)
        {
            bench.Keys(key);
            bench.Sees(".count-starts", now);
        }
        Counted("w", "1 of 1");
        Counted("f", "1 of 2");
        Counted("w", "2 of 3");
        bench.Sees("#counted", "clean starts in a row will prove a mend");
        bench.Sees(".tray", "It does not start every time");
        bench.Press("button", "Undo");
        bench.Sees(".count-starts", "1 of 2");
        Assert.Empty(bench.Violations());
        Assert.Empty(bench.Complaints);
    }

    [Theory]
    [MemberData(nameof(Windows))]
    public void Another_way_is_weighed_against_the_job(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/jobs/keel-disc-pads/wants");
        bench.Sees("#ways", "This job costs least in all.");
        Type(bench, "Way", "name", "leave them on their leads");
        Send(bench, "Way");
        bench.Sees("#ways", "Least in all: leave them on their leads.");
        Type(bench, "Way", "name", "have it mended");
        Type(bench, "Way", "money", "dear");
        Send(bench, "Way");
        bench.Sees("main", "is no number");
        Assert.Empty(bench.Violations());
    }

    [Theory]
    [MemberData(nameof(Windows))]
    public void A_board_finds_its_place_and_its_mask_is_at_true_size(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/jobs/slip-6-card/places");
        bench.Press("button", "Take place 56, 4");
        bench.Sees("main", "56 mm from the left and 4 mm from below");
        Assert.Empty(bench.Violations());
        bench.Press("link", "Print its mask");
        bench.Sees(".mask-sheet", "50 mm");
        // 96 pixels an inch: the board is 62 mm, its frame 12 mm on each side.
        double wide = Convert.ToDouble(
            bench.Browser.ExecuteScript("return document.querySelector('.mask').getBoundingClientRect().width"),
            System.Globalization.CultureInfo.InvariantCulture
        );
        Assert.Equal((62 + 24) * 96 / 25.4, wide, 0.5);
        Assert.Empty(bench.Complaints);
    }

    [Theory]
    [MemberData(nameof(Windows))]
    public void Rubbish_on_a_terminal_is_explained(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/jobs/counter-exchange-cable/wiring");
        bench.Sees("#serial", "2400 bits a second");
        bench.Browser.ExecuteScript("document.querySelector('#serial details:last-of-type').open = true");
        bench.Browser.FindElement(By.CssSelector("#serial [name=sent]")).SendKeys("READY");
        bench.Browser.FindElement(By.CssSelector("#serial [name=got]")).SendKeys("18 33 66 30 06 30 60 30 86 E6" + Keys.Enter);
        bench.Sees("#serial", "1 setting explains it");
        bench.Sees("#serial", "4800 bits a second");
        Assert.Empty(bench.Violations());
    }

    [Theory]
    [MemberData(nameof(Windows))]
    public void Frames_a_second_say_which_size_still_runs(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/jobs/gable-keep-render/speed");
        bench.Sees("#frames", "pixels give 15 frames a second");
        Type(bench, "Rates", "wanted", "60");
        Send(bench, "Rates");
        bench.Sees("#frames", "No size gives 60 frames a second");
        Assert.Empty(bench.Violations());
    }

    [Theory]
    [MemberData(nameof(Windows))]
    public void Reports_of_others_come_onto_the_sheet_and_stand_beside_the_card(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/parts/skiff/reports");
        bench
            .Browser.FindElement(By.CssSelector("textarea[name=reports]"))
            .SendKeys("64 GB; fails; 5.3-drive; the harbour master");
        bench.Press("button", "Add reports");
        bench.Sees("main", "64 GB, firmware 5.3-drive: works 0 of 1 times");
        bench.Go("/jobs/slip-6-card/storage");
        bench.Sees(".reports", "Try first: Harbour Lights.");
        Assert.Empty(bench.Violations());
    }

    [Theory]
    [MemberData(nameof(Windows))]
    public void A_photo_of_the_inside_is_scaled_by_two_taps(int width, int height)
    {
        using var bench = new Bench(width, height);
        bench.Go("/jobs/slip-3-winter/baseline");
        string picture = Path.Combine(Path.GetTempPath(), $"inside-{width}-{Environment.ProcessId}.png");
        File.WriteAllBytes(picture, ((ITakesScreenshot)bench.Browser).GetScreenshot().AsByteArray);
        bench.Browser.FindElement(By.CssSelector("input[type=file]")).SendKeys(picture);
        Send(bench, "Photo");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector(".photos img")).Count == 1, "the photo is kept");
        bench.Go("/jobs/slip-3-winter/places");
        bench.Press("button", "Mark it on a photo");
        bench.Browser.ExecuteScript("document.querySelector(\"a:has(> img[alt^='Mark this photo'])\").click()");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector("img.tapped")).Count == 1, "the photo is there");
        void Tap(int x, int y) =>
            bench.Browser.ExecuteScript(
                """
                const photo = document.querySelector("img.tapped"), box = photo.getBoundingClientRect();
                const scale = box.width / photo.naturalWidth;
                photo.dispatchEvent(new MouseEvent("click", { bubbles: true,
                  clientX: box.left + arguments[0] * scale, clientY: box.top + arguments[1] * scale }));
                """,
                x,
                y
            );
        Tap(20, 300);
        Tap(220, 300);
        Type(bench, "Scale", "length", "100");
        Send(bench, "Scale");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector("form[action*='handler=Mark']")).Count == 1, "it is scaled");
        Tap(20, 320);
        Tap(320, 20);
        Send(bench, "Mark");
        bench.Until(
            () =>
                bench.Browser.FindElement(By.CssSelector("form[action*='handler=Room'] [name=size]")).GetAttribute("value")
                    is "150 x 150",
            "the room is half as many millimetres as pixels"
        );
        File.Delete(picture);
        Assert.Empty(bench.Violations());
    }
}
