using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// A moment whose needs may have to be covered in several bands each: every combination of bands is a moment by itself, and the
/// worst of them counts. Most have one.
/// </summary>
internal sealed class BandedMoment
{
    /// <summary>Combinations looked at; beyond that the moment is said not to be wholly tried.</summary>
    private const int MostTogether = 48;

    private readonly MomentSearch[] searches;
    private readonly bool all;

    /// <summary>Needs of one part that share a moment.</summary>
    /// <param name="kit">The kit their ways are made of.</param>
    /// <param name="needs">The bands of each need.</param>
    /// <param name="dualRecord">Whether every frame is to be recorded twice.</param>
    /// <param name="cancel">Ends the search with an <see cref="OperationCanceledException"/>.</param>
    public BandedMoment(Kit kit, IReadOnlyList<IReadOnlyList<NeedWays>> needs, bool dualRecord, CancellationToken cancel = default)
    {
        IEnumerable<IReadOnlyList<NeedWays>> together = [[]];
        foreach (var bands in needs) together = together.SelectMany(before => bands.Select(band => (IReadOnlyList<NeedWays>)[.. before, band]));
        var some = together.Take(MostTogether + 1).ToList();
        all = some.Count <= MostTogether;
        searches = [.. some.Take(MostTogether).Select(moment => new MomentSearch(kit, moment, dualRecord, cancel))];
    }

    /// <summary>The best that is left of the worst of them.</summary>
    /// <param name="failed">By item number, whether it has failed.</param>
    public MomentResult Best(bool[] failed)
    {
        var found = searches.Select(s => s.Best(failed)).ToList();
        return found.MaxBy(r => r.Outcome)! with { Exhaustive = all && found.TrueForAll(r => r.Exhaustive), Taken = [.. found.SelectMany(r => r.Ways)] };
    }

    /// <summary>Every minimal cut set up to size three.</summary>
    /// <param name="failed">By item number, whether it has failed; with these the moment must be met.</param>
    public MomentCuts CutSets(bool[] failed)
    {
        var found = searches.Select(s => s.CutSets(failed)).ToList();
        return new MomentCuts(Smallest([.. found.Select(c => c.Sets)]), all && found.TrueForAll(c => c.Exhaustive));
    }

    /// <summary>The minimal ones of several lists of cut sets, smaller first: what cuts one band cuts the need.</summary>
    public static IReadOnlyList<int[]> Smallest(IReadOnlyList<IReadOnlyList<int[]>> lists)
    {
        if (lists.Count == 1) return lists[0];
        var kept = new List<int[]>();
        foreach (var set in MomentCuts.InOrder(lists.SelectMany(l => l)))
            if (!kept.Exists(smaller => Array.TrueForAll(smaller, set.Contains))) kept.Add(set);
        return kept;
    }
}
