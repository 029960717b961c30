using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>What is in which bag, what goes with it, and what is felt on whose shoulders: through the page.</summary>
public sealed class BagStories
{
    [Fact]
    public void Bags_are_beams_things_move_between_them_and_the_load_follows()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/bags");
        page.Until(() => page.Verdict.Contains("on Lead’s shoulders for ", StringComparison.Ordinal), "what the lead carries");
        const string bags = "section[aria-label=Bags]";
        string Row(string name) => page.Driver.FindElements(By.CssSelector(bags + " li")).First(r => r.Text.Contains(name, StringComparison.Ordinal)).Text;
        var before = Row("Roller");
        // A thing is packed into another bag; both beams and what goes with them follow.
        page.Choose(bags + " select[aria-label='A thing in Roller']", "z70");
        page.Choose(bags + " select[aria-label='Where 70–200 f/2.8 goes']", "car");
        page.Until(() => Row("Roller") != before, "a lighter roller");
        Assert.Contains("nothing is lost if it goes", Row("Belt pouch"), StringComparison.Ordinal);

        // A limit that is passed is told first.
        page.Driver.FindElements(By.CssSelector(bags + " details summary")).First(s => s.Displayed).Click();
        var limit = page.Driver.FindElements(By.CssSelector(bags + " details[open] input"))[1];
        limit.SendKeys(Keys.Control + "a");
        limit.SendKeys("500" + Keys.Enter);
        page.Until(() => page.Verdict.StartsWith("Belt pouch is ", StringComparison.Ordinal), "that the pouch is too heavy");
        Assert.Empty(page.AccessibilityFindings());
        page.Find("input[aria-label^='Nothing rolls in Vows']").Click();
        page.Until(() => page.Find("input[aria-label^='Nothing rolls in Vows']").Selected, "a part where nothing rolls");
        page.Driver.Navigate().Refresh();
        page.VerdictBecomes("Belt pouch is ");
        Assert.Empty(page.Complaints());
    }
}
