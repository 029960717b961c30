using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>The locker as its owner meets it.</summary>
public sealed class LockerStories
{
    /// <summary>Forty lines as they stand in a notebook.</summary>
    private const string Notebook = """
        body Halm 45 K2 45MP iso12800 CFx-B+SD LB7 12fps silent #1
        body Halm 45 K2 45MP iso12800 CFx-B+SD LB7 12fps silent #2
        body Orrin 20 K2 20MP crop1.5 iso6400 SD+SD LB2
        24-70/2.8 K2 #1 820g
        24-70/2.8 K2 #2 820g @second
        70-200/2.8 K2 takesconverter stab3 1400g
        70-200/4 K2 stab4 @second
        14-24/2.8 K2
        14-24/4 K2 @second
        24/1.4 K2
        35/1.4 K2 #1
        35/1.8 K2 @second
        50/1.4 K2
        50/1.8 K2 @second
        85/1.4 K2
        85/1.8 K2 @second
        24/1.8 K2 @second
        100/2.8 macro K1
        60/2.8 macro K1
        300/2.8 K2 takesconverter 2.4kg
        adapter K1>K2
        adapter K1>K2 doubtful "K1 adapter, old"
        converter 1.4x K2 #1
        converter 1.4x K2 #2
        tube 16mm K2 #1
        tube 26mm K2 #2
        4x flash GN36 AA R24 canHear:yes #1
        2x trigger R24 #1
        8 sets of cells AA #1
        6x battery LB7 14.7Wh 2024-03 #1
        battery LB7 70% third-party #7
        2x battery LB2 8.4Wh #8
        2x card CFx-B 128 #11-12
        card CFx-B 128 #13-14
        6x card SD 64 #21
        2x charger LB7+LB2 #1
        2x reader CFx-B+SD #1
        2x drive 2TB #1
        tripod 1.65kg
        2x monopod #1
        """;

    [Fact]
    public void Forty_lines_from_a_notebook_are_in_without_leaving_the_keyboard()
    {
        using var site = new Site(seed: false);
        using var page = new Page(site).Open("/locker");
        page.VerdictBecomes("Nothing in the locker yet.");
        page.Press("a");
        foreach (var line in Notebook.Split('\n', StringSplitOptions.TrimEntries))
            page.Hands.SendKeys(line).KeyDown(Keys.Shift).SendKeys(Keys.Enter).KeyUp(Keys.Shift).Perform();
        page.Hands.SendKeys("35/2").Perform();
        page.Until(() => page.Driver.FindElements(By.CssSelector("[aria-label=Understood] li")).Count == 41, "41 lines read");
        Assert.Contains("Which mount? Type K2", page.Text("[aria-label=Understood] li:last-child"), StringComparison.Ordinal);
        page.Press(Keys.Enter);
        page.Until(() => page.Text("section[aria-label='Add things'] [role=status]") == "68 added, 1 line needs more.", "what was added");
        page.VerdictBecomes("Three things are alone of their kind.");
        var alone = page.Text("ul[aria-label='Alone of their kind']");
        foreach (var said in new[] { "K1 adapter nothing else sound leads from K1 to K2; without it 100 f/2.8 macro and 60 f/2.8 macro lie idle",
            "300 f/2.8 nothing else gives 300 mm", "Tripod the only tripod" })
            Assert.Contains(said, alone, StringComparison.Ordinal);
        // The line that was not complete is still there, with the caret behind it.
        Assert.Equal("35/2", page.Find("#quick").GetAttribute("value"));
        page.Hands.SendKeys(" K2" + Keys.Enter).Perform();
        page.Until(() => page.Find("#quick").GetAttribute("value")!.Length == 0, "the last line taken");
        page.Hands.SendKeys("tripod" + Keys.Enter).Perform();
        page.VerdictBecomes("Two things are alone of their kind.");

        site.KillAndRestart();
        page.Open("/locker").VerdictBecomes("Two things are alone of their kind.");
        page.PressWithControl("z");
        page.VerdictBecomes("Three things are alone of their kind.");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_rule_of_glass_is_walked_by_keyboard_and_seen_through_another_body()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/locker?day=2027-06-12");
        page.VerdictBecomes("Three things are alone of their kind; two are not here on the day.");
        Assert.Contains("Between 200 and 300 nothing reaches.", page.Text("section[aria-label=Glass]"), StringComparison.Ordinal);
        Assert.Contains("rented out until Jun 14, 2027", page.Thing("z70r", "thing").GetDomProperty("textContent")!, StringComparison.Ordinal);
        page.TabTo("section[aria-label=Glass] select");
        page.Press("Orrin", Keys.Enter);
        page.Until(() => page.Path.Contains("body=b4", StringComparison.Ordinal), "the body in the address");
        page.Until(() => page.Thing("l300", "thing").GetDomProperty("textContent")!.Contains("450 mm", StringComparison.Ordinal),
            "the 300 as seen on a crop body");
        page.TabTo("section[aria-label=Glass] li button");
        page.Press(Keys.ArrowDown, Keys.ArrowDown, Keys.Enter);
        page.Until(() => page.Has("section[aria-label=Inspector] input"), "a lens in figures");
        page.Press(Keys.Escape);
        page.Until(() => !page.Has("section[aria-label=Inspector]"), "the panel closed");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_figure_is_typed_over_and_a_pair_overruled_and_deleting_is_explained()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/locker?day=2027-06-12&thing=ad1");
        page.Until(() => page.Text("section[aria-label=Inspector]").Contains("manual focus only 60 f/2.8 macro K1", StringComparison.Ordinal),
            "what is known of the pair");
        Assert.Contains("without it 100 f/2.8 macro K1 and 60 f/2.8 macro K1 lie idle", page.Text("section[aria-label=Inspector]"), StringComparison.Ordinal);
        page.Button("how 100 f/2.8 macro K1 goes with it").Click();
        page.Find("input[aria-label=Why]").SendKeys("jams when cold");
        page.Button("sometimes fails").Click();
        page.Until(() => page.Text("section[aria-label=Inspector]").Contains("you say: jams when cold", StringComparison.Ordinal), "the pair overruled");

        page.Button("Delete").Click();
        Assert.Contains("Steamer and boathouse takes K1 adapter along", page.Text("[role=alert]"), StringComparison.Ordinal);
        page.Button("Retire it").Click();
        // Without the sound one, the old one is all there is.
        page.Until(() => page.Text("ul[aria-label='Alone of their kind']").Contains("K1 adapter, old and loose", StringComparison.Ordinal),
            "the old adapter alone");
        page.Open(Page.Wedding).VerdictBecomes("One thing you plan to hold is not there that day.");
        Assert.Contains("the K1 adapter is retired", page.Text("section[aria-label=Verdict]"), StringComparison.Ordinal);
        page.Open("/locker").Until(() => page.Button("Undo").Enabled, "something to undo");
        page.Button("Undo").Click();
        // Leaving the page before the answer has come would leave the undo unsaid.
        page.Until(() => page.Button("Redo").Enabled, "the undo made");
        page.Open(Page.Wedding).VerdictBecomes("Two needs hang by one thing, one is not covered.");
    }

    [Fact]
    public void Filtered_things_are_changed_at_once()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/locker");
        page.Find("#find").SendKeys("card sd 64");
        page.Until(() => page.Text("section[aria-label=Find] [role=status]") == "8 of 129", "what was looked for");
        page.Button("Change these 8").Click();
        page.Find("input[aria-label=Value]").SendKeys("second");
        page.Button("on 8 things").Click();
        page.Until(() => page.Driver.FindElements(By.CssSelector("section[aria-label=Found] li"))
            .Count(l => l.Text.EndsWith("second", StringComparison.Ordinal)) == 8, "all eight with the second");
        page.Button("Undo").Click();
        page.Until(() => page.Driver.FindElements(By.CssSelector("section[aria-label=Found] li"))
            .Count(l => l.Text.EndsWith("second", StringComparison.Ordinal)) < 8, "that taken back");
    }

    [Fact]
    public async Task With_a_thousand_things_more_no_key_is_lost_while_one_looks_for_something()
    {
        using var site = new Site(seed: true);
        using (var client = new HttpClient { BaseAddress = site.Address })
        using (var table = new ByteArrayContent(System.Text.Encoding.UTF8.GetBytes("kind;name;number;type;gigabytes\n"
            + string.Concat(Enumerable.Range(1000, 1000).Select(n => FormattableString.Invariant($"card;Card {n};{n};SD;64\n"))))))
        {
            table.Headers.ContentType = new("application/octet-stream");
            Assert.True((await client.PostAsync(new Uri("/api/locker/import?keep=true", UriKind.Relative), table)).IsSuccessStatusCode);
        }
        using var page = new Page(site).Open("/locker");
        page.Find("#find").SendKeys("card 19 sd 64 gb");
        Assert.Equal("card 19 sd 64 gb", page.Find("#find").GetAttribute("value"));
        page.Until(() => page.Text("section[aria-label=Find] [role=status]").EndsWith("of 1129", StringComparison.Ordinal), "what was found");
        Assert.NotEmpty(page.Driver.FindElements(By.CssSelector("section[aria-label=Found] li")));
    }

    [Fact]
    public void A_table_is_looked_at_row_by_row_before_it_is_kept()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/locker/import");
        var file = Path.Combine(Path.GetTempPath(), $"yoke-{Guid.NewGuid():N}.csv");
        const string head = "id;kind;name;mount;focal;aperture;weightG\nl24;lens;24 f/1.4;K2;24;1,4;635\n;lens;40 f/2;K2;40;2;180\n";
        File.WriteAllText(file, head + ";lens;Odd;K2;wide;2;\n");
        page.Find("label:has(input[type=file])");
        page.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        page.VerdictBecomes("1 new, 1 changed, 1 refused.");
        Assert.Contains("focal \"wide\" is not understood; write it as 50 or 24-70", page.Text("section[aria-label=Rows]"), StringComparison.Ordinal);
        Assert.False(page.Button("Keep all").Enabled);
        File.WriteAllText(file, head);
        page.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        page.VerdictBecomes("1 new, 1 changed.");
        Assert.Contains("weight 620 → 635", page.Text("section[aria-label=Rows]"), StringComparison.Ordinal);
        page.Button("Keep all 2").Click();
        page.VerdictBecomes("1 added, 1 changed.");
        page.Button("To the locker").Click();
        page.Until(() => page.Has("[data-thing=lens-40-f-2]"), "the new lens on the rule");
        File.Delete(file);
    }

    [Fact]
    public void A_thing_is_taken_along_from_the_locker()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.VerdictBecomes("Two needs");
        page.Until(() => page.Has("#take option[value=l300]"), "what is in the locker");
        var take = page.Find("#take");
        take.SendKeys("85 f/1.8 no. 2" + Keys.Enter);
        Assert.Contains("It is in repair until Jun 20, 2027", page.Text("form[aria-label='Take along']"), StringComparison.Ordinal);
        take.FindElement(By.CssSelector("option[value=l300]")).Click();
        page.Button("Pack it").Click();
        page.Until(() => page.Has("[data-item=l300]"), "the 300 on the shelf");
        page.Thing("l300").Click();
        page.Button("Leave at home").Click();
        page.Until(() => !page.Has("[data-item=l300]"), "the shelf without it");
        Assert.Empty(page.Complaints());
    }
}
