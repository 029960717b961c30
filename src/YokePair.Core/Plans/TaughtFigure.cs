using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>A figure of a part that past assignments taught.</summary>
/// <param name="Figure">What it is.</param>
/// <param name="Value">What it became.</param>
/// <param name="Usual">What it is without them.</param>
/// <param name="Assignments">How many assignments tell it.</param>
// Plan files say "jobs", as the first ones that were written did.
public sealed record TaughtFigure(TaughtKind Figure, double Value, double Usual, [property: JsonPropertyName("jobs")] int Assignments);

/// <summary>Figures of a part that past assignments teach.</summary>
public enum TaughtKind
{
    /// <summary>Light, EV at ISO 100.</summary>
    Ev,

    /// <summary>Frames a minute.</summary>
    FramesPerMinute,

    /// <summary>Length, minutes.</summary>
    Minutes,
}
