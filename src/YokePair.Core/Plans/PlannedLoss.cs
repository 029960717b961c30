using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>Things that might go together, at some moment of the day.</summary>
public sealed record PlannedLoss
{
    /// <summary>Stable id, unique among events.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it.</summary>
    public string? Name { get; init; }

    /// <summary>Ids of the things that go.</summary>
    public required IReadOnlyList<string> Items { get; init; }

    /// <summary>Id of the part from which on they are gone; null = from the start of the day.</summary>
    public string? FromPart { get; init; }

    /// <summary>Id of the part by which they are mended or replaced; null = not that day.</summary>
    public string? UntilPart { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Whether the things are gone in a part.</summary>
    public bool Lasts(Plan plan, Part part) => Day.Lasts(plan, part, FromPart, UntilPart);
}
