using YokePair.Core.Optics;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>What was found for needs that happen at once.</summary>
/// <param name="Outcome">That of the worst of the needs.</param>
/// <param name="Ways">One way for each need, in their order; none when the moment is lost.</param>
/// <param name="Exhaustive">Whether every combination of ways was tried; else the true outcome may be better.</param>
internal sealed record MomentResult(Outcome Outcome, Way[] Ways, bool Exhaustive)
{
    /// <summary>Those and, where needs must be covered in several bands, the ways taken in the others.</summary>
    public IReadOnlyList<Way> Taken { get; init; } = Ways;
}

/// <summary>Minimal cut sets of a moment.</summary>
/// <param name="Sets">Up to size three, smaller first.</param>
/// <param name="Exhaustive">Whether the search ran to its end; else there may be more of them.</param>
internal sealed record MomentCuts(IReadOnlyList<int[]> Sets, bool Exhaustive)
{
    /// <summary>Cut sets, smaller first, then by item number.</summary>
    public static IEnumerable<int[]> InOrder(IEnumerable<int[]> sets) =>
        sets.OrderBy(c => c.Length).ThenBy(c => c[0]).ThenBy(c => c.Length > 1 ? c[1] : 0).ThenBy(c => c.Length > 2 ? c[2] : 0);
}

/// <summary>
/// Finds ways for needs that happen at once: no two of them use the same thing or the same hands. Exact, by trying the
/// ways of each need in turn and going back where they clash. Hands are counted before ways; things that any way could take
/// for one another are tried once; and the work is bounded, so that no moment holds the program up.
/// </summary>
internal sealed class MomentSearch
{
    /// <summary>Steps of one search. A moment of the demo days takes a few thousand.</summary>
    public const int MostSteps = 400_000;

    /// <summary>Steps of all searches for the cut sets of one moment.</summary>
    public const int MostStepsForCuts = 4_000_000;

    private readonly IReadOnlyList<NeedWays> needs;
    private readonly bool dualRecord;
    private readonly Pairings pairings;
    private readonly CancellationToken cancel;
    private readonly int[] order;
    private readonly int[] classes;

    /// <summary>Needs of one part that share a moment.</summary>
    /// <param name="kit">The kit their ways are made of.</param>
    /// <param name="needs">The needs.</param>
    /// <param name="dualRecord">Whether every frame is to be recorded twice.</param>
    /// <param name="cancel">Ends the search with an <see cref="OperationCanceledException"/>.</param>
    public MomentSearch(Kit kit, IReadOnlyList<NeedWays> needs, bool dualRecord, CancellationToken cancel = default)
    {
        this.needs = needs;
        this.dualRecord = dualRecord;
        this.cancel = cancel;
        pairings = kit.Pairings;
        // The need with the fewest ways leaves the least to try.
        order = [.. Enumerable.Range(0, needs.Count).OrderBy(n => needs[n].Candidates.Length)];
        classes = ClassesOf(kit, needs);
    }

    /// <summary>The best that is left of the moment.</summary>
    /// <param name="failed">By item number, whether it has failed.</param>
    public MomentResult Best(bool[] failed)
    {
        var exhaustive = true;
        foreach (var (full, inTime, outcome) in Grades)
        {
            var steps = new Steps(MostSteps, cancel);
            if (Find(failed, full, inTime, steps) is { } ways) return new MomentResult(outcome, ways, exhaustive);
            exhaustive &= !steps.AreOver;
        }
        return new MomentResult(Outcome.Lost, [], exhaustive);
    }

    /// <summary>
    /// Every minimal cut set up to size three: whatever cuts the moment must hit the ways that are found while it still
    /// stands, so those are branched over (Reiter's hitting-set tree).
    /// </summary>
    /// <param name="failed">By item number, whether it has failed; with these the moment must be met.</param>
    public MomentCuts CutSets(bool[] failed)
    {
        var left = (bool[])failed.Clone();
        var steps = new Steps(MostStepsForCuts, cancel);
        var known = new List<int[]>();
        var cuts = new List<int[]>();
        List<int[]> level = [[]];
        for (var size = 1; size <= LargestCut; size++)
        {
            var next = new HashSet<(int, int)>();
            foreach (var gone in level.Where(set => !HoldsACut(set)))
            {
                foreach (var i in gone) left[i] = true;
                foreach (var item in Any(left, known, steps) ?? [])
                {
                    int[] more = [.. gone.Append(item).Order()];
                    if (HoldsACut(more)) continue;
                    if (IsMetWithout(item)) next.Add((more[0], more[^1]));
                    else if (!steps.AreOver) cuts.Add(more);
                }
                foreach (var i in gone) left[i] = false;
            }
            level = [.. next.Select(set => set.Item1 == set.Item2 ? new[] { set.Item1 } : [set.Item1, set.Item2])];
        }
        return new MomentCuts([.. MomentCuts.InOrder(cuts)], !steps.AreOver);

        bool HoldsACut(int[] set) => cuts.Exists(c => Array.TrueForAll(c, set.Contains));

        bool IsMetWithout(int item)
        {
            left[item] = true;
            var met = Any(left, known, steps) is not null;
            left[item] = false;
            return met;
        }
    }

    private const int LargestCut = 3;

    /// <summary>Full in time, any in time, any at all: the outcomes from the best down.</summary>
    private static readonly (bool Full, bool InTime, Outcome Outcome)[] Grades =
        [(true, true, Outcome.Holds), (false, true, Outcome.Thins), (false, false, Outcome.Late)];

    /// <summary>Things of one joint way in time that is left: one that was found before, if any stands.</summary>
    private int[]? Any(bool[] failed, List<int[]> known, Steps steps)
    {
        foreach (var way in known)
            if (!Array.Exists(way, i => failed[i])) return way;
        if (Find(failed, fullOnly: false, inTimeOnly: true, steps) is not { } found) return null;
        int[] items = [.. found.SelectMany(w => w.Items).Distinct()];
        known.Add(items);
        return items;
    }

    private Way[]? Find(bool[] failed, bool fullOnly, bool inTimeOnly, Steps steps) =>
        HandsSuffice(failed, fullOnly, inTimeOnly) ? new Search(this, failed, fullOnly, inTimeOnly, steps).Run() : null;

    /// <summary>Whether each need could have hands of its own, things left aside: no search is worth while where it cannot.</summary>
    private bool HandsSuffice(bool[] failed, bool fullOnly, bool inTimeOnly)
    {
        var hands = needs.Select(need => need.Candidates.Where(c => Serves(c, need, failed, fullOnly, inTimeOnly)).Select(c => c.Rig.Hands).Distinct()
            .ToArray()).ToArray();
        var heldBy = new Dictionary<int, int>();
        return Enumerable.Range(0, needs.Count).All(n => Give(n, []));

        bool Give(int need, HashSet<int> asked) => hands[need].Any(hand =>
        {
            if (!asked.Add(hand)) return false;
            if (heldBy.TryGetValue(hand, out var other) && !Give(other, asked)) return false;
            heldBy[hand] = need;
            return true;
        });
    }

    private static bool Serves(Candidate candidate, NeedWays need, bool[] failed, bool fullOnly, bool inTimeOnly) =>
        (!fullOnly || candidate.Quality == Quality.Full) && (!inTimeOnly || WaySearch.InTime(candidate.Rig.Seconds, need)) && !candidate.Rig.IsHit(failed);

    /// <summary>By item: its class. Items of one class are offered to the same wants at the same cost, so that any serves as well as another.</summary>
    private static int[] ClassesOf(Kit kit, IReadOnlyList<NeedWays> needs)
    {
        var named = new HashSet<int>();
        var groups = new HashSet<OptionGroup>(ReferenceEqualityComparer.Instance);
        foreach (var candidate in needs.SelectMany(n => n.Candidates))
        {
            named.UnionWith(candidate.Rig.Items);
            foreach (var ask in candidate.Rig.Asks) groups.UnionWith(ask.Groups);
            if (candidate.Rig.Cards is not { } cards) continue;
            groups.UnionWith(cards.OneCard);
            foreach (var slot in cards.Slots) groups.UnionWith(slot);
        }
        var offeredIn = new List<int>?[kit.Items.Length];
        var number = 0;
        foreach (var group in groups)
        {
            foreach (var item in group.Items) (offeredIn[item] ??= []).Add(number);
            number++;
        }
        var known = new Dictionary<string, int>(StringComparer.Ordinal);
        var classes = new int[kit.Items.Length];
        for (var i = 0; i < classes.Length; i++)
        {
            if (offeredIn[i] is not { } offers || named.Contains(i) || kit.Pairings.IsPaired(i)) classes[i] = -1 - i;
            else
            {
                var offer = string.Join(',', offers);
                if (!known.TryGetValue(offer, out classes[i])) known.Add(offer, classes[i] = known.Count);
            }
        }
        return classes;
    }

    /// <summary>Counts the work of a search, ends it when there is too much, and when nobody waits for it any more.</summary>
    private sealed class Steps(int most, CancellationToken cancel)
    {
        private int made;

        public bool AreOver => made > most;

        public bool Add()
        {
            if ((++made & 0xFFF) == 0) cancel.ThrowIfCancellationRequested();
            return made <= most;
        }
    }

    private sealed class Search(MomentSearch moment, bool[] failed, bool fullOnly, bool inTimeOnly, Steps steps)
    {
        private readonly Way[] found = new Way[moment.needs.Count];
        private readonly bool[] used = new bool[failed.Length];
        private readonly HashSet<int> hands = [];

        public Way[]? Run() => Meet(0) ? found : null;

        private bool Meet(int at)
        {
            if (at == found.Length) return true;
            var need = moment.needs[moment.order[at]];
            foreach (var candidate in need.Candidates)
            {
                if (!steps.Add()) return false;
                var rig = candidate.Rig;
                if (inTimeOnly && !WaySearch.InTime(rig.Seconds, need)) break;
                if (hands.Contains(rig.Hands) || !Serves(candidate, need, failed, fullOnly, inTimeOnly) || Array.Exists(rig.Items, i => used[i])) continue;
                hands.Add(rig.Hands);
                foreach (var item in rig.Items) used[item] = true;
                foreach (var asks in Feeds(rig))
                    if (Fill(at, candidate, asks, [], rig.Seconds)) return true;
                foreach (var item in rig.Items) used[item] = false;
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
            if (moment.dualRecord)
                for (var first = 0; first < cards.Slots.Length; first++)
                    for (var second = first + 1; second < cards.Slots.Length; second++)
                        yield return [.. rig.Asks, new Ask(Want.Card, cards.Slots[first]), new Ask(Want.Card, cards.Slots[second])];
            if (!moment.dualRecord || !fullOnly) yield return [.. rig.Asks, new Ask(Want.Card, cards.OneCard)];
        }

        private bool Fill(int at, Candidate candidate, Ask[] asks, Pick[] picks, double seconds)
        {
            var need = moment.needs[moment.order[at]];
            if (!steps.Add() || (inTimeOnly && !WaySearch.InTime(seconds, need))) return false;
            if (picks.Length == asks.Length)
            {
                var sound = candidate.IsSound(picks, moment.dualRecord, moment.pairings);
                if (fullOnly && !sound) return false;
                found[moment.order[at]] = Way.Of(candidate.Rig, sound ? Quality.Full : Quality.SecondBest, seconds, picks);
                return Meet(at + 1);
            }
            var ask = asks[picks.Length];
            foreach (var group in ask.Groups)
            {
                if (fullOnly && group.IsLesser) continue;
                var fetched = group.InPlace || Array.IndexOf(candidate.Rig.Sources, group.Source) >= 0
                    || Array.Exists(picks, p => p.From.Source == group.Source) ? 0 : group.FetchSeconds;
                var tried = new List<int>();
                foreach (var item in group.Items)
                {
                    // Of things that stand for one another the first that is free is tried.
                    if (failed[item] || used[item] || tried.Contains(moment.classes[item]) || !moment.pairings.MayJoin(item, candidate.Rig, picks)) continue;
                    tried.Add(moment.classes[item]);
                    used[item] = true;
                    if (Fill(at, candidate, asks, [.. picks, new Pick(ask.Kind, item, group)], seconds + group.ChangeSeconds + fetched)) return true;
                    used[item] = false;
                }
            }
            return false;
        }
    }
}
