using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>What one thing does in a part, as somebody typed it. What is not given is as usual.</summary>
public sealed record PartUse
{
    /// <summary>Id of the thing.</summary>
    public required string Item { get; init; }

    /// <summary>Of a camera, frames on a busy day; null = its share of the part's.</summary>
    public int? Frames { get; init; }

    /// <summary>Of a camera, minutes of video; null = none.</summary>
    public double? VideoMinutes { get; init; }

    /// <summary>Of a camera, minutes of live view besides its frames; null = none.</summary>
    public double? LiveViewMinutes { get; init; }

    /// <summary>Of anything else, minutes it is switched on; null = the whole part where the part relies on it, else none.</summary>
    public double? Minutes { get; init; }

    /// <summary>Of a camera, where its frames are sent as they are taken; null = nowhere.</summary>
    public Sending? Sends { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Whether it says anything.</summary>
    [JsonIgnore]
    public bool IsEmpty => (Frames, VideoMinutes, LiveViewMinutes, Minutes, Sends) is (null, null, null, null, null) && Extra is null or { Count: 0 };
}
