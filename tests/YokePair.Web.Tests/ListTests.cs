using System.Net;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>Ticks and departures over the wire: what cannot be so is refused at its field, and nothing is recorded of it.</summary>
public sealed class ListTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    private async Task<string> NewLists() =>
        $"/api/assignments/{(await (await client.Post("/api/demos/steamer-wedding", new { })).Json()).GetProperty("key").GetString()}/lists";

    private static List<JsonElement> Ticked(JsonElement lists) =>
        [.. lists.GetProperty("lists").EnumerateArray().SelectMany(l => l.GetProperty("lines").EnumerateArray()).Where(l => l.TryGetProperty("ticked", out _))];

    [Fact]
    public async Task A_tick_says_who_and_when_and_can_be_taken_back()
    {
        var lists = await NewLists();
        var after = await (await client.Post(lists + "/ticks", new { line = "morning/tp1", done = true, who = "Lead" })).Json();
        var tick = Assert.Single(Ticked(after)).GetProperty("ticked");
        Assert.Equal(("Lead", "Car: Tripod"), (tick.GetProperty("who").GetString(), tick.GetProperty("text").GetString()));
        Assert.Single(Ticked(await client.Json(lists)));
        // Of another day with the same things it says nothing.
        Assert.Empty(Ticked(await client.Json(await NewLists())));
        await client.Post(lists + "/ticks", new { line = "morning/tp1", done = false });
        Assert.Empty(Ticked(await client.Json(lists)));
    }

    [Theory]
    [InlineData("ticks", "{\"line\":\"morning/nothing\",\"done\":true}", "line")]
    [InlineData("departures", "{\"words\":\"yes\"}", "words")]
    [InlineData("departures", "{}", "words")]
    public async Task What_cannot_be_so_is_refused_at_its_field(string what, string body, string field)
    {
        var lists = await NewLists();
        var answer = await client.PostAsync(new Uri($"{lists}/{what}", UriKind.Relative),
            new StringContent(body, System.Text.Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(field, (await answer.Json()).GetProperty("errors")[0].GetProperty("field").GetString());
        var now = await client.Json(lists);
        Assert.Empty(Ticked(now));
        Assert.False(now.TryGetProperty("departed", out _));
    }

    [Fact]
    public async Task A_tick_is_nothing_that_happens_to_a_card()
    {
        var answer = await client.Post("/api/cards/facts", new { kind = "ticked", card = "c11" });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "kind"),
            (answer.StatusCode, (await answer.Json()).GetProperty("errors")[0].GetProperty("field").GetString()));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(new Uri("/api/assignments/none/lists", UriKind.Relative))).StatusCode);
    }
}
