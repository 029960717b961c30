using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace YokePair.Web.Tests;

public sealed class ImportTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    [Fact]
    public async Task A_plan_comes_out_as_it_went_in_and_reports_the_same()
    {
        var plan = JsonNode.Parse(App.Demo("steamer-wedding"))!;
        plan["future"] = new JsonObject { ["kept"] = true };
        plan["items"]![0]!["strapColour"] = "red";
        var key = (await (await client.Import(plan.ToJsonString())).Json()).GetProperty("key").GetString();
        var exported = await client.GetByteArrayAsync(new Uri($"/api/assignments/{key}/plan", UriKind.Relative));
        Assert.Contains("\"strapColour\": \"red\"", Encoding.UTF8.GetString(exported), StringComparison.Ordinal);
        Assert.Contains("\"kept\": true", Encoding.UTF8.GetString(exported), StringComparison.Ordinal);

        var again = (await (await client.Import(exported)).Json()).GetProperty("key").GetString();
        Assert.NotEqual(key, again);
        var (first, second) = (await client.Json($"/api/assignments/{key}/board"), await client.Json($"/api/assignments/{again}/board"));
        Assert.Equal(first.GetProperty("report").GetRawText(), second.GetProperty("report").GetRawText());
        Assert.Equal(first.GetProperty("plan").GetRawText(), second.GetProperty("plan").GetRawText());
    }

    /// <summary>What is done to the file of a small sound plan, and the field the answer must name.</summary>
    public static TheoryData<string, string, string> Damage => new()
    {
        { "\"ev\": 11", "\"ev\": \"bright\"", "parts[0].ev" },
        { "\"ev\": 11", "\"ev\": 1e999", "parts[0].ev" },
        { "\"isoCeiling\": 6400,", "", "items[0].isoCeiling" },
        { "\"kind\": \"lens\"", "\"kind\": \"lense\"", "items[1]" },
        { "\"focal\": [35, 35]", "\"focal\": [35]", "items[1].focal" },
        { "\"focal\": [35, 35]", "\"focal\": [70, 24]", "items[1].focal" },
        { "\"id\": \"l1\"", "\"id\": \"b1\"", "items[1].id" },
        { "\"lens\": \"l1\"", "\"lens\": \"l9\"", "parts[0].setups[0].lens" },
        { "\"lens\": \"l1\"", "\"lens\": \"bat\"", "parts[0].setups[0].lens" },
        { "\"person\": \"lead\"", "\"person\": \"nobody\"", "parts[0].setups[0].person" },
        { "\"reachSeconds\": 5", "\"reachSeconds\": -5", "places[0].reachSeconds" },
        { "T14:30\"", "T13:30\"", "parts[0].end" },
        { "\"2027-06-12T14:00\"", "\"half past two\"", "parts[0].start" },
        { "\"place\": \"@l1\"", "\"place\": \"@b9\"", "items[2].place" },
        { "\"kind\": \"lens\", \"place\": \"@b1\"", "\"kind\": \"lens\", \"place\": \"@bat\"", "items[1].place" },
        { "\"place\": \"belt\"", "\"place\": \"attic\"", "items[0].place" },
        { "\"shutterSeconds\": 0.004", "\"shutterSeconds\": 0", "parts[0].needs[0].shutterSeconds" },
        { "\"needs\": [", "\"needs\": [ null,", "parts[0].needs[0]" },
        { "\"version\": 1", "\"version\": 7", "version" },
        { "\"ev\": 11,", "\"ev\": 11, \"ev\": 12,", "parts[0].ev" },
    };

    private const string Sound = """
        { "format": "yoke-pair/plan", "version": 1,
          "people": [ { "id": "lead" } ],
          "places": [ { "id": "belt", "reachSeconds": 5 } ],
          "items": [
            { "id": "b1", "kind": "body", "place": "belt", "mount": "K2", "megapixels": 24, "isoCeiling": 6400, "slots": [ { "type": "SD" } ],
              "batteryType": "LB7" },
            { "id": "l1", "kind": "lens", "place": "@b1", "mount": "K2", "focal": [35, 35], "aperture": [1.4, 1.4] },
            { "id": "bat", "kind": "battery", "place": "@l1", "type": "LB7" } ],
          "parts": [ { "id": "vows", "start": "2027-06-12T14:00", "end": "2027-06-12T14:30", "ev": 11,
            "setups": [ { "person": "lead", "body": "b1", "lens": "l1" } ],
            "needs": [ { "id": "rings", "shutterSeconds": 0.004 } ] } ] }
        """;

    [Fact]
    public async Task The_undamaged_plan_is_taken() => Assert.Equal(HttpStatusCode.Created, (await client.Import(Sound)).StatusCode);

    [Theory]
    [MemberData(nameof(Damage))]
    public async Task A_damaged_file_is_refused_with_the_field_and_nothing_is_stored(string sound, string damaged, string field)
    {
        Assert.Contains(sound, Sound, StringComparison.Ordinal);
        await RefusedNaming(Encoding.UTF8.GetBytes(Sound.Replace(sound, damaged, StringComparison.Ordinal)), field);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{")]
    [InlineData("{}")]
    [InlineData("\u0000\u0001\u0002")]
    public Task What_is_no_plan_at_all_is_refused(string text) => RefusedNaming(Encoding.UTF8.GetBytes(text), null);

    [Fact]
    public Task Nesting_without_end_is_refused() => RefusedNaming(Encoding.UTF8.GetBytes("{\"x\":" + new string('[', 200_000)), null);

    [Fact]
    public async Task Every_truncation_of_a_plan_is_refused_or_taken_but_never_breaks_the_server()
    {
        var file = App.Demo("track-night");
        for (var length = 1; length < file.Length; length += 397)
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Import(file[..length])).StatusCode);
    }

    private async Task RefusedNaming(byte[] file, string? field)
    {
        var before = (await client.Json("/api/assignments")).GetArrayLength();
        var response = await client.Import(file);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        var errors = (await response.Json()).GetProperty("errors").EnumerateArray().ToList();
        Assert.All(errors, e => Assert.NotEmpty(e.GetProperty("message").GetString()!));
        if (field is not null) Assert.Contains(field, errors.Select(e => e.GetProperty("field").GetString()));
        Assert.Equal(before, (await client.Json("/api/assignments")).GetArrayLength());
    }
}
