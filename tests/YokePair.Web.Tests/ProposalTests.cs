using System.Net;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>Searches that answer line by line.</summary>
public sealed class ProposalTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    [Fact]
    public async Task Setups_come_line_by_line_with_the_proof_last_and_can_be_taken()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        var response = await client.Ask($"/api/assignments/{key}/setups-proposal?part=vows&part=toast&part=families");
        Assert.Equal("application/x-ndjson", response.Content.Headers.ContentType!.MediaType);
        var lines = (await response.Content.ReadAsStringAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(l => JsonDocument.Parse(l).RootElement).ToList();
        var trades = lines.Select(l => l.TryGetProperty("found", out var trade) ? trade : default).Where(t => t.ValueKind == JsonValueKind.Object).ToList();
        Assert.True(trades.Count > 0 && lines.Count > trades.Count);
        Assert.False(trades[0].GetProperty("wish").GetProperty("mayHang").GetBoolean());
        var found = trades[0].GetProperty("proposal");
        Assert.True(found.GetProperty("proven").GetBoolean());
        var edits = found.GetProperty("pieces").EnumerateArray().SelectMany(p => p.GetProperty("edits").EnumerateArray()).ToList();
        Assert.All(edits, e => Assert.True(e.GetProperty("part").GetString() is "vows" or "toast" or "families"));

        var board = await (await client.Post($"/api/assignments/{key}/edits", new { baseRevision = 1, edits })).Json();
        var touching = board.GetProperty("report").GetProperty("changes").EnumerateArray()
            .Count(c => c.GetProperty("part").GetString() is "vows" or "toast" or "families" or "couple");
        Assert.Equal(found.GetProperty("found").GetProperty("between").GetInt32(), touching);
    }

    [Fact]
    public async Task A_kit_comes_with_its_proof_is_previewed_without_being_kept_and_taken_in_one_step()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        var text = await client.AskText($"/api/assignments/{key}/kit-proposal?survives=item&goal=count&locker=false");
        var found = JsonDocument.Parse(text.Split('\n', StringSplitOptions.RemoveEmptyEntries)[^1]).RootElement.GetProperty("found");
        Assert.True(found.GetProperty("proven").GetBoolean());
        var edits = found.GetProperty("changes").EnumerateArray().Select(c => c.GetProperty("edit")).ToList();
        Assert.NotEmpty(edits);
        var things = found.GetProperty("found").GetProperty("things").GetInt32();
        var preview = await (await client.Post($"/api/assignments/{key}/preview", new { baseRevision = 1, edits })).Json();
        Assert.Equal(things, preview.GetProperty("plan").GetProperty("items").GetArrayLength());
        Assert.Equal(1, (await client.Json($"/api/assignments/{key}/board")).GetProperty("revision").GetInt32());
        var taken = await (await client.Post($"/api/assignments/{key}/edits", new { baseRevision = 1, edits })).Json();
        Assert.Equal(things, taken.GetProperty("plan").GetProperty("items").GetArrayLength());
        var undone = await (await client.Post($"/api/assignments/{key}/undo", new { baseRevision = 2 })).Json();
        Assert.Equal(76, undone.GetProperty("plan").GetProperty("items").GetArrayLength());
    }

    [Fact]
    public async Task With_other_glass_in_the_hands_less_will_do_and_that_is_proven_too()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        var asItIs = await Found("survives=rig");
        var free = await Found("survives=rig&free=true");
        Assert.True(asItIs.GetProperty("proven").GetBoolean() && free.GetProperty("proven").GetBoolean());
        Assert.True(free.GetProperty("cost").GetDouble() < asItIs.GetProperty("cost").GetDouble());
        Assert.Equal(free.GetProperty("cost").GetDouble(), free.GetProperty("atLeast").GetDouble());

        // Taken with its setups in one step, the day has nothing more than the kit said it would leave.
        var edits = free.GetProperty("changes").EnumerateArray().Select(c => c.GetProperty("edit"))
            .Concat(free.GetProperty("setups").EnumerateArray().SelectMany(s => s.GetProperty("edits").EnumerateArray())).ToList();
        var board = await (await client.Post($"/api/assignments/{key}/edits", new { baseRevision = 1, edits })).Json();
        var left = free.GetProperty("exposed").EnumerateArray().Select(e => e.GetProperty("need").GetString()).ToHashSet();
        Assert.All(board.GetProperty("report").GetProperty("gaps").EnumerateArray(), gap => Assert.Contains(gap.GetProperty("need").GetString(), left));
        Assert.All(board.GetProperty("report").GetProperty("singlePoints").EnumerateArray().SelectMany(s => s.GetProperty("hits").EnumerateArray()), hit =>
            Assert.Contains(hit.GetProperty("need").GetString(), left));

        async Task<JsonElement> Found(string query)
        {
            var text = await client.AskText($"/api/assignments/{key}/kit-proposal?{query}");
            return JsonDocument.Parse(text.Split('\n', StringSplitOptions.RemoveEmptyEntries)[^1]).RootElement.GetProperty("found");
        }
    }

    [Fact]
    public async Task With_a_locker_and_what_its_owner_knows_of_pairs_every_class_is_answered_and_proven_as_far_as_it_can_be()
    {
        using var own = new App();
        using var client = own.CreateClient();
        var kept = await client.PostAsync(new Uri("/api/locker/import?keep=true", UriKind.Relative),
            new ByteArrayContent(File.ReadAllBytes(Path.Combine(App.Root, "demo/locker.yoke-locker.json")))
            {
                Headers =
            { ContentType = new("application/octet-stream") }
            });
        Assert.True(kept.IsSuccessStatusCode);
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        // The locker knows that the macro hunts on the adapter; the macro may stay at home all the same.
        Assert.NotEqual(0, (await client.Json($"/api/assignments/{key}/board")).GetProperty("plan").GetProperty("pairs").GetArrayLength());
        foreach (var query in new[] { "survives=item", "survives=bag", "survives=item&free=true", "survives=bag&free=true" })
        {
            var text = await client.AskText($"/api/assignments/{key}/kit-proposal?{query}");
            var found = JsonDocument.Parse(text.Split('\n', StringSplitOptions.RemoveEmptyEntries)[^1]).RootElement.GetProperty("found");
            Assert.True(found.GetProperty("proven").GetBoolean(), query);
            Assert.True(found.GetProperty("atLeast").GetDouble() <= found.GetProperty("cost").GetDouble(), query);
            Assert.True(found.GetProperty("found").GetProperty("grams").GetDouble() < found.GetProperty("now").GetProperty("grams").GetDouble(), query);
        }
    }

    [Theory]
    [InlineData("survives=all", "survives")]
    [InlineData("goal=beauty", "goal")]
    [InlineData("limit=moon:3", "limit")]
    [InlineData("limit=roller:heavy", "limit")]
    [InlineData("limit=roller:0", "limit")]
    public async Task A_wish_that_makes_no_sense_is_refused_by_its_field(string query, string field)
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        // Of what is not weighed nothing is known; the locker knows the weight of what it holds.
        if (query == "limit=roller:0") await client.Post($"/api/assignments/{key}/edits",
            new
            {
                baseRevision = 1,
                edits = new[] { new { type = "borrow",
            item = new { kind = "charger", id = "heavy", place = "roller", weightG = 900 } } }
            });
        var answer = await client.Ask($"/api/assignments/{key}/kit-proposal?{query}");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(field, (await answer.Json()).GetProperty("errors")[0].GetProperty("field").GetString());
    }

    [Fact]
    public async Task There_is_nothing_to_propose_for_what_is_not_there() =>
        Assert.Equal(HttpStatusCode.NotFound, (await client.Ask("/api/assignments/none/setups-proposal")).StatusCode);

    [Fact]
    public async Task A_need_tells_its_figures_beside_what_the_craft_computes()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        var why = (await client.Lines($"/api/assignments/{key}/parts/floor/needs/bandp"))[0].GetProperty("explanation");
        var weighed = why.GetProperty("weighed").EnumerateArray().ToList();
        Assert.Contains(weighed, w => w.GetProperty("aid").GetString() == "lights" && w.GetProperty("with").EnumerateArray().Any(i => i.GetString() == "tr1")
            && w.GetProperty("fit").GetProperty("flashPower").GetDouble() is > 0 and <= 1);
        Assert.Contains(weighed, w => w.GetProperty("aid").GetString() == "flash" && w.GetProperty("fit").GetProperty("recycleSeconds").GetDouble() > 0);
        Assert.All(weighed, w => Assert.True(w.GetProperty("fit").GetProperty("diffractionFNumber").GetDouble() is > 4 and < 16));
    }
}
