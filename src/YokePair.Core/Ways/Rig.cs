namespace YokePair.Core.Ways;

/// <summary>
/// A person bringing one body with one chain of glass (and perhaps a flash) to the eye in one part: everything of a way
/// but battery, cards and cells, which <see cref="Supplies"/> may fill in in many interchangeable ways.
/// </summary>
internal sealed class Rig
{
    private Rig(FittedGlass fitted, int actor, Supplies supplies)
    {
        Fitted = fitted;
        Actor = actor;
        Supplies = supplies;
    }

    public FittedGlass Fitted { get; }

    public int Actor { get; }

    public Supplies Supplies { get; }

    /// <summary>Number of the flash, or <see cref="Kit.None"/>.</summary>
    public int Flash { get; private init; } = Kit.None;

    /// <summary>Everything that must not fail: body, glass, flash.</summary>
    public required int[] Items { get; init; }

    /// <summary>Where something must be fetched from, each source once.</summary>
    public required int[] Sources { get; init; }

    /// <summary>Whether the lens must be changed.</summary>
    public bool ChangesLens { get; private init; }

    /// <summary>Whether the flash must be fitted.</summary>
    public bool FitsFlash { get; private init; }

    /// <summary>Seconds, fetching included.</summary>
    public required double Seconds { get; init; }

    /// <summary>Cells for the flash; null when none are needed.</summary>
    public OptionGroup[]? Cells { get; private init; }

    /// <summary>Whether anything of it has failed.</summary>
    public bool IsHit(bool[] failed)
    {
        foreach (var item in Items)
            if (failed[item]) return true;
        return false;
    }

    /// <summary>Works out a rig; null when a piece cannot be got at.</summary>
    public static Rig? Create(Kit kit, PartLayout layout, FittedGlass fitted, int actor, Supplies supplies)
    {
        var hands = kit.Plan.Rules.Seconds;
        var seconds = layout.Cost(actor, layout.SourceOf(fitted.Body)) + hands.Raise;
        if (double.IsPositiveInfinity(seconds)) return null;
        var on = layout.OnBody(fitted.Body);
        var changes = on.Length != fitted.Pieces.Length;
        foreach (var piece in fitted.Pieces) changes |= Array.IndexOf(on, piece) < 0;
        if (!changes) return new Rig(fitted, actor, supplies) { Items = fitted.Items, Sources = [layout.SourceOf(fitted.Body)], Seconds = seconds };

        // At most four sources: body, lens, converter or tube, adapter.
        Span<int> sources = stackalloc int[4];
        sources[0] = layout.SourceOf(fitted.Body);
        var count = 1;
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
        return new Rig(fitted, actor, supplies) { Items = fitted.Items, Sources = sources[..count].ToArray(), ChangesLens = true, Seconds = seconds };
    }

    /// <summary>What must be fetched to raise it, with where from.</summary>
    public IEnumerable<(int Item, int Source)> Fetched(PartLayout layout)
    {
        yield return (Fitted.Body, layout.SourceOf(Fitted.Body));
        foreach (var piece in Changed(layout)) yield return (piece, layout.SourceOf(piece));
        if (FitsFlash) yield return (Flash, layout.SourceOf(Flash));
    }

    /// <summary>Adapters, converters and tubes to be fitted.</summary>
    public IEnumerable<int> Fitting(Kit kit, PartLayout layout) => Changed(layout).Where(piece => IsFitted(kit, Fitted, piece));

    private IEnumerable<int> Changed(PartLayout layout) =>
        ChangesLens ? Fitted.Pieces.Where(piece => Array.IndexOf(layout.OnBody(Fitted.Body), piece) < 0) : [];

    private static bool IsFitted(Kit kit, FittedGlass fitted, int piece) => piece != fitted.Lens && kit.RestsOn[piece] != fitted.Lens;

    /// <summary>The same rig with a flash in the shoe; null when the flash or its cells cannot be got at.</summary>
    public Rig? WithFlash(Kit kit, PartLayout layout, int flash)
    {
        var hands = kit.Plan.Rules.Seconds;
        var fits = !layout.FlashOn(flash, Fitted.Body);
        var source = layout.SourceOf(flash);
        var fresh = fits && !Sources.Contains(source);
        var seconds = Seconds + (fits ? hands.FitFlash : 0) + (fresh ? layout.Cost(Actor, source) : 0);
        if (double.IsPositiveInfinity(seconds)) return null;
        var cells = Supplies.CellsFor(kit, layout, Actor, flash);
        return cells is { Length: 0 }
            ? null
            : new Rig(Fitted, Actor, Supplies)
            {
                Items = [.. Items, flash],
                Sources = fresh ? [.. Sources, source] : Sources,
                ChangesLens = ChangesLens,
                Flash = flash,
                FitsFlash = fits,
                Cells = cells,
                Seconds = seconds,
            };
    }
}
