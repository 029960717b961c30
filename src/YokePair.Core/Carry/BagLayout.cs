namespace YokePair.Core.Carry;

/// <summary>Where a thing lies, seen from above, mm from the corner.</summary>
/// <param name="Item">Item id.</param>
/// <param name="X">Along the length.</param>
/// <param name="Y">Along the width.</param>
/// <param name="Length">Room it takes along the length.</param>
/// <param name="Width">Room it takes along the width.</param>
/// <param name="Height">How high it stands.</param>
public sealed record LaidThing(string Item, double X, double Y, double Length, double Width, double Height);

/// <summary>A thing that does not lie flat whichever way it is turned.</summary>
/// <param name="Item">Item id.</param>
/// <param name="MissingMm">By how much it is too thick.</param>
public sealed record TooDeep(string Item, double MissingMm);

/// <summary>How things lie side by side in a bag.</summary>
/// <param name="Room">The bag and the things.</param>
/// <param name="Laid">What lies in it.</param>
/// <param name="TooDeep">What the bag is not deep enough for.</param>
/// <param name="Out">Ids of what finds no room besides.</param>
/// <param name="LongerMm">So much longer it would all lie in; null = it does, or no such length was found in time.</param>
/// <param name="WiderMm">So much wider it would.</param>
/// <param name="Proven">Whether it is certain that no more fits.</param>
public sealed record BagLayout(
    BagRoom Room, IReadOnlyList<LaidThing> Laid, IReadOnlyList<TooDeep> TooDeep, IReadOnlyList<string> Out, double? LongerMm, double? WiderMm, bool Proven)
{
    /// <summary>Whether everything lies in it.</summary>
    public bool Fits => TooDeep.Count + Out.Count == 0;
}
