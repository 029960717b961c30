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

        var made = await (await client.Post("/api/assignments", new { name = "Back again", day = "2027-06-12", template = (string?)null, timetable = string.Join('\n', lines), style = (string?)null, second = true })).Json();
        var times = async (string? of) => string.Join(' ', (await client.Json($"/api/assignments/{of}/board")).GetProperty("plan").GetProperty("parts").EnumerateArray().Select(p => $"{p.GetProperty("start").GetString()}-{p.GetProperty("end").GetString()}"));
        Assert.Equal(await times(key), await times(made.GetProperty("key").GetString()));
    }

    [Fact]
    public async Task Several_days_go_out_as_a_calendar_and_come_back()
    {
        var made = await (await client.Post("/api/assignments", new { name = "Fair", day = "2027-07-02", template = "event-awards", timetable = (string?)null, style = (string?)null, second = false, days = 2, assistant = true, timeZone = "Europe/Vienna" })).Json();
        var key = made.GetProperty("key").GetString();
        var read = await (await Send(await client.GetStringAsync(new Uri($"/api/assignments/{key}/day.ics", UriKind.Relative)))).Json();
        var timetable = read.GetProperty("timetable").GetString()!;
        Assert.Contains("\n2027-07-03\n17:00 ", timetable, StringComparison.Ordinal);
        var again = await (await client.Post("/api/assignments", new { name = "Fair again", day = "2027-07-02", template = (string?)null, timetable, style = (string?)null, second = false, days = 1, assistant = false, timeZone = (string?)null })).Json();
        var times = async (string? of) => string.Join(' ', (await client.Json($"/api/assignments/{of}/board")).GetProperty("plan").GetProperty("parts").EnumerateArray().Select(p => $"{p.GetProperty("start").GetString()}-{p.GetProperty("end").GetString()}"));
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
        var refused = await client.Post("/api/assignments", new { name = " ", day = "2027-06-12", template = "nonsense", timetable = (string?)null, style = "none such", second = false });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Equal(["name", "template", "style"], (await refused.Json()).GetProperty("errors").EnumerateArray().Select(e => e.GetProperty("field").GetString()));
        var key = (await (await client.Import(App.Demo("track-night"))).Json()).GetProperty("key").GetString();
        var copied = await (await client.Post($"/api/assignments/{key}/copies", new { name = "Track again", day = "2027-03-06" })).Json();
        Assert.Equal("track-again", copied.GetProperty("key").GetString());
        Assert.StartsWith("2027-03-06", (await client.Json("/api/assignments/track-again/board")).GetProperty("plan").GetProperty("parts")[0].GetProperty("start").GetString(), StringComparison.Ordinal);
    }

    private Task<HttpResponseMessage> Send(string calendar) =>
        client.PostAsync(new Uri("/api/starting/calendar", UriKind.Relative), new ByteArrayContent(Encoding.UTF8.GetBytes(calendar)) { Headers = { ContentType = new("application/octet-stream") } });
}
