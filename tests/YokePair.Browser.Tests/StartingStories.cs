using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>From an empty program to a day of one's own.</summary>
public sealed class StartingStories
{
    [Fact]
    public void A_day_is_started_from_a_usual_one_and_ones_own_locker_and_changed_there_and_back()
    {
        using var site = new Site(seed: false);
        using var page = new Page(site).Open("/locker");
        page.Button("open the demo locker").Click();
        page.Until(() => page.Has("[data-thing=b1]"), "a full locker");
        page.Open("/");
        page.TabTo("form[aria-label='Start a day'] input");
        page.Press("Hall night", Keys.Tab, "07032027");
        page.TabTo("form[aria-label='Start a day'] select");
        page.Press("Hall fixture");
        page.TabTo("form[aria-label='Start a day'] select:has(option[value=two-zooms])");
        page.Press("Two zooms");
        page.Button("Start it").Click();
        // The far end of the hall hangs by the long zoom.
        page.VerdictBecomes("Two needs hang by one thing.");
        Assert.Equal("/hall-night/day", page.Path[..15]);
        Assert.Contains("24–70 f/2.8 no. 2 on Halm 45 no. 1", page.Hand("part-warm-up", "lead", "left").GetAttribute("aria-label")!, StringComparison.Ordinal);

        // The whole day is walked by changing it: a part more, its need from farther away, in worse light.
        page.Open("/hall-night/day?part=part-podium");
        page.Choose("select[aria-label='Add a part after it']", "awards");
        page.Until(() => page.Has("[data-need='part-awards/need-handshake']"), "the new part with its needs");
        page.Need("part-awards/need-handshake").Click();
        page.Button("Change what it asks").Click();
        Type(page, "From, m", "60");
        Type(page, "to, m", "60");
        page.Choose("form[aria-label='Change the need'] select:has(option[value=halfLength])", "halfLength");
        page.Button("Change it").Click();
        page.VerdictBecomes("Three needs hang by one thing, one is not covered");
        page.Until(() => page.Text("section[aria-label=Inspector]").Contains("framing 1309 mm", StringComparison.Ordinal)
            || page.Text("section[aria-label=Inspector]").Contains("framing 1,309 mm", StringComparison.Ordinal), "the computed framing");
        page.Button("Take it out").Click();
        page.Until(() => !page.Has("[data-need='part-awards/need-handshake']"), "the need gone");
        page.Until(() => page.Has("button[data-cell='0:5'][aria-pressed=true]"), "its part selected");
        page.Button("Take it out").Click();
        page.Until(() => !page.Has("[data-hand^='part-awards']"), "the part gone");
        page.VerdictBecomes("Two needs hang by one thing.");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_timetable_is_shown_as_read_before_it_becomes_a_day_and_a_day_is_copied()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/");
        page.Find("form[aria-label='Start a day'] input").SendKeys("Garden");
        page.Find("form[aria-label='Start a day'] input[type=date]").SendKeys("08142027");
        page.Choose("form[aria-label='Start a day'] select", "timetable");
        page.Find("form[aria-label='Start a day'] textarea").SendKeys("14:00 vows, garden 40 min\n15:00 drinks, terrace\nfireworks at ten");
        page.Until(() => page.Text("ol[aria-label='Read as']").Contains("Vows", StringComparison.Ordinal), "the first line understood");
        Assert.Equal("ceremony", page.Find("select[aria-label='Kind of Vows']").GetAttribute("value"));
        page.Choose("select[aria-label='Kind of Drinks']", "dinner");
        page.Until(() => page.Find("form[aria-label='Start a day'] textarea")
            .GetAttribute("value")!.Contains("15:00 drinks, terrace [dinner]", StringComparison.Ordinal), "the kind behind its line");
        Assert.Contains("line 3: \"fireworks at ten\" has no time", page.Text("ol[aria-label='Read as']"), StringComparison.Ordinal);
        page.Button("Start it").Click();
        Assert.Contains("The day was not made.", page.Text("[role=alert]"), StringComparison.Ordinal);
        page.Find("form[aria-label='Start a day'] textarea").SendKeys(Keys.Home + "22:00 ");
        page.Button("Start it").Click();
        page.Until(() => page.Has("[data-hand='part-vows/lead/left']"), "the board");

        page.Open("/");
        page.Find("form[aria-label='Start a day'] input").SendKeys("Steamer again");
        page.Find("form[aria-label='Start a day'] input[type=date]").SendKeys("09112027");
        page.Choose("form[aria-label='Start a day'] select", "copy:steamer-wedding");
        page.Button("Start it").Click();
        page.VerdictBecomes("Two needs hang by one thing, one is not covered.");
        Assert.Contains("Sep 11, 2027", page.Text("div:has(> h1)").Replace("September", "Sep", StringComparison.Ordinal), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    private static void Type(Page page, string label, string text)
    {
        var input = page.Driver.FindElement(By.XPath($"//form[@aria-label='Change the need']//label[normalize-space(text())='{label}']/input"));
        input.SendKeys(Keys.Control + "a");
        input.SendKeys(text);
    }
}
