using YokePair.Core.Glass;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// Finds ways for needs that happen at once: no two of them use the same thing or the same hands. Exact, by trying the
/// ways of each need in turn and going back where they clash.
/// </summary>
internal sealed class MomentSearch(IReadOnlyList<NeedWays> needs, bool dualRecord)
{
    private readonly Way[] found = new Way[needs.Count];
    private readonly HashSet<int> used = [];
    private readonly HashSet<int> hands = [];
    private bool[] failed = [];
    private bool fullOnly, inTimeOnly;

    /// <summary>Outcome of the moment, that of the worst of its needs, with one way for each; no ways when it is lost.</summary>
    public (Outcome Outcome, Way[] Ways) Best(bool[] failedItems)
    {
        failed = failedItems;
        foreach (var (full, inTime, outcome) in new[] { (true, true, Outcome.Holds), (false, true, Outcome.Thins), (false, false, Outcome.Late) })
        {
            (fullOnly, inTimeOnly) = (full, inTime);
            used.Clear();
            hands.Clear();
            if (Meet(0)) return (outcome, [.. found]);
        }
        return (Outcome.Lost, []);
    }

    /// <summary>
    /// Every minimal cut set up to size three: whatever cuts the moment must hit the ways that are found while it still
    /// stands, so those are branched over (Reiter's hitting-set tree).
    /// </summary>
    public List<int[]> CutSets(bool[] failedItems)
    {
        var cuts = new List<int[]>();
        List<int[]> level = [[]];
        for (var size = 0; size <= 3; size++)
        {
            var next = new Dictionary<string, int[]>(StringComparer.Ordinal);
            foreach (var gone in level)
            {
                if (cuts.Exists(c => Array.TrueForAll(c, gone.Contains))) continue;
                foreach (var i in gone) failedItems[i] = true;
                var (outcome, ways) = Best(failedItems);
                foreach (var i in gone) failedItems[i] = false;
                if (!outcome.IsMet())
                {
                    cuts.Add(gone);
                    continue;
                }
                if (size == 3) continue;
                foreach (var item in ways.SelectMany(w => w.Items).Distinct())
                {
                    int[] more = [.. gone.Append(item).Order()];
                    next.TryAdd(string.Join(',', more), more);
                }
            }
            level = [.. next.Values.OrderBy(s => s[0]).ThenBy(s => s.Length > 1 ? s[1] : 0).ThenBy(s => s.Length > 2 ? s[2] : 0)];
        }
        return cuts;
    }

    private bool Meet(int at)
    {
        if (at == needs.Count) return true;
        var need = needs[at];
        foreach (var candidate in need.Candidates)
        {
            var rig = candidate.Rig;
            if (inTimeOnly && !WaySearch.InTime(rig.Seconds, need)) break;
            if ((fullOnly && candidate.Quality != Quality.Full) || hands.Contains(rig.Hands) || rig.IsHit(failed) || rig.Items.Any(used.Contains)) continue;
            hands.Add(rig.Hands);
            used.UnionWith(rig.Items);
            foreach (var asks in Feeds(rig))
                if (Fill(at, candidate, asks, 0, [], rig.Seconds)) return true;
            used.ExceptWith(rig.Items);
            hands.Remove(rig.Hands);
        }
        return false;
    }

    /// <summary>What must be filled in, with two cards, then with one where that will do.</summary>
    private IEnumerable<Ask[]> Feeds(Rig rig)
    {
        if (rig.Cards is not { } cards)
        {
            yield return rig.Asks;
            yield break;
        }
        if (dualRecord)
            for (var first = 0; first < cards.Slots.Length; first++)
                for (var second = first + 1; second < cards.Slots.Length; second++)
                    yield return [.. rig.Asks, new Ask(Want.Card, cards.Slots[first]), new Ask(Want.Card, cards.Slots[second])];
        if (!dualRecord || !fullOnly) yield return [.. rig.Asks, new Ask(Want.Card, cards.OneCard)];
    }

    private bool Fill(int at, Candidate candidate, Ask[] asks, int level, Pick[] picks, double seconds)
    {
        var need = needs[at];
        if (inTimeOnly && !WaySearch.InTime(seconds, need)) return false;
        if (level == asks.Length)
        {
            var records = candidate.Rig.Cards is null || !dualRecord || picks.Count(p => p.Want == Want.Card) == 2;
            var sound = candidate.Quality == Quality.Full && records && !picks.Any(p => p.From.Doubtful);
            if (fullOnly && !sound) return false;
            found[at] = Way.Of(candidate.Rig, sound ? Quality.Full : Quality.SecondBest, seconds, picks);
            return Meet(at + 1);
        }
        foreach (var group in asks[level].Groups)
        {
            if (fullOnly && group.Doubtful) continue;
            var fetched = group.InPlace || Array.IndexOf(candidate.Rig.Sources, group.Source) >= 0 || picks.Any(p => p.From.Source == group.Source) ? 0 : group.FetchSeconds;
            foreach (var item in group.Items)
            {
                if (failed[item] || !used.Add(item)) continue;
                if (Fill(at, candidate, asks, level + 1, [.. picks, new Pick(asks[level].Kind, item, group)], seconds + group.ChangeSeconds + fetched)) return true;
                used.Remove(item);
                // Every way that could take one of them could take any other.
                if (asks[level].Kind == Want.Twin) break;
            }
        }
        return false;
    }
}
