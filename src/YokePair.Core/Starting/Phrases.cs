using YokePair.Core.Plans;

namespace YokePair.Core.Starting;

/// <summary>How a subject moves; each asks for a shutter time of its own.</summary>
public enum Motion
{
    /// <summary>Nothing moves: 1/60 s.</summary>
    Still,

    /// <summary>People talking, turning their heads: 1/125 s.</summary>
    Talking,

    /// <summary>People walking, gesturing: 1/250 s.</summary>
    Walking,

    /// <summary>People dancing: 1/200 s, which most flashes can still light.</summary>
    Dancing,

    /// <summary>People running, playing: 1/800 s.</summary>
    Running,

    /// <summary>Wheels: 1/1000 s.</summary>
    Wheels,
}

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

    /// <summary>A room, 12 m wide.</summary>
    Room,
}

/// <summary>What the craft's usual words ask, as the arithmetic takes it.</summary>
public static class Phrases
{
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

    /// <summary>The frame on a subject from an interval of distances.</summary>
    public static SubjectFrame Frame(Subject subject, double nearM, double farM) => subject switch
    {
        Subject.Face => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 0.6 },
        Subject.HalfLength => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 1.1 },
        Subject.FullLength => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 2.2 },
        Subject.Couple => new SubjectFrame { DistanceM = new(nearM, farM), HeightM = 2.2, WidthM = 2 },
        Subject.Row => new SubjectFrame { DistanceM = new(nearM, farM), WidthM = 4.5 },
        _ => new SubjectFrame { DistanceM = new(nearM, farM), WidthM = 12 },
    };

    /// <summary>Smallest f-number a subject's depth asks, full frame; null = as wide as one likes.</summary>
    public static double? Depth(Subject subject) => subject switch
    {
        Subject.Couple => 3.2,
        Subject.Row or Subject.Room => 5.6,
        Subject.Group => 8,
        _ => null,
    };

    /// <summary>A need in the craft's words.</summary>
    public static Need Need(string name, Importance importance, Subject subject, double nearM, double farM, Motion motion, double fps = 0) => new()
    {
        Id = Locker.ItemIds.New("need", name, new HashSet<string>()),
        Name = name,
        Importance = importance,
        Framing = Frame(subject, nearM, farM),
        MinFNumber = Depth(subject),
        ShutterSeconds = ShutterSeconds(motion),
        Static = motion == Motion.Still,
        Fps = fps,
        // Light off a ceiling of 3 m: up and down, with two stops lost on the way.
        FlashPathM = 5,
        BounceLossStops = 2,
    };

    /// <summary>A close-up in the craft's words.</summary>
    public static Need Close(string name, Importance importance, double widthMm) => new()
    {
        Id = Locker.ItemIds.New("need", name, new HashSet<string>()),
        Name = name,
        Importance = importance,
        CloseWidthMm = widthMm,
        MinFNumber = 8,
        ShutterSeconds = ShutterSeconds(Motion.Talking),
        Static = true,
    };
}
