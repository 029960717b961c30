using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Phones in the house: let in at the main screen, ticking, sent away; and whoever was not let in.</summary>
public sealed class HouseStories
{
    [Fact]
    // Long: one story of two devices, step by step.
    public void A_phone_is_let_in_ticks_and_is_sent_away()
    {
        using var site = new Site(seed: true, house: true);
        using var page = new Page(site).Open("/phones");
        page.Until(() => page.Text("main").Contains("anyone on this network can read along", StringComparison.Ordinal), "the warning");
        page.Button("Let a phone in").Click();
        var address = page.Text("[data-testid=pairing]");
        Assert.StartsWith(new Uri(site.House!, "house/pair#").ToString(), address, StringComparison.Ordinal);
        Assert.True(page.Find("img[alt^='What the phone']").Displayed);

        using var phone = new Page(site, 390, 844, touch: true);
        phone.Driver.Navigate().GoToUrl(address);
        phone.Find("form input").SendKeys("Anna" + Keys.Enter);
        var code = phone.Text("[data-testid=code]");
        page.Until(() => page.Text("main").Contains("Anna wants in.", StringComparison.Ordinal), "that Anna wants in");
        Assert.Contains(code, page.Text("main"), StringComparison.Ordinal);
        Assert.Empty(page.AccessibilityFindings());
        page.Button("The same: let it in").Click();
        phone.Until(() => phone.Text("h1") == "Which lists?", "the days");
        phone.Until(() => phone.Has("main li a"), "a day");
        Assert.Empty(phone.AccessibilityFindings());
        phone.Driver.FindElements(By.CssSelector("main li a")).First(a => a.Text.Contains("Steamer", StringComparison.Ordinal)).Click();
        phone.Until(() => phone.Has("[role=checkbox]"), "the lists");
        // One thumb: a row is as high as one, and nothing asks for anything elsewhere.
        Assert.True(phone.Find("[role=checkbox]").Size.Height >= 72);
        phone.Find("[role=checkbox]").Click();
        using var here = new HttpClient { BaseAddress = site.Address };
        string Lists() => here.GetStringAsync("/api/assignments/steamer-wedding/lists").GetAwaiter().GetResult();
        phone.Until(() => Lists().Contains("\"who\":\"Anna\"", StringComparison.Ordinal), "her tick");
        Assert.Equal("Anna", phone.Driver.ExecuteScript("return document.querySelector('footer select').selectedOptions[0].innerText"));
        Assert.Equal("", phone.Driver.ExecuteScript(
            "return performance.getEntriesByType('resource').map(r => new URL(r.name).origin).filter(o => o !== location.origin).join(' ')"));
        Assert.Empty(phone.Complaints());

        // In the cellar the list stays, and what is ticked there is sent from the hallway.
        Network(phone, isGone: true);
        bool Says(string words) => phone.Has("[role=alert]") && phone.Text("[role=alert]").Contains(words, StringComparison.Ordinal);
        phone.Until(() => Says("The network is gone."), "that it is gone");
        phone.Driver.FindElements(By.CssSelector("[role=checkbox][aria-checked=false]"))[0].Click();
        phone.Until(() => Says("1 tick waits here"), "a tick that waits");
        Network(phone, isGone: false);
        phone.Until(() => Lists().Split("\"who\":\"Anna\"").Length == 3 && !phone.Has("[role=alert]"), "both of her ticks");
        Assert.All(phone.Complaints(), c => Assert.Contains("net::ERR_", c, StringComparison.Ordinal));

        // The day as it is worked, with the server at hand, and what is noted there goes home.
        var lists = phone.Driver.Url;
        phone.At("2027-06-12T13:42").Driver.Navigate().GoToUrl(new Uri(site.House!, "/house/steamer-wedding/live?person=lead"));
        phone.Until(() => phone.Has("section[aria-label='In your hands']"), "the hands");
        phone.Driver.FindElement(By.CssSelector("button[aria-label='Hold when got: First kiss']")).SendKeys(Keys.Enter);
        phone.Until(() => here.GetStringAsync("/api/assignments/steamer-wedding/records").GetAwaiter().GetResult()
            .Contains("First kiss", StringComparison.Ordinal), "her note at home");
        // The file for flight mode comes through the same door.
        phone.Driver.ExecuteScript("""
            const make = URL.createObjectURL;
            URL.createObjectURL = file => { file.text().then(text => window.taken = text); return make(file); };
            HTMLAnchorElement.prototype.click = function () { window.named = this.download; };
            """);
        phone.Button("Keep it on this phone as a file").Click();
        phone.Until(() => (string?)phone.Driver.ExecuteScript("return window.taken && window.named") == "steamer-wedding-lead.html", "the file");
        Assert.Contains("Content-Security-Policy", (string)phone.Driver.ExecuteScript("return window.taken")!, StringComparison.Ordinal);
        phone.Driver.Navigate().GoToUrl(lists);

        page.Until(() => page.Has("section[aria-label='Phones that are let in'] li"), "the phone among those let in");
        page.Find("button[aria-label='Send Anna away']").Click();
        phone.Until(() => phone.Text("main").Contains("This phone is not let in, or no longer", StringComparison.Ordinal), "that it may no longer");
        Assert.Empty(page.Complaints());
    }

    [Fact]
    // Long: every door that is tried from outside.
    public async Task Whoever_was_not_let_in_sees_and_changes_nothing()
    {
        using var site = new Site(seed: true, house: true);
        using var here = new HttpClient { BaseAddress = site.Address };
        using var there = new HttpClient { BaseAddress = site.House };
        const string lists = "/api/assignments/steamer-wedding/lists";
        Assert.Equal(HttpStatusCode.Unauthorized, await Get(there, lists, null));
        Assert.Equal(HttpStatusCode.Unauthorized, await Get(there, lists, "0000"));

        var anna = await LetIn("Anna");
        var ben = await LetIn("Ben");
        Assert.Equal(HttpStatusCode.OK, await Get(there, lists, anna));

        // It may tick, and neither edit nor read more.
        Assert.Equal(HttpStatusCode.OK, (await Post(there, lists + "/ticks", new { line = "tonight/clocks", done = true, who = "Anna" }, anna)).StatusCode);
        var edit = new { baseRevision = 1, edits = new[] { new { type = "moveItem", item = "b1", place = "car" } } };
        Assert.Equal(HttpStatusCode.Forbidden, (await Post(there, "/api/assignments/steamer-wedding/edits", edit, anna)).StatusCode);
        foreach (var closed in (string[])["/api/locker", "/api/phones", "/api/copies", "/api/assignments/steamer-wedding/plan", "/api/assignments/../locker"])
            Assert.Equal(HttpStatusCode.Forbidden, await Get(there, closed, anna));
        foreach (var absent in (string[])["/openapi/v1.json", "/health", "/locker", "/steamer-wedding/day"])
            Assert.Equal(HttpStatusCode.NotFound, await Get(there, absent, anna));
        Assert.Equal(HttpStatusCode.OK, await Get(there, "/house", null));

        // Another name for this machine is none that it answers to: neither in the house nor at home.
        Assert.Equal(HttpStatusCode.BadRequest, await Get(there, lists, anna, "lists.example"));
        Assert.Equal(HttpStatusCode.MisdirectedRequest, await Get(there, lists, anna, $"localhost:{site.House!.Port}"));
        Assert.Equal(HttpStatusCode.BadRequest, await Get(here, lists, null, "lists.example"));

        // Kept is a hash, and nothing that lets in; one that is sent away takes no other along.
        var file = await File.ReadAllBytesAsync(Path.Combine(site.Data, "yoke-pair.db-wal"));
        Assert.True(file.AsSpan().IndexOf(System.Text.Encoding.ASCII.GetBytes(anna)) < 0, "the token lies in the file");
        var phones = (await here.GetFromJsonAsync<JsonElement>("/api/phones")).GetProperty("phones").EnumerateArray().ToList();
        Assert.All(phones, p => Assert.InRange(p.GetProperty("until").GetDateTime() - DateTime.UtcNow, TimeSpan.FromHours(23), TimeSpan.FromHours(24)));
        var id = phones.Single(p => p.GetProperty("name").GetString() == "Anna").GetProperty("id").GetInt32();
        Assert.Equal(HttpStatusCode.NoContent, (await here.DeleteAsync($"/api/phones/{id}")).StatusCode);
        Assert.Equal((HttpStatusCode.Unauthorized, HttpStatusCode.OK), (await Get(there, lists, anna), await Get(there, lists, ben)));

        // Guessing is slow.
        var last = HttpStatusCode.OK;
        for (var n = 0; n < 40 && last != HttpStatusCode.TooManyRequests; n++)
            last = (await Post(there, "/api/house/pairings", new { secret = $"{n}", name = "Eve" })).StatusCode;
        Assert.Equal(HttpStatusCode.TooManyRequests, last);
        Assert.Equal(HttpStatusCode.OK, await Get(there, lists, ben));

        async Task<string> LetIn(string name)
        {
            var offer = await (await Post(here, "/api/phones/pairings", new { })).Content.ReadFromJsonAsync<JsonElement>();
            var secret = offer.GetProperty("address").GetString()!.Split('#')[1];
            var begun = await (await Post(there, "/api/house/pairings", new { secret, name })).Content.ReadFromJsonAsync<JsonElement>();
            // The secret is good once.
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Post(there, "/api/house/pairings", new { secret, name = "Eve" })).StatusCode);
            var ask = $"/api/house/pairings/{begun.GetProperty("key").GetString()}";
            Assert.Equal("waiting", await Stands());
            var waiting = (await here.GetFromJsonAsync<JsonElement>("/api/phones")).GetProperty("waiting").EnumerateArray().Single();
            Assert.Equal(begun.GetProperty("code").GetString(), waiting.GetProperty("code").GetString());
            Assert.Equal(HttpStatusCode.OK, (await Post(here, $"/api/phones/waiting/{waiting.GetProperty("id").GetString()}", new { })).StatusCode);
            var told = await (await Post(there, ask, new { })).Content.ReadFromJsonAsync<JsonElement>();
            Assert.Equal("refused", await Stands());
            return told.GetProperty("token").GetString()!;

            async Task<string?> Stands() => (await (await Post(there, ask, new { })).Content.ReadFromJsonAsync<JsonElement>()).GetProperty("state").GetString();
        }
    }

    private static void Network(Page page, bool isGone)
    {
        page.Driver.ExecuteCdpCommand("Network.enable", []);
        page.Driver.ExecuteCdpCommand("Network.setBlockedURLs", new Dictionary<string, object?> { ["urls"] = (string[])(isGone ? ["*/api/*"] : []) });
    }

    private static async Task<HttpStatusCode> Get(HttpClient client, string path, string? token, string? host = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        if (token is not null) request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", token);
        request.Headers.Host = host;
        using var answer = await client.SendAsync(request);
        return answer.StatusCode;
    }

    private static async Task<HttpResponseMessage> Post(HttpClient client, string path, object body, string? token = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        if (token is not null) request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", token);
        return await client.SendAsync(request);
    }
}
