using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.RegularExpressions;
using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>What goes on paper has its true size there: the page of the PDF, its scale, and what is laid out on it.</summary>
public sealed partial class PrintTests(SharedBench shared) : IClassFixture<SharedBench>
{
    readonly Bench _bench = shared.Bench;

    [GeneratedRegex(@"/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)")]
    private static partial Regex Box { get; }

    [GeneratedRegex(@"^(\.?[\d.]+) 0 0 -(\.?[\d.]+) ")]
    private static partial Regex Scale { get; }

    /// <summary>A page of a PDF: its size in millimetres, and how its drawing is scaled (1: as laid out).</summary>
    sealed record Page(double WideMm, double HighMm);

    (IReadOnlyList<Page> Pages, IReadOnlyList<double> Scales) Printed(string path)
    {
        _bench.Go(path);
        var options = new Dictionary<string, object?>
        {
            ["preferCSSPageSize"] = true,
            ["printBackground"] = true,
            ["paperWidth"] = 8.27,
            ["paperHeight"] = 11.69,
        };
        var answer = (Dictionary<string, object>)_bench.Browser.ExecuteCdpCommand("Page.printToPDF", options)!;
        byte[] pdf = Convert.FromBase64String((string)answer["data"]);
        string text = Encoding.Latin1.GetString(pdf);
        double Mm(string points) => double.Parse(points, CultureInfo.InvariantCulture) / 72 * 25.4;
        return (
            [.. Box.Matches(text).Select(m => new Page(Mm(m.Groups[1].Value), Mm(m.Groups[2].Value)))],
            [
                .. Streams(pdf, text)
                    .Select(s => Scale.Match(s))
                    .Where(m => m.Success)
                    .Select(m => double.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture) / 0.24),
            ]
        );
    }

    /// <summary>The streams of a PDF that are deflated, as text.</summary>
    static IEnumerable<string> Streams(byte[] pdf, string text)
    {
        foreach (Match begin in Regex.Matches(text, @"/Filter\s*/FlateDecode.*?>>\s*stream\r?\n", RegexOptions.Singleline))
        {
            using var inside = new ZLibStream(
                new MemoryStream(pdf, begin.Index + begin.Length, pdf.Length - begin.Index - begin.Length),
                CompressionMode.Decompress
            );
            byte[] read = new byte[64];
            int got = inside.ReadAtLeast(read, read.Length, throwOnEndOfStream: false);
            yield return Encoding.Latin1.GetString(read, 0, got);
        }
    }

    /// <summary>How large something is laid out for print, in millimetres.</summary>
    (double Wide, double High) Laid(string css)
    {
        _bench.Browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "print" });
        var box =
            (IReadOnlyCollection<object>)
                _bench.Browser.ExecuteScript(
                    "const b = document.querySelector(arguments[0]).getBoundingClientRect(); return [b.width, b.height]",
                    css
                )!;
        _bench.Browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "" });
        double[] px = [.. box.Select(b => Convert.ToDouble(b, CultureInfo.InvariantCulture))];
        return (px[0] / 96 * 25.4, px[1] / 96 * 25.4);
    }

    [Theory]
    [InlineData(50, 30)]
    [InlineData(89, 36)]
    public void A_label_fills_its_roll_at_true_size(int wide, int high)
    {
        (IReadOnlyList<Page> pages, IReadOnlyList<double> scales) = Printed($"/jobs/keel-disc-pads/label?roll={wide}");
        Page page = Assert.Single(pages);
        Assert.Equal(wide, page.WideMm, 0.3);
        Assert.Equal(high, page.HighMm, 0.3);
        Assert.All(scales, s => Assert.Equal(1, s, 3));
        Assert.NotEmpty(scales);
        (double laidWide, double laidHigh) = Laid($".label-{wide}");
        Assert.Equal(wide, laidWide, 0.1);
        Assert.Equal(high, laidHigh, 0.1);
    }

    [Fact]
    public void Both_labels_lie_on_one_sheet_at_true_size()
    {
        (IReadOnlyList<Page> pages, IReadOnlyList<double> scales) = Printed("/jobs/keel-disc-pads/label");
        Assert.Equal(210, Assert.Single(pages).WideMm, 0.6);
        Assert.All(scales, s => Assert.Equal(1, s, 3));
        Assert.Equal(89, Laid(".label-89").Wide, 0.1);
    }

    [Fact]
    public void The_tray_has_its_true_size_on_A4()
    {
        (IReadOnlyList<Page> pages, IReadOnlyList<double> scales) = Printed("/jobs/winch-16c-four/tray");
        Assert.All(pages, p => Assert.Equal(297, p.HighMm, 0.6));
        Assert.All(scales, s => Assert.Equal(1, s, 3));
        Assert.NotEmpty(scales);
        Assert.Equal(180, Laid(".tray-drawing").Wide, 0.2);
    }

    [Fact]
    public void A_step_of_the_bench_view_takes_one_sheet_in_letters_that_are_read_at_two_metres()
    {
        (IReadOnlyList<Page> pages, IReadOnlyList<double> scales) = Printed("/jobs/winch-16c-four/bench?step=3");
        Assert.Single(pages);
        Assert.All(scales, s => Assert.Equal(1, s, 3));
        _bench.Browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "print" });
        double size = Convert.ToDouble(
            _bench.Browser.ExecuteScript("return parseFloat(getComputedStyle(document.querySelector('.bench-title')).fontSize)"),
            CultureInfo.InvariantCulture
        );
        bool pressed = _bench.Browser.FindElement(By.CssSelector(".bench-nav")).Displayed;
        _bench.Browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "" });
        // Letters are read at 1/250 of the way: 8 mm at two metres.
        Assert.True(size / 96 * 25.4 >= 8, $"{size} px");
        Assert.False(pressed);
    }

    [Theory]
    [InlineData("/jobs/jetty-disc-direct/build")]
    [InlineData("/jobs/slip-7-picture/build")]
    [InlineData("/jobs/slip-7-picture/passport")]
    [InlineData("/jobs/slip-7-picture/hand-over")]
    [InlineData("/jobs/jetty-disc-direct/wiring")]
    public void On_paper_there_is_nothing_to_press_and_no_example_in_an_empty_field(string path)
    {
        _bench.Go(path);
        _bench.Browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "print" });
        var left =
            (IReadOnlyCollection<object>)
                _bench.Browser.ExecuteScript(
                    "const seen = e => e.getClientRects().length > 0;"
                        + "const presses = [...document.querySelectorAll('button, .btn')].filter(e => seen(e)"
                        + " && !(e.matches('.tick-box') && parseFloat(getComputedStyle(e).fontSize) === 0));"
                        + "const examples = [...document.querySelectorAll('input[placeholder], textarea[placeholder]')]"
                        + ".filter(e => seen(e) && e.placeholder && !e.value && parseFloat(getComputedStyle(e).fontSize) > 0);"
                        + "return [...presses, ...examples].map(e => e.outerHTML.slice(0, 120))"
                )!;
        _bench.Browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = "" });
        Assert.Empty(left);
        // Each sheet bears unit, job and day in its margin.
        Assert.NotNull(_bench.Browser.FindElement(By.CssSelector("link[href$='/paper.css']")));
    }
}
