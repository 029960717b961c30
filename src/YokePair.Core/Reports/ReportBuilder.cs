using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>Gathers what was found of each part into the report.</summary>
internal static class ReportBuilder
{
    // Long: the report is put together here, a line for each thing it tells.
    public static Report Build(DayAnalysis day, bool withEvents)
    {
        var kit = day.Kit;
        var names = new Names(day.Plan);
        var gaps = new List<Gap>();
        var needs = new List<NeedReport>();
        var hits = new Dictionary<int, List<Hit>>();
        foreach (var part in day.Parts)
        {
            foreach (var need in part.Needs)
            {
                if (!need.Outcome.IsMet() && GapCause.Of(day, part, need) is var cause)
                    gaps.Add(new Gap(part.Part.Id, need.Need.Id, need.Outcome,
                        GapWords.Say(names, part.Part, need.Need, cause))
                    { Lacks = GapWords.Lacks(cause) });
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
        var toGet = StillToGet.Of(day);
        List<(string, string)> secondBest = [.. needs.Where(n => n.Importance != Importance.Nice && n.Baseline == Outcome.Thins).Select(n => (n.Part, n.Need))];
        var power = PowerPlans.Lack(day);
        var cards = CardPlans.Lack(day);
        var verdict = VerdictWords.Of(day.Plan, new Standing(gaps, singlePoints, secondBest, away, toGet, power, cards));
        return new Report
        {
            Verdict = VerdictWords.Plain(verdict),
            VerdictParts = verdict,
            Gaps = gaps,
            Away = away,
            ToGet = toGet,
            Changes = HandChanges.Of(day),
            LightMoves = Reports.LightMoves.Of(day.Plan),
            Frames = [.. day.Plan.Parts.Select(p => new PartFrames(p.Id, FrameEstimate.Of(day.Plan, p), p.Frames is not null))],
            SinglePoints = singlePoints,
            Needs = needs,
            Parts = [.. day.Parts.Select(p => PartOf(day, p.Part, StrandsOf(needs.Where(n => n.Part == p.Part.Id))))],
            Items = [.. ItemsOf(needs)],
            Events = withEvents ? LossEvents.Of(day) : [],
            Power = new PowerReport(
                [.. Counts(kit.Items.OfType<Battery>(), b => b.Type, b => b.Charged), .. Counts(kit.Items.OfType<Cells>(), c => c.Type, c => c.Charged)],
                power.Short, power.WithoutOne),
            NoRoom = cards.Short.Count > 0 ? cards.Short : null,
            CardsShort = cards.WithoutOne.Count > 0 ? cards.WithoutOne : null,
            Cards = [.. Counts(kit.Items.OfType<Card>(), c => c.Type, c => c.CanRecord)],
            Reckoning = Reckoning.Of(day.Plan, needs),
            House = HouseRules.Of(day),
            Packed = Enumerable.Range(0, kit.Items.Length).Select(i => (kit.Items[i].Id, Place: kit.PackedIn(i), Own: kit.Items[i].Place))
                .Where(p => p.Place is not null && p.Place != p.Own).ToDictionary(p => p.Id, p => p.Place!, StringComparer.Ordinal),
            Carry = [.. day.Plan.Places.Select(p => new PlaceCount(p.Id, Enumerable.Range(0, kit.Items.Length).Count(i => kit.PackedIn(i) == p.Id)))],
        };
    }

    private static PartReport PartOf(DayAnalysis day, Part part, int strands)
    {
        if (part.Outdoors != true || Day.Of(part) is not { } date || Daylight.SunsetOn(day.Plan.Assignment, date) is not { } sunset)
            return new PartReport(part.Id, strands);
        var isDusk = Daylight.EndsAfterSunset(day.Plan, part) is { } after && Dusk.Ev(after) <= part.Ev;
        return new PartReport(part.Id, strands, isDusk ? part.Ev : null, sunset);
    }

    /// <summary>How much hangs by each thing: alone, or together with one other.</summary>
    private static IEnumerable<ItemReport> ItemsOf(List<NeedReport> needs)
    {
        var counted = needs.Where(n => n.Importance != Importance.Nice).ToList();
        var paired = counted.Where(n => n.Margin == 2).SelectMany(n => n.Cuts.Where(c => c.Count == 2)
            .SelectMany(c => new[] { (Item: c[0], Other: c[1], Need: n), (Item: c[1], Other: c[0], Need: n) })).ToLookup(x => x.Item);
        return counted.SelectMany(n => n.Cuts.SelectMany(c => c.Select(id => (Id: id, c.Count)))).GroupBy(x => x.Id, x => x.Count)
            .Select(g => new ItemReport(g.Key, g.Min(), [.. paired[g.Key].Select(x => x.Other).Distinct()], paired[g.Key].Select(x => x.Need).Distinct()
                .Count()));
    }

    private static List<AwayThing> Away(DayAnalysis day)
    {
        var away = new List<AwayThing>();
        var all = day.Parts;
        for (var i = 0; i < day.Kit.Items.Length; i++)
        {
            var parts = all.Where(p => p.Away[i]).Select(p => p.Part).ToList();
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
        need.Best is null ? null : WayReports.Of(part.Ways.Kit, part.Ways.Layout, need.Best),
        need.Exhaustive);

    private static IEnumerable<SupplyCount> Counts<T>(IEnumerable<T> items, Func<T, string?> type, Func<T, bool> ready) =>
        items.GroupBy(i => type(i) ?? "unknown", StringComparer.Ordinal).Select(g => new SupplyCount(g.Key, g.Count(), g.Count(ready)));
}
