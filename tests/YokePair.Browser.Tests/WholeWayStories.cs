using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>From a timetable to a group at f/8, a pull and a mend: all of it by keyboard alone, and all of it by touch.</summary>
public sealed class WholeWayStories
{
    private const string Form = "form[aria-label='Start a day']";
    private const string Panel = "section[aria-label=Inspector]";

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    // Long: the whole way in one go, as a new user has it.
    public void From_an_empty_program_to_a_mended_day(bool keyboard)
    {
        using var site = new Site(seed: false);
        using var page = keyboard ? new Page(site) : new Page(site, 390, 844, touch: true);
        page.Open("/locker");
        Do("main details p button");
        page.Until(() => page.Has("[data-testid=locker] [aria-label='Everything else'], [data-testid=locker] section"), "the demo locker");
        page.Open("/");
        Write("#start-name", "Pier day");
        if (keyboard) Write(Form + " input[type=date]", "06122027");
        else
            // A phone's wheel of dates is no part of the page; what it leaves in the field is.
            page.Driver.ExecuteScript("""
                const date = document.querySelector("form[aria-label='Start a day'] input[type=date]");
                Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(date, "2027-06-12");
                date.dispatchEvent(new Event("input", { bubbles: true }));
                """);
        if (keyboard)
        {
            page.TabTo(Form + " select");
            page.Press(Keys.End, Keys.Enter);
        }
        else
        {
            page.Choose(Form + " select", "timetable");
        }
        Write(Form + " textarea",
            "1:00 pm getting ready, inn 60 min\n14:00 vows, fore deck 40 min\n14:40 group photos, pier 40 min\n15:20 speeches, hall 60 min");
        page.Until(() => page.Text("ol[aria-label='Read as']").Contains("Speeches", StringComparison.Ordinal), "it read");
        Do(Form + " > div > button.webbing");
        page.Until(() => page.Path.EndsWith("/day", StringComparison.Ordinal) && page.Has("[data-need]"), "the day");

        // The group at f/8.
        if (keyboard)
        {
            page.Press("/");
            page.Until(() => page.Has("[role=dialog] input"), "the line");
            page.Press("everyone");
            Thread.Sleep(300);
            page.Press(Keys.Enter);
        }
        else
        {
            page.Driver.FindElements(By.CssSelector("[data-need]")).First(n => n.Text.StartsWith("Everyone", StringComparison.Ordinal)).Click();
        }
        page.Find(Panel + " p button");
        Do(Panel + " p button");
        page.Find("form[aria-label='Change the need']");
        page.Driver.ExecuteScript(
            "[...document.querySelectorAll(\"form[aria-label='Change the need'] label\")].find((l) => l.textContent.startsWith('or "
                + "f/')).querySelector('input').id = 'depth'");
        Write("#depth", "8");
        page.Until(() => page.Text("output").Contains("at f/8", StringComparison.Ordinal), "reckoned at f/8 before it is sent");
        Do("form[aria-label='Change the need'] .sticky button:first-of-type");
        page.Until(() => !page.Has("form[aria-label='Change the need']") && page.Text(Panel).Contains("f/8 for depth", StringComparison.Ordinal),
            "the need at f/8");

        // A camera pulled, and put back.
        if (keyboard) page.Press(Keys.Escape, "p");
        else
        {
            Do(Panel + " > button");
            page.Button("Pull test").Click();
        }
        var camera = page.Driver.FindElements(By.CssSelector("section[aria-label=Kit] [data-item]")).Select(t => t.GetAttribute("data-item")!)
            .First(id => id.StartsWith('b'));
        Do($"section[aria-label=Kit] [data-item='{camera}']");
        page.VerdictBecomes("Without the ");
        if (keyboard) page.Press(Keys.Escape);
        else page.Button("Put all back").Click();
        page.Until(() => !page.Verdict.StartsWith("Without", StringComparison.Ordinal), "all back");

        // What hangs by one thing is mended by the first that is offered.
        var weak = page.Driver.FindElements(By.CssSelector("[data-need]")).First(n => n.GetAttribute("data-strands") is "0" or "1").GetAttribute("data-need")!;
        var before = page.Strands(weak);
        if (keyboard) page.Need(weak).SendKeys(Keys.Enter);
        else
        {
            page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", page.Need(weak));
            page.Need(weak).Click();
        }
        page.Find(Panel + " li .webbing");
        Do(Panel + " li .webbing");
        page.Until(() => page.Strands(weak) > before, "it stands better");
        Assert.Empty(page.Complaints());

        void Do(string css)
        {
            page.Find(css);
            if (keyboard)
            {
                page.TabTo(css, 400);
                page.Press(Keys.Enter);
                return;
            }
            page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", page.Find(css));
            page.Find(css).Click();
        }

        void Write(string css, string text)
        {
            page.Find(css);
            if (keyboard) page.TabTo(css, 400);
            else
            {
                page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", page.Find(css));
                page.Find(css).Click();
            }
            if (css == "#depth") page.PressWithControl("a");
            if (keyboard) page.Press(text);
            else page.Find(css).SendKeys(text);
        }
    }
}
