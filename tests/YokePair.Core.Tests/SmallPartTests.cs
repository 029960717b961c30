using System.Text.Json;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>Small things that others hang on.</summary>
public class SmallPartTests
{
    private static readonly Item Plate = new OtherThing { Id = "plate", Name = "Plate 1", NeededBy = ["long"], Place = "roller" };

    private static Plan Day(params Item[] small) => PlanFile.Read("""
        { "format": "yoke-pair/plan", "version": 1, "people": [{ "id": "lead" }],
          "places": [{ "id": "roller", "reachSeconds": 60 }],
          "items": [
            { "id": "b", "kind": "body", "place": "roller", "mount": "K2", "megapixels": 24, "isoCeiling": 12800, "slots": [{ "type": "SD" },
              { "type": "SD" }], "batteryType": "LB7" },
            { "id": "long", "kind": "lens", "place": "@b", "mount": "K2", "focal": [300, 300], "aperture": [2.8, 2.8], "needsSupport": true },
            { "id": "pod", "kind": "support", "form": "monopod", "place": "roller" },
            { "id": "bat", "kind": "battery", "place": "@b", "type": "LB7" },
            { "id": "c1", "kind": "card", "place": "@b/1", "type": "SD" }, { "id": "c2", "kind": "card", "place": "@b/2", "type": "SD" } ],
          "parts": [{ "id": "race", "ev": 13, "setups": [{ "person": "lead", "position": "left", "body": "b", "lens": "long" }],
            "needs": [{ "id": "finish", "focal": [300, 300], "shutterSeconds": 0.001 }] }] }
        """u8).Plan! is var plan ? plan with { Items = [.. plan.Items, .. small] } : null!;

    private static NeedReport Finish(Plan plan) => new DayAnalysis(plan).ReportPart("race")[0];

    /// <summary>Raise 5; the monopod from the roller 60 + 20; a plate from the same roller 15 more, one on the lens nothing.</summary>
    [Fact]
    public void A_small_part_is_fetched_and_fitted_like_an_adapter()
    {
        Assert.Equal(85, Finish(Day()).Best!.Seconds);
        var fetched = Finish(Day(Plate)).Best!;
        Assert.Equal(100, fetched.Seconds);
        Assert.Contains(fetched.Steps, s => s is { Action: StepAction.FitAdapter, Item: "plate", Seconds: 15 });
        Assert.Equal(85, Finish(Day(Plate with { Place = "@long" })).Best!.Seconds);
    }

    [Fact]
    public void One_stands_for_any_like_it()
    {
        Assert.Contains(new DayAnalysis(Day(Plate)).Report().Needs[0].Cuts, c => c.SequenceEqual(["plate"]));
        var two = new DayAnalysis(Day(Plate, Plate with { Id = "plate2", Name = "Plate 2" })).Report().Needs[0].Cuts;
        Assert.DoesNotContain(two, c => c.SequenceEqual(["plate"]));
        Assert.Contains(two, c => c.Order().SequenceEqual(["plate", "plate2"]));
        // Something else that is asked besides takes no plate's place.
        Assert.Contains(new DayAnalysis(Day(Plate, new OtherThing { Id = "screw", Name = "Screw", NeededBy = ["long"], Place = "roller" })).Report().Needs[0]
            .Cuts, c => c.SequenceEqual(["screw"]));
    }

    /// <summary>Five alike, of which one needs a plate: without the plate the other four still serve, so it does not stand for them.</summary>
    [Fact]
    public void What_hangs_on_a_plate_is_not_like_what_needs_none()
    {
        var plan = Day(Plate);
        var like = plan.ItemOf("long")!;
        plan = plan with
        {
            Items = [.. plan.Items.Select(i => i.Id == "long" ? i with { Place = "roller" } : i), .. Enumerable.Range(2, 4)
                .Select(n => like with { Id = $"long{n}", Place = "roller" })],
            Parts = [plan.Parts[0] with { Setups = [] }],
        };
        Assert.DoesNotContain(new DayAnalysis(plan).Report().Needs[0].Cuts, c => c.Contains("plate"));
    }

    /// <summary>A monopod that hangs on a screw is there with it and not without.</summary>
    [Fact]
    public void What_carries_a_camera_may_hang_on_a_screw()
    {
        var screw = new OtherThing { Id = "screw", Name = "Screw", NeededBy = ["pod"], Place = "@pod" };
        Assert.Equal(85, Finish(Day(screw)).Best!.Seconds);
        Assert.Equal(Outcome.Lost, Finish(Day(screw with { Place = "nowhere" })).Baseline);
    }

    [Fact]
    public void The_last_of_its_kind_stays_while_something_hangs_on_it()
    {
        var refused = new UnpackThing { Item = "plate" }.Apply(Day(Plate));
        Assert.Equal("the long cannot be used without it; leave that at home first", Assert.Single(refused.Problems).Message);
        Assert.NotNull(new UnpackThing { Item = "plate" }.Apply(Day(Plate, Plate with { Id = "plate2" })).Plan);
        var kept = new PackThing { Thing = "plate", Place = "roller", Found = Plate }.Apply(Day()).Plan!;
        Assert.Equal(JsonSerializer.Serialize(Plate.NeededBy), JsonSerializer.Serialize(kept.ItemOf("plate")!.NeededBy));
    }
}
