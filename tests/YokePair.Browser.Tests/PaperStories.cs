using System.Text;
using System.Text.RegularExpressions;

namespace YokePair.Browser.Tests;

/// <summary>What goes along on paper: one sheet each of a normal day, whole, on either paper.</summary>
public sealed partial class PaperStories
{
    internal const double Inch = 96;

    [Fact]
    // Long: the same sheet measured on either paper.
    public void A_normal_day_is_one_sheet_each_on_either_paper()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site);
        (string View, string Shows, string Title)[] sheets =
        [
            ("day", "table", "Steamer and boathouse · Day"),
            ("what-if", "table", "Steamer and boathouse · What if"),
            ("power", "section[aria-label='To do, in order']", "Steamer and boathouse · Power"),
            ("bags", "section[aria-label=Bags]", "Steamer and boathouse · Bags"),
            ("lists?list=morning", "main li", "Steamer and boathouse · Leaving home, 10:00 AM"),
        ];
        foreach (var (view, shows, title) in sheets)
        {
            page.Open($"/steamer-wedding/{view}");
            page.Until(() => page.Has(shows) && !page.Verdict.Contains('…'), view);
            foreach (var (width, height) in (ReadOnlySpan<(double, double)>)[(8.27, 11.69), (8.5, 11)])
            {
                var paper = new Dictionary<string, object?> { ["paperWidth"] = width, ["paperHeight"] = height, ["printBackground"] = false };
                var pdf = ((Dictionary<string, object?>)page.Driver.ExecuteCdpCommand("Page.printToPDF", paper)!)["data"]!;
                Assert.True(SheetsIn(Encoding.Latin1.GetString(Convert.FromBase64String((string)pdf))) == 1, $"{view} on {width} × {height}");
            }
            // As wide as the narrower of the two between its margins, nothing is cut off.
            Emulate(page, (int)((8.27 - (20 / 25.4)) * Inch), "print");
            Assert.Equal(title, page.Driver.ExecuteScript(
                "return [...document.querySelectorAll('p')].find(p => p.innerText.includes(' · ')).firstChild.innerText"));
            Assert.Equal("", page.Driver.ExecuteScript(
                "return [...document.querySelectorAll('body *')].filter(e => e.checkVisibility() && !e.closest('.sr-only'))"
                + ".filter(e => e.getBoundingClientRect().right > innerWidth + 1)"
                + ".map(e => e.tagName + ' ' + e.textContent.slice(0, 30)).join('; ')"));
            if (view == "day")
            {
                var sheet = (string)page.Driver.ExecuteScript("return document.querySelector('table').innerText")!;
                Assert.Contains("Vows\n1:30 PM–2:10 PM, fore deck\nno flash, silent, car out of reach", sheet, StringComparison.Ordinal);
                Assert.Contains("● 100 f/2.8 macro K1 + K1 adapter", sheet, StringComparison.Ordinal);
                Assert.Contains("1× Couple among the lanterns: lost", sheet, StringComparison.Ordinal);
            }
            Emulate(page, 1280, "");
        }
        Assert.Empty(page.Complaints());
    }

    /// <summary>How many sheets a PDF has.</summary>
    internal static int SheetsIn(string pdf) => Sheets().Count(pdf);

    internal static void Emulate(Page page, int width, string media, int height = 800)
    {
        page.Driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = media });
        page.Driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?> { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });
    }

    [GeneratedRegex(@"/Type\s*/Page[^s]")]
    private static partial Regex Sheets();
}
