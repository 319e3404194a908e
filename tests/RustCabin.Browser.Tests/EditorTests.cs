using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>
/// A machine that nobody has described, made from an empty page without touching JSON, and a unit and a part of it through the
/// stations.
/// </summary>
public sealed class EditorTests
{
    /// <summary>Types into a field of the editor by its place on the sheet, and waits until the sheet has it.</summary>
    internal static void Fill(Bench bench, string path, string text)
    {
        const string Field = """
            const field = document.getElementById(arguments[0]);
            for (let d = field?.closest("details"); d; d = d.parentElement.closest("details")) d.open = true;
            field?.scrollIntoView({ block: "center" });
            return field;
            """;
        const string Taken = """
            const field = document.getElementById(arguments[0]);
            return field && (arguments[2] || field.getAttribute("value") === arguments[1])
              && !document.getElementById("frame").hasAttribute("aria-busy");
            """;
        bench.Touches++;
        IWebElement? field = null;
        string id = $"f-{path}";
        bench.Until(() => (field = (IWebElement?)bench.Browser.ExecuteScript(Field, id)) is not null, $"a field {path}");
        bool choose = field!.TagName == "select";
        if (choose)
            field.FindElement(By.CssSelector($"option[value='{text}']")).Click();
        else
            field.SendKeys(Keys.Control + "a" + Keys.Null + text + Keys.Tab);
        bench.Until(() => bench.Browser.ExecuteScript(Taken, id, text, choose) is true, $"{path} is {text}");
    }

    /// <summary>A table of addresses as a manual prints it.</summary>
    const string Addresses = """
        Address table
        from  to    use
        0000  3FFF  main RAM
        4000  5FFF  bank window
        6000  A7FF  free
        A800  CFFF  monitor ROM
        D000  D01F  I/O ports
        """;

    /// <summary>A table of jumpers as the leaflet of a board prints it.</summary>
    const string Jumpers = """
        Setting of W7
        W7 open: 8K at 6000h
        W7 closed: 8K at D800h
        """;

    [Fact]
    public void A_machine_nobody_described_and_a_board_for_it_in_under_forty_presses_and_fields()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/");
        bench.Press("link", "Sheets");
        bench.Press("link", "8-bit");
        Fill(bench, "name", "Tern");
        Paste(bench, "claims", Addresses, "Put these in place");
        bench.Sees(".drawn-map", "free");

        // The register of the window is a press into the gap above the ports; nothing is typed of it.
        bench.Press("button", "register at D020");
        bench.Until(() => Json(bench).Contains("\"register\":\"register\""), "the window has its register");
        Fill(bench, "claims[1].window.banks", "8");

        // The window is on the second board only.
        bench.Press("button", "Add a board");
        Fill(bench, "revisions[0].name", "Tern early");
        Fill(bench, "revisions[1].name", "Tern late");
        bench.Press("checkbox", "bank window on Tern early");
        bench.Until(() => Json(bench).Contains("\"revisions\":[\"revision-1\"]"), "the window is on the late board only");

        // What tells them apart.
        bench.Press("button", "a clue");
        Fill(bench, "clues[0].ask", "the label beside the socket");
        Clue(bench, 0, "white", "Tern early");
        Clue(bench, 1, "none", "Tern late");

        // A jumper of its own board switches the ROM.
        bench.Press("button", "a switch");
        Fill(bench, "switches[0].id", "W3");
        Fill(bench, "switches[0].positions", "on, off");
        bench.Browser.ExecuteScript("document.querySelectorAll('.drawn-map details').forEach(d => d.open = true)");
        bench.Touches++;
        Choose(bench, "[name='w:claims[2].when']", "W3=on");
        Assert.Empty(bench.Violations());
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");
        Assert.Contains("\"rails\"", Json(bench));
        Assert.Contains("\"count\":4,\"where\":\"underside\"", Json(bench));

        bench.Press("link", "Sheets");
        bench.Press("button", "Or a part");
        bench.Press("link", "memory board");
        Fill(bench, "name", "Egg board");
        Paste(bench, "switches", Jumpers, "Put these in place");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");

        // The machine counts what is there, and the board answers in the gap.
        bench.Sees(".screen", "14 KiB");
        bench.Sees(".ladder", "8 KiB");
        Assert.Contains("6000", bench.Text(".ladder"));
        Assert.Empty(bench.Complaints);
        Assert.InRange(bench.Touches, 20, 39);
        Assert.DoesNotContain(bench.Browser.FindElements(By.CssSelector("input")), i => i.GetDomAttribute("name") == "f:id");
    }

    /// <summary>Ten acts, as a person wrote them down.</summary>
    const string TenActs = """
        Lift pins 12, 13 and 14 of U72
        Lift pin 40 of U72
        Run a red wire from U72.12 to pad A, 40 mm
        Run a wire from U72.13 to pad B, 42 mm
        Run a wire from U72.14 to pad C, 44 mm
        Wire U72.40 to pad BEAT, blue, 7 cm
        Remove R14
        Bridge L2
        Connect TP3 to pad WAKE
        Socket U9
        """;

    [Fact]
    public void A_console_and_a_drive_emulator_from_a_guide_in_under_forty_presses_to_the_continuity_table()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/");
        bench.Press("link", "Sheets");
        bench.Press("link", "console");
        Fill(bench, "name", "Gull");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");
        bench.Press("link", "put a unit");
        Fill(bench, "name", "Slip Gull");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "It is on the shelf");

        bench.Press("link", "Sheets");
        bench.Press("button", "Or a part");
        bench.Press("link", "card adapter");
        Fill(bench, "name", "Petrel");
        Paste(bench, "ways[0].changes", TenActs, "Take these");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");
        Assert.Contains("\"do\":\"lift\",\"chip\":\"U72\",\"pins\":[12,13,14]", Json(bench));

        bench.Press("link", "Which units take it");
        bench.Press("button", "Begin");
        bench.Sees("h1", "Fit");
        bench.Press("link", "Wiring");
        bench.Sees("h1", "Wiring");
        // The leg that was lifted and led to the first pad.
        bench.Until(
            () => bench.Text("main").Contains("U72.12") && bench.Text("main").Contains("U72.12p"),
            "the readings of the first lift"
        );
        Assert.Empty(bench.Complaints);
        Assert.InRange(bench.Touches, 15, 39);
    }

    /// <summary>The unit of a machine that was described, with its own jumper at the station Memory.</summary>
    [Fact]
    public void The_jumper_of_a_machines_own_board_is_set_at_memory()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/sheets/models/new?pattern=8-bit");
        Fill(bench, "name", "Tern");
        bench.Press("button", "a switch");
        Fill(bench, "switches[0].id", "W3");
        Fill(bench, "switches[0].positions", "on, off");
        bench.Browser.ExecuteScript("document.querySelectorAll('.drawn-map details').forEach(d => d.open = true)");
        Choose(bench, "[name='w:claims[0].when']", "W3=on");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "Saved");
        bench.Go("/sheets/units/new?model=tern");
        Fill(bench, "name", "Slip Tern");
        bench.Press("button", "Save the sheet");
        bench.Sees(".saved", "It is on the shelf");
        bench.Go("/");
        bench.Press("button", "Begin a job for Slip Tern");
        bench.Sees("h1", "Memory");
        bench.Sees(".boards", "Mainboard");
        bench.Sees(".screen", "14 KiB");
        bench.Press("button", "W3");
        bench.Until(() => !bench.Text(".screen").Contains("14 KiB"), "the memory is gone with its jumper");
        bench.Press("button", "Undo");
        bench.Sees(".screen", "14 KiB");
        Assert.Empty(bench.Complaints);
    }

    /// <summary>The upper edge of a place is dragged: the size that comes of it is on the sheet, and an undo brings the other
    /// back.</summary>
    [Fact]
    public void A_place_of_the_map_is_dragged_larger()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/sheets/models/new?pattern=8-bit");
        Fill(bench, "name", "Tern");
        IWebElement edge = bench.Browser.FindElement(By.CssSelector("[data-edge='claims[2]']"));
        bench.Browser.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", edge);
        int high = bench.Browser.FindElement(By.Id("item-claims[2]")).Size.Height;
        new OpenQA.Selenium.Interactions.Actions(bench.Browser).ClickAndHold(edge).MoveByOffset(0, -high / 2).Release().Perform();
        bench.Until(() => Json(bench).Contains("\"size\":\"15K\"") || Json(bench).Contains("\"size\":\"16K\""), "it has grown");
        bench.Press("button", "Undo");
        bench.Until(() => Json(bench).Contains("\"size\":\"10K\""), "it is as it was");
        Assert.Empty(bench.Complaints);
    }

    /// <summary>A chip is put where the outline of the board is pressed.</summary>
    [Fact]
    public void A_chip_is_put_on_the_board_by_pressing_it()
    {
        using var bench = new Bench(demo: false);
        bench.Go("/sheets/models/new?pattern=8-bit");
        Fill(bench, "name", "Tern");
        bench.Press("button", "a board");
        Fill(bench, "boards[0].widthMm", "200");
        Fill(bench, "boards[0].heightMm", "120");
        bench.Until(() => bench.Browser.FindElements(By.CssSelector("svg[data-board]")).Count == 1, "the board is drawn");
        bench.Rest();
        LayPhoto(bench);
        bench.Press("button", "Put a chip");
        IWebElement board = bench.Browser.FindElement(By.CssSelector("svg[data-board]"));
        bench.Browser.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", board);
        new OpenQA.Selenium.Interactions.Actions(bench.Browser).MoveToElement(board).Click().Perform();
        bench.Until(() => Json(bench).Contains("\"id\":\"U1\",\"package\":\"DIP-14\""), "a chip is on the board");
        bench.Press("button", "Undo");
        bench.Until(() => !Json(bench).Contains("\"id\":\"U1\""), "it is gone");
        Assert.Single(bench.Browser.FindElements(By.CssSelector(".board-photo")));
        Assert.Empty(bench.Complaints);
    }

    /// <summary>A photo, taken askew, is laid under the outline by two taps; its corners lie on those of the board.</summary>
    static void LayPhoto(Bench bench)
    {
        string picture = Path.Combine(Path.GetTempPath(), $"board-{Environment.ProcessId}.png");
        File.WriteAllBytes(picture, ((ITakesScreenshot)bench.Browser).GetScreenshot().AsByteArray);
        bench.Browser.FindElement(By.CssSelector("input[data-under]")).SendKeys(picture);
        // A finger is at a whole pixel of the screen.
        const string Tap = """
            const photo = document.querySelector("img[data-corners]"), box = photo.getBoundingClientRect(),
              scale = box.width / photo.naturalWidth,
              [x, y] = [box.left + arguments[0] * scale, box.top + arguments[1] * scale].map(Math.round);
            (window.taps ??= []).push([(x - box.left) / scale, (y - box.top) / scale]);
            photo.dispatchEvent(new MouseEvent("click", { bubbles: true, clientX: x, clientY: y }));
            """;
        bench.Sees(".photo-under", "Tap the board's upper left corner");
        bench.Browser.ExecuteScript(Tap, 300, 90);
        bench.Sees(".photo-under", "Tap its lower right corner");
        bench.Browser.ExecuteScript(Tap, 420, 500);
        bench.Sees(".photo-under", "It lies under the outline");
        const string Apart = """
            const svg = document.querySelector("svg[data-board]"), m = svg.querySelector(".board-photo").getCTM(),
              ground = svg.querySelector(".board-ground"), b = ground.getBBox(), g = ground.getCTM();
            const far = (x, y, gx, gy) => {
              const one = new DOMPoint(x, y).matrixTransform(m), other = new DOMPoint(gx, gy).matrixTransform(g);
              return Math.hypot(one.x - other.x, one.y - other.y);
            };
            return Math.max(far(...taps[0], b.x, b.y), far(...taps[1], b.x + b.width, b.y + b.height));
            """;
        Assert.InRange(Convert.ToDouble(bench.Browser.ExecuteScript(Apart)), 0, 1.5);
        File.Delete(picture);
    }

    /// <summary>The sheet as the pane of JSON has it, without blanks.</summary>
    internal static string Json(Bench bench) =>
        bench.Browser.FindElement(By.Id("raw")).GetDomProperty("value")!.Replace(" ", "").Replace("\n", "");

    /// <summary>Pastes a text into a list of the sheet, reads it, and takes what was read.</summary>
    static void Paste(Bench bench, string list, string text, string take)
    {
        bench.Browser.ExecuteScript(
            "document.getElementById(arguments[0])?.closest('details.section')?.setAttribute('open', '')",
            $"paste-{list}"
        );
        bench.Press("button", $"Paste {(list == "claims" ? "an address map" : list == "switches" ? "switches" : "a guide")}");
        bench.Touches++;
        bench.Browser.ExecuteScript(
            "const t = document.querySelector(arguments[0]); t.value = arguments[1]",
            $"textarea[name='p:{list}']",
            text
        );
        bench.Press("button", "Read text");
        bench.Until(
            () => bench.Browser.FindElements(By.CssSelector($"[id='paste-{list}'] .lines li")).Count > 0,
            "what was read"
        );
        bench.Press("button", take);
        bench.Until(() => bench.Browser.FindElements(By.CssSelector($"[id='paste-{list}'] .lines li")).Count == 0, "it is taken");
    }

    static void Choose(Bench bench, string css, string value)
    {
        bench.Browser.ExecuteScript(
            "const s = document.querySelector(arguments[0]); s.value = arguments[1]; "
                + "s.dispatchEvent(new Event('change', { bubbles: true }))",
            css,
            value
        );
        bench.Until(() => Json(bench).Contains($"\"when\":{{\"{value.Replace("=", "\":\"")}\"}}"), $"{css} is {value}");
    }

    /// <summary>A row of the last clue: what it shows, and the board that it speaks for.</summary>
    static void Clue(Bench bench, int row, string shows, string board)
    {
        bench.Touches++;
        IWebElement field = bench.By("textbox", $"What it may show, {row + 1}");
        bench.Browser.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", field);
        field.SendKeys(shows + Keys.Tab);
        bench.Until(() => Json(bench).Contains($"\"{shows}\""), $"{shows} is on the sheet");
        bench.Press("checkbox", $"{shows} speaks for {board}");
        bench.Until(() => bench.By("checkbox", $"{shows} speaks for {board}").Selected, "it is ticked");
        bench.Rest();
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
}
