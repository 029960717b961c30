namespace YokePair.Core.Optics;

/// <summary>Colour of what a flash is bounced off; darker surfaces swallow more.</summary>
public enum BounceColour
{
    /// <summary>White: two stops.</summary>
    White,

    /// <summary>Cream, pale grey: three stops.</summary>
    Pale,

    /// <summary>Wood, brick: four stops.</summary>
    Dark,
}
