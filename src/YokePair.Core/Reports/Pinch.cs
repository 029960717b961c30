namespace YokePair.Core.Reports;

/// <summary>Where along a way something stands.</summary>
public enum PinchColumn
{
    /// <summary>In whose hands.</summary>
    Hands,

    /// <summary>The camera.</summary>
    Camera,

    /// <summary>The glass.</summary>
    Glass,

    /// <summary>What it needs besides: adapter, tube, tripod, flash, a small part.</summary>
    Besides,

    /// <summary>Batteries and cells.</summary>
    Power,

    /// <summary>Cards.</summary>
    Cards,

    /// <summary>The picture.</summary>
    Picture,
}

/// <summary>How good and how quick what passes a place is, at its best.</summary>
public enum PinchState
{
    /// <summary>As one would choose it, in time.</summary>
    InTime,

    /// <summary>Second best, in time.</summary>
    SecondBest,

    /// <summary>Too late.</summary>
    Late,

    /// <summary>It does not serve; drawn where nothing does, as what comes nearest.</summary>
    No,

    /// <summary>Not there.</summary>
    Gone,
}

/// <summary>A thing, or a bundle of which any serves, that ways pass through.</summary>
/// <param name="Id">What the links call it.</param>
/// <param name="Column">Where it stands.</param>
/// <param name="Items">Ids of the things; none for a person or the picture.</param>
/// <param name="Label">What it is called.</param>
/// <param name="Figure">The figure that decides: where it is and how long it takes, or what the glass asks.</param>
/// <param name="State">The best of what passes it.</param>
/// <param name="Hanging">How many pictures pass through it and nothing else: 0 or 1 for a need.</param>
/// <param name="Added">Whether it is there only with the mend.</param>
public sealed record Knot(string Id, PinchColumn Column, IReadOnlyList<string> Items, string Label, string Figure, PinchState State, int Hanging,
    bool Added = false);

/// <summary>A stretch of strand between two knots.</summary>
/// <param name="From">Knot nearer the hands.</param>
/// <param name="To">Knot nearer the picture.</param>
/// <param name="State">The best that passes.</param>
/// <param name="Ways">How many ways pass.</param>
/// <param name="Added">Whether it is there only with the mend.</param>
public sealed record Strand(string From, string To, PinchState State, int Ways, bool Added = false);

/// <summary>
/// Why a need, a part or a day hangs, as a drawing: ways as strands from hands to the picture, drawn together where all pass through one
/// thing.
/// </summary>
/// <param name="Headline">The whole in a sentence.</param>
/// <param name="Beneath">What the drawing leaves out, or what the mend adds; null = nothing.</param>
/// <param name="Knots">By column, in the order of the drawing.</param>
/// <param name="Strands">Between them.</param>
/// <param name="Mend">What the mend that is drawn would do; null = none is.</param>
public sealed record Pinch(string Headline, string? Beneath, IReadOnlyList<Knot> Knots, IReadOnlyList<Strand> Strands, string? Mend = null)
{
    /// <summary>The drawing with what a mend would add to it.</summary>
    public Pinch With(Pinch mended, string mend)
    {
        var knots = Knots.Select(k => k.Id).ToHashSet(StringComparer.Ordinal);
        var strands = Strands.Where(s => s.State < PinchState.Late).Select(s => (s.From, s.To)).ToHashSet();
        var more = mended.Strands.Where(s => s.State < PinchState.Late && !strands.Contains((s.From, s.To))).Select(s => s with { Added = true }).ToList();
        if (more.Count == 0) return this;
        var ends = more.SelectMany(s => new[] { s.From, s.To }).ToHashSet(StringComparer.Ordinal);
        return this with
        {
            Knots = [.. Knots.Concat(mended.Knots.Where(k => ends.Contains(k.Id) && !knots.Contains(k.Id))
                .Select(k => k with { Added = true, Hanging = 0 })).OrderBy(k => k.Column)],
            // What is drawn late today and would be in time is drawn once, as added.
            Strands = [.. Strands.Where(s => !more.Exists(m => m.From == s.From && m.To == s.To)), .. more],
            Mend = mend,
        };
    }
}
