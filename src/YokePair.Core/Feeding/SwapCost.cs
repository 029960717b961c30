namespace YokePair.Core.Feeding;

/// <summary>
/// What is wrong with a plan of swaps, the worst first: one plan is better than another if the first of these in which they
/// differ is smaller.
/// </summary>
/// <param name="Lived">
/// On a day that lacks something whatever one does: how much goes without how early, and then what happens once that suffers, as nobody goes
/// without in the morning to keep one for the evening, nor changes amid the vows to save the rest of one for the dance. Else 0.
/// </param>
/// <param name="Short">Pictures for which nothing is left.</param>
/// <param name="Ahead">Parts that go without, each with what is still to come.</param>
/// <param name="Risks">Swaps inside a part that holds something which happens once, and such parts begun with less than they ask.</param>
/// <param name="Unpinned">Parts before which a change is wanted and none is made.</param>
/// <param name="Unclear">Parts that should be begun on a clear card and are not.</param>
/// <param name="Walks">Swaps for which the way there and back alone is longer than what is asked of the part can wait.</param>
/// <param name="Hurried">Swaps that take longer than what is asked of the part can wait.</param>
/// <param name="Reserve">Parts that hold something which happens once and are begun with enough for it, but with less than the reserve besides.</param>
/// <param name="Inside">Swaps inside other parts.</param>
/// <param name="Spares">Swaps with what a backup camera is loaded with.</param>
/// <param name="Stale">Parts that hold something which happens once and are begun with a battery that is not fresh, where it should be.</param>
/// <param name="Swaps">Swaps.</param>
/// <param name="Doubtful">Swaps with what only sometimes works.</param>
/// <param name="Apart">Swaps of a card where the camera's battery is not changed as well.</param>
/// <param name="Seconds">Seconds they take.</param>
/// <param name="Early">Parts still to come at each swap: of two plans as good the one that swaps later, as a quiet day may do without.</param>
internal readonly record struct SwapCost(
    int Lived, double Short, int Ahead, int Risks, int Unpinned, int Unclear, int Walks, int Hurried, int Reserve, int Inside, int Spares, int Stale,
    int Swaps, int Doubtful, int Apart, double Seconds, int Early) : IComparable<SwapCost>
{
    private const double Slack = 1e-6;
    private const int OfAPart = 1000;

    /// <summary>The same on a day that lacks something whatever one does.</summary>
    public SwapCost AsLived() => this with { Lived = (Ahead * OfAPart) + Risks };

    public static SwapCost operator +(SwapCost a, SwapCost b) => new(
        a.Lived + b.Lived, a.Short + b.Short, a.Ahead + b.Ahead, a.Risks + b.Risks, a.Unpinned + b.Unpinned, a.Unclear + b.Unclear,
        a.Walks + b.Walks, a.Hurried + b.Hurried, a.Reserve + b.Reserve, a.Inside + b.Inside, a.Spares + b.Spares, a.Stale + b.Stale,
        a.Swaps + b.Swaps, a.Doubtful + b.Doubtful, a.Apart + b.Apart, a.Seconds + b.Seconds, a.Early + b.Early);

    public int CompareTo(SwapCost other)
    {
        if (Lived != other.Lived) return Lived.CompareTo(other.Lived);
        if (Math.Abs(Short - other.Short) > Slack) return Short.CompareTo(other.Short);
        foreach (var (mine, theirs) in (ReadOnlySpan<(int, int)>)
            [
                (Ahead, other.Ahead), (Risks, other.Risks), (Unpinned, other.Unpinned), (Unclear, other.Unclear), (Walks, other.Walks),
                (Hurried, other.Hurried), (Reserve, other.Reserve), (Inside, other.Inside), (Spares, other.Spares), (Stale, other.Stale),
                (Swaps, other.Swaps), (Doubtful, other.Doubtful), (Apart, other.Apart),
            ])
            if (mine != theirs) return mine.CompareTo(theirs);
        return Math.Abs(Seconds - other.Seconds) > Slack ? Seconds.CompareTo(other.Seconds) : Early.CompareTo(other.Early);
    }
}
