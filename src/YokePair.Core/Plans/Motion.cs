namespace YokePair.Core.Plans;

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
