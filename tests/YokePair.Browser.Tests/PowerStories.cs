using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>How many go on charge, when they are changed, and what goes dark without one: through the page.</summary>
public sealed class PowerStories
{
    private const string Enough = "On charge tonight: 3 LB2, 8 LB7, 32 AA and the Radio trigger. That is enough, whichever one of them dies.";

    [Fact]
    public void A_change_is_moved_to_another_join_by_keyboard_and_by_hand_and_let_go()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/power");
        page.VerdictBecomes(Enough);
        page.Find(Tick("First dance")).SendKeys(Keys.ArrowLeft);
        page.Find(Tick("Dinner and speeches, wanted here"));
        // What it does is seen at once: the list, and what the camera shows then.
        page.Until(() => page.Text(ToDo).Contains("shows 49 %", StringComparison.Ordinal), "the level at the change");
        Assert.DoesNotContain("before First dance", page.Text(ToDo), StringComparison.Ordinal);
        page.Open("/steamer-wedding/power");
        var tick = page.Find(Tick("Dinner and speeches, wanted here"));
        var column = page.Find("section[aria-label='What each camera and flash has left'] span[title='Couple']").Size.Width;
        page.Hands.ClickAndHold(tick).MoveByOffset(-2 * column, 0).Release().Perform();
        page.Find(Tick("Couple, wanted here")).SendKeys(Keys.Delete);
        page.Find(Tick("First dance"));
        Assert.DoesNotContain("Wanted here", page.Text(ToDo), StringComparison.Ordinal);
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_battery_that_stays_at_home_shows_at_what_minute_what_goes_dark()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/power");
        page.VerdictBecomes(Enough);
        page.Find("button[aria-label^='LB2 no. 10,']").Click();
        page.Until(() => page.Verdict.Contains("One LB2 short: with one dead the Orrin 20 goes dark at 9:28", StringComparison.Ordinal),
            "what one more would do");
        page.Find("button[aria-label^='LB2 no. 11,']").Click();
        page.Until(() => page.Verdict.Contains("LB2 short: the Orrin 20 goes dark at 9:28", StringComparison.Ordinal), "the minute");
        Assert.Contains("dark at 9:28", page.Text("section[aria-label='What each camera and flash has left']"), StringComparison.Ordinal);
        Assert.Contains("no LB2 is left for", page.Text(ToDo), StringComparison.Ordinal);
        page.Button("Put back").Click();
        page.VerdictBecomes(Enough);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_habit_of_few_changes_is_one_touch_and_the_day_board_tells_what_is_short()
    {
        using var page = new Page(Site.Shared, width: 390, height: 844, touch: true).Open("/steamer-wedding/power");
        page.VerdictBecomes(Enough);
        page.Button("As few changes as can be").Click();
        page.Until(() => page.Text(ToDo).Split("in,").Length == 4, "three changes instead of five");
        Assert.True((bool)page.Driver.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!);
        page.Open("/steamer-wedding/day?pull=bat10&pull=bat11&pull=bat9");
        page.Until(() => page.Driver.PageSource.Contains("find no battery or card", StringComparison.Ordinal), "what the pull says");
    }

    [Fact]
    public void Frames_of_one_camera_are_set_right_and_usual_again_when_cleared()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/power");
        page.VerdictBecomes(Enough);
        page.Find(Frames + " summary").Click();
        var id = page.Driver.ExecuteScript(
            "return [...document.querySelectorAll('label')].find(l => l.textContent === 'Frames of Orrin 20 in First dance').htmlFor") as string;
        var usual = page.Find($"[id='{id}']").GetAttribute("value");
        page.Find($"[id='{id}']").SendKeys(Keys.Control + "a");
        page.Find($"[id='{id}']").SendKeys("900" + Keys.Enter);
        page.Until(() => page.Verdict.Contains("LB2 short", StringComparison.Ordinal), "that 900 frames take more than there is");
        page.Until(() => page.Text("section[aria-label='What would do']").Contains("LB2", StringComparison.Ordinal), "what would do");
        page.Find($"[id='{id}']").SendKeys(Keys.Control + "a");
        page.Find($"[id='{id}']").SendKeys(Keys.Delete + Keys.Enter);
        page.VerdictBecomes(Enough);
        page.Until(() => page.Find($"[id='{id}']").GetAttribute("value") == usual, "the usual figure");
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_is_short_is_mended_with_one_touch()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/power");
        page.VerdictBecomes(Enough);
        page.Open("/steamer-wedding/power?pull=bat10");
        page.Find("section[aria-label='What would do'] li button").Click();
        page.VerdictBecomes("On charge tonight: ");
        page.Until(() => !page.Verdict.Contains("short", StringComparison.Ordinal), "enough again");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_board_shows_under_each_hand_what_is_left()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/day");
        page.Button("Show charge and cards").Click();
        page.Until(() => page.Driver.FindElements(By.CssSelector("[data-charge] [role=img]")).Count > 20, "bands under the hands");
        Assert.Contains(page.Driver.FindElements(By.CssSelector("[data-charge='dance1/second/right'] [role=img]")),
            b => b.GetAttribute("aria-label")!.Contains("LB2 no. 10 in before it", StringComparison.Ordinal));
        Assert.Empty(page.AccessibilityFindings());
        page.Button("Hide charge and cards").Click();
        page.Until(() => page.Driver.FindElements(By.CssSelector("[data-charge]")).Count == 0, "the fold");
        Assert.Empty(page.Complaints());
    }

    /// <summary>Two assignments that take the same things: what the first leaves the second begins with, until somebody says that it was charged.</summary>
    [Fact]
    public void What_a_job_leaves_is_what_the_next_begins_with_until_it_is_charged()
    {
        using var site = new Site(seed: true);
        using var first = new Page(site);
        using var second = new Page(site);
        first.Open("/steamer-wedding/power").VerdictBecomes(Enough);
        first.Button("The day went as is likely: keep what is left").Click();
        first.Until(() => first.Text(Assignments).Contains("the next assignment begins with it", StringComparison.Ordinal), "that it is kept");
        // The other assignment is a copy of the day; its own end is not yet lived.
        second.Open($"/{site.AnotherWedding()}/power");
        second.Until(() => second.Text(Assignments).Contains("Not full as the day begins, by the record: ", StringComparison.Ordinal), "what is left");
        Assert.False(second.Verdict.StartsWith(Enough, StringComparison.Ordinal));
        second.Button("All are charged").Click();
        second.VerdictBecomes(Enough);
        Assert.DoesNotContain("Not full", second.Text(Assignments), StringComparison.Ordinal);
        Assert.Empty(second.AccessibilityFindings());
        Assert.Empty(second.Complaints());
    }

    private const string Assignments = "section[aria-label='From one assignment to the next']";

    private const string Frames = "main details:has(table)";

    private const string ToDo = "section[aria-label='To do, in order']";

    private static string Tick(string part) => $"button[aria-label^='Orrin 20: LB2 no. 10 in before {part}']";
}
