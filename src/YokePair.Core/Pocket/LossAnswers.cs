using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Ways;

namespace YokePair.Core.Pocket;

/// <summary>What becomes of one need when something has failed, and what one does.</summary>
/// <param name="Part">The part.</param>
/// <param name="Need">The need.</param>
/// <param name="Outcome">What becomes of it.</param>
/// <param name="Answer">What one does, and what the picture is then.</param>
/// <param name="Uses">Numbers of the things that answer stands on.</param>
internal sealed record LeftOfNeed(PartFindings Part, NeedFinding Need, Outcome Outcome, PullAnswer Answer, HashSet<int> Uses);

/// <summary>
/// Answers to losses worked out beforehand. A need is as it was while the ways one would take use nothing of what is gone; so of two things
/// gone together only those pairs have an answer of their own of which one carries the need and the other its answer without it.
/// </summary>
internal sealed class LossAnswers(DayAnalysis day)
{
    /// <summary>Every need of a part that some things being gone changes.</summary>
    public IEnumerable<LeftOfNeed> Without(PartFindings part, int[] gone, bool isLastWord = true)
    {
        bool[]? failed = null;
        foreach (var need in part.Needs)
        {
            if (!need.UsesAny(gone)) continue;
            yield return Left(part, need, failed ??= part.FailedWith(gone), gone, isLastWord);
        }
    }

    /// <summary>Every need of a part that a loss of more than things changes: somebody is absent, a radio jammed.</summary>
    public static IEnumerable<LeftOfNeed> Changed(DayAnalysis day, DayAnalysis changed, Loss loss, PartFindings part)
    {
        var then = changed.Touched(day, loss, part);
        if (ReferenceEquals(then, part)) yield break;
        for (var n = 0; n < part.Needs.Count; n++)
        {
            var (before, after) = (part.Needs[n], then.Needs[n]);
            if (ReferenceEquals(before, after) || (before.Outcome == after.Outcome && IsSame(before.Best, after.Best))) continue;
            var answer = PullAnswer.Of(changed, part.Part.Id, after.Need.Id, before: null);
            yield return new LeftOfNeed(part, before, after.Outcome, answer, []);
        }
    }

    /// <summary>Pairs of things that together leave less of a need than either by itself.</summary>
    public IEnumerable<(int One, int Other, LeftOfNeed Left)> Pairs(PartFindings part)
    {
        var known = new HashSet<(int, int, NeedFinding)>();
        foreach (var need in part.Needs)
            foreach (var one in Enumerable.Range(0, part.Failed.Length).Where(i => !part.Failed[i] && need.Uses(i)))
                foreach (var other in Left(part, need, part.FailedWith([one]), [one], isLastWord: false).Uses)
                    if (known.Add((Math.Min(one, other), Math.Max(one, other), need)))
                        yield return (one, other, Left(part, need, part.FailedWith([one, other]), [one, other], isLastWord: false));
    }

    /// <param name="part">The part.</param>
    /// <param name="need">The need.</param>
    /// <param name="failed">What is gone, by number.</param>
    /// <param name="gone">Numbers of what is gone.</param>
    /// <param name="isLastWord">Whether to look for another way of shooting where nothing is left.</param>
    private LeftOfNeed Left(PartFindings part, NeedFinding need, bool[] failed, int[] gone, bool isLastWord)
    {
        var found = need.Moment is null ? day.WorstOf(need.Bands, failed) : null;
        var (outcome, best) = found is null ? day.Left(need, failed) : (found.Outcome, found.Way);
        HashSet<int> used = found is null ? day.LeftWithItems(need, failed).Used : [.. found.Taken.SelectMany(w => w.Items)];
        var ways = found?.Worst ?? need.Ways;
        if (PullAnswer.Chosen(day, part, need, ways, outcome, best, failed) is not { } way)
            return new LeftOfNeed(part, need, outcome, new PullAnswer(null, isLastWord ? Otherwise(part, need, gone) : null), used);
        used.UnionWith(way.Items);
        return new LeftOfNeed(part, need, outcome, PullAnswer.Of(part, ways, way, before: null), used);
    }

    private string? Otherwise(PartFindings part, NeedFinding need, int[] gone)
    {
        var left = day.Without([.. gone.Select(i => new Pulled(day.Kit.Items[i].Id))]);
        return PullAnswer.Otherwise(left, left.PartOf(part.Part.Id)!, need.Need);
    }

    private static bool IsSame(Way? before, Way? after) =>
        before is null || (after is not null && before.Rig.Actor == after.Rig.Actor && before.Items.Order().SequenceEqual(after.Items.Order()));
}
