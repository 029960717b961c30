using System.Net.Http.Json;
using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Takes the pictures of docs/screenshots from the demo days; run by <c>./yoke shots</c> only.</summary>
public sealed class Shots
{
    private static readonly string Folder = Path.Combine(Site.Root, "docs/screenshots");

    [Theory(Explicit = true)]
    [InlineData("board-table", "table", "")]
    [InlineData("board-hall-pull", "hall", "?pull=ad1%40details&pull=rig%3Ab1%40families")]
    [InlineData("inspector-hand", "table", "?part=details&hand=lead%3Aright")]
    public void Of_the_board(string name, string theme, string query)
    {
        using var site = new Site(seed: true);
        using var page = new Page(site, theme: theme).Open(Page.Wedding + query);
        Take(page, name);
    }

    [Theory(Explicit = true)]
    [InlineData("locker-glass", "table", "?day=2027-06-12")]
    [InlineData("locker-thing", "hall", "?day=2027-06-12&body=b2&thing=ad1")]
    public void Of_the_locker(string name, string theme, string query)
    {
        using var site = new Site(seed: true);
        using var page = new Page(site, theme: theme).Open("/locker" + query);
        page.Find("[data-thing]");
        Thread.Sleep(1000);
        page.Picture(Path.Combine(Folder, name + ".png"));
    }

    [Fact(Explicit = true)]
    public void Of_what_may_stay_at_home_and_why_a_need_hangs()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Page.Wedding + "?show=kit");
        page.Button("Leave them at home");
        Take(page, "dead-weight");
        page.Open(Page.Wedding + "?part=details&need=ring");
        page.Until(() => page.Text("figcaption").Contains("Dotted: ", StringComparison.Ordinal), "what would mend it");
        Take(page, "pinch");
    }

    [Fact(Explicit = true)]
    public void Of_a_day_from_a_template()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/");
        page.Find("form[aria-label='Start a day'] input").SendKeys("Orchard wedding");
        page.Find("form[aria-label='Start a day'] input[type=date]").SendKeys("07032027");
        page.Find("form[aria-label='Start a day'] input[type=checkbox]").Click();
        page.Button("Start it").Click();
        page.Find("[data-need]");
        page.Open(page.Path + "?part=part-ceremony");
        Take(page, "board-from-template");
    }

    [Theory(Explicit = true)]
    [InlineData("phone-day", "")]
    public void Of_the_phone(string name, string query)
    {
        using var site = new Site(seed: true);
        using var page = new Page(site, 390, 844, touch: true, theme: "hall").Open(Page.Wedding + query);
        Take(page, name);
    }

    [Fact(Explicit = true)]
    public void Of_a_list_in_the_hallway()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site, 390, 844, touch: true, theme: "hall").Open("/steamer-wedding/lists?list=morning&by=price");
        page.Find("[role=checkbox]");
        foreach (var row in page.Driver.FindElements(By.CssSelector("[role=checkbox]")).Skip(1).Take(3)) row.Click();
        page.Until(() => page.Text("footer").StartsWith("3 of ", StringComparison.Ordinal), "three ticked");
        page.Picture(Path.Combine(Folder, "phone-list.png"));
    }

    [Fact(Explicit = true)]
    public void Of_the_day_itself()
    {
        using var site = new Site(seed: true);
        using (var phone = new Page(site, 390, 844, touch: true).At("2027-06-12T13:42").Open("/steamer-wedding/live?person=lead"))
        {
            phone.Find("section[aria-label='In your hands']");
            phone.Picture(Path.Combine(Folder, "phone-now.png"));
        }
        using var page = new Page(site).Open("/steamer-wedding/on-the-day");
        page.Until(() => page.Has("section[aria-label^=Questions] li") && page.Text("section[aria-label='To take along']")
            .Contains("LATE", StringComparison.Ordinal), "the desk");
        page.Picture(Path.Combine(Folder, "on-the-day.png"));
    }

    /// <summary>What the pictures of the wedding tell, and the season with a second assignment on the same evening and one the day after.</summary>
    [Fact(Explicit = true)]
    public async Task Of_afterwards_and_the_season()
    {
        using var site = new Site(seed: true);
        using (var client = new HttpClient { BaseAddress = site.Address })
        {
            var style = new { style = "two-primes", second = false };
            foreach (var (name, day, lines) in new[] { ("Yacht house party", "2027-06-12", "18:00 dinner, the yacht house 2 h"),
                ("Sunday vows", "2027-06-13", "10:00 ceremony, the chapel 1 h\n12:00 dinner, the inn 2 h") })
                await client.PostAsJsonAsync("/api/assignments", new { name, day, template = (string?)null, timetable = lines, style.style, style.second });
            await client.PostAsJsonAsync("/api/assignments/steamer-wedding/copies", new { name = "Tower party", day = "2027-06-26" });
        }
        using var page = new Page(site).Open("/steamer-wedding/afterwards");
        var pictures = Path.Combine(site.Data, "stand-ins", "pictures", "steamer-wedding");
        page.Find("form label:nth-of-type(1) input").SendKeys(pictures);
        page.Find("form label:nth-of-type(2) input").SendKeys(pictures + "-delivered");
        page.Button("Read them").Click();
        page.Until(() => page.Has("[data-testid=used]") && page.Text("[data-testid=used]").Contains("only backup", StringComparison.Ordinal), "what was used");
        page.Driver.ExecuteScript("document.activeElement.blur()");
        page.Picture(Path.Combine(Folder, "afterwards.png"));
        page.Open("/").Find("main li");
        page.Open("/season").Find("[data-testid=season]");
        page.Until(() => !page.Has("[aria-label='not worked out']"), "every strand");
        page.Picture(Path.Combine(Folder, "season.png"));
    }

    [Fact(Explicit = true)]
    public void Of_the_other_views()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/");
        page.Until(() => page.Driver.FindElements(By.CssSelector("main li .font-semibold")).Count == 2, "both verdicts");
        page.Picture(Path.Combine(Folder, "assignments.png"));
        page.Open("/steamer-wedding/what-if").Find("tbody tr");
        page.Picture(Path.Combine(Folder, "what-if.png"));
        page.Open("/steamer-wedding/power").Find("section[aria-label='To do, in order'] li");
        page.Picture(Path.Combine(Folder, "power.png"));
        page.Open("/steamer-wedding/cards").Find("section[aria-label='To do, in order'] li");
        page.Picture(Path.Combine(Folder, "cards.png"));
        page.Open("/steamer-wedding/bags").Find("section[aria-label=Bags] li");
        page.Picture(Path.Combine(Folder, "bags.png"));
    }

    private static void Take(Page page, string name)
    {
        page.Find("[data-need]");
        // Explanations and mends follow the board by a moment.
        Thread.Sleep(2500);
        page.Driver.ExecuteScript("document.activeElement?.blur()");
        page.Hands.MoveToLocation(5, 5).Perform();
        page.Picture(Path.Combine(Folder, name + ".png"));
        Assert.DoesNotContain(page.Driver.FindElements(By.CssSelector("[role=alert]")), a => a.Displayed);
    }
}
