using CsCheck;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>Whole cameras, bags and people lost, against the plain way of taking them out of the plan.</summary>
public sealed class WhatIfTests
{
    [Fact]
    public void Losing_a_place_or_a_person_is_the_same_as_a_day_without_them() => Gen.Int[0, 100_000].Sample(seed =>
    {
        var plan = RandomPlan.From(seed);
        var table = WhatIfTable.Of(plan);
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
                    _ => new DayAnalysis(plan with { Parts = [.. plan.Parts.Select(p => p with { Present = [.. (p.Present ?? [.. plan.People.Select(x => x.Id)]).Where(x => x != row.Id)] })] }),
                };
                var after = changed.ReportPart(part.Id);
                var worse = after.Where(n => n.Baseline > before.Needs.First(b => b.Part == part.Id && b.Need == n.Need).Baseline).ToList();
                Assert.Equal(worse.Select(n => n.Need).Order(), cell.Needs.Order());
                Assert.Equal(worse.Count == 0 ? null : worse.Max(n => n.Baseline), cell.Worst);
            }
        }
    }, iter: 150);

    [Fact]
    public void A_camera_takes_everything_on_and_in_it_along()
    {
        var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;
        var table = WhatIfTable.Of(plan);
        var rig = table.Rows.First(r => r is { Kind: LossKind.Rig, Id: "b2" });
        Assert.Superset(new HashSet<string> { "b2", "bat2", "c12", "c16", "f2", "aa2", "l85", "z70" }, rig.Items.ToHashSet());
        // And one radio system.
        Assert.Equal(plan.Items.Count + 5 + plan.Places.Count + plan.People.Count + 1, table.Rows.Count);
        Assert.Equal(Outcome.Late, table.Rows.First(r => r is { Kind: LossKind.Item, Id: "ad1" }).Cells.First(c => c.Part == "details").Worst);
        Assert.Contains("losses tried", table.Headline, StringComparison.Ordinal);
    }
}
