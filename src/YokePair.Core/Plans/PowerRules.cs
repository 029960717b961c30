using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>How batteries and cells are used, and when one is awake to charge them.</summary>
public sealed record PowerRules
{
    /// <summary>Share of a lithium battery or pack that is kept back.</summary>
    public double BatteryReserve { get; init; } = 0.15;

    /// <summary>Share of a set of cells that is kept back: they grow slow and unreliable long before they are empty.</summary>
    public double CellReserve { get; init; } = 0.4;

    /// <summary>What happens once is begun with at least this share of a full battery, where there are enough.</summary>
    public double Fresh { get; init; } = 0.7;

    /// <summary>Time one is at home the evening before.</summary>
    public TimeOnly HomeAt { get; init; } = new(20, 0);

    /// <summary>Time one goes to bed the evening before.</summary>
    public TimeOnly BedAt { get; init; } = new(23, 0);

    /// <summary>From leaving until the first part, and from the last part until one is at home or at the inn, minutes.</summary>
    public double TravelMinutes { get; init; } = 60;

    /// <summary>A time of the evening before a day: one before noon is after midnight, as of whoever goes to bed at half past twelve.</summary>
    /// <param name="first">When the day begins.</param>
    /// <param name="at">The time.</param>
    public static DateTime EveningBefore(DateTime first, TimeOnly at) => first.Date.AddDays(at.Hour < 12 ? 0 : -1) + at.ToTimeSpan();

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}
