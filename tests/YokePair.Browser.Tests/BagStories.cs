using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>What is in which bag, what goes with it, and what is felt on whose shoulders: through the page.</summary>
public sealed class BagStories
{
    /// <summary>Picks things of a bag and packs them into another together.</summary>
    internal static void Pack(Page page, int row, string from, string into, params string[] names)
    {
        var bag = $"section[aria-label=Bags] > ul > li:nth-child({row})";
        page.Find(bag + " div + div details summary").Click();
        foreach (var name in names) page.Driver.FindElements(By.CssSelector(bag + " details li label")).Single(l => l.Text == name).Click();
        var told = names.Length == 1 ? "One thing goes into" : $"{names.Length} things go into";
        page.Until(() => page.Find(bag).Text.Contains(told, StringComparison.Ordinal), "how many are picked");
        page.Choose($"{bag} select[aria-label='Where what is picked in {from} goes']", into);
    }

    /// <summary>A box is packed, told with what goes with it, moved, kept, left at home and taken along on another day.</summary>
    [Fact]
    public void What_is_packed_together_is_one_box_from_then_on()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/bags");
        page.Until(() => page.Verdict.Contains("on Lead’s shoulders for ", StringComparison.Ordinal), "what the lead carries");
        const string roller = "section[aria-label=Bags] > ul > li:nth-child(3)", box = "section[aria-label='Light box']";
        page.Find(roller + " div + div details summary").Click();
        foreach (var name in (string[])["AA set 6", "AA set 7", "Small LED light"])
            page.Driver.FindElements(By.CssSelector(roller + " details li label")).Single(l => l.Text == name).Click();
        page.Find(roller + " form input").SendKeys("Light box" + Keys.Enter);
        page.Until(() => page.Text(box).Contains("Light box: AA set 6, AA set 7, Small LED light; ", StringComparison.Ordinal), "what is in the box");
        Assert.Contains("if it goes", page.Text(box), StringComparison.Ordinal);
        page.Choose("select[aria-label='Where the Light box goes']", "car");
        page.Until(() => page.Driver.FindElements(By.CssSelector("section[aria-label=Bags] > ul > li:nth-child(5) " + box)).Count == 1, "the box in the car");
        page.Button("Keep it for other days").Click();
        page.Until(() => page.Text(box).Contains("kept for other days", StringComparison.Ordinal), "that it is kept");
        Assert.Empty(page.AccessibilityFindings());
        page.Driver.FindElement(By.CssSelector(box)).FindElements(By.TagName("button")).Single(b => b.Text == "Leave it at home").Click();
        const string home = "section[aria-label='Boxes at home']";
        page.Until(() => page.Text(home).Contains("Light box, 3 things in it", StringComparison.Ordinal), "that it stays at home");
        page.Choose("select[aria-label='Take the Light box along into']", "backpack");
        page.Until(() => page.Text(box).Contains("Light box: ", StringComparison.Ordinal), "the box again");
        // One of it elsewhere is missed, and put in again at a touch.
        BagStories.Pack(page, 4, "Backpack", "car", "Small LED light");
        page.Until(() => page.Text(box).Contains("Small LED light belongs in it and is elsewhere", StringComparison.Ordinal), "what is missing");
        page.Button("Put the Small LED light in").Click();
        page.Until(() => !page.Text(box).Contains("belongs in it", StringComparison.Ordinal), "nothing missing");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    // Long: one story, each step on what the one before left.
    public void Bags_are_beams_things_move_between_them_and_the_load_follows()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/bags");
        page.Until(() => page.Verdict.Contains("on Lead’s shoulders for ", StringComparison.Ordinal), "what the lead carries");
        const string bags = "section[aria-label=Bags]";
        string Row(string name) => page.Driver.FindElements(By.CssSelector(bags + " li")).First(r => r.Text.Contains(name, StringComparison.Ordinal)).Text;
        var before = Row("Roller");
        // Two things are picked and packed into another bag together; both beams and what goes with them follow.
        Pack(page, 3, "Roller", "car", "70–200 f/2.8", "50 f/1.2");
        page.Until(() => Row("Roller") != before && !Row("Roller").Contains("things go into", StringComparison.Ordinal), "a lighter roller");
        string Beam(int row) => page.Find($"{bags} > ul > li:nth-child({row}) [role=img]").GetAttribute("aria-label")!;
        page.Until(() => Beam(5).Contains("70–200 f/2.8", StringComparison.Ordinal) && Beam(5).Contains("50 f/1.2", StringComparison.Ordinal),
            "both in the car");

        // By hand: the tripod from the car's beam onto the backpack.
        page.Drag(page.Find($"{bags} > ul > li:nth-child(5) [data-item=tp1]"), page.Find($"{bags} > ul > li:nth-child(4) strong"));
        page.Until(() => Beam(4).Contains("Tripod", StringComparison.Ordinal) && !Beam(5).Contains("Tripod", StringComparison.Ordinal),
            "the tripod in the backpack");
        Assert.Contains("nothing is lost if it goes", Row("Belt pouch"), StringComparison.Ordinal);

        // A limit that is passed is told first.
        page.Driver.FindElements(By.CssSelector(bags + " details summary")).First(s => s.Displayed).Click();
        var limit = page.Driver.FindElements(By.CssSelector(bags + " details[open] input"))[1];
        limit.SendKeys(Keys.Control + "a");
        limit.SendKeys("500" + Keys.Enter);
        page.Until(() => page.Verdict.StartsWith("Belt pouch is ", StringComparison.Ordinal), "that the pouch is too heavy");
        Assert.Empty(page.AccessibilityFindings());
        // What somebody wants on their shoulders at the most is told against what they carry; on a belt the shoulders have none.
        page.Driver.FindElements(By.TagName("summary")).Single(d => d.Text.StartsWith("Where the cameras hang", StringComparison.Ordinal)).Click();
        var most = page.Find("li[aria-label=Second] input");
        most.SendKeys("3000" + Keys.Enter);
        page.Until(() => page.Verdict.Contains(" on Second’s shoulders for 10 h, at the most ", StringComparison.Ordinal), "that it is too much");
        // Two fields of one person in the same breath, the first still on its way: neither undoes the other.
        page.Find("li[aria-label=Lead] input").SendKeys("3000");
        page.Driver.ExecuteScript("""
            const lead = document.querySelector("li[aria-label=Lead]"), on = lead.querySelector("select");
            lead.querySelector("input").dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }));
            on.value = "hips";
            on.dispatchEvent(new Event("change", { bubbles: true }));
            """);
        page.Until(() => !page.Verdict.Contains("on Lead’s shoulders", StringComparison.Ordinal), "nothing on the Lead's shoulders");
        page.Choose("li[aria-label=Lead] select", "");
        page.Until(() => page.Verdict.Contains(" on Lead’s shoulders for 12 h, at the most ", StringComparison.Ordinal), "that what was typed stands");

        // In another style the day weighs something else.
        page.Driver.FindElements(By.TagName("summary")).Single(d => d.Text == "The same day in another style").Click();
        page.Until(() => page.Driver.FindElements(By.CssSelector("ul[aria-label=Styles] li")).Count == 6, "five styles beside the day as planned");
        Assert.Matches(@"Two primes\s+[\d.]+ kg·h, ", page.Find("ul[aria-label=Styles]").Text);
        page.Find("input[aria-label^='Nothing rolls in Vows']").Click();
        page.Until(() => page.Find("input[aria-label^='Nothing rolls in Vows']").Selected, "a part where nothing rolls");
        page.Driver.Navigate().Refresh();
        page.VerdictBecomes("Belt pouch is ");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_bag_says_what_does_not_go_in_and_what_may_not_fly()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/bags");
        page.Until(() => page.Verdict.Contains("shoulders", StringComparison.Ordinal), "what is carried");
        IWebElement Roller() => page.Driver.FindElements(By.CssSelector("section[aria-label=Bags] > ul > li"))
            .First(r => r.Text.StartsWith("Roller", StringComparison.Ordinal));
        Roller().FindElement(By.TagName("summary")).Click();
        IWebElement Field(string label) => Roller().FindElement(By.XPath($".//label[starts-with(normalize-space(), '{label}')]/following-sibling::input"));
        void Type(string label, string text)
        {
            Field(label).SendKeys(Keys.Control + "a");
            Field(label).SendKeys(text + Keys.Enter);
        }

        // Two measures are none: it says so at the field, and what was typed stays.
        Type("Inside", "500 x 350");
        page.Until(() => Roller().Text.Contains("are no three measures; write them as 480 × 290 × 170", StringComparison.Ordinal), "what would do");
        Assert.Equal("500 x 350", Field("Inside").GetAttribute("value"));
        Type("Inside", "500 x 350 x 80");
        page.Until(() => Roller().Text.Contains("The 70–200 f/2.8 is ", StringComparison.Ordinal) && Roller()
            .Text.Contains(" too thick to lie in Roller.", StringComparison.Ordinal), "what is too thick");
        Type("Inside", "600 x 450 x 200");
        page.Until(() => Roller().Text.Contains("lie side by side in Roller", StringComparison.Ordinal), "that all goes in");
        Assert.StartsWith("Seen from above: ", Roller().FindElement(By.TagName("svg")).GetAttribute("aria-label"), StringComparison.Ordinal);

        page.Choose("section[aria-label=Bags] > ul > li:nth-child(3) select:has(option[value=hold])", "hold");
        page.Until(() => page.Find("section[aria-label='On the road']")
            .Text.Contains("Not in the hold: the LB7 no. 7 is in Roller.", StringComparison.Ordinal), "what may not fly");
        Assert.Empty(page.AccessibilityFindings());
        page.Find("section[aria-label='On the road'] a").Click();
        page.Until(() => page.Verdict.Contains(" of value as far as it is known. Still to be told: ", StringComparison.Ordinal), "the manifest");
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }
}
