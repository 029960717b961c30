using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>
/// A plan worked out once, to be asked for its report and for the reasons behind it. Not for use by two threads at a time.
/// </summary>
public sealed class DayAnalysis
{
    private readonly Kit kit;
    private readonly IReadOnlyList<Pulled> pulled;
    private readonly WaySearch search;
    private readonly Lazy<IReadOnlyList<PartFindings>> parts;

    /// <summary>Prepares the analysis of a plan from which things may have been pulled.</summary>
    /// <param name="plan">A plan without <see cref="PlanCheck.Usable"/> problems.</param>
    /// <param name="pulled">What is gone; ids the plan does not know are ignored.</param>
    public DayAnalysis(Plan plan, IReadOnlyList<Pulled>? pulled = null)
    {
        Plan = plan;
        this.pulled = pulled ?? [];
        kit = new Kit(plan);
        search = new WaySearch(plan.Rules.DualRecord);
        parts = new Lazy<IReadOnlyList<PartFindings>>(() => [.. plan.Parts.Select(Find)], LazyThreadSafetyMode.None);
    }

    /// <summary>The plan.</summary>
    public Plan Plan { get; }

    internal Kit Kit => kit;

    internal IReadOnlyList<PartFindings> Parts => parts.Value;

    /// <summary>The report.</summary>
    /// <param name="withEvents">Whether to work out the loss of every single item as well.</param>
    public Report Report(bool withEvents = true) => ReportBuilder.Build(this, withEvents);

    /// <summary>What the report would say of one part's needs, without working out the rest of the day.</summary>
    public IReadOnlyList<NeedReport> ReportPart(string partId)
    {
        var part = Find(Plan.Parts.First(p => p.Id == partId));
        return [.. part.Needs.Select(n => ReportBuilder.Describe(kit, part, n))];
    }

    internal (Outcome Outcome, Way? Way) Without(PartFindings part, NeedWays need, int item)
    {
        part.Failed[item] = true;
        var left = search.Best(need, part.Failed);
        part.Failed[item] = false;
        return left;
    }

    internal (Outcome Outcome, Way? Way) BestOf(NeedWays ways, bool[] failed) => search.Best(ways, failed);

    /// <summary>One part with its needs' outcomes and cut sets.</summary>
    internal PartFindings Find(Part part)
    {
        var failed = new bool[kit.Items.Length];
        var away = new bool[kit.Items.Length];
        if (Day.Of(part) is { } date)
            for (var i = 0; i < failed.Length; i++) failed[i] = away[i] = kit.Items[i].Status is not null && !kit.Items[i].IsHere(date);
        foreach (var pull in pulled)
            if (kit.IndexOf(pull.Item) is var item and not Kit.None && Day.IsFrom(Plan, part, pull.FromPart)) (failed[item], away[item]) = (true, false);
        var ways = new PartWays(kit, part);
        var cutSets = new CutSets(failed);
        return new PartFindings(ways, failed, away, [.. ways.Needs.Select(need =>
        {
            var (outcome, best) = search.Best(need, failed);
            return new NeedFinding(need, outcome, best, outcome.IsMet() ? cutSets.Find(need) : []);
        })]);
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

/// <summary>What is found of one need.</summary>
internal sealed record NeedFinding(NeedWays Ways, Outcome Outcome, Way? Best, IReadOnlyList<int[]> Cuts)
{
    public Need Need => Ways.Need;

    public int? Margin => Cuts.Count == 0 ? null : Cuts[0].Length;
}
