using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>
/// Where everything is in one part, and what it costs each person to get at it. A <em>source</em> is a number: a place,
/// somebody's hands, or the lights that stand in the room; <see cref="Nowhere"/> cannot be fetched from.
/// </summary>
internal sealed class PartLayout
{
    /// <summary>Source of a thing that is in no usable place.</summary>
    public const int Nowhere = -1;

    private readonly Kit kit;
    private readonly int[] setupOf;
    private readonly bool[] lit;
    private readonly bool[] elsewhere;
    private readonly HashSet<int> present;
    private readonly int[] spots;
    private readonly double[]?[] costs;
    private readonly Dictionary<int, int[]> onBody = [];
    private readonly Dictionary<string, int> places = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> people = new(StringComparer.Ordinal);

    public PartLayout(Kit kit, Part part)
    {
        this.kit = kit;
        Part = part;
        for (var i = 0; i < kit.Plan.Places.Count; i++) places.Add(kit.Plan.Places[i].Id, i);
        for (var i = 0; i < kit.Plan.People.Count; i++) people.Add(kit.Plan.People[i].Id, i);
        present = part.Present is null
            ? [.. Enumerable.Range(0, people.Count)]
            : [.. part.Present.Select(p => people[p])];
        Actors = [.. present.Where(p => kit.Plan.People[p].Role != PersonRole.Assistant).Order()];

        setupOf = new int[kit.Items.Length];
        Array.Fill(setupOf, Kit.None);
        for (var s = 0; s < part.Setups.Count; s++)
            foreach (var (_, id) in part.Setups[s].Named())
                setupOf[kit.IndexOf(id)] = s;

        lit = new bool[kit.Items.Length];
        foreach (var light in part.Lights ?? [])
            foreach (var (_, id) in light.Named(people.ContainsKey)) lit[kit.IndexOf(id)] = true;
        elsewhere = kit.HeldElsewhere(part);
        spots = new int[kit.Items.Length];
        for (var i = 0; i < spots.Length; i++) spots[i] = Resolve(i);
        costs = new double[]?[people.Count];
        foreach (var actor in Actors) costs[actor] = CostsFor(actor);
        foreach (var body in kit.Bodies) onBody[body] = GlassOn(body);
    }

    public Part Part { get; }

    public Kit Kit => kit;

    /// <summary>Numbers of the people who are there and photograph.</summary>
    public int[] Actors { get; }

    /// <summary>Whether somebody is there, whatever they do.</summary>
    public bool IsPresent(int person) => present.Contains(person);

    /// <summary>Number of a person.</summary>
    public int PersonIndex(string id) => people[id];

    /// <summary>Number of a person, or <see cref="Kit.None"/> where the id is no person's.</summary>
    public int PersonOrNone(string id) => people.GetValueOrDefault(id, Kit.None);

    /// <summary>Whether a thing stands with the lights in the room.</summary>
    public bool IsLit(int item) => lit[item];

    /// <summary>The source of things that stand with the lights in the room.</summary>
    public int Room => kit.Plan.Places.Count + people.Count;

    /// <summary>Whether a thing is in a camera that is left alone in this part.</summary>
    public bool IsUnattended(int item) => SetupOf(item)?.Unattended == true;

    /// <summary>Source an item must be fetched from.</summary>
    public int SourceOf(int item) => spots[item];

    /// <summary>Seconds for a person to fetch from a source; infinite if they cannot, as whoever is absent or does not photograph.</summary>
    public double Cost(int actor, int source) => source == Nowhere ? double.PositiveInfinity : costs[actor]?[source] ?? double.PositiveInfinity;

    /// <summary>The person whose hands, or whose place, a source is; <see cref="Kit.None"/> for anybody's.</summary>
    public int OwnerOf(int source) =>
        source == Nowhere || source == Room ? Kit.None
        : source >= kit.Plan.Places.Count ? HandsOf(source)
        : kit.Plan.Places[source].Person is { } owner ? people[owner] : Kit.None;

    /// <summary>The person whose hands a source is, or −1 for a place.</summary>
    public int HandsOf(int source) => source - kit.Plan.Places.Count;

    /// <summary>Glass, adapter, converter and tube that are on a body.</summary>
    public int[] OnBody(int body) => onBody[body];

    /// <summary>The setup that names an item, or null.</summary>
    public Setup? SetupOf(int item) => setupOf[item] == Kit.None ? null : Part.Setups[setupOf[item]];

    /// <summary>Whether a battery is in a body: the one its setup names, else all that are packed in it.</summary>
    public bool BatteryIn(int battery, int body)
    {
        var setup = SetupOf(body);
        if (setup?.Battery is { } named) return kit.IndexOf(named) == battery;
        return setupOf[battery] == Kit.None && !elsewhere[battery] && kit.RestsOn[battery] == body;
    }

    /// <summary>Whether a card is in a slot (from 0) of a body: the one its setup names for it, else the one packed in it.</summary>
    public bool CardIn(int card, int body, int slot)
    {
        var cards = SetupOf(body)?.Cards;
        if (cards is not null && slot < cards.Count && cards[slot] is { } named) return kit.IndexOf(named) == card;
        return setupOf[card] == Kit.None && !elsewhere[card] && kit.RestsOn[card] == body && kit.SlotOf[card] == slot;
    }

    /// <summary>Whether a flash or trigger sits in a body's shoe.</summary>
    public bool InShoe(int thing, int body)
    {
        if (SetupOf(body) is { } setup) return kit.IndexOf(setup.Flash) == thing || kit.IndexOf(setup.Trigger) == thing;
        return Rests(thing, body);
    }

    /// <summary>Whether a body stands on a support.</summary>
    public bool OnSupport(int support, int body) => SetupOf(body) is { } setup && kit.IndexOf(setup.Support) == support;

    /// <summary>Whether a thing is packed on one of some others, and is there.</summary>
    public bool IsOnAny(int thing, int[] others) => Array.Exists(others, on => Rests(thing, on));

    private int Resolve(int item)
    {
        for (var steps = 0; steps <= kit.Items.Length; steps++)
        {
            if (SetupOf(item) is { } setup) return setup.Unattended == true ? Nowhere : kit.Plan.Places.Count + people[setup.Person];
            if (elsewhere[item]) return Nowhere;
            if (lit[item]) return Room;
            if (kit.RestsOn[item] == Kit.None)
                return kit.Items[item].Place is { } place && places.TryGetValue(place, out var index) ? index : Nowhere;
            item = kit.RestsOn[item];
        }
        return Nowhere;
    }

    private double[] CostsFor(int actor)
    {
        var cost = new double[Room + 1];
        for (var i = 0; i < kit.Plan.Places.Count; i++)
        {
            var place = kit.Plan.Places[i];
            var owner = place.Person is null ? actor : people[place.Person];
            cost[i] = Part.Unreachable.Contains(place.Id) || !present.Contains(owner)
                ? double.PositiveInfinity
                : Part.ReachSeconds?.TryGetValue(place.Id, out var here) == true ? here : place.ReachSeconds;
            if (owner != actor) cost[i] += HandOver(owner, actor);
        }
        for (var p = 0; p < people.Count; p++)
            cost[kit.Plan.Places.Count + p] = p == actor ? 0 : present.Contains(p) ? HandOver(p, actor) : double.PositiveInfinity;
        cost[Room] = kit.SecondsOf(actor).PlaceLight;
        return cost;
    }

    /// <summary>Seconds it takes one person to be handed something by another: as who hands over is known for, else as who takes it is used to.</summary>
    private double HandOver(int from, int to) => kit.Plan.People[from].HandOverSeconds ?? kit.SecondsOf(to).Borrow;

    private int[] GlassOn(int body)
    {
        if (SetupOf(body) is { } setup)
            return [.. new[] { setup.Lens, setup.Converter, setup.Tube, setup.Adapter }.Where(id => id is not null).Select(kit.IndexOf)];
        var on = new List<int>();
        var lens = Kit.None;
        for (var i = 0; i < kit.Items.Length && lens == Kit.None; i++)
            if (kit.Items[i] is Lens && Rests(i, body)) lens = i;
        if (lens != Kit.None) on.Add(lens);
        for (var i = 0; i < kit.Items.Length; i++)
            if (kit.Items[i] is Adapter or Converter or Tube && (Rests(i, body) || (lens != Kit.None && Rests(i, lens)))) on.Add(i);
        return [.. on];
    }

    private bool Rests(int item, int on) => setupOf[item] == Kit.None && !lit[item] && !elsewhere[item] && kit.RestsOn[item] == on;
}
