using System.Text.Json;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>Gathers what was found of each part into the report.</summary>
internal static class ReportBuilder
{
    public static Report Build(DayAnalysis day, bool withEvents)
    {
        var kit = day.Kit;
        var gaps = new List<Gap>();
        var needs = new List<NeedReport>();
        var hits = new Dictionary<int, List<Hit>>();
        foreach (var part in day.Parts)
        {
            foreach (var need in part.Needs)
            {
                if (!need.Outcome.IsMet()) gaps.Add(new Gap(part.Part.Id, need.Need.Id, need.Outcome, GapReasons.Why(day, part, need)));
                needs.Add(Describe(part, need));
                if (need.Need.Importance == Importance.Nice) continue;
                foreach (var cut in need.Cuts.TakeWhile(c => c.Length == 1))
                {
                    if (!hits.TryGetValue(cut[0], out var list)) hits.Add(cut[0], list = []);
                    list.Add(new Hit(part.Part.Id, need.Need.Id, day.Without(part, need, cut[0]).Outcome));
                }
            }
        }
        var singlePoints = hits.OrderBy(h => h.Key).Select(h => new SinglePoint(kit.Items[h.Key].Id, h.Value)).ToList();
        var away = Away(day);
        var verdict = VerdictWords.Of(day.Plan, gaps, singlePoints, away);
        return new Report
        {
            Verdict = VerdictWords.Plain(verdict),
            VerdictParts = verdict,
            Gaps = gaps,
            Away = away,
            Changes = HandChanges.Of(day.Plan),
            LightMoves = Reports.LightMoves.Of(day.Plan),
            Frames = [.. day.Plan.Parts.Select(p => new PartFrames(p.Id, FrameEstimate.Of(p, Clock.Length(day.Plan, p)), p.Frames is not null))],
            SinglePoints = singlePoints,
            Needs = needs,
            Parts = [.. day.Parts.Select(p => new PartReport(p.Part.Id, StrandsOf(needs.Where(n => n.Part == p.Part.Id))))],
            Items =
            [
                .. needs.Where(n => n.Importance != Importance.Nice)
                    .SelectMany(n => n.Cuts.SelectMany(c => c.Select(id => (Id: id, c.Count))))
                    .GroupBy(x => x.Id, x => x.Count)
                    .Select(g => new ItemReport(g.Key, g.Min())),
            ],
            Events = withEvents ? [.. Losses.Of(kit).Where(l => l.Goes is not null).Select(l => Of(day, l))] : [],
            Power =
            [
                .. Counts(kit.Items.OfType<Battery>(), b => b.Type, b => b.Charged),
                .. Counts(kit.Items.OfType<Cells>(), c => c.Type, c => c.Charged),
            ],
            Cards = [.. Counts(kit.Items.OfType<Card>(), c => c.Type, c => c.CanRecord)],
            Carry = [.. day.Plan.Places.Select(p => new PlaceCount(p.Id, Enumerable.Range(0, kit.Items.Length).Count(i => kit.PackedIn(i) == p.Id)))],
        };
    }

    private static List<AwayThing> Away(DayAnalysis day)
    {
        var away = new List<AwayThing>();
        for (var i = 0; i < day.Kit.Items.Length; i++)
        {
            var parts = day.Parts.Where(p => p.Away[i]).Select(p => p.Part).ToList();
            if (parts.Count == 0) continue;
            var item = day.Kit.Items[i];
            away.Add(new AwayThing(item.Id, day.Kit.WhyAway(i, Day.Of(parts[0])!.Value)!, [.. parts.Select(p => p.Id)],
                parts.Any(p => p.Setups.Any(s => s.Named().Any(n => n.Id == item.Id)))));
        }
        return away;
    }

    /// <summary>The weakest of the needs that count; a part of nice needs only is as strong as they are.</summary>
    public static int StrandsOf(IEnumerable<NeedReport> needs)
    {
        var all = needs.ToList();
        var counted = all.Where(n => n.Importance != Importance.Nice).ToList();
        return (counted.Count > 0 ? counted : all).Select(n => n.Strands).DefaultIfEmpty(3).Min();
    }

    public static NeedReport Describe(PartFindings part, NeedFinding need) => new(
        part.Part.Id,
        need.Need.Id,
        need.Need.Importance,
        need.Outcome,
        need.Margin,
        [.. need.Cuts.Select(c => (IReadOnlyList<string>)[.. c.Select(i => part.Ways.Kit.Items[i].Id)])],
        double.IsPositiveInfinity(need.Ways.ToleranceSeconds) ? null : need.Ways.ToleranceSeconds,
        need.Best is null ? null : WayReports.Of(part.Ways.Kit, part.Ways.Layout, need.Best));

    private static LossEvent Of(DayAnalysis day, Loss loss)
    {
        var all = new SortedSet<int>();
        List<LossInPart> parts = [.. day.Parts.Select(part =>
        {
            var gone = loss.Goes!(part.Ways.Layout);
            all.UnionWith(gone);
            var failed = (bool[])part.Failed.Clone();
            foreach (var i in gone) failed[i] = true;
            LossOfNeed[] needs = [.. part.Needs.Select(n => Of(day, part, n, gone, failed))];
            return new LossInPart(part.Part.Id, needs.Length == 0 ? Outcome.Holds : needs.Max(n => n.Outcome), needs);
        })];
        return new LossEvent(loss.Id, JsonNamingPolicy.CamelCase.ConvertName(loss.Kind.ToString()), [.. all.Select(i => day.Kit.Items[i].Id)], parts);
    }

    private static LossOfNeed Of(DayAnalysis day, PartFindings part, NeedFinding need, int[] gone, bool[] failed)
    {
        // While the way one would take anyway stands, nothing changes.
        if (!Array.Exists(gone, need.Uses)) return new LossOfNeed(need.Need.Id, need.Outcome, []);
        var (outcome, way) = day.Left(need, failed);
        return new LossOfNeed(need.Need.Id, outcome, way is null ? [] : WayReports.Of(day.Kit, part.Ways.Layout, way).Steps);
    }

    private static IEnumerable<SupplyCount> Counts<T>(IEnumerable<T> items, Func<T, string?> type, Func<T, bool> ready) =>
        items.GroupBy(i => type(i) ?? "unknown", StringComparer.Ordinal).Select(g => new SupplyCount(g.Key, g.Count(), g.Count(ready)));
}
