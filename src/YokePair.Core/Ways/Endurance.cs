using YokePair.Core.Plans;
using YokePair.Core.Starting;

namespace YokePair.Core.Ways;

/// <summary>Whether what is in a camera left alone lasts a part, reckoned with the part's high count of frames.</summary>
internal sealed class Endurance(Part part)
{
    /// <summary>Share of the printed size that can be used, and of that the share that is not kept back.</summary>
    public const double UsableShare = 0.95, UnreservedShare = 0.95;

    private readonly int frames = FrameEstimate.Of(part).High;

    /// <summary>Frames on a card after the reserve: printed size × 0.95 × 0.95 ÷ frame size.</summary>
    public static double FramesOn(double gigabytes, double frameMegabytes) => Math.Floor(gigabytes * 1000 * UsableShare * UnreservedShare / frameMegabytes);

    /// <summary>Whether a battery lasts; where the body's frames per charge are not known it is taken to.</summary>
    public bool Lasts(Body body, Battery battery) => body.FramesPerCharge is not { } perCharge || frames <= perCharge * (battery.Health ?? 1);

    /// <summary>Whether a card lasts; where its size or the body's frame size is not known it is taken to.</summary>
    public bool Lasts(Body body, Card card) => card.Gigabytes is not { } size || body.RawMegabytes is not { } frame || frames <= FramesOn(size, frame);
}
