using YokePair.Core.Glass;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>Every rig that serves one need of one part, quickest first.</summary>
internal sealed class NeedWays
{
    private NeedWays(Need need, double toleranceSeconds, Candidate[] candidates)
    {
        Need = need;
        ToleranceSeconds = toleranceSeconds;
        Candidates = candidates;
    }

    public Need Need { get; }

    /// <summary>Infinite for a nice need without its own.</summary>
    public double ToleranceSeconds { get; }

    public Candidate[] Candidates { get; }

    /// <summary>The same need with only some of its rigs.</summary>
    public NeedWays Only(Candidate[] some) => new(Need, ToleranceSeconds, some);

    public static double ToleranceOf(Rules rules, Need need) => need.ToleranceSeconds ?? need.Importance switch
    {
        Importance.Once => rules.Tolerance.Once,
        Importance.Must => rules.Tolerance.Must,
        _ => double.PositiveInfinity,
    };

    public static NeedWays For(PartWays part, Need need)
    {
        var kit = part.Kit;
        var rules = kit.Plan.Rules;
        var who = need.Who == Need.Anyone ? Kit.None : part.Layout.PersonIndex(need.Who);
        var flash = NeedFit.FlashThinkable(part.Part, need);
        var fits = new Quality?[kit.Glass.Length];
        var candidates = new List<Candidate>();
        foreach (var rig in part.Rigs)
        {
            if (who != Kit.None && rig.Actor != who) continue;
            var quality = fits[rig.Fitted.Index] ??= NeedFit.AmbientQuality(rules, part.Part, need, rig.Fitted.Glass);
            if (quality != Quality.No) candidates.Add(new Candidate(rig, quality));
            // A flash only adds things that can fail, so it is worth a thought only where it makes the picture better.
            if (flash && quality != Quality.Full) AddFlashWays(part, need, rig, quality, candidates);
        }
        // The part's rigs come quickest first; only flash ways stand out of order.
        return new NeedWays(need, ToleranceOf(rules, need), flash ? [.. candidates.OrderBy(c => c.Rig.Seconds)] : [.. candidates]);
    }

    private static void AddFlashWays(PartWays part, Need need, Rig rig, Quality without, List<Candidate> candidates)
    {
        var kit = part.Kit;
        foreach (var flash in kit.Flashes)
        {
            var item = (Flash)kit.Items[flash];
            var pair = kit.Plan.PairOf(rig.Fitted.Glass.Body.Id, item.Id);
            if (item.GuideNumber is null || pair == PairFit.No) continue;
            var quality = NeedFit.WithFlash(kit.Plan.Rules, part.Part, need, rig.Fitted.Glass, item).Quality;
            if (quality == Quality.Full && pair is not (null or PairFit.Full)) quality = Quality.SecondBest;
            if (quality < without && rig.WithFlash(kit, part.Layout, flash) is { } lit) candidates.Add(new Candidate(lit, quality));
        }
    }
}

/// <summary>One part worked out: where things are, every rig each person can raise, and the ways of each need.</summary>
internal sealed class PartWays
{
    public PartWays(Kit kit, Part part)
    {
        Kit = kit;
        Part = part;
        Layout = new PartLayout(kit, part);
        var rigs = new List<Rig>();
        foreach (var actor in Layout.Actors)
        {
            var supplies = new Dictionary<int, Supplies>();
            foreach (var fitted in kit.Glass)
            {
                if (double.IsPositiveInfinity(Layout.Cost(actor, Layout.SourceOf(fitted.Body)))) continue;
                if (!supplies.TryGetValue(fitted.Body, out var own))
                    supplies.Add(fitted.Body, own = Supplies.For(kit, Layout, actor, fitted.Body));
                if (Rig.Create(kit, Layout, fitted, actor, own) is { } rig) rigs.Add(rig);
            }
        }
        Rigs = [.. rigs.OrderBy(r => r.Seconds)];
        Needs = [.. part.Needs.Select(n => NeedWays.For(this, n))];
    }

    public Kit Kit { get; }

    public Part Part { get; }

    public PartLayout Layout { get; }

    public IReadOnlyList<Rig> Rigs { get; }

    public NeedWays[] Needs { get; }
}
