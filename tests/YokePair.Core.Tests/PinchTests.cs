using CsCheck;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>The drawing of why something hangs says the same as the cut sets it is drawn from.</summary>
public class PinchTests
{
    private static readonly Plan Wedding = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    [Fact]
    public void What_every_way_passes_through_is_marked_and_spares_are_one_bundle()
    {
        var pinch = Pinching.Of(new DayAnalysis(Wedding), "details", "ring")!;
        Assert.Equal("Ring close-up hangs by the K1 adapter: every way passes through it.", pinch.Headline);
        var adapter = Assert.Single(pinch.Knots, k => k.Hanging > 0);
        Assert.Equal(("K1 adapter", PinchColumn.Besides), (adapter.Label, adapter.Column));
        Assert.Equal("any of 6 LB7, in place, 6", string.Join("; ", pinch.Knots.Where(k => k.Column == PinchColumn.Power)
            .Select(k => $"{k.Label}, {k.Figure}, {k.Items.Count}")));
        Assert.Contains(pinch.Knots, k => k is { Label: "100 f/2.8 macro K1", Figure: "frame 36 mm" });
        Assert.Contains(pinch.Strands, s => s.State == PinchState.SecondBest);
    }

    [Fact]
    public void A_mend_shows_the_strand_it_would_add()
    {
        var day = new DayAnalysis(Wedding);
        var spare = new Adapter { Id = "spare", Name = "Spare adapter", LensMount = "K1", BodyMount = "K2", Place = "belt" };
        var place = Wedding.Places.First(p => p.Person == "lead").Id;
        var mended = Pinching.Of(new DayAnalysis(Wedding with { Items = [.. Wedding.Items, spare with { Place = place }] }), "details", "ring")!;
        var both = Pinching.Of(day, "details", "ring")!.With(mended, "Pack it");
        Assert.Equal("Spare adapter", Assert.Single(both.Knots, k => k.Added).Label);
        Assert.All(both.Strands.Where(s => s.Added), s => Assert.Contains("spare", new[] { s.From, s.To }));
        Assert.Equal("Pack it", both.Mend);
    }

    [Fact]
    public void Where_nothing_serves_what_comes_nearest_is_drawn_with_the_figure_that_decides()
    {
        var pinch = Pinching.Of(new DayAnalysis(Wedding), "lanterns", "launch")!;
        Assert.StartsWith("Couple among the lanterns is not covered: nothing you pack is fast enough", pinch.Headline, StringComparison.Ordinal);
        Assert.All(pinch.Strands, s => Assert.Equal(PinchState.No, s.State));
        Assert.Contains(pinch.Knots, k => k is { Label: "50 f/1.2", Figure: "1.2 stops over" });
    }

    [Fact]
    public void What_is_gone_or_lost_by_a_pull_is_drawn_so()
    {
        var pinch = Pinching.Of(new DayAnalysis(Wedding, [new Pulled(
            Pinching.Of(new DayAnalysis(Wedding), "details", "ring")!.Knots.First(k => k.Label == "K1 adapter").Id)]), "details", "ring")!;
        Assert.Contains(pinch.Knots, k => k is { Label: "K1 adapter", State: PinchState.Gone, Figure: "gone" });
    }

    [Fact]
    public void What_carries_most_counts_pictures_and_folds_the_least()
    {
        var most = Pinching.Most(new DayAnalysis(Wedding), null)!;
        Assert.StartsWith("One picture hangs by 70–200 f/2.8 and K1 adapter each", most.Headline, StringComparison.Ordinal);
        Assert.All(most.Knots.GroupBy(k => k.Column), column => Assert.InRange(column.Count(), 1, 5));
        var details = Pinching.Most(new DayAnalysis(Wedding), "details")!;
        Assert.StartsWith("One picture hangs by K1 adapter,", details.Headline, StringComparison.Ordinal);
        Assert.Null(Pinching.Most(new DayAnalysis(Wedding), "nowhere"));
    }

    /// <summary>On random plans: a thing is marked exactly if it alone is a cut, and without a marked thing no strand in time reaches the picture.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void The_marks_are_the_cut_sets() => Gen.Int[0, 100_000].Sample(Agrees, iter: 1500);

    /// <summary>Ways that name the same small parts in another order.</summary>
    [Fact]
    public void Nor_do_ways_lead_around_a_mark_by_naming_things_in_another_order() => Agrees(39685);

    private static void Agrees(int seed)
    {
        var day = new DayAnalysis(RandomPlan.From(seed));
        foreach (var need in day.Report().Needs)
        {
            var pinch = Pinching.Of(day, need.Part, need.Need)!;
            var singles = need.Cuts.Where(c => c.Count == 1).Select(c => c[0]).Order(StringComparer.Ordinal).ToList();
            var marked = pinch.Knots.Where(k => k.Hanging > 0).ToList();
            Assert.Equal(singles, marked.SelectMany(k => k.Items).Where(singles.Contains).Distinct().Order(StringComparer.Ordinal));
            // What must be covered all along hangs by what one stretch of it hangs by, though others do not pass it.
            if (day.Plan.PartOf(need.Part)!.Needs.First(n => n.Id == need.Need).Covers == Covers.All) continue;
            Assert.All(marked, k => Assert.False(Reaches(pinch, k.Id)));
            Assert.Equal(need.Baseline.IsMet(), Reaches(pinch, without: null));
        }
    }

    private static bool Reaches(Pinch pinch, string? without)
    {
        var reached = pinch.Knots.Where(k => k.Column == PinchColumn.Hands && k.Id != without).Select(k => k.Id).ToHashSet(StringComparer.Ordinal);
        for (var grew = true; grew;)
        {
            grew = false;
            foreach (var strand in pinch.Strands.Where(s => s.State <= PinchState.SecondBest && s.To != without
                && reached.Contains(s.From))) grew |= reached.Add(strand.To);
        }
        return reached.Contains("picture");
    }
}
