using System.Text.Json;
using System.Text.Json.Serialization;
using YokePair.Core.Basics;

namespace YokePair.Core.Plans;

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

    /// <summary>Flashes on stands, in clamps or held, fired by radio.</summary>
    Stands,

    /// <summary>A continuous light.</summary>
    Continuous,
}

/// <summary>Where in the wanted interval the subject will be.</summary>
public enum Covers
{
    /// <summary>One may choose where in it to stand.</summary>
    Anywhere,

    /// <summary>The subject will be anywhere in it: play, races, a stage.</summary>
    All,
}

/// <summary>Depth in the craft's own words, each an f-number for full frame.</summary>
public enum DepthPreset
{
    /// <summary>One person: as wide as the lens goes.</summary>
    One,

    /// <summary>Two people side by side: f/3.2.</summary>
    Couple,

    /// <summary>A row of a family: f/5.6.</summary>
    Row,

    /// <summary>A large group: f/8.</summary>
    Group,

    /// <summary>A ring or another small thing close by: f/8.</summary>
    Ring,
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

    /// <summary>Whether one glass anywhere in the wanted interval will do, or all of it must be covered; null = anywhere.</summary>
    public Covers? Covers { get; init; }

    /// <summary>
    /// Full-frame equivalent focal lengths, mm, that give a wider or tighter picture of the same moment, as second best; null = from
    /// <see cref="Framing"/>, else none.
    /// </summary>
    public Interval? Accept { get; init; }

    /// <summary>What must be in the frame, and from how far; gives the focal lengths where <see cref="Focal"/> is not typed over.</summary>
    public SubjectFrame? Framing { get; init; }

    /// <summary>How it moves, where <see cref="ShutterSeconds"/> was taken from that.</summary>
    public Motion? Motion { get; init; }

    /// <summary>Longest shutter time the subject's motion allows, seconds.</summary>
    public required double ShutterSeconds { get; init; }

    /// <summary>Shortest shutter time that still shows the blur wanted, seconds; null = none is wanted.</summary>
    public double? ShortestShutterSeconds { get; init; }

    /// <summary>Smallest f-number that depth allows, stated for full frame; null = from <see cref="Depth"/> or <see cref="DepthM"/>.</summary>
    public double? MinFNumber { get; init; }

    /// <summary>Depth in the craft's words; stands where <see cref="MinFNumber"/> is not typed.</summary>
    public DepthPreset? Depth { get; init; }

    /// <summary>Nearest and farthest that must be sharp, metres; solved for each glass by the thin lens where <see cref="MinFNumber"/> is not typed.</summary>
    public Interval? DepthM { get; init; }

    /// <summary>Largest f-number wanted, where the background must stay soft, stated for full frame.</summary>
    public double? MaxFNumber { get; init; }

    /// <summary>Fewest megapixels left after any crop; null = from <see cref="Deliverable"/>, else from the rules.</summary>
    public double? MinMegapixels { get; init; }

    /// <summary>The largest print it must give.</summary>
    public PrintSize? Deliverable { get; init; }

    /// <summary>Whether the subject stands still, so that frames can be stitched.</summary>
    public bool Static { get; init; }

    /// <summary>Frames per second asked.</summary>
    public double Fps { get; init; }

    /// <summary>How long such a burst lasts, seconds; null = as long as the buffer takes it.</summary>
    public double? BurstSeconds { get; init; }

    /// <summary>How soon after such a burst the camera must be ready for what follows, seconds; null = nothing follows at once.</summary>
    public double? ReadySeconds { get; init; }

    /// <summary>Frames of it that somebody waits for; null = nobody does.</summary>
    public FramesDue? Due { get; init; }

    /// <summary>Light it may be photographed by.</summary>
    public IReadOnlyList<LightKind> Light { get; init; } = [LightKind.Ambient, LightKind.Flash];

    /// <summary>Seconds it can wait; null = from the rules by importance, the moment's length and its warning.</summary>
    public double? ToleranceSeconds { get; init; }

    /// <summary>How long the moment lasts, seconds; one cannot be later than that.</summary>
    public double? MomentSeconds { get; init; }

    /// <summary>How long before the moment one knows it comes, seconds; that time can be used.</summary>
    public double? WarningSeconds { get; init; }

    /// <summary>Name of the moment it shares with other needs of its part: they happen at once, each in its own hands.</summary>
    public string? Moment { get; init; }

    /// <summary>Whether a camera left alone may take it.</summary>
    public bool? Unattended { get; init; }

    /// <summary>For a role need: the role of the thing that must be there with its own cells and card. Nothing of a picture is then asked.</summary>
    public string? Role { get; init; }

    /// <summary>For a close-up: width on the subject that must fill the frame, mm.</summary>
    public double? CloseWidthMm { get; init; }

    /// <summary>Width of a frame that would still be the picture, as second best, mm; null = none wider.</summary>
    public double? CloseWidthMaxMm { get; init; }

    /// <summary>
    /// Length of the light's path from an on-camera flash to the subject, metres (bounced: up and down); null = from
    /// <see cref="Bounce"/>, else from the part's ceiling; where there is none either flash cannot be reckoned.
    /// </summary>
    public double? FlashPathM { get; init; }

    /// <summary>Stops lost by bouncing, for a typed <see cref="FlashPathM"/>.</summary>
    public double BounceLossStops { get; init; }

    /// <summary>What an on-camera flash is bounced off; gives path and loss where no path is typed.</summary>
    public Bounce? Bounce { get; init; }

    /// <summary>What it asks of lights that stand in the room.</summary>
    public StandLighting? Stands { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>The value of <see cref="Who"/> that lets whoever is quickest meet the need.</summary>
    public const string Anyone = "any";

    /// <summary>Name, or the id where there is none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;
}
