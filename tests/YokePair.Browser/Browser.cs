using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Chromium;

namespace YokePair.Browser;

/// <summary>A browser of one shape. Starting one takes longer than many a story, so one that is done with waits for the next story, with nothing left in
/// it.</summary>
internal sealed class Browser : IDisposable
{
    private static readonly ConcurrentDictionary<Shape, ConcurrentBag<Browser>> Idle = new();

    private readonly string profile = Directory.CreateTempSubdirectory("yoke-profile-").FullName;
    private readonly Shape shape;

    static Browser() => AppDomain.CurrentDomain.ProcessExit += (_, _) =>
    {
        foreach (var browser in Idle.Values.SelectMany(b => b)) browser.Dispose();
    };

    private Browser(Shape shape)
    {
        this.shape = shape;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
            "--disable-component-update", "--disable-sync", "--hide-scrollbars", $"--user-data-dir={profile}", $"--window-size={shape.Width},{shape.Height}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.Severe);
        if (shape.Touch) options.EnableMobileEmulation(new ChromiumMobileEmulationDeviceSettings
        {
            Width = shape.Width,
            Height = shape.Height,
            PixelRatio = 1,
            EnableTouchEvents = true,
            UserAgent = "Mozilla/5.0 (a phone)"
        });
        Driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
    }

    public ChromeDriver Driver { get; }

    public static Browser Take(int width, int height, bool touch)
    {
        var shape = new Shape(width, height, touch);
        var browser = Idle.TryGetValue(shape, out var idle) && idle.TryTake(out var rested) ? rested : new Browser(shape);
        if (!touch) browser.Driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?> { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });
        return browser;
    }

    /// <summary>Closes what the story opened, forgets what it stored, and waits for the next.</summary>
    public void GiveBack(Uri site)
    {
        try
        {
            foreach (var window in Driver.WindowHandles.Skip(1))
            {
                Driver.SwitchTo().Window(window);
                Driver.Close();
            }
            Driver.SwitchTo().Window(Driver.WindowHandles[0]);
            Driver.Navigate().GoToUrl("about:blank");
            Driver.ExecuteCdpCommand("Storage.clearDataForOrigin",
                new Dictionary<string, object?> { ["origin"] = site.GetLeftPart(UriPartial.Authority), ["storageTypes"] = "all" });
            Driver.Manage().Logs.GetLog(LogType.Browser);
            Idle.GetOrAdd(shape, _ => []).Add(this);
        }
        catch (WebDriverException)
        {
            // Not fit for another story.
            Dispose();
        }
    }

    public void Dispose()
    {
        Driver.Quit();
        Driver.Dispose();
        try
        {
            Directory.Delete(profile, recursive: true);
        }
        catch (IOException)
        {
            // The browser may still be closing its files; the folder is a temporary one.
        }
    }

    private readonly record struct Shape(int Width, int Height, bool Touch);
}
