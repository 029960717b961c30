namespace YokePair.Core.Record;

/// <summary>What is so of a card now.</summary>
/// <param name="Card">Its id.</param>
/// <param name="Condition">Whether it may be used.</param>
/// <param name="Day">Key of the assignment whose pictures are on it; null = there are none, or nobody said.</param>
/// <param name="Where">What it is in.</param>
/// <param name="Who">Who has it.</param>
/// <param name="OnTheWay">Whether it has not arrived there.</param>
/// <param name="Halves">Cards that were in the other slot, each with the pictures of that time.</param>
/// <param name="Copies">Copies of it.</param>
/// <param name="IsJpeg">Whether it takes the JPEGs only: it is no copy of the raw files of its other half.</param>
public sealed record CardState(
    string Card, CardCondition Condition, string? Day, string? Where, string? Who, bool OnTheWay, IReadOnlyList<OtherHalf> Halves,
        IReadOnlyList<CardCopy> Copies, bool IsJpeg = false)
{
    /// <summary>A card of which nothing is recorded.</summary>
    public static CardState Of(string card) => new(card, CardCondition.Clear, null, null, null, false, [], []);

    /// <summary>Whether there are pictures on it, or will be.</summary>
    public bool HoldsPictures => Condition is CardCondition.Loaded or CardCondition.Shot;

    /// <summary>Where it counts as being: with somebody, else in something.</summary>
    public string? Place => Who ?? Where;

    /// <summary>As it is after something more has happened.</summary>
    public CardState After(Fact fact) => fact.Kind switch
    {
        FactKind.Put => new CardState(Card, CardCondition.Loaded, fact.Day ?? Day, fact.Where, fact.Who, false, fact.With is { } half
            ? [new OtherHalf(half)] : [], Copies, fact.IsJpeg),
        FactKind.Taken => this with
        {
            // What was lost and is with somebody is found.
            Condition = Condition is CardCondition.Loaded or CardCondition.Lost ? CardCondition.Shot : Condition,
            Where = fact.Where,
            Who = fact.Who,
            OnTheWay = fact.OnTheWay,
        },
        FactKind.Copied => this with
        {
            // Whoever copies it has found pictures on it, told of or not.
            Condition = Condition == CardCondition.Clear ? CardCondition.Shot : Condition,
            Day = Condition == CardCondition.Clear ? fact.Day : Day,
            Copies = [.. Copies.Where(c => c.Where != fact.Where), new CardCopy(fact.Where ?? "", fact.Who, false)],
        },
        FactKind.Verified => this with { Copies = [.. Copies.Select(c => c.Where == fact.Where ? c with { IsVerified = true } : c)] },
        FactKind.Cleared or FactKind.Overridden or FactKind.Ours => Of(Card) with { Where = Where, Who = Who },
        FactKind.Lost => this with { Condition = CardCondition.Lost },
        FactKind.Settings => this with { Condition = CardCondition.Settings },
        FactKind.NotOurs => this with { Condition = CardCondition.NotOurs },
        _ => this,
    };
}

/// <summary>A card that was in the other slot for a while, so that pictures are on both.</summary>
/// <param name="Card">Its id.</param>
/// <param name="Copies">Where it has been cleared since, the copies of the same files that had been made of it; null = it has not.</param>
public sealed record OtherHalf(string Card, IReadOnlyList<CardCopy>? Copies = null);

/// <summary>Whether a card may be used.</summary>
public enum CardCondition
{
    /// <summary>Nothing is on it.</summary>
    Clear,

    /// <summary>In a camera.</summary>
    Loaded,

    /// <summary>Out of the camera, with pictures on it.</summary>
    Shot,

    /// <summary>Holds settings.</summary>
    Settings,

    /// <summary>Somebody else's.</summary>
    NotOurs,

    /// <summary>Dead, stolen or not to be found, with what was on it.</summary>
    Lost,
}

/// <summary>A copy of a card.</summary>
/// <param name="Where">The drive or place it is on.</param>
/// <param name="Who">Who has that.</param>
/// <param name="IsVerified">Whether it was read back; until then it does not count.</param>
public sealed record CardCopy(string Where, string? Who, bool IsVerified)
{
    /// <summary>Where it counts as being.</summary>
    public string Place => Who ?? Where;
}
