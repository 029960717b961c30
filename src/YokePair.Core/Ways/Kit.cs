using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>A plan's items by number, with what does not change from part to part worked out once.</summary>
internal sealed class Kit
{
    /// <summary>Stands for "no item".</summary>
    public const int None = -1;

    private readonly Dictionary<string, int> indexes;
    private readonly HandlingSeconds[] seconds;

    /// <summary>The kit of a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="like">A kit made before: the glass is taken over where no camera or glass differs but in where it is packed.</param>
    public Kit(Plan plan, Kit? like = null)
    {
        Plan = plan;
        var same = like is not null && StandsOnTheSame(plan, like.Plan) ? like : null;
        Items = same?.Items ?? [.. plan.Items];
        indexes = same?.indexes ?? Items.Select((item, i) => (item.Id, i)).ToDictionary(x => x.Id, x => x.i, StringComparer.Ordinal);
        (RestsOn, SlotOf) = same is null ? Places() : (same.RestsOn, same.SlotOf);
        seconds = same?.seconds ?? [.. plan.People.Select(p => p.Seconds?.Over(plan.Rules.Seconds) ?? plan.Rules.Seconds)];
        Pairings = same?.Pairings ?? new Pairings(plan, IndexOf);
        // Whether things stand for one another depends on what is in the hands, too.
        SmallParts = same?.SmallParts ?? new SmallParts(Items, IndexOf);
        var held = same is not null && HoldsTheSame(plan, same.Plan);
        Twins = held ? same!.Twins : new Twins(plan, Items, RestsOn, IndexOf);
        Glass = held ? same!.Glass : like is null || !HasTheGlassOf(like) ? FitGlass() : same?.Glass ?? [.. like.Glass.Select(With)];
        Bodies = Indexes<Body>();
        Batteries = Indexes<Battery>();
        Cards = Indexes<Card>();
        Flashes = Indexes<Flash>();
        FlashKinds = [.. Flashes.Where(i => !Twins.IsStoodFor(i))];
        Cells = Indexes<Cells>();
        Triggers = Indexes<Trigger>();
        Supports = [.. Indexes<Support>().Where(i => ((Support)Items[i]).CarriesCamera)];
        Filters = [.. Indexes<Filter>().Where(i => !Twins.IsStoodFor(i))];
    }

    public Plan Plan { get; }

    public Item[] Items { get; }

    /// <summary>By item: the item its place points at, whatever a setup says, or <see cref="None"/>.</summary>
    public int[] RestsOn { get; }

    /// <summary>By item: the slot its place names, counted from 0, or −1.</summary>
    public int[] SlotOf { get; }

    /// <summary>Seconds that operations take a person, by number.</summary>
    public HandlingSeconds SecondsOf(int person) => seconds[person];

    /// <summary>What the owner knows of pairs of them.</summary>
    public Pairings Pairings { get; }

    /// <summary>Small parts that others cannot be used without.</summary>
    public SmallParts SmallParts { get; }

    /// <summary>Things of which there are many alike.</summary>
    public Twins Twins { get; }

    /// <summary>Every body with glass; of twins, the first.</summary>
    public FittedGlass[] Glass { get; }

    public int[] Bodies { get; }

    public int[] Batteries { get; }

    public int[] Cards { get; }

    public int[] Flashes { get; }

    /// <summary>Flashes, of twins the first.</summary>
    public int[] FlashKinds { get; }

    public int[] Cells { get; }

    public int[] Triggers { get; }

    /// <summary>Tripods and monopods.</summary>
    public int[] Supports { get; }

    /// <summary>Filters and rings, of twins the first.</summary>
    public int[] Filters { get; }

    /// <summary>Share of a full charge a thing has as the day begins.</summary>
    public double ChargeOf(int item) => Plan.Left is { } left ? left.GetValueOrDefault(Items[item].Id, 1) : 1;

    public int IndexOf(string? id) => id is not null && indexes.TryGetValue(id, out var index) ? index : None;

    /// <summary>Radio system a flash or trigger sends to; null = it sends none.</summary>
    public string? Sends(int item) => Items[item] is Flash { CanSend: true } flash ? flash.RadioSystem : (Items[item] as Trigger)?.Sends;

    /// <summary>What an item lies in or on as packed, the nearest first; in a circle each once.</summary>
    public IEnumerable<int> Bearers(int item)
    {
        for (var steps = 0; steps < Items.Length && RestsOn[item] != None; steps++) yield return item = RestsOn[item];
    }

    /// <summary>Id of the place an item is packed in, things it lies on followed; null = in none.</summary>
    public string? PackedIn(int item) => Bearers(item).Append(item).FirstOrDefault(i => RestsOn[i] == None, None) is var last and not None ? Items[last].Place
        : null;

    /// <summary>What keeps an item from being here on a day: itself, or what it lies in or on; none where it is here.</summary>
    public int AwayWith(int item, DateOnly day)
    {
        for (var steps = 0; steps <= Items.Length && item != None; steps++, item = RestsOn[item])
            if (!Items[item].IsHere(day) || Plan.PromisedOn(Items[item].Id, day) is not null) return item;
        return None;
    }

    /// <summary>Why an item is not here on a day, in words; null where it is.</summary>
    public string? WhyAway(int item, DateOnly day) => AwayWith(item, day) switch
    {
        None => null,
        var with when with == item => Why(item, day),
        var with => $"with the {Items[with].Label}, {Why(with, day)}",
    };

    private string? Why(int item, DateOnly day) => Items[item].WhyAway(day)
        ?? (Plan.PromisedOn(Items[item].Id, day) is { } assignment ? $"promised to {assignment.Name}" : null);

    /// <summary>By item, whether a part that goes on at the same time elsewhere has it in a hand or in its lights, and this part has not.</summary>
    public bool[] HeldElsewhere(Part part)
    {
        var held = new bool[Items.Length];
        foreach (var other in Plan.Parts)
        {
            if (!Day.Overlap(part, other)) continue;
            foreach (var setup in other.Setups)
                foreach (var (_, id) in setup.Named()) held[IndexOf(id)] = true;
            foreach (var light in other.Lights ?? [])
                foreach (var (_, id) in light.Named(Plan.HasPerson)) held[IndexOf(id)] = true;
        }
        return held;
    }

    /// <summary>Whether the same is in hands and in lights in every part of two plans.</summary>
    private static bool HoldsTheSame(Plan now, Plan then) =>
        now.Parts.Count == then.Parts.Count && now.Parts.Zip(then.Parts).All(
            p => ReferenceEquals(p.First.Setups, p.Second.Setups) && ReferenceEquals(p.First.Lights, p.Second.Lights));

    /// <summary>Whether only the parts of two plans differ; by reference, as an edit leaves what it does not touch.</summary>
    private static bool StandsOnTheSame(Plan now, Plan then) =>
        ReferenceEquals(now.Items, then.Items) && ReferenceEquals(now.People, then.People) && ReferenceEquals(now.Places, then.Places)
        && ReferenceEquals(now.Rules, then.Rules) && ReferenceEquals(now.Pairs, then.Pairs) && ReferenceEquals(now.PairsAtHome, then.PairsAtHome);

    private (int[] RestsOn, int[] SlotOf) Places()
    {
        var (restsOn, slotOf) = (new int[Items.Length], new int[Items.Length]);
        for (var i = 0; i < Items.Length; i++)
        {
            var at = PlaceReference.Parse(Items[i].Place, indexes.ContainsKey);
            restsOn[i] = at is { } reference ? IndexOf(reference.Item) : None;
            slotOf[i] = (at?.Slot ?? 0) - 1;
        }
        return (restsOn, slotOf);
    }

    private FittedGlass[] FitGlass()
    {
        var glass = new List<FittedGlass>();
        var told = Twins.Any ? Plan with { Items = [.. Items.Where((_, i) => !Twins.IsStoodFor(i))] } : Plan;
        foreach (var body in told.Items.OfType<Body>())
            foreach (var fitting in GlassOnBody.Fitting(body, told))
                glass.Add(new FittedGlass(glass.Count, fitting, IndexOf(body.Id), [.. fitting.Pieces.Select(p => IndexOf(p.Id))]));
        return [.. glass];
    }

    private bool HasTheGlassOf(Kit other)
    {
        if (Twins.Any || other.Twins.Any) return false;
        // What came along besides is at the end, and if it is no glass it changes none.
        if (Items.Length < other.Items.Length || !Plan.KnownPairs().SequenceEqual(other.Plan.KnownPairs())) return false;
        for (var i = 0; i < Items.Length && !ReferenceEquals(Items, other.Items); i++)
            if (i >= other.Items.Length ? IsGlass(Items[i]) : (IsGlass(Items[i]) || IsGlass(other.Items[i])) && !IsSame(Items[i], other.Items[i])) return false;
        return true;

        static bool IsSame(Item now, Item then) => ReferenceEquals(now, then) || now with { Place = null } == then with { Place = null };

        static bool IsGlass(Item item) => item is Body or Lens or Adapter or Converter or Tube;
    }

    /// <summary>Glass of another kit with the things as they are in this one.</summary>
    private FittedGlass With(FittedGlass other)
    {
        var was = other.Glass;
        return ReferenceEquals(was.Body, Items[other.Body]) && was.Pieces.Select((piece, i) => ReferenceEquals(piece, Items[other.Pieces[i]]))
            .All(same => same) ? other
            : other with
            {
                Glass = was with
                {
                    Body = (Body)Items[other.Body],
                    Lens = Now(was.Lens)!,
                    Converter = Now(was.Converter),
                    Tube = Now(was.Tube),
                    Adapter = Now(was.Adapter)
                }
            };

        T? Now<T>(T? piece) where T : Item => piece is null ? null : (T)Items[IndexOf(piece.Id)];
    }

    private int[] Indexes<T>() where T : Item => [.. Enumerable.Range(0, Items.Length).Where(i => Items[i] is T)];
}

/// <summary>A body with glass, by item numbers.</summary>
/// <param name="Index">Its place in <see cref="Kit.Glass"/>.</param>
/// <param name="Glass">What it is.</param>
/// <param name="Body">Number of the body.</param>
/// <param name="Pieces">Numbers of the pieces of glass, lens first.</param>
internal sealed record FittedGlass(int Index, GlassOnBody Glass, int Body, int[] Pieces)
{
    public int Lens => Pieces[0];

    /// <summary>Body and glass.</summary>
    public int[] Items { get; init; } = [Body, .. Pieces];
}
