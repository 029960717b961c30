using System.Net;

namespace YokePair.Web.Tests;

/// <summary>Editing people, places, lights and times over HTTP: kept, put back, or refused by field.</summary>
public sealed class RoomTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    private async Task<string> Wedding() => (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString()!;

    /// <summary>Edits, and what of the plan they change.</summary>
    public static TheoryData<string, object> Edits => new()
    {
        { "people", new { type = "setPerson", person = new { id = "", name = "Ned", role = "assistant", handOverSeconds = 8 } } },
        { "places", new { type = "setPlace", place = "roller", reachSeconds = 45 } },
        { "parts", new { type = "setPlace", place = "roller", part = "vows", reachSeconds = 3 } },
        { "parts", new { type = "setLights", part = "lanterns", lights = new[] { new { flash = "f3", holder = "st1" } } } },
        { "parts", new { type = "equip", part = "vows", person = "lead", position = "right", support = "tp1", unattended = false } },
        { "parts", new { type = "addDay" } },
        { "parts", new { type = "setPart", part = "vows", noted = new { fNumber = 4, shutterSeconds = 0.004, iso = 800 } } },
    };

    [Theory]
    [MemberData(nameof(Edits))]
    public async Task An_edit_is_kept_and_put_back(string list, object edit)
    {
        var key = await Wedding();
        async Task<string> Now() => (await client.Json($"/api/assignments/{key}/board")).GetProperty("plan").GetProperty(list).GetRawText();
        var before = await Now();
        var edited = await client.Post($"/api/assignments/{key}/edits", new { baseRevision = 1, edits = new[] { edit } });
        Assert.Equal(HttpStatusCode.OK, edited.StatusCode);
        Assert.NotEqual(before, await Now());
        Assert.Equal(HttpStatusCode.OK, (await client.Post($"/api/assignments/{key}/undo", new { baseRevision = 2 })).StatusCode);
        Assert.Equal(before, await Now());
    }

    [Fact]
    public async Task Two_places_at_once_are_refused_in_words_and_nothing_is_changed()
    {
        var key = await Wedding();
        var refused = await client.Post($"/api/assignments/{key}/edits",
            new { baseRevision = 1, edits = new[] { new { type = "setPart", part = "toast", start = "2027-06-12T13:40" } } });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("cannot be at both", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(1, (await client.Json($"/api/assignments/{key}/board")).GetProperty("revision").GetInt32());
    }

    [Fact]
    public async Task A_day_is_not_copied_into_an_hour_that_no_clock_shows()
    {
        var made = await (await client.Post("/api/assignments",
            new
            {
                name = "Night",
                day = "2027-06-12",
                template = (string?)null,
                timetable = "02:30 dance 60 min",
                style = (string?)null,
                second = false,
                assistant = false,
                timeZone = "Europe/Vienna"
            })).Json();
        var copied = await client.Post($"/api/assignments/{made.GetProperty("key").GetString()}/copies", new { name = "Spring night", day = "2027-03-28" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, copied.StatusCode);
        Assert.Contains("write 03:30", await copied.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_report_tells_frames_and_the_work_of_setting_lights_up()
    {
        var report = (await client.Json($"/api/assignments/{await Wedding()}/board")).GetProperty("report");
        Assert.Equal(12, report.GetProperty("frames").GetArrayLength());
        var move = Assert.Single(report.GetProperty("lightMoves").EnumerateArray());
        Assert.Equal(("room", 225.0), (move.GetProperty("part").GetString(), move.GetProperty("seconds").GetDouble()));
    }
}
