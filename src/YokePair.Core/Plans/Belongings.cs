namespace YokePair.Core.Plans;

/// <summary>Tripod, monopod, stand, clamp; carried, not yet reckoned with.</summary>
public sealed record Support : Item
{
    /// <summary>What it is in a word: tripod, monopod, stand, clamp.</summary>
    public string? Form { get; init; }

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

/// <summary>Bag or hard case as a thing; its weight is its empty weight.</summary>
public sealed record Case : Item
{
    /// <summary>Inner size, mm: length, width, height.</summary>
    public IReadOnlyList<double>? InnerMm { get; init; }

    /// <summary>Whether it can be locked.</summary>
    public bool? Lockable { get; init; }

    /// <summary>Whether it goes into an aircraft's cabin by usual rules; carriers differ.</summary>
    public bool? Cabin { get; init; }
}

/// <summary>Anything else; its <see cref="Item.Roles"/> say what it is for.</summary>
public sealed record OtherThing : Item;
