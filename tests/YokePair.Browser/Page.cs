using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace YokePair.Browser;

/// <summary>A browser on the app, in the words of the person who uses it.</summary>
public sealed class Page : IDisposable
{
    private readonly Browser browser;
    private readonly Site site;
    private string? clock;

    public Page(Site site, int width = 1280, int height = 800, bool touch = false, string theme = "table")
    {
        this.site = site;
        browser = Browser.Take(width, height, touch);
        Key = site.IsShared ? site.AnotherWedding() : Site.Wedding;
        Driver.Navigate().GoToUrl(new Uri(site.Address, "/mark.svg"));
        Driver.ExecuteScript("localStorage.setItem('theme', arguments[0])", theme);
    }

    public ChromeDriver Driver => browser.Driver;

    /// <summary>Key of the wedding this page works on, in a shared server one of its own; in paths it goes by the demo's.</summary>
    public string Key { get; }

    public Page Open(string path)
    {
        Driver.Navigate().GoToUrl(new Uri(site.Address, path.Replace($"/{Site.Wedding}/", $"/{Key}/", StringComparison.Ordinal)));
        return this;
    }

    /// <summary>Sets the clock of the device from the next document on, as it will be on the day; it runs on from there.</summary>
    public Page At(string time)
    {
        var script = $$"""
            (() => {
              const Real = Date, by = new Real("{{time}}").getTime() - Real.now();
              globalThis.Date = class extends Real {
                constructor(...said) { if (said.length > 0) super(...said); else super(Real.now() + by); }
                static now() { return Real.now() + by; }
              };
            })();
            """;
        var kept = Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = script });
        clock = ((Dictionary<string, object?>)kept!)["identifier"] as string;
        return this;
    }

    public static string Wedding => $"/{Site.Wedding}/day";

    public string Verdict => Text("[data-testid=verdict]");

    public string Path => new Uri(Driver.Url).PathAndQuery.Replace($"/{Key}/", $"/{Site.Wedding}/", StringComparison.Ordinal);

    /// <summary>What the thing in focus says it is.</summary>
    public string Focus => (string)Driver.ExecuteScript("return document.activeElement.textContent")!;

    public string Text(string css) => Find(css).Text;

    public IWebElement Find(string css) => Until(() => Driver.FindElements(By.CssSelector(css)).FirstOrDefault(e => e.Displayed), $"something at {css}");

    public bool Has(string css) => Driver.FindElements(By.CssSelector(css)).Count > 0;

    public IWebElement Need(string id) => Find($"[data-need='{id}']");

    public int Strands(string need) => int.Parse(Need(need).GetAttribute("data-strands")!, System.Globalization.CultureInfo.InvariantCulture);

    public IWebElement Thing(string id, string named = "item") => Find($"[data-{named}='{id}']");

    public IWebElement Hand(string part, string person, string position) => Find($"[data-hand='{part}/{person}/{position}']");

    public IWebElement Button(string text) => Saying("button, a, label", text);

    /// <summary>An entry of an open menu.</summary>
    public IWebElement Choice(string text) => Saying("[role=menuitem]", text);

    private IWebElement Saying(string css, string text) =>
        Until(() => Driver.FindElements(By.CssSelector(css)).FirstOrDefault(b => b.Displayed && b.Text.Contains(text, StringComparison.Ordinal)),
            $"{css} that says {text}");

    public void VerdictBecomes(string start) => Until(() => Verdict.StartsWith(start, StringComparison.Ordinal) ? true : (bool?)null,
        $"a verdict that starts: {start}");

    public void Until(Func<bool> happened, string what) => Until(() => happened() ? true : (bool?)null, what);

    public Actions Hands => new(Driver);

    /// <summary>Chooses from a list by value, once it is there to be chosen.</summary>
    public void Choose(string list, string value) => Until(() =>
    {
        if (Driver.FindElements(By.CssSelector(list)).FirstOrDefault()?.FindElements(By.CssSelector($"option[value='{value}']"))
            .FirstOrDefault() is not { } option) return false;
        option.Click();
        return true;
    }, $"{value} to choose in {list}");

    /// <summary>Presses keys wherever the focus is.</summary>
    public void Press(params string[] keys)
    {
        foreach (var key in keys) Hands.SendKeys(key).Perform();
    }

    public void PressWithControl(string key, bool shift = false)
    {
        var hands = Hands.KeyDown(Keys.Control);
        if (shift) hands = hands.KeyDown(Keys.Shift);
        hands = hands.SendKeys(key);
        if (shift) hands = hands.KeyUp(Keys.Shift);
        hands.KeyUp(Keys.Control).Perform();
    }

    /// <summary>Tabs until the focus is on something; never more than a person would.</summary>
    public void TabTo(string css, int atMost = 150)
    {
        for (var i = 0; i < atMost; i++)
        {
            if (Driver.SwitchTo().ActiveElement() is { } at && (bool)Driver.ExecuteScript("return arguments[0].matches(arguments[1])", at, css)!) return;
            Press(Keys.Tab);
        }
        throw new InvalidOperationException($"Tab never reaches {css}");
    }

    /// <summary>Drags as a hand does: once both lie still, and lets go when the page, which scrolls near its edges, has come to rest under it.</summary>
    public void Drag(IWebElement what, IWebElement onto)
    {
        Rest(what);
        Rest(onto);
        Hands.MoveToElement(what).ClickAndHold().MoveByOffset(0, -12).MoveToElement(onto, 0, -4).MoveToElement(onto).Perform();
        Rest(onto);
        Hands.MoveToElement(onto, 0, -4).MoveToElement(onto).Perform();
        Rest(onto);
        Hands.Release().Perform();
    }

    private void Rest(IWebElement thing)
    {
        var (at, still) = (Where(), 0);
        Until(() =>
        {
            Thread.Sleep(60);
            var now = Where();
            (at, still) = (now, now == at ? still + 1 : 0);
            return still == 3;
        }, "the page at rest");

        string Where() => (string)Driver.ExecuteScript("const r = arguments[0].getBoundingClientRect(); return r.left + ' ' + r.top", thing)!;
    }

    /// <summary>Serious and critical findings of the accessibility checker, one line each.</summary>
    public IReadOnlyList<string> AccessibilityFindings()
    {
        Driver.ExecuteScript(File.ReadAllText(System.IO.Path.Combine(Site.Root, "web/node_modules/axe-core/axe.min.js")));
        var json = (string)Driver.ExecuteAsyncScript("""
            const done = arguments[arguments.length - 1];
            axe.run(document).then(r => done(JSON.stringify(r.violations
              .filter(v => ["serious", "critical"].includes(v.impact))
              .flatMap(v => v.nodes.map(n => v.id + ": " + n.html.slice(0, 160))))));
            """)!;
        return JsonSerializer.Deserialize<string[]>(json)!;
    }

    /// <summary>What the browser complained of, refused requests that a test asked for left out.</summary>
    public IReadOnlyList<string> Complaints() =>
        [.. Driver.Manage().Logs.GetLog(LogType.Browser).Select(l => l.Message)
            .Where(m => !m.Contains("the server responded with a status of 4", StringComparison.Ordinal))];

    public void Picture(string file) => Driver.GetScreenshot().SaveAsFile(file);

    public void Dispose()
    {
        if (clock is not null) Driver.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", new() { ["identifier"] = clock });
        browser.GiveBack(site.Address);
    }

    /// <summary>Waits for something to be found.</summary>
    public T Until<T>(Func<T?> found, string what)
    {
        // A machine three times as slow, with a search of the solver's to be waited for.
        var giveUp = DateTime.UtcNow.AddSeconds(60);
        for (var pause = 20; ; pause = Math.Min(pause * 3 / 2, 250))
        {
            try
            {
                if (found() is { } result) return result;
            }
            catch (StaleElementReferenceException)
            {
                // Drawn anew between finding and asking; look again.
            }
            if (DateTime.UtcNow > giveUp) throw new TimeoutException(
                $"There never was {what}. The page says: {Driver.FindElement(By.TagName("body")).Text.ReplaceLineEndings(" / ")}");
            // Asking takes the page's time: less and less often.
            Thread.Sleep(pause);
        }
    }
}
