using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>Whether flash may be used in a part.</summary>
public enum FlashRule
{
    /// <summary>Flash may be used.</summary>
    Allowed,

    /// <summary>No way may rely on flash.</summary>
    Banned,
}

/// <summary>How quiet a part asks one to be.</summary>
public enum QuietRule
{
    /// <summary>Nobody minds.</summary>
    No,

    /// <summary>Whatever makes a noise is second best.</summary>
    Preferred,

    /// <summary>Silent bodies only, and no flash.</summary>
    Required,
}

/// <summary>What a need is worth.</summary>
public enum Importance
{
    /// <summary>Happens once and cannot be repeated.</summary>
    Once,

    /// <summary>Must be had within its part.</summary>
    Must,

    /// <summary>Welcome, no more.</summary>
    Nice,
}

/// <summary>Light a need may be photographed by.</summary>
public enum LightKind
{
    /// <summary>The light of the part as it is.</summary>
    Ambient,

    /// <summary>Flash on the camera.</summary>
    Flash,
}

/// <summary>A stretch of the day.</summary>
public sealed record Part
{
    /// <summary>Stable id, unique among parts.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it.</summary>
    public string? Name { get; init; }

    /// <summary>Where it happens, in the photographer's words.</summary>
    public string? Location { get; init; }

    /// <summary>Local time it starts.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? Start { get; init; }

    /// <summary>Local time it ends, after <see cref="Start"/>.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? End { get; init; }

    /// <summary>Light, as exposure value at ISO 100.</summary>
    public required double Ev { get; init; }

    /// <summary>Whether flash may be used.</summary>
    public FlashRule Flash { get; init; }

    /// <summary>How quiet one must be.</summary>
    public QuietRule Quiet { get; init; }

    /// <summary>Ids of places nothing can be fetched from in this part.</summary>
    public IReadOnlyList<string> Unreachable { get; init; } = [];

    /// <summary>Reach of places where it differs in this part, seconds by place id.</summary>
    public IReadOnlyDictionary<string, double>? ReachSeconds { get; init; }

    /// <summary>Ids of the people who are there; null = everyone.</summary>
    public IReadOnlyList<string>? Present { get; init; }

    /// <summary>What is in whose hands.</summary>
    public IReadOnlyList<Setup> Setups { get; init; } = [];

    /// <summary>What must be photographed.</summary>
    public IReadOnlyList<Need> Needs { get; init; } = [];

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Name, or the id where there is none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;
}

/// <summary>One person's position in one part, with what is set up there. Everything it names is in that person's hand.</summary>
public sealed record Setup
{
    /// <summary>Whose hand.</summary>
    public required string Person { get; init; }

    /// <summary>Left, right, third, tripod.</summary>
    public string Position { get; init; } = "left";

    /// <summary>Body in the hand.</summary>
    public string? Body { get; init; }

    /// <summary>Lens on it; the body carries exactly the chain named here.</summary>
    public string? Lens { get; init; }

    /// <summary>Adapter in the chain.</summary>
    public string? Adapter { get; init; }

    /// <summary>Converter in the chain.</summary>
    public string? Converter { get; init; }

    /// <summary>Tube in the chain.</summary>
    public string? Tube { get; init; }

    /// <summary>Flash in the shoe.</summary>
    public string? Flash { get; init; }

    /// <summary>Battery, where it differs from the one the body is packed with.</summary>
    public string? Battery { get; init; }

    /// <summary>Cards by slot, where they differ from those the body is packed with; null = as packed.</summary>
    public IReadOnlyList<string?>? Cards { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Every item id the setup names, with the field that names it.</summary>
    public IEnumerable<(string Field, string Id)> Named()
    {
        if (Body is not null) yield return ("body", Body);
        if (Lens is not null) yield return ("lens", Lens);
        if (Adapter is not null) yield return ("adapter", Adapter);
        if (Converter is not null) yield return ("converter", Converter);
        if (Tube is not null) yield return ("tube", Tube);
        if (Flash is not null) yield return ("flash", Flash);
        if (Battery is not null) yield return ("battery", Battery);
        for (var i = 0; i < (Cards?.Count ?? 0); i++)
            if (Cards![i] is { } card) yield return ($"cards[{i}]", card);
    }
}

/// <summary>Something that must be photographed in a part.</summary>
public sealed record Need
{
    /// <summary>Stable id, unique among the needs of its part.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it.</summary>
    public string? Name { get; init; }

    /// <summary>What it is worth.</summary>
    public Importance Importance { get; init; } = Importance.Must;

    /// <summary>Id of the person who must meet it, or <see cref="Anyone"/>.</summary>
    public string Who { get; init; } = Anyone;

    /// <summary>Wanted full-frame equivalent focal lengths, mm; null = any framing will do.</summary>
    public Interval? Focal { get; init; }

    /// <summary>What must be in the frame, and from how far; gives the focal lengths where <see cref="Focal"/> is not typed over.</summary>
    public SubjectFrame? Framing { get; init; }

    /// <summary>Longest shutter time the subject's motion allows, seconds.</summary>
    public required double ShutterSeconds { get; init; }

    /// <summary>Smallest f-number that depth allows, stated for full frame.</summary>
    public double? MinFNumber { get; init; }

    /// <summary>Fewest megapixels left after any crop; null = from the rules.</summary>
    public double? MinMegapixels { get; init; }

    /// <summary>Whether the subject stands still, so that frames can be stitched.</summary>
    public bool Static { get; init; }

    /// <summary>Frames per second asked.</summary>
    public double Fps { get; init; }

    /// <summary>Light it may be photographed by.</summary>
    public IReadOnlyList<LightKind> Light { get; init; } = [LightKind.Ambient, LightKind.Flash];

    /// <summary>Seconds it can wait; null = from the rules by importance.</summary>
    public double? ToleranceSeconds { get; init; }

    /// <summary>For a close-up: width on the subject that must fill the frame, mm.</summary>
    public double? CloseWidthMm { get; init; }

    /// <summary>Length of the light's path from an on-camera flash to the subject, metres (bounced: up and down); null = flash cannot be reckoned.</summary>
    public double? FlashPathM { get; init; }

    /// <summary>Stops lost by bouncing.</summary>
    public double BounceLossStops { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Focal lengths that are wanted: as typed, else from the framing.</summary>
    [JsonIgnore] public Interval? FocalWanted => Focal ?? Framing?.EquivalentMm();

    /// <summary>The value of <see cref="Who"/> that lets whoever is quickest meet the need.</summary>
    public const string Anyone = "any";

    /// <summary>Name, or the id where there is none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;
}

/// <summary>A frame on a subject, from an interval of distances: one can stand anywhere in it.</summary>
public sealed record SubjectFrame
{
    /// <summary>Nearest and farthest place to stand, metres from the subject.</summary>
    public required Interval DistanceM { get; init; }

    /// <summary>Height that must be in the frame, metres.</summary>
    public double? HeightM { get; init; }

    /// <summary>Width that must be in the frame, metres.</summary>
    public double? WidthM { get; init; }

    /// <summary>Camera turned upright.</summary>
    public bool Upright { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Equivalent focal lengths that frame it from the nearest and from the farthest place; null when nothing must be in the frame.</summary>
    public Interval? EquivalentMm() => HeightM is null && WidthM is null ? null : new Interval(
        Glass.Framing.EquivalentMm(DistanceM.Low, HeightM, WidthM, Upright),
        Glass.Framing.EquivalentMm(DistanceM.High, HeightM, WidthM, Upright));
}

internal sealed class LocalTimeConverter : JsonConverter<DateTime?>
{
    private static readonly string[] Formats = ["yyyy-MM-dd'T'HH:mm", "yyyy-MM-dd'T'HH:mm:ss"];

    public override DateTime? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.Null) return null;
        if (reader.TokenType == JsonTokenType.String
            && DateTime.TryParseExact(reader.GetString(), Formats, CultureInfo.InvariantCulture, DateTimeStyles.None, out var time))
            return time;
        throw new JsonException("expected a local time such as \"2027-06-12T14:00\"");
    }

    public override void Write(Utf8JsonWriter writer, DateTime? value, JsonSerializerOptions options)
    {
        if (value is not { } time) writer.WriteNullValue();
        else writer.WriteStringValue(time.ToString(time.Second == 0 ? Formats[0] : Formats[1], CultureInfo.InvariantCulture));
    }
}
