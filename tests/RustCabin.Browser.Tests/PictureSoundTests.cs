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
}
