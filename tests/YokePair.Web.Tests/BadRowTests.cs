using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>What is kept but cannot be read is one bad day or one bad thing, and nothing else suffers from it.</summary>
public sealed class BadRowTests
{
    private static readonly byte[] Garbage = "{ \"format\": \"yoke-pair/plan\", \"version\": 1, \"people\": 7"u8.ToArray();

    [Fact]
    public async Task A_day_that_cannot_be_read_is_listed_saved_and_deleted_and_the_others_open()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        foreach (var name in (string[])["steamer-wedding", "track-night"]) (await client.Import(App.Demo(name))).EnsureSuccessStatusCode();
        app.Tamper("UPDATE Assignments SET Plan = $bytes, Revision = Revision + 1, Summary = $bytes WHERE Key = 'track-night'", Garbage);
        // The list waits only a moment for what is being worked out: it tells what cannot be read as soon as that was tried.
        var (list, until) = (new Dictionary<string, JsonElement>(), DateTime.UtcNow.AddSeconds(30));
        do list = (await client.Json("/api/assignments")).EnumerateArray().ToDictionary(a => a.GetProperty("key").GetString()!);
        while (!list["track-night"].TryGetProperty("unreadable", out _) && DateTime.UtcNow < until);
        Assert.Contains("people", list["track-night"].GetProperty("unreadable").GetString(), StringComparison.Ordinal);
        Assert.False(list["steamer-wedding"].TryGetProperty("unreadable", out _));
        Assert.Equal(Garbage, await client.GetByteArrayAsync(new Uri("/api/assignments/track-night/raw", UriKind.Relative),
            TestContext.Current.CancellationToken));
        foreach (var path in (string[])["/api/locker", "/api/starting", "/api/assignments/steamer-wedding/board"])
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken)).StatusCode);
        var board = await client.GetAsync(new Uri("/api/assignments/track-night/board", UriKind.Relative), TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, board.StatusCode);
        Assert.Contains("cannot be read", (await board.Json()).GetProperty("title").GetString(), StringComparison.Ordinal);
        (await client.PutAsJsonAsync("/api/assignments/track-night/shelf", new { shelf = "deleted" }, TestContext.Current.CancellationToken))
            .EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task What_is_in_a_column_and_not_of_its_type_keeps_nothing_from_being_listed()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        foreach (var name in (string[])["steamer-wedding", "track-night"]) (await client.Import(App.Demo(name))).EnsureSuccessStatusCode();
        app.Tamper("UPDATE Assignments SET Start = 'soon', Name = $bytes, DeletedAt = 'never', Summary = 7, SummaryRevision = 'x' WHERE Key = 'track-night'",
            Garbage);
        var list = (await client.Json("/api/assignments")).EnumerateArray().Select(a => a.GetProperty("key").GetString()!);
        Assert.Equal(["steamer-wedding", "track-night"], list.Order());
        var edits = new { baseRevision = 1, edits = new[] { new { type = "moveItem", item = "z70", place = "car" } } };
        Assert.NotEqual(HttpStatusCode.InternalServerError, (await client.Post("/api/assignments/track-night/edits", edits)).StatusCode);
    }

    [Fact]
    public async Task A_thing_that_cannot_be_read_is_listed_saved_and_removed_and_comes_back_by_undo()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        (await client.Post("/api/locker/demo", new { })).EnsureSuccessStatusCode();
        var before = (await client.Json("/api/locker")).GetProperty("revisions").EnumerateObject().Count();
        app.Tamper("UPDATE Locker SET Json = $bytes, Revision = Revision + 1 WHERE Key = (SELECT Key FROM Locker WHERE Key NOT LIKE '%:%' LIMIT 1)", Garbage);
        app.Tamper("INSERT INTO Locker (Key, Revision, Json) VALUES ('pair:x', 1, $bytes)", "{\"kind\":\"body\"}"u8.ToArray());
        var rows = (await client.Json("/api/locker")).GetProperty("unreadable").EnumerateArray().Select(r => r.GetProperty("key").GetString()!).ToList();
        Assert.Equal(2, rows.Count);
        var thing = rows.Single(r => r != "pair:x");
        Assert.Equal(before - 1, (await client.Json("/api/locker")).GetProperty("revisions").EnumerateObject().Count());
        Assert.Equal(Garbage, await client.GetByteArrayAsync(new Uri($"/api/locker/rows/{thing}/raw", UriKind.Relative),
            TestContext.Current.CancellationToken));
        foreach (var row in rows) (await client.DeleteAsync(new Uri($"/api/locker/rows/{row}", UriKind.Relative), TestContext.Current.CancellationToken))
            .EnsureSuccessStatusCode();
        Assert.Equal(0, (await client.Json("/api/locker")).GetProperty("unreadable").GetArrayLength());
        (await client.Post("/api/locker/undo", new { })).EnsureSuccessStatusCode();
        Assert.Equal(1, (await client.Json("/api/locker")).GetProperty("unreadable").GetArrayLength());
        // What can be read is not removed by this way.
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync(new Uri("/api/locker/rows/b1", UriKind.Relative),
            TestContext.Current.CancellationToken)).StatusCode);
    }

    [Fact]
    public async Task An_edit_whose_note_cannot_be_read_stays_as_it_is()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        (await client.Import(App.Demo("steamer-wedding"))).EnsureSuccessStatusCode();
        (await client.Post("/api/assignments/steamer-wedding/edits",
            new { baseRevision = 1, edits = new[] { new { type = "moveItem", item = "z70", place = "car" } } })).EnsureSuccessStatusCode();
        app.Tamper("UPDATE Edits SET Before = $bytes", Garbage);
        var undo = await client.Post("/api/assignments/steamer-wedding/undo", new { baseRevision = 2 });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, undo.StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(new Uri("/api/assignments/steamer-wedding/board", UriKind.Relative),
            TestContext.Current.CancellationToken)).StatusCode);
    }

    /// <summary>Three megabytes without a space become nine as they are kept; thirty levels of what nobody knows become more than an answer holds.</summary>
    [Fact]
    public async Task What_could_not_be_read_again_is_not_taken()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        var plan = System.Text.Encoding.UTF8.GetString(App.Demo("steamer-wedding"));
        var deep = plan.Replace("\"format\"", $"\"x\": {new string('[', 33)}{new string(']', 33)}, \"format\"", StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Import(deep)).StatusCode);
        var less = plan.Replace("\"format\"", $"\"x\": {new string('[', 30)}{new string(']', 30)}, \"format\"", StringComparison.Ordinal);
        var added = await client.Import(less);
        Assert.Equal(HttpStatusCode.Created, added.StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(added.Headers.Location, TestContext.Current.CancellationToken)).StatusCode);
        var large = plan.Replace("\"format\"", $"\"x\": [{string.Join(',', Enumerable.Repeat("[0]", 700_000))}], \"format\"", StringComparison.Ordinal);
        var answer = await client.Import(large);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("MB", (await answer.Json()).GetProperty("detail").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_id_is_no_figure_and_holds_no_colon()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        (await client.Post("/api/locker/demo", new { })).EnsureSuccessStatusCode();
        var (id, revision) = (await client.Json("/api/locker")).GetProperty("revisions").EnumerateObject().Select(r => (r.Name, r.Value.GetInt32())).First();
        var set = await client.Post("/api/locker/figures", new { things = new[] { new { id, revision } }, set = new { id = "pair:x" } });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, set.StatusCode);
        var twice = await client.Post("/api/locker/figures", new
        {
            things = new[] { new { id, revision }, new { id, revision } },
            set = new { name = "Twice" }
        });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, twice.StatusCode);
        var plan = System.Text.Encoding.UTF8.GetString(App.Demo("track-night")).Replace("\"b1\"", "\"pair:x\"", StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Import(plan)).StatusCode);
    }

    [Fact]
    public async Task Thirty_two_who_write_at_once_all_have_their_turn()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        (await client.Import(App.Demo("steamer-wedding"))).EnsureSuccessStatusCode();
        var answers = await Task.WhenAll(Enumerable.Range(0, 32).Select(n => n % 2 == 0 ? client.Import(App.Demo("track-night"))
            : client.Post("/api/locker/things", new { text = $"{20 + n}/1.8 K2 #{n} 300g" })));
        Assert.All(answers, a => Assert.True(a.IsSuccessStatusCode, a.StatusCode.ToString()));
        Assert.Equal(17, (await client.Json("/api/assignments")).GetArrayLength());
    }
}
