namespace YokePair.Core.Ways;

/// <summary>Something a rig wants of which there may be several: a battery, cells for a flash, a tripod.</summary>
/// <param name="Kind">What for.</param>
/// <param name="Groups">What would do, cheapest first.</param>
internal readonly record struct Ask(Want Kind, OptionGroup[] Groups);

/// <summary>
/// A person bringing one body with one chain of glass (and perhaps light) to the eye in one part: everything of a way
/// but what may be filled in in many interchangeable ways, which are its <see cref="Asks"/> and its cards.
/// </summary>
internal sealed record Rig
{
    /// <summary>Body and glass; null for a thing that serves a role.</summary>
    public FittedGlass? Fitted { get; init; }

    /// <summary>Number of the person who acts.</summary>
    public required int Actor { get; init; }

    /// <summary>Number of the hands it takes: the person's, or those of a camera left alone, counted after the people.</summary>
    public required int Hands { get; init; }

    /// <summary>What it wants besides cards.</summary>
    public required Ask[] Asks { get; init; }

    /// <summary>Cards by slot; null where none are asked.</summary>
    public Supplies? Cards { get; init; }

    /// <summary>Whether two of its asks want the same things, so that one cannot serve both.</summary>
    public bool Competes { get; private init; }

    /// <summary>Number of the flash on the camera, or <see cref="Kit.None"/>.</summary>
    public int Flash { get; init; } = Kit.None;

    /// <summary>Lights in the room it relies on; null = none.</summary>
    public LightSet? Lights { get; init; }

    /// <summary>Number of the flash or trigger that fires them, or <see cref="Kit.None"/>.</summary>
    public int Sender { get; init; } = Kit.None;

    /// <summary>Whether it is on a tripod or monopod.</summary>
    public bool Supported { get; private init; }

    /// <summary>ND filter and ring, or none.</summary>
    public int[] Filters { get; init; } = [];

    /// <summary>Everything that must not fail: body, glass, light.</summary>
    public required int[] Items { get; init; }

    /// <summary>Where something must be fetched from, each source once.</summary>
    public required int[] Sources { get; init; }

    /// <summary>Whether the lens must be changed.</summary>
    public bool ChangesLens { get; private init; }

    /// <summary>Whether the flash or trigger must be put in the shoe.</summary>
    public bool FitsShoe { get; private init; }

    /// <summary>Seconds, fetching included, asks and cards not.</summary>
    public required double Seconds { get; init; }

    /// <summary>Where some of its things are one of many alike: how to name those taken.</summary>
    public TwinRig? Twins { get; private init; }

    /// <summary>The rig with the first of each of its twins among its items.</summary>
    public Rig Whole => Twins?.Whole ?? this;

    /// <summary>Whether anything of it has failed, or all that are alike.</summary>
    public bool IsHit(bool[] failed)
    {
        foreach (var item in Items)
            if (failed[item]) return true;
        return Twins?.AreHit(failed) == true;
    }

    /// <summary>The same rig, its items without those that have twins: which one is taken becomes an ask.</summary>
    public Rig WithTwins(Kit kit)
    {
        // Plain loops: with many of each thing this is asked of every rig of the day.
        var count = 0;
        foreach (var item in Items)
            if (kit.Twins.Of(item) is not null) count++;
        if (count == 0) return this;
        var (alike, single, asks) = (new int[count], new int[Items.Length - count], new Ask[count + Asks.Length]);
        var (a, s, repeated) = (0, 0, false);
        foreach (var item in Items)
            if (kit.Twins.AskFor(item) is { } ask)
            {
                repeated |= Array.IndexOf(alike, item, 0, a) >= 0;
                (alike[a], asks[a]) = (item, ask);
                a++;
            }
            else single[s++] = item;
        Asks.CopyTo(asks, count);
        return this with
        {
            Items = single,
            Asks = asks,
            Competes = Competes || repeated,
            Twins = new TwinRig(kit, this, alike),
        };
    }

    /// <summary>The same rig with the small parts its things cannot be used without; null where one cannot be got at.</summary>
    public Rig? WithSmallParts(Kit kit, PartLayout layout) => kit.SmallParts.For(kit, layout, this) switch
    {
        null => null,
        [] => this,
        var more => this with { Asks = [.. Asks, .. more], Competes = Competing(more) },
    };

    /// <summary>Works out a rig; null when a piece cannot be got at.</summary>
    public static Rig? Create(Kit kit, PartLayout layout, FittedGlass fitted, int actor, Supplies supplies)
    {
        var hands = kit.SecondsOf(actor);
        var seconds = layout.Cost(actor, layout.SourceOf(fitted.Body)) + hands.Raise;
        if (double.IsPositiveInfinity(seconds)) return null;
        var on = layout.OnBody(fitted.Body);
        var changes = IsChanged(on, fitted);
        // At most four sources: body, lens, converter or tube, adapter.
        Span<int> sources = stackalloc int[4];
        sources[0] = layout.SourceOf(fitted.Body);
        var count = 1;
        if (changes)
        {
            seconds += hands.ChangeLens;
            foreach (var piece in fitted.Pieces)
            {
                if (Array.IndexOf(on, piece) >= 0) continue;
                if (IsFitted(kit, fitted, piece)) seconds += hands.FitAdapter;
                var source = layout.SourceOf(piece);
                if (sources[..count].Contains(source)) continue;
                seconds += layout.Cost(actor, source);
                if (double.IsPositiveInfinity(seconds)) return null;
                sources[count++] = source;
            }
        }
        return new Rig
        {
            Fitted = fitted,
            Actor = actor,
            Hands = actor,
            Asks = supplies.BatteryAsk,
            Cards = supplies,
            Items = fitted.Items,
            Sources = sources[..count].ToArray(),
            ChangesLens = changes,
            Seconds = seconds,
        };
    }

    /// <summary>A camera left alone: as it stands, from what is in it.</summary>
    /// <param name="fitted">Body and glass that are set up.</param>
    /// <param name="actor">Whose camera it is.</param>
    /// <param name="hands">Number of its hands.</param>
    /// <param name="supplies">What is in it and lasts.</param>
    /// <param name="receiver">Number of the trigger in its shoe by which it is fired, or <see cref="Kit.None"/> where it works by itself.</param>
    /// <param name="senders">What can fire it.</param>
    public static Rig Alone(FittedGlass fitted, int actor, int hands, Supplies supplies, int receiver, OptionGroup[] senders) => new()
    {
        Fitted = fitted,
        Actor = actor,
        Hands = hands,
        Cards = supplies,
        Sources = [],
        Seconds = 0,
        Asks = receiver == Kit.None ? supplies.BatteryAsk : [.. supplies.BatteryAsk, new Ask(Want.Sender, senders)],
        Items = receiver == Kit.None ? fitted.Items : [.. fitted.Items, receiver],
    };

    /// <summary>A thing that serves a role.</summary>
    public static Rig ForRole(int item, int actor, int source, double seconds, Ask[] asks) => new()
    {
        Actor = actor,
        Hands = actor,
        Asks = asks,
        Items = [item],
        Sources = [source],
        Seconds = seconds,
    };

    /// <summary>Whether a body carries other glass than it should.</summary>
    public static bool IsChanged(int[] on, FittedGlass fitted)
    {
        var changes = on.Length != fitted.Pieces.Length;
        foreach (var piece in fitted.Pieces) changes |= Array.IndexOf(on, piece) < 0;
        return changes;
    }

    /// <summary>What must be fetched to raise it, with where from.</summary>
    public IEnumerable<(int Item, int Source)> Fetched(PartLayout layout)
    {
        if (Fitted is null)
        {
            yield return (Items[0], Sources[0]);
            yield break;
        }
        if (Hands == Actor) yield return (Fitted.Body, layout.SourceOf(Fitted.Body));
        foreach (var piece in Changed(layout)) yield return (piece, layout.SourceOf(piece));
        if (FitsShoe) yield return (Shoe, layout.SourceOf(Shoe));
        foreach (var filter in Filters) yield return (filter, layout.SourceOf(filter));
        if (Lights?.StandIn is { } spare) yield return (spare, layout.SourceOf(spare));
    }

    /// <summary>What sits in the shoe: flash or sender.</summary>
    public int Shoe => Flash != Kit.None ? Flash : Sender;

    /// <summary>Adapters, converters and tubes to be fitted.</summary>
    public IEnumerable<int> Fitting(Kit kit, PartLayout layout) => Changed(layout).Where(piece => IsFitted(kit, Fitted!, piece));

    private IEnumerable<int> Changed(PartLayout layout) =>
        ChangesLens ? Fitted!.Pieces.Where(piece => Array.IndexOf(layout.OnBody(Fitted.Body), piece) < 0) : [];

    private static bool IsFitted(Kit kit, FittedGlass fitted, int piece) => piece != fitted.Lens && kit.RestsOn[piece] != fitted.Lens;

    /// <summary>The same rig with a flash in the shoe; null when the flash cannot be got at.</summary>
    /// <param name="kit">Kit.</param>
    /// <param name="layout">Layout.</param>
    /// <param name="flash">Number of the flash.</param>
    /// <param name="cells">What it wants of cells.</param>
    public Rig? WithFlash(Kit kit, PartLayout layout, int flash, Ask[] cells) =>
        InShoe(kit, layout, flash) is var (fits, sources, seconds)
            ? this with
            {
                Flash = flash,
                FitsShoe = fits,
                Sources = sources,
                Seconds = seconds,
                Items = [.. Items, flash],
                Asks = [.. Asks, .. cells],
                Competes = Competing(cells)
            }
            : null;

    /// <summary>The same rig with a continuous light in the shoe; null when the light cannot be got at.</summary>
    public Rig? WithLamp(Kit kit, PartLayout layout, int lamp, Ask[] batteries) =>
        InShoe(kit, layout, lamp) is var (fits, sources, seconds)
            ? this with
            {
                Sender = lamp,
                FitsShoe = fits,
                Sources = sources,
                Seconds = seconds,
                Items = [.. Items, lamp],
                Asks = [.. Asks, .. batteries],
                Competes = Competing(batteries)
            }
            : null;

    /// <summary>The same rig firing lights in the room; null when the sender or a spare light cannot be got at.</summary>
    public Rig? WithLights(Kit kit, PartLayout layout, Sender sender, LightSet lights)
    {
        if (InShoe(kit, layout, sender.Item) is not var (fits, sources, seconds)) return null;
        if (lights.StandIn is { } spare && !Fetch(layout, spare, ref sources, ref seconds)) return null;
        Ask[] more = [.. sender.Asks, .. lights.Asks];
        return this with
        {
            Sender = sender.Item,
            Lights = lights,
            FitsShoe = fits,
            Sources = sources,
            Seconds = seconds + lights.Seconds,
            Items = [.. Items, sender.Item, .. sender.Relays, .. lights.Items],
            Asks = [.. Asks, .. more],
            Competes = Competing(more),
        };
    }

    /// <summary>The same rig by a continuous light in the room.</summary>
    public Rig WithLights(LightSet lights) =>
        this with { Lights = lights, Items = [.. Items, .. lights.Items], Asks = [.. Asks, .. lights.Asks], Competes = Competing(lights.Asks) };

    /// <summary>The same rig on a tripod or monopod.</summary>
    public Rig WithSupport(OptionGroup[] supports) => this with { Supported = true, Asks = [.. Asks, new Ask(Want.Support, supports)] };

    /// <summary>The same rig on one tripod or monopod that hangs on a small part; null when it cannot be got at.</summary>
    public Rig? WithSupport(Kit kit, PartLayout layout, int support)
    {
        var (sources, seconds) = (Sources, Seconds);
        if (!layout.OnSupport(support, Fitted!.Body))
        {
            if (!Fetch(layout, support, ref sources, ref seconds)) return null;
            seconds += kit.SecondsOf(Actor).FitSupport;
        }
        return this with { Supported = true, Items = [.. Items, support], Sources = sources, Seconds = seconds };
    }

    /// <summary>The same rig with an ND filter, and the ring it needs; null when they cannot be got at.</summary>
    public Rig? WithFilter(Kit kit, PartLayout layout, int[] filters)
    {
        var (sources, seconds) = (Sources, Seconds);
        foreach (var filter in filters)
            if (!Fetch(layout, filter, ref sources, ref seconds)) return null;
        return this with
        {
            Filters = filters,
            Sources = sources,
            Items = [.. Items, .. filters],
            Seconds = seconds + filters.Length * kit.SecondsOf(Actor)
            .FitFilter
        };
    }

    /// <summary>With something in the shoe: whether it must be fitted, from where things are fetched then, and how long it takes; null when it cannot be got
    /// at.</summary>
    private (bool Fits, int[] Sources, double Seconds)? InShoe(Kit kit, PartLayout layout, int thing)
    {
        if (layout.InShoe(thing, Fitted!.Body)) return (false, Sources, Seconds);
        var (sources, seconds) = (Sources, Seconds);
        return Fetch(layout, thing, ref sources, ref seconds) ? (true, sources, seconds + kit.SecondsOf(Actor).FitFlash) : null;
    }

    private bool Fetch(PartLayout layout, int thing, ref int[] sources, ref double seconds)
    {
        var source = layout.SourceOf(thing);
        if (Array.IndexOf(sources, source) >= 0) return true;
        seconds += layout.Cost(Actor, source);
        if (double.IsPositiveInfinity(seconds)) return false;
        sources = [.. sources, source];
        return true;
    }

    /// <summary>Whether more asks want things that others want too.</summary>
    private bool Competing(Ask[] more)
    {
        if (Competes) return true;
        for (var j = 0; j < more.Length; j++)
        {
            foreach (var ask in Asks)
                if (ask.Kind == more[j].Kind && Share(ask.Groups, more[j].Groups)) return true;
            for (var i = 0; i < j; i++)
                if (more[i].Kind == more[j].Kind && Share(more[i].Groups, more[j].Groups)) return true;
        }
        return false;
    }

    private static bool Share(OptionGroup[] some, OptionGroup[] others)
    {
        foreach (var group in some)
            foreach (var other in others)
                foreach (var item in group.Items)
                    if (Array.IndexOf(other.Items, item) >= 0) return true;
        return false;
    }
}
