using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>What one does about a need when something is out, and what the picture is then.</summary>
/// <param name="Now">The way; null when none is left.</param>
/// <param name="Picture">What the picture is, or how it can still be had; null where it is as one would have chosen it.</param>
internal readonly record struct PullAnswer(WayReport? Now, string? Picture)
{
    /// <summary>How many ways of shooting otherwise are looked at where nothing is left.</summary>
    private const int Thoughts = 6;

    /// <summary>The answer for a need as it is left.</summary>
    /// <param name="left">The day with things out.</param>
    /// <param name="partId">Part id.</param>
    /// <param name="needId">Need id.</param>
    /// <param name="before">Id of the person who would have taken it; null = nobody.</param>
    public static PullAnswer Of(DayAnalysis left, string partId, string needId, string? before)
    {
        var part = left.PartOf(partId)!;
        var need = part.Needs.First(n => n.Need.Id == needId);
        return Chosen(left, part, need, need.Ways, need.Outcome, need.Best, part.Failed) is { } way
            ? Of(part, need.Ways, way, before) : new(null, Otherwise(left, part, need.Need));
    }

    /// <summary>The answer where it is known which way one would take.</summary>
    public static PullAnswer Of(PartFindings part, NeedWays ways, Way way, string? before) =>
        new(WayReports.Of(part.Ways.Kit, part.Ways.Layout, way), PictureWords.Say(part.Ways.Kit, part.Part, ways.Need, way, before));

    /// <summary>The way one would take: where only second best is left in time, the nearer framing, then fewer stops over, come before the quicker.</summary>
    public static Way? Chosen(DayAnalysis day, PartFindings part, NeedFinding need, NeedWays ways, Outcome outcome, Way? best, bool[] failed)
    {
        if (outcome != Outcome.Thins || need.Moment is not null) return best;
        var ordered = ways.Candidates.Where(c => c.Rig.Fitted is not null && !c.Rig.IsHit(failed))
            .Select(c => (Candidate: c, Fit: RigFit.Of(part.Ways.Kit, part.Part, ways.Need, c.Rig)))
            .OrderBy(c => c.Fit.Framing.Factor).ThenBy(c => Math.Max(0, c.Fit.StopsOver)).ThenBy(c => c.Candidate.Quality);
        foreach (var (candidate, _) in ordered)
            if (day.BestOf(ways.Only([candidate]), failed) is { Outcome: Outcome.Holds or Outcome.Thins } found) return found.Way;
        return best;
    }

    /// <summary>How it can still be had where no way of the plan is left; null where not at all.</summary>
    public static string? Otherwise(DayAnalysis left, PartFindings part, Need need)
    {
        foreach (var thought in ShootOtherwise.For(part.Ways.Kit, part.Part, need, part.Failed).Take(Thoughts))
            if (thought.Edit.Apply(left.Whole).Plan is { } then && left.Trying(then)
                .PartOf(part.Part.Id)!.Needs.First(n => n.Need.Id == need.Id).Outcome.IsMet())
                return thought.Words;
        return null;
    }
}
