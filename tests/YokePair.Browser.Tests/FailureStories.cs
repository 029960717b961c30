namespace YokePair.Browser.Tests;

/// <summary>What can fail, why, and what mends it: through the page, against a real server and file.</summary>
public sealed class FailureStories
{
    private const string Inspector = "[aria-label=Inspector]";

    [Fact]
    public void Every_planted_fault_is_mended_by_an_offered_diff_until_nothing_can_cost_a_picture()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/what-if");
        page.Until(() => page.Verdict.Contains("two things, one camera with all on it and one person", StringComparison.Ordinal), "the four rows that do harm");
        Assert.Contains("only sound adapter for two lenses", page.Text("[aria-label='Shared causes']"), StringComparison.Ordinal);

        page.Find("tbody tr:first-child td button[aria-expanded]").Click();
        page.Until(() => page.Text("dl[aria-label='Why: Lead is absent, Preparation']")
            .Contains("nobody who may photograph it is there", StringComparison.Ordinal), "why it would be lost");

        // One offer after the other, each looked at on the day before it is done.
        Mend(page, "70–200 f/2.8", "Borrow, rent or buy a lens 70–200 f/2.8", seeFirst: true);
        Get(page);
        Mend(page, "K1 adapter", "old and loose moved to Roller", seeFirst: false);
        page.Open("/steamer-wedding/day?part=lanterns&need=launch");
        // Shot otherwise, it needs nothing that is not there.
        Assert.Contains("At 1/60 s: ISO 5900", page.Until(() => page.Driver.FindElements(OpenQA.Selenium.By.CssSelector(Inspector + " li"))
            .FirstOrDefault(l => l.Text.Contains("Do it", StringComparison.Ordinal)), "an offer").Text, StringComparison.Ordinal);
        MendNeed(page, "launch", 3);
        page.Open("/steamer-wedding/what-if");
        Mend(page, "Lead is absent", "with lead, second", seeFirst: false);
        page.Until(() => page.Verdict.EndsWith("every one of them can still be taken in time.", StringComparison.Ordinal), "the proof in a sentence");
        Assert.Empty(page.Driver.FindElements(OpenQA.Selenium.By.CssSelector("main tbody button[aria-label*=', mend ']")));
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_verdict_is_told_as_a_chain_and_what_does_not_move_along_is_said()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/day?pull=b2&part=details&need=ring");
        page.Find("section[aria-label=Inspector] details summary").Click();
        page.Until(() => page.Text("ol[aria-label='How the verdict came about']")
            .Contains("Without the Halm 45 no. 2 four of them fall away", StringComparison.Ordinal), "what the pull cut");
        Assert.Contains("the faces of the couple and its buttons stay on the other body", page.Text("[aria-label='What to do now']"), StringComparison.Ordinal);

        // A repair looked at beside the day as it is: nothing of it is kept until it is done.
        page.Open("/steamer-wedding/day?part=details&need=ring");
        page.Button("See it").Click();
        page.Until(() => page.Text(Inspector).Contains("as tried out: holds, survives any one failure", StringComparison.Ordinal), "the need as it would be");
        Assert.Contains("hangs by one thing now", page.Text(Inspector), StringComparison.Ordinal);
        page.Button("Leave it").Click();
        page.Until(() => !page.Text(Inspector).Contains("as tried out", StringComparison.Ordinal), "the day as it is");
        Assert.Equal(1, page.Strands("details/ring"));

        page.Open("/steamer-wedding/day?pull=b2&part=details&need=ring");
        page.Button("New setups for what is left").Click();
        page.Until(() => page.Text(Inspector).Contains("Recommended: ", StringComparison.Ordinal), "setups without it");
    }

    [Fact]
    public void What_is_pulled_may_fail_later_and_be_mended_before_the_day_is_over()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/day?pull=z70");
        const string Out = "[aria-label='What is pulled'] li";
        page.Until(() => page.Strands("dinner/speaker") == 0, "the speech to be lost without it");
        Assert.Contains("Without the 70–200 f/2.8", page.Verdict, StringComparison.Ordinal);
        page.Choose($"{Out} label:nth-of-type(1) select", "vows");
        page.Choose($"{Out} label:nth-of-type(2) select", "dinner");
        page.Until(() => page.Strands("dinner/speaker") == 1, "the speech to hold by the mended lens");
        Assert.EndsWith("?pull=z70%40vows..dinner", page.Driver.Url, StringComparison.Ordinal);
        page.Driver.Navigate().Refresh();
        page.Until(() => page.Verdict.Contains("nothing is lost by it", StringComparison.Ordinal), "the same day after a reload");
        page.Button("Put it back").Click();
        page.Until(() => !page.Has(Out), "nothing pulled");
    }

    [Fact]
    public void A_bag_a_camera_with_all_on_it_and_a_person_are_pulled_and_batteries_are_changed_otherwise()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.Button("Pull test").Click();
        page.Hand("vows", "lead", "left").Click();
        page.Choice("Halm 45 no. 1 and all on it").Click();
        page.Until(() => page.Verdict.StartsWith("Without the Halm 45 no. 1 and all on it from Vows on,", StringComparison.Ordinal), "what the fall costs");
        const string Swaps = "details[aria-label='New plan of swaps']";
        page.Until(() => page.Text(Swaps).Contains("Halm 45 no. 2 gets LB7", StringComparison.Ordinal), "the other camera's battery changed");
        Assert.Contains("no longer", page.Text(Swaps), StringComparison.Ordinal);
        Assert.Contains("of 855 frames", page.Text(Swaps), StringComparison.Ordinal);

        page.Hand("toast", "second", "right").Click();
        page.Choice("Second is absent").Click();
        page.Until(() => page.Verdict.Contains("and Second from Toast on", StringComparison.Ordinal), "both gone");
        Assert.Contains("absent", page.Hand("toast", "second", "left").GetAttribute("aria-label"), StringComparison.Ordinal);
        page.Thing("roller", "place").Click();
        page.Until(() => page.Verdict.Contains("the Roller and all in it", StringComparison.Ordinal), "the bag gone too");
        Assert.EndsWith("?pull=rig%3Ab1%40vows&pull=person%3Asecond%40toast&pull=place%3Aroller", page.Driver.Url, StringComparison.Ordinal);
        page.Button("Put all back").Click();
        page.Until(() => !page.Has("[aria-label='What is pulled'] li"), "nothing pulled");

        // From the table: a person and a thing ticked together.
        page.Open("/steamer-wedding/what-if");
        page.Find("input[aria-label='Lead is absent, together with others']").Click();
        page.Find("input[aria-label='K1 adapter, together with others']").Click();
        page.Find("a.webbing").Click();
        page.Until(() => page.Verdict.StartsWith("Without Lead and the K1 adapter", StringComparison.Ordinal), "both pulled on the day");
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_least_kit_is_proven_seen_on_the_day_taken_and_undone()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/day?show=kit");
        page.Button("Search").Click();
        page.Until(() => page.Text(Inspector).Contains("does it with less than", StringComparison.Ordinal), "the proof");
        page.Button("See it on the day").Click();
        page.Until(() => page.Text("[aria-label='Tried out']").Contains("nothing of it kept", StringComparison.Ordinal), "the kit on the board");
        Assert.True(page.Has("[data-item=l135], [data-item=l35]"));
        Assert.DoesNotContain("Undo: ", page.Button("Undo").GetAttribute("title") ?? "", StringComparison.Ordinal);
        page.Button("Do it").Click();
        page.Until(() => page.Button("Undo").Enabled, "a step to undo");
        page.Button("Undo").Click();
        page.Until(() => page.Text("[aria-label=Kit]").Contains("76 things", StringComparison.Ordinal), "today's kit again");
    }

    [Fact]
    public void What_may_stay_at_home_is_proven_on_opening_and_left_but_for_what_one_takes_all_the_same()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/day");
        const string Spare = "[aria-label='What may stay at home']";
        var verdict = page.Verdict;
        page.Button("Proposals").Click();
        page.Button("Lighter kit").Click();
        page.Until(() => page.Text(Spare).Contains("No heavier choice leaves every picture as it is", StringComparison.Ordinal), "the proof");
        Assert.Contains("Tripod", page.Text(Spare), StringComparison.Ordinal);
        Assert.Contains("Batteries, cards, chargers and readers are reckoned by use and stay", page.Text(Spare), StringComparison.Ordinal);
        // One thing comes along all the same.
        page.Find($"{Spare} li:first-child input").Click();
        page.Button("Leave them at home").Click();
        page.Until(() => !page.Has("[data-item=tc14]"), "the converter at home");
        Assert.True(page.Has("[data-item=tp1]"), "the tripod comes along");
        Assert.Equal(verdict, page.Verdict);
        Assert.Empty(page.AccessibilityFindings());
        page.Button("Undo").Click();
        page.Until(() => page.Has("[data-item=tc14]"), "everything again");

        page.Open("/steamer-wedding/day?item=tc14");
        page.Button("always comes along").Click();
        page.Until(() => page.Button("Undo").GetAttribute("title")?.Contains("always comes along", StringComparison.Ordinal) == true, "it is kept");
        page.Open("/steamer-wedding/day?show=rules");
        page.Until(() => page.Text(Inspector).Contains("kept", StringComparison.Ordinal), "how the rules stand");
        page.Button("two working bodies each").Click();
        page.Until(() => page.Button("Undo").GetAttribute("title")?.Contains("Rules of the house", StringComparison.Ordinal) == true, "a rule switched off");
        page.Button("Proposals").Click();
        page.Button("Lighter kit").Click();
        page.Until(() => page.Text(Spare).Contains("Always along, as you said", StringComparison.Ordinal), "what is kept");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Several_losses_are_pulled_together_from_the_table()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/what-if");
        page.Button("others can go").Click();
        page.Find("input[aria-label='Halm 45 no. 1, together with others']").Click();
        page.Find("input[aria-label='Halm 45 no. 2, together with others']").Click();
        page.Button("Pull these 2 on the day").Click();
        page.Until(() => page.Verdict.StartsWith("Without the Halm 45 no. 1 and the Halm 45 no. 2", StringComparison.Ordinal), "both gone");
        Assert.Equal("/steamer-wedding/day?pull=b1&pull=b2", page.Path);
        Assert.False(page.Has("[aria-label$='together with others']"));
    }

    [Fact]
    public void An_event_of_ones_own_is_tried_with_the_rest()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/what-if");
        page.Find("form[aria-label='An event of your own'] input").SendKeys("Both macro lenses in the rain");
        page.Choose("form[aria-label='An event of your own'] select:has(option[value=m60])", "m60");
        page.Choose("form[aria-label='An event of your own'] select:has(option[value=m100])", "m100");

        // What cannot be is said, and nothing typed is lost.
        const string From = "form[aria-label='An event of your own'] label:nth-of-type(3) select",
            Until = "form[aria-label='An event of your own'] label:nth-of-type(4) select";
        page.Choose(From, "dinner");
        page.Choose(Until, "vows");
        page.Button("Try it").Click();
        page.Until(() => page.Text("[aria-label='Events of your own']").Contains("comes before it happens", StringComparison.Ordinal), "why not");
        Assert.Equal("Both macro lenses in the rain", page.Find("form[aria-label='An event of your own'] input").GetAttribute("value"));
        page.Choose(From, "");
        page.Choose(Until, "");
        page.Button("Try it").Click();
        page.Until(() => page.Text("main table").Contains("Both macro lenses in the rain", StringComparison.Ordinal), "a row of its own");
        Assert.Contains("one event of your own", page.Verdict, StringComparison.Ordinal);
    }

    /// <summary>What is still to get counts as missing until it is here.</summary>
    private static void Get(Page page)
    {
        page.Until(() => page.Has("[aria-label='Still to get']"), "what is still to get");
        while (page.Has("[aria-label='Still to get'] li"))
        {
            var count = page.Driver.FindElements(OpenQA.Selenium.By.CssSelector("[aria-label='Still to get'] li")).Count;
            page.Find("[aria-label='Still to get'] button").Click();
            page.Until(() => page.Driver.FindElements(OpenQA.Selenium.By.CssSelector("[aria-label='Still to get'] li")).Count < count, "one thing is here");
        }
    }

    private static void Mend(Page page, string row, string offer, bool seeFirst)
    {
        var button = $"button[aria-label$='mend {row}']";
        if (page.Find(button).GetAttribute("aria-expanded") == "false") page.Find(button).Click();
        var line = page.Until(() => page.Driver.FindElements(OpenQA.Selenium.By.CssSelector($"ul[aria-label^='Mends for {row}'] li"))
            .FirstOrDefault(l => l.Text.Contains(offer, StringComparison.Ordinal)), offer);
        if (seeFirst)
        {
            line.FindElements(OpenQA.Selenium.By.TagName("button"))[1].Click();
            page.Until(() => page.Text("[aria-label='Tried out']").Contains(offer, StringComparison.Ordinal), "the offer tried out on the board");
            page.Button("Do it").Click();
            page.Until(() => page.Button("Undo").Enabled, "it to be done");
            page.Open("/steamer-wedding/what-if");
        }
        else
        {
            var before = Table();
            line.FindElements(OpenQA.Selenium.By.TagName("button"))[0].Click();
            page.Until(() => Table() != before, "another table");
        }

        // Nothing may be left in it, so it is not waited for.
        string Table() => (string)page.Driver.ExecuteScript(
            "return document.querySelector('[data-testid=verdict]')?.textContent + document.querySelector('main thead + tbody')?.textContent")!;
    }

    private static void MendNeed(Page page, string need, int strands)
    {
        page.Until(() => page.Driver.FindElements(OpenQA.Selenium.By.CssSelector($"{Inspector} li button")).FirstOrDefault(b => b.Text == "Do it"), "an offer")
            .Click();
        page.Until(() => page.Strands($"lanterns/{need}") == strands, $"{strands} strands");
    }
}
