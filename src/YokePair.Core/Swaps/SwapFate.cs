namespace YokePair.Core.Swaps;

/// <summary>What becomes of a swap when things are pulled.</summary>
public enum SwapFate
{
    /// <summary>It is made as planned.</summary>
    Stays,

    /// <summary>It is made as planned, with another thing.</summary>
    Other,

    /// <summary>It was not planned.</summary>
    New,

    /// <summary>It was planned and is not made.</summary>
    Dropped,
}
