using System.Collections.Concurrent;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>What is found of one part.</summary>
/// <param name="Ways">Rigs and ways.</param>
/// <param name="Failed">By item number, what is gone in this part; never written to.</param>
/// <param name="Away">By item number, what of that is not pulled but not here on that day.</param>
/// <param name="Needs">Every need.</param>
internal sealed record PartFindings(PartWays Ways, bool[] Failed, bool[] Away, IReadOnlyList<NeedFinding> Needs)
{
    public Part Part => Ways.Part;

    /// <summary>What edits that were tried would make of the strands of each need; true as long as nothing of the part changes, so it goes with it into the days that follow.</summary>
    public ConcurrentDictionary<object, int[]> StrandsTried { get; } = [];

    /// <summary>Works out what is otherwise left until it is asked.</summary>
    public void Settle()
    {
        foreach (var need in Needs) _ = need.Cuts;
    }
}

/// <summary>The moment a need shares with others of its part.</summary>
/// <param name="Search">The search over all of them.</param>
/// <param name="Index">Which of them this need is.</param>
/// <param name="Found">What was found for them together.</param>
internal sealed record SharedMoment(MomentSearch Search, int Index, MomentResult Found);

/// <summary>What is found of one need.</summary>
internal sealed class NeedFinding
{
    private readonly Lazy<MomentCuts> cuts;

    public NeedFinding(NeedWays ways, Outcome outcome, Way? best, Func<MomentCuts> cutSets, SharedMoment? moment = null)
    {
        (Ways, Outcome, Best, Moment) = (ways, outcome, best, moment);
        cuts = new Lazy<MomentCuts>(() => outcome.IsMet() ? cutSets() : new MomentCuts([], true), LazyThreadSafetyMode.PublicationOnly);
    }

    public NeedWays Ways { get; }

    /// <summary>With nothing more failed than has already; of a need that shares a moment, the whole moment's.</summary>
    public Outcome Outcome { get; }

    /// <summary>The way one would take; null when lost.</summary>
    public Way? Best { get; }

    /// <summary>The moment it shares, if it does.</summary>
    public SharedMoment? Moment { get; }

    public Need Need => Ways.Need;

    /// <summary>What edits that were tried would make of its strands; true as long as nothing of it changes, so it goes with it into the days that follow.</summary>
    public ConcurrentDictionary<object, int> StrandsTried { get; } = [];

    /// <summary>Minimal cut sets, smaller first.</summary>
    public IReadOnlyList<int[]> Cuts => cuts.Value.Sets;

    /// <summary>Whether every way was tried; only a moment of very many ways is not.</summary>
    public bool Exhaustive => Moment?.Found.Exhaustive != false && cuts.Value.Exhaustive;

    /// <summary>Size of the smallest cut set; null = a gap, or more than three.</summary>
    public int? Margin => Cuts.Count == 0 ? null : Cuts[0].Length;

    /// <summary>0 broken, 1 hangs by one thing, 2, or 3 for three and more.</summary>
    public int Strands => !Outcome.IsMet() ? 0 : Margin ?? 3;

    /// <summary>Whether the way one would take uses a thing; in a moment, whether any of the ways taken together does.</summary>
    public bool Uses(int item) => Moment is null ? Best?.Uses(item) == true : Array.Exists(Moment.Found.Ways, w => w.Uses(item));
}
