using System.Collections.ObjectModel;

namespace RustCabin.Browser.Tests;

/// <summary>On a phone nothing is wider than the screen; and whatever has the focus is seen to have it.</summary>
public class NarrowTests(SharedBench shared) : IClassFixture<SharedBench>
{
    readonly Bench _bench = shared.Bench;

    void Width(int width) =>
        _bench.Browser.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = 800,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );

    [Theory]
    [InlineData(390)]
    [InlineData(1280)]
    public void No_page_is_wider_than_the_screen(int screen)
    {
        var wide = new List<string>();
        Width(screen);
        foreach (string path in LampTests.Paths)
        {
            _bench.Go(path);
            if (_bench.Browser.ExecuteScript(Wider) is ReadOnlyCollection<object> { Count: > 0 } found)
                wide.Add($"{path}: {string.Join(" | ", found.Take(4))}");
        }
        Width(1280);
        Assert.True(wide.Count == 0, string.Join("\n", wide));
    }

    /// <summary>What sticks out of the page, leaving out what scrolls by itself.</summary>
    const string Wider = """
        const all = document.documentElement.scrollWidth;
        if (all <= innerWidth) return [];
        const rolls = (el) => {
          for (let p = el.parentElement; p && p !== document.body; p = p.parentElement)
            if (["auto", "scroll", "hidden"].includes(getComputedStyle(p).overflowX)) return true;
          return false;
        };
        const out = [...document.querySelectorAll("body *")].filter(el => el.getBoundingClientRect().right > innerWidth + 1 && !rolls(el));
        return [all + " px", ...out.slice(-3).map(el => el.tagName + "." + el.getAttribute("class") + " "
          + Math.round(el.getBoundingClientRect().right) + " " + el.textContent.trim().slice(0, 40))];
        """;

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
