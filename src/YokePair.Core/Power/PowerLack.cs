namespace YokePair.Core.Power;

/// <summary>What the charge of a day does not reach.</summary>
/// <param name="Short">Where a camera goes dark on a busy day with everything there.</param>
/// <param name="WithoutOne">Types of which one must not die, with where a camera goes dark then.</param>
public sealed record PowerLack(IReadOnlyList<PowerShort> Short, IReadOnlyList<PowerType> WithoutOne)
{
    /// <summary>How much is lacking: places that go dark, and batteries or sets that are short.</summary>
    public int Size => Short.Count + WithoutOne.Sum(t => t.Short);

    /// <summary>Enough, whichever battery dies.</summary>
    public bool IsNone => Short.Count == 0 && WithoutOne.Count == 0;
}
