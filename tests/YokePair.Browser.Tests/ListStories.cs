using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Packing by the list: by keyboard, by thumb, by two at once, after a late change, and leaving without what matters.</summary>
public sealed class ListStories
{
    private const string Morning = "/steamer-wedding/lists?list=morning";

    [Fact]
    public void Ticks_are_kept_and_a_late_change_opens_only_what_it_touched()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Morning);
        page.VerdictBecomes("Leave now and ");
        Assert.Empty(page.AccessibilityFindings());
        page.Choose("footer select", "Lead");
        // By keyboard.
        page.Driver.ExecuteScript("arguments[0].focus()", Row(page, "Tripod"));
        page.Hands.SendKeys(Keys.Space).Perform();
        page.Until(() => IsTicked(page, "Tripod") && page.Text("footer").StartsWith("1 of 52 here", StringComparison.Ordinal), "the tripod ticked");

        // By thumb, on a second phone, at the same time: neither tick is lost.
        using var phone = new Page(site, 390, 844, touch: true).Open(Morning);
        phone.Until(() => IsTicked(phone, "Tripod") && Row(phone, "Tripod").Text.Contains("Lead", StringComparison.Ordinal), "who ticked the tripod");
        Assert.All(phone.Driver.FindElements(By.CssSelector("[role=checkbox]")), r => Assert.InRange(r.Size.Height, 72, 400));
        Row(phone, "Umbrella").Click();
        Row(page, "Light stand no. 1").Click();
        foreach (var each in (Page[])[page, phone]) each.Until(() => each.Text("footer").StartsWith("3 of 52 here", StringComparison.Ordinal), "three ticked");
        Assert.Empty(page.Complaints());
        Assert.Empty(phone.Complaints());

        // A killed server has lost nothing.
        site.KillAndRestart();
        page.Open(Morning);
        page.Until(() => page.Text("footer").StartsWith("3 of 52 here", StringComparison.Ordinal), "three ticked after all");

        // The tripod goes into the roller after all: its line is open again and says why, the others are not touched.
        page.Open("/steamer-wedding/bags");
        BagStories.Pack(page, 5, "Car", "roller", "Tripod");
        page.Open(Morning);
        page.Until(() => !IsTicked(page, "Tripod") && Row(page, "Tripod").Text.Contains("ticked before as: Car: Tripod", StringComparison.Ordinal),
            "why it is open again");
        Assert.True(IsTicked(page, "Umbrella") && IsTicked(page, "Light stand no. 1"));
    }

    [Fact]
    public void Leaving_without_what_a_picture_hangs_by_is_typed_in_full()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Morning + "&by=price");
        page.VerdictBecomes("Leave now and ");
        // One by one: on a slow machine the lines still move while the next is aimed at.
        for (var left = Others(); left.Count > 0;)
        {
            var before = left.Count;
            left[0].Click();
            page.Until(() => (left = Others()).Count < before, "that a line is ticked");
        }
        page.VerdictBecomes("Leave now and Speaker's face is lost");
        page.Find("section[aria-label=Leave] summary").Click();
        page.Find("section[aria-label=Leave] input").SendKeys("yes" + Keys.Enter);
        page.Until(() => page.Text("[role=alert]").Contains("Type in full: leave without 70–200 f/2.8", StringComparison.Ordinal), "the whole words");
        page.Driver.ExecuteScript("arguments[0].select()", page.Find("section[aria-label=Leave] input"));
        page.Find("section[aria-label=Leave] input").SendKeys("leave without 70–200 f/2.8" + Keys.Enter);
        page.Until(() => page.Text("section[aria-label=Leave] [role=note]").Contains("leave without 70–200 f/2.8", StringComparison.Ordinal),
            "that it is recorded");
        // With it along nothing that matters is open.
        Row(page, "70–200 f/2.8").Click();
        page.VerdictBecomes("37 lines are open; every picture holds without them.");
        page.Button("I leave now").Click();
        page.Until(() => page.Text("section[aria-label=Leave] [role=note]").Contains("with everything that matters", StringComparison.Ordinal),
            "that one has left");
        Assert.All(page.Complaints(), c => Assert.Contains("422", c, StringComparison.Ordinal));

        List<IWebElement> Others() => [.. page.Driver.FindElements(By.CssSelector(
            "section[aria-label^='what happens once'] [role=checkbox][aria-checked=false], section[aria-label='a picture less'] "
                + "[role=checkbox][aria-checked=false]"))
            .Where(line => !line.Text.StartsWith("70–200 f/2.8", StringComparison.Ordinal))];
    }

    [Fact]
    public void Before_the_vows_what_its_rules_and_setups_ask_stands_on_one_screen()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/lists?list=before-vows");
        page.VerdictBecomes("Six things are open. First: Silent shutter on");
        Assert.Equal(["Silent", "Every", "Second", "Two", "Lead", "One"], page.Driver.FindElements(By.CssSelector("[role=checkbox] strong"))
            .Select(e => e.Text.Split(' ', ':')[0]));
        page.Choose("select[aria-label='Before a part']", "before-floor");
        page.VerdictBecomes("Three things are open. First: Flash 3 and Flash 5 on their channel");
        Assert.Empty(page.Complaints());
    }

    private static IWebElement Row(Page page, string text) => page.Until(() =>
        page.Driver.FindElements(By.CssSelector("[role=checkbox]"))
            .FirstOrDefault(e => e.FindElement(By.CssSelector("strong")).Text.StartsWith(text, StringComparison.Ordinal)), text);

    private static bool IsTicked(Page page, string text) => Row(page, text).GetAttribute("aria-checked") == "true";
}
