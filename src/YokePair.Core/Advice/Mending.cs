using System.Text.Json;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>How a need is mended, the cheapest first.</summary>
public enum MendKind
{
    /// <summary>It is shot otherwise, with what is there.</summary>
    Otherwise,

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
    MendKind Kind, IReadOnlyList<PlanEdit> Edits, string Label, int Strands, IReadOnlyList<string> SinglePointsGone, int GapsClosed, double? Grams,
        double? Value, double HandlingSeconds);

/// <summary>Looks for edits that mend a need or a loss and harm nothing else: candidates are applied, weighed, and proved on the whole day.</summary>
public static class Mending
{
    private const int Offered = 4;

    /// <summary>Ways to shoot otherwise that stand before those.</summary>
    private const int OfferedOtherwise = 2;

    /// <summary>
    /// Tries to shoot it otherwise, then to pack each thing somewhere else, then each change of a setup in the need's part, then each thing of the
    /// locker, and only then a kind of thing one does not own. What helps the need is kept only if the day as a whole has
    /// fewer single points and gaps, and none that is new.
    /// </summary>
    /// <param name="day">The day as it is.</param>
    /// <param name="partId">The need's part.</param>
    /// <param name="needId">The need.</param>
    /// <param name="locker">What else one owns.</param>
    /// <param name="cancel">Ends the search with an <see cref="OperationCanceledException"/>.</param>
    /// <returns>Cheapest first, at most two that shoot otherwise and four more; a thing to borrow only where nothing of one's own mends it.
    /// Null when there is no such need.</returns>
    public static IReadOnlyList<Mend>? For(DayAnalysis day, string partId, string needId, IReadOnlyList<Item>? locker = null,
        CancellationToken cancel = default)
    {
        if (day.PartOf(partId) is not { } part || part.Needs.FirstOrDefault(n => n.Need.Id == needId) is not { } need) return null;
        if (need.Strands > 1) return [];
        // A need that shares a moment is only as safe as the moment; the other needs of the part need not be looked at.
        var alone = part.Part with
        {
            Needs = [need.Need, .. part.Part.Needs.Where(n => n != need.Need && n.Moment is not null
            && n.Moment == need.Need.Moment)]
        };
        return new Search(day, [(part.Part, need.Need)], StrandsWith, need.Strands, cancel).Offers(locker ?? [], []);

        int? StrandsWith(IReadOnlyList<PlanEdit> edits)
        {
            if (edits.Count == 1 && need.StrandsTried.TryGetValue(edits[0], out var known)) return known;
            if (EditResult.Tried(day.Plan, edits) is not { } edited) return null;
            var strands = StrandsIn(day, edited, alone, cancel);
            if (edits.Count == 1) need.StrandsTried[edits[0]] = strands;
            return strands;
        }
    }

    /// <summary>
    /// The same for a loss: edits after which it costs fewer pictures, nowhere making anything worse. For somebody's absence also:
    /// somebody else being there where it hurts.
    /// </summary>
    /// <param name="day">The day as it is.</param>
    /// <param name="kind">What is lost.</param>
    /// <param name="id">Id of the loss.</param>
    /// <param name="locker">What else one owns.</param>
    /// <param name="cancel">Ends the search with an <see cref="OperationCanceledException"/>.</param>
    /// <returns>Cheapest first; null when there is no such loss.</returns>
    public static IReadOnlyList<Mend>? ForLoss(DayAnalysis day, LossKind kind, string id, IReadOnlyList<Item>? locker = null,
        CancellationToken cancel = default)
    {
        if (LossRows.Find(day, kind, id) is not { } row) return null;
        if (row.Costs == 0) return [];
        var plan = day.Plan;
        var harmed = row.Cells.Where(c => c.Worst is Outcome.Late or Outcome.Lost).Select(c => (Part: plan.PartOf(c.Part)!, c.Needs)).ToList();
        var needs = harmed.SelectMany(h => h.Needs.Select(n => (h.Part, Need: h.Part.Needs.First(x => x.Id == n))))
            .Where(n => n.Need.Importance != Importance.Nice).Take(2).ToList();
        var only = harmed.Select(h => h.Part.Id).ToHashSet(StringComparer.Ordinal);
        IReadOnlyList<PlanEdit> company = kind == LossKind.Person ? MendCandidates.Company(plan, id, harmed.Select(h => h.Part)) : [];
        // What helps where it hurt may hurt elsewhere: the whole row is asked before it is shown.
        var search = new Search(day, needs, edits => EditResult.Tried(plan, edits) is { } edited ? -CostsOf(edited, only) : null, -row.Costs,
            cancel)
        { Agrees = then => CostsOf(then, null) < row.Costs };
        return search.Offers(locker ?? [], company.Count == 0 ? [] : [company]);

        int CostsOf(Plan edited, HashSet<string>? parts) => LossRows.Find(new DayAnalysis(edited, before: day, cancel: cancel), kind, id, parts)?.Costs
            ?? row.Costs;
    }

    private static int StrandsIn(DayAnalysis day, Plan edited, Part alone, CancellationToken cancel)
    {
        // The needs as the edit leaves them: it may be they that change.
        var whole = edited.PartOf(alone.Id)!;
        var part = whole with { Needs = [.. alone.Needs.Select(n => whole.Needs.First(w => w.Id == n.Id))] };
        return new DayAnalysis(edited.With(part), before: day, cancel: cancel).PartOf(part.Id)!.Needs[0].Strands;
    }

    private sealed class Search(DayAnalysis day, List<(Part Part, Need Need)> needs, Func<IReadOnlyList<PlanEdit>, int?> worth, int now,
        CancellationToken cancel)
    {
        private readonly Plan plan = day.Plan;
        private readonly DayVerdict before = DayVerdict.Of(day);
        private readonly List<Mend> mends = [];
        private readonly List<Bearing> bearings = [.. needs.Select(n => new Bearing(day, n.Part, n.Need))];
        private readonly HashSet<string> offered = new(StringComparer.Ordinal);
        private int? lacks;

        /// <summary>What else must be true of a plan before it is offered.</summary>
        public Func<Plan, bool> Agrees { get; init; } = _ => true;

        public List<Mend> Offers(IReadOnlyList<Item> locker, List<IReadOnlyList<PlanEdit>> company)
        {
            if (now >= 0) Try(needs.SelectMany(n => ShootOtherwise.For(day.Kit, n.Part, n.Need)).Select(o => (One(o.Edit), (string?)o.Words)),
                MendKind.Otherwise);
            Try(needs.SelectMany((n, i) => MendCandidates.Moves(plan, n.Part, bearings[i])).Distinct().Select(One), MendKind.Move);
            Try(needs.SelectMany((n, i) => MendCandidates.Mounts(plan, n.Part, bearings[i])).Distinct().Select(One), MendKind.Setup);
            if (Own < Offered) Try(needs.SelectMany((n, i) => MendCandidates.Packs(plan, n.Part, locker, bearings[i])).Distinct().Select(One), MendKind.Pack);
            Try(company, MendKind.Company);
            if (Own == 0) Try(needs.SelectMany(n => MendCandidates.Borrows(day, n.Part, n.Need)), MendKind.Borrow);
            return mends;
        }

        private int Own => mends.Count(m => m.Kind != MendKind.Otherwise);

        private bool IsEnough(MendKind kind) => kind switch
        {
            MendKind.Otherwise => mends.Count == OfferedOtherwise,
            MendKind.Company => false,
            _ => Own == Offered,
        };

        private static IReadOnlyList<PlanEdit> One(PlanEdit edit) => [edit];

        private void Try(IEnumerable<IReadOnlyList<PlanEdit>> candidates, MendKind kind) => Try(candidates.Select(edits => (edits, (string?)null)), kind);

        private void Try(IEnumerable<(IReadOnlyList<PlanEdit> Edits, string? Words)> candidates, MendKind kind)
        {
            var better = candidates.ToList().AsParallel().AsOrdered().WithCancellation(cancel).Select(c => (c.Edits, c.Words, Worth: worth(c.Edits)))
                .Where(e => e.Worth > now).ToList().OrderByDescending(e => e.Worth).ThenBy(e => e.Edits.Count);
            foreach (var (edits, words, gain) in better)
            {
                if (IsEnough(kind)) return;
                // One offer for each thing and each position changed: four near-twins would crowd out a real choice.
                if (words is null && offered.Contains(About(edits[0]))) continue;
                // Now that it is worth while, as if it were made.
                if (WithCharge(edits) is not { } whole || EditResult.Apply(plan, whole) is not { Plan: { } then } result) continue;
                var after = DayVerdict.Of(day.WithEdit(JsonSerializer.Serialize(whole, PlanFile.JsonOptions), then, cancel));
                if (!IsSafer(after) || !Agrees(then)) continue;
                offered.Add(About(edits[0]));
                // The charge that comes with a camera is worth something as well.
                var all = ReferenceEquals(whole, edits) ? gain : worth(whole);
                mends.Add(Offer(kind, whole, result, all!.Value, after) with { Label = words is null ? result.Label : English.Capital(words) });
            }
        }

        /// <summary>A camera that comes along asks for charge too: what it lacks comes with it. Null where that does not do.</summary>
        private IReadOnlyList<PlanEdit>? WithCharge(IReadOnlyList<PlanEdit> edits)
        {
            if (!edits.Any(e => e is BorrowThing { Item: Body } or PackThing { Found: Body })) return edits;
            lacks ??= PowerPlans.Lack(day).Size;
            if (EditResult.Tried(plan, edits) is not { } tried) return null;
            var lack = Lack(tried);
            if (lack.Size <= lacks) return edits;
            List<PlanEdit> more = [.. edits, .. lack.WithoutOne.SelectMany(t => PowerMend.ToBorrow(tried, lack, t))];
            return EditResult.Tried(plan, more) is { } fed && Lack(fed).Size <= lacks ? more : null;

            PowerLack Lack(Plan then) => PowerPlans.Lack(new DayAnalysis(then, before: day, cancel: cancel));
        }

        private bool IsSafer(DayVerdict after)
        {
            // A loss is mended by what leaves the day as it is without the loss; a need by what makes it better.
            var most = needs.Count > 0 && now < 0 ? 1 : 0;
            return after.IsNowhereWorseThan(before) && (after.Gaps, after.Hanging).CompareTo((before.Gaps, before.Hanging)) < most;
        }

        private Mend Offer(MendKind kind, IReadOnlyList<PlanEdit> edits, EditResult result, int gain, DayVerdict after)
        {
            var come = result.Plan!.Items.Where(i => plan.Items.All(o => o.Id != i.Id)).ToList();
            return new Mend(kind, edits, result.Label,
                now < 0 ? 3 + Math.Max(-3, gain) : gain,
                [.. plan.Items.Select(i => i.Id).Where(id => before.SinglePoints.Contains(id) && !after.SinglePoints.Contains(id))],
                before.Gaps - after.Gaps,
                come.Count == 0 ? 0 : come[0].WeightG,
                come.Count == 0 ? 0 : come[0].Value,
                after.Seconds - before.Seconds);
        }
    }

    /// <summary>What an edit is about: the thing moved, packed or borrowed, or the position changed.</summary>
    private static string About(PlanEdit edit) => edit switch
    {
        MoveItem move => move.Item,
        Mount mount => mount.Person + mount.Position,
        PackThing pack => pack.Thing,
        BorrowThing borrow => borrow.Item.Label,
        _ => "",
    };
}
