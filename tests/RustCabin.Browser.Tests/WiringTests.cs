using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>
/// From an emulator that is planned to a table that agrees, with one wrong beep on purpose: by keyboard, on a phone.
/// </summary>
public sealed class WiringTests
{
    [Fact]
    public void The_pair_at_hand_is_answered_on_the_drawing()
    {
        using var bench = new Bench();
        bench.BuildUpTo("jetty-disc-direct", "probe-wiring");
        bench.Go("/jobs/jetty-disc-direct/wiring");
        bench.Sees("svg.board-map", "Y2.1 to Y2.2 must not beep");
        bench.Press("button", "none, on the board");
        bench.Sees(".probe", "U72.31p");
        bench.Press("button", "beep, on the board");
        bench.Sees(".differs", "U72.31 still on its pad");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void A_table_is_filled_by_keyboard_on_a_phone_and_one_wrong_beep_names_its_cause()
    {
        using var bench = new Bench(width: 390, height: 840);
        bench.BuildUpTo("jetty-disc-direct", "probe-wiring");
        bench.Go("/jobs/jetty-disc-direct/wiring");
        bench.Press("link", "From below");
        bench.Sees("h2#board-title", "from below");
        bench.Sees(".probe", "Y2.1");
        bench.Keys("n");
        bench.Sees(".probe", "U72.31p");
        bench.Keys("b");
        bench.Sees(".differs", "U72.31 still on its pad");
        bench.Keys("n");
        bench.Until(() => bench.Text(".differs").Length == 0, "the reading is mended");
        for (int line = 0; line < 60 && bench.Text(".must").Length > 0; line++)
        {
            string probe = bench.Text(".probe");
            bench.Keys(bench.Text(".must").Contains("not beep") ? "n" : "b");
            bench.Until(() => bench.Text(".probe") != probe, $"the line after {probe}");
        }
        bench.Sees(".probe", "Every reading agrees");
        bench.Sees("h2#board-title", "from below");
        Assert.Empty(bench.Violations());

        // What is done is ticked; then the proof stands, and the power-on gate asks for its reading.
        bench.Press("link", "On with the build");
        bench.Sees("li.step.current", "Fit ");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void In_the_editor_legs_are_pressed_on_their_chip_and_places_on_the_board()
    {
        using var bench = new Bench();
        bench.Go("/sheets/parts/quiver-row");
        string Json() => (string)bench.Browser.ExecuteScript("return document.getElementById('raw').value")!;
        bench.Browser.ExecuteScript("for (const d of document.querySelectorAll('details')) d.open = true");
        void Click(string css) =>
            bench.Browser.ExecuteScript(
                "const el = document.querySelector(arguments[0]); el.scrollIntoView({ block: 'center' });"
                    + "el.dispatchEvent(new MouseEvent('click', { bubbles: true }))",
                css
            );
        Assert.DoesNotContain("32, 33, 34,", Flat(Json()));
        Click("[name='f:ways[0].changes[1].pins'][value='33']");
        bench.Until(() => Flat(Json()).Contains("32, 33, 34,"), "leg 33 is among those that are lifted");

        bench.Browser.ExecuteScript(
            "const el = document.querySelector(\"[name='f:ways[0].changes[5].from']\"); el.scrollIntoView({ block: 'center' }); "
                + "el.focus()"
        );
        Click("svg[data-board='main'] [data-place='V5']");
        bench.Until(() => Flat(Json()).Contains("\"from\": \"V5\", \"to\": \"part:WAKE\""), "the lead begins at V5");
        Assert.Empty(bench.Violations());
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void In_the_editor_the_nets_of_a_chip_stand_at_its_legs_and_things_are_put_where_the_board_is_pressed()
    {
        using var bench = new Bench();
        bench.Go("/sheets/models/exchange");
        string Json() => Flat((string)bench.Browser.ExecuteScript("return document.getElementById('raw').value")!);
        bench.Browser.ExecuteScript("for (const d of document.querySelectorAll('details')) d.open = true");
        IWebElement leg = bench.Browser.FindElement(By.Name("n:chips[0].nets:5"));
        bench.Browser.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", leg);
        leg.SendKeys("rts" + Keys.Tab);
        bench.Until(() => Json().Contains("\"5\": \"rts\""), "leg 5 carries rts");

        bench.Browser.ExecuteScript(
            "const el = document.querySelector(\"[name='f:points[0].at.xMm']\"); el.scrollIntoView({ block: 'center' });"
                + "el.focus();"
                + "const board = document.querySelector(\"svg[data-board='base']\"); const box = board.getBoundingClientRect();"
                + "board.dispatchEvent(new MouseEvent('click', { bubbles: true, clientX: box.left + box.width / 2, "
                + "clientY: box.top + box.height / 2 }))"
        );
        bench.Until(() => !Json().Contains("\"xMm\": 70, \"yMm\": 24"), "the test point lies where the board was pressed");
        Assert.Empty(bench.Complaints);
    }

    static string Flat(string json) => System.Text.RegularExpressions.Regex.Replace(json, @"\s+", " ");
}
