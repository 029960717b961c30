using System.Text.Json;
using System.Text.Json.Serialization;
using YokePair.Core.Basics;
using YokePair.Core.Optics;

namespace YokePair.Core.Plans;

/// <summary>A frame on a subject, from an interval of distances: one can stand anywhere in it.</summary>
public sealed record SubjectFrame
{
    /// <summary>Nearest and farthest place to stand, metres from the subject.</summary>
    public required Interval DistanceM { get; init; }

    /// <summary>Height that must be in the frame, metres.</summary>
    public double? HeightM { get; init; }

    /// <summary>Width that must be in the frame, metres.</summary>
    public double? WidthM { get; init; }

    /// <summary>Tallest frame that would still be the picture, metres; null = as <see cref="HeightM"/>.</summary>
    public double? TallestM { get; init; }

    /// <summary>Widest frame that would still be the picture, metres.</summary>
    public double? WidestM { get; init; }

    /// <summary>Smallest height that would still be the picture, metres: so much nearer it may look.</summary>
    public double? SmallestM { get; init; }

    /// <summary>Smallest width that would still be the picture, metres.</summary>
    public double? NarrowestM { get; init; }

    /// <summary>Camera turned upright.</summary>
    public bool Upright { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Nearest and farthest place to stand, no nearer than a line one must stay behind, metres.</summary>
    public Interval StandingM(double? stayBehindM) => stayBehindM is { } line ? new Interval(Math.Max(DistanceM.Low, line), Math.Max(DistanceM.High, line))
        : DistanceM;

    /// <summary>Equivalent focal lengths that frame it from the nearest and from the farthest place; null when nothing must be in the frame.</summary>
    /// <param name="stayBehindM">Line one must stay behind, metres from the subject; null = none.</param>
    public Interval? EquivalentMm(double? stayBehindM)
    {
        if (HeightM is null && WidthM is null) return null;
        var from = StandingM(stayBehindM);
        return new Interval(Framing.EquivalentMm(from.Low, HeightM, WidthM, Upright), Framing.EquivalentMm(from.High, HeightM, WidthM, Upright));
    }

    /// <summary>
    /// Equivalent focal lengths that still give the picture: from the nearest place the widest frame, from the farthest the
    /// tightest; a side that nothing is said of is that of the wanted range. Null where nothing is said.
    /// </summary>
    /// <param name="stayBehindM">Line one must stay behind, metres from the subject; null = none.</param>
    /// <param name="wanted">The wanted range, mm.</param>
    public Interval? AcceptMm(double? stayBehindM, Interval wanted)
    {
        var from = StandingM(stayBehindM);
        var (wider, tighter) = (TallestM is not null || WidestM is not null, SmallestM is not null || NarrowestM is not null);
        return !wider && !tighter ? null : new Interval(
            wider ? Framing.EquivalentMm(from.Low, TallestM, WidestM, Upright) : wanted.Low,
            tighter ? Framing.EquivalentMm(from.High, SmallestM, NarrowestM, Upright) : wanted.High);
    }
}
