namespace YokePair.Core.Plans;

/// <summary>Tripod, monopod, stand, clamp.</summary>
public sealed record Support : Item
{
    /// <summary>What it is in a word: tripod, monopod, stand, clamp.</summary>
    public string? Form { get; init; }

    /// <summary>Whether a camera on it keeps still of itself.</summary>
    [System.Text.Json.Serialization.JsonIgnore] public bool CarriesCamera => Named("tripod") || IsMonopod;

    /// <summary>Whether it has one leg.</summary>
    [System.Text.Json.Serialization.JsonIgnore] public bool IsMonopod => Named("monopod");

    /// <summary>Whether a camera that is left alone can be held by it.</summary>
    [System.Text.Json.Serialization.JsonIgnore] public bool HoldsCameraAlone => CarriesCamera || Named("clamp");

    /// <summary>Whether a light can be put on it.</summary>
    [System.Text.Json.Serialization.JsonIgnore] public bool HoldsLight => IsLightStand || Named("clamp");

    /// <summary>Whether it is made for a light.</summary>
    [System.Text.Json.Serialization.JsonIgnore] public bool IsLightStand => Named("stand");

    // One whose form nobody has said is what it is called.
    private bool Named(string form) => Form is null ? Name?.Contains(form, StringComparison.OrdinalIgnoreCase) == true : Form == form;

    /// <summary>Heaviest load, grams.</summary>
    public double? MaxLoadG { get; init; }

    /// <summary>Kind of plate it takes.</summary>
    public string? Plate { get; init; }
}

/// <summary>Harness, belt; carried, not yet reckoned with.</summary>
public sealed record CarryGear : Item
{
    /// <summary>Cameras it carries.</summary>
    public double? Cameras { get; init; }
}

/// <summary>Bag, box or hard case as a thing, with what is packed, moved, lent and lost as one with it; its weight is its empty weight.</summary>
public sealed record Case : Item
{
    /// <summary>Inner size, mm: length, width, height.</summary>
    public IReadOnlyList<double>? InnerMm { get; init; }

    /// <summary>Whether it can be locked.</summary>
    public bool? Lockable { get; init; }

    /// <summary>Whether it goes into an aircraft's cabin by usual rules; carriers differ.</summary>
    public bool? Cabin { get; init; }

    /// <summary>Ids of what belongs in it; null = nobody has said. What is in it is what is packed there.</summary>
    public IReadOnlyList<string>? Contents { get; init; }
}

/// <summary>Anything else; its <see cref="Item.Roles"/> say what it is for.</summary>
public sealed record OtherThing : Item
{
    /// <summary>Type of the cells it needs; null = none.</summary>
    public string? CellsType { get; init; }

    /// <summary>Minutes it runs on a full charge or a fresh set of cells; null = as things of its role usually do.</summary>
    public double? RunMinutes { get; init; }

    /// <summary>Whether a word stands in one of its roles or in its name.</summary>
    internal bool IsFor(string word) => (Roles ?? []).Append(Name ?? "").Any(r => r.Contains(word, StringComparison.OrdinalIgnoreCase));

    /// <summary>Type of the card it records on; null = none.</summary>
    public string? CardType { get; init; }
}
