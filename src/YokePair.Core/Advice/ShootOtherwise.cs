using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Advice;

/// <summary>Another way to shoot a need with what is there: an edit of what it asks, with the figure that would do.</summary>
/// <param name="Edit">The edit.</param>
/// <param name="Words">What one would do.</param>
internal sealed record Otherwise(PlanEdit Edit, string Words);

/// <summary>
/// What photographers do before they pack or borrow anything: come closer or step back, open up, take longer, ask whether a quiet shutter is
/// allowed, switch a lamp on. Each is only a thought; whether it mends anything is for the report to say.
/// </summary>
internal static class ShootOtherwise
{
    /// <summary>Nobody is asked to halve their distance and half again, nor to come nearer than this, metres.</summary>
    private const double Nearest = 0.4, NearestM = 0.8, Farthest = 2;

    /// <summary>Longest shutter times proposed, seconds: for what keeps still, and for what moves.</summary>
    private const double LongestStill = 1.0 / 30, LongestMoving = 1.0 / 60;

    private const int Kept = 2;

    private static readonly double[] FullStops = [1.4, 2, 2.8, 4, 5.6, 8, 11];

    /// <summary>Shutter times, as one over so many seconds.</summary>
    private static readonly double[] Dial = [1000, 800, 500, 400, 250, 200, 125, 100, 60, 30];

    /// <summary>Thoughts for a need, the smallest change first.</summary>
    /// <param name="kit">The kit.</param>
    /// <param name="part">The part.</param>
    /// <param name="need">The need.</param>
    /// <param name="failed">By item number, whether it has failed; null = nothing has.</param>
    public static IEnumerable<Otherwise> For(Kit kit, Part part, Need need, bool[]? failed = null)
    {
        if (need.Role is not null) return [];
        var glass = kit.Glass.Where(g => g.Glass is { Converter: null, Tube: null, Doubtful: false }
            && (failed is null || !Array.Exists(g.Items, i => failed[i])))
            .Select(g => (On: g.Glass, Fit: NeedFit.Ambient(kit.Plan.Rules, part, need, g.Glass))).ToList();
        return [.. Light(kit, part, need, glass).Take(Kept), .. Distance(kit, part, need, glass).Take(Kept), .. Allowed(kit, part, need, glass)];
    }

    private static IEnumerable<Otherwise> Distance(Kit kit, Part part, Need need, List<(GlassOnBody On, NeedFit Fit)> glass)
    {
        if (need.Framing is not { } frame || need.Covers == Covers.All || need.FocalMm(part) is not { } want || !PartKind.LetsOneComeNearer(part)) yield break;
        var asked = need.Megapixels(kit.Plan.Rules);
        var (near, far) = (frame.DistanceM.Low, frame.DistanceM.High);
        var closer = glass.Where(g => g.Fit.Framing.Case == FramingCase.TooShort)
            .Select(g => (g.On, Chosen: Down(near * g.On.EquivalentMm.High * Framing.NearEnough / want.Low),
                Does: Down(near * g.On.EquivalentMm.High * Math.Max(Framing.NearEnough, Math.Sqrt(g.On.UsableMegapixels / asked)) / want.Low)))
            .Where(g => g.Chosen >= Math.Max(NearestM, Nearest * near) && g.On.UsableMegapixels >= asked && Serves(g.On, g.Chosen, far))
            .OrderByDescending(g => g.Chosen).DistinctBy(g => g.On.Lens.Id);
        foreach (var (on, chosen, does) in closer)
            yield return new(Put(part, Standing(chosen, far)), does > chosen
                ? $"come closer: from {English.Tenths(does)} m the {on.Lens.Label} would do, from {English.Tenths(chosen)} m as you would choose it"
                : $"come closer: from {English.Tenths(chosen)} m the {on.Lens.Label} is as you would choose it");
        var back = glass.Where(g => g.Fit.Framing.Case == FramingCase.TooLong)
            .Select(g => (g.On, M: Math.Ceiling(far * g.On.EquivalentMm.Low / Framing.NearEnough / want.High * 10) / 10))
            .Where(g => g.M <= Farthest * far && Serves(g.On, near, g.M)).OrderBy(g => g.M).DistinctBy(g => g.On.Lens.Id);
        foreach (var (on, m) in back) yield return new(Put(part, Standing(near, m)),
            $"step back: from {English.Tenths(m)} m the {on.Lens.Label} is as you would choose it");

        Need Standing(double from, double to) => need with { Focal = null, Framing = frame with { DistanceM = new Interval(from, to) } };

        bool Serves(GlassOnBody on, double from, double to) => NeedFit.AmbientQuality(kit.Plan.Rules, part, Standing(from, to), on) == Quality.Full;

        static double Down(double m) => Math.Floor(m * 10 + 1e-9) / 10;
    }

    /// <summary>Wider open, longer, or both: of what reaches the ceiling, that which gives up least of either.</summary>
    private static IEnumerable<Otherwise> Light(Kit kit, Part part, Need need, List<(GlassOnBody On, NeedFit Fit)> glass)
    {
        var longest = need.Static ? LongestStill : LongestMoving;
        var found = new List<(double Cost, double Iso, Need Then, double F)>();
        foreach (var (on, fit) in glass.Where(g => g.Fit.NoFor is Shortfalls.None or Shortfalls.Iso && g.Fit.StopsOver > 0))
        {
            double[] wider = [fit.FNumber, .. FullStops.Where(n => n < StopOf(need, on) - 0.01)];
            foreach (var f in wider)
                for (var t = need.ShutterSeconds; Slack.AtMost(t, Math.Max(longest, need.ShutterSeconds)); t = Longer(t))
                {
                    if (f == wider[0] && t == need.ShutterSeconds) continue;
                    var then = need with { ShutterSeconds = t, Motion = t == need.ShutterSeconds ? need.Motion : null };
                    if (f != wider[0]) then = then with { MinFNumber = f * on.Crop, Depth = null, DepthM = null };
                    var now = NeedFit.Ambient(kit.Plan.Rules, part, then, on);
                    if (now.Quality != Quality.Full) continue;
                    var opened = 2 * Math.Log2(fit.FNumber / now.FNumber);
                    if (f != wider[0] && opened < 0.3) continue;
                    found.Add((opened * opened + Math.Pow(Math.Log2(t / need.ShutterSeconds), 2), now.Iso, then, f));
                }
        }
        foreach (var (_, iso, then, f) in found.OrderBy(o => o.Cost).ThenBy(o => o.Iso).DistinctBy(o => (o.Then.MinFNumber, o.Then.ShutterSeconds)))
        {
            var stop = then.MinFNumber == need.MinFNumber ? "" : $"f/{English.Tenths(f)}";
            var time = then.ShutterSeconds == need.ShutterSeconds ? "" : $"1/{English.Whole(1 / then.ShutterSeconds)} s";
            yield return new(Put(part, then), $"at {string.Join(" and ", new[] { stop, time }.Where(w => w.Length > 0))}: ISO {English.Iso(iso)}");
        }
    }

    private static IEnumerable<Otherwise> Allowed(Kit kit, Part part, Need need, List<(GlassOnBody On, NeedFit Fit)> glass)
    {
        if (part.Quiet == QuietRule.Required && glass.Any(g => g.Fit.NoFor == Shortfalls.Noise))
            yield return new(new SetPart { Part = part.Id, Quiet = QuietRule.Preferred }, "ask whether a quiet shutter is allowed");
        if (!need.Light.Contains(LightKind.Continuous) && kit.Items.OfType<StandLight>()
            .FirstOrDefault(l => l is { LuxAtOneM: not null, Doubtful: false }) is { } lamp)
            yield return new(Put(part, need with { Light = [.. need.Light, LightKind.Continuous] }), $"{lamp.Label} on");
        if (!need.Light.Contains(LightKind.Flash) && part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required && kit.Flashes.Length > 0)
            yield return new(Put(part, need with
            {
                Light = [.. need.Light, LightKind.Flash],
                FlashPathM = need.FlashPath(part) is null
                ? need.Framing?.StandingM(part.StayBehindM).High ?? OnCameraFlash.UsualDistanceM : need.FlashPathM
            }), "with the flash");
    }

    /// <summary>f-number that depth asks of a glass, before a close-up makes it darker; nothing wider than the glass helps.</summary>
    private static double StopOf(Need need, GlassOnBody on) => Math.Max(need.DepthFNumber(on.Lens.Focal.Low, on.Crop), on.Lens.Aperture.Low);

    // The next longer time on the dial.
    private static double Longer(double seconds) => Dial.Select(n => 1.0 / n).FirstOrDefault(t => t > seconds * 1.6, seconds * 2);

    private static PutNeed Put(Part part, Need need) => new() { Part = part.Id, Need = need };
}
