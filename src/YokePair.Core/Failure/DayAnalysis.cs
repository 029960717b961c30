using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// A plan worked out once, to be asked for its report and for the reasons behind it. Not for use by two threads at a time.
/// </summary>
public sealed class DayAnalysis
{
    private readonly Outage outage;
    private readonly WaySearch search;
    private readonly Lazy<IReadOnlyList<PartFindings>> parts;

    /// <summary>Prepares the analysis of a plan from which things may have been pulled.</summary>
    /// <param name="plan">A plan without <see cref="PlanCheck.Usable"/> problems.</param>
    /// <param name="pulled">What is gone; ids the plan does not know are ignored.</param>
    /// <param name="before">An analysis of the plan before an edit: parts the edit cannot have touched are taken from it. Only one of the two may be asked afterwards.</param>
    public DayAnalysis(Plan plan, IReadOnlyList<Pulled>? pulled = null, DayAnalysis? before = null)
    {
        outage = new Outage(plan, pulled ?? []);
        search = new WaySearch(outage.Kit.Pairings, plan.Rules.DualRecord);
        // Parts do not touch one another, and somebody waits for the verdict: every core takes some.
        parts = new Lazy<IReadOnlyList<PartFindings>>(() => [.. Plan.Parts.AsParallel().AsOrdered().Select(p => before?.StillTrueOf(p, this) ?? Find(p))], LazyThreadSafetyMode.None);
    }

    /// <summary>The plan, in which those who are absent are not present.</summary>
    public Plan Plan => outage.Plan;

    internal Kit Kit => outage.Kit;

    internal IReadOnlyList<PartFindings> Parts => parts.Value;

    /// <summary>The report.</summary>
    /// <param name="withEvents">Whether to work out the loss of every single item as well.</param>
    public Report Report(bool withEvents = true) => ReportBuilder.Build(this, withEvents);

    /// <summary>The outcome of every need, without cut sets: what one look at the day costs.</summary>
    public IReadOnlyList<Outcome> Outcomes() => [.. Plan.Parts.SelectMany(p => Find(p, withCuts: false).Needs).Select(n => n.Outcome)];

    /// <summary>What the report would say of one part's needs, without working out the rest of the day.</summary>
    public IReadOnlyList<NeedReport> ReportPart(string partId)
    {
        var part = Find(Plan.Parts.First(p => p.Id == partId));
        return [.. part.Needs.Select(n => ReportBuilder.Describe(part, n))];
    }

    /// <summary>What was found of a part, where nothing it rests on differs in the other analysis: its own words, the kit, the rules, and who has what elsewhere at the same time.</summary>
    private PartFindings? StillTrueOf(Part part, DayAnalysis other)
    {
        if (!parts.IsValueCreated || outage.Pulled.Count > 0 || other.outage.Pulled.Count > 0) return null;
        var now = other.Plan;
        if (!Equals(now.Rules, Plan.Rules) || !now.Items.SequenceEqual(Plan.Items) || !now.People.SequenceEqual(Plan.People) || !now.Places.SequenceEqual(Plan.Places)
            || !now.KnownPairs().SequenceEqual(Plan.KnownPairs())) return null;
        return Plan.Parts.Contains(part) && Beside(now).SequenceEqual(Beside(Plan)) ? parts.Value.First(f => Equals(f.Part, part)) : null;

        IEnumerable<Part> Beside(Plan plan) => plan.Parts.Where(p => Day.Overlap(part, p));
    }

    internal (Outcome Outcome, Way? Way) Without(PartFindings part, NeedFinding need, int item)
    {
        part.Failed[item] = true;
        var left = Left(need, part.Failed);
        part.Failed[item] = false;
        return left;
    }

    /// <summary>What becomes of a need, with those it shares a moment with, when things have failed.</summary>
    internal (Outcome Outcome, Way? Way) Left(NeedFinding need, bool[] failed)
    {
        if (need.Moment is not { } moment) return search.Best(need.Ways, failed);
        var (outcome, ways, _) = moment.Search.Best(failed);
        return (outcome, ways.Length == 0 ? null : ways[moment.Index]);
    }

    /// <summary>The same with everything that the need, or its moment, then rests on.</summary>
    internal (Outcome Outcome, HashSet<int> Used) Rests(NeedFinding need, bool[] failed)
    {
        if (need.Moment is { } moment)
        {
            var (joint, ways, _) = moment.Search.Best(failed);
            return (joint, [.. ways.SelectMany(w => w.Items)]);
        }
        var (outcome, way) = search.Best(need.Ways, failed);
        return (outcome, way is null ? [] : [.. way.Items]);
    }

    internal (Outcome Outcome, Way? Way) BestOf(NeedWays ways, bool[] failed) => search.Best(ways, failed);

    /// <summary>One part with its needs' outcomes and, unless they are not asked for, cut sets.</summary>
    internal PartFindings Find(Part part, bool withCuts = true)
    {
        var kit = outage.KitOf(part);
        var failed = new bool[kit.Items.Length];
        var away = new bool[kit.Items.Length];
        if (Day.Of(part) is { } date)
            for (var i = 0; i < failed.Length; i++) failed[i] = away[i] = kit.AwayWith(i, date) != Kit.None;
        foreach (var item in outage.GoneIn(part)) (failed[item], away[item]) = (true, false);
        var ways = new PartWays(kit, part);
        var search = new WaySearch(kit.Pairings, Plan.Rules.DualRecord);
        var cutSets = new CutSets(kit.Pairings, failed);
        var needs = ways.Needs.Select(need =>
        {
            if (SharesMoment(part, need.Need)) return new NeedFinding(need, default, null, []);
            var (outcome, best) = search.Best(need, failed);
            return new NeedFinding(need, outcome, best, withCuts && outcome.IsMet() ? cutSets.Find(need) : []);
        }).ToArray();
        foreach (var moment in part.Needs.Where(n => SharesMoment(part, n)).Select(n => n.Moment).Distinct().ToList()) FindMoment(moment!, needs, failed, withCuts);
        return new PartFindings(ways, failed, away, needs);
    }

    private static bool SharesMoment(Part part, Need need) => need.Moment is not null && part.Needs.Count(n => n.Moment == need.Moment) > 1;

    private void FindMoment(string moment, NeedFinding[] needs, bool[] failed, bool withCuts)
    {
        int[] shared = [.. Enumerable.Range(0, needs.Length).Where(i => needs[i].Need.Moment == moment)];
        var joint = new MomentSearch(outage.Kit, [.. shared.Select(i => needs[i].Ways)], Plan.Rules.DualRecord);
        var (outcome, ways, _) = joint.Best(failed);
        var cuts = withCuts && outcome.IsMet() ? joint.CutSets(failed).Sets : [];
        for (var n = 0; n < shared.Length; n++)
            needs[shared[n]] = new NeedFinding(needs[shared[n]].Ways, outcome, ways.Length == 0 ? null : ways[n], cuts, new SharedMoment(joint, n, ways));
    }
}

/// <summary>What is found of one part.</summary>
/// <param name="Ways">Rigs and ways.</param>
/// <param name="Failed">By item number, what is gone in this part.</param>
/// <param name="Away">By item number, what of that is not pulled but not here on that day.</param>
/// <param name="Needs">Its needs.</param>
internal sealed record PartFindings(PartWays Ways, bool[] Failed, bool[] Away, IReadOnlyList<NeedFinding> Needs)
{
    public Part Part => Ways.Part;
}

/// <summary>The moment a need shares with others.</summary>
/// <param name="Search">Finds ways for all of them at once.</param>
/// <param name="Index">Which of them the need is.</param>
/// <param name="Ways">One way for each with nothing more failed.</param>
internal sealed record SharedMoment(MomentSearch Search, int Index, Way[] Ways);

/// <summary>What is found of one need; of one that shares a moment, what is found of the whole moment.</summary>
internal sealed record NeedFinding(NeedWays Ways, Outcome Outcome, Way? Best, IReadOnlyList<int[]> Cuts, SharedMoment? Moment = null)
{
    /// <summary>Whether losing an item disturbs the way one would take.</summary>
    public bool Uses(int item) => Moment is null ? Best?.Uses(item) == true : Array.Exists(Moment.Ways, w => w.Uses(item));

    public Need Need => Ways.Need;

    public int? Margin => Cuts.Count == 0 ? null : Cuts[0].Length;
}
