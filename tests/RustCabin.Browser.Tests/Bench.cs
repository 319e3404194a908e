using System.Collections.ObjectModel;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Support.UI;

namespace RustCabin.Browser.Tests;

/// <summary>A person at the bench: real Chromium on a cabin, things found by role and name.</summary>
public sealed class Bench : IDisposable
{
    readonly Chromium _window;

    public ChromeDriver Browser => _window.Driver;
    public ICabin Cabin { get; }

    /// <param name="width">Of the window, in CSS pixels; under 500 it is a phone's.</param>
    /// <param name="height">Of the window, in CSS pixels.</param>
    /// <param name="demo">False: an empty cabin.</param>
    /// <param name="apart">The cabin is a process of its own, which can be killed and measured.</param>
    /// <param name="options">Further options of the application.</param>
    public Bench(int width = 1280, int height = 800, bool demo = true, bool apart = false, params string[] options)
    {
        Cabin = apart ? new CabinProcess(demo, options) : CabinHere.Take(demo, options);
        _window = Browsers.Take();
        _window.Size(width, height);
    }

    /// <summary>Another size of the window, in CSS pixels; under 500 wide it is a phone's.</summary>
    public void Size(int width, int height) => _window.Size(width, height);

    public void Go(string path) => Browser.Navigate().GoToUrl(Cabin.Url + path);

    /// <summary>Waits up to 30 seconds for something to come true.</summary>
    public void Until(Func<bool> holds, string what)
    {
        var wait = new WebDriverWait(Browser, TimeSpan.FromSeconds(30)) { PollingInterval = TimeSpan.FromMilliseconds(30) };
        wait.IgnoreExceptionTypes(
            typeof(StaleElementReferenceException),
            typeof(NoSuchElementException),
            typeof(InvalidOperationException)
        );
        try
        {
            wait.Until(_ => holds());
        }
        catch (WebDriverTimeoutException)
        {
            Assert.Fail($"never came true: {what}; the page says: {Text("body")}");
        }
    }

    /// <summary>The shown element of a role whose accessible name begins so; asked of the browser itself.</summary>
    public IWebElement By(string role, string name)
    {
        IWebElement? found = null;
        Until(() => (found = Named(role, name)) is not null, $"a {role} named \"{name}\"");
        return found!;
    }

    /// <summary>
    /// The first of the shown elements of a role that are named so. It is one question: each is an errand to the browser and
    /// back, and takes far longer than what is done there.
    /// </summary>
    /// <param name="role">As those who listen to a page hear it.</param>
    /// <param name="name">How its accessible name begins.</param>
    /// <param name="inSight">It is brought to the middle of the window.</param>
    IWebElement? Named(string role, string name, bool inSight = false)
    {
        string css = role switch
        {
            "button" => "button, summary",
            "link" => "a",
            "textbox" => "input:not([type=hidden]):not([type=file]), textarea",
            "checkbox" => "[role=checkbox], [type=checkbox]",
            "combobox" => "select",
            _ => $"[role={role}]",
        };
        const string Found = """
            const shown = (el) => el.checkVisibility({ visibilityProperty: true, opacityProperty: true })
              && el.getClientRects().length > 0;
            const plain = (text) => (text || "").replace(/\s+/g, " ");
            const about = (el) => [el.ariaLabel, el.title, el.placeholder, el.textContent,
              ...[...(el.labels || [])].map((l) => l.textContent),
              ...(el.getAttribute("aria-labelledby") || "").split(" ").map((id) => document.getElementById(id)?.textContent)];
            // The browser works out all names of a page to tell one of them: it is asked of those alone that can be meant.
            const found = [...document.querySelectorAll(arguments[0])].find((el) => shown(el)
              && about(el).some((t) => plain(t).includes(arguments[1])) && el.computedName.startsWith(arguments[1]));
            if (arguments[2]) found?.scrollIntoView({ block: "center" });
            return found;
            """;
        return (IWebElement?)Browser.ExecuteScript(Found, css, name, inSight);
    }

    /// <summary>How many presses were made, and fields filled that count themselves here.</summary>
    public int Touches { get; set; }

    /// <summary>Presses it once; what an answer changes under the finger is looked for again.</summary>
    public void Press(string role, string name)
    {
        Touches++;
        Until(
            () =>
            {
                IWebElement? found = Named(role, name, inSight: true);
                found?.Click();
                return found is not null;
            },
            $"a press on the {role} named \"{name}\""
        );
    }

    /// <summary>Waits until the page asks for nothing more: an answer that comes later would lay it out once more.</summary>
    public void Rest() =>
        Until(
            () => Browser.ExecuteScript("return !document.querySelector('[data-again], #frame[aria-busy]')") is true,
            "the page has all its answers"
        );

    public void Keys(string keys) => Browser.SwitchTo().ActiveElement().SendKeys(keys);

    /// <summary>What is read of the first that is meant; nothing where it is not there or not shown.</summary>
    public string Text(string css) =>
        (string)
            Browser.ExecuteScript(
                "const el = document.querySelector(arguments[0]); "
                    + "return el?.checkVisibility() ? (el.innerText ?? el.textContent).trim() : ''",
                css
            )!;

    public void Sees(string css, string text) =>
        Until(() => Text(css).Contains(text, StringComparison.Ordinal), $"\"{text}\" in {css}");

    /// <summary>What the browser complained of since the last time it was asked.</summary>
    public IReadOnlyList<string> Complaints =>
        [.. Browser.Manage().Logs.GetLog(LogType.Browser).Where(l => l.Level >= LogLevel.Warning).Select(l => l.Message)];

    /// <summary>Ticks along a build sheet, cautions read, until a step is at hand; 60 presses at most.</summary>
    public void BuildUpTo(string job, string step)
    {
        Go($"/jobs/{job}/build");
        string Here() =>
            (string?)
                Browser.ExecuteScript(
                    "const li = document.querySelector('li.step[data-current=true]');"
                        + "return li && li.id + ' ' + li.querySelectorAll('.tick-box:not(.ticked)').length"
                )
            ?? "";
        for (int i = 0; i < 60 && !Here().StartsWith($"step-{step} ", StringComparison.Ordinal); i++)
        {
            string before = Here();
            Browser.ExecuteScript(
                "const li = document.querySelector('li.step[data-current=true]');"
                    + "(document.querySelector('li.step form[action*=\"handler=Ready\"] button') ||"
                    + " li.querySelector('.tick-box:not(.ticked)') || li.querySelector('[name=starts]')"
                    + " || li.querySelector('[name=done]')).click()"
            );
            Until(() => Here() != before, $"something was done at {before}");
        }
    }

    /// <summary>Violations that axe finds on the page as it stands: rule, and where.</summary>
    public IReadOnlyList<string> Violations() =>
        Violations("['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']");

    /// <summary>The violations of contrast alone: all else is the same by every lamp.</summary>
    public IReadOnlyList<string> ViolationsOfContrast() => Violations("{ type: 'rule', values: ['color-contrast'] }");

    /// <summary>
    /// The violations of what a window's width changes: sizes of targets, contrast of what lies over what, scrolling.
    /// </summary>
    public IReadOnlyList<string> ViolationsOfLayout() =>
        Violations("{ type: 'rule', values: ['target-size', 'color-contrast', 'scrollable-region-focusable'] }");

    /// <summary>
    /// What sticks out to the right, of the page or of what is inside a panel's margin, leaving out what scrolls by itself.
    /// </summary>
    public IReadOnlyList<string> TooWide() =>
        [.. ((ReadOnlyCollection<object>)Browser.ExecuteScript(Wider)!).Select(found => $"{found}")];

    const string Wider = """
        const rolls = (el) => {
          for (let p = el.parentElement; p && p !== document.body; p = p.parentElement)
            if (["auto", "scroll", "hidden"].includes(getComputedStyle(p).overflowX)) return true;
          return false;
        };
        const told = (el) => el.tagName + "." + el.getAttribute("class") + " " + (el.name || "") + " "
          + Math.round(el.getBoundingClientRect().right) + " " + el.textContent.trim().slice(0, 40);
        const past = (els, edge) => [...els].filter((el) => el.getClientRects().length > 0
          && el.getBoundingClientRect().right > edge + 1 && !rolls(el)).slice(-3).map(told);
        const all = document.documentElement.scrollWidth;
        const page = all > innerWidth ? [all + " px", ...past(document.querySelectorAll("body *"), innerWidth)] : [];
        return page.concat([...document.querySelectorAll(".panel")].flatMap((panel) =>
          past(panel.querySelectorAll("*"),
            panel.getBoundingClientRect().right - parseFloat(getComputedStyle(panel).paddingRight))));
        """;

    static readonly Lazy<string> Axe = new(() => File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "lib", "axe.min.js")));

    IReadOnlyList<string> Violations(string rules)
    {
        if (Browser.ExecuteScript("return !window.axe") is true)
        {
            Browser.ExecuteScript(Axe.Value);
            // The pages that come after bring it along: sending it to each takes a tenth of the time of a look.
            Browser.ExecuteCdpCommand(
                "Page.addScriptToEvaluateOnNewDocument",
                new Dictionary<string, object?> { ["source"] = Axe.Value }
            );
        }
        // Of what passes axe would make selectors too: they are not asked for.
        object result = Browser.ExecuteAsyncScript(
            "const done = arguments[arguments.length - 1]; axe.run(document, "
                + $"{{ runOnly: {rules}, resultTypes: ['violations'] }}).then(r => "
                + "done(r.violations.map(v => v.id + ': ' + "
                + "v.nodes.map(n => n.target.join(' ') + ' ' + n.failureSummary).join(' | '))))"
        )!;
        return [.. ((ReadOnlyCollection<object>)result).Select(v => (string)v)];
    }

    public void Dispose()
    {
        Browsers.GiveBack(_window, Cabin.Url);
        Cabin.Dispose();
    }
}
