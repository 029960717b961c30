using YokePair.Core.Swaps;

namespace YokePair.Core.Cards;

/// <summary>What the cards of a day have no room for.</summary>
/// <param name="Short">Where a busy day finds no room on any card.</param>
/// <param name="WithoutOne">Types of which there are too few for the largest to die; asked where the sizes are known.</param>
public sealed record CardLack(IReadOnlyList<Shortage> Short, IReadOnlyList<CardType> WithoutOne)
{
    /// <summary>How much is lacking: frames without room, and cards that are short.</summary>
    public int Size => Short.Sum(s => s.Frames) + WithoutOne.Sum(t => t.Short);

    /// <summary>Enough, whichever card dies.</summary>
    public bool IsNone => Short.Count == 0 && WithoutOne.Count == 0;
}

/// <summary>What becomes of the cards and copies of a day without some things.</summary>
/// <param name="NoRoom">Frames that find no room then and did before.</param>
/// <param name="Copies">Fewest copies at the end.</param>
/// <param name="CopiesBefore">As many as there are with everything there.</param>
/// <param name="CopiesAsked">How many copies are asked.</param>
public sealed record CardsWithout(int NoRoom, int Copies, int CopiesBefore, int CopiesAsked);
