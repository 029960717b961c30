using System.Net;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>What goes along on the day over the wire, and what comes home: damaged facts are named and the others kept.</summary>
public sealed class PocketTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    private async Task<string> NewKey() => (await (await client.Post("/api/demos/steamer-wedding", new { })).Json()).GetProperty("key").GetString()!;

    private static object Fact(string? origin = "p/1", string? kind = "failed", string? thing = "item:b2@vows", string? at = "2027-06-12T11:43:00Z",
        double? left = null, string? words = "Halm 45 no. 2", string? where = null) =>
        new { origin, kind, thing, at, who = "lead", words, left, where };

    private static object Record(string key, params object[] facts) => new { format = "yoke-pair/record", version = 1, assignment = key, facts };

    [Fact]
    public async Task A_record_is_kept_once_and_two_phones_both()
    {
        var key = await NewKey();
        var records = $"/api/assignments/{key}/records";
        async Task<string> Give(params object[] facts)
        {
            var given = await (await client.Post(records, Record(key, facts))).Json();
            return $"{given.GetProperty("added")} {given.GetProperty("known")} {given.GetProperty("refused").GetArrayLength()}";
        }
        var unique = Guid.NewGuid().ToString("N");
        object One(int n, string phone = "a") => Fact($"{phone}{unique}/{n}");
        Assert.Equal("2 0 0", await Give(One(1), One(2)));
        Assert.Equal("1 2 0", await Give(One(1), One(2), One(3)));
        Assert.Equal("0 1 0", await Give(One(3)));
        Assert.Equal("1 0 0", await Give(One(1, "b")));
        // Within one record as well.
        Assert.Equal("1 1 0", await Give(One(9, "c"), One(9, "c")));
        var told = await client.Json(records);
        Assert.Equal(5, told.GetArrayLength());
        Assert.Equal(("failed", "Lead", "Halm 45 no. 2"), (told[0].GetProperty("kind").GetString(), told[0].GetProperty("who").GetString(), told[0]
            .GetProperty("words").GetString()));
        // Of another day they say nothing.
        Assert.Equal(0, (await client.Json($"/api/assignments/{await NewKey()}/records")).GetArrayLength());
    }

    [Fact]
    public async Task What_is_damaged_is_named_and_the_rest_is_kept()
    {
        var key = await NewKey();
        var unique = Guid.NewGuid().ToString("N");
        var given = await (await client.Post($"/api/assignments/{key}/records", Record(key,
            Fact($"{unique}/1"), Fact(origin: null), Fact($"{unique}/2", thing: ""), Fact($"{unique}/3", kind: "charged"),
                Fact($"{unique}/4", kind: "nonsense"),
            Fact($"{unique}/5", at: null), Fact($"{unique}/6", kind: "changed", thing: "bat1", left: 1.5), Fact($"{unique}/7", words: new string('x', 301)),
            Fact($"{unique}/8", kind: "changed", thing: "bat1", left: 0.3)))).Json();
        Assert.Equal(2, given.GetProperty("added").GetInt32());
        var refused = given.GetProperty("refused").EnumerateArray().ToList();
        Assert.Equal([1, 2, 3, 4, 5, 6, 7], refused.Select(r => r.GetProperty("number").GetInt32()));
        string[] starts = ["origin is missing", "thing is missing", "kind is \"charged\"", "kind is \"nonsense\"", "at is missing", "left is 1.5",
            "a text is longer"];
        Assert.All(refused.Zip(starts), r => Assert.StartsWith(r.Second, r.First.GetProperty("why").GetString(), StringComparison.Ordinal));
        Assert.Equal(2, (await client.Json($"/api/assignments/{key}/records")).GetArrayLength());
    }

    /// <summary>A card cannot be put in twice; that the phone says so takes nothing else with it.</summary>
    [Fact]
    public async Task What_cannot_be_so_of_a_card_is_refused_alone()
    {
        var key = await NewKey();
        var unique = Guid.NewGuid().ToString("N");
        var given = await (await client.Post($"/api/assignments/{key}/records", Record(key,
            Fact($"{unique}/1", kind: "put", thing: "c21", where: "b1"), Fact($"{unique}/2", kind: "put", thing: "c21", where: "b2"), Fact($"{unique}/3"))))
                .Json();
        Assert.Equal(2, given.GetProperty("added").GetInt32());
        var refused = Assert.Single(given.GetProperty("refused").EnumerateArray());
        Assert.Equal((1, "Card 21 is in the b1 already."), (refused.GetProperty("number").GetInt32(), refused.GetProperty("why").GetString()));
    }

    [Theory]
    [InlineData("yoke-pair/plan", 1, null, "format")]
    [InlineData("yoke-pair/record", 2, null, "version")]
    [InlineData("yoke-pair/record", 1, "another", "assignment")]
    public async Task A_record_of_something_else_is_refused_at_its_field(string format, int version, string? assignment, string field)
    {
        var key = await NewKey();
        var answer = await client.Post($"/api/assignments/{key}/records", new { format, version, assignment = assignment ?? key, facts = new[] { Fact() } });
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field),
            (answer.StatusCode, (await answer.Json()).GetProperty("errors")[0].GetProperty("field").GetString()));
        Assert.Equal(0, (await client.Json($"/api/assignments/{key}/records")).GetArrayLength());
    }

    [Theory]
    [InlineData("pocket?person=nobody", HttpStatusCode.NotFound)]
    [InlineData("pocket-file?person=nobody", HttpStatusCode.NotFound)]
    [InlineData("paper?person=nobody", HttpStatusCode.NotFound)]
    [InlineData("questions?person=nobody", HttpStatusCode.NotFound)]
    [InlineData("rest?person=nobody&now=2027-06-12T14:00:00", HttpStatusCode.NotFound)]
    [InlineData("rest?person=lead&now=2027-06-12T14:00:00&read=b1:1.5", HttpStatusCode.UnprocessableEntity)]
    [InlineData("rest?person=lead&now=2027-06-12T14:00:00&read=b1", HttpStatusCode.UnprocessableEntity)]
    [InlineData("late?from=nowhere&minutes=20", HttpStatusCode.NotFound)]
    [InlineData("late?from=vows&minutes=0", HttpStatusCode.NotFound)]
    public async Task What_is_not_there_is_said(string path, HttpStatusCode status) =>
        Assert.Equal(status, (await client.GetAsync(new Uri($"/api/assignments/{await NewKey()}/{path}", UriKind.Relative))).StatusCode);

    [Fact]
    public async Task A_slide_moves_the_rest_of_the_day_too()
    {
        var key = await NewKey();
        string StartOf(JsonElement rest, string part) => rest.GetProperty("parts").EnumerateArray().Single(p => p.GetProperty("id").GetString() == part)
            .GetProperty("start").GetString()!;
        const string asked = "person=lead&now=2027-06-12T14:20:00";
        Assert.Equal("2027-06-12T15:00:00", StartOf(await client.Json($"/api/assignments/{key}/rest?{asked}"), "families"));
        Assert.Equal("2027-06-12T15:20:00", StartOf(await client.Json($"/api/assignments/{key}/rest?{asked}&lateFrom=toast&late=20"), "families"));
        Assert.Equal("2027-06-12T17:30:00", StartOf(await client.Json($"/api/assignments/{key}/rest?{asked}&lateFrom=toast&late=20"), "dinner"));
    }
}
