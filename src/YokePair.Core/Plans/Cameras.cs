using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>A camera body.</summary>
public sealed record Body : Item
{
    /// <summary>Lens mounts it takes; one string or a list in the file.</summary>
    [JsonConverter(typeof(OneOrMoreStringsConverter))]
    public required IReadOnlyList<string> Mount { get; init; }

    /// <summary>36 mm ÷ sensor width: 1 for full frame.</summary>
    public double Crop { get; init; } = 1;

    /// <summary>Millions of pixels of the whole sensor.</summary>
    public required double Megapixels { get; init; }

    /// <summary>Highest ISO the owner is happy to deliver.</summary>
    public required double IsoCeiling { get; init; }

    /// <summary>Card slots in their order.</summary>
    public required IReadOnlyList<CardSlot> Slots { get; init; }

    /// <summary>Type of battery it takes.</summary>
    public required string BatteryType { get; init; }

    /// <summary>Frames per second with the loud shutter.</summary>
    public double Fps { get; init; }

    /// <summary>Frames per second with the silent shutter; null = <see cref="Fps"/>.</summary>
    public double? FpsSilent { get; init; }

    /// <summary>Whether it has a silent shutter.</summary>
    public bool Silent { get; init; }

    /// <summary>Stops by which its own stabilisation relaxes the hand-held shutter floor.</summary>
    public double StabilisationStops { get; init; }

    /// <summary>Shortest shutter time at which flash lights the whole frame, in seconds.</summary>
    public double SyncSeconds { get; init; } = 1.0 / 200;

    /// <summary>Hot-shoe system; null = takes any flash.</summary>
    public string? Shoe { get; init; }

    /// <summary>Whether the silent shutter is clean, or bands under LED light and skews fast motion; null = not known.</summary>
    public SilentShutter? SilentShutter { get; init; }

    /// <summary>Lowest ISO.</summary>
    public double? BaseIso { get; init; }

    /// <summary>Fastest shutter time, seconds.</summary>
    public double? FastestShutterSeconds { get; init; }

    /// <summary>Frames per full charge of its battery.</summary>
    public double? FramesPerCharge { get; init; }

    /// <summary>Minutes of video per full charge of its battery.</summary>
    public double? VideoMinutesPerCharge { get; init; }

    /// <summary>Minutes of live view per full charge of its battery.</summary>
    public double? LiveViewMinutesPerCharge { get; init; }

    /// <summary>Buffer, MB.</summary>
    public double? BufferMegabytes { get; init; }

    /// <summary>Raw file, MB.</summary>
    public double? RawMegabytes { get; init; }

    /// <summary>JPEG file, MB.</summary>
    public double? JpegMegabytes { get; init; }

    /// <summary>Video, GB a minute.</summary>
    public double? VideoGigabytesPerMinute { get; init; }

    /// <summary>Whether it can be powered or charged by USB.</summary>
    public bool? UsbCharging { get; init; }

    /// <summary>Whether it is sealed against rain.</summary>
    public bool? Sealed { get; init; }

    /// <summary>What it has been taught and another body has not: faces, buttons, modes.</summary>
    [JsonConverter(typeof(OneOrMoreStringsConverter))]
    public IReadOnlyList<string>? Learnt { get; init; }
}

/// <summary>A card slot of a body.</summary>
public sealed record CardSlot
{
    /// <summary>Card type, e.g. <c>SD</c> or <c>CFexpress-B</c>.</summary>
    public string? Type { get; init; }

    /// <summary>Sustained write speed, MB/s.</summary>
    public double? WriteMegabytesPerSecond { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>What the silent shutter is worth.</summary>
public enum SilentShutter
{
    /// <summary>As good as the loud one.</summary>
    Clean,

    /// <summary>May band under LED light and skew fast motion.</summary>
    Banding,
}

/// <summary>Battery grip; carried, not yet reckoned with.</summary>
public sealed record Grip : Item
{
    /// <summary>Name of the model of body it fits, as the bodies' names begin.</summary>
    public string? FitsBody { get; init; }

    /// <summary>Type of battery it holds.</summary>
    public string? BatteryType { get; init; }

    /// <summary>How many it holds.</summary>
    public double? Holds { get; init; }
}

internal sealed class OneOrMoreStringsConverter : JsonConverter<IReadOnlyList<string>>
{
    public override IReadOnlyList<string> Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.String) return [reader.GetString()!];
        if (reader.TokenType != JsonTokenType.StartArray) throw Wanted();
        var list = new List<string>();
        while (reader.Read() && reader.TokenType != JsonTokenType.EndArray)
            list.Add(reader.TokenType == JsonTokenType.String ? reader.GetString()! : throw Wanted());
        return list;
    }

    public override void Write(Utf8JsonWriter writer, IReadOnlyList<string> value, JsonSerializerOptions options)
    {
        if (value.Count == 1)
        {
            writer.WriteStringValue(value[0]);
            return;
        }
        writer.WriteStartArray();
        foreach (var one in value) writer.WriteStringValue(one);
        writer.WriteEndArray();
    }

    private static JsonException Wanted() => new("expected a text or a list of texts, such as \"K2\" or [\"K1\", \"K2\"]");
}
