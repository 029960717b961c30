using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// Minimal cut sets of a need: the smallest sets of things whose failure leaves no way in time, up to size three, exact.
/// A set that hits every way must hit any one of them, so it is enough to take a way that is left and branch over its
/// items (Reiter's hitting-set tree); the last member of a set is read off the ways that are still left, as what they all share.
/// </summary>
internal sealed class CutSets(Pairings pairings, bool[] failed)
{
    private readonly SharedItems shared = new(pairings, failed);

    /// <summary>Every minimal cut set up to size three, smaller first, each in order of item number. The need must be met to begin with.</summary>
    public List<int[]> Find(NeedWays ways)
    {
        var first = shared.Of(ways);
        if (first.OneWay is not { } oneWay) throw new InvalidOperationException("a need that is a gap has no cut sets");
        var singles = new SortedSet<int>(first.Common);
        var pairs = new SortedSet<(int, int)>();
        var triples = new SortedSet<(int, int, int)>();
        var branches = oneWay.Where(a => !singles.Contains(a)).Select(a => (Item: a, Left: Without(ways, a))).ToArray();
        foreach (var (a, second) in branches)
            foreach (var b in second.Common)
                if (!singles.Contains(b)) pairs.Add(Sorted(a, b));
        var tried = new HashSet<(int, int)>();
        foreach (var (a, second) in branches)
        {
            foreach (var b in second.OneWay ?? [])
            {
                if (singles.Contains(b) || pairs.Contains(Sorted(a, b)) || !tried.Add(Sorted(a, b))) continue;
                failed[a] = true;
                var third = Without(ways, b);
                failed[a] = false;
                foreach (var c in third.Common)
                    if (!singles.Contains(c) && !pairs.Contains(Sorted(a, c)) && !pairs.Contains(Sorted(b, c)))
                        triples.Add(Sorted(a, b, c));
            }
        }
        return [.. singles.Select(a => new[] { a }), .. pairs.Select(p => new[] { p.Item1, p.Item2 }),
            .. triples.Select(t => new[] { t.Item1, t.Item2, t.Item3 })];
    }

    private SharedItems.Answer Without(NeedWays ways, int item)
    {
        failed[item] = true;
        var answer = shared.Of(ways);
        failed[item] = false;
        return answer;
    }

    private static (int, int) Sorted(int a, int b) => a < b ? (a, b) : (b, a);

    private static (int, int, int) Sorted(int a, int b, int c)
    {
        if (a > b) (a, b) = (b, a);
        if (b > c) (b, c) = (c, b);
        if (a > b) (a, b) = (b, a);
        return (a, b, c);
    }
}

/// <summary>What all ways in time that are left have in common.</summary>
internal sealed class SharedItems(Pairings pairings, bool[] failed)
{
    private readonly List<int> common = [];
    private readonly (int Item, bool Alone, int Source)[] picks = new (int, bool, int)[WaySearch.MaxAsks];
    private readonly OptionGroup[][] wants = new OptionGroup[WaySearch.MaxAsks][];
    private int depth;
    private int[]? oneWay;
    private Rig rig = null!;
    private NeedWays ways = null!;

    /// <summary>The answer for a set of failed things.</summary>
    /// <param name="OneWay">The items of one way in time; null when there is none.</param>
    /// <param name="Common">The items that every way in time uses.</param>
    public readonly record struct Answer(int[]? OneWay, int[] Common);

    /// <summary>
    /// Looks at the ways of a need until nothing is shared any more. One record is enough here: a way with two cards
    /// contains the way with either of them, so it can neither be cut first nor share less.
    /// </summary>
    public Answer Of(NeedWays need)
    {
        ways = need;
        oneWay = null;
        common.Clear();
        foreach (var candidate in need.Candidates)
        {
            rig = candidate.Rig;
            if (!WaySearch.InTime(rig.Seconds, need)) break;
            // A rig that uses all that is still shared can take nothing away from it.
            if (rig.IsHit(failed) || (oneWay is not null && Settled())) continue;
            depth = 0;
            foreach (var ask in rig.Asks) wants[depth++] = ask.Groups;
            if (rig.Cards is { } cards) wants[depth++] = cards.OneCard;
            Enumerate(0, rig.Seconds);
            if (oneWay is not null && common.Count == 0) break;
        }
        return new Answer(oneWay, [.. common]);
    }

    private void Enumerate(int level, double seconds)
    {
        if (level == depth)
        {
            Meet();
            return;
        }
        foreach (var group in wants[level])
        {
            var total = seconds + group.ChangeSeconds + (group.InPlace || Fetches(group.Source, level) ? 0 : group.FetchSeconds);
            if (!WaySearch.InTime(total, ways)) continue;
            if (rig.Competes)
            {
                Spread(group, level, total);
                if (oneWay is not null && Settled()) return;
                continue;
            }
            var found = 0;
            foreach (var item in group.Items)
            {
                if (failed[item] || !Joins(item, level)) continue;
                if (found++ == 0) picks[level] = (item, true, group.Source);
                else
                {
                    picks[level].Alone = false;
                    break;
                }
            }
            if (found > 0) Enumerate(level + 1, total);
            if (oneWay is not null && Settled()) return;
        }
    }

    /// <summary>
    /// A group that several wants draw from. With more working members than wants, none of them can be what all ways share,
    /// and any that is not yet taken stands for all; with fewer, each must be tried by itself.
    /// </summary>
    private void Spread(OptionGroup group, int level, double total)
    {
        var working = 0;
        foreach (var item in group.Items)
            if (!failed[item]) working++;
        foreach (var item in group.Items)
        {
            if (failed[item] || Picked(item, level) || !Joins(item, level)) continue;
            picks[level] = (item, working <= depth, group.Source);
            Enumerate(level + 1, total);
            if (working > depth || (oneWay is not null && Settled())) return;
        }
    }

    private bool Picked(int item, int level)
    {
        for (var i = 0; i < level; i++)
            if (picks[i].Item == item) return true;
        return false;
    }

    /// <summary>Whether no pair marked "no" keeps a thing from going with the rig and what was picked already.</summary>
    private bool Joins(int item, int level)
    {
        if (!pairings.IsPaired(item)) return true;
        Span<Pick> had = new Pick[level];
        for (var i = 0; i < level; i++) had[i] = new Pick(default, picks[i].Item, null!);
        return pairings.MayJoin(item, rig, had);
    }

    private bool Settled()
    {
        foreach (var item in common)
            if (Array.IndexOf(rig.Items, item) < 0) return false;
        return true;
    }

    private void Meet()
    {
        if (oneWay is null)
        {
            oneWay = new int[rig.Items.Length + depth];
            rig.Items.CopyTo(oneWay, 0);
            for (var i = 0; i < depth; i++) oneWay[rig.Items.Length + i] = picks[i].Item;
            common.AddRange(rig.Items);
            for (var i = 0; i < depth; i++) if (picks[i].Alone) common.Add(picks[i].Item);
            return;
        }
        for (var c = common.Count - 1; c >= 0; c--)
            if (!Needs(common[c])) common.RemoveAt(c);
    }

    private bool Needs(int item)
    {
        if (Array.IndexOf(rig.Items, item) >= 0) return true;
        for (var i = 0; i < depth; i++)
            if (picks[i].Alone && picks[i].Item == item) return true;
        return false;
    }

    private bool Fetches(int source, int level)
    {
        if (Array.IndexOf(rig.Sources, source) >= 0) return true;
        for (var i = 0; i < level; i++)
            if (picks[i].Source == source) return true;
        return false;
    }
}
