using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

[assembly: AssemblyFixture(typeof(RustCabin.Browser.Tests.Browsers))]

namespace RustCabin.Browser.Tests;

/// <summary>
/// The browsers of a run: one for each test that runs at a time. Each test gets a window that knows nothing of those before it:
/// no cookie, no size, no lamp, no page.
/// </summary>
public sealed class Browsers : IDisposable
{
    static readonly ConcurrentBag<Chromium> Free = [];

    internal static Chromium Take() => Free.TryTake(out Chromium? found) ? found : new Chromium();

    /// <summary>What cannot be made clean any more is closed.</summary>
    internal static void GiveBack(Chromium browser, string cabin)
    {
        try
        {
            browser.Clean(cabin);
            Free.Add(browser);
        }
        catch (WebDriverException)
        {
            browser.Dispose();
        }
    }

    public void Dispose()
    {
        while (Free.TryTake(out Chromium? browser))
            browser.Dispose();
        CabinHere.CloseAll();
    }
}

/// <summary>
/// Chromium as Debian builds it for use without a screen: it draws the same pages, and its own process takes a quarter of the
/// work. The driver gives it a folder of its own.
/// </summary>
public sealed class Chromium : IDisposable
{
    /// <summary>Of Debian's package chromium-headless-shell.</summary>
    const string Shell = "/usr/lib/chromium/chromium-headless-shell";

    public ChromeDriver Driver { get; }

    public Chromium()
    {
        var options = new ChromeOptions { BinaryLocation = Shell };
        options.AddArguments(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-extensions",
            // An element tells its own name, as those who listen to a page hear it.
            "--enable-blink-features=ComputedAccessibilityInfo",
            // What fades from colour to colour has not its own colour yet when it is looked at.
            "--force-prefers-reduced-motion",
            "--hide-scrollbars",
            "--window-size=1280,800"
        );
        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        var service = ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver");
        service.HideCommandPromptWindow = true;
        Driver = new ChromeDriver(service, options, TimeSpan.FromSeconds(150));
        // The checks of a long page take their time on a machine that does other things too; the default is 30 seconds.
        Driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(120);
    }

    /// <summary>
    /// The window's frame would take from its height, and a headless window may not be narrower than 500: the page is told
    /// its size.
    /// </summary>
    public void Size(int width, int height)
    {
        // A window that is not in front has no focus to show.
        Driver.ExecuteCdpCommand("Emulation.setFocusEmulationEnabled", new Dictionary<string, object?> { ["enabled"] = true });
        Driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = width < 500,
            }
        );
    }

    /// <summary>As it was before its first page: a new window, and nothing kept.</summary>
    /// <param name="cabin">Where its pages came from: whatever of them is kept is given up.</param>
    public void Clean(string cabin)
    {
        Driver.SwitchTo().NewWindow(WindowType.Tab);
        string fresh = Driver.CurrentWindowHandle;
        foreach (string window in Driver.WindowHandles.Where(w => w != fresh))
        {
            Driver.SwitchTo().Window(window);
            Driver.Close();
        }
        Driver.SwitchTo().Window(fresh);
        Driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
        Driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
        Driver.ExecuteCdpCommand(
            "Storage.clearDataForOrigin",
            new Dictionary<string, object?> { ["origin"] = cabin, ["storageTypes"] = "all" }
        );
        Driver.Manage().Logs.GetLog(LogType.Browser);
    }

    public void Dispose() => Driver.Dispose();
}
