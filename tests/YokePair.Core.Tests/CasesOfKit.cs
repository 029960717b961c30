using YokePair.Core.Advice;
using YokePair.Core.Carry;
using YokePair.Core.Plans;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>What a kit may be made of, and what it sums up to.</summary>
public sealed class CasesOfKit
{
    private static readonly Plan Barn = BarnDay.Plan;

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_thing_may_lie_in_another_place_only_where_that_is_wished_for(bool move)
    {
        var options = new KitProblem(Barn, [], new KitWish(Move: move)).Options;
        Assert.Equal(move, options.Any(o => o.Thing == "tri" && o.Place == "bag"));
        Assert.Contains(options, o => o is { Thing: "tri", Place: "car", Today: true });
        // What others lie on stays where it is.
        Assert.Equal(["belt"], options.Where(o => o.Thing == "b1").Select(o => o.Place));
        Assert.All(options, o => Assert.Equal(Barn.ItemOf(o.Thing)!.Place == o.Place, o.Today));
    }

    [Fact]
    public void What_is_always_taken_is_no_choice()
    {
        var plan = Barn with { Items = [.. Barn.Items.Select(i => i.Id == "x14" ? i with { Keep = Keep.Always } : i)] };
        Assert.True(new KitProblem(plan, [], new KitWish()).Options.Single(o => o.Thing == "x14").Fixed);
        Assert.False(new KitProblem(Barn, [], new KitWish()).Options.Single(o => o.Thing == "x14").Fixed);
    }

    [Fact]
    public void Weights_and_values_of_a_kit_are_those_of_its_things_together()
    {
        var plan = Barn with { Items = [.. Barn.Items.Select((i, n) => i with { Value = n + 1, WeightG = n % 4 == 0 ? null : 100 })] };
        var problem = new KitProblem(plan, [], new KitWish());
        var chosen = problem.Options.Select((o, n) => n % 2 == 0).ToArray();
        var taken = problem.Options.Where((_, n) => chosen[n]).ToList();
        var totals = problem.Totals(chosen);
        Assert.Equal((taken.Count, taken.Sum(o => o.Grams), taken.Sum(o => plan.ItemOf(o.Thing)!.Value ?? 0)), (totals.Things, totals.Grams, totals.Value));
    }

    [Theory]
    [InlineData(FailureClass.None, "can be taken in time with this kit; no kit")]
    [InlineData(FailureClass.Item, "in time whatever one thing fails; no kit")]
    [InlineData(FailureClass.Rig, "whatever one thing fails or one camera is lost with all on it; no kit")]
    [InlineData(FailureClass.Bag, "whatever one thing fails, or one camera or one bag is lost with all in it; no kit")]
    public void What_a_kit_survives_is_said(FailureClass survives, string said) =>
        Assert.Contains(said, KitWords.Say(new KitWish(survives), true, Barn, [], 1, 1)[0].Text, StringComparison.Ordinal);

    private static string Said(KitGoal goal, bool proven, double cost, double atLeast, params ExposedNeed[] exposed) => string.Concat(
        KitWords.Say(new KitWish(FailureClass.Item, goal), proven, Barn, exposed, cost, atLeast).Select(t => t.Grams is { } grams ? $"{grams:0} g" : t.Text));

    [Fact]
    public void What_a_search_comes_to_is_said_with_what_it_leaves_exposed_and_how_far_it_went()
    {
        ExposedNeed kiss = new("vows", "kiss", null), again = new("vows", "kiss", new LossKey(LossKind.Item, "z70"));
        var count = Barn.Parts.Sum(p => p.Needs.Count(n => n.Importance != Importance.Nice));
        Assert.Equal($"Every one of the {count} pictures that matter can still be taken in time whatever one thing fails; "
            + "no kit that leaves everyone a camera and keeps to the house’s rules does it with less than 6200 g.", Said(KitGoal.Weight, true, 6200, 0));
        Assert.StartsWith($"{count - 1} of the {count} pictures that matter can", Said(KitGoal.Weight, true, 6200, 0, kiss, again), StringComparison.Ordinal);
        Assert.EndsWith("whatever one thing fails; this one takes 12 things, and less than 9 things is not possible.",
            Said(KitGoal.Count, false, 12, 9), StringComparison.Ordinal);
        Assert.EndsWith("; this one takes a value of 900, and less than a value of 850 is not possible.",
            Said(KitGoal.Value, false, 900, 850), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_camera_with_glass_on_it_is_as_long_as_both_and_a_place_says_whether_things_go_one_way(bool oneWay)
    {
        var place = Barn.PlaceOf("bag")! with { OneWay = oneWay, InnerMm = [500, 300, 180] };
        Item Sized(Item item) => item.Id switch
        {
            "b1" => item with { Place = "bag", SizeMm = [80, 140, 100] },
            "z24" => item with { SizeMm = [80, 120, 85] },
            _ => item,
        };
        var plan = Barn with { Items = [.. Barn.Items.Select(Sized)], Rules = Barn.Rules with { Carrier = null } };
        var room = BagRoom.Of(plan, place, [])!;
        Assert.Equal(oneWay, room.OneWay);
        Assert.Equal([140, 100, 200], room.Things.Single(t => t.Item == "b1").SizeMm);
    }
}
