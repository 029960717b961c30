using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>On the day: the file for the phone with nothing else at hand, the card of paper, the same with the server, and what comes home.</summary>
public sealed partial class PocketStories : IClassFixture<PocketStories.Together>, IDisposable
{
    /// <summary>One program for all; each story has a wedding of its own in it.</summary>
    public sealed class Together : IDisposable
    {
        public Site Site { get; } = new(seed: true);

        public void Dispose() => Site.Dispose();
    }

    private const int MostBytes = 1_000_000;
    private const string Vows = "2027-06-12T13:42", Dinner = "2027-06-12T18:10";

    private readonly Site site;
    private readonly string key;
    private readonly HttpClient client;
    private readonly List<Page> offline = [];
    private readonly string folder = Directory.CreateTempSubdirectory("yoke-pocket-").FullName;

    public PocketStories(Together together)
    {
        site = together.Site;
        key = site.AnotherWedding();
        client = new HttpClient { BaseAddress = site.Address };
    }

    private string Api => $"/api/assignments/{key}";

    public void Dispose()
    {
        foreach (var phone in offline)
        {
            Network(phone, isGone: false);
            phone.Dispose();
        }
        client.Dispose();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    // Long: one story, as it is lived on the phone.
    public async Task The_file_alone_walks_through_the_worst_failure()
    {
        var file = await FileAsync("lead");
        Assert.InRange(new FileInfo(file).Length, 300_000, MostBytes);
        var phone = Open(file, Dinner);
        Assert.Contains("Dinner and speeches, the boathouse", phone.Text("main"), StringComparison.Ordinal);
        Assert.Contains("Once, here: Cutting the cake", phone.Text("main"), StringComparison.Ordinal);
        Assert.Equal(["35", "70–200"], phone.Driver.FindElements(By.CssSelector("section[aria-label='In your hands'] .text-4xl")).Select(e => e.Text));
        Assert.Empty(phone.AccessibilityFindings());
        // Dim by itself, from the first thing drawn.
        Assert.Equal("rgb(16, 23, 25)", phone.Driver.ExecuteScript("return getComputedStyle(document.body).backgroundColor"));

        // The worst of the day: the camera that alone has the speaker's face.
        phone.Button("Something failed").Click();
        Assert.Empty(phone.AccessibilityFindings());
        Button(phone, "The right camera fell").Click();
        Assert.Equal("Speaker's face: not as it was meant\nat 1/60 s: ISO 6900", phone.Text("section[aria-label='What to do now'] h1"));
        Assert.Contains("Couple listening: Second shoots it, left hand, 24–70, 5 s", phone.Text("main"), StringComparison.Ordinal);
        Assert.Contains("First dance", phone.Text("section[aria-label='The rest of the day']"), StringComparison.Ordinal);
        Assert.Empty(phone.AccessibilityFindings());

        // A second that nobody worked out says so; taken back, the first stands.
        phone.Button("And another thing failed").Click();
        Button(phone, "Second is not there").Click();
        Assert.Contains("Beyond what was worked out.", phone.Text("main"), StringComparison.Ordinal);
        phone.Button("It works again").Click();
        Assert.Contains("Speaker's face: not as it was meant", phone.Text("main"), StringComparison.Ordinal);
        phone.Button("It works again").Click();
        Assert.Equal("Dinner and speeches, the boathouse", phone.Text("h1"));

        // Two single things are known: the adapter, and the macro that needs it anyway.
        phone.Button("Something failed").Click();
        Button(phone, "The left camera").Click();
        phone.Button("And another thing failed").Click();
        Button(phone, "The right camera").Click();
        Assert.DoesNotContain("Beyond", phone.Text("main"), StringComparison.Ordinal);
        Assert.Contains("Second shoots it", phone.Text("section[aria-label='What to do now'] h1"), StringComparison.Ordinal);

        // Nothing was asked of anywhere, and nothing kept from running that should.
        Assert.Equal("", phone.Driver.ExecuteScript(
            "return performance.getEntriesByType('resource').map(r => r.name).filter(n => !n.startsWith('data:')).join(' ')"));
        Assert.Empty(phone.Complaints());
    }

    [Fact]
    public async Task What_the_file_knows_is_what_the_server_says()
    {
        var written = CarriedDay().Match(await File.ReadAllTextAsync(await FileAsync("second"), TestContext.Current.CancellationToken)).Groups[1].Value;
        var told = await client.GetStringAsync($"{Api}/pocket?person=second", TestContext.Current.CancellationToken);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(written)!["day"], JsonNode.Parse(told)));
        Assert.True(JsonNode.Parse(told)!["losses"]!.AsArray().Count > 60);
    }

    [Fact]
    // Long: one story, away from home and back.
    public async Task What_is_noted_stays_on_the_phone_and_comes_home_once()
    {
        var phone = Open(await FileAsync("lead"), Vows);
        // Brushed over, nothing is ticked; held, it is.
        var got = By.CssSelector("button[aria-label='Hold when got: First kiss']");
        phone.Driver.FindElement(got).Click();
        Assert.Single(phone.Driver.FindElements(got));
        Hold(phone, phone.Driver.FindElement(got));
        phone.Until(() => phone.Has("button[aria-label='Got: First kiss']"), "the kiss ticked");
        // By keyboard, at once.
        phone.Driver.FindElement(By.CssSelector("button[aria-label='Hold when got: Exchange of rings']")).SendKeys(Keys.Enter);
        phone.Until(() => phone.Has("button[aria-label='Got: Exchange of rings']"), "the rings ticked");
        // Swept across, all are.
        Sweep(phone);
        phone.Until(() => phone.Text("section[aria-label='Still to get']").StartsWith("All of it swept off", StringComparison.Ordinal), "all swept");
        phone.Button("Late").Click();
        phone.Button("20").Click();
        phone.Until(() => phone.Has("section[aria-label='What it does']"), "what falls");
        phone.Button("We are 20 min late").Click();
        Assert.Contains("Reckoned 20 min late.", phone.Text("main"), StringComparison.Ordinal);
        phone.Button("Something failed").Click();
        Button(phone, "The left camera").Click();

        // The battery goes flat: all is there afterwards.
        phone.Driver.Navigate().Refresh();
        Assert.Contains("Out: Halm 45 no. 1. What to do", phone.Text("main"), StringComparison.Ordinal);
        Assert.Contains("Reckoned 20 min late.", phone.Text("main"), StringComparison.Ordinal);
        phone.Button("Record 6").Click();
        var record = Uri.UnescapeDataString(phone.Find("a[download$='.yoke-record.json']").GetAttribute("href")!.Split(',', 2)[1]);

        // Given back at the house by its address, then once more as a file, and by another phone.
        using var home = new Page(site);
        home.Driver.Navigate().GoToUrl(new Uri(site.Address, $"/house/{key}/record#{Uri.EscapeDataString(record)}"));
        home.Until(() => home.Has("[role=status]") && home.Text("[role=status]") == "6 kept.", "what was kept");
        var path = Path.Combine(folder, "lead.yoke-record.json");
        await File.WriteAllTextAsync(path, record, TestContext.Current.CancellationToken);
        home.Open($"/{key}/on-the-day");
        home.Until(() => home.Has("section[aria-label='What came home'] li"), "what came home");
        home.Driver.FindElement(By.CssSelector("section[aria-label='What came home'] input[type=file]")).SendKeys(path);
        home.Until(() => home.Has("[role=status]") && home.Text("[role=status]") == "All 6 were known already.", "that it was known");
        var other = record.Replace("\"origin\":\"", "\"origin\":\"other", StringComparison.Ordinal)
            .Replace("\"who\":\"lead\"", "\"who\":\"second\"", StringComparison.Ordinal);
        await File.WriteAllTextAsync(path, other, TestContext.Current.CancellationToken);
        home.Driver.FindElement(By.CssSelector("section[aria-label='What came home'] input[type=file]")).SendKeys(path);
        home.Until(() => home.Text("section[aria-label='What came home'] h2") == "12 came home, 2 of them a failure", "both records");
        Assert.Contains("Second", home.Text("section[aria-label='What came home'] ol"), StringComparison.Ordinal);

        // What is torn is refused in words, and takes nothing with it.
        await File.WriteAllTextAsync(path, record[..^40], TestContext.Current.CancellationToken);
        home.Driver.FindElement(By.CssSelector("section[aria-label='What came home'] input[type=file]")).SendKeys(path);
        home.Until(() => home.Has("[role=alert]") && home.Text("[role=alert]").Contains("cannot be read as JSON", StringComparison.Ordinal),
            "why it was not taken");
        Assert.Equal(12, (await client.GetFromJsonAsync<JsonElement>($"{Api}/records", TestContext.Current.CancellationToken)).GetArrayLength());
        Assert.Empty(home.AccessibilityFindings());
        Assert.Empty(phone.Complaints());
    }

    [Fact]
    public async Task A_rehearsal_leaves_the_record_of_the_day_alone()
    {
        using var phone = new Page(site, 390, 844, touch: true);
        bool IsNoted() => phone.Has("button[aria-label='Got: First kiss']");
        phone.Open($"/{key}/live?person=lead#at={Vows}");
        phone.Until(() => phone.Has("section[aria-label='In your hands']"), "the hands");
        Assert.Contains("Rehearsal: the clock was set, and nothing goes into the record.", phone.Text("main"), StringComparison.Ordinal);
        phone.Find("button[aria-label='Hold when got: First kiss']").SendKeys(Keys.Enter);
        phone.Until(IsNoted, "the kiss ticked");
        // The day itself knows nothing of it, neither on the phone nor at home.
        phone.At(Vows).Open($"/{key}/live?person=lead");
        phone.Find("button[aria-label='Hold when got: Exchange of rings']").SendKeys(Keys.Enter);
        phone.Until(() => phone.Has("button[aria-label='Got: Exchange of rings']"), "the rings ticked");
        Assert.False(IsNoted());
        phone.Until(() => client.GetFromJsonAsync<JsonElement>($"{Api}/records").GetAwaiter().GetResult().GetArrayLength() == 1,
            "what was noted on the day, at home");
        Assert.Contains("Exchange of rings", await client.GetStringAsync($"{Api}/records", TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    /// <summary>As from mail: the viewer has no place to keep anything.</summary>
    [Fact]
    public async Task A_viewer_that_keeps_nothing_says_so_and_offers_to_save()
    {
        var page = Convert.ToBase64String(await File.ReadAllBytesAsync(await FileAsync("lead"), TestContext.Current.CancellationToken));
        using var phone = new Page(site, 390, 844, touch: true);
        phone.At(Vows).Driver.Navigate().GoToUrl($"data:text/html;base64,{page}");
        Assert.Contains("This viewer keeps nothing you note once it is closed.", phone.Text("[role=alert]"), StringComparison.Ordinal);
        phone.Driver.FindElement(By.CssSelector("button[aria-label='Hold when got: First kiss']")).SendKeys(Keys.Enter);
        var saved = JsonNode.Parse(Uri.UnescapeDataString(phone.Find("[role=alert] a").GetAttribute("href")!.Split(',', 2)[1]))!;
        Assert.Equal("First kiss", (string?)saved["facts"]![0]!["words"]);
    }

    [Fact]
    public async Task Without_scripts_the_card_is_there()
    {
        using var phone = new Page(site, 390, 844, touch: true);
        phone.Driver.ExecuteCdpCommand("Emulation.setScriptExecutionDisabled", new Dictionary<string, object?> { ["value"] = true });
        phone.Driver.Navigate().GoToUrl(new Uri(await FileAsync("lead")));
        var card = phone.Driver.FindElement(By.CssSelector("article")).Text;
        Assert.Contains("The worst that can go", card, StringComparison.Ordinal);
        Assert.Contains("13:30 Vows to 14:10\nfore deck · no flash · silent · car out of reach\nbefore: Right: 70–200 on\nleft 35 f/1.4", card,
            StringComparison.Ordinal);
        phone.Driver.ExecuteCdpCommand("Emulation.setScriptExecutionDisabled", new Dictionary<string, object?> { ["value"] = false });
    }

    [Fact]
    public void The_card_is_one_sheet_each_and_nothing_of_it_is_cut_off()
    {
        using var page = new Page(site);
        foreach (var (path, people) in new[] { ($"{Api}/paper", 2), ("/api/assignments/track-night/paper?person=solo", 1) })
        {
            page.Driver.Navigate().GoToUrl(new Uri(site.Address, path));
            foreach (var (width, height) in (ReadOnlySpan<(double, double)>)[(8.27, 11.69), (8.5, 11)])
            {
                var paper = new Dictionary<string, object?> { ["paperWidth"] = width, ["paperHeight"] = height, ["printBackground"] = false };
                var pdf = ((Dictionary<string, object?>)page.Driver.ExecuteCdpCommand("Page.printToPDF", paper)!)["data"]!;
                Assert.Equal(people, PaperStories.SheetsIn(Encoding.Latin1.GetString(Convert.FromBase64String((string)pdf))));
                PaperStories.Emulate(page, (int)(width * PaperStories.Inch), "print", (int)(height * PaperStories.Inch));
                Assert.Equal("", page.Driver.ExecuteScript(
                    "return [...document.querySelectorAll('.side')].filter(s => s.scrollHeight > s.clientHeight + 1 || s.scrollWidth > s.clientWidth + 1)"
                    + ".map(s => s.innerText.slice(0, 60)).join('; ')"));
                PaperStories.Emulate(page, 1280, "");
            }
        }
        Assert.Contains("if right dies → Ring close-up: left hand, 100 on it, 35 s", Card(page, $"{Api}/paper?person=lead"), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void With_the_server_at_hand_any_failures_are_planned_anew()
    {
        using var phone = new Page(site, 390, 844, touch: true);
        phone.At(Vows).Open($"/{key}/live?person=lead");
        phone.Until(() => phone.Has("section[aria-label='In your hands']"), "the hands");
        // A figure read off a camera.
        phone.Button("Levels").Click();
        phone.Find("section[aria-label='right camera'] input").SendKeys("9" + Keys.Enter);
        phone.Button("Back").Click();
        phone.Until(() => phone.Text("main").Contains("By what it shows, change the battery of the Halm 45 no. 2 at", StringComparison.Ordinal),
            "the change it asks");
        foreach (var camera in (string[])["The left camera", "The right camera"])
        {
            Button(phone, camera == "The left camera" ? "Something failed" : "And another thing failed").Click();
            Button(phone, camera).Click();
            phone.Until(() => phone.Has("section[aria-label='What to do now']"), $"what to do without {camera}");
        }
        // A third, of the partner's: nobody worked that out beforehand.
        phone.Button("And another thing failed").Click();
        phone.Find("main input").SendKeys("Orrin 20");
        Button(phone, "Orrin 20").Click();
        phone.Until(() => phone.Has("section[aria-label='What to do now']") && phone.Text("main").Contains("Orrin 20 is dead", StringComparison.Ordinal),
            "what is left of three");
        Assert.DoesNotContain("Beyond", phone.Text("main"), StringComparison.Ordinal);
        Assert.Empty(phone.AccessibilityFindings());
        phone.Until(() => client.GetFromJsonAsync<JsonElement>($"{Api}/records").GetAwaiter().GetResult().GetArrayLength() == 4, "the record at home");
        Assert.Empty(phone.Complaints());
    }

    [Fact]
    public void The_evening_before_five_questions_are_judged()
    {
        using var page = new Page(site).Open($"/{key}/on-the-day");
        page.Until(() => page.Driver.FindElements(By.CssSelector("section[aria-label^=Questions] li")).Count == 5, "five questions");
        page.Until(() => page.Text("section[aria-label='To take along']")
            .Contains("K1 adapter: Ring close-up in Details. LATE, left hand, 100 on it, 15.8 min", StringComparison.Ordinal),
            "the worst that can go");
        var dance = page.Driver.FindElements(By.CssSelector("section[aria-label^=Questions] li"))
            .First(q => q.Text.Contains("First dance. The Halm 45 no. 1 is gone.", StringComparison.Ordinal));
        string Choose(string text)
        {
            dance.FindElements(By.TagName("button")).First(b => b.Text == text).Click();
            return dance.FindElement(By.CssSelector("[role=status]")).Text;
        }
        Assert.StartsWith("Too late, 35 s of 20 s", Choose("right hand, 35 on it"), StringComparison.Ordinal);
        Assert.Contains("Better: right hand, 85", dance.Text, StringComparison.Ordinal);
        Assert.StartsWith("In time, second best, 5 s of 20 s", Choose("right hand, 85"), StringComparison.Ordinal);
        Assert.DoesNotContain("Better", dance.Text, StringComparison.Ordinal);
        Assert.StartsWith("Lost.", Choose("Let it go"), StringComparison.Ordinal);
        Assert.Empty(page.AccessibilityFindings());
        Assert.Empty(page.Complaints());
    }

    [Fact]
    public void Being_late_is_tried_on_the_board_first()
    {
        using var page = new Page(site).Open($"/{key}/day");
        page.Until(() => page.Has("[data-part=couple]"), "the day");
        page.Find("[data-part=couple]").Click();
        page.Find("button[aria-label='45 min late from here on']").Click();
        page.Until(() => page.Has("section[aria-label='Tried out']"), "the trial");
        Assert.Contains("45 min late from Couple on. ", page.Text("section[aria-label='Tried out']"), StringComparison.Ordinal);
        Assert.Contains("No time is left for The room: what follows begins at 5:30 PM.", page.Text("section[aria-label='Tried out']"),
            StringComparison.Ordinal);
        Assert.Contains("4:25 PM", page.Text("[data-part=couple]"), StringComparison.Ordinal);
        page.Button("Do it").Click();
        page.Until(() => !page.Has("section[aria-label='Tried out']") && page.Text("[data-part=couple]").Contains("4:25 PM", StringComparison.Ordinal),
            "the day slid");
        page.PressWithControl("z");
        page.Until(() => page.Text("[data-part=couple]").Contains("3:40 PM", StringComparison.Ordinal), "the day as it was");

        // The sun goes down while they are out: the head and the panel say what that leaves.
        page.Driver.ExecuteScript("arguments[0].value = '16:30'", page.Find("input[type=time]"));
        page.Find("input[type=time]").SendKeys("0430PM" + Keys.Enter);
        page.Until(() => page.Text("[data-part=couple]").Contains("EV 5.75 at dusk", StringComparison.Ordinal), "the dusk");
        Assert.Contains("The sun sets at 4:30 PM; judged by its darkest minute, EV 5.8", page.Text("body"), StringComparison.Ordinal);
        Assert.Empty(page.Complaints());
    }

    private async Task<string> FileAsync(string person)
    {
        var path = Path.Combine(folder, $"{person}.html");
        await File.WriteAllBytesAsync(path, await client.GetByteArrayAsync($"{Api}/pocket-file?person={person}&save=true"));
        return path;
    }

    /// <summary>From the phone's own disk, the network off, with nothing noted yet.</summary>
    private Page Open(string file, string at)
    {
        var phone = new Page(site, 390, 844, touch: true);
        Network(phone, isGone: true);
        offline.Add(phone);
        phone.At(at).Driver.Navigate().GoToUrl(new Uri(file));
        phone.Driver.ExecuteScript("localStorage.clear()");
        phone.Driver.Navigate().Refresh();
        return phone;
    }

    private static void Network(Page phone, bool isGone)
    {
        phone.Driver.ExecuteCdpCommand("Network.enable", []);
        phone.Driver.ExecuteCdpCommand("Network.emulateNetworkConditions",
            new Dictionary<string, object?> { ["offline"] = isGone, ["latency"] = 0, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1 });
    }

    private static string Card(Page page, string path)
    {
        page.Driver.Navigate().GoToUrl(new Uri(new Uri(page.Driver.Url), path));
        return page.Text("article");
    }

    private static IWebElement Button(Page page, string text) =>
        page.Until(() => page.Driver.FindElements(By.CssSelector("main button"))
            .FirstOrDefault(b => b.Displayed && (b.Text.Split('\n')[0] == text || b.Text == text)), $"a button {text}");

    private static void Hold(Page page, IWebElement what) => page.Hands.ClickAndHold(what).Pause(TimeSpan.FromMilliseconds(700)).Release().Perform();

    private static void Sweep(Page page)
    {
        var list = page.Find("section[aria-label='Still to get']");
        page.Hands.MoveToElement(list, (-list.Size.Width / 2) + 60, 10).ClickAndHold().MoveByOffset(list.Size.Width - 90, 0).Release().Perform();
    }

    [GeneratedRegex("""<script type="application/json" id="day">(.*?)</script>""", RegexOptions.Singleline)]
    private static partial Regex CarriedDay();
}
