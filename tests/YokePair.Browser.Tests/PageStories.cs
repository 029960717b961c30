using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Getting about: what finds things, where the focus is, what goes back, and what fits a phone.</summary>
public sealed class PageStories
{
    private const string Panel = "section[aria-label=Inspector]";

    [Fact]
    public void One_line_finds_everything_by_name_says_how_it_stands_and_goes_there()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding);
        page.Find("[data-need]");
        Find(page, "exch rings");
        Assert.Contains("holds, survives any two failures", page.Text("[role=option]"), StringComparison.Ordinal);
        page.Press(Keys.Enter);
        page.Until(() => page.Path.EndsWith("?part=vows&need=rings", StringComparison.Ordinal), "the need");
        page.Until(() => Active(page) == "Inspector", "the focus in what was found");

        Find(page, "k1 adap");
        Assert.Contains("one need hangs by it", page.Text("[role=option]"), StringComparison.Ordinal);
        page.Press(Keys.Enter);
        page.Until(() => page.Path.EndsWith("?item=ad1", StringComparison.Ordinal), "the thing");
        Find(page, "pull test");
        page.Press(Keys.Enter);
        page.Until(() => page.Find("[aria-pressed=true]").Text.StartsWith("Pull test", StringComparison.Ordinal), "an action done");
        Find(page, "nothing is called that");
        Assert.Contains("Nothing here is called that", page.Text("[role=dialog] [role=status]"), StringComparison.Ordinal);
        page.Press(Keys.Escape);
        page.Until(() => !page.Has("[role=dialog]"), "the line closed");

        // From another screen to a part of no day, and to another day.
        page.Open("/locker").Find("[data-testid=verdict]");
        Find(page, "track night");
        page.Press(Keys.ArrowDown, Keys.ArrowUp, Keys.Enter);
        page.Until(() => page.Path == "/track-night/day", "the other day");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_focus_never_falls_to_the_page_and_back_closes_a_panel_before_it_leaves_the_day()
    {
        using var page = new Page(Site.Shared).Open("/");
        page.TabTo($"main a[href='/{page.Key}/day']");
        page.Press(Keys.Enter);
        page.Until(() => page.Focus.StartsWith("Preparation", StringComparison.Ordinal), "the focus on the board's first place");
        page.Press(Keys.End);
        Assert.StartsWith("Lanterns", page.Focus, StringComparison.Ordinal);
        page.Press(Keys.Home);
        Assert.StartsWith("Preparation", page.Focus, StringComparison.Ordinal);

        page.Press(Keys.Enter);
        page.Find(Panel);
        page.Press(Keys.F6);
        Assert.Equal("Inspector", Active(page));
        page.Press(Keys.Tab, Keys.F6);
        Assert.StartsWith("Preparation", page.Focus, StringComparison.Ordinal);
        page.Press(Keys.F6, Keys.Tab, Keys.Escape);
        page.Until(() => !page.Has(Panel), "the panel closed");
        Assert.StartsWith("Preparation", page.Focus, StringComparison.Ordinal);

        page.Press(Keys.Enter);
        page.Find(Panel);
        page.Driver.Navigate().Back();
        page.Until(() => !page.Has(Panel) && page.Path == Page.Wedding, "the day without the panel");
        page.Driver.Navigate().Back();
        page.Until(() => page.Path == "/", "the list, one step further");

        // A button that has nothing left to do gives the focus back.
        page.Open(Page.Wedding + "?part=vows").Find(Panel);
        var quiet = page.Find(Panel + " [aria-label=Quiet] button[data-state=off]");
        quiet.SendKeys(Keys.Enter);
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit");
        page.Button("Undo").SendKeys(Keys.Enter);
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "3", "the undo");
        page.Until(() => (string)page.Driver.ExecuteScript("return document.activeElement.tagName")! != "BODY", "the focus somewhere");
    }

    [Fact]
    public void A_list_acts_when_it_is_taken_not_when_it_is_looked_at()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding + "?part=vows");
        var levels = page.Find(Panel + " select:has(option[value='12'])");
        levels.SendKeys(Keys.ArrowUp);
        Assert.Equal("12", levels.GetAttribute("value"));
        Thread.Sleep(300);
        Assert.Equal("1", page.Find("[data-revision]").GetAttribute("data-revision"));
        levels.SendKeys(Keys.Escape);
        Assert.Equal("11", page.Find(Panel + " select:has(option[value='12'])").GetAttribute("value"));
        levels.SendKeys(Keys.ArrowUp + Keys.Enter);
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit, once taken");
        Assert.Contains("light EV 12 (was 11)", page.Button("Undo").GetAttribute("title"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_value_that_is_refused_says_so_at_its_field_and_does_not_stand_as_if_it_were_true()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding + "?part=vows");
        page.Find(Panel + " input[inputmode=decimal]");
        By field = By.XPath("//label[normalize-space(text())='Light, EV at ISO 100']/following-sibling::input");
        var light = page.Driver.FindElement(field);
        light.SendKeys(Keys.Control + "a");
        light.SendKeys("999" + Keys.Enter);
        page.Until(() => page.Driver.FindElement(field).GetAttribute("aria-invalid") == "true", "the field marked");
        Assert.Contains("expected an exposure value", page.Text(Panel + " [role=alert]"), StringComparison.Ordinal);
        light.SendKeys(Keys.Control + "a");
        light.SendKeys("9" + Keys.Enter);
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit");
        page.Until(() => page.Driver.FindElement(field).GetAttribute("aria-invalid") == "false", "no mark");
    }

    [Fact]
    public void An_assignment_is_archived_deleted_and_put_back()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Page.Wedding);
        page.Button("More").Click();
        page.Choice("Delete it").Click();
        page.Until(() => page.Text("main [role=status]").Contains("Steamer and boathouse is deleted.", StringComparison.Ordinal), "what was done");
        page.Button("Undo").Click();
        page.VerdictBecomes("Two needs");

        page.Open("/").Find("button[aria-label^='More for Steamer']").Click();
        page.Choice("Archive it").Click();
        page.Until(() => page.Text("main summary") == "Archived: 1", "the fold");
        page.Find("main summary").Click();
        page.Button("Put it back").Click();
        page.Until(() => !page.Has("main details:not(form details)"), "nothing archived");

        page.Find("button[aria-label^='More for Steamer']").Click();
        page.Choice("Delete it").Click();
        page.Until(() => page.Text("main summary") == "Deleted in the last 30 days: 1", "the other fold");
        page.Open(Page.Wedding);
        page.Until(() => page.Text("main").Contains("There is no assignment here", StringComparison.Ordinal), "no day");
    }

    [Fact]
    public void A_thing_that_is_planned_is_taken_out_of_the_days_and_deleted()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/locker?thing=ad1");
        page.Find(Panel);
        page.Button("Delete").Click();
        page.Until(() => page.Text(Panel).Contains("Steamer and boathouse takes K1 adapter along", StringComparison.Ordinal), "the day that has it");
        page.Button("Take it out and delete it").Click();
        page.Until(() => page.Text("main").Contains("A day yet to come follows: Steamer and boathouse", StringComparison.Ordinal) || !page.Has(Panel),
            "it gone");
        page.Open(Page.Wedding).Find("[data-need]");
        Assert.False(page.Has("[data-item=ad1]"));
        Assert.Contains("K1 adapter left at home", page.Button("Undo").GetAttribute("title"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_newer_timetable_is_held_against_the_day_and_what_one_wants_of_it_taken_over()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding + "?show=timetable");
        page.Find(Panel + " textarea").SendKeys("22:45 lanterns, the slip 30 min\n23:30 fireworks, the slip 20 min\nlunch");
        page.Until(() => page.Text(Panel).Contains("Lanterns: starts 15 min later", StringComparison.Ordinal), "what moves");
        Assert.Contains("Fireworks is new, at the slip", page.Text(Panel), StringComparison.OrdinalIgnoreCase);
        Assert.Contains("Line 3: \"lunch\" has no time", page.Text(Panel), StringComparison.Ordinal);
        // What it does not name stays, unless one says so.
        page.Button("Take 2 over").Click();
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit");
        page.Until(() => page.Text(Panel).Contains("2 lines: 11 missing", StringComparison.Ordinal), "nothing left to take but what is not in it");
        Assert.Contains("10:45 PM", page.Find("[data-part=lanterns]").Text, StringComparison.Ordinal);
        page.Button("Undo").Click();
        page.Until(() => page.Text(Panel).Contains("Lanterns: starts 15 min later", StringComparison.Ordinal), "as before");
        // What it leaves no room as it is gives way, so that what is proposed can be taken.
        page.Find(Panel + " textarea").SendKeys(Keys.Control + "a");
        page.Find(Panel + " textarea").SendKeys("22:15 lanterns, the slip 30 min");
        page.Until(() => page.Text(Panel).Contains("1 changed, 1 gives way, 11 missing", StringComparison.Ordinal), "what is in the way");
        Assert.Contains("ends 15 min earlier, to make room for Lanterns", page.Text(Panel), StringComparison.Ordinal);
        page.Button("Take 2 over").Click();
        page.Until(() => page.Text(Panel).Contains("1 line: 11 missing", StringComparison.Ordinal), "both taken");
    }

    [Fact]
    public void A_need_is_reckoned_while_it_is_typed()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding + "?part=vows&need=rings");
        page.Button("Change what it asks").Click();
        page.Until(() => page.Text("output").Contains("As typed it holds", StringComparison.Ordinal), "as it is");
        var mm = page.Driver.FindElement(By.XPath("//form[@aria-label='Change the need']//label[normalize-space(text())='or mm']/input"));
        mm.SendKeys(Keys.Control + "a");
        mm.SendKeys("900");
        page.Until(() => page.Text("output").Contains("As typed it is lost", StringComparison.Ordinal), "what it would be");
        Assert.Contains("Asks 900 mm.", page.Text("output"), StringComparison.Ordinal);
        Assert.Contains("stops in hand", page.Text("output"), StringComparison.Ordinal);
        page.Button("Leave it").Click();
        Assert.Equal("1", page.Find("[data-revision]").GetAttribute("data-revision"));
    }

    [Theory]
    [InlineData("/steamer-wedding/day")]
    [InlineData("/steamer-wedding/day?part=vows&need=rings")]
    [InlineData("/steamer-wedding/day?part=vows")]
    [InlineData("/steamer-wedding/what-if")]
    [InlineData("/locker?thing=z70")]
    [InlineData("/locker/import")]
    [InlineData("/")]
    public void On_a_phone_everything_is_as_large_as_a_thumb_and_the_head_is_small(string path)
    {
        using var page = new Page(Site.Shared, 390, 844, touch: true).Open(path);
        page.Find(path.Contains("day", StringComparison.Ordinal) ? "[data-need]" : "main h1, h1");
        Thread.Sleep(800);
        var small = (System.Collections.ObjectModel.ReadOnlyCollection<object>)page.Driver.ExecuteScript("""
            return [...document.querySelectorAll("button, a[href], select, summary, input:not([type=file])")]
              .filter((e) => e.getClientRects().length > 0 && !e.closest("p"))
              .map((e) => [e, (e.matches("[type=checkbox]") ? e.closest("label") : e).getBoundingClientRect()])
              .filter(([, r]) => r.height < 43.5 || r.width < 43.5)
              .map(([e, r]) => `${e.textContent || e.ariaLabel}: ${Math.round(r.width)} × ${Math.round(r.height)}`);
            """)!;
        Assert.Empty(small);
        // The document is as tall as the view, but for a page that scrolls by itself; and there is one heading of the first order.
        if (path != "/") Assert.True((bool)page.Driver.ExecuteScript("return document.documentElement.scrollHeight <= innerHeight")!, "more page than view");
        Assert.Equal(1L, page.Driver.ExecuteScript("return document.querySelectorAll('h1').length"));
        if (!path.Contains("/day", StringComparison.Ordinal)) return;
        Assert.True((bool)page.Driver.ExecuteScript("""
            return document.querySelector("nav[aria-label='Parts of the day']").getBoundingClientRect().top <= innerHeight / 5;
            """)!, "a head of more than a fifth");
        if (path.Contains("need", StringComparison.Ordinal))
            Assert.True((bool)page.Driver.ExecuteScript("""
                const room = document.querySelector("main").getBoundingClientRect();
                const need = document.querySelector("[data-need='vows/rings']").getBoundingClientRect();
                return need.top >= room.top && need.bottom <= room.bottom;
                """)!, "the need out of view");
    }

    [Fact]
    public void A_page_that_cannot_be_loaded_says_so_and_comes_when_it_can_be()
    {
        using var page = new Page(Site.Shared).Open("/");
        page.Find("main h1");
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        Block("*/assets/Season-*");
        page.Find("a[href='/season']").Click();
        Assert.Contains("What you changed is kept", page.Text("[role=alert]"), StringComparison.Ordinal);
        Block();
        page.Button("Open it again").Click();
        page.Find("[data-testid=season]");

        void Block(params string[] urls) => page.Driver.ExecuteCdpCommand("Network.setBlockedURLs", new() { ["urls"] = urls });
    }

    [Fact]
    public void What_if_shows_fourteen_parts_without_scrolling_sideways()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Page.Wedding + "?part=lanterns");
        foreach (var parts in new[] { 13, 14 })
        {
            page.Choose(Panel + " select:has(option[value=ceremony])", "ceremony");
            page.Until(() => page.Driver.FindElements(By.CssSelector("button[data-part]")).Count == parts, $"{parts} parts");
        }
        page.Open("/steamer-wedding/what-if").Find("tbody tr");
        Assert.Equal(14, page.Driver.FindElements(By.CssSelector("thead th")).Count - 2);
        Assert.True((bool)page.Driver.ExecuteScript("""
            const table = document.querySelector("table");
            return table.offsetWidth <= table.parentElement.clientWidth;
            """)!, "the table wider than its room");
    }

    private static void Find(Page page, string line)
    {
        page.Press("/");
        page.Until(() => page.Has("[role=dialog] input"), "the line");
        page.Press(line);
        page.Until(() => (string?)page.Find("[role=dialog] input").GetAttribute("value") == line, "what was typed");
        Thread.Sleep(150);
    }

    private static string? Active(Page page) => (string?)page.Driver.ExecuteScript("return document.activeElement.ariaLabel");
}
