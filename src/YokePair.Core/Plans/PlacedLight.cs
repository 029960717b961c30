using System.Text.Json;
using System.Text.Json.Serialization;
using YokePair.Core.Optics;

namespace YokePair.Core.Plans;

/// <summary>
/// A light, or a relay, that stands or is held in the room in one part. Everything it names is there, set up and on its
/// channel; nothing of it is in a hand.
/// </summary>
public sealed record PlacedLight
{
    /// <summary>Where it stands, in the photographer's words.</summary>
    public string? Spot { get; init; }

    /// <summary>Flash id.</summary>
    public string? Flash { get; init; }

    /// <summary>Id of a continuous light.</summary>
    public string? Light { get; init; }

    /// <summary>Id of a trigger that hears one radio system and sends another.</summary>
    public string? Relay { get; init; }

    /// <summary>Id of the trigger by which a flash without a receiver of its own hears.</summary>
    public string? Receiver { get; init; }

    /// <summary>Id of the pack a flash hangs on; several may hang on one.</summary>
    public string? Pack { get; init; }

    /// <summary>Id of the stand or clamp that holds it, or of the person who does.</summary>
    public string? Holder { get; init; }

    /// <summary>Group it is set to, in a word.</summary>
    public string? Group { get; init; }

    /// <summary>Colour of the gel put on it, in a word; null = as the flash has.</summary>
    public string? Gel { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Every item id it names, with the field that names it; the holder only where it is a thing.</summary>
    public IEnumerable<(string Field, string Id)> Named(Func<string, bool> isPerson)
    {
        if (Flash is not null) yield return ("flash", Flash);
        if (Light is not null) yield return ("light", Light);
        if (Relay is not null) yield return ("relay", Relay);
        if (Receiver is not null) yield return ("receiver", Receiver);
        if (Pack is not null) yield return ("pack", Pack);
        if (Holder is not null && !isPerson(Holder)) yield return ("holder", Holder);
    }
}

/// <summary>What a need asks of lights that stand in the room.</summary>
public sealed record StandLighting
{
    /// <summary>How many must fire.</summary>
    public int Count { get; init; } = 1;

    /// <summary>From a light to the subject, metres.</summary>
    public required double DistanceM { get; init; }

    /// <summary>Stops lost in umbrella, softbox or grid.</summary>
    public double LossStops { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>What an on-camera flash is bounced off.</summary>
public sealed record Bounce
{
    /// <summary>Height of the ceiling, or distance to the wall, above the flash's own height of 1.6 m, metres from the floor.</summary>
    public required double CeilingM { get; init; }

    /// <summary>Its colour.</summary>
    public BounceColour Colour { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>An exposure somebody noted in a place, from which its light follows.</summary>
public sealed record NotedExposure
{
    /// <summary>f-number.</summary>
    public required double FNumber { get; init; }

    /// <summary>Shutter time, seconds.</summary>
    public required double ShutterSeconds { get; init; }

    /// <summary>ISO.</summary>
    public required double Iso { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>Frames expected of a part.</summary>
public sealed record FrameCount
{
    /// <summary>On a slow day.</summary>
    public required int Low { get; init; }

    /// <summary>Most likely.</summary>
    public required int Likely { get; init; }

    /// <summary>What batteries and cards are planned for.</summary>
    public required int High { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>A print a picture must give.</summary>
public sealed record PrintSize
{
    /// <summary>Width, cm.</summary>
    public required double WidthCm { get; init; }

    /// <summary>Height, cm.</summary>
    public required double HeightCm { get; init; }

    /// <summary>Dots per inch; 240 is sharp in the hand.</summary>
    public double Dpi { get; init; } = 240;

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Megapixels it takes: dots across × dots down.</summary>
    [JsonIgnore] public double Megapixels => WidthCm / 2.54 * Dpi * (HeightCm / 2.54 * Dpi) / 1e6;
}
