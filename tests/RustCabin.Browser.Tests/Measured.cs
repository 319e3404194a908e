using System.Globalization;

namespace RustCabin.Browser.Tests;

/// <summary>What only a browser can measure. Runs only when asked for, by ./cabin bench.</summary>
public sealed class Measured
{
    const double BudgetMs = 45;

    [Fact(Explicit = true)]
    [Trait("Category", "Measured")]
    public void From_a_switch_pressed_to_the_drawing_changed()
    {
        using var bench = new Bench(apart: true);
        bench.Go("/jobs/slip-3-winter/memory");
        bench.Sees("h1", "Memory");
        // Each press is timed in the page itself: from the click to the frame after the screen's text has changed.
        var times = new List<double>();
        for (int i = 0; i < 40; i++)
            times.Add(
                Convert.ToDouble(
                    bench.Browser.ExecuteAsyncScript(
                        """
                        const done = arguments[0], screen = document.querySelector('.screen'), before = screen.textContent,
                            began = performance.now();
                        const watch = new MutationObserver(() => {
                          if (document.querySelector('.screen').textContent === before) return;
                          watch.disconnect();
                          requestAnimationFrame(() => done(performance.now() - began));
                        });
                        watch.observe(document.getElementById('frame'), { subtree: true, childList: true, characterData: true });
                        document.getElementById('switch-fathom-W3').click();
                        """
                    ),
                    CultureInfo.InvariantCulture
                )
            );
        double median = times.Skip(10).Order().ElementAt((times.Count - 10) / 2);
        // A line of the table of ./cabin bench.
        string line = string.Create(
            CultureInfo.InvariantCulture,
            $"{"switch pressed to the drawing changed, median", -52}{$"{median:0.#} ms", 14}{"", 7}"
                + $"{$"{BudgetMs} ms", 14}  {(median <= BudgetMs ? "within" : "OVER")}"
        );
        File.WriteAllText(Environment.GetEnvironmentVariable("CABIN_MEASURED") ?? Path.GetTempFileName(), line + "\n");
    }
}
