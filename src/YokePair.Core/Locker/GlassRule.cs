using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A lens laid on the rule.</summary>
/// <param name="Id">Its id.</param>
/// <param name="RangeMm">Focal range, mm: real, or as seen on the chosen body.</param>
/// <param name="FNumbers">Widest f-number at the two ends.</param>
/// <param name="Thickness">0 to 1: how much light it gathers, 1 at f/1.2 and 0 at f/8.</param>
/// <param name="Fits">Whether it goes on the chosen body (true where none is chosen).</param>
/// <param name="Why">How it goes there, or why not.</param>
public sealed record RuledLens(string Id, Interval RangeMm, Interval FNumbers, double Thickness, bool Fits, string? Why);

/// <summary>What a stretch of the rule is.</summary>
public enum StretchKind
{
    /// <summary>Nothing reaches.</summary>
    Gap,

    /// <summary>One lens only.</summary>
    Single,

    /// <summary>Three lenses or more.</summary>
    Overlap,
}

/// <summary>A stretch of focal lengths worth a word.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="RangeMm">From where to where, mm.</param>
/// <param name="Words">Said in a sentence.</param>
/// <param name="Lens">Id of the lens that alone reaches there.</param>
public sealed record Stretch(StretchKind Kind, Interval RangeMm, string Words, string? Lens = null);

/// <summary>The glass of a locker on one logarithmic rule of focal lengths.</summary>
/// <param name="Lenses">Every lens, shortest first.</param>
/// <param name="Stretches">Gaps, single and manifold cover among the lenses that are here and fit.</param>
public sealed record GlassRule(IReadOnlyList<RuledLens> Lenses, IReadOnlyList<Stretch> Stretches)
{
    /// <summary>Stretches narrower than this factor are not worth a word.</summary>
    private const double Narrow = 1.25;

    /// <summary>Lays out the glass.</summary>
    /// <param name="things">The locker.</param>
    /// <param name="compatibility">What goes with what.</param>
    /// <param name="body">The body one looks through; null = real focal lengths.</param>
    /// <param name="day">The day: what is away then covers nothing.</param>
    public static GlassRule Lay(IReadOnlyList<Item> things, Compatibility compatibility, Body? body, DateOnly day)
    {
        var lenses = things.OfType<Lens>().OrderBy(l => l.Focal.Low).ThenBy(l => l.Focal.High).ThenBy(l => l.Aperture.Low).ToList();
        var ruled = lenses.Select(l => Rule(l, body, compatibility)).ToList();
        var covering = lenses.Zip(ruled).Where(x => x.Second.Fits && x.First.IsHere(day)).Select(x => x.Second).ToList();
        return new GlassRule(ruled, Said(covering, things.ToDictionary(t => t.Id, t => t.Label)));
    }

    private static RuledLens Rule(Lens lens, Body? body, Compatibility compatibility)
    {
        var crop = body is null ? 1 : Math.Max(body.Crop, lens.ImageCircleCrop);
        var answer = body is null ? null : compatibility.Of(body, lens);
        var thickness = Math.Clamp(1 - Math.Log2(lens.Aperture.Low / 1.2) / Math.Log2(8 / 1.2), 0, 1);
        return new RuledLens(lens.Id, lens.Focal.Times(crop), lens.Aperture, thickness, answer?.Works ?? true, answer?.Reason);
    }

    // Long: one walk along the rule of focal lengths.
    private static List<Stretch> Said(List<RuledLens> lenses, Dictionary<string, string> names)
    {
        var said = new List<Stretch>();
        if (lenses.Count == 0) return said;
        // A lens reaches a little beyond its ends: there a small crop, or a step, makes up for it.
        var reach = lenses.Select(l => (Lens: l, Low: l.RangeMm.Low / Framing.NearEnough, High: l.RangeMm.High * Framing.NearEnough)).ToList();
        var edges = reach.SelectMany(r => new[] { r.Low, r.High }).Distinct().Order().ToList();
        var runs = new List<(double Low, double High, List<RuledLens> By)>();
        for (var i = 0; i + 1 < edges.Count; i++)
        {
            var middle = Math.Sqrt(edges[i] * edges[i + 1]);
            var by = reach.Where(r => r.Low <= middle && middle <= r.High).Select(r => r.Lens).ToList();
            if (runs.Count > 0 && Class(runs[^1].By) == Class(by) && (by.Count != 1 || runs[^1].By[0].Id == by[0].Id)) runs[^1] =
                (runs[^1].Low, edges[i + 1], [.. runs[^1].By.Union(by)]);
            else runs.Add((edges[i], edges[i + 1], by));
        }
        foreach (var (low, high, by) in runs)
        {
            if (by.Count == 0)
            {
                var (from, to) = (lenses.Where(l => l.RangeMm.High <= high).Max(l => l.RangeMm.High), lenses.Where(l => l.RangeMm.Low >= low)
                    .Min(l => l.RangeMm.Low));
                said.Add(new Stretch(StretchKind.Gap, new Interval(from, to), $"Between {Mm(from)} and {Mm(to)} nothing reaches."));
            }
            else if (by.Count == 1 && high / low >= Narrow)
            {
                // The little reach beyond the ends of the neighbours is theirs as well; speak of real ends.
                var (from, to) = (Math.Max(low, by[0].RangeMm.Low), Math.Min(high, by[0].RangeMm.High));
                said.Add(new Stretch(StretchKind.Single, new Interval(from, to), to / from < 1.01 ? $"At {Mm(from)} only the {names[by[0].Id]} reaches."
                    : $"From {Mm(from)} to {Mm(to)} only the {names[by[0].Id]} reaches.", by[0].Id));
            }
            else if (by.Count >= 3 && high / low >= Narrow)
            {
                var least = Enumerable.Range(0, 24).Select(k => low * Math.Pow(high / low, (k + 0.5) / 24))
                    .Min(f => reach.Count(r => r.Low <= f && f <= r.High));
                var (from, to) = (low * Framing.NearEnough, high / Framing.NearEnough);
                if (to > from) said.Add(new Stretch(StretchKind.Overlap, new Interval(from, to),
                    $"Between {Mm(from)} and {Mm(to)} you are covered {English.Number(least)} times."));
            }
        }
        return [.. said.OrderBy(s => s.Kind).ThenByDescending(s => s.RangeMm.High / s.RangeMm.Low)];

        static int Class(List<RuledLens> by) => Math.Min(by.Count, 3);
    }

    private static string Mm(double focal) => Math.Round(focal).ToString("0", System.Globalization.CultureInfo.InvariantCulture);
}
