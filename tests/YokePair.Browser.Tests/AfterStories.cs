using System.Net.Http.Json;
using System.Text.Json;
using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Afterwards and between assignments, through the page: what was really used, what it teaches, what is not back yet.</summary>
public sealed class AfterStories
{
    private const string Parts = "section[aria-label='Part by part']", Glass = "section[aria-label='Glass and cameras']",
        Clocks = "section[aria-label='Clocks']",
        Batteries = "section[aria-label='Batteries']", Taught = "section[aria-label='What the next assignment starts with']",
            Gaps = "section[aria-label='What carries over']";

    private const string Field = "form input";

    private static System.Collections.ObjectModel.ReadOnlyCollection<IWebElement> All(Page page, string css) => page.Driver.FindElements(By.CssSelector(css));

    [Fact]
    public void The_day_s_pictures_tell_what_was_used_and_the_next_job_starts_with_it()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/afterwards");
        var pictures = Path.Combine(site.Data, "stand-ins", "pictures", "steamer-wedding");
        // What was not allowed is refused at its field, and what was typed stays.
        page.Until(() => All(page, Field).Count == 2, "where the pictures are");
        All(page, Field)[0].SendKeys("/etc");
        page.Button("Read them").Click();
        page.Until(() => page.Text("[role=alert]").Contains("is in none of the folders that may be used", StringComparison.Ordinal), "that it is not read");
        Assert.Equal("/etc", All(page, Field)[0].GetAttribute("value"));
        All(page, Field)[0].Clear();
        All(page, Field)[0].SendKeys(pictures);
        All(page, Field)[1].SendKeys(pictures + "-delivered");
        page.Button("Read them").Click();
        page.Until(() => All(page, "[data-testid=used]").Count > 0, "what was used");
        page.Until(() => page.Text("[data-testid=used]").Contains("only backup", StringComparison.Ordinal), "what is there for safety");
        Assert.StartsWith("You carried ", page.Text("[data-testid=used]"), StringComparison.Ordinal);
        Assert.Matches("took all but .* of the delivered pictures", page.Text("[data-testid=used]"));
        Assert.Equal(12, All(page, $"{Parts} li").Count);
        Assert.Contains("35 f/1.4", page.Text(Glass), StringComparison.Ordinal);
        // The stand-in of the second's cameras runs ahead: said, reckoned with at one touch, and taken back.
        Assert.Contains("47 s ahead of the Halm 45 no. 1", page.Text(Clocks), StringComparison.Ordinal);
        page.Button("Reckon with it").Click();
        page.Until(() => page.Text(Clocks).Contains("That is reckoned with here.", StringComparison.Ordinal), "a clock reckoned with");
        Assert.Empty(page.AccessibilityFindings());

        // How many batteries were changed makes a figure of the locker.
        page.Find($"{Batteries} input[aria-label='LB2 changed']").SendKeys("1");
        page.Find($"{Batteries} input[aria-label='LB2 % left at the end']").SendKeys("50" + Keys.Enter);
        page.Until(() => page.Text(Taught).Contains("pictures a charge", StringComparison.Ordinal), "what a charge gives");
        page.Until(() => All(page, $"{Taught} button[aria-label^='Do not use: The inn, preparation']").Count > 0, "the light of the inn");
        page.Find($"{Taught} button[aria-label^='Do not use: The inn, preparation']").Click();
        page.Until(() => All(page, $"{Taught} button[aria-label^='Use: The inn, preparation']").Count > 0, "that it is not used");

        // On the board, what was stands below what was planned.
        page.Open("/steamer-wedding/day");
        page.Until(() => All(page, "[data-testid=was]").Count > 20, "what was, under each hand");
        Assert.Contains("; was: ", page.Find("[data-hand='prep/lead/left']").GetAttribute("aria-label"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_two_jobs_take_at_once_is_told_in_the_season_and_another_date_is_offered()
    {
        using var site = new Site(seed: true);
        // The wedding's own hours, and what it takes, once more under another name.
        using (var client = new HttpClient { BaseAddress = site.Address })
        {
            var copied = await client.PostAsJsonAsync("/api/assignments/steamer-wedding/copies", new { name = "Tower party", day = "2027-06-12" });
            Assert.Equal("tower-party", (await copied.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("key").GetString());
        }
        using var page = new Page(site).Open("/tower-party/day");
        page.VerdictBecomes("19 things you plan to hold are not there that day.");
        page.Open("/season");
        page.Until(() => All(page, "[data-testid=season]").Count > 0, "the season");
        Assert.Contains("One later assignment goes without something as it stands.", page.Text("[data-testid=season]"), StringComparison.Ordinal);
        Assert.Contains("are promised to Steamer and boathouse at the same time", page.Text(Gaps), StringComparison.Ordinal);
        Assert.Empty(page.AccessibilityFindings());
        // All of it is away, charge and cards too: nothing one could hire would do, but another date does.
        Assert.DoesNotContain(All(page, $"{Gaps} button"), b => b.Text.StartsWith("Hire ", StringComparison.Ordinal));
        All(page, $"{Gaps} a").First(a => a.Text == "Another date for this assignment").Click();
        page.Until(() => page.Driver.Url.Contains("/tower-party/day?show=rules", StringComparison.Ordinal), "where its date is set");
        page.Open("/locker/insurance");
        page.Until(() => page.Text("[role=status]").Contains("of value as far as it is known", StringComparison.Ordinal), "the list for the insurer");
        Assert.Empty(page.AccessibilityFindings());
    }
}
