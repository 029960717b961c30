using System.Text;
using System.Text.Json;
using YokePair.Cli;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

public sealed class AnalyseTests
{
    private const string Sound = """
        { "format": "yoke-pair/plan", "version": 1, "assignment": { "id": "a", "name": "Small job" },
          "people": [ { "id": "you" } ], "places": [ { "id": "bag", "reachSeconds": 10 } ],
          "items": [
            { "id": "b1", "kind": "body", "place": "bag", "mount": "K2", "megapixels": 24, "isoCeiling": 6400, "slots": [ { "type": "SD" },
              { "type": "SD" } ], "batteryType": "LB7" },
            { "id": "b2", "kind": "body", "place": "bag", "mount": "K2", "megapixels": 24, "isoCeiling": 6400, "slots": [ { "type": "SD" },
              { "type": "SD" } ], "batteryType": "LB7" },
            { "id": "l1", "kind": "lens", "place": "@b1", "mount": "K2", "focal": [35, 35], "aperture": [1.4, 1.4] },
            { "id": "l2", "kind": "lens", "place": "@b2", "mount": "K2", "focal": [24, 70], "aperture": [2.8, 2.8] },
            { "id": "bat1", "kind": "battery", "place": "@b1", "type": "LB7" }, { "id": "bat2", "kind": "battery", "place": "@b2", "type": "LB7" },
            { "id": "c1", "kind": "card", "place": "@b1/1", "type": "SD" }, { "id": "c2", "kind": "card", "place": "@b1/2", "type": "SD" },
            { "id": "c3", "kind": "card", "place": "@b2/1", "type": "SD" }, { "id": "c4", "kind": "card", "place": "@b2/2", "type": "SD" } ],
          "parts": [ { "id": "talk", "ev": 8, "needs": [ { "id": "speaker", "focal": [35, 50], "shutterSeconds": 0.008 } ] } ] }
        """;

    private static (int Code, string Output, string Messages) Run(string text)
    {
        var file = Path.GetTempFileName();
        try
        {
            File.WriteAllText(file, text);
            using var output = new MemoryStream();
            using var messages = new StringWriter();
            var code = Analyse.Run(file, output, messages);
            return (code, Encoding.UTF8.GetString(output.ToArray()), messages.ToString());
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public void A_sound_plan_ends_with_0_and_prints_the_whole_report()
    {
        var (code, output, messages) = Run(Sound);
        Assert.Equal(Analyse.Sound, code);
        var report = JsonDocument.Parse(output).RootElement;
        foreach (var field in new[] { "verdict", "gaps", "singlePoints", "needs", "events", "power", "cards", "carry" }) Assert.True(
            report.TryGetProperty(field, out _), field);
        var need = report.GetProperty("needs")[0];
        Assert.Equal(("holds", 2), (need.GetProperty("baseline").GetString(), need.GetProperty("margin").GetInt32()));
        Assert.Contains("Small job: Everything holds", messages, StringComparison.Ordinal);
    }

    [Fact]
    public void Each_loss_tells_outcome_and_steps_that_add_up()
    {
        var report = JsonDocument.Parse(Run(Sound).Output).RootElement;
        var loss = report.GetProperty("events").EnumerateArray().First(e => e.GetProperty("id").GetString() == "l1");
        var need = loss.GetProperty("parts")[0].GetProperty("needs")[0];
        Assert.Equal("holds", need.GetProperty("outcome").GetString());
        // From the bag 10 s, to the eye 5 s: the zoom sits on the other body already.
        Assert.Equal(15, need.GetProperty("steps").EnumerateArray().Sum(s => s.GetProperty("seconds").GetDouble()));
    }

    [Theory]
    [InlineData("\"id\": \"bat2\", \"kind\": \"battery\", \"place\": \"@b2\"",
        "\"id\": \"bat2\", \"kind\": \"battery\", \"charged\": false, \"place\": \"@b2\"", "bat1")]
    [InlineData("\"place\": \"@b2\", \"mount\"", "\"place\": \"nowhere\", \"mount\"", "l1")]
    [InlineData("\"place\": \"@b2\", \"mount\"", "\"place\": \"@l2\", \"mount\"", "l1")]
    public void A_single_point_ends_with_1(string sound, string changed, string single)
    {
        Assert.Contains(sound, Sound, StringComparison.Ordinal);
        var (code, output, _) = Run(Sound.Replace(sound, changed, StringComparison.Ordinal));
        Assert.Equal(Analyse.Unsound, code);
        Assert.Contains(single, JsonDocument.Parse(output).RootElement.GetProperty("singlePoints").EnumerateArray()
            .Select(s => s.GetProperty("item").GetString()));
    }

    [Fact]
    public void A_gap_says_why_and_has_no_margin()
    {
        var (code, output, messages) = Run(Sound.Replace("\"ev\": 8", "\"ev\": -4", StringComparison.Ordinal));
        var report = JsonDocument.Parse(output).RootElement;
        Assert.Equal(Analyse.Unsound, code);
        Assert.Equal(JsonValueKind.Null, report.GetProperty("needs")[0].GetProperty("margin").ValueKind);
        Assert.StartsWith("nothing you pack is fast enough", report.GetProperty("gaps")[0].GetProperty("why").GetString(), StringComparison.Ordinal);
        Assert.Contains("One need is not covered.", messages, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("\"ev\": 8", "\"ev\": true", "line 13: parts[0].ev")]
    [InlineData("[ { \"id\": \"speaker\"", "[ { \"id\": \"speaker\", \"who\": \"them\"", "parts[0].needs[0].who")]
    [InlineData(", \"batteryType\": \"LB7\" },", "},", "items[0].batteryType")]
    public void What_cannot_be_read_ends_with_2_and_prints_nothing(string sound, string changed, string said)
    {
        var (code, printed, told) = Run(Sound.Replace(sound, changed, StringComparison.Ordinal));
        Assert.Equal((Analyse.Unreadable, ""), (code, printed));
        Assert.Contains(said, told, StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_that_is_not_there_ends_with_2()
    {
        using var output = new MemoryStream();
        using var messages = new StringWriter();
        Assert.Equal(Analyse.Unreadable, Analyse.Run("/no/such/plan.yoke.json", output, messages));
        Assert.Contains("/no/such/plan.yoke.json", messages.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void On_camera_flash_is_a_way_where_it_is_allowed_and_takes_its_cells_along()
    {
        var dim = Sound
            .Replace("\"ev\": 8, \"needs\": [ { \"id\": \"speaker\"",
                "\"ev\": 0, \"needs\": [ { \"id\": \"speaker\", \"flashPathM\": 5, \"bounceLossStops\": 2", StringComparison.Ordinal)
            .Replace("\"items\": [", """
                "items": [ { "id": "f1", "kind": "flash", "place": "@b1", "guideNumber": 36, "cellsType": "AA" }, { "id": "aa", "kind": "cells",
                  "place": "@f1", "type": "AA" },
                """, StringComparison.Ordinal);
        var need = JsonDocument.Parse(Run(dim).Output).RootElement.GetProperty("needs")[0];
        Assert.Equal("holds", need.GetProperty("baseline").GetString());
        Assert.Equal(["aa", "f1"], need.GetProperty("cuts").EnumerateArray().Where(c => c.GetArrayLength() == 1).Select(c => c[0].GetString()!)
            .Order(StringComparer.Ordinal));
        Assert.Equal("lost", JsonDocument.Parse(Run(dim.Replace("\"ev\": 0", "\"flash\": \"banned\", \"ev\": 0", StringComparison.Ordinal)).Output)
            .RootElement.GetProperty("needs")[0].GetProperty("baseline").GetString());
    }

    [Fact]
    public void A_plan_without_a_part_is_no_plan()
    {
        var wedding = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;
        var none = PlanFile.Read(PlanFile.Write(wedding with { Parts = [], Events = null }));
        Assert.Null(none.Plan);
        Assert.Equal(["parts: is empty; a day has at least one part"], none.Problems.Select(p => p.ToString()));
    }

    [Fact]
    public void A_plan_survives_a_round_trip_byte_for_byte_after_the_first()
    {
        var once = PlanFile.Write(PlanFile.Read(Encoding.UTF8.GetBytes(Sound)).Plan!);
        Assert.Equal(once, PlanFile.Write(PlanFile.Read(once).Plan!));
    }
}
