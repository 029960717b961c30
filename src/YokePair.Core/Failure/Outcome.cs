namespace YokePair.Core.Failure;

/// <summary>What becomes of a need, best first, so that the larger is the worse.</summary>
public enum Outcome
{
    /// <summary>A full way in time.</summary>
    Holds,

    /// <summary>A second-best way in time.</summary>
    Thins,

    /// <summary>A way, but too slow.</summary>
    Late,

    /// <summary>No way at all.</summary>
    Lost,
}

/// <summary>Words for outcomes.</summary>
public static class Outcomes
{
    /// <summary>Whether the picture is had in time.</summary>
    public static bool IsMet(this Outcome outcome) => outcome <= Outcome.Thins;
}
