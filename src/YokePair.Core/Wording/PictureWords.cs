using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Wording;

/// <summary>What the picture is, after the handling: whole, stitched, cropped, wider, from nearer, by the other one.</summary>
internal static class PictureWords
{
    /// <summary>In a clause; null where it is as one would have chosen it and the same person takes it.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="part">The part.</param>
    /// <param name="need">The need, in the band that counts.</param>
    /// <param name="way">The way there is.</param>
    /// <param name="before">Id of the person who would have taken it; null = nobody.</param>
    public static string? Say(Kit kit, Part part, Need need, Way way, string? before)
    {
        var person = kit.Plan.People[way.Rig.Actor];
        var said = new List<string>();
        if (before is not null && person.Id != before) said.Add($"{person.Name ?? person.Id} shoots it");
        if (way.Rig.Fitted is { } fitted) said.AddRange(Of(kit, part, need, fitted.Glass, RigFit.Of(kit, part, need, way)));
        return said.Count == 0 ? null : string.Join("; ", said);
    }

    private static IEnumerable<string> Of(Kit kit, Part part, Need need, GlassOnBody glass, NeedFit fit)
    {
        var why = fit.SecondBestFor;
        if (why.HasFlag(Shortfalls.TooLong) && need.FocalMm(part) is { } want
            && Stitch.Of(fit.Framing.EquivalentUsedMm, want.High, glass.UsableMegapixels) is var stitch)
            yield return $"stitch: upright, {stitch.Across} × {stitch.Down} frames, {English.Whole(stitch.Megapixels)} MP";
        if (why.HasFlag(Shortfalls.TooShort)) yield return Crop(part, need, fit);
        if (why.HasFlag(Shortfalls.WiderThanAsked)) yield return "wider than asked, and still the picture" + Step(part, need, fit);
        if (why.HasFlag(Shortfalls.TighterThanAsked)) yield return "tighter than asked, and still the picture";
        if (why.HasFlag(Shortfalls.NotCloseEnough) && fit.CloseUp is { } close)
            yield return $"a frame {English.Whole(close.FrameMm)} mm wide"
                + (fit.MegapixelsLeft < glass.UsableMegapixels - 0.05 ? $", cropped to {English.Tenths(fit.MegapixelsLeft)} MP" : ", as it is");
        if (why.HasFlag(Shortfalls.Iso)) yield return TooDark(need, glass, fit);
        if (why.HasFlag(Shortfalls.OnCamera)) yield return "by the flash on the camera";
        if (why.HasFlag(Shortfalls.FewerLights)) yield return "with fewer lights than asked";
        if (why.HasFlag(Shortfalls.FrameRate)) yield return $"at {English.Tenths(fit.Fps)} frames a second";
        if (why.HasFlag(Shortfalls.BufferFull)) yield return $"buffer full after {English.Tenths(fit.Buffer.FullSeconds)} s";
        if (why.HasFlag(Shortfalls.StillWriting)) yield return $"busy for {English.Tenths(fit.Buffer.BusySeconds)} s after the burst";
        if (why.HasFlag(Shortfalls.Noise)) yield return "with a shutter that is heard";
        if (why.HasFlag(Shortfalls.OneRecord)) yield return "on one card only";
    }

    private static string Crop(Part part, Need need, NeedFit fit) => $"crop to {English.Tenths(fit.MegapixelsLeft)} MP{Step(part, need, fit)}";

    /// <summary>From how near it needs no crop, where one may come nearer.</summary>
    private static string Step(Part part, Need need, NeedFit fit)
    {
        if (need.Framing is not { DistanceM: var standing } || fit.Framing.Case != FramingCase.TooShort || !PartKind.LetsOneComeNearer(part)) return "";
        var near = Math.Floor(standing.Low / fit.Framing.Factor * Framing.NearEnough * 10) / 10;
        return near >= 1 ? $", or come to {English.Tenths(near)} m" : "";
    }

    /// <summary>How much too dark, and how much opening up would help, where it is depth that stops down.</summary>
    private static string TooDark(Need need, GlassOnBody glass, NeedFit fit)
    {
        var dark = $"ISO {English.Iso(fit.Iso)}, {English.Tenths(fit.StopsOver)} stops over";
        var widest = Aperture.WidestAt(glass.Lens.Focal, glass.Lens.Aperture,
            fit.Framing.EquivalentUsedMm / (glass.Crop * glass.ConverterFactor)) * glass.ConverterFactor;
        var open = Math.Max(widest, fit.FNumber / Math.Pow(2, fit.StopsOver / 2));
        return need.CloseWidthMm is null && 2 * Math.Log2(fit.FNumber / open) > 0.3 ? $"{dark}; open up to f/{English.Tenths(open)} and it is none" : dark;
    }
}
