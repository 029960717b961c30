using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>
/// What the owner knows of pairs of things, by item number: a pair marked "no" rules out every way that holds both, whatever the two
/// are; any other but "full" makes such a way second best.
/// </summary>
internal sealed class Pairings
{
    private readonly Dictionary<int, List<(int Other, Quality Together)>> known = [];

    public Pairings(Plan plan, Func<string?, int> indexOf)
    {
        foreach (var pair in plan.KnownPairs())
        {
            if (pair.Fit == PairFit.Full || indexOf(pair.A) is not (var a and >= 0) || indexOf(pair.B) is not (var b and >= 0) || a == b) continue;
            var together = pair.Fit == PairFit.No ? Quality.No : Quality.SecondBest;
            Note(a, b, together);
            Note(b, a, together);
        }

        void Note(int item, int other, Quality together)
        {
            if (!known.TryGetValue(item, out var list)) known.Add(item, list = []);
            // The plan's own word of a pair comes before the locker's.
            if (!list.Exists(p => p.Other == other)) list.Add((other, together));
        }
    }

    /// <summary>Whether something is known of a thing, so that no other can stand for it.</summary>
    public bool IsPaired(int item) => known.ContainsKey(item);

    /// <summary>How things get on with one another: the worst of their pairs.</summary>
    public Quality Of(ReadOnlySpan<int> items)
    {
        if (known.Count == 0) return Quality.Full;
        var worst = Quality.Full;
        for (var i = 0; i < items.Length; i++)
            for (var j = i + 1; j < items.Length; j++)
                if (Of(items[i], items[j]) is var together && together > worst) worst = together;
        return worst;
    }

    /// <summary>Whether a thing may be picked for a rig with what was picked already.</summary>
    public bool MayJoin(int item, Rig rig, ReadOnlySpan<Pick> picks) => !IsPaired(item) || Joining(item, rig, picks) != Quality.No;

    /// <summary>How a thing gets on with a rig and with what was picked for it already.</summary>
    public Quality Joining(int item, Rig rig, ReadOnlySpan<Pick> picks)
    {
        var worst = Quality.Full;
        if (!IsPaired(item)) return worst;
        foreach (var other in rig.Items) Worsen(other);
        foreach (var pick in picks) Worsen(pick.Item);
        return worst;

        void Worsen(int other)
        {
            if (Of(item, other) is var together && together > worst) worst = together;
        }
    }

    private Quality Of(int a, int b)
    {
        if (!known.TryGetValue(a, out var list)) return Quality.Full;
        foreach (var (other, together) in list)
            if (other == b) return together;
        return Quality.Full;
    }
}
