using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Swaps;

namespace YokePair.Core.Tests;

/// <summary>
/// A day lived part by part and camera by camera, with every swap one could make tried out; or with the swaps of a plan, to see
/// what they are worth and that each can be made. Slow and plain, for days of <see cref="SwapDay"/> only.
/// </summary>
internal sealed class SlowSwaps(Plan plan, bool cards, IReadOnlyList<Pulled> pulled, int pullAt, Report whole, Report left)
{
    private sealed record Slot(string? Item, double Level);

    private sealed record State(Dictionary<(string Body, int Slot), Slot> In);

    /// <summary>What is wrong, the worst first.</summary>
    internal readonly record struct Cost(
        double Short, int Ahead, int Risks, int Unpinned, int Unclear, int Walks, int Hurried, int Reserve, int Inside, int Spares, int Stale, int Swaps)
            : IComparable<Cost>
    {
        public static Cost operator +(Cost a, Cost b) => new(
            a.Short + b.Short, a.Ahead + b.Ahead, a.Risks + b.Risks, a.Unpinned + b.Unpinned, a.Unclear + b.Unclear, a.Walks + b.Walks, a.Hurried + b.Hurried,
                a.Reserve + b.Reserve,
            a.Inside + b.Inside, a.Spares + b.Spares, a.Stale + b.Stale, a.Swaps + b.Swaps);

        public int CompareTo(Cost other)
        {
            var bits = new[] { Math.Round(Short, 6), Ahead, Risks, Unpinned, Unclear, Walks, Hurried, Reserve, Inside, Spares, Stale, Swaps };
            var others = new[] { Math.Round(other.Short, 6), other.Ahead, other.Risks, other.Unpinned, other.Unclear, other.Walks, other.Hurried,
                other.Reserve, other.Inside, other.Spares, other.Stale, other.Swaps };
            return bits.Zip(others).Select(x => x.First.CompareTo(x.Second)).FirstOrDefault(c => c != 0);
        }
    }

    private SwapPlan? script;
    private int scriptUntil;

    /// <summary>What the swaps of a plan cost from the moment of the pull on.</summary>
    public Cost Of(SwapPlan swaps)
    {
        (script, scriptUntil) = (swaps, int.MaxValue);
        return Live(0, 0, new State([]), []);
    }

    /// <summary>The least that any swaps cost from there on, when up to it those of a plan were made.</summary>
    public Cost Best(SwapPlan before)
    {
        (script, scriptUntil) = (before, pullAt);
        return Live(0, 0, new State([]), []);
    }

    private bool IsAbsent(string? person, int part) => part >= pullAt && pulled.Any(p => p.Kind == LossKind.Person && p.Item == person);

    private bool IsGone(string id, int part) => part >= pullAt && pulled.Any(p => p.Item == id);

    /// <summary>The cameras of a part, as one knows them before the pull or after it.</summary>
    private List<(string Body, string Person, double Frames)> Work(int part, bool knows)
    {
        var p = plan.Parts[part];
        var report = knows ? left : whole;
        var bodies = p.Setups.Where(s => !knows || (!IsAbsent(s.Person, part) && !IsGone(s.Body!, part) && !IsGone(s.Lens!, part)))
            .Select(s => (s.Body!, s.Person)).ToList();
        var firsts = report.Needs.Where(n => n.Part == p.Id && n.Baseline.IsMet()).Select(n => n.Best!).ToList();
        foreach (var way in firsts)
            if (bodies.All(b => b.Item1 != way.Body)) bodies.Add((way.Body!, way.Person));
        // One share each, and one for each picture it is the first choice for.
        var shares = bodies.Count + firsts.Count;
        return [.. bodies.Select(b => (b.Item1, b.Person, (double)p.Frames!.High * (1 + firsts.Count(f => f.Body == b.Item1)) / shares))
            .Where(b => b.Item3 > 0)];
    }

    private List<(string Body, string Person, double Frames, int Slot)> Slots(int part) => [.. Work(part, part >= pullAt).SelectMany(w =>
        Enumerable.Range(0, cards ? Of(w.Body).Slots.Count : 1).Select(slot => (w.Body, w.Person, w.Frames, slot)))];

    private Body Of(string id) => plan.Items.OfType<Body>().First(b => b.Id == id);

    private Item Thing(string id) => plan.Items.First(i => i.Id == id);

    private double Full(string body, string item) => cards
        ? Math.Floor(((Card)Thing(item)).Gigabytes!.Value * 950 * 0.95 / Of(body).RawMegabytes!.Value)
        : Of(body).FramesPerCharge!.Value * ((Battery)Thing(item)).Health!.Value;

    /// <summary>A slot as it is: what was put in, else what is packed in it. What is packed in a camera that works later is not free.</summary>
    private Slot InSlot(State state, List<string> used, string body, int slot, int part)
    {
        if (state.In.TryGetValue((body, slot), out var at)) return at.Item is { } held && IsGone(held, part) ? new Slot(null, 0) : at;
        var packed = plan.Items.FirstOrDefault(i => (cards ? i is Card : i is Battery) && i.Place == (cards ? $"@{body}/{slot + 1}" : "@" + body)
            && !IsGone(i.Id, part) && !used.Contains(i.Id));
        return packed is null ? new Slot(null, 0) : new Slot(packed.Id, Full(body, packed.Id));
    }

    // Long: plain and in order, that it can be held against the rules line by line.
    private Cost Live(int part, int camera, State state, List<string> used)
    {
        if (part == plan.Parts.Count) return default;
        var slots = Slots(part);
        if (camera == slots.Count) return Live(part + 1, 0, state, used);
        var (body, person, frames, slot) = slots[camera];
        var p = plan.Parts[part];
        var cold = cards ? 1 : p.TemperatureC switch { 0 => 0.8, -10 => 0.65, _ => 1 };
        var once = p.Needs.Any(n => n.Importance == Importance.Once);
        var now = InSlot(state, used, body, slot, part);
        var count = part >= pullAt;
        var mine = part < scriptUntil ? script!.Swaps.Where(s => s.Part == p.Id && s.Body == body && (s.Slot ?? 1) - 1 == slot && s.Slot is null != cards)
            .ToList() : null;
        var best = new Cost { Short = double.PositiveInfinity };
        foreach (var first in mine is null ? Free(state, used, body, slot, person, part, true).Append(null)
            : [mine.FirstOrDefault(s => s.AfterFrames is null)?.In])
        {
            if (mine is not null && first is not null) Assert.Contains(first, Free(state, used, body, slot, person, part, true));
            var unpinned = new Cost { Unpinned = !cards && p.Changes?.Contains(body) == true ? 1 : 0 };
            if (first is null) Try(state, now, used, unpinned + Clear(now, robbed: false), frames / cold, 0);
            else if (Swapped(state, first, person, part, true) is var cost) Try(
                Without(state, first), Filled(state, body, first), [.. used, first], cost + Clear(Filled(state, body, first), cost.Spares > 0), frames / cold,
                    0);
        }
        return best;

        Cost Clear(Slot begun, bool robbed) => new()
        {
            Unclear = AsksClear(body, part)
            && (begun.Item is null || robbed || begun.Level + 1e-6 < Full(body, begun.Item)) ? 1 : 0
        };

        // What is in the slot is used until the part ends or it runs out; then another is put in, or the rest goes without.
        void Try(State at, Slot inside, List<string> gone, Cost cost, double rest, int inSwaps)
        {
            if (once && inSwaps == 0 && inside.Level + 1e-6 < rest) cost += new Cost { Risks = 1 };
            // What would do, but eats into the reserve, is less bad than walking for more while a picture waits.
            else if (once && inSwaps == 0 && !cards && inside.Item is not null && inside.Level + 1e-6 < rest
                + 0.15 * Full(body, inside.Item)) cost += new Cost { Reserve = 1 };
            if (once && inSwaps == 0 && !cards && plan.Rules.FreshBeforeOnce && inside.Item is not null && inside.Level > 0 && inside.Level
                + 1e-6 < 0.7 * Full(body, inside.Item))
                cost += new Cost { Stale = 1 };
            if (inside.Level + 1e-6 >= rest)
            {
                Done(at, new Slot(inside.Item, inside.Level - rest), gone, cost);
                return;
            }
            var without = rest - inside.Level;
            var offers = (mine is null ? Free(at, gone, body, slot, person, part, false) : mine.Where(s => s.AfterFrames is not null).Skip(inSwaps).Take(1)
                .Select(s => (string?)s.In)).ToList();
            if (inside.Level > 0)
                foreach (var next in offers)
                    Try(Without(at, next!), Filled(at, body, next!), [.. gone, next!], cost + Swapped(at, next!, person, part, false)
                        + (once ? new Cost { Risks = 1 } : new Cost { Inside = 1 }), without, inSwaps + 1);
            if (mine is null || offers.Count == 0) Done(at, new Slot(inside.Item, 0), gone, cost
                + new Cost { Short = without * cold, Ahead = ToCome(body, part) });
        }

        void Done(State at, Slot inside, List<string> gone, Cost cost)
        {
            var then = new State(new(at.In) { [(body, slot)] = inside });
            var all = (count ? cost : default) + Live(part, camera + 1, then, gone);
            if (all.CompareTo(best) < 0) best = all;
        }
    }

    /// <summary>Parts in which a camera works from one on.</summary>
    private int ToCome(string body, int part) => Enumerable.Range(part, plan.Parts.Count - part).Count(p => Work(p, p >= pullAt).Any(w => w.Body == body));

    /// <summary>Whether a camera that has been at work before should begin a part on a clear card.</summary>
    private bool AsksClear(string body, int part)
    {
        var last = cards ? Enumerable.Range(0, part).LastOrDefault(p => Work(p, p >= pullAt).Any(w => w.Body == body), -1) : -1;
        return last >= 0 && (plan.Rules.Cards.Policy == CardPolicy.PerPart || Enumerable.Range(last + 1, part - last)
            .Any(p => plan.Parts[p].ChangeCards == true));
    }

    private Slot Filled(State state, string body, string item) => new(item, Full(body, item) * Share(state, item));

    /// <summary>What comes out of a camera is in it no longer.</summary>
    private static State Without(State state, string item) => new(state.In.ToDictionary(s => s.Key, s => s.Value.Item == item ? new Slot(null, 0) : s.Value));

    /// <summary>A battery that was in a camera which has failed has what that left in it.</summary>
    private double Share(State state, string item) =>
        state.In.Where(s => s.Value.Item == item).Select(s => (double?)(s.Value.Level / Full(s.Key.Body, item))).FirstOrDefault() ?? 1;

    private Cost Swapped(State state, string item, string person, int part, bool join)
    {
        var p = plan.Parts[part];
        var seconds = Seconds(state, item, person, part, join)!.Value;
        var wait = p.Needs.Count == 0 ? double.PositiveInfinity : p.Needs[0].Importance == Importance.Once ? 15 : 300;
        var free = !join ? 0 : part == 0 ? double.PositiveInfinity : part == pullAt && pulled.Count > 0 ? 0
            : plan.Parts[part - 1].Needs.Count == 0 ? (p.Start!.Value - plan.Parts[part - 1].Start!.Value).TotalSeconds
                : (p.Start!.Value - plan.Parts[part - 1].End!.Value).TotalSeconds;
        var inside = state.In.Where(s => s.Value.Item == item).Select(s => s.Key.Body).FirstOrDefault()
            ?? (Thing(item).Place is ['@', .. var body] ? body.Split('/')[0] : null);
        return new Cost
        {
            Swaps = 1,
            Spares = inside is not null && !IsGone(inside, part < pullAt ? 0 : pullAt) ? 1 : 0,
            Walks = seconds - 20 > free + wait ? 1
            : 0,
            Hurried = seconds > free + wait ? 1 : 0
        };
    }

    private double? Seconds(State state, string item, string person, int part, bool join)
    {
        var here = From(part);
        var before = join && part > (pulled.Count > 0 && part >= pullAt ? pullAt : 0) ? From(part - 1) : null;
        return (here, before) switch { (null, null) => null, (null, _) => before, (_, null) => here, _ => Math.Min(here.Value, before.Value) } + 20;

        double? From(int p)
        {
            var at = state.In.Where(s => s.Value.Item == item).Select(s => "@" + s.Key.Body).FirstOrDefault() ?? Thing(item).Place!;
            for (; at.StartsWith('@'); at = Thing(at[1..].Split('/')[0]).Place!)
                if (plan.Parts[p].Setups.FirstOrDefault(s => s.Body == at[1..].Split('/')[0]) is { } hand) return IsAbsent(hand.Person, p) ? null
                    : hand.Person == person ? 0 : 60;
            if (plan.Parts[p].Unreachable.Contains(at)) return null;
            var place = plan.Places.First(x => x.Id == at);
            if (IsAbsent(place.Person, p)) return null;
            return place.ReachSeconds + (place.Person is { } owner && owner != person ? 60 : 0);
        }
    }

    private IEnumerable<string?> Free(State state, List<string> used, string body, int slot, string person, int part, bool join)
    {
        var start = pulled.Count > 0 && part >= pullAt ? pullAt : 0;
        var working = Enumerable.Range(start, plan.Parts.Count - start).SelectMany(p => Work(p, part >= pullAt)).Select(w => w.Body).ToHashSet();
        foreach (var item in plan.Items)
        {
            var type = item is Battery battery && !cards ? battery.Type : item is Card card && cards ? card.Type : null;
            if (type is null || type != (cards ? Of(body).Slots[slot].Type : Of(body).BatteryType) || IsGone(item.Id, part)) continue;
            var holder = state.In.Where(s => s.Value.Item == item.Id).Select(s => s.Key.Body).FirstOrDefault();
            var packed = item.Place!.StartsWith('@') ? item.Place[1..].Split('/')[0] : null;
            if (holder is null && used.Contains(item.Id)) continue;
            if (holder is not null && (working.Contains(holder) || cards || Share(state, item.Id) <= 0)) continue;
            if (holder is null && packed is not null && (working.Contains(packed) || state.In.Keys.Any(k => k.Body == packed))) continue;
            if (Seconds(state, item.Id, person, part, join) is not null) yield return item.Id;
        }
    }
}
