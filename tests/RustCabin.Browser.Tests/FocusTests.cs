using System.Collections.ObjectModel;

namespace RustCabin.Browser.Tests;

/// <summary>Whatever has the focus is seen to have it.</summary>
public class FocusTests(SharedBench shared) : IClassFixture<SharedBench>
{
    readonly Bench _bench = shared.Bench;

    [Theory]
    [InlineData("/jobs/slip-3-winter/memory")]
    [InlineData("/jobs/slip-3-winter/build")]
    [InlineData("/jobs/slip-2-system/rom")]
    [InlineData("/sheets/models/brindle-16")]
    [InlineData("/cupboard")]
    [InlineData("/")]
    public void Whatever_has_the_focus_is_seen_to_have_it(string path)
    {
        _bench.Go(path);
        var unseen = (ReadOnlyCollection<object>)_bench.Browser.ExecuteScript(Unseen)!;
        Assert.Empty(unseen);
    }

    const string Unseen = """
        document.querySelectorAll("details").forEach(d => d.open = true);
        return [...document.querySelectorAll("a[href], button, input:not([type=hidden]), select, textarea, summary")]
          .filter(el => !el.disabled && el.checkVisibility() && el.getClientRects().length)
          .filter(el => {
            el.focus({ focusVisible: true });
            if (document.activeElement !== el) return false;
            const s = getComputedStyle(el), cell = el.querySelector?.(".cell, .contested");
            return !(s.outlineStyle !== "none" && parseFloat(s.outlineWidth) >= 2)
              && !(cell && parseFloat(getComputedStyle(cell).strokeWidth) >= 3);
          }).slice(0, 6).map(el => el.outerHTML.slice(0, 120));
        """;
}
