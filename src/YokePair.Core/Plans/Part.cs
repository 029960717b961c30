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

/// <summary>A stretch of the day.</summary>
public sealed record Part
{
    /// <summary>Stable id, unique among parts.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it.</summary>
    public string? Name { get; init; }

    /// <summary>Kind of part, as in the phrase library; null = of no known kind.</summary>
    public string? Kind { get; init; }

    /// <summary>UID of the calendar event it was made of (RFC 5545, 3.8.4.7), by which a later calendar knows it; null = of none.</summary>
    public string? Uid { get; init; }

    /// <summary>Where it happens, in the photographer's words.</summary>
    public string? Location { get; init; }

    /// <summary>Local time it starts.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? Start { get; init; }

    /// <summary>Local time it ends, after <see cref="Start"/>.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? End { get; init; }

    /// <summary>Whether it begins when it begins, however late one is: others wait for nobody.</summary>
    public bool? FixedStart { get; init; }

    /// <summary>Whether it is under the open sky, so that its light goes with the sun.</summary>
    public bool? Outdoors { get; init; }

    /// <summary>Light, as exposure value at ISO 100; out of doors that while the sun is up.</summary>
    public required double Ev { get; init; }

    /// <summary>The exposure that <see cref="Ev"/> was taken from, where somebody noted one.</summary>
    public NotedExposure? Noted { get; init; }

    /// <summary>Whether the light is of a kind that bands under some silent shutters.</summary>
    public bool? LedBands { get; init; }

    /// <summary>Colour of the gel that a flash must wear to match the light of the place, in a word; null = none asked.</summary>
    public string? Gel { get; init; }

    /// <summary>Ceiling that an on-camera flash is bounced off, for every need that says no other path; null = none, as out of doors.</summary>
    public Bounce? Ceiling { get; init; }

    /// <summary>What to remember of the white balance here.</summary>
    public string? WhiteBalance { get; init; }

    /// <summary>Temperature, °C.</summary>
    public double? TemperatureC { get; init; }

    /// <summary>Whether it may rain on the gear.</summary>
    public bool? Rain { get; init; }

    /// <summary>Whether there is a power socket to charge from.</summary>
    public bool? Socket { get; init; }

    /// <summary>Whether nothing rolls: stairs, gravel, no paths.</summary>
    public bool? Rough { get; init; }

    /// <summary>Line one must stay behind: nearest distance to any subject, metres.</summary>
    public double? StayBehindM { get; init; }

    /// <summary>Frames expected, as typed; null = from kind and length.</summary>
    public FrameCount? Frames { get; init; }

    /// <summary>Frames a minute, all cameras together, where <see cref="Frames"/> says nothing; null = as is usual for its kind.</summary>
    public double? FramesPerMinute { get; init; }

    /// <summary>What of it past assignments taught, and what it was without them.</summary>
    public IReadOnlyList<TaughtFigure>? Taught { get; init; }

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

    /// <summary>Ids of the cameras whose battery is changed before this part, as somebody wants it; the other changes are planned around them.</summary>
    public IReadOnlyList<string>? Changes { get; init; }

    /// <summary>What single things do in this part, where somebody typed it; null = all as usual.</summary>
    public IReadOnlyList<PartUse>? Use { get; init; }

    /// <summary>Whether the cards of every camera are changed before it, full or not.</summary>
    public bool? ChangeCards { get; init; }

    /// <summary>Lights that stand, or are held, in the room in this part; set up before it.</summary>
    public IReadOnlyList<PlacedLight>? Lights { get; init; }

    /// <summary>What must be photographed.</summary>
    public IReadOnlyList<Need> Needs { get; init; } = [];

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Whether it holds something that happens once.</summary>
    [JsonIgnore] public bool HoldsOnce => Needs.Any(n => n.Importance == Importance.Once);

    /// <summary>Name, or the id where there is none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;

    /// <summary>What somebody typed of a thing's use here.</summary>
    internal PartUse? UseOf(string item) => Use?.FirstOrDefault(u => u.Item == item);

    /// <summary>Whether a thing is in a hand or on a stand in this part.</summary>
    internal bool SetsUp(string item) =>
        Setups.Any(s => s.Named().Any(n => n.Id == item)) || Lights?.Any(l => l.Named(_ => false).Any(n => n.Id == item)) == true;
}
