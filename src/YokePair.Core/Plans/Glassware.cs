using YokePair.Core.Basics;

namespace YokePair.Core.Plans;

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

    /// <summary>Whether it is made for close-ups: half the size of life and more.</summary>
    [System.Text.Json.Serialization.JsonIgnore] public bool IsMacro => Magnification >= 0.5;

    /// <summary>Whether a converter of its mount may sit on it.</summary>
    public bool TakesConverter { get; init; }

    /// <summary>Stops by which its stabilisation relaxes the hand-held shutter floor.</summary>
    public double StabilisationStops { get; init; }

    /// <summary>Nearest focus, metres.</summary>
    public double? NearestFocusM { get; init; }

    /// <summary>Sharp or reliable only from this f-number on.</summary>
    public double? WorkingFNumber { get; init; }

    /// <summary>Stops of light its glass swallows beyond its f-number.</summary>
    public double? TStopLoss { get; init; }

    /// <summary>Whether it is used on a support only.</summary>
    public bool? NeedsSupport { get; init; }

    /// <summary>Filter thread, mm.</summary>
    public double? FilterThreadMm { get; init; }

    /// <summary>Whether it is sealed against rain.</summary>
    public bool? Sealed { get; init; }
}

/// <summary>Leads from a lens of one mount to a body of another.</summary>
public sealed record Adapter : Item
{
    /// <summary>Mount of the lens (or of the converter or tube) that goes into it.</summary>
    public string? LensMount { get; init; }

    /// <summary>Mount of the body it goes on.</summary>
    public string? BodyMount { get; init; }

    /// <summary>Whether a lens goes on a body with it.</summary>
    public bool Joins(Lens lens, Body body) => LensMount == lens.Mount && BodyMount is { } mount && body.Mount.Contains(mount);
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

/// <summary>Filter or step-up ring.</summary>
public sealed record Filter : Item
{
    /// <summary>Thread that screws into the lens, mm.</summary>
    public double? ThreadMm { get; init; }

    /// <summary>For a ring: thread of the filter that screws into it, mm.</summary>
    public double? StepsToMm { get; init; }

    /// <summary>Stops of light it takes; null for none.</summary>
    public double? Stops { get; init; }
}
