using System.Collections.Concurrent;
using CsCheck;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Swaps;

namespace YokePair.Core.Tests;

/// <summary>Whole cameras, bags and people lost, against the plain way of taking them out of the plan.</summary>
public sealed class WhatIfTests
{
    private static Plan Wedding { get; } = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    [Fact]
    [Trait("Takes", "long")]
    public void Losing_a_place_or_a_person_is_the_same_as_a_day_without_them() => Gen.Int[0, 100_000].Sample(seed =>
    {
        var plan = RandomPlan.From(seed);
        var table = WhatIfTable.Of(new DayAnalysis(plan));
        var before = new DayAnalysis(plan).Report(withEvents: false);
        foreach (var row in table.Rows.Where(r => r.Kind is LossKind.Place or LossKind.Person or LossKind.Item))
        {
            foreach (var cell in row.Cells)
            {
                var part = plan.Parts.First(p => p.Id == cell.Part);
                var changed = row.Kind switch
                {
                    LossKind.Item => new DayAnalysis(plan, [new Pulled(row.Id)]),
                    LossKind.Place => new DayAnalysis(plan with { Parts = [.. plan.Parts.Select(p => p with { Unreachable = [.. p.Unreachable, row.Id] })] }),
                    _ => new DayAnalysis(plan with
                    {
                        Parts = [
                        .. plan.Parts.Select(p => p with { Present = [.. (p.Present ?? [.. plan.People.Select(x => x.Id)]).Where(x => x != row.Id)] })]
                    }),
                };
                var after = changed.ReportPart(part.Id);
                var worse = after.Where(n => n.Baseline > before.Needs.First(b => b.Part == part.Id && b.Need == n.Need).Baseline).ToList();
                Assert.Equal(worse.Select(n => n.Need).Order(), cell.Needs.Order());
                Assert.Equal(worse.Count == 0 ? null : worse.Max(n => n.Baseline), cell.Worst);
            }
        }
    }, iter: 150);

    [Fact]
    [Trait("Takes", "long")]
    public void Pulling_anything_from_a_part_on_does_there_what_the_table_says()
    {
        var kinds = new ConcurrentDictionary<LossKind, int>();
        Gen.Int[0, 100_000].Sample(seed =>
            Compare((seed % 3) switch { 0 => RandomPlan.From(seed), 1 => RandomLights.From(seed), _ => RandomMoment.From(seed) }), iter: 1200);
        // A jammed radio harms few days that chance makes; it does these.
        foreach (var plan in new[] { Wedding, BarnDay.Plan }) Compare(plan, LossKind.Radio);
        foreach (var kind in new[] { LossKind.Rig, LossKind.Place, LossKind.Person, LossKind.Radio })
            Assert.True(kinds.GetValueOrDefault(kind) > 1, $"{kind} did harm {kinds.GetValueOrDefault(kind)} times");

        void Compare(Plan plan, LossKind? only = null)
        {
            var before = new DayAnalysis(plan).Report(withEvents: false);
            foreach (var row in WhatIfTable.Of(new DayAnalysis(plan)).Rows.Where(r => only is null ? r.Kind != LossKind.Item : r.Kind == only))
                foreach (var cell in row.Cells)
                {
                    var after = new DayAnalysis(plan, [new Pulled(row.Id, cell.Part, null, row.Kind)]).ReportPart(cell.Part);
                    var worse = after.Where(n => n.Baseline > before.Needs.First(b => b.Part == cell.Part && b.Need == n.Need).Baseline).ToList();
                    Assert.Equal(cell.Needs.Order(), worse.Select(n => n.Need).Order());
                    if (worse.Count > 0) kinds.AddOrUpdate(row.Kind, 1, (_, n) => n + 1);
                }
        }
    }

    [Fact]
    public void Before_somebody_leaves_and_after_they_are_back_the_day_is_as_planned()
    {
        var plan = Wedding;
        var whole = new DayAnalysis(plan).Report(withEvents: false);
        List<Pulled> pulled = [new("second", "toast", "dinner", LossKind.Person), new("lead-belt", "lanterns", null, LossKind.Place)];
        var left = new DayAnalysis(plan, pulled).Report(withEvents: false);
        string[] gone = ["toast", "families", "couple", "room"];
        foreach (var (then, now) in whole.Needs.Zip(left.Needs))
            if (gone.Contains(then.Part)) Assert.True(now.Best is null || now.Best.Person == "lead");
            else if (then.Part != "lanterns") Assert.Equal((then.Baseline, then.Best?.Seconds), (now.Baseline, now.Best?.Seconds));
        var pull = PullTest.Compare(new DayAnalysis(plan), new DayAnalysis(plan, pulled));
        Assert.StartsWith("Without Second from Toast until Dinner and speeches and the Belt pouch and all in it from Lanterns on,", pull.Headline,
            StringComparison.Ordinal);
        Assert.Equal((0, true), (pull.Out[0].Items.Count, pull.Out[1].Items.Contains("bat4")));
        // Nobody shoots with the second's cameras meanwhile, so that the lead's take all the frames.
        Assert.Contains(pull.Swaps.Swaps, s => s is { Fate: not SwapFate.Stays, Swap.Person: "lead" });
    }

    [Fact]
    public void A_camera_takes_everything_on_and_in_it_along()
    {
        var plan = Wedding;
        var table = WhatIfTable.Of(new DayAnalysis(plan));
        var rig = table.Rows.First(r => r is { Kind: LossKind.Rig, Id: "b2" });
        Assert.Superset(new HashSet<string> { "b2", "bat2", "c12", "c16", "f2", "aa2", "l85", "z70" }, rig.Items.ToHashSet());
        // And one radio system.
        Assert.Equal(plan.Items.Count + 5 + plan.Places.Count + plan.People.Count + 1, table.Rows.Count);
        Assert.Equal(Outcome.Late, table.Rows.First(r => r is { Kind: LossKind.Item, Id: "ad1" }).Cells.First(c => c.Part == "details").Worst);
        Assert.Contains("losses tried", table.Headline, StringComparison.Ordinal);
    }
}
