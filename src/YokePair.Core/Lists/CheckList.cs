namespace YokePair.Core.Lists;

/// <summary>When a list is gone through.</summary>
public enum ListKind
{
    /// <summary>The evening before.</summary>
    Tonight,

    /// <summary>As one leaves home: is it there?</summary>
    Morning,

    /// <summary>Before a part that holds something which happens once.</summary>
    Before,

    /// <summary>As one leaves the venue.</summary>
    Leaving,
}

/// <summary>What a line costs that is not so.</summary>
public enum LinePrice
{
    /// <summary>A picture of what happens once.</summary>
    Once,

    /// <summary>A picture less.</summary>
    Picture,

    /// <summary>No picture.</summary>
    Comfort,
}

/// <summary>Something that must be so, because of something in the plan.</summary>
/// <param name="Id">Of the list and of what it is about: the same as long as that is the same.</param>
/// <param name="Text">What must be so.</param>
/// <param name="Why">What it costs if it is not, or what else one should know; null = nothing.</param>
/// <param name="Place">Id of the place it is about; null = none.</param>
/// <param name="Cost">What it costs if it is not so.</param>
/// <param name="Items">Ids of the things it is about.</param>
public sealed record CheckLine(string Id, string Text, string? Why, string? Place, LineCost Cost, IReadOnlyList<string> Items)
{
    /// <summary>The lines that matter first.</summary>
    internal static IEnumerable<CheckLine> Sorted(IEnumerable<CheckLine> lines) => lines.OrderBy(l => l.Cost.Strands).ThenBy(l => l.Cost.Price);
}

/// <summary>What it costs if a line is not so: a word and a strand.</summary>
/// <param name="Price">The word.</param>
/// <param name="Strands">Strands the worst picture has left then: 0 broken, 1 hangs by one thing, 2, or 3 for three and more.</param>
public readonly record struct LineCost(LinePrice Price, int Strands)
{
    /// <summary>No picture.</summary>
    public static LineCost None => new(LinePrice.Comfort, 3);
}

/// <summary>One list.</summary>
/// <param name="Kind">When it is gone through.</param>
/// <param name="Part">Id of the part before which; null = no part.</param>
/// <param name="Title">What it is called.</param>
/// <param name="At">Local time by which; null = without times.</param>
/// <param name="Lines">Its lines, in the order of places.</param>
public sealed record CheckList(ListKind Kind, string? Part, string Title, DateTime? At, IReadOnlyList<CheckLine> Lines);
