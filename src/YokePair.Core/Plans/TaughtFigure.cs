namespace YokePair.Core.Plans;

/// <summary>A figure of a part that past jobs taught.</summary>
/// <param name="Figure">What it is.</param>
/// <param name="Value">What it became.</param>
/// <param name="Usual">What it is without them.</param>
/// <param name="Jobs">How many jobs tell it.</param>
public sealed record TaughtFigure(TaughtKind Figure, double Value, double Usual, int Jobs);

/// <summary>Figures of a part that past jobs teach.</summary>
public enum TaughtKind
{
    /// <summary>Light, EV at ISO 100.</summary>
    Ev,

    /// <summary>Frames a minute.</summary>
    FramesPerMinute,

    /// <summary>Length, minutes.</summary>
    Minutes,
}
