using YokePair.Core.Glass;
using YokePair.Core.Light;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>What can keep a way from being full.</summary>
[Flags]
public enum Shortfalls
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>Focal length too short; the frame is cropped.</summary>
    TooShort = 1 << 0,

    /// <summary>Focal length too long; frames are stitched, or the framing cannot be had.</summary>
    TooLong = 1 << 1,

    /// <summary>Too few megapixels left after cropping.</summary>
    Megapixels = 1 << 2,

    /// <summary>Not close enough.</summary>
    NotCloseEnough = 1 << 3,

    /// <summary>A tube is on and the wanted frame is wider than it lets the lens focus, or the need is no close-up.</summary>
    TubeTooClose = 1 << 4,

    /// <summary>ISO over the body's ceiling.</summary>
    Iso = 1 << 5,

    /// <summary>The shutter is heard.</summary>
    Noise = 1 << 6,

    /// <summary>Too few frames per second.</summary>
    FrameRate = 1 << 7,

    /// <summary>The need is not to be photographed by the light there is.</summary>
    LightNotWanted = 1 << 8,

    /// <summary>The flash cannot light it: too weak, too slow to recycle, or shutter faster than sync.</summary>
    FlashShort = 1 << 9,

    /// <summary>A piece only sometimes works.</summary>
    Doubtful = 1 << 10,

    /// <summary>Every frame is on one card only.</summary>
    OneRecord = 1 << 11,
}

/// <summary>How a body with glass on it serves a need in a part, with every figure the judgement rests on.</summary>
public readonly record struct NeedFit
{
    /// <summary>Worst of the pieces.</summary>
    public Quality Quality => NoFor != Shortfalls.None ? Quality.No : SecondBestFor != Shortfalls.None ? Quality.SecondBest : Quality.Full;

    /// <summary>What makes it second best.</summary>
    public Shortfalls SecondBestFor { get; init; }

    /// <summary>What makes it no use.</summary>
    public Shortfalls NoFor { get; init; }

    /// <summary>Focal length against the wanted framing.</summary>
    public FramingFit Framing { get; init; }

    /// <summary>Close-up, where the need is one.</summary>
    public CloseUpFit? CloseUp { get; init; }

    /// <summary>Megapixels left after the larger of the two crops.</summary>
    public double MegapixelsLeft { get; init; }

    /// <summary>Fewest megapixels the need allows.</summary>
    public double MegapixelsAsked { get; init; }

    /// <summary>f-number that counts.</summary>
    public double FNumber { get; init; }

    /// <summary>Shutter time used, seconds.</summary>
    public double ShutterSeconds { get; init; }

    /// <summary>ISO asked.</summary>
    public double Iso { get; init; }

    /// <summary>Stops over the body's ceiling; negative = in hand.</summary>
    public double StopsOver { get; init; }

    /// <summary>Frames per second the body gives in this part.</summary>
    public double Fps { get; init; }

    /// <summary>Share of the flash's full power, where one is used.</summary>
    public double? FlashPower { get; init; }

    /// <summary>Judges glass by the light there is.</summary>
    public static NeedFit Ambient(Rules rules, Part part, Need need, GlassOnBody glass)
    {
        var judged = Start(rules, part, need, glass);
        var fit = judged.Fit;
        var stops = glass.StabilisationStops;
        var shutter = Exposure.HandHeldShutterSeconds(need.ShutterSeconds, fit.Framing.EquivalentUsedMm, fit.Framing.CropFactor, stops);
        var iso = Exposure.Iso(fit.FNumber, shutter, part.Ev);
        var over = Exposure.StopsOver(iso, glass.Body.IsoCeiling);
        judged.Grade(Exposure.Judge(over), Shortfalls.Iso);
        if (!need.Light.Contains(LightKind.Ambient)) judged.Grade(Quality.No, Shortfalls.LightNotWanted);
        return judged.Done(fit with { ShutterSeconds = shutter, Iso = iso, StopsOver = over });
    }

    /// <summary>The quality alone: most glass is out by its framing, and then its light need not be reckoned.</summary>
    public static Quality AmbientQuality(Rules rules, Part part, Need need, GlassOnBody glass) =>
        Glass.Framing.Fit(glass.EquivalentMm, need.FocalWanted, need.Static, rules.StitchLimit).Quality == Quality.No
            ? Quality.No
            : Ambient(rules, part, need, glass).Quality;

    /// <summary>Whether flash on the camera may be thought of at all for a need.</summary>
    public static bool FlashThinkable(Part part, Need need) =>
        part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required && need.FlashPathM is not null && need.Light.Contains(LightKind.Flash);

    /// <summary>Judges glass with a flash on the camera. The flash freezes the subject, so the hand-held floor does not apply.</summary>
    public static NeedFit WithFlash(Rules rules, Part part, Need need, GlassOnBody glass, Flash flash)
    {
        var judged = Start(rules, part, need, glass);
        var fit = judged.Fit;
        var body = glass.Body;
        var iso = Math.Min(rules.FlashIso, body.IsoCeiling);
        var power = OnCameraFlash.PowerFraction(fit.FNumber, need.FlashPathM ?? 0, need.BounceLossStops, flash.GuideNumber ?? 0, iso);
        var fast = need.Fps > 0 && OnCameraFlash.RecycleSeconds(flash.RecycleSeconds, power) > 1 / need.Fps;
        var beyondSync = need.ShutterSeconds < body.SyncSeconds && !flash.HighSpeedSync;
        var fits = flash.Shoe is null || body.Shoe is null || flash.Shoe == body.Shoe;
        if (!fits || fast || beyondSync || !OnCameraFlash.Feasible(power)) judged.Grade(Quality.No, Shortfalls.FlashShort);
        if (part.Quiet == QuietRule.Preferred) judged.Grade(Quality.SecondBest, Shortfalls.Noise);
        if (flash.Doubtful) judged.Grade(Quality.SecondBest, Shortfalls.Doubtful);
        return judged.Done(fit with { ShutterSeconds = need.ShutterSeconds, Iso = iso, StopsOver = Exposure.StopsOver(iso, body.IsoCeiling), FlashPower = power });
    }

    private static Judging Start(Rules rules, Part part, Need need, GlassOnBody glass)
    {
        var judged = new Judging();
        var body = glass.Body;
        var lens = glass.Lens;

        var framing = Glass.Framing.Fit(glass.EquivalentMm, need.FocalWanted, need.Static, rules.StitchLimit);
        judged.Grade(framing.Quality, framing.Case == FramingCase.TooLong ? Shortfalls.TooLong : Shortfalls.TooShort);

        var realMm = framing.EquivalentUsedMm / (glass.Crop * glass.ConverterFactor);
        var fNumber = Math.Max(Aperture.WidestAt(lens.Focal, lens.Aperture, realMm) * glass.ConverterFactor, (need.MinFNumber ?? 0) / glass.Crop);
        var left = glass.UsableMegapixels / (framing.CropFactor * framing.CropFactor);

        CloseUpFit? close = null;
        if (need.CloseWidthMm is { } width)
        {
            var tubeMm = glass.Tube?.ExtensionMm ?? 0;
            var largest = Glass.CloseUp.LargestMagnification(lens.Magnification, glass.ConverterFactor, tubeMm, realMm);
            var fit = Glass.CloseUp.Fit(width, glass.SensorWidthMm, largest, realMm, tubeMm);
            judged.Grade(fit.Quality, fit.Quality == Quality.No ? Shortfalls.TubeTooClose : Shortfalls.NotCloseEnough);
            left = Math.Min(left, glass.UsableMegapixels / (fit.Factor * fit.Factor));
            fNumber *= 1 + fit.MagnificationUsed;
            close = fit;
        }
        else if (glass.Tube is not null)
        {
            judged.Grade(Quality.No, Shortfalls.TubeTooClose);
        }

        var asked = need.MinMegapixels ?? rules.MinMegapixels;
        if (!Tolerance.AtLeast(left, asked)) judged.Grade(Quality.No, Shortfalls.Megapixels);
        if (glass.Doubtful) judged.Grade(Quality.SecondBest, Shortfalls.Doubtful);
        if (!body.Silent && part.Quiet != QuietRule.No)
            judged.Grade(part.Quiet == QuietRule.Required ? Quality.No : Quality.SecondBest, Shortfalls.Noise);

        var fps = part.Quiet == QuietRule.Required ? body.FpsSilent ?? body.Fps : body.Fps;
        judged.Grade(fps >= need.Fps ? Quality.Full : fps >= need.Fps / 2 ? Quality.SecondBest : Quality.No, Shortfalls.FrameRate);
        if (rules.DualRecord && body.Slots.Count < 2) judged.Grade(Quality.SecondBest, Shortfalls.OneRecord);

        judged.Fit = new NeedFit { Framing = framing, CloseUp = close, MegapixelsLeft = left, MegapixelsAsked = asked, FNumber = fNumber, Fps = fps };
        return judged;
    }

    private struct Judging
    {
        private Shortfalls secondBest, no;

        public NeedFit Fit;

        public void Grade(Quality quality, Shortfalls cause)
        {
            if (quality == Quality.SecondBest) secondBest |= cause;
            else if (quality == Quality.No) no |= cause;
        }

        public readonly NeedFit Done(NeedFit fit) => fit with { SecondBestFor = secondBest, NoFor = no };
    }
}
