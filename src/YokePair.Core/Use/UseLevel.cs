namespace YokePair.Core.Use;

/// <summary>How much is taken on a day: batteries and cards are planned for a busy one.</summary>
public enum UseLevel
{
    /// <summary>A slow day.</summary>
    Low,

    /// <summary>The most likely day.</summary>
    Likely,

    /// <summary>A busy day.</summary>
    High,
}
