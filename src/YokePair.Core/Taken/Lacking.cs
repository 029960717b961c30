using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Taken;

/// <summary>In what way something was lacking.</summary>
public enum LackKind
{
    /// <summary>Longer glass: a zoom was at its long end, or what it took was cropped.</summary>
    Longer,

    /// <summary>Wider glass: a zoom was at its short end.</summary>
    Wider,

    /// <summary>Faster glass, or more light: pictures went over the sensitivity that is delivered.</summary>
    Faster,
}

/// <summary>Something that was lacking on past assignments, as a kind with figures.</summary>
/// <param name="Kind">In what way.</param>
/// <param name="Glass">Id of the glass that was used for want of it; of <see cref="LackKind.Faster"/> the glass most of it was taken with.</param>
/// <param name="FocalMm">Focal length that would have done; of <see cref="LackKind.Faster"/> none.</param>
/// <param name="FNumber">f-number about a stop wider, as lenses of that length have it; null = none has, one owns it, or it is no matter of light.</param>
/// <param name="Share">Share of the pictures of that glass, or camera, that tell it.</param>
/// <param name="Frames">How many those are.</param>
/// <param name="Assignments">In how many assignments.</param>
public sealed record Lack(LackKind Kind, string Glass, double? FocalMm, double? FNumber, double Share, int Frames, int Assignments)
{
    /// <summary>Glass one owns that opens wider at about those lengths: ids, the shortest first.</summary>
    public IReadOnlyList<string> Own { get; init; } = [];
}

/// <summary>What was lacking.</summary>
public static class Lacking
{
    /// <summary>A zoom that is at one end for more than this lacks what lies beyond.</summary>
    public const double OftenAtTheEnd = 0.4;

    /// <summary>What is cropped by more than this in the middle was taken with too short a glass.</summary>
    private const double CroppedHard = 1.3;

    private const double OftenOver = 0.1;

    private const double MostOfAStop = 1.3, AboutAsLong = 1.15;

    private const int MostNamed = 3;

    private static readonly Interval None = new(double.PositiveInfinity, double.NegativeInfinity);

    /// <summary>Fewer pictures tell nothing of what is lacking.</summary>
    public const int FewestFrames = 20;

    /// <summary>Finds it.</summary>
    /// <param name="days">What past assignments used.</param>
    /// <param name="items">Everything that is owned.</param>
    public static IReadOnlyList<Lack> Of(IReadOnlyList<TakenDay> days, IReadOnlyList<Item> items)
    {
        var known = items.DistinctBy(i => i.Id).ToDictionary(i => i.Id, StringComparer.Ordinal);
        var uses = days.SelectMany(d => d.Glass.Where(g => g.Glass is not null && known.GetValueOrDefault(g.Glass) is Lens).Select(g => (Day: d, Use: g)))
            .GroupBy(u => u.Use.Glass!, StringComparer.Ordinal);
        return [.. uses.SelectMany(g => Of([.. g], (Lens)known[g.Key], [.. known.Values.OfType<Lens>()])).OrderByDescending(l => l.Frames)];
    }

    private static IEnumerable<Lack> Of(List<(TakenDay Day, GlassUse Use)> uses, Lens lens, List<Lens> owned)
    {
        var taken = uses.Sum(u => u.Use.Taken);
        if (taken < FewestFrames) yield break;
        var (wide, far) = (Mean(u => u.AtWide), Mean(u => u.AtLong));
        var crop = uses.Max(u => u.Use.CroppedTo ?? 1);
        var longer = lens.Focal.High * Math.Max(crop, 1.4);
        // What one owns already was lacking on the day, not in the locker; the plan speaks of that.
        if ((far > OftenAtTheEnd || crop > CroppedHard) && !owned.Exists(l => l.Focal.High >= longer * 0.95))
            yield return new Lack(LackKind.Longer, lens.Id, Round(longer), null, far ?? 1, (int)(taken * (far ?? 1)), uses.Count);
        if (wide > OftenAtTheEnd && !owned.Exists(l => l.Focal.Low <= lens.Focal.Low / 1.3))
            yield return new Lack(LackKind.Wider, lens.Id, Round(lens.Focal.Low / 1.4), null, wide.Value, (int)(taken * wide.Value), uses.Count);
        var over = uses.Sum(u => u.Use.OverCeiling);
        if (over >= FewestFrames && over >= OftenOver * taken)
        {
            List<string> own = [.. owned.Where(l => IsFasterThere(l, lens)).OrderBy(l => l.Aperture.Low).Take(MostNamed).OrderBy(l => l.Focal.Low)
                .Select(l => l.Id)];
            yield return new Lack(LackKind.Faster, lens.Id, null, own.Count > 0 ? null : StopWider(lens), (double)over / taken, over, uses.Count) { Own = own };
        }

        double? Mean(Func<GlassUse, double?> share) => uses.Exists(u => share(u.Use) is not null)
            ? uses.Sum(u => (share(u.Use) ?? 0) * u.Use.Taken) / taken : null;
    }

    /// <summary>f-numbers that lenses open to, and the focal lengths, mm, between which they are commonly made so: of one length, and of several.</summary>
    private static readonly (double FNumber, Interval One, Interval Several)[] Opening =
    [
        (1.2, new(35, 90), None), (1.4, new(20, 110), None), (1.8, new(14, 135), None), (2, new(14, 200), new(24, 110)),
        (2.8, new(10, 400), new(11, 200)), (4, new(10, 600), new(10, 400)), (5.6, new(10, 800), new(10, 600)),
    ];

    /// <summary>About a stop wider, as there are lenses of that length; null = there are none.</summary>
    private static double? StopWider(Lens lens)
    {
        double[] made = [.. Opening.Where(o => Holds(lens.Focal.Low < lens.Focal.High ? o.Several : o.One, lens.Focal)).Select(o => o.FNumber)];
        var wanted = lens.Aperture.Low / Math.Sqrt(2);
        return made.Length > 0 && made.MinBy(f => Math.Abs(Math.Log(f / wanted))) is var wider && wider < lens.Aperture.Low * 0.9 ? wider : null;
    }

    private static bool Holds(Interval made, Interval focal) => made.Low <= focal.Low && focal.High <= made.High;

    /// <summary>Whether glass goes on the same cameras, opens most of a stop wider, and is about as long somewhere.</summary>
    private static bool IsFasterThere(Lens other, Lens lens) => other.Mount == lens.Mount && other.Aperture.Low * MostOfAStop <= lens.Aperture.Low
        && other.Focal.High >= lens.Focal.Low / AboutAsLong && other.Focal.Low <= lens.Focal.High * AboutAsLong;

    private static double Round(double mm) => mm < 50 ? Math.Round(mm) : Math.Round(mm / 10) * 10;
}
