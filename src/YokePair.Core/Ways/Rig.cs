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

    /// <summary>What is fetched, with its source.</summary>
    public required IReadOnlyList<(int Item, int Source)> Fetched { get; init; }

    /// <summary>Whether the lens must be changed.</summary>
    public required bool ChangesLens { get; init; }

    /// <summary>Adapters, converters and tubes to be fitted.</summary>
    public required IReadOnlyList<int> Fitting { get; init; }

    /// <summary>Whether the flash must be fitted.</summary>
    public bool FitsFlash { get; private init; }

    /// <summary>Seconds, fetching included.</summary>
    public required double Seconds { get; init; }

    /// <summary>Cells for the flash; null when none are needed.</summary>
    public OptionGroup[]? Cells { get; private init; }

    /// <summary>Works out a rig; null when a piece cannot be got at.</summary>
    public static Rig? Create(Kit kit, PartLayout layout, FittedGlass fitted, int actor, Supplies supplies)
    {
        var hands = kit.Plan.Rules.Seconds;
        var on = layout.OnBody(fitted.Body);
        var fetched = new List<(int Item, int Source)> { (fitted.Body, layout.SourceOf(fitted.Body)) };
        var fitting = new List<int>();
        var changes = on.Count != fitted.Pieces.Length || !Array.TrueForAll(fitted.Pieces, on.Contains);
        if (changes)
        {
            foreach (var piece in fitted.Pieces)
            {
                if (on.Contains(piece)) continue;
                fetched.Add((piece, layout.SourceOf(piece)));
                if (piece != fitted.Lens && kit.RestsOn[piece] != fitted.Lens) fitting.Add(piece);
            }
        }
        var sources = fetched.Select(f => f.Source).Distinct().ToArray();
        var seconds = hands.Raise + (changes ? hands.ChangeLens : 0) + fitting.Count * hands.FitAdapter + sources.Sum(s => layout.Cost(actor, s));
        return double.IsPositiveInfinity(seconds)
            ? null
            : new Rig(fitted, actor, supplies)
            {
                Items = [fitted.Body, .. fitted.Pieces],
                Sources = sources,
                Fetched = fetched,
                ChangesLens = changes,
                Fitting = fitting,
                Seconds = seconds,
            };
    }

    /// <summary>The same rig with a flash in the shoe; null when the flash or its cells cannot be got at.</summary>
    public Rig? WithFlash(Kit kit, PartLayout layout, int flash)
    {
        var hands = kit.Plan.Rules.Seconds;
        var fits = !layout.FlashOn(flash, Fitted.Body);
        var source = layout.SourceOf(flash);
        List<(int, int)> fetched = fits ? [.. Fetched, (flash, source)] : [.. Fetched];
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
                Fetched = fetched,
                ChangesLens = ChangesLens,
                Fitting = Fitting,
                Flash = flash,
                FitsFlash = fits,
                Cells = cells,
                Seconds = seconds,
            };
    }
}
