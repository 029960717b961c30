using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>One physical thing, or a counted lot of identical consumables.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(Body), "body")]
[JsonDerivedType(typeof(Lens), "lens")]
[JsonDerivedType(typeof(Adapter), "adapter")]
[JsonDerivedType(typeof(Converter), "converter")]
[JsonDerivedType(typeof(Tube), "tube")]
[JsonDerivedType(typeof(Flash), "flash")]
[JsonDerivedType(typeof(Battery), "battery")]
[JsonDerivedType(typeof(Cells), "cells")]
[JsonDerivedType(typeof(Card), "card")]
[JsonDerivedType(typeof(Trigger), "trigger")]
[JsonDerivedType(typeof(Pack), "pack")]
[JsonDerivedType(typeof(Charger), "charger")]
[JsonDerivedType(typeof(PowerBank), "powerbank")]
[JsonDerivedType(typeof(Grip), "grip")]
[JsonDerivedType(typeof(CardReader), "reader")]
[JsonDerivedType(typeof(Drive), "drive")]
[JsonDerivedType(typeof(Support), "support")]
[JsonDerivedType(typeof(StandLight), "light")]
[JsonDerivedType(typeof(Modifier), "modifier")]
[JsonDerivedType(typeof(Filter), "filter")]
[JsonDerivedType(typeof(CarryGear), "carry")]
[JsonDerivedType(typeof(Case), "case")]
[JsonDerivedType(typeof(OtherThing), "other")]
public abstract record Item
{
    /// <summary>Stable id, unique among items, people and places.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it; the id stands in where there is none.</summary>
    public string? Name { get; init; }

    /// <summary>A place's id, or <c>@item</c> (wherever that item is, e.g. on that body), or <c>@body/1</c> for slot 1.</summary>
    public string? Place { get; init; }

    /// <summary>Sometimes works: every way with it is second best.</summary>
    public bool Doubtful { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Name, or the id where there is none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;
}

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
}

/// <summary>A card slot of a body.</summary>
public sealed record CardSlot
{
    /// <summary>Card type, e.g. <c>SD</c> or <c>CFexpress-B</c>.</summary>
    public string? Type { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }
}

/// <summary>A lens.</summary>
public sealed record Lens : Item
{
    /// <summary>Its mount.</summary>
    public required string Mount { get; init; }

    /// <summary>Shortest and longest real focal length, mm.</summary>
    public required Interval Focal { get; init; }

    /// <summary>Widest f-number at the short and at the long end.</summary>
    public required Interval Aperture { get; init; }

    /// <summary>Crop that its image circle covers: 1 for full frame.</summary>
    public double ImageCircleCrop { get; init; } = 1;

    /// <summary>Largest magnification (image ÷ subject).</summary>
    public double Magnification { get; init; } = 0.1;

    /// <summary>Whether a converter of its mount may sit on it.</summary>
    public bool TakesConverter { get; init; }

    /// <summary>Stops by which its stabilisation relaxes the hand-held shutter floor.</summary>
    public double StabilisationStops { get; init; }
}

/// <summary>Leads from a lens of one mount to a body of another.</summary>
public sealed record Adapter : Item
{
    /// <summary>Mount of the lens (or of the converter or tube) that goes into it.</summary>
    public string? LensMount { get; init; }

    /// <summary>Mount of the body it goes on.</summary>
    public string? BodyMount { get; init; }
}

/// <summary>Multiplies focal length and f-number.</summary>
public sealed record Converter : Item
{
    /// <summary>Mount on both sides.</summary>
    public string? Mount { get; init; }

    /// <summary>Factor, e.g. 1.4.</summary>
    public required double Factor { get; init; }
}

/// <summary>Extension tube: closer, and close only.</summary>
public sealed record Tube : Item
{
    /// <summary>Mount on both sides.</summary>
    public string? Mount { get; init; }

    /// <summary>Added distance, mm.</summary>
    public required double ExtensionMm { get; init; }
}

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
}

/// <summary>A camera battery.</summary>
public sealed record Battery : Item
{
    /// <summary>Type, as in <see cref="Body.BatteryType"/>.</summary>
    public string? Type { get; init; }

    /// <summary>False: takes no part.</summary>
    public bool Charged { get; init; } = true;
}

/// <summary>One full set of cells for a flash.</summary>
public sealed record Cells : Item
{
    /// <summary>Type, as in <see cref="Flash.CellsType"/>.</summary>
    public string? Type { get; init; }

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

    /// <summary><c>clear</c> may be put in, <c>loaded</c> may stay where it is, anything else takes no part.</summary>
    public string State { get; init; } = Clear;

    /// <summary>State of a card that may be put into any slot of its type.</summary>
    public const string Clear = "clear";

    /// <summary>State of a card that is in a camera already.</summary>
    public const string Loaded = "loaded";

    /// <summary>Whether it can record at all.</summary>
    [JsonIgnore] public bool CanRecord => State is Clear or Loaded;
}

/// <summary>Radio trigger; carried, not yet reckoned with.</summary>
public sealed record Trigger : Item;

/// <summary>Power pack; carried, not yet reckoned with.</summary>
public sealed record Pack : Item;

/// <summary>Charger; carried, not yet reckoned with.</summary>
public sealed record Charger : Item;

/// <summary>Power bank; carried, not yet reckoned with.</summary>
public sealed record PowerBank : Item;

/// <summary>Battery grip; carried, not yet reckoned with.</summary>
public sealed record Grip : Item;

/// <summary>Card reader; carried, not yet reckoned with.</summary>
public sealed record CardReader : Item;

/// <summary>Drive for copies; carried, not yet reckoned with.</summary>
public sealed record Drive : Item;

/// <summary>Tripod, monopod, stand; carried, not yet reckoned with.</summary>
public sealed record Support : Item;

/// <summary>Light other than a shoe flash; carried, not yet reckoned with.</summary>
public sealed record StandLight : Item;

/// <summary>Umbrella, softbox and the like; carried, not yet reckoned with.</summary>
public sealed record Modifier : Item;

/// <summary>Filter; carried, not yet reckoned with.</summary>
public sealed record Filter : Item;

/// <summary>Harness, belt; carried, not yet reckoned with.</summary>
public sealed record CarryGear : Item;

/// <summary>Bag or hard case as a thing; carried, not yet reckoned with.</summary>
public sealed record Case : Item;

/// <summary>Anything else.</summary>
public sealed record OtherThing : Item;

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
