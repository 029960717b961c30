using CsCheck;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What must stay true when a plan is changed in a way whose effect is known beforehand, on random days of every kind.</summary>
[Trait("Takes", "long")]
public sealed class Metamorphic
{
    private static readonly Func<int, Plan>[] Kinds = [RandomPlan.From, RandomLights.From, RandomMoment.From];

    private static void OnEach(Action<Plan> check, int iterations = 120)
    {
        foreach (var make in Kinds) Gen.Int.Sample(seed => check(make(seed)), iter: iterations);
    }

    private static IReadOnlyList<NeedReport> Needs(Plan plan) => new DayAnalysis(plan).Report(withEvents: false).Needs;

    [Fact]
    public void Names_change_nothing() => OnEach(plan =>
    {
        var named = plan with
        {
            Items = [.. plan.Items.Select(i => i with { Name = "the " + i.Id, Notes = "noted" })],
            People = [.. plan.People.Select(p => p with { Name = "Somebody" })],
            Parts = [.. plan.Parts.Select(p => p with { Name = "A part", Location = "somewhere",
                Needs = [.. p.Needs.Select(n => n with { Name = "A need" })] })],
        };
        Assert.Equal(Said(plan), Said(named));

        static IEnumerable<string> Said(Plan of) => Needs(of)
            .Select(n => $"{n.Part}/{n.Need} {n.Baseline} {n.Margin} {string.Join('|', n.Cuts.Select(c => string.Join('+', c)))} {n.Best?.Seconds}");
    });

    [Fact]
    public void Nearer_is_never_later() => OnEach(plan =>
    {
        var near = plan with
        {
            Places = [.. plan.Places.Select(p => p with { ReachSeconds = p.ReachSeconds / 2 })],
            Parts = [.. plan.Parts.Select(p => p with { ReachSeconds = p.ReachSeconds?.ToDictionary(r => r.Key, r => r.Value / 2) })],
        };
        Assert.All(Needs(plan).Zip(Needs(near)), pair => Assert.True(pair.Second.Baseline <= pair.First.Baseline,
            $"{pair.First.Need} was {pair.First.Baseline}"));
    });

    [Fact]
    public void More_patience_is_never_worse() => OnEach(plan =>
    {
        var patient = plan with
        {
            Rules = plan.Rules with { Tolerance = new Tolerances { Once = 300, Must = 900 } },
            Parts = [.. plan.Parts.Select(p => p with { Needs =
            [.. p.Needs.Select(n => n with { ToleranceSeconds = n.ToleranceSeconds * 2, MomentSeconds = null })] })]
        };
        Assert.All(Needs(plan).Zip(Needs(patient)), pair =>
        {
            Assert.True(pair.Second.Baseline <= pair.First.Baseline);
            if (pair.First.Baseline.IsMet()) Assert.True((pair.Second.Margin ?? 4) >= (pair.First.Margin ?? 4));
        });
    });

    [Fact]
    public void A_twin_of_anything_in_the_bag_never_makes_an_outcome_worse_nor_a_margin_smaller() => OnEach(plan =>
    {
        var bag = plan.Places[0].Id;
        foreach (var item in plan.Items.Where(i => i is not (Body or Lens or Flash)).Take(4))
        {
            var more = plan with { Items = [.. plan.Items, item with { Id = item.Id + "-twin", Place = bag }] };
            Assert.All(Needs(plan).Zip(Needs(more)), pair =>
            {
                Assert.True(pair.Second.Baseline <= pair.First.Baseline, $"a twin of {item.Id} made {pair.First.Need} {pair.Second.Baseline}");
                if (pair.First.Baseline.IsMet()) Assert.True((pair.Second.Margin ?? 4) >= (pair.First.Margin ?? 4),
                    $"a twin of {item.Id} made {pair.First.Need} {pair.Second.Margin}");
            });
        }
    }, 40);

    [Fact]
    public void A_cut_set_cuts_and_no_part_of_it_does() => OnEach(plan =>
    {
        foreach (var need in Needs(plan))
            foreach (var cut in need.Cuts.Take(5))
            {
                Outcome Without(IEnumerable<string> gone) => new DayAnalysis(plan, [.. gone.Select(id => new Pulled(id))]).ReportPart(need.Part)
                    .First(n => n.Need == need.Need).Baseline;
                Assert.False(Without(cut).IsMet());
                foreach (var one in cut) Assert.True(Without(cut.Where(id => id != one)).IsMet());
            }
    }, 30);

    [Fact]
    public void What_is_weighed_agrees_with_what_is_reported() => OnEach(plan =>
    {
        var day = new DayAnalysis(plan);
        foreach (var report in day.Report(withEvents: false).Needs)
        {
            if (plan.Parts.First(p => p.Id == report.Part).Needs.First(n => n.Id == report.Need).Moment is not null) continue;
            var why = day.Explain(report.Part, report.Need)!;
            // The best of what is weighed is what the need is; what is no use never carries it.
            Assert.Equal(report.Baseline, why.Weighed.Select(w => w.Outcome).DefaultIfEmpty(Outcome.Lost).Min());
            Assert.All(why.Weighed.Where(w => w.Outcome.IsMet()), w => Assert.Empty(w.NoFor));
            Assert.All(why.Weighed.Where(w => w.Seconds is not null), w => Assert.Equal(w.Seconds!.Value, w.Steps.Sum(s => s.Seconds), 6));
            Assert.All(why.Weighed.Where(w => w.Fit.SharpM is not null), w =>
                Assert.True(w.Fit.SharpM!.NearM < w.Fit.SharpM.FocusM && (w.Fit.SharpM.FarM ?? double.MaxValue) > w.Fit.SharpM.FocusM));
        }
    }, 60);
}
