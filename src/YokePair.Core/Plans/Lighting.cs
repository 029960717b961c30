using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>A flash for the hot shoe.</summary>
public sealed record Flash : Item
{
    /// <summary>Guide number at ISO 100, metres; null = not known, so nothing can be reckoned with it.</summary>
    public double? GuideNumber { get; init; }

    /// <summary>Seconds to recycle after a full-power pop.</summary>
    public double RecycleSeconds { get; init; } = 3;

    /// <summary>Type of the cells it needs; null = power built in.</summary>
    public string? CellsType { get; init; }

    /// <summary>Hot-shoe system; null = fits any.</summary>
    public string? Shoe { get; init; }

    /// <summary>Whether it can light a frame at a shutter time shorter than the body's sync.</summary>
    public bool HighSpeedSync { get; init; }

    /// <summary>What feeds it; null = as <see cref="CellsType"/> says.</summary>
    public FlashPower? Power { get; init; }

    /// <summary>Full-power pops per set of cells or charge of its pack.</summary>
    public double? FullPops { get; init; }

    /// <summary>Radio system it speaks.</summary>
    public string? RadioSystem { get; init; }

    /// <summary>Whether it can trigger others by radio.</summary>
    public bool? CanSend { get; init; }

    /// <summary>Whether it has a radio receiver built in.</summary>
    public bool? CanHear { get; init; }

    /// <summary>Colour of the gel on it, in a word.</summary>
    public string? Gel { get; init; }

    /// <summary>What modifiers must have to go on it, in a word.</summary>
    public string? ModifierMount { get; init; }
}

/// <summary>What feeds a flash.</summary>
public enum FlashPower
{
    /// <summary>Cells of its own.</summary>
    OwnCells,

    /// <summary>A pack of its own.</summary>
    OwnPack,

    /// <summary>A pack with several outlets.</summary>
    SharedPack,
}

/// <summary>Radio trigger, receiver or relay.</summary>
public sealed record Trigger : Item
{
    /// <summary>Radio system it sends to; null = it does not send.</summary>
    public string? Sends { get; init; }

    /// <summary>Radio system it hears; null = it does not hear. A relay does both.</summary>
    public string? Hears { get; init; }

    /// <summary>Hot-shoe system it fits; null = any.</summary>
    public string? Shoe { get; init; }

    /// <summary>Type of the cells it needs; null = power built in.</summary>
    public string? CellsType { get; init; }

    /// <summary>Minutes it runs on a full charge or a fresh set of cells.</summary>
    public double? RunMinutes { get; init; }
}

/// <summary>Continuous light.</summary>
public sealed record StandLight : Item
{
    /// <summary>Power, watts.</summary>
    public double? Watts { get; init; }

    /// <summary>Light it throws at one metre, lux; null = not known, so nothing can be reckoned with it.</summary>
    public double? LuxAtOneM { get; init; }

    /// <summary>Type of battery it takes; null = power built in.</summary>
    public string? BatteryType { get; init; }

    /// <summary>Minutes it runs on a full charge or a fresh set of cells.</summary>
    public double? RunMinutes { get; init; }

    /// <summary>What modifiers must have to go on it, in a word.</summary>
    public string? ModifierMount { get; init; }
}

/// <summary>Umbrella, softbox and the like; carried, not yet reckoned with.</summary>
public sealed record Modifier : Item
{
    /// <summary>Modifier mounts it fits.</summary>
    [JsonConverter(typeof(OneOrMoreStringsConverter))]
    public IReadOnlyList<string>? Fits { get; init; }
}
