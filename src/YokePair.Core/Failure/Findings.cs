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

    /// <summary>What edits that were tried would make of the strands of each need; true as long as nothing of the part changes, so it goes with it into the
    /// days that follow.</summary>
    public ConcurrentDictionary<object, int[]> StrandsTried { get; } = [];

    /// <summary>What is gone in it when more goes, by item number.</summary>
    public bool[] FailedWith(ReadOnlySpan<int> more)
    {
        var failed = (bool[])Failed.Clone();
        foreach (var item in more) failed[item] = true;
        return failed;
    }

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
internal sealed record SharedMoment(BandedMoment Search, int Index, MomentResult Found);

/// <summary>What is found of bands that must all be covered.</summary>
/// <param name="Outcome">The worst of theirs.</param>
/// <param name="Worst">The band that is worst off.</param>
/// <param name="Way">The way taken there; null when there is none.</param>
/// <param name="Taken">The ways taken in all of them.</param>
internal sealed record BandsFound(Outcome Outcome, NeedWays Worst, Way? Way, IReadOnlyList<Way> Taken);

/// <summary>What is found of one need.</summary>
internal sealed class NeedFinding
{
    private readonly Lazy<MomentCuts> cuts;
    private readonly Way[] taken;

    public NeedFinding(BandedWays need, BandsFound found, Func<MomentCuts> cutSets, SharedMoment? moment = null)
    {
        (Need, Bands, Ways, Outcome, Best, Moment) = (need.Need, need.Bands, found.Worst, found.Outcome, found.Way, moment);
        taken = [.. moment?.Found.Taken ?? found.Taken];
        cuts = new Lazy<MomentCuts>(() => found.Outcome.IsMet() ? cutSets() : new MomentCuts([], true), LazyThreadSafetyMode.PublicationOnly);
    }

    public Need Need { get; }

    /// <summary>The ways of each band that must be covered.</summary>
    public IReadOnlyList<NeedWays> Bands { get; }

    /// <summary>The ways of the band that is worst off: what is told of the need is told of it.</summary>
    public NeedWays Ways { get; }

    /// <summary>With nothing more failed than has already; of a need that shares a moment, the whole moment's.</summary>
    public Outcome Outcome { get; }

    /// <summary>The way one would take; null when lost.</summary>
    public Way? Best { get; }

    /// <summary>The moment it shares, if it does.</summary>
    public SharedMoment? Moment { get; }

    /// <summary>What edits that were tried would make of its strands; true as long as nothing of it changes, so it goes with it into the days that
    /// follow.</summary>
    public ConcurrentDictionary<object, int> StrandsTried { get; } = [];

    /// <summary>Minimal cut sets, smaller first.</summary>
    public IReadOnlyList<int[]> Cuts => cuts.Value.Sets;

    /// <summary>Whether every way was tried; only a moment of very many ways is not.</summary>
    public bool Exhaustive => Moment?.Found.Exhaustive != false && cuts.Value.Exhaustive;

    /// <summary>Size of the smallest cut set; null = a gap, or more than three.</summary>
    public int? Margin => Cuts.Count == 0 ? null : Cuts[0].Length;

    /// <summary>0 broken, 1 hangs by one thing, 2, or 3 for three and more.</summary>
    public int Strands => !Outcome.IsMet() ? 0 : Margin ?? 3;

    /// <summary>Whether a way one would take uses a thing: in any band, and in a moment any of the ways taken together.</summary>
    public bool Uses(int item) => UsesAny([item]);

    /// <summary>Whether it uses any of some things.</summary>
    public bool UsesAny(ReadOnlySpan<int> items)
    {
        foreach (var way in taken)
            foreach (var item in items)
                if (way.Uses(item)) return true;
        return false;
    }

    /// <summary>Whether a way one would take asks something of a person: that they act, hand over what they hold or carry, or hold a light.</summary>
    public bool Asks(PartLayout layout, int person) => taken.Any(w => w.Asks(layout, person));
}
