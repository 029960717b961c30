using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>Light one likes to work by.</summary>
public enum Illumination
{
    /// <summary>The light there is, at high ISO.</summary>
    Available,

    /// <summary>Flash on the camera, bounced.</summary>
    Bounce,

    /// <summary>Lights on stands.</summary>
    Stands,

    /// <summary>Continuous light.</summary>
    Continuous,
}

/// <summary>How somebody works, kept with them: a new day is filled in by it, and a proposal that leaves it says so.</summary>
public sealed record WorkHabits
{
    /// <summary>Equivalent focal length they live at, mm.</summary>
    public double? LivesAtMm { get; init; }

    /// <summary>Id of the style their hands are filled in by.</summary>
    public string? Style { get; init; }

    /// <summary>Light they like; null = as each need has it.</summary>
    public Illumination? Light { get; init; }

    /// <summary>Glass they take to each kind of part, ranked.</summary>
    public IReadOnlyList<UsualGlass> Glass { get; init; } = [];

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>The glass for a kind of part, ranked; of a kind that is not named, that for all others. Empty = no habit.</summary>
    public IReadOnlyList<string> For(string? kind) =>
        (Glass.FirstOrDefault(g => g.Kind is not null && g.Kind == kind) ?? Glass.FirstOrDefault(g => g.Kind is null))?.Lenses ?? [];
}

/// <summary>Glass for a kind of part.</summary>
public sealed record UsualGlass
{
    /// <summary>Kind of part; null = every other.</summary>
    public string? Kind { get; init; }

    /// <summary>Ids of the lenses, the first choice first.</summary>
    public required IReadOnlyList<string> Lenses { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}
