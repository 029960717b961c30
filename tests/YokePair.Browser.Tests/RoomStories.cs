using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Light, benches, the team and the setups with the fewest changes, as one uses them.</summary>
public sealed class RoomStories
{
    private const string Inspector = "section[aria-label=Inspector]";

    [Fact]
    public void Bags_and_cameras_come_and_go()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open("/steamer-wedding/day?show=team");
        const string Bags = "section[aria-label='Bags and pouches']";
        page.Find($"{Bags} form input").SendKeys("Sling");
        page.Button("Take it along").Click();
        page.Until(() => page.Has($"{Bags} [role=group][aria-label=Sling]"), "the new bag");
        // Two things at once, by keyboard.
        page.Find($"{Bags} [aria-label=Roller] summary").Click();
        page.Find($"{Bags} [aria-label=Roller] li:nth-child(1) input").SendKeys(" ");
        page.Find($"{Bags} [aria-label=Roller] li:nth-child(2) input").SendKeys(" ");
        page.Choose($"{Bags} [aria-label=Roller] details select", "place-sling");
        page.Until(() => page.Text($"{Bags} [aria-label=Sling]").Contains("2 things", StringComparison.Ordinal), "two things in it");
        page.Choose($"{Bags} [aria-label=Sling] label:last-of-type select", "roller");
        page.Until(() => !page.Has($"{Bags} [aria-label=Sling]"), "no sling");

        const string Lead = "ul[aria-label='Cameras of Lead']";
        page.Choose($"{Lead} form select", "b5");
        page.Button("Take it").Click();
        page.Until(() => page.Has("[data-hand='details/lead/third']"), "a third camera on the board");
        page.Button("Work without third").Click();
        page.Until(() => !page.Has("[data-hand='details/lead/third']"), "two cameras again");
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_gap_in_the_dark_is_closed_with_lights_in_the_room()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding + "?part=lanterns&hand=lead%3Aleft");
        Assert.Equal(0, page.Strands("lanterns/launch"));
        page.Choose(Inspector + " select:has(option[value=tr1])", "tr1");
        page.Until(() => page.Driver.FindElement(By.CssSelector(Inspector + " select:has(option[value=tr1])")).GetAttribute("value") == "tr1",
            "the trigger in the shoe");
        page.Find("button[data-cell='0:11']").Click();
        page.Button("As in Dance floor").Click();
        page.Until(() => page.Text("button[data-cell='0:11']").Contains("2 lights", StringComparison.Ordinal), "two lights in the part's head");
        Assert.Contains("Stands topple", page.Text("ul[aria-label=Cautions]"), StringComparison.Ordinal);

        page.Need("lanterns/launch").Click();
        page.Button("Change what it asks").Click();
        page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", page.Button("lights in the room"));
        page.Button("lights in the room").Click();
        Type(page, "Lights asked", "1");
        Type(page, "m from the subject", "4");
        page.Button("Change it").Click();
        page.Until(() => page.Strands("lanterns/launch") > 0, "the gap closed");
        page.Until(() => !page.Verdict.Contains("not covered", StringComparison.Ordinal), "a day without gaps");
        // The panel asks anew after the verdict has come.
        page.Until(() => page.Text(Inspector).Contains("Radio trigger", StringComparison.Ordinal), "the trigger in the ways");
        Assert.Contains("% power", page.Text(Inspector), StringComparison.Ordinal);

        // The light of the place, from what somebody noted there, makes it unnecessary.
        page.Find("button[data-cell='0:11']").Click();
        page.Find("form[aria-label='From a noted exposure'] input").SendKeys("2");
        page.Press(Keys.Tab, "1/125", Keys.Tab, "800", Keys.Enter);
        page.Until(() => page.Text("button[data-cell='0:11']").Contains("EV 5.97", StringComparison.Ordinal), "the light it comes to");
        page.Until(() => page.Strands("lanterns/launch") > 1, "more ways");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_must_be_covered_all_along_says_which_stretch_is_not_and_what_is_still_the_picture()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.Need("boarding/gangway").Click();
        page.Button("Change what it asks").Click();
        page.Find(Inspector + " fieldset:nth-of-type(2) summary").Click();
        page.Driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", page.Button("must be covered all along"));
        page.Button("must be covered all along").Click();
        Type(page, "or mm", "85–1200");
        page.Button("Change it").Click();
        page.Until(() => page.Strands("boarding/gangway") == 0, "the far end not covered");
        page.Until(() => page.Text(Inspector).Contains(", all of it", StringComparison.Ordinal), "what it asks");
        page.Until(() => page.Text("body").Contains("mm and more", StringComparison.Ordinal), "the stretch, in words");
        page.Button("Framing bench").Click();
        page.Until(() => page.Has("[data-uncovered]"), "the stretch, drawn");
        Assert.Contains("dashed is what is not", page.Text("section[aria-label='Framing bench']"), StringComparison.Ordinal);

        // A tighter or wider picture of it will do as well.
        page.Button("Change what it asks").Click();
        Type(page, "or still fine, mm", "24–1200");
        page.Button("Change it").Click();
        page.Until(() => page.Strands("boarding/gangway") > 0, "second best all along");
        page.Until(() => !page.Has("[data-uncovered]"), "nothing left uncovered");
        page.Until(() => page.Text("section[aria-label='Framing bench']").Contains("wider than asked", StringComparison.Ordinal), "what it costs");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void The_benches_lay_out_every_glass_and_what_the_backup_costs()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding + "?part=vows&need=rings");
        page.Button("Framing bench").Click();
        page.Until(() => page.Has("section[aria-label='Framing bench']"), "the framing bench");
        Assert.EndsWith("bench=framing", page.Path, StringComparison.Ordinal);
        var framing = page.Text("section[aria-label='Framing bench']");
        Assert.Contains("first choice", framing, StringComparison.Ordinal);
        Assert.Contains("2 stops lost", framing, StringComparison.Ordinal);
        Assert.Contains("of the frame cropped away", framing, StringComparison.Ordinal);

        page.Driver.Navigate().Refresh();
        page.Find("section[aria-label='Framing bench']");
        page.Open(Page.Wedding + "?part=floor&need=throw&bench=light");
        page.Until(() => page.Text("section[aria-label='Light bench']").Contains("% power, again in", StringComparison.Ordinal), "flash by its power");
        Assert.Contains("diffraction softens single pixels from f/8.2", page.Text("section[aria-label='Light bench']"), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Fewest_changes_are_proposed_by_key_taken_in_part_and_put_back()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.Find("[data-need]");
        page.Hands.KeyDown(Keys.Shift).SendKeys("f").KeyUp(Keys.Shift).Perform();
        page.Until(() => page.Has(Inspector) && page.Text(Inspector)
            .Contains("Recommended: 2 changes, 2 hang, all habits kept proven the least", StringComparison.Ordinal), "a proof");
        Assert.Contains("Now 18 changes, 3 hang", page.Text(Inspector), StringComparison.Ordinal);
        var before = Knots(page);
        var pieces = page.Driver.FindElements(By.CssSelector(Inspector + " li input[type=checkbox]"));
        Assert.True(pieces.Count > 2);
        pieces[0].Click();
        page.Button($"Take {pieces.Count - 1} of it").Click();
        page.Until(() => Knots(page) < before, "fewer knots on the board");
        Assert.Contains("The day has changed since", page.Text(Inspector), StringComparison.Ordinal);
        page.Button("Undo").Click();
        page.Until(() => Knots(page) == before, "all as it was");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Why_a_need_hangs_is_drawn_with_what_would_mend_it_and_opens_each_thing_by_key()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding + "?part=details&need=ring");
        const string Drawing = Inspector + " ol[aria-label='From the hands to the picture']";
        page.Until(() => page.Has(Drawing) && page.Text(Inspector + " figcaption")
            .Contains("hangs by the K1 adapter: every way passes through it", StringComparison.Ordinal), "the drawing");
        page.Until(() => page.Text(Inspector + " figcaption").Contains("Dotted: ", StringComparison.Ordinal), "what the mend would add");
        Assert.Contains("any of 6 LB7", page.Text(Drawing), StringComparison.Ordinal);
        // In the order of the strands, and each knot is its thing.
        var adapter = page.Driver.FindElements(By.CssSelector(Drawing + " button")).First(b => b.Text.StartsWith("K1 adapter", StringComparison.Ordinal));
        adapter.SendKeys(Keys.Enter);
        page.Until(() => page.Driver.Url.EndsWith("?item=ad1", StringComparison.Ordinal), "the adapter itself");
        page.Button("What carries most").Click();
        page.Until(() => page.Text(Inspector + " figcaption").Contains("One picture hangs by 70–200 f/2.8 and K1 adapter each", StringComparison.Ordinal),
            "what carries most of the day");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_part_is_kept_as_a_kind_and_a_habit_with_whom_it_belongs_to()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding + "?part=vows");
        page.Button("Keep this part as a kind …").Click();
        var name = page.Find("form[aria-label='Keep this part as a kind'] input");
        name.Clear();
        name.SendKeys("Vows at sea" + Keys.Enter);
        page.Until(() => page.Text(Inspector).Contains("“Vows at sea” can be added to any day", StringComparison.Ordinal), "the kind kept");
        page.Until(() => page.Find("select[aria-label='Add a part after it']").Text.Contains("Vows at sea, 40 min", StringComparison.Ordinal),
            "it in the list");
        page.Button("2 photographers").Click();
        page.Find(Inspector + " [role=group][aria-label=Lead] summary").Click();
        page.Choose("form[aria-label='Glass Lead takes'] label:nth-of-type(2) select", "l35");
        page.Choose("form[aria-label='Glass Lead takes'] label:nth-of-type(3) select", "l85");
        page.Button("Keep this habit").Click();
        page.Until(() => page.Text(Inspector).Contains("35 f/1.4 or 85 f/1.4 for every other part", StringComparison.Ordinal), "the habit");
        page.Button("Undo").Click();
        page.Until(() => !page.Text(Inspector).Contains("for every other part", StringComparison.Ordinal), "no habit");
        page.Open("/");
        page.Until(() => page.Text("form[aria-label='Start a day']").Contains("Vows at sea", StringComparison.Ordinal), "one's own kinds");
        page.Find("button[aria-label='Forget Vows at sea']").Click();
        page.Until(() => !page.Text("form[aria-label='Start a day']").Contains("Vows at sea", StringComparison.Ordinal), "it forgotten");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void A_team_of_three_a_day_more_and_two_places_at_once()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.Button("2 photographers").Click();
        page.Find(Inspector + " form[aria-label='Somebody else'] input").SendKeys("Ned" + Keys.Enter);
        page.Until(() => page.Text("div:has(> h1)").Contains("and 1 assistant", StringComparison.Ordinal), "an assistant in the header");
        Assert.Contains("what they carry costs the others 10 s", page.Text("[role=group][aria-label=Ned]"), StringComparison.Ordinal);
        page.Button("Add a day like the last").Click();
        page.Until(() => page.Text("div:has(> h1)").Contains("2 days", StringComparison.Ordinal), "two days");
        Assert.Contains("13 Sun", page.Text("button[data-cell='0:12']"), StringComparison.Ordinal);
        page.Button("Undo").Click();
        page.Until(() => !page.Text("div:has(> h1)").Contains("2 days", StringComparison.Ordinal), "one day again");

        // Toast from half past one on: the second goes there, the lead stays with the vows.
        page.Open(Page.Wedding + "?part=toast");
        var start = page.Find(Inspector + " input[type=datetime-local]");
        page.Driver.ExecuteScript(
            "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set; arguments[0].focus(); set.call(arguments[0], "
                + "'2027-06-12T13:40'); arguments[0].dispatchEvent(new Event('input', {bubbles: true})); arguments[0].blur()", start);
        page.Until(() => page.Has("[role=alert]") && page.Text("[role=alert]").Contains("cannot be at both", StringComparison.Ordinal),
            "who cannot be in two places");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_is_in_the_shoe_and_under_the_camera_is_set_for_a_hand()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding + "?part=vows&hand=lead%3Aright");
        page.Choose(Inspector + " select:has(option[value=tp1])", "tp1");
        page.Until(() => page.Driver.FindElement(By.CssSelector(Inspector + " select:has(option[value=tp1])")).GetAttribute("value") == "tp1", "on the tripod");
        page.Choose(Inspector + " select:has(option[value=tr1])", "tr1");
        page.Until(() => page.Driver.FindElement(By.CssSelector(Inspector + " select:has(option[value=tr1])")).GetAttribute("value") == "tr1",
            "the trigger in the shoe");
        page.Button("left alone").Click();
        page.Until(() => page.Verdict.Contains("Exchange of rings", StringComparison.Ordinal) || page.Strands("vows/rings") < 3, "what leaving it alone costs");
        Assert.Empty(page.Complaints());
    }

    private static int Knots(Page page) => page.Driver.FindElements(By.CssSelector("[data-hand] circle")).Count;

    private static void Type(Page page, string label, string text)
    {
        var input = page.Driver.FindElement(By.XPath($"//form[@aria-label='Change the need']//label[normalize-space(text())='{label}']/input"));
        input.SendKeys(Keys.Control + "a");
        input.SendKeys(text);
    }
}
