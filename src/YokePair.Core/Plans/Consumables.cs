using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>A camera battery.</summary>
public sealed record Battery : Item
{
    /// <summary>Type, as in <see cref="Body.BatteryType"/>.</summary>
    public string? Type { get; init; }

    /// <summary>Energy when new, Wh.</summary>
    public double? WattHours { get; init; }

    /// <summary>Share of that which is left of it, 0 to 1; null = as new.</summary>
    public double? Health { get; init; }

    /// <summary>False: takes no part.</summary>
    public bool Charged { get; init; } = true;
}

/// <summary>One full set of cells for a flash.</summary>
public sealed record Cells : Item
{
    /// <summary>Type, as in <see cref="Flash.CellsType"/>.</summary>
    public string? Type { get; init; }

    /// <summary>Cells in the set.</summary>
    public double? CellCount { get; init; }

    /// <summary>False: takes no part.</summary>
    public bool Charged { get; init; } = true;
}

/// <summary>A memory card.</summary>
public sealed record Card : Item
{
    /// <summary>Type, as in <see cref="CardSlot.Type"/>.</summary>
    public string? Type { get; init; }

    /// <summary>Printed size.</summary>
    public double? Gigabytes { get; init; }

    /// <summary>Sustained write speed, MB/s.</summary>
    public double? WriteMegabytesPerSecond { get; init; }

    /// <summary><c>clear</c> may be put in, <c>loaded</c> may stay where it is, anything else takes no part.</summary>
    public string State { get; init; } = Clear;

    /// <summary>State of a card that may be put into any slot of its type.</summary>
    public const string Clear = "clear";

    /// <summary>State of a card that is in a camera already.</summary>
    public const string Loaded = "loaded";

    /// <summary>Whether it can record at all.</summary>
    [JsonIgnore] public bool CanRecord => State is Clear or Loaded;
}

/// <summary>Power pack for flashes.</summary>
public sealed record Pack : Item
{
    /// <summary>Heads it can feed at once.</summary>
    public double? Outlets { get; init; }

    /// <summary>Energy, Wh.</summary>
    public double? WattHours { get; init; }

    /// <summary>Full-power pops per charge.</summary>
    public double? FullPops { get; init; }
}

/// <summary>Charger; carried, not yet reckoned with.</summary>
public sealed record Charger : Item
{
    /// <summary>Types of battery or cells it charges.</summary>
    [JsonConverter(typeof(OneOrMoreStringsConverter))]
    public IReadOnlyList<string>? BatteryTypes { get; init; }

    /// <summary>Batteries it charges at once.</summary>
    public double? Bays { get; init; }

    /// <summary>Hours for a full charge.</summary>
    public double? Hours { get; init; }

    /// <summary>Whether it says that it charges batteries or cells of a type.</summary>
    public bool Takes(string type) => BatteryTypes?.Contains(type) == true;
}

/// <summary>Power bank: a camera that charges by USB lives off it while it rests.</summary>
public sealed record PowerBank : Item
{
    /// <summary>Energy, Wh.</summary>
    public double? WattHours { get; init; }
}

/// <summary>Card reader.</summary>
public sealed record CardReader : Item
{
    /// <summary>What it reads, MB a second as measured.</summary>
    public double? MegabytesPerSecond { get; init; }

    /// <summary>Types of card it reads.</summary>
    [JsonConverter(typeof(OneOrMoreStringsConverter))]
    public IReadOnlyList<string>? CardTypes { get; init; }
}

/// <summary>Drive for copies.</summary>
public sealed record Drive : Item
{
    /// <summary>What it copies, MB a second as measured.</summary>
    public double? MegabytesPerSecond { get; init; }

    /// <summary>Size.</summary>
    public double? Gigabytes { get; init; }

    /// <summary>Minutes it takes to copy a full card by itself.</summary>
    public double? MinutesPerCard { get; init; }

    /// <summary>Types of card it copies by itself.</summary>
    [JsonConverter(typeof(OneOrMoreStringsConverter))]
    public IReadOnlyList<string>? CardTypes { get; init; }
}
