using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>What is proposed, on one camera in hand with one glass, one case each.</summary>
public sealed class CasesOfAdvice
{
    private static readonly DateTime Ten = new(2027, 6, 12, 10, 0, 0);

    private static Plan Day(Need need, params Item[] besides) => new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Rules = new Rules { DualRecord = false },
        People = [new Person { Id = "lead" }],
        Places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 5 }, new Place { Id = "bag", ReachSeconds = 60 }],
        Items =
        [
            new Body
            {
                Id = "b1", Place = "belt", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }],
            },
            Lens("l35", 35), new Battery { Id = "in1", Place = "@b1", Type = "LB" }, new Card { Id = "c1", Place = "@b1/1", Type = "SD" }, .. besides,
        ],
        Parts =
        [
            new Part
            {
                Id = "vows", Ev = 11, Start = Ten, End = Ten.AddHours(1), Needs = [need],
                Setups = [new Setup { Person = "lead", Position = "left", Body = "b1", Lens = "l35" }],
            },
        ],
    };

    private static Lens Lens(string id, double mm) =>
        new() { Id = id, Place = "belt", Mount = "K", Focal = new Interval(mm, mm), Aperture = new Interval(1.8, 1.8) };

    private static Need Long { get; } = new() { Id = "kiss", ShutterSeconds = 0.01, Focal = new Interval(85, 100) };

    private static IReadOnlyList<Mend> Mends(Plan plan) => Mending.For(new DayAnalysis(plan), "vows", plan.Parts[0].Needs[0].Id)!;

    /// <summary>What would only be nice is all there is: with glass that does not reach it the part has no strand.</summary>
    [Fact]
    public void A_part_of_nice_needs_is_as_strong_as_they_are()
    {
        var day = new DayAnalysis(Day(Long with { Importance = Importance.Nice }, Lens("l20", 20)));
        var glass = SetupChoices.For(day, "vows", "lead", "left", null)!.Glass;
        Assert.Equal([("l20", 0), ("l35", 0)], glass.Select(g => (((Mount)g.Edit).Lens!, g.Strands)).Order());
    }

    [Fact]
    public void A_lens_that_nobody_holds_by_hand_asks_for_something_to_stand_on()
    {
        var plan = Day(Long with { Focal = new Interval(380, 420) }, Lens("l400", 400) with { NeedsSupport = true, Place = "belt" });
        plan = plan with { Parts = [plan.Parts[0] with { Setups = [plan.Parts[0].Setups[0] with { Lens = "l400" }] }] };
        Assert.Contains(Mends(plan), m => m.Edits.OfType<BorrowThing>().Any(e => e.Item is Support { Form: "tripod" }));
        var held = plan with { Items = [.. plan.Items.Select(i => i is Lens { Id: "l400" } l ? l with { NeedsSupport = false } : i)] };
        Assert.DoesNotContain(Mends(held), m => m.Edits.OfType<BorrowThing>().Any(e => e.Item is Support));
    }

    /// <summary>Where the way of the flash's light was measured it stays as it is; else it is that to the farthest of those who stand there.</summary>
    [Theory]
    [InlineData(3.0, 3.0)]
    [InlineData(null, 4.0)]
    public void The_flash_is_thought_of_over_the_way_that_is_known(double? measured, double path)
    {
        var need = new Need
        {
            Id = "kiss",
            ShutterSeconds = 0.01,
            FlashPathM = measured,
            Light = [LightKind.Ambient],
            Framing = new SubjectFrame { HeightM = 2.3, DistanceM = new Interval(3, 4) },
        };
        var plan = Day(need, new Flash { Id = "f", Place = "belt", GuideNumber = 40 });
        plan = plan with
        {
            Parts = [plan.Parts[0] with { Ev = -2, Flash = FlashRule.Allowed, Setups = [plan.Parts[0].Setups[0] with { Flash = "f" }] }],
        };
        var mend = Mends(plan).Single(m => m.Label.Contains("ith the flash", StringComparison.Ordinal));
        Assert.Equal(path, EditResult.Apply(plan, mend.Edits).Plan!.Parts[0].Needs[0].FlashPathM);
    }

    /// <summary>Of two that would find room and that nobody misses, only one is for this camera and about as long.</summary>
    [Fact]
    public void Instead_of_what_does_not_fit_goes_what_serves_the_same()
    {
        Lens Sized(string id, double mm, double length, string mount = "K") => Lens(id, mm) with { Mount = mount, SizeMm = [length, 60, 60] };
        var plan = Day(Long with { Focal = new Interval(30, 40) }, Sized("big", 50, 200) with { Place = "bag" });
        plan = plan with { Places = [.. plan.Places.Select(p => p.Id == "bag" ? p with { InnerMm = [150, 100, 100] } : p)] };
        Lens[] home = [Sized("same", 50, 90), Sized("long", 135, 90), Sized("wide", 20, 90), Sized("other", 50, 90, "M")];
        var room = BagRoom.Of(plan, plan.Places[1], home)!;
        var layout = new BagLayout(room, [], [], ["big"], null, null, true);
        Assert.Equal(["same"], FitInstead.For(new DayAnalysis(plan), layout, home, r => r.Things.All(t => t.SizeMm[0] < 150)).Select(f => f.With));
    }

    /// <summary>What harms is told by the fewest things that do it: the only glass, whatever else stays at home with it.</summary>
    [Fact]
    public void What_is_missed_is_told_by_the_fewest_things()
    {
        var plan = Day(Long with { Focal = new Interval(30, 40) }, Lens("again", 35), Lens("third", 35), Lens("l85", 85));
        var problem = new DeadWeightProblem(new DayAnalysis(plan), []);
        Assert.All(problem.Conflicts([.. Enumerable.Range(0, problem.Things.Count)]), conflict =>
        {
            Assert.NotEmpty(problem.Conflicts(conflict));
            Assert.DoesNotContain(conflict, one => problem.Things[one].Thing == "l85");
            if (conflict.Count > 1)
                Assert.All(conflict, one => Assert.Empty(problem.Conflicts([.. conflict.Where(i => i != one)])));
        });
        Assert.NotEmpty(problem.Conflicts([.. Enumerable.Range(0, problem.Things.Count)]));
    }
}
