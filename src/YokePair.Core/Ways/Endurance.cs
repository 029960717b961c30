using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>Whether what is in a camera left alone lasts a part, reckoned with the part's high count of frames.</summary>
internal sealed class Endurance(Plan plan, Part part)
{
    private readonly int frames = FrameEstimate.Of(plan, part).High;

    /// <summary>Whether a battery lasts; where the body's frames per charge are not known it is taken to.</summary>
    public bool Lasts(Body body, Battery battery) => body.FramesPerCharge is null
        || frames / Charge.InTheCold(part.TemperatureC) <= Charge.Frames(body, battery);

    /// <summary>Whether a card lasts; where its size or the body's frame size is not known it is taken to.</summary>
    public bool Lasts(Body body, Card card) => body.RawMegabytes is null || frames <= Charge.Frames(body, card);
}
