using System.Runtime.CompilerServices;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>Plans the cards of a day, says where every copy is from moment to moment, and what each loss would take.</summary>
public static class CardPlans
{
    // Page, losses, causes and mends ask for the same busy day: its cards are planned once.
    private static readonly ConditionalWeakTable<DayAnalysis, Setting> Busy = [];

    private static Setting BusyOf(DayAnalysis analysis) => Busy.GetValue(analysis, a => Setting.Of(a, CameraDay.Of(a)));

    /// <summary>Plans the cards of a day.</summary>
    /// <param name="analysis">The day; what is pulled is not there.</param>
    /// <param name="level">How much is taken.</param>
    public static CardPlan Of(DayAnalysis analysis, UseLevel level = UseLevel.High)
    {
        var setting = level == UseLevel.High ? BusyOf(analysis) : Setting.Of(analysis, new CameraDay(analysis, level: level));
        var (day, clock, work, fed, uses, batches, where, exposure, isBest) = setting;
        var kit = day.Kit;
        List<Swap> changes = [.. SwapPlans.Told(day, fed)];
        return new CardPlan(
            Types(day, work, fed, uses),
            [.. SwapPlans.Lacking(day, fed)],
            changes,
            [.. fed.OrderBy(f => f.Work.Body).ThenBy(f => f.Work.Slot).GroupBy(f => (f.Work.Body, f.Work.Slot)).Select(g => Band(day, g))],
            [.. kit.Cards.Select(c => Stays(day, where, kit.Items[c], batches, exposure))],
            Moves(day, clock, uses, where),
            [
                Way(CardWayKind.Planned, uses, exposure),
                Other(CardWayKind.OneBigPair, [.. CardUse.OneBigPair(day, work)]),
                Other(CardWayKind.TwoJoins, [.. CardUse.ChangedBefore(day, work, BestJoins(day, work))]),
                Other(CardWayKind.PerPart, [.. CardUse.PerPart(day, work)]),
            ],
            exposure.OnceInOneThing(),
            [.. CardBursts.Of(analysis, day, uses)],
            setting.Evenings(),
            [.. work.Select(w => kit.Items[w.Body]).OfType<Body>().Where(b => b.RawMegabytes is null).Select(b => b.Id).Distinct()
                .Order(StringComparer.Ordinal)],
            [.. kit.Cards.Select(c => kit.Items[c].Id).Where(id => IsOld(id) && uses.Exists(u => u.Card == id))],
            [.. batches.Where(b => b.Raw.Count + b.Jpeg.Count > 1 && b.Raw.Concat(b.Jpeg).All(IsOld)).GroupBy(b => b.Body).Select(g => new OldPair(
                kit.Items[g.Key].Id, [.. g.SelectMany(b => b.Raw.Concat(b.Jpeg)).Distinct()], [.. g.Select(b => day.Parts[b.Part].Id).Distinct()]))],
            [.. DueFrames.Of(analysis, day)],
            isBest);

        bool IsOld(string card) => Failure.Losses.IsOld(kit.Plan, kit.Items[kit.IndexOf(card)]);

        CardWay Other(CardWayKind kind, List<CardUse> used) =>
            Way(kind, used, Setting.ExposureOf(analysis, day, clock, FrameBatch.From(day, used, work), new Whereabouts(day, clock, used, work)));

        CardWay Way(CardWayKind kind, List<CardUse> used, Exposure risk)
        {
            var changed = Changed(used);
            return new CardWay(kind, changed.Select(c => (c.Body, c.Part, c.From)).Distinct().Count(), changed.Count * kit.Plan.Rules.Seconds.ChangeCard,
                [.. changed.Where(c => c.From <= 0).Select(c => c.Part).Distinct().Order().Select(p => day.Parts[p].Id)], risk.Curve(), risk.Worst());
        }
    }

    /// <summary>
    /// Two joins that share the day out about as well as any two can; among those the one after the part with most of what happens once, so
    /// that it is out of the camera soon.
    /// </summary>
    private static List<int> BestJoins(CameraDay day, List<CameraWork> work)
    {
        const double about = 1.15;
        var cameras = work.GroupBy(w => w.Body).Select(g => g.ToDictionary(w => w.Part, w => w.Frames)).ToList();
        var joins = Enumerable.Range(1, Math.Max(0, day.Parts.Length - 1)).ToList();
        var pairs = joins.SelectMany(a => joins.Where(b => b > a).Select(b => new List<int> { a, b }))
            .Select(pair => (Pair: pair, Most: cameras.Select(c => Most(c, pair)).DefaultIfEmpty(0).Max())).ToList();
        if (pairs.Count == 0) return joins;
        var least = pairs.Min(p => p.Most);
        var once = Enumerable.Range(0, day.Parts.Length).Where(p => day.Parts[p].HoldsOnce)
            .OrderByDescending(p => day.Parts[p].Needs.Count(n => n.Importance == Importance.Once)).Cast<int?>().FirstOrDefault();
        return pairs.Where(p => p.Most <= least * about).OrderByDescending(p => once is { } part && p.Pair.Contains(part + 1)).ThenBy(p => p.Most).First().Pair;

        static double Most(Dictionary<int, double> frames, List<int> pair) =>
            frames.GroupBy(f => pair.Count(j => j <= f.Key)).Max(g => g.Sum(f => f.Value));
    }

    /// <summary>Uses that begin with another card than the one before in that slot.</summary>
    private static List<CardUse> Changed(List<CardUse> uses)
    {
        var changed = new List<CardUse>();
        foreach (var slot in uses.GroupBy(u => (u.Body, u.Slot)))
        {
            CardUse? last = null;
            foreach (var use in slot.OrderBy(u => u.Part).ThenBy(u => u.From))
            {
                if (last is not null && use.Card is not null && last.Card != use.Card) changed.Add(use);
                last = use;
            }
        }
        return changed;
    }

    /// <summary>What each loss would take of what is on the cards of a busy day, as planned, at its worst moment; the worst first.</summary>
    public static IReadOnlyList<CardLoss> Losses(DayAnalysis analysis) =>
        [.. BusyOf(analysis).Exposure.Worst().Where(l => l.Frames + l.JpegOnly > 0)];

    /// <summary>The cards of a day as they are used, and where they are.</summary>
    private sealed record Setting(
        CameraDay Day, CardClock Clock, List<CameraWork> Work, List<FedSlot> Fed, List<CardUse> Uses, List<FrameBatch> Batches, Whereabouts Where,
        Exposure Exposure, bool IsBest)
    {
        public static Setting Of(DayAnalysis analysis, CameraDay day, HashSet<int>? dead = null)
        {
            var work = day.Work().FindAll(w => dead?.Contains(w.Body) != true);
            var (all, isBest) = new SwapPlanner(day, work, new SwapState(day), 0).Solve();
            var fed = all.FindAll(f => f.Work.Slot != SlotWork.BatterySlot);
            var clock = new CardClock(day.Parts);
            List<CardUse> uses = [.. CardUse.Of(day, fed)];
            var (where, batches) = (new Whereabouts(day, clock, uses, work), FrameBatch.From(day, uses, work));
            return new Setting(day, clock, work, fed, uses, batches, where, ExposureOf(analysis, day, clock, batches, where), isBest);
        }

        /// <summary>What each loss would take; of several days what was copied in an earlier evening is not on the cards alone.</summary>
        public static Exposure ExposureOf(
            DayAnalysis analysis, CameraDay day, CardClock clock, List<FrameBatch> batches, Whereabouts where) =>
            new(analysis, day, clock, batches, where, EveningCopies.Of(day, clock, batches, where).SkipLast(1).SelectMany(e => e.Copies()));

        public IReadOnlyList<CardEvening> Evenings() => [.. EveningCopies.Of(Day, Clock, Batches, Where).Select(e => e.Made())];

        /// <summary>Of several evenings that after which least is safe.</summary>
        public CardEvening Evening() => Evenings().MinBy(e => (e.IsEnough, e.Copies, e.Places))!;
    }

    /// <summary>The copies of a busy day before one leaves, of several days each evening; none where nothing is shot.</summary>
    public static IReadOnlyList<CardEvening> Evenings(DayAnalysis analysis) =>
        BusyOf(analysis) is { Batches.Count: > 0 } setting ? setting.Evenings() : [];

    /// <summary>Of several evenings that after which least is safe; null where nothing is shot.</summary>
    public static CardEvening? Evening(DayAnalysis analysis) => BusyOf(analysis) is { Batches.Count: > 0 } setting ? setting.Evening() : null;

    /// <summary>What a busy day finds no room for, without planning more of it than that asks.</summary>
    public static CardLack Lack(DayAnalysis analysis)
    {
        var day = CameraDay.Of(analysis);
        var work = day.Work();
        var planner = new SwapPlanner(day, work, new SwapState(day), 0);
        var some = planner.CardsSomehow().FindAll(HasAny);
        var dying = some.GroupBy(f => TypeOf(day.Kit, f), StringComparer.Ordinal).Select(slots => WithoutLargest(day, work, slots)).OfType<CardType>().ToList();
        if (Lacking(some) <= 0) return new CardLack([], dying);
        return new CardLack([.. SwapPlans.Lacking(day, [.. planner.Solve().Fed.Where(f => f.Work.Slot != SlotWork.BatterySlot && HasAny(f))])], dying);
    }

    /// <summary>
    /// Tells what becomes of cards and copies without some things, by their ids: cameras that are gone themselves are for the needs to tell. The
    /// day with everything there is worked out once.
    /// </summary>
    public static Func<IEnumerable<string>, CardsWithout> Without(DayAnalysis analysis)
    {
        var day = CameraDay.Of(analysis);
        var before = BusyOf(analysis);
        var had = before.Evening();
        return gone =>
        {
            HashSet<int> dead = [.. gone.Select(day.Kit.IndexOf).Where(i => i != Kit.None)];
            var then = Setting.Of(analysis, day.Without(dead), dead);
            var has = then.Evening();
            var noRoom = Lacking(then.Fed.Where(HasAny)) - Lacking(before.Fed.Where(f => HasAny(f) && !dead.Contains(f.Work.Body)));
            return new CardsWithout((int)Math.Round(noRoom), has.Copies, had.Copies, has.CopiesAsked);
        };
    }

    /// <summary>How many of a type are lacking with the largest dead; null = none, or the sizes are not known.</summary>
    private static CardType? WithoutLargest(CameraDay day, List<CameraWork> work, IGrouping<string, FedSlot> slots)
    {
        var kit = day.Kit;
        int[] all = [.. kit.Cards.Where(c => ((Card)kit.Items[c]).Type == slots.Key)];
        int[] ready = [.. all.Where(c => ((Card)kit.Items[c]).CanRecord && day.IsEverThere(c))];
        if (ready.Length == 0 || Array.Exists(ready, c => ((Card)kit.Items[c]).Gigabytes is null)) return null;
        var used = slots.SelectMany(f => f.Work.Items.Concat(f.PutIn)).ToHashSet();
        var largest = ready.MaxBy(c => ((Card)kit.Items[c]).Gigabytes);
        // One like it that lies ready all day takes its place, whatever else is planned.
        if (Array.Exists(ready, c => c != largest && !used.Contains(c) && ((Card)kit.Items[c]).Gigabytes >= ((Card)kit.Items[largest]).Gigabytes
            && kit.PackedIn(c) is { } place && !Array.Exists(day.Parts, p => p.Unreachable.Contains(place)))) return null;
        var missing = Missing(day, work, slots, largest);
        return missing <= 0 ? null : new CardType(slots.Key, all.Length, ready.Length, used.Count(ready.Contains), ready.Length + missing, 0);
    }

    /// <summary>How many cards of the size of the largest are lacking when it is dead: a slot in which it would be takes another then.</summary>
    private static int Missing(CameraDay day, List<CameraWork> work, IGrouping<string, FedSlot> slots, int largest)
    {
        var without = new SwapPlanner(day.Without(new HashSet<int> { largest }), work, new SwapState(day), 0).CardsSomehow();
        return (int)Math.Ceiling(Lacking(without.Where(f => TypeOf(day.Kit, f) == slots.Key)) / slots.Min(f => f.Work.FramesOf(day.Kit, largest)));
    }

    /// <summary>Whether there is a card for a slot at all: where there is none the needs tell.</summary>
    private static bool HasAny(FedSlot slot) => slot.Work.Items.Length > 0 || slot.PutIn.Any(i => i != Kit.None);

    private static List<CardType> Types(CameraDay day, List<CameraWork> work, List<FedSlot> fed, List<CardUse> uses)
    {
        var kit = day.Kit;
        var used = uses.Where(u => u.Card is not null && u.To > u.From).Select(u => u.Card!).Distinct()
            .ToLookup(c => (kit.Items[kit.IndexOf(c)] as Card)?.Type);
        var types = new List<CardType>();
        foreach (var slots in fed.GroupBy(f => TypeOf(kit, f), StringComparer.Ordinal))
        {
            int[] all = [.. kit.Cards.Where(c => ((Card)kit.Items[c]).Type == slots.Key)];
            int[] ready = [.. all.Where(c => ((Card)kit.Items[c]).CanRecord && day.IsEverThere(c))];
            var largest = ready.DefaultIfEmpty(Kit.None).MaxBy(c => c == Kit.None ? 0 : ((Card)kit.Items[c]).Gigabytes ?? double.PositiveInfinity);
            var missing = largest == Kit.None ? slots.Count() : Missing(day, work, slots, largest);
            var drawn = used[slots.Key].Count();
            types.Add(new CardType(slots.Key, all.Length, ready.Length, drawn, missing > 0 ? ready.Length + missing : Math.Min(ready.Length, drawn + 1),
                Unmet(kit, slots)));
        }
        return [.. types.OrderByDescending(t => t.Short).ThenBy(t => t.Type, StringComparer.Ordinal)];
    }

    private static double Lacking(IEnumerable<FedSlot> fed) =>
        fed.Sum(f => f.Choice.Swaps.Where(s => s.Class is null).Sum(s => f.Work.Draws[s.Draw].Frames - s.AfterFrames));

    /// <summary>Parts that should be begun on a clear card and are not.</summary>
    private static int Unmet(Kit kit, IEnumerable<FedSlot> slots) =>
        slots.Sum(f => f.Work.Draws.Select((d, n) => (d, n)).Count(x => x.d.Clear
            && !f.Choice.Swaps.Any(s => s.Draw == x.n && s is { AfterFrames: 0, Class: not null })));

    private static string TypeOf(Kit kit, FedSlot slot) => ((Body)kit.Items[slot.Work.Body]).Slots[slot.Work.Slot].Type ?? "card";

    private static CardBand Band(CameraDay day, IGrouping<(int Body, int Slot), FedSlot> slot) => new(day.Kit.Items[slot.Key.Body].Id, slot.Key.Slot + 1,
        [.. slot.SelectMany(f => f.Levels(day.Kit)).Select(l => new CardLevel(
            day.Parts[l.Part].Id, Math.Round(l.At, 4), Math.Round(1 - l.Left, 4), l.Items is [var first, ..] ? day.Kit.Items[first].Id : null))]);

    private static CardStays Stays(CameraDay day, Whereabouts where, Item card, List<FrameBatch> batches, Exposure exposure)
    {
        var (kit, plan) = (day.Kit, day.Kit.Plan);
        var stays = new List<CardStay>();
        var first = day.Parts[0].Id;
        var spells = where.Of(card.Id);
        if (spells is not [{ From: { Part: 0, Share: 0 } }, ..])
        {
            var rests = kit.RestsOn[kit.IndexOf(card.Id)];
            if (rests != Kit.None && kit.Items[rests] is Body) stays.Add(new CardStay(first, 0, CardHolder.Camera, kit.Items[rests].Id, false));
            else if (kit.PackedIn(kit.IndexOf(card.Id)) is { } place) stays.Add(new CardStay(first, 0, CardHolder.Place, place, false));
        }
        stays.AddRange(spells.Select(s => new CardStay(day.Parts[s.From.Part].Id, Math.Round(s.From.Share, 4), s.Kind,
            IdOf(day, s), true)));
        var on = batches.FindAll(b => b.Raw.Contains(card.Id) || b.Jpeg.Contains(card.Id));
        return new CardStays(card.Id, stays,
            [.. on.GroupBy(b => b.Part).OrderBy(g => g.Key).Select(g => new LostFrames(day.Parts[g.Key].Id, (int)Math.Round(g.Sum(b => b.End - b.First))))],
            [.. exposure.Pictures(on)]);
    }

    private static string IdOf(CameraDay day, Whereabouts.Spell spell) => spell.Kind switch
    {
        CardHolder.Camera => day.Kit.Items[spell.Where].Id,
        CardHolder.Wallet => day.Kit.Plan.People[spell.Where].Id,
        _ => day.Kit.Plan.Places[spell.Where].Id,
    };

    /// <summary>Cards as they go in and out, what goes out first; after the last part all that are still in cameras.</summary>
    private static List<CardMove> Moves(CameraDay day, CardClock clock, List<CardUse> uses, Whereabouts where)
    {
        var moves = new List<(double At, bool IsIn, CardMove Move)>();
        var over = clock.EndOf(Enumerable.Range(0, day.Parts.Length));
        foreach (var card in uses.Select(u => u.Card).OfType<string>().Distinct())
        {
            foreach (var spell in where.Of(card))
            {
                // What is loaded from the start of the day is in before its first part, whenever its camera begins.
                var isLoaded = spell.Kind == CardHolder.Camera && day.Kit.RestsOn[day.Kit.IndexOf(card)] == spell.Where;
                moves.Add((isLoaded ? -1 : clock.Of(spell.From), spell.Kind == CardHolder.Camera,
                    new CardMove(day.Parts[isLoaded ? 0 : spell.From.Part].Id, card, spell.Kind, IdOf(day, spell), spell.Kind == CardHolder.Camera
                        ? OtherHalf(uses, card, spell) : null, spell.Kind == CardHolder.Camera && TakesJpeg(card))));
            }
            if (where.Of(card)[^1] is { Kind: CardHolder.Camera } last)
                moves.Add((double.PositiveInfinity, false, new CardMove(null, card, where.AtTheEnd(card, last, over).Kind,
                    IdOf(day, where.AtTheEnd(card, last, over)), null)));
        }
        return [.. moves.OrderBy(m => m.At).ThenBy(m => m.IsIn).Select(m => m.Move)];

        bool TakesJpeg(string card) => uses.Exists(u => u.Card == card && day.Kit.Plan.Rules.TakesJpeg(u.Slot));
    }

    /// <summary>The card in the other slot from that moment on.</summary>
    private static string? OtherHalf(List<CardUse> uses, string card, Whereabouts.Spell spell)
    {
        var use = uses.First(u => u.Card == card && u.Body == spell.Where && u.Part >= spell.From.Part);
        return uses.FirstOrDefault(u => u.Body == use.Body && u.Part == use.Part && u.Slot != use.Slot && u.From < use.To && u.To > use.From)?.Card;
    }
}
