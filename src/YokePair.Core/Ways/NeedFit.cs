using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>What helps a camera beyond its glass.</summary>
/// <param name="Supported">Whether it stands on a tripod or monopod.</param>
/// <param name="NdStops">Stops an ND filter takes.</param>
/// <param name="Ev">Light with a continuous light added; null = the part's.</param>
public readonly record struct Aids(bool Supported = false, double NdStops = 0, double? Ev = null);

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

    /// <summary>How its buffer takes the burst.</summary>
    internal BufferFit Buffer { get; init; }

    /// <summary>Share of the flash's full power, where one is used.</summary>
    public double? FlashPower { get; init; }

    /// <summary>Seconds between two pops of the flash, where one is used.</summary>
    public double? RecycleSeconds { get; init; }

    /// <summary>Stops of ND filter that would mend too much light; 0 where there is none too much.</summary>
    public double NdStopsWanted { get; init; }

    /// <summary>Frames a second that a body gives in a part.</summary>
    internal static double FpsOf(Part part, Body body) => part.Quiet == QuietRule.Required ? body.FpsSilent ?? body.Fps : body.Fps;

    /// <summary>The same with what the cards make of the burst.</summary>
    internal NeedFit With(BufferFit burst) =>
        burst.Short == Shortfalls.None ? this : this with { Buffer = burst, SecondBestFor = SecondBestFor | burst.Short };

    /// <summary>Judges glass by the light there is, or by a continuous light.</summary>
    public static NeedFit Ambient(Rules rules, Part part, Need need, GlassOnBody glass, Aids aids = default)
    {
        var judged = Start(rules, part, need, glass, aids);
        var fit = judged.Fit;
        var body = glass.Body;
        var shutter = aids.Supported
            ? need.ShutterSeconds
            : Exposure.HandHeldShutterSeconds(need.ShutterSeconds, fit.Framing.EquivalentUsedMm, fit.Framing.CropFactor, glass.StabilisationStops);
        // What the body cannot give is taken as near as it comes.
        if (body.FastestShutterSeconds is { } fastest && !Slack.AtLeast(shutter, fastest))
        {
            judged.Grade(Quality.SecondBest, Shortfalls.ShutterTooFast);
            shutter = fastest;
        }
        var ev = (aids.Ev ?? part.Ev) - aids.NdStops - (glass.Lens.TStopLoss ?? 0);
        var f = fit.FNumber;
        var softest = need.MaxFNumber / glass.Crop;
        if (softest is { } limit && !Slack.AtMost(f, limit)) judged.Grade(Quality.SecondBest, Shortfalls.NotSoftEnough);
        var iso = Exposure.Iso(f, shutter, ev);
        var wanted = 0.0;
        if (body.BaseIso is { } lowest && iso < lowest)
        {
            // A faster shutter first: it costs nothing, unless a blur is wanted. Then stopping down, as far as the background may sharpen.
            shutter = Math.Max(shutter * iso / lowest, Math.Min(shutter, Math.Max(body.FastestShutterSeconds ?? 0, need.ShortestShutterSeconds ?? 0)));
            var excess = Math.Max(0, Math.Log2(lowest / Exposure.Iso(f, shutter, ev)));
            var down = softest is { } most ? Math.Clamp(2 * Math.Log2(most / f), 0, excess) : excess;
            wanted = excess - down;
            if (!Slack.AtMost(wanted, 0)) judged.Grade(Quality.SecondBest, Shortfalls.TooMuchLight);
            f *= Math.Pow(2, excess / 2);
            iso = Exposure.Iso(f, shutter, ev);
        }
        if (need.ShortestShutterSeconds is { } shortest && !Slack.AtLeast(shutter, shortest)) judged.Grade(Quality.SecondBest, Shortfalls.NoBlur);
        var over = Exposure.StopsOver(iso, body.IsoCeiling);
        judged.Grade(Exposure.Judge(over), Shortfalls.Iso);
        if (!need.Light.Contains(aids.Ev is null ? LightKind.Ambient : LightKind.Continuous)) judged.Grade(Quality.No, Shortfalls.LightNotWanted);
        return judged.Done(fit with { FNumber = f, ShutterSeconds = shutter, Iso = iso, StopsOver = over, NdStopsWanted = wanted });
    }

    /// <summary>The quality alone: most glass is out by its framing, and then its light need not be reckoned.</summary>
    public static Quality AmbientQuality(Rules rules, Part part, Need need, GlassOnBody glass, Aids aids = default) =>
        Frame(rules, part, need, glass).Quality == Quality.No
            ? Quality.No
            : Ambient(rules, part, need, glass, aids).Quality;

    /// <summary>Whether flash of a kind may be thought of at all for a need.</summary>
    public static bool FlashThinkable(Part part, Need need, LightKind kind) =>
        part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required
        && (kind == LightKind.Stands ? AsksStands(need) : (need.Light.Contains(LightKind.Flash) || AsksStands(need)) && need.FlashPath(part) is not null);

    // Where lights on stands are asked, the flash on the camera is still the picture, if not the one that was asked.
    private static bool AsksStands(Need need) => need.Light.Contains(LightKind.Stands) && need.Stands is not null;

    /// <summary>Judges glass with a flash on the camera. The flash freezes the subject, so the hand-held floor does not apply.</summary>
    public static NeedFit WithFlash(Rules rules, Part part, Need need, GlassOnBody glass, Flash flash, bool supported = false)
    {
        var (path, loss) = need.FlashPath(part) ?? (0, 0);
        var instead = need.Light.Contains(LightKind.Flash) ? Shortfalls.None : Shortfalls.OnCamera;
        return Lit(rules, part, need, glass, supported, [(flash, flash.Gel)], (path, loss), Shoe.Fits(glass.Body, flash.Shoe), instead);
    }

    /// <summary>Judges glass with lights that stand in the room: each must be strong and quick enough by itself.</summary>
    /// <param name="rules">Rules.</param>
    /// <param name="part">Part.</param>
    /// <param name="need">A need with <see cref="Need.Stands"/>.</param>
    /// <param name="glass">Body and glass.</param>
    /// <param name="lights">The flashes that fire, each with the gel on it.</param>
    /// <param name="supported">Whether the camera stands on a tripod or monopod.</param>
    public static NeedFit WithStands(
        Rules rules, Part part, Need need, GlassOnBody glass, ReadOnlySpan<(Flash Flash, string? Gel)> lights, bool supported = false) =>
        Lit(rules, part, need, glass, supported, lights, (need.Stands!.DistanceM, need.Stands.LossStops), true,
            lights.Length < need.Stands.Count ? Shortfalls.FewerLights : Shortfalls.None);

    private static NeedFit Lit(
        Rules rules, Part part, Need need, GlassOnBody glass, bool supported, ReadOnlySpan<(Flash Flash, string? Gel)> lights,
        (double M, double LossStops) path, bool fitsShoe, Shortfalls otherThanAsked)
    {
        var judged = Start(rules, part, need, glass, new Aids(supported));
        var fit = judged.Fit;
        var body = glass.Body;
        var iso = Math.Min(rules.FlashIso, body.IsoCeiling);
        var strongest = 0.0;
        var recycle = 0.0;
        if (otherThanAsked != Shortfalls.None) judged.Grade(Quality.SecondBest, otherThanAsked);
        if (!fitsShoe) judged.Grade(Quality.No, Shortfalls.FlashShort);
        foreach (var (flash, gel) in lights)
        {
            var power = OnCameraFlash.PowerFraction(fit.FNumber, path.M, path.LossStops + (glass.Lens.TStopLoss ?? 0), flash.GuideNumber ?? 0, iso);
            var between = OnCameraFlash.RecycleSeconds(flash.RecycleSeconds, power);
            var fast = need.Fps > 0 && between > 1 / need.Fps;
            var beyondSync = need.ShutterSeconds < body.SyncSeconds && !flash.HighSpeedSync;
            if (fast || beyondSync || !OnCameraFlash.Feasible(power)) judged.Grade(Quality.No, Shortfalls.FlashShort);
            if (flash.Doubtful) judged.Grade(Quality.SecondBest, Shortfalls.Doubtful);
            if (part.Gel is not null && gel != part.Gel) judged.Grade(Quality.SecondBest, Shortfalls.Colour);
            strongest = Math.Max(strongest, power);
            recycle = Math.Max(recycle, between);
        }
        // Weaker than its least no flash fires: the ISO comes down instead, as far as it goes.
        if (strongest is > 0 and < OnCameraFlash.LeastPower)
        {
            iso = Math.Max(body.BaseIso ?? OnCameraFlash.UsualBaseIso, iso * strongest / OnCameraFlash.LeastPower);
            strongest = OnCameraFlash.LeastPower;
        }
        if (part.Quiet == QuietRule.Preferred) judged.Grade(Quality.SecondBest, Shortfalls.Noise);
        if (body.FastestShutterSeconds is { } fastest && !Slack.AtLeast(need.ShutterSeconds, fastest)) judged.Grade(Quality.SecondBest,
            Shortfalls.ShutterTooFast);
        if (need.ShortestShutterSeconds is { } shortest && !Slack.AtLeast(need.ShutterSeconds, shortest)) judged.Grade(Quality.SecondBest, Shortfalls.NoBlur);
        return judged.Done(fit with
        {
            ShutterSeconds = need.ShutterSeconds,
            Iso = iso,
            StopsOver = Exposure.StopsOver(iso, body.IsoCeiling),
            FlashPower = strongest,
            RecycleSeconds = recycle
        });
    }

    private static FramingFit Frame(Rules rules, Part part, Need need, GlassOnBody glass)
    {
        var plain = Optics.Framing.Fit(glass.EquivalentMm, need.FocalMm(part), need.Static, rules.StitchLimit);
        return Optics.Framing.Accepting(plain, glass.EquivalentMm, need.AcceptMm(part), glass.UsableMegapixels, need.Megapixels(rules));
    }

    // Long: the judgement in its order; each step stands on the figure before.
    private static Judging Start(Rules rules, Part part, Need need, GlassOnBody glass, Aids aids)
    {
        var judged = new Judging();
        var body = glass.Body;
        var lens = glass.Lens;

        var asked = need.Megapixels(rules);
        var framing = Frame(rules, part, need, glass);
        judged.Grade(framing.Quality, (framing.Case, framing.Accepted) switch
        {
            (FramingCase.TooLong, true) => Shortfalls.TighterThanAsked,
            (FramingCase.TooLong, false) => Shortfalls.TooLong,
            (_, true) => Shortfalls.WiderThanAsked,
            _ => Shortfalls.TooShort,
        });

        var realMm = framing.EquivalentUsedMm / (glass.Crop * glass.ConverterFactor);
        var widest = Math.Max(Aperture.WidestAt(lens.Focal, lens.Aperture, realMm), lens.WorkingFNumber ?? 0) * glass.ConverterFactor;
        var fNumber = Math.Max(widest, need.DepthFNumber(realMm * glass.ConverterFactor, glass.Crop));
        var left = glass.UsableMegapixels / (framing.CropFactor * framing.CropFactor);

        CloseUpFit? close = null;
        if (need.CloseWidthMm is { } width)
        {
            var tubeMm = glass.Tube?.ExtensionMm ?? 0;
            var largest = Optics.CloseUp.LargestMagnification(lens.Magnification, glass.ConverterFactor, tubeMm, realMm);
            var plain = Optics.CloseUp.Fit(width, glass.SensorWidthMm, largest, realMm, tubeMm);
            var fit = Optics.CloseUp.Accepting(plain, need.CloseWidthMaxMm, glass.UsableMegapixels, asked);
            judged.Grade(fit.Quality, fit.Quality == Quality.No ? Shortfalls.TubeTooClose : Shortfalls.NotCloseEnough);
            left = Math.Min(left, glass.UsableMegapixels / (fit.Factor * fit.Factor));
            fNumber *= 1 + fit.MagnificationUsed;
            close = fit;
        }
        else if (glass.Tube is not null)
        {
            judged.Grade(Quality.No, Shortfalls.TubeTooClose);
        }

        if (!Slack.AtLeast(left, asked)) judged.Grade(Quality.No, Shortfalls.Megapixels);
        if (glass.Doubtful) judged.Grade(Quality.SecondBest, Shortfalls.Doubtful);
        if (lens.NeedsSupport == true && !aids.Supported) judged.Grade(Quality.No, Shortfalls.Support);
        if (body.Silent && body.SilentShutter == SilentShutter.Banding && part.LedBands == true && part.Quiet != QuietRule.No)
            judged.Grade(Quality.SecondBest, Shortfalls.Banding);
        if (!body.Silent && part.Quiet != QuietRule.No)
            judged.Grade(part.Quiet == QuietRule.Required ? Quality.No : Quality.SecondBest, Shortfalls.Noise);

        var fps = FpsOf(part, body);
        judged.Grade(fps >= need.Fps ? Quality.Full : fps >= need.Fps / 2 ? Quality.SecondBest : Quality.No, Shortfalls.FrameRate);
        if (BufferFit.Of(rules, need, body, Math.Min(fps, need.Fps)) is var buffer && buffer.Short != Shortfalls.None)
            judged.Grade(Quality.SecondBest, buffer.Short);
        if (rules.DualRecord && body.Slots.Count < 2) judged.Grade(Quality.SecondBest, Shortfalls.OneRecord);

        judged.Fit = new NeedFit
        {
            Framing = framing,
            CloseUp = close,
            MegapixelsLeft = left,
            MegapixelsAsked = asked,
            FNumber = fNumber,
            Fps = fps,
            Buffer = buffer,
        };
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
