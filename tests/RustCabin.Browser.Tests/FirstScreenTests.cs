using System.Globalization;

namespace RustCabin.Browser.Tests;

/// <summary>What a person comes to a page for stands in its first screen, at a bench's width and on a phone.</summary>
public class FirstScreenTests(SharedBench shared) : IClassFixture<SharedBench>
{
    /// <summary>So many pixels of it are seen at least.</summary>
    const double Seen = 40;

    [Theory]
    [InlineData("/", ".unit-row a.btn")]
    [InlineData("/units/slip-7", "[aria-labelledby=jobs-title] a")]
    [InlineData("/jobs/dunnock-lamp-voice/identify", "[aria-labelledby=pull-title] svg")]
    [InlineData("/jobs/winch-16c-more/baseline", "[aria-labelledby=shows-title] table")]
    [InlineData("/jobs/granary-ledger-sing/wants", "[aria-labelledby=wants-title] svg")]
    [InlineData("/jobs/watch-porthole-sprint/fit", "[aria-labelledby=matrix-title] table")]
    [InlineData("/jobs/slip-3-winter/memory", "svg.ladder")]
    [InlineData("/jobs/slip-2-system/rom", "[aria-labelledby=device-title] svg")]
    [InlineData("/jobs/gable-keep-render/speed", "[aria-labelledby=forecast-title] svg")]
    [InlineData("/jobs/chandlery-colour-card/storage", ".device svg")]
    [InlineData("/jobs/slip-8-picture/picture-sound", "[aria-labelledby=line-title] svg")]
    [InlineData("/jobs/jetty-disc-direct/wiring", "svg.board-map")]
    [InlineData("/jobs/slip-7-picture/build", "li.step[data-current] h2")]
    [InlineData("/jobs/slip-7-picture/bench", ".bench-details")]
    [InlineData("/jobs/slip-4-dark/faults", ".next-look")]
    [InlineData("/jobs/slip-7-picture/passport", ".sites-panel svg")]
    public void What_is_needed_first_is_seen_first(string path, string css)
    {
        foreach ((int width, int height) in ((int, int)[])[(1280, 800), (390, 844)])
        {
            shared.Bench.Size(width, height);
            shared.Bench.Go(path);
            double top = Convert.ToDouble(
                shared.Bench.Browser.ExecuteScript(
                    "return document.querySelector(arguments[0]).getBoundingClientRect().top",
                    css
                ),
                CultureInfo.InvariantCulture
            );
            Assert.True(top < height - Seen, $"{path} at {width}x{height}: {css} begins at {top:0}");
        }
        shared.Bench.Size(1280, 800);
    }
}
