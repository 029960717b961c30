using System.Text.Json;
using YokePair.Core.Editing;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Tests;

/// <summary>Kinds of part as data: worked figures of their needs, and kinds of one's own.</summary>
public class KindTests
{
    private static readonly DateTime Noon = new(2027, 6, 12, 12, 0, 0, DateTimeKind.Unspecified);

    private static Part Made(string kind) => PartKind.All.First(k => k.Id == kind).Make("part", Noon, Noon.AddHours(1));

    private static Need Named(Part part, string name) => part.Needs.First(n => n.Name == name);

    /// <summary>A frame 4.5 m wide at 40 to 150 m: 36·40/4.5 to 36·150/4.5 mm, in five bands.</summary>
    [Fact]
    public void A_road_race_is_covered_from_320_to_1200_mm_in_five_bands()
    {
        var part = Made("road-race");
        var need = Assert.Single(part.Needs);
        var bands = need.Bands(part);
        Assert.Equal([320, 417, 543, 707, 921, 1200], [.. bands.Select(b => Math.Round(b.Focal!.Value.Low)), Math.Round(bands[^1].Focal!.Value.High)]);
        // A 200 leaves 20.8/1.6² of the first, a 600 20.8/1.535² of the last.
        double Left(double mm, Need band) => 20.8 / Math.Pow(Math.Max(1, band.Focal!.Value.Low / mm), 2);
        Assert.Equal(8.1, Left(200, bands[0]), 0.05);
        Assert.Equal(8.8, Left(600, bands[4]), 0.05);
    }

    [Fact]
    public void What_is_laid_on_a_table_asks_f_4_and_a_sixtieth()
    {
        var cards = Named(Made("room"), "Cards and places");
        Assert.Equal((4, 1.0 / 60, 0.6), (cards.MinFNumber, cards.ShutterSeconds, cards.FlashPathM));
        // 100·(4·1.144)²·60/32, by glass whose frame at closest is as wide as the place is laid.
        Assert.Equal(3926, Exposure.Iso(4 * 1.144, cards.ShutterSeconds, 5), 0.5);
    }

    /// <summary>f/8·1.3, 1/125 s, ISO 6400: 250·10.4²·125/6400 lux, thirty of them at a metre for each watt of a small lamp.</summary>
    [Fact]
    public void A_ring_asks_528_lux_which_a_lamp_of_four_and_a_half_watts_gives_from_half_a_metre()
    {
        var ring = Named(Made("details"), "Ring close-up");
        Assert.Contains(LightKind.Continuous, ring.Light);
        var lux = 250 * Math.Pow(8 * 1.3, 2) / ring.ShutterSeconds / 6400;
        Assert.Equal(528, lux, 0.5);
        var lamp = Typical.Fill("light", new System.Text.Json.Nodes.JsonObject { ["kind"] = "light", ["watts"] = 4.5 });
        Assert.Contains("luxAtOneM", lamp["estimated"]!.AsArray().Select(n => n!.ToString()));
        Assert.InRange(lamp["luxAtOneM"]!.GetValue<double>() / ring.FlashPathM!.Value / ring.FlashPathM.Value, lux, lux * 1.05);
    }

    [Fact]
    public void Flash_is_asked_for_only_where_it_may_be_used_and_can_be_reckoned()
    {
        foreach (var part in DayTemplate.All.SelectMany(t => t.Parts).Concat(PartKind.All).Select(k => k.Make("part", Noon, Noon.AddHours(1))))
            Assert.All(part.Needs.Where(n => n.Light.Contains(LightKind.Flash)), n =>
                Assert.True(part.Flash == FlashRule.Allowed && n.FlashPath(part) is not null, $"{part.Name}: {n.Name}"));
    }

    /// <summary>Bounced off 3 m from 4 m away: mirrored in the ceiling, 1.4 m above the flash. A need's own ceiling comes before its part's.</summary>
    [Fact]
    public void A_need_inherits_the_ceiling_of_its_part()
    {
        var need = new Need { Id = "n", ShutterSeconds = 0.01 };
        var part = new Part { Id = "p", Ev = 3, Ceiling = new Bounce { CeilingM = 3, Colour = BounceColour.Pale } };
        Assert.Equal((OnCameraFlash.BouncedPathM(4, 3), 3), need.FlashPath(part));
        Assert.Equal((OnCameraFlash.BouncedPathM(4, 5), 2), (need with { Bounce = new Bounce { CeilingM = 5 } }).FlashPath(part));
        Assert.Null(need.FlashPath(part with { Ceiling = null }));
        var raised = new SetPart { Part = "p", CeilingM = 4 }.Apply(new Plan { Format = Plan.FormatName, Version = 1, Parts = [part] });
        Assert.Equal(("p: a pale ceiling at 4 m", 4.0), (raised.Label, raised.Plan!.Parts[0].Ceiling!.CeilingM));
    }

    [Theory]
    [InlineData("Cutting the cake", "cake")]
    [InlineData("first look", "first-look")]
    [InlineData("Confetti outside", "confetti")]
    [InlineData("golden hour walk", "golden-hour")]
    [InlineData("motor race", "road-race")]
    [InlineData("Opening dance", "first-dance")]
    [InlineData("Ceremony, chapel", "ceremony")]
    public void A_timetable_knows_the_kinds(string line, string kind) => Assert.Equal(kind, PartKind.Meant(line)?.Id);

    [Fact]
    public void A_part_kept_as_a_kind_comes_back_with_its_light_rules_and_needs()
    {
        var part = Made("speeches") with { Ev = 3.5, Quiet = QuietRule.Required, Ceiling = new Bounce { CeilingM = 4 } };
        part = part with { Needs = [.. part.Needs.Select(n => n with { Who = "lead", Moment = "toast" })] };
        var filed = PartKind.Kept(part, "Toasts by lantern", PartKind.All);
        var (read, wrong) = KindFile.ReadKinds(JsonSerializer.SerializeToNode(new[] { filed }, PlanFile.JsonOptions));
        Assert.Null(wrong);
        var kind = PartKind.Of(Assert.Single(read), own: true);
        Assert.Equal("own-toasts-by-lantern", kind.Id);
        var again = kind.Make("again", Noon, Noon.AddHours(1));
        Assert.Equal((3.5, QuietRule.Required, 4.0), (again.Ev, again.Quiet, again.Ceiling!.CeilingM));
        Assert.Equal([.. part.Needs.Select(n => n with { Who = Need.Anyone, Moment = null }).Select(n => JsonSerializer.Serialize(n, PlanFile.JsonOptions))],
            again.Needs.Select(n => JsonSerializer.Serialize(n, PlanFile.JsonOptions)));
        Assert.Same(kind, PartKind.Meant("20:00 toasts, lantern hall", [.. PartKind.All, kind]));
    }

    [Theory]
    [InlineData("""{ "id": "own-x", "name": "X", "minutes": 30, "ev": 99 }""", "kinds[0].ev")]
    [InlineData("""{ "id": "own-x", "name": "X", "minutes": 0, "ev": 5 }""", "kinds[0].minutes")]
    [InlineData("""{ "id": "play", "name": "X", "minutes": 5, "ev": 5 }""", "kinds[0].id")]
    [InlineData("""{ "id": "own-x", "name": "X", "minutes": 5, "ev": 5, "needs": [{ "name": "Y", "subject": "face", "distanceM": [9, 2] }] }""",
        "kinds[0].needs[0].framing.distanceM")]
    [InlineData("""{ "id": "own-x", "name": "X", "minutes": 5, "ev": 5, "needs": [{ "name": "Y", "motion": "hopping" }] }""", "kinds[0]")]
    public void A_damaged_kind_is_named_with_its_field(string kind, string field) =>
        Assert.StartsWith(field, KindFile.ReadKinds(System.Text.Json.Nodes.JsonNode.Parse($"[{kind}]")).Problem?.Field, StringComparison.Ordinal);

    /// <summary>What such glass weighs, from the many there are of each: within a third.</summary>
    [Theory]
    [InlineData(24, 70, 2.8, 0.21, 820)]
    [InlineData(70, 200, 2.8, 0.21, 1400)]
    [InlineData(14, 24, 2.8, 0.12, 900)]
    [InlineData(35, 35, 1.4, 0.2, 550)]
    [InlineData(85, 85, 1.4, 0.12, 850)]
    [InlineData(100, 100, 2.8, 1, 650)]
    [InlineData(28, 105, 5.6, 0.2, 400)]
    [InlineData(400, 400, 2.8, 0.17, 2900)]
    public void Usual_weights_are_believable_and_marked(double low, double high, double f, double magnification, double grams)
    {
        var lens = Typical.Fill("lens", new System.Text.Json.Nodes.JsonObject
        {
            ["kind"] = "lens",
            ["focal"] = new System.Text.Json.Nodes.JsonArray(low, high),
            ["aperture"] = new System.Text.Json.Nodes.JsonArray(f, f),
            ["magnification"] = magnification
        });
        Assert.InRange(lens["weightG"]!.GetValue<double>(), grams / 1.34, grams * 1.34);
        Assert.Contains("weightG", lens["estimated"]!.AsArray().Select(n => n!.ToString()));
    }
}
