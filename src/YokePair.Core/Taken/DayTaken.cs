using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Taken;

/// <summary>Reckons what a day used.</summary>
public static class DayTaken
{
    /// <summary>Fewest pictures that tell the light of a part, or where people stood in it.</summary>
    public const int FewestTell = 5;

    /// <summary>A zoom is at an end within this share of it.</summary>
    private const double AtTheEnd = 0.02;

    /// <summary>Pictures that follow within this belong to one burst; most cameras tell whole seconds.</summary>
    private const double BurstGapSeconds = 1;

    private sealed record Known(TakenFrame Frame, string? Body, string? Glass, DateTime At, Part? Part);

    /// <summary>Reckons it.</summary>
    /// <param name="plan">The day as it was planned.</param>
    /// <param name="roll">Its pictures.</param>
    /// <param name="things">Which of one's own things took them.</param>
    /// <param name="atHome">What is owned besides what was taken along.</param>
    /// <param name="clocks">By camera, how many seconds its clock is before the others; null = all are right.</param>
    /// <param name="batteries">What was told of batteries.</param>
    public static TakenDay Of(
        Plan plan, TakenRoll roll, IReadOnlyList<string?> things, IReadOnlyList<Item> atHome, IReadOnlyDictionary<string, double>? clocks = null,
        IReadOnlyDictionary<string, BatteriesUsed>? batteries = null)
    {
        var items = plan.Items.Concat(atHome).DistinctBy(i => i.Id).ToDictionary(i => i.Id, StringComparer.Ordinal);
        List<Known> frames = [.. roll.Frames.Select(f => Told(f, things, roll, clocks))];
        var parts = PartsAsTheyWere.Of(plan, frames.Select(f => f.At));
        frames = frames.ConvertAll(f => f with { Part = parts.Of(f.At, f.Body) });
        var ofPart = frames.ToLookup(f => f.Part?.Id, StringComparer.Ordinal);
        List<TakenPart> told = [.. parts.Parts.Select(p => PartOf(p, [.. ofPart[p.Part.Id]], items))];
        var kept = roll.KnowsKept ? frames.Count(f => f.Frame.Kept) : (int?)null;
        var glass = frames.GroupBy(f => f.Glass).Select(g => GlassOf([.. g], items));
        var bodies = frames.GroupBy(f => f.Body).Select(g => BodyOf([.. g], told, items, kept is not null));
        var focals = frames.Where(f => f.Frame.FocalMm is > 0).GroupBy(f => (int)Math.Round(f.Frame.FocalMm!.Value))
            .Select(g => new FocalUse(g.Key, g.Count(), g.Count(f => f.Frame.Kept)));
        var day = new TakenDay(plan.Assignment.Name, parts.Parts.Select(p => Day.Of(p.Part)).FirstOrDefault(), frames.Count, kept,
            frames.Count(f => f.Part is null), told, [], [], [], [.. plan.Items.Where(i => i is Body or Lens).Select(i => i.Id)]);
        return day with
        {
            Glass = [.. glass.Select(g => g with { Share = day.Share(g.Taken, g.Kept) }).OrderByDescending(g => g.Share).ThenByDescending(g => g.Taken)],
            Bodies = [.. bodies.Select(b => b with { Share = day.Share(b.Taken, b.Kept) }).OrderByDescending(b => b.Taken)],
            Focals = [.. focals.Select(f => f with { Share = day.Share(f.Taken, f.Kept) }).OrderByDescending(f => f.Share).ThenByDescending(f => f.Taken)],
            Batteries = batteries,
        };
    }

    /// <summary>By camera of one's own, when its pictures were taken, by a clock that is right.</summary>
    public static ILookup<string, DateTime> Times(TakenRoll roll, IReadOnlyList<string?> things, IReadOnlyDictionary<string, double>? clocks = null) =>
        roll.Frames.Select(f => Told(f, things, roll, clocks)).Where(k => k.Body is not null).ToLookup(k => k.Body!, k => k.At);

    /// <summary>Light of a picture, EV at ISO 100: log2(N²/t) − log2(ISO/100); null where it does not tell, or flash was part of it.</summary>
    public static double? Ev(TakenFrame frame) => frame is { Flash: false, FNumber: > 0 and var n, Seconds: > 0 and var t, Iso: > 0 and var iso }
        ? Exposure.Ev(n, t, iso) : null;

    private static Known Told(TakenFrame frame, IReadOnlyList<string?> things, TakenRoll roll, IReadOnlyDictionary<string, double>? clocks)
    {
        // One that is none of one's own may still have a clock that is wrong.
        var ahead = clocks?.GetValueOrDefault(roll.Seen[frame.Camera].Key) ?? 0;
        return new Known(frame, things[frame.Camera], frame.Glass < 0 ? null : things[frame.Glass], frame.At.AddSeconds(-ahead), null);
    }

    private static TakenPart PartOf(PartAsItWas was, List<Known> frames, Dictionary<string, Item> items)
    {
        var part = was.Part;
        double[] light = [.. frames.Select(f => Ev(f.Frame)).Where(ev => ev is not null).Select(ev => ev!.Value).Order()];
        var stood = Distances(part, frames, items);
        return new TakenPart(
            part.Id, part.Name ?? part.Id, part.Kind, part.Location, was.From, was.To, frames.Count, frames.Count(f => f.Frame.Kept),
            light.Length >= FewestTell ? Spread.Median(light) : null, light.Length, stood?.Low, stood?.High,
            [.. frames.GroupBy(f => (f.Body, f.Glass)).Select(g => new HandUse(g.Key.Body, g.Key.Glass, g.Count(), g.Count(f => f.Frame.Kept)))
                .OrderByDescending(h => h.Taken)], part.Outdoors == true)
        { LateMinutes = Math.Max(0, (was.From - part.Start!.Value).TotalMinutes) };
    }

    /// <summary>Where every framed picture of a part is of one height, the focal lengths tell how far people were: d = f · H / 24.</summary>
    private static Spread? Distances(Part part, List<Known> frames, Dictionary<string, Item> items)
    {
        double?[] heights = [.. part.Needs.Select(n => n.Framing?.HeightM).Where(h => h is not null).Distinct()];
        if (heights is not [{ } height]) return null;
        List<double?> far = [.. frames.Where(f => f.Frame.FocalMm is > 0 && f.Body is { } b && items.GetValueOrDefault(b) is Body)
            .Select(f => (double?)(f.Frame.FocalMm!.Value * ((Body)items[f.Body!]).Crop * height / Framing.FullFrameHeightMm))];
        return far.Count >= FewestTell ? Spread.Of(far) : null;
    }

    private static GlassUse GlassOf(List<Known> frames, Dictionary<string, Item> items)
    {
        var lens = frames[0].Glass is { } id ? items.GetValueOrDefault(id) as Lens : null;
        List<Known> sized = lens is { Focal: { } f } && f.Low < f.High ? frames.FindAll(k => k.Frame.FocalMm is > 0) : [];
        var crops = frames.Where(k => k.Frame is { Kept: true, KeptPx: > 0, LongPx: > 0 } frame && frame.KeptPx <= frame.LongPx)
            .Select(k => (double?)k.Frame.LongPx / k.Frame.KeptPx);
        return new GlassUse(
            frames[0].Glass, frames.Count, frames.Count(k => k.Frame.Kept),
            sized.Count == 0 ? null : Share(sized, k => k.Frame.FocalMm <= lens!.Focal.Low * (1 + AtTheEnd)),
            sized.Count == 0 ? null : Share(sized, k => k.Frame.FocalMm >= lens!.Focal.High * (1 - AtTheEnd)),
            Spread.Of(frames.Select(k => k.Frame.FNumber)), Spread.Of(frames.Select(k => k.Frame.Seconds)), Spread.Of(frames.Select(k => k.Frame.Iso)),
            Spread.Of(crops)?.Middle, frames.Count(k => IsOver(k, k.Body is { } on ? items.GetValueOrDefault(on) as Body : null)));
    }

    private static bool IsOver(Known frame, Body? body) => body is not null && frame.Frame.Iso > body.IsoCeiling * IsoSteps.Slack;

    private static double Share(List<Known> frames, Func<Known, bool> which) => (double)frames.Count(which) / frames.Count;

    private static BodyUse BodyOf(List<Known> frames, List<TakenPart> parts, Dictionary<string, Item> items, bool knowsKept)
    {
        var body = frames[0].Body is { } id ? items.GetValueOrDefault(id) as Body : null;
        var minutes = parts.Where(p => p.Hands.Any(h => h.Body == frames[0].Body)).Sum(p => p.Minutes);
        var (burst, seconds) = LongestBurst(frames);
        return new BodyUse(
            frames[0].Body, frames.Count, frames.Count(f => f.Frame.Kept), minutes > 0 ? frames.Count / minutes : 0, burst, seconds, BufferOf(body),
            BySteps(frames.Where(f => f.Frame.Kept || !knowsKept)),
            frames.Count(f => IsOver(f, body)), body is null ? null : Drawn(body, frames),
            body is null ? null : Charge.FramesOf(body), body?.BatteryType, 0,
            BySteps(frames), body?.IsoCeiling);
    }

    /// <summary>How many pictures were of each third of a stop.</summary>
    private static Dictionary<int, int> BySteps(IEnumerable<Known> frames) => frames.Where(f => f.Frame.Iso is > 0).CountBy(f => f.Frame.Iso!.Value)
        .GroupBy(c => IsoSteps.Of(c.Key)).ToDictionary(g => g.Key, g => g.Sum(c => c.Value));

    /// <summary>Charges by the figures known before, each part in its own cold.</summary>
    private static double Drawn(Body body, List<Known> frames) => frames.GroupBy(f => f.Part?.Id, (_, same) => same.ToList()).Sum(g =>
        (g.Count + (g[0].Part is { } part ? Charge.FramesOf(body, part.UseOf(body.Id)) : 0)) / Charge.FramesOf(body)
            / Charge.InTheCold(g[0].Part?.TemperatureC));

    private static (int Frames, double Seconds) LongestBurst(List<Known> frames)
    {
        var times = frames.ConvertAll(f => f.At);
        times.Sort();
        var (most, seconds, from) = (0, 0.0, 0);
        for (var n = 0; n < times.Count; n++)
        {
            if (n > 0 && (times[n] - times[n - 1]).TotalSeconds > BurstGapSeconds) from = n;
            if (n - from + 1 > most) (most, seconds) = (n - from + 1, (times[n] - times[from]).TotalSeconds);
        }
        return (most, seconds);
    }

    /// <summary>Frames at full speed until the buffer is full, by the speed of the slots; null where a figure is missing.</summary>
    private static double? BufferOf(Body? body)
    {
        if (body is not { Fps: > 0, BufferMegabytes: { } buffer } || body.Slots.Any(s => s.WriteMegabytesPerSecond is not > 0)) return null;
        var raw = Charge.FrameMegabytes(body);
        var fits = Burst.Length(body.Fps, buffer, raw, [.. body.Slots.Select(s => new SlotWrite(raw, s.WriteMegabytesPerSecond!.Value))]).Frames;
        return double.IsInfinity(fits) ? null : fits;
    }
}
