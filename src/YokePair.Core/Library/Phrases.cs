using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>What must be in the frame.</summary>
public enum Subject
{
    /// <summary>A face with shoulders, 0.6 m high.</summary>
    Face,

    /// <summary>A person to the waist, 1.1 m high.</summary>
    HalfLength,

    /// <summary>A person, 2.2 m high.</summary>
    FullLength,

    /// <summary>Two people, 2.2 m high and 2 m wide.</summary>
    Couple,

    /// <summary>A row of a family, 4.5 m wide.</summary>
    Row,

    /// <summary>A large group, 12 m wide.</summary>
    Group,

    /// <summary>A room, 12 m wide unless said otherwise.</summary>
    Room,

    /// <summary>A ring, 4 cm wide: a close-up.</summary>
    Ring,

    /// <summary>An athlete with arms and stick, 2.6 m high.</summary>
    Athlete,
}

/// <summary>What the craft's usual words ask, as the arithmetic takes it.</summary>
public static class Phrases
{
    /// <summary>Width of a ring on the hand, mm.</summary>
    public const double RingMm = 40;

    /// <summary>A close-up three times as wide is still the picture: a ring of 40 mm in a frame of 120.</summary>
    private const double StillCloseUp = 3;

    /// <summary>Longest shutter time for a motion, seconds.</summary>
    public static double ShutterSeconds(Motion motion) => 1.0 / motion switch
    {
        Motion.Still => 60,
        Motion.Talking => 125,
        Motion.Walking => 250,
        Motion.Dancing => 200,
        Motion.Running => 800,
        _ => 1000,
    };

    /// <summary>Height of a frame that is still the picture of a person, metres: with some of the place around them.</summary>
    private const double StillAPersonM = 3.3;

    /// <summary>Smallest height that is still the picture of a person: to the waist.</summary>
    private const double ToTheWaistM = 1.1;

    /// <summary>Tallest frame that is still the picture of a face: a person to the knee.</summary>
    private const double StillAFaceM = 1.7;

    /// <summary>Groups and rooms may be a third wider.</summary>
    private const double AThirdWider = 1.33;

    /// <summary>Shoulder to shoulder a person takes 0.6 m; rows stand 0.35 m above each other.</summary>
    public static SubjectFrame GroupFrame(int people, int rows, double nearM, double farM) => new()
    {
        DistanceM = new(nearM, farM),
        WidthM = 0.6 * Math.Ceiling((double)people / rows) + 0.5,
        HeightM = 2.2 + 0.35 * (rows - 1),
        WidestM = AThirdWider * (0.6 * Math.Ceiling((double)people / rows) + 0.5),
        TallestM = AThirdWider * (2.2 + 0.35 * (rows - 1)),
    };

    /// <summary>A room of a width.</summary>
    public static SubjectFrame RoomFrame(double widthM, double nearM, double farM) =>
        new() { DistanceM = new(nearM, farM), WidthM = widthM, WidestM = AThirdWider * widthM };

    /// <summary>The frame on a subject from an interval of distances.</summary>
    public static SubjectFrame Frame(Subject subject, double nearM, double farM) => subject switch
    {
        Subject.Face => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 0.6, TallestM = StillAFaceM },
        Subject.HalfLength => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 1.1, TallestM = StillAPersonM },
        Subject.FullLength => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 2.2, TallestM = StillAPersonM, SmallestM = ToTheWaistM },
        Subject.Couple => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 2.2, WidthM = 2, TallestM = StillAPersonM },
        Subject.Athlete => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 2.6 },
        Subject.Row => RoomFrame(4.5, nearM, farM),
        _ => RoomFrame(12, nearM, farM),
    };

    /// <summary>Depth a subject usually asks; null = as wide as one likes.</summary>
    public static DepthPreset? Depth(Subject subject) => subject switch
    {
        Subject.Couple => DepthPreset.Couple,
        Subject.Row or Subject.Room => DepthPreset.Row,
        Subject.Group => DepthPreset.Group,
        Subject.Ring => DepthPreset.Ring,
        _ => null,
    };

    /// <summary>f-number of a depth preset, full frame; null = as wide as the lens goes.</summary>
    public static double? FNumber(DepthPreset depth) => depth switch
    {
        DepthPreset.One => null,
        DepthPreset.Couple => 3.2,
        DepthPreset.Row => 5.6,
        _ => 8,
    };

    /// <summary>A need in the craft's words.</summary>
    public static Need Need(string name, Importance importance, Subject subject, double nearM, double farM, Motion motion, double fps = 0) => new()
    {
        Id = ItemIds.New("need", name, new HashSet<string>()),
        Name = name,
        Importance = importance,
        Framing = Frame(subject, nearM, farM),
        Depth = Depth(subject),
        Motion = motion,
        ShutterSeconds = ShutterSeconds(motion),
        Static = motion == Motion.Still,
        Fps = fps,
    };

    /// <summary>Metres from which a close-up is lit, by a flash or lamp in the hand.</summary>
    private const double CloseLightM = 0.5;

    /// <summary>A close-up in the craft's words.</summary>
    public static Need Close(string name, Importance importance, double widthMm) => new()
    {
        Id = ItemIds.New("need", name, new HashSet<string>()),
        Name = name,
        Importance = importance,
        CloseWidthMm = widthMm,
        CloseWidthMaxMm = StillCloseUp * widthMm,
        Depth = DepthPreset.Ring,
        Motion = Motion.Talking,
        ShutterSeconds = ShutterSeconds(Motion.Talking),
        Static = true,
        FlashPathM = CloseLightM,
    };
}
