using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Where every picture is, what would be gone with what, and whether a card may be cleared: through the page.</summary>
public sealed class CardStories
{
    private const string Losses = "section[aria-label='What would be gone']", ToDo = "section[aria-label='To do, in order']",
        Clear = "section[aria-label='May I clear it?']",
        Copying = "section[aria-label='Copy and verify']";

    [Fact]
    // Long: one story, from the evening before to the card that may be cleared.
    public void The_wedding_is_driven_from_morning_to_a_card_that_may_be_cleared()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/steamer-wedding/cards");
        page.VerdictBecomes("From 2:10");
        Assert.Contains("Exchange of rings and First kiss in Vows, 90 frames, are in the Halm 45 no. 2 and nowhere else.", page.Verdict,
            StringComparison.Ordinal);
        Assert.Contains("1267 frames of twelve parts", page.Verdict, StringComparison.Ordinal);
        Assert.Contains("Change before Toast and Dinner and speeches", page.Verdict, StringComparison.Ordinal);
        page.Button("Do it so").Click();
        page.Until(() => page.Verdict.Contains("two CFexpress-B and nine SD are lacking", StringComparison.Ordinal), "what that takes");
        Assert.Contains("slot 1: 14 in, 11 to the wallet of Lead; slot 2: 23 in, 15 to the wallet of Second", page.Text(ToDo), StringComparison.Ordinal);

        Lived("In as planned");
        page.Until(() => page.Text(Clear).Contains("0 of 8 that are not clear", StringComparison.Ordinal), "eight cards in cameras");
        Lived("Changed as planned");
        page.Until(() => page.Text(Clear).Contains("0 of 10 that are not clear", StringComparison.Ordinal), "two more");
        // Twice cannot be: it says which card is where.
        Lived("Changed as planned");
        page.Until(() => page.Text("[role=alert]").Contains("Card 14 is in the Halm 45 no. 1 already.", StringComparison.Ordinal), "that it was done already");
        // A camera is stolen with both of its cards: the record says which pictures are gone, and the evening goes on without it.
        Ask(19, "No: it is in the Orrin 20.");
        page.Button("The Orrin 20 is stolen").Click();
        Ask(19, "It is lost, and nothing else holds its pictures.", open: false);
        page.Until(() => page.Text(Clear + " [role=note]").Contains("Gone for good, as planned: Boarding 19 frames, Vows 22 frames", StringComparison.Ordinal),
            "what is gone");
        Lived("Out as planned");
        Ask(12, "No: there are two copies, not three.");
        page.Button("Copied to the Copy drive").Click();
        Ask(12, "No: there are two copies; the copy on Copy drive was not read back.", open: false);
        // Whoever clears it all the same types what that means; anything else is refused and stays typed.
        page.Find(Clear + " details summary").Click();
        page.Find(Clear + " form input").SendKeys("clear it" + Keys.Enter);
        page.Until(() => page.Text("[role=alert]").Contains("Type in full: clear Card 12 with two copies in two places", StringComparison.Ordinal),
            "the whole words");
        Assert.Equal("clear it", page.Find(Clear + " form input").GetAttribute("value"));
        page.Button("Read back from Copy drive: the same").Click();
        Ask(12, "Yes: three copies in two places.", open: false);
        Assert.Empty(page.AccessibilityFindings());

        // A card in the reader is really copied, to two drives at once, and is in the book when every file has been read back.
        Ask(11, "No: there are two copies, not three.");
        page.Choose($"{Copying} select", Path.Combine(site.Data, "stand-ins", "reader", "card-11"));
        foreach (var drive in (string[])["drive-of-lead", "drive-of-second"]) page.Driver.FindElements(By.CssSelector($"{Copying} fieldset label"))
            .First(l => l.Text.EndsWith(drive, StringComparison.Ordinal)).Click();
        page.Button("Copy and read back").Click();
        page.Until(() => page.Text(Copying).Contains("5 files are safe: read back, the same", StringComparison.Ordinal), "a copy that is safe");
        Ask(11, "Yes: four copies in two places.", open: false);
        Assert.True(File.Exists(Path.Combine(site.Data, "stand-ins", "drive-of-second", "card-11", "manifest-sha256.txt")));
        page.Button("Copy and read back").Click();
        page.Until(() => page.Text(Copying).Contains("is there already; nothing is written over", StringComparison.Ordinal), "that nothing is written over");
        page.Find($"{Clear} button[aria-label^='Card 12,']").Click();

        // A card dies: its other half is there.
        Ask(18, "No: there are two copies, not three.");
        page.Button("It is lost").Click();
        Ask(18, "It is lost; Card 17 holds its pictures.", open: false);
        page.Find($"{Clear} button[aria-label^='Card 12,']").Click();

        // From anywhere by its number; and a killed server has lost nothing.
        Assert.Empty(page.Complaints());
        site.KillAndRestart();
        page.Open("/steamer-wedding/day");
        page.VerdictBecomes("Two needs");
        // What was asked of it when it was killed had no answer.
        Assert.All(page.Complaints(), c => Assert.Contains("net::ERR_", c, StringComparison.Ordinal));
        page.Press("/");
        page.Find("[role=combobox]").SendKeys("12");
        page.Until(() => page.Text("#finds").Contains("Yes: three copies in two places.", StringComparison.Ordinal), "the answer in the line");
        page.Find("[role=combobox]").SendKeys(Keys.Enter);
        Ask(12, "Yes: three copies in two places.", open: false);
        page.Button("Clear it").Click();
        Ask(12, "It is clear.", open: false);
        // Its other half is one of two now.
        Ask(16, "No: there are two copies, not three.");
        Assert.Empty(page.Complaints());

        void Lived(string word) => page.Until(() => page.Driver.FindElements(By.CssSelector(ToDo + " button")).First(b => b.Text == word && b.Enabled), word)
            .Click();

        void Ask(int card, string answer, bool open = true)
        {
            if (open) page.Find($"{Clear} button[aria-label^='Card {card},']").Click();
            page.Until(() => page.Text(Clear + " [role=status]").Contains($"Card {card}: {answer}", StringComparison.Ordinal), answer);
        }
    }

    [Fact]
    public void A_loss_opens_to_the_pictures_that_would_be_gone_and_both_halves_in_one_wallet_are_told()
    {
        using var page = new Page(Site.Shared).Open("/steamer-wedding/cards");
        page.VerdictBecomes("From 2:10");
        page.Button("the Halm 45 no. 2 is stolen").Click();
        Assert.Contains("Worst at 11:00", page.Text(Losses), StringComparison.Ordinal);
        Assert.Contains("First kiss (Vows)", page.Text(Losses), StringComparison.Ordinal);
        page.Button("A card for each part").Click();
        page.Until(() => !page.Verdict.Contains("1267", StringComparison.Ordinal) || page.Verdict.Contains("lacking", StringComparison.Ordinal),
            "what a card for each part lacks");
        page.Button("… both in one wallet").Click();
        page.Until(() => page.Text(Losses).Contains("the wallet of Lead is lost", StringComparison.Ordinal), "the wallet");
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void What_is_sent_is_a_copy_and_a_day_without_its_drive_is_mended()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/track-night/cards");
        page.VerdictBecomes("From ");
        const string sent = "section[aria-label='Sent as it is taken']", homes = "[aria-label='Who drives home with what']";
        Assert.Contains("Home with You: cards 1, 2, 3, 4 and the Copy drive", page.Text(homes), StringComparison.Ordinal);
        page.Find(sent + " summary").Click();
        page.Button("Send").Click();
        page.Until(() => page.Text(sent)
            .Contains("Vantis 24 no. 1 by radio to the desk, at the usual speed, which says what has arrived, in Warm-up, Sprint heats",
            StringComparison.Ordinal), "what is sent");
        page.Until(() => page.Text(Losses).Contains("as JPEG only", StringComparison.Ordinal), "the JPEGs that are left");
        Assert.Empty(page.AccessibilityFindings());
        page.Button("No more").Click();
        page.Until(() => !page.Text(Losses).Contains("as JPEG only", StringComparison.Ordinal), "as before");

        // Frames that somebody waits for, typed at the need: the page says what stands in their way, and then that they are there.
        page.Open("/track-night/day");
        page.Find("[data-need$='/finish']").Click();
        page.Button("Change what it asks").Click();
        TypedStories.Type(page, "Frames somebody waits for", "10");
        page.Button("Change it").Click();
        page.Open("/track-night/cards");
        page.VerdictBecomes("From ");
        page.Until(() => page.Verdict.Contains("Ten frames of Finish, head on by 8:30", StringComparison.Ordinal)
            && page.Verdict.Contains(": nothing is sent from the Vantis 24 no. ", StringComparison.Ordinal), "what stands in the way");
        page.Find(sent + " summary").Click();
        page.Button("Send").Click();
        page.Until(() => page.Verdict.Contains("min late, at that speed", StringComparison.Ordinal), "that ten take a while");

        // Drive and reader stay at home: what that leaves is told.
        page.Open("/track-night/cards?pull=dr&pull=rd");
        page.Until(() => page.Verdict.Contains("there is no drive or reader in the plan", StringComparison.Ordinal), "that nothing is copied");
        Assert.Contains("Take the", page.Text("section[aria-label='What would do']"), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void On_the_phone_one_draws_the_time_along_the_day_and_sees_where_the_cards_are()
    {
        using var page = new Page(Site.Shared, width: 390, height: 844, touch: true).Open("/track-night/cards");
        page.VerdictBecomes("From ");
        var cards = "section[aria-label='Where the cards are']";
        Assert.Contains("at the end of the day", page.Text(cards), StringComparison.Ordinal);
        page.Find(cards + " input[type=range]").SendKeys(Keys.Home);
        page.Until(() => page.Text(cards).Contains("Clear, in", StringComparison.Ordinal) && !page.Text(cards).Contains("Shot", StringComparison.Ordinal),
            "the morning");
        Assert.True((bool)page.Driver.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!);
        Assert.Empty(page.AccessibilityFindings());
    }
}
