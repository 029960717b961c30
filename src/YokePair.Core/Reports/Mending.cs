using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>An edit that makes a need safer, proved by running the whole report with it.</summary>
/// <param name="Edit">The edit.</param>
/// <param name="Label">What it does, in words.</param>
/// <param name="Strands">Strands of the need with it.</param>
/// <param name="SinglePointsGone">Items that would no longer be single points of failure anywhere.</param>
/// <param name="GapsClosed">How many gaps of the whole day it closes.</param>
public sealed record Mend(PlanEdit Edit, string Label, int Strands, IReadOnlyList<string> SinglePointsGone, int GapsClosed);

/// <summary>Looks for single edits that mend a need and harm nothing else.</summary>
public static class Mending
{
    private const int Offered = 3;

    /// <summary>
    /// Tries to pack each thing somewhere else, then each change of a setup in the need's part. What helps the need is kept
    /// only if the day as a whole has fewer single points and gaps, and none that is new.
    /// </summary>
    /// <returns>Cheapest first: moves before changes of setup; at most three. Null when there is no such need.</returns>
    public static IReadOnlyList<Mend>? For(Plan plan, string partId, string needId)
    {
        if (plan.Parts.FirstOrDefault(p => p.Id == partId) is not { } part || part.Needs.FirstOrDefault(n => n.Id == needId) is not { } need) return null;
        var before = new DayAnalysis(plan).Report(withEvents: false);
        var strands = before.Needs.First(n => n.Part == partId && n.Need == needId).Strands;
        if (strands > 1) return [];
        var alone = part with { Needs = [need] };
        var better = Moves(plan, part).Concat(Mounts(plan, part))
            .Select(edit => (Edit: edit, Result: edit.Apply(plan)))
            .Where(e => e.Result.Plan is not null)
            .Select(e => (e.Edit, e.Result, Strands: StrandsIn(e.Result.Plan!, alone)))
            .Where(e => e.Strands > strands)
            .OrderBy(e => e.Edit is MoveItem ? 0 : 1)
            .ThenByDescending(e => e.Strands);
        var mends = new List<Mend>();
        var offered = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (edit, result, now) in better)
        {
            // One offer for each thing moved and each position changed: four near-twins would crowd out a real choice.
            var about = edit is MoveItem moving ? moving.Item : edit is Mount mount ? mount.Person + mount.Position : "";
            if (offered.Contains(about)) continue;
            var after = new DayAnalysis(result.Plan!).Report(withEvents: false);
            if (!Safer(before, after)) continue;
            offered.Add(about);
            mends.Add(new Mend(edit, result.Label, now,
                [.. before.SinglePoints.Select(s => s.Item).Except(after.SinglePoints.Select(s => s.Item))],
                before.Gaps.Count - after.Gaps.Count));
            if (mends.Count == Offered) break;
        }
        return mends;
    }

    private static int StrandsIn(Plan plan, Part alone)
    {
        var part = plan.Parts.First(p => p.Id == alone.Id) with { Needs = alone.Needs };
        return new DayAnalysis(plan.With(part)).ReportPart(part.Id)[0].Strands;
    }

    private static bool Safer(Report before, Report after)
    {
        var worse = before.Needs.Zip(after.Needs).Any(pair => pair.First.Importance != Importance.Nice && pair.Second.Strands < Math.Min(2, pair.First.Strands));
        return !worse && (after.Gaps.Count, Hits(after)).CompareTo((before.Gaps.Count, Hits(before))) < 0;

        static int Hits(Report report) => report.SinglePoints.SelectMany(s => s.Hits).Select(h => (h.Part, h.Need)).Distinct().Count();
    }

    private static IEnumerable<PlanEdit> Moves(Plan plan, Part part)
    {
        var near = plan.PlacesNear(part).OrderBy(p => p.ReachSeconds).ToList();
        foreach (var item in plan.Items)
        {
            // What a setup of this part names is in a hand, wherever it is packed; what lies on another thing goes with it.
            if (item is not (Body or Lens or Adapter or Converter or Tube or Flash or Battery or Cells or Card) || item.Place?.StartsWith('@') != false) continue;
            if (part.Setups.Any(s => s.Named().Any(n => n.Id == item.Id))) continue;
            foreach (var place in near)
                if (place.Id != item.Place) yield return new MoveItem { Item = item.Id, Place = place.Id };
        }
    }

    private static IEnumerable<PlanEdit> Mounts(Plan plan, Part part)
    {
        foreach (var setup in part.Setups)
        {
            if (plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == setup.Body) is not { } body) continue;
            foreach (var glass in GlassOnBody.Fitting(body, plan))
                if (part.Setups.All(s => s.Lens != glass.Lens.Id) && plan.IsNear(part, glass.Pieces))
                    yield return Mount.Of(part.Id, setup.Person, setup.Position, glass);
        }
    }
}
