using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Starting;

/// <summary>A way of working that fills the hands of a new day; everything can be changed afterwards.</summary>
/// <param name="Id">Word for it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Left">Wanted equivalent focal range of the left hand, mm.</param>
/// <param name="Right">Of the right hand; null = one camera worked from the bag.</param>
/// <param name="Third">Of a third camera.</param>
/// <param name="Primes">Whether primes are preferred to zooms.</param>
/// <param name="OpenBag">Whether the bag stands open beside one, so that what is in it is at hand in seconds.</param>
public sealed record StartingStyle(string Id, string Name, Interval Left, Interval? Right, Interval? Third, bool Primes, bool OpenBag = false)
{
    /// <summary>Every style.</summary>
    public static IReadOnlyList<StartingStyle> All { get; } =
    [
        new("two-primes", "Two primes", new(35, 35), new(85, 85), null, true),
        new("two-zooms", "Two zooms", new(24, 70), new(70, 200), null, false),
        new("one-zoom", "One long-range zoom, a second camera in the bag", new(28, 105), null, null, false),
        new("open-roller", "One camera, glass from an open roller", new(24, 70), null, null, false, OpenBag: true),
        new("three-bodies", "Three cameras", new(24, 70), new(70, 200), new(300, 300), false),
    ];

    /// <summary>Seconds in which a bag that stands open beside one is reached into.</summary>
    public const double OpenBagSeconds = 8;

    /// <summary>How much glass on an adapter stands behind glass as good without, in the measure of <see cref="Score"/>.</summary>
    private const double AdaptedCosts = 0.3;

    /// <summary>Chooses bodies and glass for a person from what is at hand. The two alike go to the two hands; of the glass that fits, what covers most of
    /// the wanted range, then the fastest.</summary>
    /// <param name="person">Whose hands.</param>
    /// <param name="things">What they may take; what is chosen is taken out.</param>
    public IReadOnlyList<Setup> Fill(string person, List<Item> things)
    {
        (string Position, Interval Range)[] wanted = [("left", Left), .. Right is { } right ? [("right", right)] : Array.Empty<(string, Interval)>(),
            .. Third is { } third ? [("third", third)] : Array.Empty<(string, Interval)>()];
        var setups = new List<Setup>();
        Body? first = null;
        foreach (var (position, range) in wanted)
        {
            if (Next(things, first) is not { } body) break;
            first ??= body;
            things.Remove(body);
            var glass = things.OfType<Lens>().Where(l => !l.Doubtful).Select(l => (Lens: l, Adapter: AdapterFor(l, body, things)))
                .Where(g => g.Adapter is not null || body.Mount.Contains(g.Lens.Mount))
                .OrderByDescending(g => Score(g.Lens, body, range) - (g.Adapter is null ? 0 : AdaptedCosts)).FirstOrDefault();
            if (glass.Lens is not null) things.Remove(glass.Lens);
            if (glass.Adapter is not null) things.Remove(glass.Adapter);
            setups.Add(new Setup { Person = person, Position = position, Body = body.Id, Lens = glass.Lens?.Id, Adapter = glass.Adapter?.Id });
        }
        return setups;
    }

    /// <summary>A sound adapter that glass of another mount needs, if there is one.</summary>
    private static Adapter? AdapterFor(Lens lens, Body body, List<Item> things) => body.Mount.Contains(lens.Mount)
        ? null
        : things.OfType<Adapter>().FirstOrDefault(a => !a.Doubtful && a.Joins(lens, body));

    private static Body? Next(List<Item> things, Body? like)
    {
        var bodies = things.OfType<Body>().Where(b => !b.Doubtful).ToList();
        bool Alike(Body b, Body o) => b.Megapixels == o.Megapixels && b.Crop == o.Crop && b.Mount.SequenceEqual(o.Mount) && b.BatteryType == o.BatteryType;
        return bodies.OrderByDescending(b => like is not null && Alike(b, like))
            .ThenByDescending(b => like is null && bodies.Any(o => o != b && Alike(o, b)))
            .ThenByDescending(b => like is not null && b.Mount.Intersect(like.Mount).Any())
            .ThenByDescending(b => b.Slots.Count).ThenByDescending(b => b.IsoCeiling).ThenBy(b => b.Crop).ThenBy(b => b.Number ?? 0).FirstOrDefault();
    }

    private double Score(Lens lens, Body body, Interval wanted)
    {
        var range = lens.Focal.Times(Math.Max(body.Crop, lens.ImageCircleCrop));
        var near = Math.Abs(Math.Log(Middle(range) / Middle(wanted)));
        var overlap = wanted.High > wanted.Low ? Math.Max(0, Math.Log(Math.Min(range.High, wanted.High) / Math.Max(range.Low, wanted.Low)))
            : range.Low <= wanted.Low * 1.15 && range.High * 1.15 >= wanted.Low ? 0.5 : 0;
        var kind = Primes == (range.High == range.Low) ? 1 : 0;
        return 4 * overlap - 2 * near + kind - Math.Log2(lens.Aperture.Low) * 0.4;
    }

    private static double Middle(Interval range) => Math.Sqrt(range.Low * range.High);
}
