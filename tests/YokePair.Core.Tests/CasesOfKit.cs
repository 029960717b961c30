using YokePair.Core.Advice;
using YokePair.Core.Plans;

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
}
