using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>One cabin and one browser for tests that only look.</summary>
public sealed class SharedBench : IDisposable
{
    public Bench Bench { get; } = new();

    public void Dispose() => Bench.Dispose();
}

/// <summary>Every page by the lamp and without it.</summary>
public class LampTests(SharedBench shared) : IClassFixture<SharedBench>
{
    const string Winter = "/jobs/slip-3-winter";

    internal static readonly string[] Paths =
    [
        "/",
        "/units/slip-7",
        "/handbook/memory",
        Winter + "/memory",
        Winter + "/memory?as=table",
        Winter + "/build",
        "/jobs/slip-7-picture/build",
        "/jobs/slip-7-picture/passport",
        Winter + "/bench",
        Winter + "/tray",
        Winter + "/costs",
        Winter + "/faults",
        "/jobs/jetty-disc-direct/faults?net=GND",
        "/jobs/slip-7-picture/label",
        "/rehearsal",
        "/rehearsal?code=slip-3-winter.l5&look=starts",
        "/care",
        "/jobs/dunnock-lamp-voice/identify",
        Winter + "/fit",
        Winter + "/wants?near=true",
        "/jobs/gable-keep-render/speed",
        "/jobs/slip-2-system/rom",
        "/jobs/dunnock-net-device/rom",
        "/jobs/gable-keep-render/rom",
        "/jobs/jetty-disc-direct/wiring?at=2",
        "/jobs/float-disc-cuts/wiring?from=below",
        "/jobs/slip-8-picture/picture-sound",
        "/jobs/granary-ledger-sing/picture-sound",
        "/jobs/tower-keep-room/storage",
        "/jobs/winch-16c-card/storage",
        "/jobs/signal-colour-card/storage?bytes=2M&from=a&to=b",
        "/sheets/parts/changeover",
        "/connectors?source=GND%20-12%20GND%20%2B5&boards=a:%20GND%20n%20n%20%2B5%0Ab:%20GND%20GND%20-12%20%2B5",
        "/connectors?one=GND%20rx%20tx&other=tx%20rx%20GND%20x",
        "/jobs/watch-porthole-sprint/fit",
        Winter + "/memory/settings?solve=true",
        "/jobs/winch-16c-more/baseline",
        "/jobs/ferry-satchel-stack/baseline",
        "/jobs/loft-clerk-ledger/memory/chips",
        "/jobs/ferry-satchel-stack/memory/chips",
        "/jobs/dunnock-lamp-voice/memory/banks",
        "/jobs/dunnock-loft-over/care",
        "/jobs/dunnock-lamp-voice/costs",
        "/jobs/winch-16c-more/memory/settings",
        Winter + "/memory?fault=unseated%20fathom",
        "/tools?chips=4464&sectors=10&bytes=256&files=9",
        "/tools/swaps",
        "/tools/reports",
        "/tools/socket",
        "/tools/legs",
        "/tools/rates",
        "/tools/names",
        "/tools/ratio",
        "/tools?chips=8%20x%2041256-12%0ASN74LS138N%0A74HCT245",
        "/jobs/slip-4-dark/faults",
        "/jobs/slip-10-sevens/baseline",
        "/jobs/keel-disc-pads/wants",
        "/jobs/keel-disc-pads/build",
        "/jobs/keel-disc-pads/card",
        "/jobs/slip-4-dark/ask",
        "/tools/map",
        "/tools/repair",
        "/parts/chanter/assembly",
        "/jobs/float-disc-cuts/build",
        "/tools/chips",
        "/jobs/slip-6-card/places",
        "/jobs/slip-6-card/places/mask",
        "/jobs/counter-exchange-cable/wiring?sent=READY&got=18%2033%2066",
        "/parts/skiff/reports",
        "/parts/fathom",
        "/cupboard/makes",
        "/jobs/slip-5-line/missing",
        "/sheets/parts/new?pattern=part-bank-board",
        "/cupboard",
        "/cupboard?edit=1",
        "/sheets",
        "/sheets/models/brindle-16",
        "/sheets/parts/fathom",
        "/import",
        "/search?q=slip",
        "/jobs/nobody/build",
    ];

    /// <summary>Every other page; the rest stand in a class of their own, which runs beside this one.</summary>
    public static readonly TheoryData<string> Looks = new(Paths.Where((_, i) => i % 2 == 0));

    readonly Bench _bench = shared.Bench;

    [Theory]
    [MemberData(nameof(Looks))]
    public void Axe_finds_nothing(string path) => Look(path);

    /// <summary>Looks at a page by both lamps, on a bench and on a phone, where nothing is wider than the screen.</summary>
    internal void Look(string path)
    {
        _bench.Go(path);
        if (Lamp != "on")
        {
            _bench.Browser.Manage().Cookies.DeleteAllCookies();
            _bench.Browser.Manage().Cookies.AddCookie(new Cookie("cabin-lamp", "on"));
            _bench.Go(path);
        }
        Assert.Equal("on", Lamp);
        _bench.Rest();
        Assert.Empty(_bench.TooWide());
        Assert.Empty(_bench.Violations());
        // Without it nothing but the colours of the same page is different.
        string before = Paper;
        _bench.Browser.ExecuteScript("document.documentElement.dataset.lamp = 'off'");
        _bench.Until(() => Paper != before, "the lamp is off");
        Assert.Empty(_bench.ViolationsOfContrast());
        // On a phone other things lie beside and over each other; all else is as it was.
        _bench.Size(390, 844);
        try
        {
            Assert.Empty(_bench.TooWide());
            Assert.Empty(_bench.ViolationsOfLayout());
            string dark = Paper;
            _bench.Browser.ExecuteScript("document.documentElement.dataset.lamp = 'on'");
            _bench.Until(() => Paper != dark, "the lamp is on");
            Assert.Empty(_bench.ViolationsOfContrast());
        }
        finally
        {
            _bench.Size(1280, 800);
        }
    }

    [Theory]
    [InlineData("light", "Lamp off", "off", "rgb(29, 26, 23)")]
    [InlineData("dark", "Lamp on", "on", "rgb(244, 238, 226)")]
    public void Follows_the_system_until_it_is_chosen(string system, string press, string chosen, string paper)
    {
        _bench.Go("/");
        _bench.Browser.Manage().Cookies.DeleteAllCookies();
        Emulate(system);
        _bench.Go("/");
        Assert.Equal("system", Lamp);
        Assert.NotEqual(paper, Paper);
        Assert.Empty(_bench.Violations());
        _bench.Press("button", press);
        _bench.Until(() => Lamp == chosen, $"the lamp is {chosen}");
        Assert.Equal(paper, Paper);
        _bench.Go("/cupboard");
        Assert.Equal(paper, Paper);
        Emulate("");
    }

    string Lamp => _bench.Browser.FindElement(By.TagName("html")).GetAttribute("data-lamp")!;

    string Paper => (string)_bench.Browser.ExecuteScript("return getComputedStyle(document.body).backgroundColor")!;

    void Emulate(string scheme) =>
        _bench.Browser.ExecuteCdpCommand(
            "Emulation.setEmulatedMedia",
            new Dictionary<string, object?>
            {
                ["features"] = new[]
                {
                    new Dictionary<string, object?> { ["name"] = "prefers-color-scheme", ["value"] = scheme },
                },
            }
        );
}

/// <summary>The other half of the pages.</summary>
public class MoreLampTests(SharedBench shared) : IClassFixture<SharedBench>
{
    public static readonly TheoryData<string> Looks = new(LampTests.Paths.Where((_, i) => i % 2 == 1));

    readonly LampTests _lamp = new(shared);

    [Theory]
    [MemberData(nameof(Looks))]
    public void Axe_finds_nothing(string path) => _lamp.Look(path);
}
