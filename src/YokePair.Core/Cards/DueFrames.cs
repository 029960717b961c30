using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Use;

namespace YokePair.Core.Cards;

/// <summary>Whether frames that somebody waits for are there in time.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Body">Id of the camera it is taken with; null = none is left.</param>
/// <param name="Frames">How many.</param>
/// <param name="To">Where they are sent; null = nowhere.</param>
/// <param name="By">Local time by which; null without times.</param>
/// <param name="At">Local time at which they are there; null without times, or where they never are.</param>
/// <param name="LateMinutes">Minutes too late; 0 = in time, null = never.</param>
/// <param name="Why">What stands in the way.</param>
public sealed record DueAnswer(
    string Part, string Need, string? Body, int Frames, string? To, DateTime? By, DateTime? At, double? LateMinutes, DueObstacle Why);

/// <summary>What stands in the way of frames that somebody waits for.</summary>
public enum DueObstacle
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>No camera is left for the picture.</summary>
    NoCamera,

    /// <summary>Nothing is sent from its camera.</summary>
    NothingSent,

    /// <summary>What they go to by cable is not there, or out of reach in that part.</summary>
    OutOfReach,

    /// <summary>Nobody says that they have arrived.</summary>
    NotConfirmed,

    /// <summary>They take too long.</summary>
    TooSlow,
}

/// <summary>Frames that are due: those of the last moment of the part, chosen and sent before all others.</summary>
internal static class DueFrames
{
    public static IEnumerable<DueAnswer> Of(DayAnalysis analysis, CameraDay day)
    {
        for (var p = 0; p < day.Parts.Length; p++)
            foreach (var need in analysis.PartOf(day.Parts[p].Id)!.Needs.Where(n => n.Need.Due is not null))
                yield return Of(day, p, need);
    }

    private static DueAnswer Of(CameraDay day, int p, NeedFinding need)
    {
        var (part, due) = (day.Parts[p], need.Need.Due!);
        var body = need.Outcome.IsMet() ? need.Best?.Rig.Fitted?.Body : null;
        var sends = body is { } index ? part.UseOf(day.Kit.Items[index].Id)?.Sends : null;
        var minutes = sends is null ? 0 : due.Frames * SentFrames.FileMegabytes((Body)day.Kit.Items[body!.Value], sends) / SentFrames.RateOf(sends) / 60;
        var why = body is null ? DueObstacle.NoCamera
            : sends is null ? DueObstacle.NothingSent
            : sends.ByCable && IsOut(day, p, sends.To) ? DueObstacle.OutOfReach
            : !sends.Confirmed ? DueObstacle.NotConfirmed
            : minutes > due.Minutes + 1e-9 ? DueObstacle.TooSlow : DueObstacle.None;
        double? late = why switch { DueObstacle.None => 0, DueObstacle.TooSlow => Math.Round(minutes - due.Minutes, 1), _ => null };
        return new DueAnswer(part.Id, need.Need.Id, body is { } camera ? day.Kit.Items[camera].Id : null, due.Frames, sends?.To,
            part.End?.AddMinutes(due.Minutes), late is null ? null : part.End?.AddMinutes(Math.Ceiling(minutes)), late, why);
    }

    private static bool IsOut(CameraDay day, int part, string thing) =>
        day.Kit.IndexOf(thing) is not (>= 0 and var index) || day.IsGone(index, part)
        || (day.Kit.PackedIn(index) is { } place && day.Parts[part].Unreachable.Contains(place));
}
