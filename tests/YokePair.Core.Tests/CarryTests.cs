using CsCheck;
using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>What is felt where for how long, what is in which bag, and what parts a thing from its only backup.</summary>
public sealed class CarryTests
{
    private static readonly DateTime Start = new(2027, 6, 12, 10, 0, 0);

    /// <summary>Two bodies of 950 g with lenses of 670 and 425 g, or one of 673 g with a zoom of 663 g, in the hands for two hours.</summary>
    private static Plan Day(bool two, Worn? on = null, params Item[] besides)
    {
        (string Body, double BodyG, string Lens, double LensG)[] rigs = two ? [("b1", 950, "l1", 670), ("b2", 950, "l2", 425)] : [("b1", 673, "l1", 663)];
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            People = [new Person { Id = "you", CamerasOn = on }],
            Places = [new Place { Id = "pouch", Person = "you", ReachSeconds = 5, Worn = Worn.Hips },
                new Place { Id = "roller", Person = "you", ReachSeconds = 60, Worn = Worn.Wheels, EmptyG = 3000 }],
            Items =
            [
                .. rigs.SelectMany(r => (Item[])
                [
                    new Body { Id = r.Body, Place = "pouch", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB",
                        Slots = [new CardSlot { Type = "SD" }], WeightG = r.BodyG },
                    new Lens { Id = r.Lens, Place = $"@{r.Body}", Mount = "K", Focal = new Interval(24, 70), Aperture = new Interval(4, 4), WeightG = r.LensG },
                ]),
                .. besides,
            ],
            Parts =
            [
                new Part { Id = "a", Ev = 12, Start = Start, End = Start.AddHours(1),
                    Setups = [.. rigs.Select((r, n) => new Setup { Person = "you", Position = n == 0 ? "left" : "right", Body = r.Body, Lens = r.Lens })] },
                new Part { Id = "b", Ev = 12, Start = Start.AddHours(2), End = Start.AddHours(3), Rough = true },
            ],
        };
    }

    private static CarryPlan Of(Plan plan, params Item[] locker) => CarryPlans.Of(new DayAnalysis(plan), locker);

    [Fact]
    public void What_hangs_on_the_shoulders_or_on_a_belt()
    {
        var two = Assert.Single(Of(Day(two: true)).People);
        Assert.Equal((2995, 0), (two.Parts[0].Shoulders, two.Parts[0].Hips));
        var one = Assert.Single(Of(Day(two: false)).People);
        Assert.Equal(1336, one.Parts[0].Shoulders);
        Assert.Equal(-55, Math.Round((one.Parts[0].Shoulders - two.Parts[0].Shoulders) / two.Parts[0].Shoulders * 100));
        var belt = Assert.Single(Of(Day(two: true, Worn.Hips)).People);
        Assert.Equal((0, 2995), (belt.Parts[0].Shoulders, belt.Parts[0].Hips));
        // Two hours until the next part begins; then they are in the pouch, and the roller is carried where nothing rolls.
        Assert.Equal((2, 2995), (two.Hours, two.ShouldersG));
        Assert.Equal((0, 2995, 3000, 0), (two.Parts[1].Shoulders, two.Parts[1].Hips, two.Parts[1].Hands, two.Parts[1].Wheels));
        Assert.Equal((0, 3000), (two.Parts[0].Hands, two.Parts[0].Wheels));
        Assert.Equal(Math.Round((2.995 * 2) + 5.995, 1), two.KilogramHours);
    }

    [Fact]
    public void A_bag_is_a_beam_of_what_is_in_it_with_what_is_on_and_in_that()
    {
        var plan = Day(two: true, null, new Battery { Id = "bat", Place = "@b1", Type = "LB" },
            new Lens { Id = "long", Place = "roller", Mount = "K", Focal = new Interval(200, 200), Aperture = new Interval(4, 4) });
        var carried = Of(plan, new Lens
        {
            Id = "long",
            Mount = "K",
            Focal = new Interval(200, 200),
            Aperture = new Interval(4, 4),
            WeightG = 1500,
            Value = 2000
        });
        Assert.Equal(["b1", "l1", "bat", "b2", "l2"], carried.Places[0].Things.Select(t => t.Item));
        Assert.Equal(["", "b1", "b1", "", "b2"], carried.Places[0].Things.Select(t => t.On ?? ""));
        Assert.True(carried.Places[0].Things[2].IsUsual);
        // What the plan does not say the locker does, value as well.
        Assert.Equal((4500, 2000, false), (carried.Places[1].Grams, carried.Places[1].Value, carried.Places[1].Things[0].IsUsual));
        var limited = new PutPlace { Place = plan.Places[1] with { Name = "Roller", LimitG = 4000 } }.Apply(plan).Plan!;
        Assert.Equal((0, 500), (Of(limited).Places[1].Over, Of(limited,
            new Lens { Id = "long", Mount = "K", Focal = new Interval(200, 200), Aperture = new Interval(4, 4), WeightG = 1500 }).Places[1].Over));
        Assert.Equal("place.limitG", new PutPlace { Place = plan.Places[1] with { Name = "Roller", LimitG = -1 } }.Apply(plan).Problems[0].Field);
    }

    [Fact]
    public void A_thing_and_its_only_backup_are_told_first_and_parted()
    {
        static Lens Macro(string id) => new()
        {
            Id = id,
            Place = "roller",
            Mount = "K",
            Focal = new Interval(100, 100),
            Aperture = new Interval(2.8, 2.8),
            WeightG = 600
        };
        var plan = Day(two: true, null, Macro("m1"), Macro("m2"), new Battery { Id = "x1", Place = "@b1", Type = "LB" },
            new Battery { Id = "x2", Place = "@b2", Type = "LB" },
            new Card { Id = "c1", Place = "@b1/1", Type = "SD" }, new Card { Id = "c2", Place = "@b2/1", Type = "SD" });
        plan = plan with
        {
            Rules = new Rules { DualRecord = false },
            Parts = [plan.Parts[0] with { Needs = [new Need { Id = "ring", ShutterSeconds = 1.0 / 60, Focal = new Interval(100, 100), MinMegapixels = 20,
                ToleranceSeconds = 120 }] }],
        };
        var told = BagDay.Of(new DayAnalysis(plan), []);
        Assert.StartsWith("The m1 and its only backup, the m2, are both in the roller: ring. ", string.Concat(told.Sentence.Select(t => t.Text)),
            StringComparison.Ordinal);
        Assert.Equal((1, "ring"), (told.Gone[1].Costs, told.Gone[1].Lost[0].Need));
        var split = Assert.Single(told.Splits);
        Assert.Equal("then no bag holds a thing and its only backup", split.Then);
        var parted = BagDay.Of(new DayAnalysis(EditResult.Apply(plan, split.Edits).Plan!), []);
        Assert.Empty(parted.Splits);
        Assert.DoesNotContain("only backup", string.Concat(parted.Sentence.Select(t => t.Text)), StringComparison.Ordinal);
        Assert.Equal(0, parted.Gone[1].Costs);
    }

    /// <summary>What is in the hand later is in the bag until then: stolen before, it is gone for the rest of the day; stolen while it is in the hand, it is
    /// not.</summary>
    [Fact]
    public void A_bag_that_goes_early_takes_what_is_wanted_later()
    {
        var plan = Day(two: true, null, new Lens { Id = "long", Place = "roller", Mount = "K", Focal = new Interval(200, 200), Aperture = new Interval(4, 4) },
            new Battery { Id = "x1", Place = "@b1", Type = "LB" }, new Battery { Id = "x2", Place = "@b2", Type = "LB" },
                new Card { Id = "c1", Place = "@b1/1", Type = "SD" });
        plan = plan with
        {
            Rules = new Rules { DualRecord = false },
            Parts =
            [
                plan.Parts[0],
                plan.Parts[1] with
                {
                    Setups = [new Setup { Person = "you", Position = "left", Body = "b1", Lens = "long" }],
                    Needs = [new Need { Id = "far", ShutterSeconds = 1.0 / 60, Focal = new Interval(200, 200), MinMegapixels = 20 }],
                },
            ],
        };
        var gone = BagDay.Of(new DayAnalysis(plan), []).Gone.Single(g => g.Place == "roller");
        Assert.Equal(("a", 1, "far"), (gone.From, gone.Costs, gone.Lost[0].Need));
        Assert.Null(BagDay.Of(new DayAnalysis(plan with { Parts = [plan.Parts[1]] }), []).Gone.Single(g => g.Place == "roller").From);
    }

    /// <summary>The same things in other hands: two zooms on two cameras weigh what they weigh, and one camera leaves the other in its bag.</summary>
    [Fact]
    public void The_same_day_in_another_style_has_its_weight_and_its_margin()
    {
        static Lens Glass(string id, double low, double high, double grams) =>
            new() { Id = id, Place = "roller", Mount = "K", Focal = new Interval(low, high), Aperture = new Interval(2.8, 2.8), WeightG = grams };
        var plan = Day(two: true, null, Glass("35", 35, 35, 300), Glass("85", 85, 85, 400), Glass("zoom", 28, 105, 900), Glass("long", 70, 200, 1500),
            new Battery { Id = "x1", Place = "@b1", Type = "LB" }, new Battery { Id = "x2", Place = "@b2", Type = "LB" },
            new Card { Id = "c1", Place = "@b1/1", Type = "SD" }, new Card { Id = "c2", Place = "@b2/1", Type = "SD" });
        plan = plan with
        {
            Rules = new Rules { DualRecord = false },
            Places = [.. plan.Places.Select(p => p.Id == "pouch" ? p with { Worn = Worn.Stays } : p)],
            Parts = [plan.Parts[0] with { Needs = [new Need { Id = "far", Importance = Importance.Must, ShutterSeconds = 1.0 / 60,
                Focal = new Interval(200, 200), MinMegapixels = 20, ToleranceSeconds = 120 }] }],
        };
        var styles = OtherStyles.Of(new DayAnalysis(plan), []);
        Assert.Null(styles[0].Style);
        Assert.Equal(styles.Skip(1).OrderBy(s => s.KilogramHours), styles.Skip(1));
        double Shoulders(string style) => styles.Single(s => s.Style == style).ShouldersG;
        // Bodies of 950 g, the glass the style asks for, and a battery and a card of 50 g in each.
        Assert.Equal(2 * 950 + 300 + 400 + 200, Shoulders("two-primes"));
        Assert.Equal(950 + 900 + 100, Shoulders("one-zoom"));
        Assert.DoesNotContain(styles, s => s.Style == "three-bodies");
        Assert.All(styles, s => Assert.Equal((0, 1), (s.Gaps, s.Hanging)));
        // Without the long glass it is not covered in any.
        Assert.Equal(1, OtherStyles.Of(new DayAnalysis(plan with { Items = [.. plan.Items.Where(i => i.Id != "long")] }), [])
            .Single(s => s.Style == "two-primes").Gaps);
    }

    /// <summary>Nothing is carried twice: all that is felt and rolled in a part weighs no more than all there is, and every thing is in one beam at the
    /// most.</summary>
    [Fact]
    public void Nothing_is_carried_twice() => Gen.Int.Sample(seed =>
    {
        var plan = RandomPlan.From(seed);
        var carried = Of(plan);
        var all = carried.Places.SelectMany(p => p.Things).Select(t => t.Item).ToList();
        Assert.Equal(all.Count, all.Distinct().Count());
        var total = plan.Items.Sum(i => i.WeightG ?? Library.UsualWeights.Of(i));
        foreach (var part in plan.Parts)
            Assert.True(carried.People.Sum(p => p.Parts.First(x => x.Part == part.Id) is var x ? x.Felt + x.Wheels : 0) <= total + 1e-6);
    }, iter: 300);
}
