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
/// <param name="FNumber">f-number about a stop wider, as lenses have it; null = none has, or it is no matter of light.</param>
/// <param name="Share">Share of the pictures of that glass, or camera, that tell it.</param>
/// <param name="Frames">How many those are.</param>
/// <param name="Assignments">In how many assignments.</param>
public sealed record Lack(LackKind Kind, string Glass, double? FocalMm, double? FNumber, double Share, int Frames, int Assignments);

/// <summary>What was lacking.</summary>
public static class Lacking
{
    /// <summary>A zoom that is at one end for more than this lacks what lies beyond.</summary>
    public const double OftenAtTheEnd = 0.4;

    /// <summary>What is cropped by more than this in the middle was taken with too short a glass.</summary>
    private const double CroppedHard = 1.3;

    private const double OftenOver = 0.1;

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
            yield return new Lack(LackKind.Faster, lens.Id, null, StopWider(lens.Aperture.Low), (double)over / taken, over, uses.Count);

        double? Mean(Func<GlassUse, double?> share) => uses.Exists(u => share(u.Use) is not null)
            ? uses.Sum(u => (share(u.Use) ?? 0) * u.Use.Taken) / taken : null;
    }

    /// <summary>f-numbers that lenses open to.</summary>
    private static readonly double[] Opening = [1.2, 1.4, 1.8, 2, 2.8, 4, 5.6];

    /// <summary>About a stop wider, as there are lenses; null = there are none.</summary>
    private static double? StopWider(double fNumber) =>
        Opening.MinBy(f => Math.Abs(Math.Log(f / (fNumber / Math.Sqrt(2))))) is var wider && wider < fNumber * 0.9 ? wider : null;

    private static double Round(double mm) => mm < 50 ? Math.Round(mm) : Math.Round(mm / 10) * 10;
}
