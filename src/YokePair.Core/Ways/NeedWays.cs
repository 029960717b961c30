using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>A need with the ways of each band it must be covered in; of one that may be met anywhere there is one.</summary>
/// <param name="Need">The need.</param>
/// <param name="Bands">The ways of each, from the widest framing to the tightest.</param>
internal sealed record BandedWays(Need Need, IReadOnlyList<NeedWays> Bands);

/// <summary>Every rig that serves one need of one part, in one band of it, quickest first.</summary>
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

    public static NeedWays For(PartWays part, Need need)
    {
        var rules = part.Kit.Plan.Rules;
        var who = need.Who == Need.Anyone ? Kit.None : part.Layout.PersonIndex(need.Who);
        var candidates = part.Found;
        candidates.Clear();
        if (need.Role is not null) candidates.AddRange(RoleWays(part, need, who));
        else FindRigs();
        if (BufferFit.IsAsked(need)) BufferFit.Grade(part, need, candidates);
        // The part's rigs come quickest first; only aided and unattended ways stand out of order.
        for (var i = 1; i < candidates.Count; i++)
            if (candidates[i].Rig.Seconds < candidates[i - 1].Rig.Seconds) return new(need, need.ToleranceSeconds(rules),
                [.. candidates.OrderBy(c => c.Rig.Seconds)]);
        return new(need, need.ToleranceSeconds(rules), [.. candidates]);

        void FindRigs()
        {
            var aided = part.Help;
            aided.Begin(need);
            var fits = new Quality?[part.Kit.Glass.Length];
            for (var i = 0; i < part.Rigs.Count; i++)
            {
                var rig = part.Rigs[i];
                if (who != Kit.None && rig.Actor != who) continue;
                var quality = fits[rig.Fitted!.Index] ??= NeedFit.AmbientQuality(rules, part.Part, need, rig.Fitted.Glass);
                if (quality != Quality.No && part.WholeRigs[i] is { } whole) candidates.Add(new Candidate(whole, quality));
                // Whatever helps only adds things that can fail, so it is worth a thought only where it makes the picture better.
                if (quality != Quality.Full) aided.Add(part.Aided(i), quality, candidates);
            }
            if (need.Unattended != true) return;
            foreach (var rig in part.LeftAlone)
            {
                if (who != Kit.None && rig.Actor != who) continue;
                var (whole, together) = part.Whole(rig);
                var alone = NeedFit.AmbientQuality(rules, part.Part, need, rig.Fitted!.Glass, new Aids(Supported: true));
                if (together > alone) alone = together;
                if (whole is not null && alone != Quality.No) candidates.Add(new Candidate(whole, alone));
            }
        }
    }

    /// <summary>Things with the role that somebody can get at, with cells and card of their own.</summary>
    private static IEnumerable<Candidate> RoleWays(PartWays part, Need need, int who)
    {
        var kit = part.Kit;
        foreach (var actor in part.Layout.Actors)
            if (who == Kit.None || actor == who)
                for (var i = 0; i < kit.Items.Length; i++)
                {
                    if (kit.Twins.IsStoodFor(i) || kit.Items[i].Roles?.Contains(need.Role!, StringComparer.OrdinalIgnoreCase) != true) continue;
                    var source = part.Layout.SourceOf(i);
                    var seconds = part.Layout.Cost(actor, source);
                    if (!double.IsPositiveInfinity(seconds) && Supplies.ForRole(kit, part.Layout, actor, i) is { } asks
                        && part.Whole(Rig.ForRole(i, actor, source, seconds, asks)).Rig is { } whole)
                        yield return new Candidate(whole, kit.Items[i].Doubtful ? Quality.SecondBest : Quality.Full);
                }
    }
}

/// <summary>Ways with a tripod, a filter, a flash or lights in the room, for one need at a time.</summary>
internal sealed class AidedWays
{
    private readonly PartWays part;
    private readonly Kit kit;
    private readonly Quality?[] litByFlash;
    private readonly Dictionary<LightSet, Quality>?[] litBySet;
    private readonly Quality?[] supported;
    private readonly double?[] tooBright;
    private Need need = null!;
    private bool flash, stands, continuous;

    /// <summary>Made once for a part, which asks for one need after another.</summary>
    public AidedWays(PartWays part)
    {
        this.part = part;
        kit = part.Kit;
        litByFlash = new Quality?[kit.Glass.Length * kit.FlashKinds.Length];
        litBySet = new Dictionary<LightSet, Quality>?[kit.Glass.Length];
        supported = new Quality?[kit.Glass.Length];
        tooBright = new double?[kit.Glass.Length];
    }

    /// <summary>Turns to a need: what was found for the one before is forgotten.</summary>
    public void Begin(Need next)
    {
        need = next;
        flash = NeedFit.FlashThinkable(part.Part, need, LightKind.Flash);
        stands = NeedFit.FlashThinkable(part.Part, need, LightKind.Stands);
        continuous = need.Light.Contains(LightKind.Continuous);
        Array.Clear(litByFlash);
        foreach (var known in litBySet) known?.Clear();
        Array.Clear(supported);
        Array.Clear(tooBright);
    }

    /// <summary>Adds what makes a rig better than it is by itself.</summary>
    public void Add(AidedRigs aided, Quality without, List<Candidate> candidates)
    {
        var fitted = aided.Plain.Fitted!;
        var glass = fitted.Glass;
        if (kit.Supports.Length > 0
            && (supported[fitted.Index] ??= NeedFit.AmbientQuality(kit.Plan.Rules, part.Part, need, glass, new Aids(Supported: true))) is var steady
            && (steady < without || glass.Lens.NeedsSupport == true)
            && aided.Supported is { Length: > 0 } ways)
        {
            if (steady < without)
                foreach (var on in ways)
                    if (part.Whole(on).Rig is { } whole) candidates.Add(new Candidate(whole,
                        on.Items.Any(i => kit.Items[i] is Support { Doubtful: true }) ? Quality.SecondBest : steady));
            if (glass.Lens.NeedsSupport == true) (aided, without) = (aided.Steadied, steady);
        }
        if (without == Quality.Full) return;
        if (kit.Filters.Length > 0) AddFiltered(aided.Plain, without, candidates);
        if (flash) AddFlash(aided, without, candidates);
        if (stands) AddStands(aided, without, candidates);
        if (continuous) AddContinuous(aided.Plain, without, candidates);
    }

    private void AddFiltered(Rig rig, Quality without, List<Candidate> candidates)
    {
        var glass = rig.Fitted!.Glass;
        var wanted = tooBright[rig.Fitted.Index] ??= NeedFit.Ambient(kit.Plan.Rules, part.Part, need, glass, new Aids(rig.Supported)).NdStopsWanted;
        if (wanted <= 0) return;
        foreach (var index in kit.Filters)
        {
            if (kit.Items[index] is not Filter { Stops: { } stops } filter || stops < wanted - 1e-9) continue;
            var quality = NeedFit.Ambient(kit.Plan.Rules, part.Part, need, glass, new Aids(rig.Supported, stops)).Quality;
            if (quality >= without) continue;
            foreach (var chain in ThreadChains(index, filter, glass.Lens))
                Add(part.Whole(rig.WithFilter(kit, part.Layout, chain)), chain.Any(i => kit.Items[i].Doubtful) ? Quality.SecondBest : quality,
                    without, candidates);
        }
    }

    /// <summary>Takes a rig with its help where it is better than without, as far as its pieces get on with one another.</summary>
    private static void Add(AidedRig with, Quality quality, Quality without, List<Candidate> candidates)
    {
        if (with.Together > quality) quality = with.Together;
        if (with.Rig is { } rig && quality < without) candidates.Add(new Candidate(rig, quality));
    }

    private IEnumerable<int[]> ThreadChains(int index, Filter filter, Lens lens)
    {
        if (lens.FilterThreadMm is null) yield break;
        if (filter.ThreadMm == lens.FilterThreadMm) yield return [index];
        foreach (var ring in kit.Filters)
            if (kit.Items[ring] is Filter { StepsToMm: { } to, ThreadMm: { } from } && from == lens.FilterThreadMm
                && to == filter.ThreadMm) yield return [index, ring];
    }

    private void AddFlash(AidedRigs aided, Quality without, List<Candidate> candidates)
    {
        for (var kind = 0; kind < kit.FlashKinds.Length; kind++)
            if (Lit(aided.Plain, kind) is var quality && quality < without) Add(aided.WithFlash(kind), quality, without, candidates);
    }

    /// <summary>How well a flash in the shoe serves, the same for whoever takes it.</summary>
    private Quality Lit(Rig rig, int kind)
    {
        ref var quality = ref litByFlash[rig.Fitted!.Index * kit.FlashKinds.Length + kind];
        return quality ??= (Flash)kit.Items[kit.FlashKinds[kind]] is { GuideNumber: not null, Power: not FlashPower.SharedPack } flash
            ? NeedFit.WithFlash(kit.Plan.Rules, part.Part, need, rig.Fitted.Glass, flash, rig.Supported).Quality
            : Quality.No;
    }

    private void AddStands(AidedRigs aided, Quality without, List<Candidate> candidates)
    {
        var rig = aided.Plain;
        var glass = rig.Fitted!.Glass;
        var room = part.LightsFor(rig.Actor);
        for (var s = 0; s < room.Senders.Count; s++)
        {
            var sender = room.Senders[s];
            var item = kit.Items[sender.Item];
            if (!Shoe.Fits(glass.Body, item is Flash flash ? flash.Shoe : ((Trigger)item).Shoe)) continue;
            var half = item.Doubtful || sender.Relays.Any(r => kit.Items[r].Doubtful);
            for (var count = need.Stands!.Count; count > 0; count--)
            {
                if (count < need.Stands.Count && without <= Quality.SecondBest) break;
                foreach (var set in room.Sets(sender.System, count))
                {
                    if (set.StandIn == sender.Item && kit.Twins.Of(sender.Item) is null) continue;
                    var quality = Lit(rig, set);
                    if (quality == Quality.Full && half) quality = Quality.SecondBest;
                    if (quality < without) Add(aided.WithLights(s, set), quality, without, candidates);
                }
            }
        }
    }

    /// <summary>How well lights in the room serve, whoever fires them.</summary>
    private Quality Lit(Rig rig, LightSet set)
    {
        var known = litBySet[rig.Fitted!.Index] ??= [];
        if (known.TryGetValue(set, out var quality)) return quality;
        quality = NeedFit.WithStands(kit.Plan.Rules, part.Part, need, rig.Fitted.Glass, set.Flashes, rig.Supported).Quality;
        if (quality == Quality.Full && set.Items.Any(i => kit.Items[i].Doubtful)) quality = Quality.SecondBest;
        known.Add(set, quality);
        return quality;
    }

    private void AddContinuous(Rig rig, Quality without, List<Candidate> candidates)
    {
        var tried = new List<(LightSet Set, Quality Quality)>();
        foreach (var set in part.LightsFor(rig.Actor).Continuous(need.Stands?.Count ?? 1))
        {
            // One more light that makes the picture no better is only one more thing that can fail.
            var fewer = tried.Where(t => Array.TrueForAll(t.Set.Items, set.Items.Contains)).Select(t => t.Quality).DefaultIfEmpty(without).Min();
            if (fewer == Quality.Full) continue;
            var quality = Try(RigFit.PlacedLampEv(part.Part, need, set.LuxAtOneM), set.Items, fewer, () => rig.WithLights(set));
            tried.Add((set, quality));
        }
        for (var i = 0; i < kit.Items.Length; i++)
            if (kit.Items[i] is StandLight { LuxAtOneM: { } lux } && !part.Layout.IsLit(i) && !kit.Twins.IsStoodFor(i))
                Try(RigFit.LampEv(part.Part, need, lux), [i], without, () => part.PowerFor(rig.Actor, i) is { } batteries
                    ? rig.WithLamp(kit, part.Layout, i, batteries) : null);

        Quality Try(double ev, int[] lamps, Quality than, Func<Rig?> with)
        {
            var quality = NeedFit.AmbientQuality(kit.Plan.Rules, part.Part, need, rig.Fitted!.Glass, new Aids(rig.Supported, 0, ev));
            if (quality == Quality.Full && lamps.Any(l => kit.Items[l].Doubtful)) quality = Quality.SecondBest;
            if (quality < than) Add(part.Whole(with()), quality, than, candidates);
            return quality;
        }
    }
}
