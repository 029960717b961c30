using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>A body with one possible chain of glass on it: lens, lens + adapter, lens + converter or tube, or both.</summary>
/// <param name="Body">The body.</param>
/// <param name="Lens">The lens.</param>
/// <param name="Converter">Converter on the lens, if any.</param>
/// <param name="Tube">Tube on the lens, if any; never together with a converter.</param>
/// <param name="Adapter">Adapter to the body, if any.</param>
public sealed record GlassOnBody(Body Body, Lens Lens, Converter? Converter, Tube? Tube, Adapter? Adapter)
{
    /// <summary>Crop in force: the larger of the body's and that of the lens's image circle.</summary>
    public double Crop { get; } = Math.Max(Body.Crop, Lens.ImageCircleCrop);

    /// <summary>Factor of the converter, 1 without one.</summary>
    public double ConverterFactor { get; } = Converter?.Factor ?? 1;

    /// <summary>Full-frame equivalent range, mm.</summary>
    public Interval EquivalentMm { get; } = Lens.Focal.Times((Converter?.Factor ?? 1) * Math.Max(Body.Crop, Lens.ImageCircleCrop));

    /// <summary>Megapixels inside the crop in force.</summary>
    public double UsableMegapixels { get; } = Body.Megapixels * Math.Pow(Body.Crop / Math.Max(Body.Crop, Lens.ImageCircleCrop), 2);

    /// <summary>Width of the sensor as used, mm.</summary>
    public double SensorWidthMm => Framing.FullFrameWidthMm / Crop;

    /// <summary>Larger of the two stabilisations, stops.</summary>
    public double StabilisationStops => Math.Max(Body.StabilisationStops, Lens.StabilisationStops);

    /// <summary>Whether any piece only sometimes works, or two of them only half get on.</summary>
    public bool Doubtful { get; private init; } = Body.Doubtful || Lens.Doubtful || Converter?.Doubtful == true || Tube?.Doubtful == true
        || Adapter?.Doubtful == true;

    /// <summary>The pieces of glass, lens first.</summary>
    public IEnumerable<Item> Pieces
    {
        get
        {
            yield return Lens;
            if (Converter is not null) yield return Converter;
            if (Tube is not null) yield return Tube;
            if (Adapter is not null) yield return Adapter;
        }
    }

    /// <summary>Every chain that fits a body, in the order of the plan's items: by mount, unless the owner knows better of a pair.</summary>
    public static IEnumerable<GlassOnBody> Fitting(Body body, Plan plan)
    {
        foreach (var lens in plan.Items.OfType<Lens>())
            foreach (var (converter, tube) in Middles(lens, plan.Items))
            {
                if (body.Mount.Contains(lens.Mount) || plan.SaysTheyFit(body, lens))
                    if (Judged(new GlassOnBody(body, lens, converter, tube, null), plan) is { } direct) yield return direct;
                foreach (var adapter in plan.Items.OfType<Adapter>())
                    if (adapter.Joins(lens, body))
                        if (Judged(new GlassOnBody(body, lens, converter, tube, adapter), plan) is { } adapted) yield return adapted;
            }
    }

    /// <summary>The chain as the owner's pairs make it: null where two of it do not go together.</summary>
    private static GlassOnBody? Judged(GlassOnBody chain, Plan plan)
    {
        if (plan.Pairs is not { Count: > 0 } && plan.PairsAtHome is not { Count: > 0 }) return chain;
        string[] ids = [chain.Body.Id, .. chain.Pieces.Select(p => p.Id)];
        var doubtful = false;
        foreach (var pair in plan.KnownPairs())
        {
            if (pair.A == pair.B || !ids.Contains(pair.A) || !ids.Contains(pair.B)) continue;
            if (pair.Fit == PairFit.No) return null;
            doubtful |= pair.Fit != PairFit.Full;
        }
        return doubtful ? chain with { Doubtful = true } : chain;
    }

    private static IEnumerable<(Converter?, Tube?)> Middles(Lens lens, IReadOnlyList<Item> items)
    {
        yield return (null, null);
        foreach (var item in items)
        {
            if (item is Converter converter && lens.TakesConverter && converter.Mount == lens.Mount) yield return (converter, null);
            if (item is Tube tube && tube.Mount == lens.Mount) yield return (null, tube);
        }
    }
}
