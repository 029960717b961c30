using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>Frames of one camera in one part that are sent on as they are taken.</summary>
/// <param name="Sending">Where to and how.</param>
/// <param name="Thing">By cable, number of the thing they arrive on.</param>
/// <param name="FramesPerMinute">How fast they go.</param>
internal sealed record SentFrames(Sending Sending, int Thing, double FramesPerMinute)
{
    /// <summary>What is sent of a camera in a part; null = nothing, or the thing at the other end is not there.</summary>
    public static SentFrames? Of(CameraDay day, int body, int part)
    {
        if (day.Parts[part].UseOf(day.Kit.Items[body].Id)?.Sends is not { } sending) return null;
        var thing = sending.ByCable ? day.Kit.IndexOf(sending.To) : Kit.None;
        if (sending.ByCable && (thing == Kit.None || day.IsGone(thing, part))) return null;
        return new SentFrames(sending, thing, RateOf(sending) * 60 / FileMegabytes((Body)day.Kit.Items[body], sending));
    }

    /// <summary>Speed, MB a second.</summary>
    public static double RateOf(Sending sending) => sending.MegabytesPerSecond ?? (sending.ByCable ? Charge.TypicalCableRate : Charge.TypicalRadioRate);

    /// <summary>What is sent of a frame: by cable the raw file, by radio the JPEG.</summary>
    public static double FileMegabytes(Body body, Sending sending) => Charge.FrameMegabytes(body, jpeg: !sending.ByCable);

    /// <summary>Frames that have arrived some minutes after the part began, of those taken by then; none where nobody confirms them.</summary>
    /// <param name="taken">Frames taken by then.</param>
    /// <param name="minutes">Minutes since; infinite where there are no times.</param>
    public double Arrived(double taken, double minutes) => Sending.Confirmed ? Math.Min(taken, Math.Max(0, minutes) * FramesPerMinute) : 0;
}
