namespace RustCabin.Browser.Tests;

/// <summary>From a planned converter to a standing picture, by hand and by finding it.</summary>
public sealed class PictureSoundTests
{
    [Fact]
    public void A_phase_is_turned_found_and_saved_and_a_moving_screen_refused()
    {
        using var bench = new Bench();
        bench.Go("/jobs/slip-8-picture/picture-sound");
        int Wrong() => int.TryParse(bench.Text("#wrong"), out int wrong) ? wrong : -1;
        bench.Until(() => Wrong() > 200, "at phase 0 it shimmers");
        bench.Browser.ExecuteScript("document.getElementById('moving').click(); document.getElementById('find').click()");
        bench.Sees("#bench-says", "The screen moves");
        bench.Browser.ExecuteScript("document.getElementById('moving').click(); document.getElementById('find').click()");
        bench.Until(() => Wrong() == 0, "it stands still at the phase that is found");
        bench.Browser.ExecuteScript("window.scrollTo(0, 0)");
        Assert.Empty(bench.Violations());
        bench.Press("button", "Save this phase");
        bench.Sees("#bench", "saved: phase");
        bench.Until(() => Wrong() == 0, "and it still stands after the page has changed");
        Assert.Empty(bench.Complaints);
    }

    [Fact]
    public void Two_beeps_on_the_wrong_sides_become_two_leads_on_the_build_sheet()
    {
        using var bench = new Bench();
        bench.Go("/jobs/granary-ledger-sing/picture-sound");
        bench.Press("button", "left alone, heard on right");
        bench.Sees("main", "left");
        bench.Press("button", "right alone, heard on left");
        bench.Sees(".verdict-line", "swapped");
        bench.Sees(".mend-wires", "chanter:U2.7 to chanter:tip");
        Assert.Empty(bench.Violations());
        bench.Press("button", "Add to build sheet");
        bench.Sees("main", "4 acts of wiring");
        bench.Go("/jobs/granary-ledger-sing/build");
        bench.Sees("main", "Run a lead from chanter:U2.7 to chanter:tip");
        Assert.Empty(bench.Complaints);
    }
}
