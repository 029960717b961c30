using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>How many go on charge, when they are changed, and what goes dark without one: through the page.</summary>
public sealed class PowerStories
{
    private const string Enough = "On charge tonight: 3 LB2, 8 LB7 and 32 AA. That is enough, whichever one of them dies.";

    [Fact]
    public void A_change_is_moved_to_another_join_by_keyboard_and_by_hand_and_let_go()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/power");
        page.VerdictBecomes(Enough);
        page.Find(Tick("First dance")).SendKeys(Keys.ArrowLeft);
        page.Find(Tick("Dinner and speeches, wanted here"));
        // What it does is seen at once: the list, and what the camera shows then.
        page.Until(() => page.Text(ToDo).Contains("shows 37 %", StringComparison.Ordinal), "the level at the change");
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
        page.Until(() => page.Verdict.Contains("One LB2 short: with one dead the Orrin 20 goes dark at 8:07", StringComparison.Ordinal), "what one more would do");
        page.Find("button[aria-label^='LB2 no. 11,']").Click();
        page.Until(() => page.Verdict.Contains("LB2 short: the Orrin 20 goes dark at 8:07", StringComparison.Ordinal), "the minute");
        Assert.Contains("dark at 8:07", page.Text("section[aria-label='What each camera and flash has left']"), StringComparison.Ordinal);
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
        page.Until(() => page.Text(ToDo).Split("in,").Length == 5, "four changes instead of five");
        Assert.True((bool)page.Driver.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!);
        page.Open("/steamer-wedding/day?pull=bat10&pull=bat11&pull=bat9");
        page.Until(() => page.Driver.PageSource.Contains("find no battery or card", StringComparison.Ordinal), "what the pull says");
    }

    private const string ToDo = "section[aria-label='To do, in order']";

    private static string Tick(string part) => $"button[aria-label^='Orrin 20: LB2 no. 10 in before {part}']";
}
