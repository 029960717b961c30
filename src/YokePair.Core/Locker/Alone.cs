using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A thing whose loss nothing in the locker replaces.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Why">What would be missing, in a clause.</param>
/// <param name="Idle">Ids of things that would lie idle without it.</param>
public sealed record AloneThing(string Id, string Why, IReadOnlyList<string> Idle);

/// <summary>
/// Finds things that stand alone. A replacement must be sound: what is away, or only sometimes works, replaces nothing.
/// </summary>
public static class Alone
{
    /// <summary>A stand-in may be slower by one stop: f/4 for f/2.8, as f-numbers are engraved.</summary>
    private const double AStopSlower = 1.43;

    /// <summary>Everything that stands alone on a day.</summary>
    public static IReadOnlyList<AloneThing> Find(IReadOnlyList<Item> things, Compatibility compatibility, DateOnly day)
    {
        var here = things.Where(t => t.IsHere(day)).ToList();
        var sound = here.Where(t => !t.Doubtful).ToList();
        var ofType = sound.ToLookup(t => t.GetType());
        var lenses = new LensesAlike(here, compatibility);
        var alone = new List<AloneThing>();
        foreach (var thing in here)
        {
            if (thing.Count > 1) continue;
            var idle = Idle(thing, here, sound, compatibility);
            if (Missing(thing, here, sound, ofType[thing.GetType()].Where(o => o.Id != thing.Id), compatibility, lenses,
                idle.Count > 0) is { } why) alone.Add(new AloneThing(thing.Id, why, [.. idle.Select(i => i.Id)]));
        }
        return alone;
    }

    // Long: an arm for each kind of thing, each a sentence of the craft by itself.
    private static string? Missing(
        Item thing, List<Item> here, List<Item> sound, IEnumerable<Item> others, Compatibility compatibility, LensesAlike lenses,
        bool leavesIdle)
    {
        switch (thing)
        {
            case Lens lens:
                return LensGap(lens, [.. others.Cast<Lens>()], lenses);
            case Body body:
                return others.Cast<Body>().Any(o => o.Mount.Intersect(body.Mount).Any()) ? null
                    : here.OfType<Lens>().Any(l => compatibility.Of(body, l).Works && !others.Any(o => compatibility.Of(o, l).Works))
                        ? $"no other body takes {string.Join(", ", body.Mount)}" : null;
            case Adapter adapter:
                return !leavesIdle || others.Cast<Adapter>().Any(o => o.LensMount == adapter.LensMount && o.BodyMount == adapter.BodyMount) ? null
                    : $"nothing else sound leads from {adapter.LensMount} to {adapter.BodyMount}";
            case Converter converter:
                return others.Cast<Converter>().Any(o => o.Mount == converter.Mount) ? null : $"the only converter for {converter.Mount}";
            case Tube tube:
                return others.Cast<Tube>().Any(o => o.Mount == tube.Mount) ? null : $"the only tube for {tube.Mount}";
            case Flash flash:
                return Others<Flash>(o => o.Shoe is null || flash.Shoe is null || o.Shoe == flash.Shoe) ? null
                    : $"the only flash for the {flash.Shoe ?? "shoe"}";
            case Trigger trigger:
                return Others<Trigger>(o => (trigger.Sends is null || o.Sends == trigger.Sends) && (trigger.Hears is null || o.Hears == trigger.Hears))
                    || (trigger.Hears is null && trigger.Sends is { } system && sound.OfType<Flash>().Any(f => f.CanSend == true && f.RadioSystem == system))
                        ? null
                    : $"nothing else speaks {trigger.Sends ?? trigger.Hears ?? "by radio"}";
            case Battery battery:
                return Others<Battery>(o => o.Type == battery.Type) ? null : $"the only {battery.Type}";
            case Cells cells:
                return Others<Cells>(o => o.Type == cells.Type) ? null : $"the only set of {cells.Type}";
            case Card card:
                return Others<Card>(o => o.Type == card.Type) ? null : $"the only {card.Type} card";
            case Charger { BatteryTypes: { } types }:
                var bare = types.Where(t => !others.Cast<Charger>().Any(o => o.BatteryTypes?.Contains(t) == true)).ToList();
                return bare.Count == 0 ? null : $"nothing else charges {string.Join(", ", bare)}";
            case CardReader { CardTypes: { } types }:
                var unread = types.Where(t => !others.Cast<CardReader>().Any(o => o.CardTypes?.Contains(t) == true)).ToList();
                return unread.Count == 0 ? null : $"nothing else reads {string.Join(", ", unread)}";
            case Support { Form: { } form }:
                return Others<Support>(o => o.Form == form) ? null : $"the only {form}";
            case Filter filter:
                return Others<Filter>(o => o.ThreadMm == filter.ThreadMm && o.StepsToMm is null == (filter.StepsToMm is null)) ? null
                    : FormattableString.Invariant($"the only one for {filter.ThreadMm} mm");
            case Grip or Pack or Drive or PowerBank or StandLight:
                return others.Any() ? null : $"the only {(thing is PowerBank ? "power bank" : ItemKinds.Of(thing))}";
            default:
                return leavesIdle ? "things hang on it" : null;
        }

        bool Others<T>(Func<T, bool> replaces) where T : Item => others.Cast<T>().Any(replaces);
    }

    /// <summary>What could be used with the thing, on the bodies it leads to, and cannot be without it.</summary>
    private static List<Item> Idle(Item thing, List<Item> here, List<Item> sound, Compatibility compatibility)
    {
        if (thing.NeededBy is null && thing is not Adapter) return [];
        var named = here.Where(i => thing.NeededBy?.Contains(i.Id) == true && !sound.Any(o => o.Id != thing.Id && o.NeededBy?.Contains(i.Id) == true)).ToList();
        if (thing is not Adapter adapter) return named;
        var served = here.OfType<Body>().Where(b => adapter.BodyMount is { } m && b.Mount.Contains(m)).ToList();
        var adapters = sound.OfType<Adapter>().Where(a => a.Id != adapter.Id && a.LensMount == adapter.LensMount).ToList();
        return
        [
            .. named,
            .. here.OfType<Lens>().Where(l => l.Mount == adapter.LensMount
                && served.Any(b => !b.Mount.Contains(l.Mount) && compatibility.Of(b, l).Works
                    && !adapters.Any(a => a.BodyMount is { } m && b.Mount.Contains(m)))),
        ];
    }

    /// <summary>The first stretch of a lens's range that no other covers as fast (or, for a macro, as close) on a body it fits.</summary>
    private static string? LensGap(Lens lens, List<Lens> others, LensesAlike lenses)
    {
        if (!lenses.IsOfUse(lens)) return null;
        var usable = others.FindAll(o => lenses.Replaces(o, lens));
        var close = lens.Magnification >= 0.5;
        if (close && !usable.Any(o => o.Magnification >= 0.5)) return "nothing else focuses as close";
        if (close) return null;
        var points = Enumerable.Range(0, 9).Select(i => lens.Focal.Low * Math.Pow(lens.Focal.High / lens.Focal.Low, i / 8.0)).Distinct();
        double? low = null, high = null;
        foreach (var focal in points)
        {
            var wanted = Aperture.WidestAt(lens.Focal, lens.Aperture, focal) * AStopSlower;
            if (usable.Any(o => o.Focal.Low <= focal * Framing.NearEnough && o.Focal.High * Framing.NearEnough >= focal
                && Aperture.WidestAt(o.Focal, o.Aperture, Math.Clamp(focal, o.Focal.Low, o.Focal.High)) <= wanted)) continue;
            low ??= focal;
            high = focal;
        }
        if (low is null) return null;
        return FormattableString.Invariant(
            $"nothing else gives {(Math.Abs(high!.Value - low.Value) < 1 ? $"{low:0} mm" : $"{low:0}–{high:0} mm")} within a stop of it");
    }

    /// <summary>Every lens with every body, once for those alike: they are held against one another.</summary>
    private sealed class LensesAlike
    {
        private readonly Compatibility compatibility;
        private readonly Dictionary<int, Compatible[]> onBodies;
        private readonly Dictionary<(int, int), bool> replaces = [];

        public LensesAlike(List<Item> here, Compatibility compatibility)
        {
            this.compatibility = compatibility;
            List<Body> bodies = [.. compatibility.Alike(here.OfType<Body>()).Select(b => (Body)b[0])];
            onBodies = compatibility.Alike(here.OfType<Lens>())
                .ToDictionary(l => compatibility.LikenessOf(l[0]), l => bodies.Select(b => compatibility.Of(b, l[0])).ToArray());
        }

        /// <summary>Whether any body here takes it.</summary>
        public bool IsOfUse(Lens lens) => Array.Exists(onBodies[compatibility.LikenessOf(lens)], b => b.Works);

        /// <summary>Whether one goes soundly on a body that the other goes on.</summary>
        public bool Replaces(Lens one, Lens other)
        {
            var pair = (compatibility.LikenessOf(one), compatibility.LikenessOf(other));
            if (!replaces.TryGetValue(pair, out var does))
            {
                var (its, others) = (onBodies[pair.Item1], onBodies[pair.Item2]);
                replaces.Add(pair, does = Enumerable.Range(0, its.Length).Any(b => others[b].Works && its[b] is { Works: true, Fit: not PairFit.Doubtful }));
            }
            return does;
        }
    }
}
