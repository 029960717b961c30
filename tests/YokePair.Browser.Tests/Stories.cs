using System.Net.Http.Json;
using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>The day board as a photographer meets it.</summary>
public sealed class Stories
{
    private const string AsPlanned = "Two needs hang by one thing, one is not covered.";
    private const string Mended = "One need hangs by one thing, one is not covered.";

    [Fact]
    public void From_nothing_to_a_mended_plan_that_survives_a_dead_server()
    {
        using var site = new Site(seed: false);
        using var page = new Page(site).Open("/");
        page.Until(() => page.Text("h1") == "Plan your first day", "a first step");
        page.Button("a wedding on a lake steamer").Click();
        page.VerdictBecomes(AsPlanned);

        page.Button("Pull test").Click();
        page.Thing("ad1").Click();
        page.VerdictBecomes("Without the K1 adapter, Ring close-up is late");
        Assert.Equal(0, page.Strands("details/ring"));
        var now = page.Text("section[aria-label='What to do now']");
        Assert.Contains("take K1 adapter, old and loose from Car 15 min", now, StringComparison.Ordinal);
        Assert.Contains("15.8 min, within 5 min", now, StringComparison.Ordinal);

        page.Driver.Navigate().Refresh();
        page.VerdictBecomes("Without the K1 adapter");
        page.Press(Keys.Escape);
        page.VerdictBecomes(AsPlanned);

        page.Need("details/ring").Click();
        page.Until(() => page.Text("section[aria-label=Inspector]")
            .Contains("Ring close-up hangs by the K1 adapter: every way passes through it.", StringComparison.Ordinal), "the cause");
        page.Button("Do it").Click();
        page.VerdictBecomes(Mended);
        Assert.Equal(2, page.Strands("details/ring"));

        Assert.Empty(page.Complaints());
        site.KillAndRestart();
        page.Open("/").Complaints();
        page.Until(() => page.Text("main").Contains(Mended, StringComparison.Ordinal), "the mended plan in the list");
        page.Open(Page.Wedding).VerdictBecomes(Mended);
        page.Button("Undo").Click();
        page.VerdictBecomes(AsPlanned);
        page.Button("Redo").Click();
        page.VerdictBecomes(Mended);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    // Long: one story, key by key.
    public void The_same_with_the_keyboard_alone()
    {
        using var site = new Site(seed: false);
        using var page = new Page(site).Open("/");
        page.TabTo("section[aria-label=Begin] button");
        page.Press(Keys.Enter);
        page.VerdictBecomes(AsPlanned);

        page.Press("p");
        // Along the roller's tags to the small thing.
        page.TabTo("[data-item=l24]");
        for (var i = 0; page.Focus != "K1 adapter, alone carries something" && i < 20; i++) page.Press(Keys.ArrowRight);
        page.Press(Keys.Enter);
        page.VerdictBecomes("Without the K1 adapter, Ring close-up is late");
        page.Press(Keys.Escape);
        page.VerdictBecomes(AsPlanned);

        // Along the strand of the lead's right hand to the details, and another lens there.
        page.TabTo("[data-hand='prep/lead/right']");
        page.Press(Keys.ArrowRight, Keys.Enter);
        Assert.Contains("hand=lead%3Aright", page.Path, StringComparison.Ordinal);
        page.Until(() => page.Has("ul[aria-label='Glass that fits'] button"), "glass to choose from");
        page.TabTo("ul[aria-label='Glass that fits'] button[aria-pressed=false]");
        page.Press(Keys.Enter);
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit");
        page.PressWithControl("z");
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "3", "the undo");
        page.PressWithControl("z", shift: true);
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "4", "the redo");
        page.PressWithControl("z");

        page.Find("button[data-cell='0:0']").SendKeys(Keys.ArrowRight + Keys.Enter);
        page.TabTo("[role=slider][aria-label^='Join: Details ends']");
        var before = page.Driver.SwitchTo().ActiveElement().GetAttribute("aria-valuetext");
        page.Press(Keys.ArrowRight);
        page.Until(() => page.Find("[role=slider][aria-label^='Join: Details ends']").GetAttribute("aria-valuetext") != before, "the join to move");

        page.Need("details/ring").SendKeys(Keys.Enter);
        page.TabTo("section[aria-label=Inspector] li .webbing");
        page.Press(Keys.Enter);
        page.VerdictBecomes(Mended);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Glass_is_dragged_from_the_shelf_to_a_hand_and_a_join_to_another_time()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.VerdictBecomes(AsPlanned);
        page.Drag(page.Thing("m60"), page.Hand("details", "lead", "right"));
        page.Until(() => page.Hand("details", "lead", "right")
            .GetAttribute("aria-label")!.Contains("60 f/2.8 macro K1 + K1 adapter on Halm 45 no. 2", StringComparison.Ordinal), "the 60 on its adapter");

        var join = page.Find("[role=slider][aria-label^='Join: Details ends']");
        page.Hands.MoveToElement(join).ClickAndHold().MoveByOffset(20, 0).MoveByOffset(20, 0).Release().Perform();
        page.Until(() => page.Find("[role=slider][aria-label^='Join: Details ends']").GetAttribute("aria-valuetext") != "1:00 PM", "the join to move");
        Assert.Contains("Details: ends", page.Button("Undo").GetAttribute("title"), StringComparison.Ordinal);
        Assert.Contains("Boarding: starts", page.Button("Undo").GetAttribute("title"), StringComparison.Ordinal);

        // Anything that is packed is dragged to another place: a flash too.
        page.Drag(page.Thing("f1"), page.Driver.FindElements(By.CssSelector("section[aria-label=Kit] h2"))[1]);
        page.Until(() => page.Button("Undo").GetAttribute("title")?.Contains("Flash 1 moved to", StringComparison.Ordinal) == true,
            "the flash packed elsewhere");

        // A lens that fits nothing there is refused in words, and nothing changes.
        page.Drag(page.Thing("b5"), page.Hand("boarding", "lead", "left"));
        page.Until(() => page.Has("[role=alert]"), "a refusal");
        Assert.Contains("does not fit the Halm 12, old", page.Text("[role=alert]"), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Light_and_rules_change_the_verdict_and_nonsense_is_refused_without_losing_it()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding + "?part=lanterns");
        var light = page.Find("input[inputmode=decimal]");
        light.SendKeys(Keys.Control + "a");
        light.SendKeys("3" + Keys.Enter);
        page.VerdictBecomes("Two needs hang by one thing.");

        page.Open(Page.Wedding + "?part=floor");
        page.Button("banned").Click();
        page.Until(() => page.Verdict.Contains("not covered", StringComparison.Ordinal), "a dance floor without flash");
        page.Button("Undo").Click();
        page.VerdictBecomes("Two needs hang by one thing.");

        light = page.Find("input[inputmode=decimal]");
        light.SendKeys(Keys.Control + "a");
        light.SendKeys("40" + Keys.Enter);
        Assert.Contains("parts[10].ev", page.Text("[role=alert]"), StringComparison.Ordinal);
        Assert.Equal("40", page.Find("input[inputmode=decimal]").GetAttribute("value"));
    }

    [Fact]
    public void How_the_day_reckons_is_changed_for_all_and_for_one_person()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.VerdictBecomes(AsPlanned);
        page.Button("How it reckons").Click();
        IWebElement Seconds(string what) => page.Until(() => page.Driver.FindElements(By.XPath($"//label[.='{what}']/following-sibling::input"))
            .FirstOrDefault(), what);
        // Where a change takes five minutes it is no help against a camera that dies.
        const string Dies = "Lead's right-hand camera alone carries";
        bool Said() => page.Text("body").Contains(Dies, StringComparison.Ordinal);
        Type(Seconds("Change a lens, s"), "300");
        page.Until(Said, "what slow hands cost");
        // What is one's own stands with how one works.
        page.Open("/steamer-wedding/day?show=team");
        page.Until(() => page.Driver.FindElements(By.XPath("//summary[starts-with(normalize-space(.),'How Lead works')]")).FirstOrDefault(),
            "how the lead works").Click();
        Type(Seconds("Change a lens, Lead, s"), "30");
        page.Until(() => !Said(), "the lead to be quick all the same");
        // So are the rules of the house, and what is kept whatever is reckoned.
        Assert.Contains("two working bodies each", page.Text("[aria-label=Inspector]"), StringComparison.Ordinal);
        page.Until(() => page.Has("form[aria-label='What Lead keeps']"), "what the lead keeps");
        page.Button("Undo").Click();
        page.Until(Said, "everybody slow again");
        page.Button("Undo").Click();
        page.Until(() => !Said(), "the day as it was");
        page.VerdictBecomes(AsPlanned);
        Assert.Empty(page.Complaints());

        void Type(IWebElement field, string text)
        {
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(text + Keys.Enter);
        }
    }

    [Fact]
    public void Two_open_tabs_never_overwrite_each_other()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding + "?part=vows");
        var first = page.Driver.CurrentWindowHandle;
        page.Driver.SwitchTo().NewWindow(WindowType.Tab);
        page.Open(Page.Wedding + "?part=vows").VerdictBecomes(AsPlanned);
        page.Button("may be used").Click();
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit in the second tab");

        // The first tab catches up when it is looked at; what changes while it is looked at, it cannot know.
        page.Driver.SwitchTo().Window(first);
        page.Driver.Navigate().Refresh();
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the second tab's edit in the first");
        EditElsewhere(site, page.Key, 2, 9.5);
        page.Button("no matter").Click();
        Assert.Contains("changed elsewhere", page.Text("[role=alert]"), StringComparison.Ordinal);
        Assert.Contains("Vows: light EV 9.5 (was 11)", page.Text("[role=alert]"), StringComparison.Ordinal);
        page.Button("Make my change on the new plan").Click();
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "4", "all three changes");
        var said = page.Text("button[data-cell^='0:'][aria-pressed=true]");
        Assert.Contains("EV 9.5", said, StringComparison.Ordinal);
        Assert.DoesNotContain("no flash", said, StringComparison.Ordinal);
        Assert.DoesNotContain("silent", said, StringComparison.Ordinal);
    }

    [Fact]
    public void What_if_tells_what_each_loss_would_cost_and_leads_to_it()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.Button("What if").Click();
        page.VerdictBecomes("35 pictures that matter, 89 losses tried: two things, one camera with all on it and one person could each cost at least one.");
        Assert.Equal(5, page.Driver.FindElements(By.CssSelector("tbody tr")).Count);
        page.Button("84 others can go").Click();
        page.Until(() => page.Driver.FindElements(By.CssSelector("tbody tr")).Count == 89, "everything that was tried");
        page.Driver.FindElements(By.CssSelector("tbody tr")).First(r => r.Text.StartsWith("K1 adapter thing", StringComparison.Ordinal))
            .FindElement(By.CssSelector("a")).Click();
        page.VerdictBecomes("Without the K1 adapter, Ring close-up is late");
        Assert.Contains("need=ring", page.Path, StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    private static void EditElsewhere(Site site, string key, int revision, double ev)
    {
        using var client = new HttpClient { BaseAddress = site.Address };
        using var edit = JsonContent.Create(new { baseRevision = revision, edits = new[] { new { type = "setPart", part = "vows", ev } } });
        Assert.True(client.PostAsync(new Uri($"/api/assignments/{key}/edits", UriKind.Relative), edit).Result.IsSuccessStatusCode);
    }

    [Fact]
    public void On_a_phone_by_touch()
    {
        var site = Site.Shared;
        using var page = new Page(site, 390, 844, touch: true).Open(Page.Wedding);
        page.VerdictBecomes(AsPlanned);
        Assert.True((bool)page.Driver.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!, "the page scrolls sideways");
        var hand = page.Hand("dinner", "lead", "right");
        page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", hand);
        hand.Click();
        var choice = page.Find("ul[aria-label='Glass that fits'] button[aria-pressed=false]");
        Assert.True(choice.Size.Height >= 44, $"a touch target of {choice.Size.Height} px");
        choice.Click();
        page.Until(() => page.Find("[data-revision]").GetAttribute("data-revision") == "2", "the edit");
        page.Find("section[aria-label=Inspector] > button").Click();
        page.Button("Pull test").Click();
        page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", page.Thing("z70"));
        page.Thing("z70").Click();
        page.VerdictBecomes("Without the 70–200 f/2.8, Speaker's face is lost");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_damaged_file_is_refused_in_words_and_an_exported_one_opens()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/");
        var file = Path.Combine(Path.GetTempPath(), $"yoke-{Guid.NewGuid():N}.yoke.json");
        var sound = File.ReadAllText(Path.Combine(Site.Root, "demo/track-night.yoke.json"));
        File.WriteAllText(file, sound.Replace("\"megapixels\": 24", "\"megapixels\": \"many\"", StringComparison.Ordinal));
        page.Until(() => page.Has("section[aria-label=Begin] button"), "the page");
        page.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        Assert.Contains("items[0].megapixels", page.Text("[role=alert]"), StringComparison.Ordinal);
        File.WriteAllText(file, sound);
        page.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        page.VerdictBecomes("Two needs hang by one thing.");
        Assert.Equal("/track-night-2/day", page.Path);
        File.Delete(file);
    }
}
