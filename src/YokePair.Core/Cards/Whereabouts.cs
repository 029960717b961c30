using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>
/// Where every card is through the day. What comes out of the first slot stays in the wallet of whoever changed it; what comes out of the
/// second goes to somebody else as soon as somebody is there, or to the bag, as the rules say.
/// </summary>
internal sealed class Whereabouts
{
    private readonly CameraDay day;
    private readonly CardClock clock;
    private readonly Dictionary<string, List<Spell>> spells = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> slotOf = new(StringComparer.Ordinal);
    private readonly Dictionary<int, int[]> partsOf = [];

    /// <param name="day">The day.</param>
    /// <param name="clock">Its moments.</param>
    /// <param name="uses">What card takes what.</param>
    /// <param name="work">The cameras at work.</param>
    public Whereabouts(CameraDay day, CardClock clock, List<CardUse> uses, List<CameraWork> work)
    {
        (this.day, this.clock) = (day, clock);
        foreach (var camera in work.GroupBy(w => w.Body)) partsOf.Add(camera.Key, [.. camera.Select(w => w.Part).Order()]);
        var actors = work.ToDictionary(w => (w.Body, w.Part), w => w.Actor);
        foreach (var slot in uses.GroupBy(u => (u.Body, u.Slot)))
        {
            foreach (var card in slot.Select(u => u.Card).OfType<string>()) slotOf[card] = slot.Key.Slot;
            CardUse? last = null;
            foreach (var use in slot.OrderBy(u => u.Part).ThenBy(u => u.From))
            {
                if (last?.Card != use.Card)
                {
                    var at = new Moment(use.Part, use.From <= 0 ? 0 : use.From / work.First(w => w.Body == use.Body && w.Part == use.Part).Frames);
                    if (last?.Card is { } old) TakeOut(old, slot.Key.Slot, actors[(use.Body, use.Part)], at);
                    if (use.Card is { } card) Add(card, new Spell(at, CardHolder.Camera, use.Body));
                }
                last = use;
            }
        }
    }

    /// <summary>A card is in something from a moment on.</summary>
    /// <param name="From">The moment.</param>
    /// <param name="Kind">What it is in.</param>
    /// <param name="Where">Number of the body, person or place.</param>
    internal sealed record Spell(Moment From, CardHolder Kind, int Where);

    /// <summary>Moments at which a card goes from one thing to another.</summary>
    public IEnumerable<Moment> Moves => spells.Values.SelectMany(s => s.Select(x => x.From));

    /// <summary>Where a card with pictures on it is, spell by spell.</summary>
    public IReadOnlyList<Spell> Of(string card) => spells.GetValueOrDefault(card) ?? [];

    /// <summary>What a card is in at a time; null = it has not been used.</summary>
    public Spell? At(string card, double time, bool justBefore) =>
        Of(card).LastOrDefault(s => justBefore ? clock.Of(s.From) < time : clock.Of(s.From) <= time);

    /// <summary>Who has a camera in the hand, or where it lies, at a time: as in the last part it was at work in.</summary>
    public (int Person, int Place) Carried(int body, double time, bool justBefore)
    {
        var parts = partsOf[body];
        var part = parts.LastOrDefault(p => clock.HasBegun(p, time, justBefore), parts[0]);
        var layout = day.Layouts[part];
        var source = layout.SourceOf(body);
        var hand = source >= day.Kit.Plan.Places.Count && source != layout.Room ? layout.HandsOf(source) : Kit.None;
        return (hand, source >= 0 && source < day.Kit.Plan.Places.Count ? source : Kit.None);
    }

    /// <summary>Where a card goes that is still in a camera when a day of work is over.</summary>
    public Spell AtTheEnd(string card, Spell last, Moment over)
    {
        var carried = Carried(last.Where, clock.Of(over), justBefore: false).Person;
        return OutOf(slotOf[card], carried == Kit.None ? 0 : carried, over).Last(s => s.From.Part <= over.Part);
    }

    /// <summary>Whose a place is; <see cref="Kit.None"/> where it is nobody's.</summary>
    public int OwnerOf(int place) => day.Kit.Plan.Places[place].Person is { } owner ? PersonOf(owner) : Kit.None;

    private int PersonOf(string id) => day.Kit.Plan.People.ToList().FindIndex(p => p.Id == id);

    private void Add(string card, Spell spell)
    {
        if (!spells.TryGetValue(card, out var list)) spells.Add(card, list = []);
        list.Add(spell);
    }

    private void TakeOut(string card, int slot, int actor, Moment at)
    {
        foreach (var spell in OutOf(slot, actor, at)) Add(card, spell);
    }

    /// <summary>Where a card goes that somebody takes out.</summary>
    public IEnumerable<Spell> OutOf(int slot, int actor, Moment at)
    {
        var half = slot == 1 ? day.Kit.Plan.Rules.Cards.Half : SecondHalf.Shooter;
        if (half == SecondHalf.Bag && Bag(at.Part) is var bag and not Kit.None) return [new Spell(at, CardHolder.Place, bag)];
        var own = new Spell(at, CardHolder.Wallet, actor);
        if (half == SecondHalf.Shooter) return [own];
        // A partner takes it as soon as one is there.
        for (var part = at.Part; part < day.Parts.Length; part++)
            if (day.Layouts[part].Actors.FirstOrDefault(a => a != actor, Kit.None) is var partner and not Kit.None)
                return part == at.Part ? [new Spell(at, CardHolder.Wallet, partner)] : [own, new Spell(new Moment(part, 0), CardHolder.Wallet, partner)];
        return Bag(at.Part) is var aside and not Kit.None ? [new Spell(at, CardHolder.Place, aside)] : [own];
    }

    /// <summary>The nearest place in a part that nobody wears.</summary>
    private int Bag(int part)
    {
        var layout = day.Layouts[part];
        return Enumerable.Range(0, day.Kit.Plan.Places.Count)
            .Where(p => day.Kit.Plan.Places[p].Person is null && layout.Actors.Any(a => !double.IsPositiveInfinity(layout.Cost(a, p))))
            .OrderBy(p => day.Kit.Plan.Places[p].ReachSeconds).FirstOrDefault(Kit.None);
    }
}
