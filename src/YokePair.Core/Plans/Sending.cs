using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>Frames of a camera that are sent on as they are taken: by cable to a thing of the day, or by radio to a desk.</summary>
public sealed record Sending
{
    /// <summary>By cable the id of a thing, by radio what the other end is called.</summary>
    public required string To { get; init; }

    /// <summary>Whether by cable, the raw files; else by radio, the JPEGs.</summary>
    public bool ByCable { get; init; }

    /// <summary>Speed, MB a second; null = as is usual.</summary>
    public double? MegabytesPerSecond { get; init; }

    /// <summary>Whether the other end says that it has them: only then are they a copy.</summary>
    public bool Confirmed { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>When some frames of a need must be with whoever waits for them.</summary>
public sealed record FramesDue
{
    /// <summary>How many.</summary>
    public required int Frames { get; init; }

    /// <summary>Minutes after the end of the part.</summary>
    public double Minutes { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}
