using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Advice;

/// <summary>How a need is mended, the cheapest first.</summary>
public enum MendKind
{
    /// <summary>Something is packed elsewhere.</summary>
    Move,

    /// <summary>A hand carries other glass.</summary>
    Setup,

    /// <summary>Something from the locker comes along.</summary>
    Pack,

    /// <summary>Somebody else is there too.</summary>
    Company,

    /// <summary>A kind of thing must be borrowed, rented or bought.</summary>
    Borrow,
}

/// <summary>Edits that make a need or a day safer, proved by running the whole report with them.</summary>
/// <param name="Kind">How.</param>
/// <param name="Edits">The edits; made together, undone together.</param>
/// <param name="Label">What it does, in words; for a thing to borrow, with the figures it must have.</param>
/// <param name="Strands">Strands of the need with it; of a loss, of the worst need it harms.</param>
/// <param name="SinglePointsGone">Items that would no longer be single points of failure anywhere.</param>
/// <param name="GapsClosed">How many gaps of the whole day it closes.</param>
/// <param name="Grams">Grams more to carry; null = not known, 0 = nothing comes along.</param>
/// <param name="Value">Value more at risk; null = not known.</param>
/// <param name="HandlingSeconds">Seconds more of handling over the whole day, as one would shoot it; negative = less.</param>
public sealed record Mend(
    MendKind Kind, IReadOnlyList<PlanEdit> Edits, string Label, int Strands, IReadOnlyList<string> SinglePointsGone, int GapsClosed, double? Grams, double? Value, double HandlingSeconds);

/// <summary>Looks for single edits that mend a need and harm nothing else.</summary>
public static class Mending
{
    private const int Offered = 4;

    /// <summary>
    /// Tries to pack each thing somewhere else, then each change of a setup in the need's part, then each thing of the
    /// locker, and only then a kind of thing one does not own. What helps the need is kept only if the day as a whole has
    /// fewer single points and gaps, and none that is new.
    /// </summary>
    /// <returns>Cheapest first, at most four; a thing to borrow only where nothing of one's own mends it. Null when there is no such need.</returns>
    public static IReadOnlyList<Mend>? For(Plan plan, string partId, string needId, IReadOnlyList<Item>? locker = null)
    {
        if (plan.Parts.FirstOrDefault(p => p.Id == partId) is not { } part || part.Needs.FirstOrDefault(n => n.Id == needId) is not { } need) return null;
        var before = new DayAnalysis(plan);
        var report = before.Report(withEvents: false);
        var strands = report.Needs.First(n => n.Part == partId && n.Need == needId).Strands;
        if (strands > 1) return [];
        // A need that shares a moment is only as safe as the moment.
        var alone = part with { Needs = [need, .. part.Needs.Where(n => n != need && n.Moment is not null && n.Moment == need.Moment)] };
        return Offers(plan, before, report, [(part, need)], locker ?? [],
            edited => StrandsIn(edited, alone), strands, [], _ => true);
    }

    /// <summary>Looks for edits after which a loss of the what-if table costs less, as for a need.</summary>
    /// <returns>Null when there is no such loss.</returns>
    public static IReadOnlyList<Mend>? ForLoss(Plan plan, LossKind kind, string id, IReadOnlyList<Item>? locker = null)
    {
        var before = new DayAnalysis(plan);
        if (WhatIfTable.RowOf(before, kind, id) is not { } row) return null;
        if (row.Costs == 0) return [];
        var harmed = row.Cells.Where(c => c.Worst is Outcome.Late or Outcome.Lost).Select(c => (Part: plan.Parts.First(p => p.Id == c.Part), c.Needs)).ToList();
        var needs = harmed.SelectMany(h => h.Needs.Select(n => (h.Part, Need: h.Part.Needs.First(x => x.Id == n)))).Where(n => n.Need.Importance != Importance.Nice).Take(2).ToList();
        var only = harmed.Select(h => h.Part.Id).ToHashSet(StringComparer.Ordinal);
        var company = kind == LossKind.Person ? MendCandidates.Company(plan, id, harmed.Select(h => h.Part)) : [];
        return Offers(plan, before, before.Report(withEvents: false), needs, locker ?? [],
            edited => WhatIfTable.RowOf(new DayAnalysis(edited), kind, id, only) is { } now ? -now.Costs : -row.Costs, -row.Costs, company.Count == 0 ? [] : [company],
            // What helps where it hurt may hurt elsewhere: the whole row is asked before it is shown.
            edited => WhatIfTable.RowOf(new DayAnalysis(edited), kind, id)?.Costs < row.Costs);
    }

    private static List<Mend> Offers(
        Plan plan, DayAnalysis before, Report report, List<(Part Part, Need Need)> needs, IReadOnlyList<Item> locker, Func<Plan, int> worth, int now, List<IReadOnlyList<PlanEdit>> company, Func<Plan, bool> agrees)
    {
        var mends = new List<Mend>();
        var offered = new HashSet<string>(StringComparer.Ordinal);
        Try(needs.SelectMany(n => MendCandidates.Moves(plan, n.Part)).Distinct().Select(One), MendKind.Move);
        Try(needs.SelectMany(n => MendCandidates.Mounts(plan, n.Part)).Distinct().Select(One), MendKind.Setup);
        if (mends.Count < Offered) Try(needs.SelectMany(n => MendCandidates.Packs(plan, n.Part, locker)).Distinct().Select(One), MendKind.Pack);
        Try(company, MendKind.Company);
        if (mends.Count == 0) Try(needs.SelectMany(n => MendCandidates.Borrows(before, n.Part, n.Need)), MendKind.Borrow);
        return mends;

        static IReadOnlyList<PlanEdit> One(PlanEdit edit) => [edit];

        void Try(IEnumerable<IReadOnlyList<PlanEdit>> candidates, MendKind kind)
        {
            var better = candidates.Select(edits => (Edits: edits, Result: EditResult.Apply(plan, edits))).Where(e => e.Result.Plan is not null).ToList().AsParallel().AsOrdered()
                .Select(e => (e.Edits, e.Result, Worth: worth(e.Result.Plan!)))
                .Where(e => e.Worth > now).ToList().OrderByDescending(e => e.Worth).ThenBy(e => e.Edits.Count);
            foreach (var (edits, result, gain) in better)
            {
                if (mends.Count == Offered && kind != MendKind.Company) return;
                // One offer for each thing and each position changed: four near-twins would crowd out a real choice.
                if (offered.Contains(About(edits[0]))) continue;
                var after = new DayAnalysis(result.Plan!, before: before).Report(withEvents: false);
                if (!Safer(report, after, orEqual: needs.Count > 0 && now < 0) || !agrees(result.Plan!)) continue;
                offered.Add(About(edits[0]));
                var come = result.Plan!.Items.Where(i => plan.Items.All(o => o.Id != i.Id)).ToList();
                mends.Add(new Mend(kind, edits, result.Label,
                    now < 0 ? 3 + Math.Max(-3, gain) : gain,
                    [.. report.SinglePoints.Select(s => s.Item).Except(after.SinglePoints.Select(s => s.Item))],
                    report.Gaps.Count - after.Gaps.Count,
                    come.Count == 0 ? 0 : come[0].WeightG,
                    come.Count == 0 ? 0 : come[0].Value,
                    Handling(after) - Handling(report)));
            }
        }
    }

    private static string About(PlanEdit edit) => edit switch
    {
        MoveItem move => move.Item,
        Mount mount => mount.Person + mount.Position,
        PackThing pack => pack.Thing,
        BorrowThing borrow => borrow.Item.Label,
        _ => "",
    };

    private static double Handling(Report report) => report.Needs.Sum(n => n.Best?.Seconds ?? 0);

    private static int StrandsIn(Plan plan, Part alone)
    {
        var part = plan.Parts.First(p => p.Id == alone.Id) with { Needs = alone.Needs };
        return new DayAnalysis(plan.With(part)).ReportPart(part.Id)[0].Strands;
    }

    private static bool Safer(Report before, Report after, bool orEqual)
    {
        var worse = before.Needs.Zip(after.Needs).Any(pair => pair.First.Importance != Importance.Nice && pair.Second.Strands < Math.Min(2, pair.First.Strands));
        return !worse && (after.Gaps.Count, Hits(after)).CompareTo((before.Gaps.Count, Hits(before))) < (orEqual ? 1 : 0);

        static int Hits(Report report) => report.SinglePoints.SelectMany(s => s.Hits).Select(h => (h.Part, h.Need)).Distinct().Count();
    }
}
