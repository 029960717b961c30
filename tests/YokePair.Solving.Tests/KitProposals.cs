using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Tests;
using YokePair.Core.Verdict;

namespace YokePair.Solving.Tests;

/// <summary>What is proposed to working photographers on the first day of their kit.</summary>
public sealed class KitProposals
{
    public static TheoryData<Kit> Kits => [.. Kit.All];

    [Theory]
    [MemberData(nameof(Kits))]
    public void What_may_stay_at_home_costs_nothing_and_leaves_everyone_a_camera_and_a_spare(Kit kit)
    {
        var plan = kit.Start();
        var day = new DayAnalysis(plan);
        var found = DeadWeight.Find(new DeadWeightProblem(day, []));
        Assert.True(found.Proven);
        Assert.DoesNotContain(found.Things, t => plan.ItemOf(t.Thing) is Battery or Cells or Card or Charger or CardReader);
        var left = EditResult.Apply(plan, [.. found.Things.Select(t => t.Edit)]).Plan!;
        var (before, after) = (day.Report(false).Needs, new DayAnalysis(left).Report(false).Needs);
        Assert.All(before.Zip(after), n => Assert.True(n.Second.Baseline <= n.First.Baseline && n.Second.Strands >= n.First.Strands, n.First.Need));
        var bodies = plan.Items.OfType<Body>().Count();
        Assert.True(left.Items.OfType<Body>().Count() >= Math.Min(bodies, 2 * plan.People.Count));
        Assert.All(left.Parts, part => Assert.All(plan.People, person => Assert.Contains(part.Setups, s => s.Person == person.Id && s.Body is not null)));
    }

    [Theory]
    [MemberData(nameof(Kits))]
    public void The_least_kit_leaves_nobody_without_a_camera_and_costs_nothing_that_is_had_today(Kit kit)
    {
        var plan = kit.Start();
        var found = LightestKit.Find(plan, [], new KitWish(FailureClass.None));
        Assert.True(found.Proven);
        var left = EditResult.Apply(plan, [.. found.Changes.Select(t => t.Edit)]).Plan!;
        Assert.Subset(AskedNeed.Cameras(left).ToHashSet(), AskedNeed.Cameras(plan).ToHashSet());
        var (rules, then) = (HouseRules.Of(new DayAnalysis(plan)), HouseRules.Of(new DayAnalysis(left), plan));
        Assert.All(rules.Zip(then), r => Assert.True(r.Second.Lacking <= r.First.Lacking, $"{r.First}, then {r.Second}"));
        var (before, after) = (new DayAnalysis(plan).Report(false).Needs, new DayAnalysis(left).Report(false).Needs);
        // What is not met anyway becomes no worse.
        Assert.All(before.Zip(after).Where(n => n.First.Importance != Importance.Nice), n =>
            Assert.True(n.Second.Baseline <= n.First.Baseline || n.Second.Baseline.IsMet(), n.First.Need));
    }

    [Theory]
    [MemberData(nameof(Kits))]
    public void Fewest_changes_misses_nothing_that_is_had_today(Kit kit)
    {
        var plan = kit.Start();
        var problem = new SetupProblem(new DayAnalysis(plan));
        var found = FewestChanges.Find(problem);
        Assert.True(found.Proven);
        var then = EditResult.Apply(plan, [.. found.Pieces.SelectMany(p => p.Edits)]).Plan!;
        var (before, after) = (new DayAnalysis(plan).Report(false).Needs, new DayAnalysis(then).Report(false).Needs);
        Assert.All(before.Zip(after).Where(n => n.First.Importance != Importance.Nice && n.First.Baseline.IsMet()), n =>
            Assert.True(n.Second.Baseline.IsMet(), n.First.Need));
        Assert.All(then.Parts.Where(p => p.Needs.All(n => n.CloseWidthMm is null)), p =>
            Assert.DoesNotContain(p.Setups, s => plan.ItemOf(s.Lens) is Lens { Magnification: >= 0.5 }));
        Assert.True(found.Hanging <= found.HangingNow, $"{found.Hanging} hang, {found.HangingNow} did");
    }

    /// <summary>Whoever works with two zooms is not told to carry a prime all day for one change less.</summary>
    [Theory]
    [InlineData("two zooms, a couple")]
    [InlineData("two primes, close")]
    public void Fewest_changes_leaves_the_glass_of_the_style_in_the_hands_most_of_the_day(string name)
    {
        var plan = Kit.All.First(k => k.Name == name).Start();
        var found = FewestChanges.Find(new SetupProblem(new DayAnalysis(plan)));
        var then = EditResult.Apply(plan, [.. found.Pieces.SelectMany(p => p.Edits)]).Plan!;
        foreach (var setup in plan.Parts.First(p => p.Kind == "couple").Setups.Where(s => s.Person == "lead"))
            Assert.True(2 * then.Parts.Count(p => p.Setups.Any(s => s.Person == "lead" && s.Lens == setup.Lens)) > then.Parts.Count, setup.Lens);
    }
}
