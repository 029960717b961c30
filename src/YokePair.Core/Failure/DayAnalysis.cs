using System.Collections.Concurrent;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// A plan with what is pulled from it, and everything that is found of it, each worked out when it is first asked for and kept. Asked by
/// the report, explanations, choices, mends, swaps and the table of losses alike. Safe for several threads at a time.
/// </summary>
public sealed class DayAnalysis
{
    private const int MostTrials = 64;

    private readonly Outage outage;
    private readonly ConcurrentDictionary<string, DayAnalysis> trials = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, DayAnalysis>? trialsBefore;
    private volatile IReadOnlyList<DayAnalysis> before;
    private readonly CancellationToken cancel;
    private readonly ConcurrentBag<WaySearch> searches = [];
    private readonly Lazy<PartFindings>[] parts;
    private volatile IReadOnlyList<PartFindings>? settled;

    /// <summary>Prepares a plan; it must have passed <see cref="PlanCheck.Usable"/>.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="pulled">What is gone; things the plan does not have are ignored.</param>
    /// <param name="before">An analysis of an earlier state, from which parts that nothing has touched are taken over.</param>
    /// <param name="cancel">Ends whatever is asked with an <see cref="OperationCanceledException"/>.</param>
    public DayAnalysis(Plan plan, IReadOnlyList<Pulled>? pulled = null, DayAnalysis? before = null, CancellationToken cancel = default)
        : this(plan, pulled ?? [], before is null ? [] : [before], cancel) => trialsBefore = before?.trials;

    private DayAnalysis(Plan plan, IReadOnlyList<Pulled> pulled, IReadOnlyList<DayAnalysis> before, CancellationToken cancel)
    {
        Whole = plan = Daylight.Judged(plan);
        this.cancel = cancel;
        outage = new Outage(plan, pulled, before.Count == 0 ? null : before[0].outage.Kit);
        this.before = [.. before.Where(StandsOnTheSame)];
        // Published once but made by whoever comes first, so that what one caller cancels is no answer to another.
        parts = [.. Plan.Parts.Select(p => new Lazy<PartFindings>(() => StillTrueOf(p) ?? Find(p), LazyThreadSafetyMode.PublicationOnly))];
    }

    /// <summary>The same day with more pulled.</summary>
    internal DayAnalysis Without(IEnumerable<Pulled> more) => new(Whole, [.. Pulled, .. more]);

    /// <summary>The plan, nobody absent.</summary>
    public Plan Whole { get; }

    /// <summary>The plan as it is looked at: who is pulled is in no part.</summary>
    public Plan Plan => outage.Plan;

    /// <summary>What is pulled.</summary>
    public IReadOnlyList<Pulled> Pulled => outage.Pulled;

    internal Outage Outage => outage;

    internal Kit Kit => outage.Kit;

    /// <summary>All parts, in the order of the plan. Parts do not touch one another, and somebody waits: every core takes some.</summary>
    internal IReadOnlyList<PartFindings> Parts
    {
        get
        {
            if (settled is not null) return settled;
            parts.AsParallel().WithCancellation(cancel).ForAll(p => p.Value.Settle());
            // All that could be taken over has been; a chain of every state there was would be kept alive otherwise.
            before = [];
            return settled = [.. parts.Select(p => p.Value)];
        }
    }

    /// <summary>All parts, without waiting for cut sets nobody may ask for.</summary>
    internal IReadOnlyList<PartFindings> Outcomes => settled ?? [.. parts.AsParallel().AsOrdered().WithCancellation(cancel).Select(p => p.Value)];

    /// <summary>What is found of one part; null when the plan has none such.</summary>
    internal PartFindings? PartOf(string partId)
    {
        for (var i = 0; i < parts.Length; i++)
            if (Plan.Parts[i].Id == partId) return parts[i].Value;
        return null;
    }

    /// <summary>
    /// Another plan tried out with what is pulled from this day: what went along with a camera or bag has gone, wherever it would be then.
    /// </summary>
    public DayAnalysis Trying(Plan plan, CancellationToken stop = default) => new(plan, outage.AsThings, this, stop);

    /// <summary>
    /// The day with an edit made, wholly worked out. It is kept as long as the day is, and that of the day before this one is built upon:
    /// what is weighed again after each edit works out only the parts that either edit touches.
    /// </summary>
    /// <param name="edit">Says which edit it is, to itself and to the next day.</param>
    /// <param name="edited">The plan it leads to.</param>
    /// <param name="stop">Ends the work.</param>
    internal DayAnalysis WithEdit(string edit, Plan edited, CancellationToken stop)
    {
        if (trials.TryGetValue(edit, out var known)) return known;
        var earlier = trialsBefore?.GetValueOrDefault(edit);
        var trial = new DayAnalysis(edited, [], earlier is null ? [this] : [this, earlier], stop);
        _ = trial.Parts;
        if (trials.Count < MostTrials) trials[edit] = trial;
        return trial;
    }

    /// <summary>The needs of a part, those found anew for which nothing is known yet; needs that share a moment go together.</summary>
    internal PartFindings PartWith(string partId, IReadOnlyList<NeedFinding?> known) => Find(Plan.PartOf(partId)!, known);

    /// <summary>The same day with more pulled.</summary>
    internal DayAnalysis Without(params IReadOnlyList<Pulled> more) => new(Whole, [.. Pulled, .. more], this, cancel);

    /// <summary>What becomes of a need when one more thing fails than has already.</summary>
    internal (Outcome Outcome, Way? Way) Without(PartFindings part, NeedFinding need, int item) => Left(need, part.FailedWith([item]));

    /// <summary>What is left of a need when these have failed: of its moment, where it shares one.</summary>
    internal (Outcome Outcome, Way? Way) Left(NeedFinding need, bool[] failed)
    {
        if (need.Moment is not { } moment)
        {
            var found = WorstOf(need.Bands, failed);
            return (found.Outcome, found.Way);
        }
        var joint = moment.Search.Best(failed);
        return (joint.Outcome, joint.Ways.Length == 0 ? null : joint.Ways[moment.Index]);
    }

    /// <summary>The same with every thing that the ways found use: in a moment those of all its needs.</summary>
    internal (Outcome Outcome, HashSet<int> Used) LeftWithItems(NeedFinding need, bool[] failed)
    {
        if (need.Moment is { } moment)
        {
            var joint = moment.Search.Best(failed);
            return (joint.Outcome, [.. joint.Taken.SelectMany(w => w.Items)]);
        }
        var found = WorstOf(need.Bands, failed);
        return (found.Outcome, [.. found.Taken.SelectMany(w => w.Items)]);
    }

    /// <summary>The worst that becomes of any band: all of them must be covered.</summary>
    internal BandsFound WorstOf(IReadOnlyList<NeedWays> bands, bool[] failed)
    {
        var found = bands.Select(band => (Band: band, Best: BestOf(band, failed))).ToList();
        var (worst, best) = found.MaxBy(f => f.Best.Outcome);
        return new BandsFound(best.Outcome, worst, best.Way, [.. found.Select(f => f.Best.Way).OfType<Way>()]);
    }

    /// <summary>What becomes of a band of a need by itself, even where it shares a moment.</summary>
    internal (Outcome Outcome, Way? Way) BestOf(NeedWays ways, bool[] failed)
    {
        // A search works in its own room; those that are done wait for the next who asks.
        if (!searches.TryTake(out var search)) search = new WaySearch(outage.Kit.Pairings, Plan.Rules.DualRecord);
        var best = search.Best(ways, failed);
        searches.Add(search);
        return best;
    }

    /// <summary>Whether an earlier analysis knows the same things, people, places, rules and promises, so that its parts may be taken over.</summary>
    private bool StandsOnTheSame(DayAnalysis earlier)
    {
        var (now, then) = (Plan, earlier.Plan);
        return PlanSection.All.All(s => !s.IsEverywhere || s.IsSame(now, then)) && (now.PairsAtHome ?? []).SequenceEqual(then.PairsAtHome ?? [])
            && (now.Promised?.AsEnumerable() ?? []).SequenceEqual(then.Promised?.AsEnumerable() ?? []);
    }

    /// <summary>
    /// What an earlier analysis found of a part, as far as it was asked and still holds: nothing is looked at in a part but its own words,
    /// the things, the people, the places, the rules, what overlaps it and what is gone in it.
    /// </summary>
    private PartFindings? StillTrueOf(Part part)
    {
        foreach (var earlier in before)
        {
            var at = -1;
            for (var i = 0; i < earlier.parts.Length && at < 0; i++)
                if (Equals(earlier.Plan.Parts[i], part)) at = i;
            if (at >= 0 && earlier.parts[at].IsValueCreated && Overlapping(Plan).SequenceEqual(Overlapping(earlier.Plan))
                && outage.IsSameIn(part, earlier.outage)) return earlier.parts[at].Value;
        }
        return null;

        IEnumerable<Part> Overlapping(Plan plan) => plan.Parts.Where(p => Day.Overlap(part, p));
    }

    private PartFindings Find(Part part, IReadOnlyList<NeedFinding?>? known = null)
    {
        cancel.ThrowIfCancellationRequested();
        var kit = outage.KitOf(part);
        var failed = new bool[kit.Items.Length];
        var away = new bool[kit.Items.Length];
        if (Day.Of(part) is { } date)
            for (var i = 0; i < failed.Length; i++) failed[i] = away[i] = kit.AwayWith(i, date) != Kit.None;
        foreach (var item in outage.GoneIn(part)) (failed[item], away[item]) = (true, false);
        var found = known is null ? new NeedFinding?[part.Needs.Count] : [.. known];
        var ways = new PartWays(kit, part, n => found[n] is null);
        for (var n = 0; n < found.Length; n++)
        {
            if (found[n] is not null) continue;
            var need = ways.Needs[n];
            if (SharesMoment(part, need.Need)) FindMoment(kit, part, ways, n, failed, found);
            else
                found[n] = new NeedFinding(need, WorstOf(need.Bands, failed), () => new MomentCuts(CutsOf(kit, need, failed), true));
        }
        return new PartFindings(ways, failed, away, [.. found.Select(need => need!)]);
    }

    private static IReadOnlyList<int[]> CutsOf(Kit kit, BandedWays need, bool[] failed) =>
        BandedMoment.Smallest([.. need.Bands.Select(band => new CutSets(kit.Pairings, (bool[])failed.Clone()).Find(band))]);

    private static bool SharesMoment(Part part, Need need) => need.Moment is not null && part.Needs.Count(n => n.Moment == need.Moment) > 1;

    private void FindMoment(Kit kit, Part part, PartWays ways, int first, bool[] failed, NeedFinding?[] found)
    {
        int[] shared = [.. Enumerable.Range(first, found.Length - first).Where(i => part.Needs[i].Moment == part.Needs[first].Moment)];
        var joint = new BandedMoment(kit, [.. shared.Select(i => ways.Needs[i].Bands)], Plan.Rules.DualRecord, cancel);
        var result = joint.Best(failed);
        var cuts = new Lazy<MomentCuts>(() => joint.CutSets(failed), LazyThreadSafetyMode.PublicationOnly);
        for (var n = 0; n < shared.Length; n++)
        {
            var (need, way) = (ways.Needs[shared[n]], result.Ways.Length == 0 ? null : result.Ways[n]);
            var together = WorstOf(need.Bands, failed) with { Outcome = result.Outcome, Way = way };
            found[shared[n]] = new NeedFinding(need, together, () => cuts.Value, new SharedMoment(joint, n, result));
        }
    }
}
