using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Verdict;

/// <summary>A band of an interval that must be covered all along.</summary>
/// <param name="FocalMm">Equivalent focal lengths of the band, mm.</param>
/// <param name="DistanceM">From where to where the subject is then, metres; null where nothing is said of distances.</param>
/// <param name="IsFirst">Whether the interval begins with it.</param>
/// <param name="IsLast">Whether the interval ends with it.</param>
public sealed record Stretch(Interval FocalMm, Interval? DistanceM, bool IsFirst, bool IsLast)
{
    /// <summary>Whether it is all of the interval.</summary>
    public bool IsWhole => IsFirst && IsLast;

    /// <summary>The stretch that is worst off: the first band that is, with those after it that are no better.</summary>
    internal static Stretch Worst(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var first = need.Ways.Need.Focal!.Value;
        var worst = day.BestOf(need.Ways, part.Failed).Outcome;
        var last = need.Bands.SkipWhile(b => b != need.Ways).TakeWhile(b => day.BestOf(b, part.Failed).Outcome == worst).Last().Need.Focal!.Value;
        return Of(part.Part, need.Need, new Interval(first.Low, last.High));
    }

    private static Stretch Of(Part part, Need need, Interval own)
    {
        var whole = need.FocalMm(part)!.Value;
        // The frame is as wide all along, so that distances go with focal lengths.
        Interval? metres = need.Framing is { } frame && frame.EquivalentMm(part.StayBehindM) is { } framed && need.Focal is null
            ? new Interval(frame.StandingM(part.StayBehindM).Low * own.Low / framed.Low, frame.StandingM(part.StayBehindM).Low * own.High / framed.Low) : null;
        return new Stretch(own, metres, Slack.AtMost(own.Low, whole.Low), Slack.AtLeast(own.High, whole.High));
    }
}
