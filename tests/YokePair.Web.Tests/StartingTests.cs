using System.Net;
using System.Text;

namespace YokePair.Web.Tests;

/// <summary>Starting days over HTTP.</summary>
public sealed class StartingTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    [Fact]
    public async Task A_day_goes_out_as_a_calendar_and_comes_back_as_the_same_timetable()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        var calendar = await client.GetStringAsync(new Uri($"/api/assignments/{key}/day.ics", UriKind.Relative));
        Assert.Contains("BEGIN:VEVENT", calendar, StringComparison.Ordinal);
        var read = await (await Send(calendar)).Json();
        Assert.Equal("2027-06-12", read.GetProperty("day").GetString());
        var lines = read.GetProperty("timetable").GetString()!.Split('\n');
        Assert.Equal(12, lines.Length);
        Assert.Equal("13:30 Vows, fore deck 40 min", lines[3]);

        var made = await (await client.Post("/api/assignments",
            new
            {
                name = "Back again",
                day = "2027-06-12",
                template = (string?)null,
                timetable = string.Join('\n', lines),
                style = (string?)null,
                second = true
            })).Json();
        var times = async (string? of) => string.Join(' ', (await client.Json($"/api/assignments/{of}/board")).GetProperty("plan").GetProperty("parts")
            .EnumerateArray().Select(p => $"{p.GetProperty("start").GetString()}-{p.GetProperty("end").GetString()}"));
        Assert.Equal(await times(key), await times(made.GetProperty("key").GetString()));
    }

    [Fact]
    public async Task Several_days_go_out_as_a_calendar_and_come_back()
    {
        var made = await (await client.Post("/api/assignments",
            new
            {
                name = "Fair",
                day = "2027-07-02",
                template = "event-awards",
                timetable = (string?)null,
                style = (string?)null,
                second = false,
                days = 2,
                assistant = true,
                timeZone = "Europe/Vienna"
            })).Json();
        var key = made.GetProperty("key").GetString();
        Assert.Contains("BEGIN:VTIMEZONE\r\nTZID:Europe/Vienna", await client.GetStringAsync(new Uri($"/api/assignments/{key}/day.ics", UriKind.Relative)),
            StringComparison.Ordinal);
        var read = await (await Send(await client.GetStringAsync(new Uri($"/api/assignments/{key}/day.ics", UriKind.Relative)))).Json();
        var timetable = read.GetProperty("timetable").GetString()!;
        Assert.Contains("\n2027-07-03\n17:00 ", timetable, StringComparison.Ordinal);
        var again = await (await client.Post("/api/assignments",
            new
            {
                name = "Fair again",
                day = "2027-07-02",
                template = (string?)null,
                timetable,
                style = (string?)null,
                second = false,
                days = 1,
                assistant = false,
                timeZone = (string?)null
            })).Json();
        var times = async (string? of) => string.Join(' ', (await client.Json($"/api/assignments/{of}/board")).GetProperty("plan").GetProperty("parts")
            .EnumerateArray().Select(p => $"{p.GetProperty("start").GetString()}-{p.GetProperty("end").GetString()}"));
        Assert.Equal(await times(key), await times(again.GetProperty("key").GetString()));
    }

    [Theory]
    [InlineData("")]
    [InlineData("hello")]
    [InlineData("BEGIN:VCALENDAR\nEND:VCALENDAR")]
    [InlineData("BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:tomorrow\nEND:VEVENT\nEND:VCALENDAR")]
    public async Task What_is_no_calendar_is_refused(string text) => Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Send(text)).StatusCode);

    [Fact]
    public async Task A_day_that_cannot_be_is_refused_by_field_and_one_that_can_is_copied()
    {
        var refused = await client.Post("/api/assignments", new
        {
            name = " ",
            day = "2027-06-12",
            template = "nonsense",
            timetable = (string?)null,
            style = "none such",
            second = false
        });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Equal(["name", "template", "style"], (await refused.Json()).GetProperty("errors").EnumerateArray()
            .Select(e => e.GetProperty("field").GetString()));
        var key = (await (await client.Import(App.Demo("track-night"))).Json()).GetProperty("key").GetString();
        var copied = await (await client.Post($"/api/assignments/{key}/copies", new { name = "Track again", day = "2027-03-06" })).Json();
        Assert.Equal("track-again", copied.GetProperty("key").GetString());
        Assert.StartsWith("2027-03-06", (await client.Json("/api/assignments/track-again/board")).GetProperty("plan").GetProperty("parts")[0]
            .GetProperty("start").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_part_is_kept_as_a_kind_added_to_a_day_written_out_forgotten_and_brought_back()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        var kept = await (await client.Post("/api/kinds", new { assignment = key, part = "vows", name = "Vows on deck" })).Json();
        var id = kept.GetProperty("id").GetString();
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Post("/api/kinds", new { assignment = key, part = "vows", name = "vows ON deck" }))
            .StatusCode);
        Assert.Contains(id, await OwnKinds());
        var read = await (await client.Post("/api/starting/timetable", new { text = "15:00 vows on deck", day = "2027-06-12" })).Json();
        Assert.Equal(id, read.GetProperty("lines")[0].GetProperty("kind").GetString());

        var board = await client.Json($"/api/assignments/{key}/board");
        var edit = await client.Post($"/api/assignments/{key}/edits",
            new { baseRevision = board.GetProperty("revision").GetInt32(), edits = new[] { new { type = "addPart", kind = id } } });
        Assert.Equal(HttpStatusCode.OK, edit.StatusCode);
        var parts = (await client.Json($"/api/assignments/{key}/board")).GetProperty("plan").GetProperty("parts");
        var names = (System.Text.Json.JsonElement part) => part.GetProperty("needs").EnumerateArray().Select(n => n.GetProperty("name").GetString());
        var added = parts.EnumerateArray().Last();
        Assert.Equal(id, added.GetProperty("kind").GetString());
        Assert.Equal(names(parts.EnumerateArray().First(p => p.GetProperty("id").GetString() == "vows")), names(added));

        var file = await client.GetByteArrayAsync(new Uri("/api/locker/export.json", UriKind.Relative));
        Assert.Equal(HttpStatusCode.OK, (await client.DeleteAsync(new Uri($"/api/kinds/{id}", UriKind.Relative))).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync(new Uri($"/api/kinds/{id}", UriKind.Relative))).StatusCode);
        Assert.DoesNotContain(id, await OwnKinds());
        using var body = new ByteArrayContent(file);
        body.Headers.ContentType = new("application/octet-stream");
        Assert.True((await client.PostAsync(new Uri("/api/locker/import?keep=true", UriKind.Relative), body)).IsSuccessStatusCode);
        Assert.Contains(id, await OwnKinds());
        await client.Post("/api/locker/undo", new { });
        Assert.DoesNotContain(id, await OwnKinds());

        async Task<string?[]> OwnKinds() => [.. (await client.Json("/api/starting")).GetProperty("kinds").EnumerateArray()
            .Where(k => k.GetProperty("own").GetBoolean()).Select(k => k.GetProperty("id").GetString())];
    }

    [Fact]
    public async Task A_day_is_started_again_with_other_answers_until_somebody_has_worked_on_it()
    {
        var made = await (await Start("wedding-small", null)).Json();
        var key = made.GetProperty("key").GetString();
        var again = await Start("event-dinner", key);
        Assert.Equal(HttpStatusCode.Created, again.StatusCode);
        Assert.Equal(key, (await again.Json()).GetProperty("key").GetString());
        var board = await client.Json($"/api/assignments/{key}/board");
        Assert.Equal("dinner", board.GetProperty("plan").GetProperty("parts").EnumerateArray().Last().GetProperty("kind").GetString());
        Assert.Equal("started again with other answers", board.GetProperty("undo").GetString());
        Assert.Equal(HttpStatusCode.Created, (await Start("event-talks", key)).StatusCode);

        var revision = (await client.Json($"/api/assignments/{key}/board")).GetProperty("revision").GetInt32();
        await client.Post($"/api/assignments/{key}/edits", new { baseRevision = revision, edits = new[] { new { type = "addPart", kind = "cake" } } });
        var refused = await Start("wedding-small", key);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Equal("again", (await refused.Json()).GetProperty("errors")[0].GetProperty("field").GetString());
        // What an edit alone asks for is refused in words.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Post($"/api/assignments/{key}/edits",
            new { baseRevision = revision + 1, edits = new[] { new { type = "startAgain" } } })).StatusCode);

        Task<HttpResponseMessage> Start(string template, string? over) =>
            client.Post("/api/assignments", new
            {
                name = "Twice",
                day = "2027-08-07",
                template,
                timetable = (string?)null,
                style = "two-primes",
                second = false,
                again = over
            });
    }

    private Task<HttpResponseMessage> Send(string calendar) =>
        client.PostAsync(new Uri("/api/starting/calendar", UriKind.Relative),
            new ByteArrayContent(Encoding.UTF8.GetBytes(calendar)) { Headers = { ContentType = new("application/octet-stream") } });
}
