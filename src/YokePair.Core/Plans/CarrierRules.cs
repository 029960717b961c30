using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>How a bag travels.</summary>
public enum Travel
{
    /// <summary>In a car.</summary>
    Car,

    /// <summary>In a train or coach, beside oneself.</summary>
    Train,

    /// <summary>In an aircraft, with oneself.</summary>
    Cabin,

    /// <summary>In an aircraft, checked in.</summary>
    Hold,
}

/// <summary>What a carrier takes, as its owner has looked it up.</summary>
public sealed record CarrierRules
{
    /// <summary>Largest bag in the cabin, mm: three figures in any order; null = not said.</summary>
    public IReadOnlyList<double>? CabinMm { get; init; }

    /// <summary>Heaviest bag in the cabin, grams.</summary>
    public double? CabinG { get; init; }

    /// <summary>Heaviest bag in the hold, grams.</summary>
    public double? HoldG { get; init; }

    /// <summary>Whether glass travels off its body.</summary>
    public bool Apart { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}
