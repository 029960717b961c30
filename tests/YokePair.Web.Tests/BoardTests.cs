using System.Net;
using System.Text.Json;

namespace YokePair.Web.Tests;

public sealed class BoardTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    private async Task<string> NewWedding() =>
        $"/api/assignments/{(await (await client.Post("/api/demos/steamer-wedding", new { })).Json()).GetProperty("key").GetString()}";

    private static string Headline(JsonElement board) => board.GetProperty("report").GetProperty("verdictParts").GetProperty("headline").GetString()!;

    private static string[] SinglePoints(JsonElement board) =>
        [.. board.GetProperty("report").GetProperty("singlePoints").EnumerateArray().Select(s => s.GetProperty("item").GetString()!)];

    [Fact]
    public async Task The_demo_wedding_holds_what_was_planted_in_it()
    {
        var board = await client.Json(await NewWedding() + "/board");
        Assert.Equal(["z70", "ad1"], SinglePoints(board));
        var gap = Assert.Single(board.GetProperty("report").GetProperty("gaps").EnumerateArray());
        Assert.Equal("launch", gap.GetProperty("need").GetString());
        var needs = board.GetProperty("report").GetProperty("needs").EnumerateArray().ToList();
        Assert.Contains(needs, n => n.GetProperty("need").GetString() == "turn" && n.GetProperty("baseline").GetString() == "thins");
        Assert.Equal(40, needs.Count);
        Assert.Equal(12, board.GetProperty("plan").GetProperty("parts").GetArrayLength());
    }

    [Fact]
    public async Task Pulling_the_adapter_says_what_breaks_and_what_to_do_with_seconds()
    {
        var pull = (await client.Json(await NewWedding() + "/board?pull=ad1@details")).GetProperty("pull");
        Assert.Equal("Without the K1 adapter from Details on, Ring close-up is late; the rest goes on, some of it another way.", pull.GetProperty("headline")
            .GetString());
        var now = pull.GetProperty("changes")[0].GetProperty("now");
        Assert.Equal(950, now.GetProperty("seconds").GetDouble());
        Assert.Equal(["fetch", "raise", "changeLens", "fitAdapter"], now.GetProperty("steps").EnumerateArray()
            .Select(s => s.GetProperty("action").GetString()));
        var later = (await client.Json(await NewWedding() + "/board?pull=ad1@lanterns")).GetProperty("pull");
        Assert.Equal(0, later.GetProperty("changes").GetArrayLength());
    }

    [Theory]
    [InlineData("pull=z70@vows..dinner",
        "Without the 70–200 f/2.8 from Vows until Dinner and speeches, nothing is lost by it; some pictures are taken another way.")]
    [InlineData("pull=z70@..dinner", "Without the 70–200 f/2.8 until Dinner and speeches, nothing is lost by it; some pictures are taken another way.")]
    [InlineData("pull=z70@..vows", "Without the 70–200 f/2.8 until Vows, nothing changes.")]
    [InlineData("pull=z70@..dinner&pull=ad1@boarding",
        "Without the 70–200 f/2.8 until Dinner and speeches and the K1 adapter from Boarding on, nothing is lost by it; some pictures are taken another way.")]
    [InlineData("pull=z70@dinner..vows",
        "Without the 70–200 f/2.8 from Dinner and speeches on, Speaker's face is lost; the rest goes on, some of it another way.")]
    [InlineData("pull=z70", "Without the 70–200 f/2.8, Speaker's face is lost; the rest goes on, some of it another way.")]
    [InlineData("pull=person:second@toast..families", "Without Second from Toast until Families, nothing changes.")]
    [InlineData("pull=place:roller@floor&pull=rig:b1@floor",
        "Without the Roller and all in it and the Halm 45 no. 1 and all on it from Dance floor on, nothing is lost by it; some pictures are taken another "
            + "way.")]
    [InlineData("pull=radio:R24", "Without radio R24, Crowd, wide and The band are second best; everything else stays as it was.")]
    [InlineData("pull=bat4&pull=bat5&pull=bat6&pull=bat7&pull=bat8",
        "Without the LB7 no. 4, the LB7 no. 5, the LB7 no. 6, the LB7 no. 7 and the LB7 no. 8, 597 frames of a busy day find no battery or card; everything "
            + "else stays as it was.")]
    public async Task What_is_pulled_later_or_mended_is_said(string query, string headline) =>
        Assert.Equal(headline, (await client.Json(await NewWedding() + "/board?" + query)).GetProperty("pull").GetProperty("headline").GetString());

    [Fact]
    public async Task An_old_link_that_pulls_what_is_no_longer_there_still_opens()
    {
        var board = await client.Json(await NewWedding() + "/board?pull=gone&pull=person:nobody&pull=radio:R9@vows&pull=rig:z70&pull=what:ever");
        Assert.False(board.TryGetProperty("pull", out var pull) && pull.ValueKind == System.Text.Json.JsonValueKind.Object);
    }

    [Fact]
    public async Task What_is_offered_to_mend_a_need_mends_it()
    {
        var wedding = await NewWedding();
        var mends = (await client.Lines(wedding + "/parts/details/needs/ring"))[1].GetProperty("mends");
        Assert.NotEqual(0, mends.GetArrayLength());
        foreach (var mend in mends.EnumerateArray())
        {
            var fresh = await NewWedding();
            var board = await (await client.Post(fresh + "/edits", new { baseRevision = 1, edits = mend.GetProperty("edits") })).Json();
            Assert.Equal(["z70"], SinglePoints(board));
            Assert.Equal(mend.GetProperty("strands").GetInt32(), board.GetProperty("report").GetProperty("needs").EnumerateArray()
                .First(n => n.GetProperty("need").GetString() == "ring").GetProperty("strands").GetInt32());
        }
        Assert.Equal("Two needs hang by one thing, one is not covered.", Headline(await client.Json(wedding + "/board")));
    }

    [Fact]
    public async Task Every_choice_for_a_hand_does_what_it_says()
    {
        var wedding = await NewWedding();
        var choices = (await client.Json(wedding + "/parts/details/choices?person=lead&position=right")).GetProperty("glass").EnumerateArray().ToList();
        Assert.True(choices[0].GetProperty("current").GetBoolean());
        var revision = 1;
        foreach (var choice in choices.Take(6))
        {
            var board = await (await client.Post(wedding + "/edits", new { baseRevision = revision++, edits = new[] { choice.GetProperty("edit") } })).Json();
            var part = board.GetProperty("report").GetProperty("parts").EnumerateArray().First(p => p.GetProperty("part").GetString() == "details");
            Assert.Equal(choice.GetProperty("strands").GetInt32(), part.GetProperty("strands").GetInt32());
        }
    }

    [Fact]
    public async Task The_inspector_gives_figures_for_every_body_and_glass()
    {
        var why = (await client.Lines(await NewWedding() + "/parts/dinner/needs/speaker"))[0].GetProperty("explanation");
        var slow = why.GetProperty("weighed").EnumerateArray()
            .First(w => w.GetProperty("body").GetString() == "b1" && w.GetProperty("glass")[0].GetString() == "z70s");
        Assert.Equal(["iso"], slow.GetProperty("noFor").EnumerateArray().Select(x => x.GetString()));
        // f at 150 mm of a 70–200 f/4–5.6, at 1/320 s in EV 4.5, against a ceiling of 12 800.
        Assert.Equal(5.11, slow.GetProperty("fit").GetProperty("fNumber").GetDouble(), 2);
        Assert.Equal(1.53, slow.GetProperty("fit").GetProperty("stopsOver").GetDouble(), 2);
    }

    [Fact]
    public async Task A_stale_edit_answers_with_what_changed()
    {
        var wedding = await NewWedding();
        object Light(double ev) => new { baseRevision = 1, edits = new[] { new { type = "setPart", part = "vows", ev } } };
        Assert.Equal(HttpStatusCode.OK, (await client.Post(wedding + "/edits", Light(8))).StatusCode);
        var stale = await client.Post(wedding + "/edits", Light(5));
        Assert.Equal(HttpStatusCode.Conflict, stale.StatusCode);
        Assert.Equal("Vows: light EV 8 (was 11)", (await stale.Json()).GetProperty("changes")[0].GetString());
    }

    [Theory]
    [InlineData("""{"baseRevision":1,"edits":[{"type":"setPart","part":"vows","ev":"dim"}]}""", HttpStatusCode.BadRequest, "edits[0].ev")]
    [InlineData("""{"baseRevision":1,"edits":[{"type":"setPart","part":"vows","ev":40}]}""", HttpStatusCode.UnprocessableEntity, "parts[3].ev")]
    [InlineData("""{"baseRevision":1,"edits":[{"type":"mount","part":"vows","person":"lead","position":"left","body":"b5","lens":"l35"}]}""",
        HttpStatusCode.UnprocessableEntity, "lens")]
    [InlineData("""{"baseRevision":1,"edits":[{"type":"moveItem","item":"ad1","place":"attic"}]}""", HttpStatusCode.UnprocessableEntity, "place")]
    [InlineData("""{"baseRevision":1,"edits":[{"type":"moveItem","item":"m100","place":"@ad1"}]}""", HttpStatusCode.UnprocessableEntity, "place")]
    public async Task A_bad_edit_names_the_field(string body, HttpStatusCode status, string field)
    {
        var response = await client.PostAsync(new Uri(await NewWedding() + "/edits", UriKind.Relative),
            new StringContent(body, System.Text.Encoding.UTF8, "application/json"), TestContext.Current.CancellationToken);
        Assert.Equal(status, response.StatusCode);
        Assert.Equal(field, (await response.Json()).GetProperty("errors")[0].GetProperty("field").GetString());
    }

    [Fact]
    public async Task Any_plan_can_be_analysed_without_being_kept()
    {
        var plan = JsonDocument.Parse(App.Demo("track-night")).RootElement;
        var report = await (await client.Post("/api/analysis", new { plan, pulled = new[] { new { item = "z24" } } })).Json();
        Assert.Contains(report.GetProperty("gaps").EnumerateArray(), g => g.GetProperty("need").GetString() == "crowdt");
        Assert.Equal(plan.GetProperty("items").GetArrayLength(), report.GetProperty("events").EnumerateArray()
            .Count(e => e.GetProperty("kind").GetString() == "item"));
        Assert.Equal(plan.GetProperty("places").GetArrayLength(), report.GetProperty("events").EnumerateArray()
            .Count(e => e.GetProperty("kind").GetString() == "place"));
        Assert.Equal(JsonValueKind.Null, report.GetProperty("needs").EnumerateArray().First(n => n.GetProperty("need").GetString() == "crowdt")
            .GetProperty("margin").ValueKind);
    }
}
