namespace YokePair.Core.Basics;

/// <summary>What a typed text was read as, or, where it was not, what would do.</summary>
/// <param name="Value">What was read; nothing of worth where there is a problem.</param>
/// <param name="Problem">Quotes the text and says what would do; null = it was read.</param>
public readonly record struct Reading<T>(T Value, string? Problem)
{
    /// <summary>Whether the problem is told as well as it can be, so that no reader of more words tells it anew.</summary>
    public bool SaysAll { get; init; }

    /// <summary>Whether it was read.</summary>
    public bool Read => Problem is null;

    /// <summary>The same made of what was read.</summary>
    public Reading<TOther> As<TOther>(Func<T, TOther> make) => Read ? new(make(Value), null) : new(default!, Problem) { SaysAll = SaysAll };

    /// <summary>The same, refused where what was read will not do.</summary>
    public Reading<T> Unless(Func<T, bool> wrong, Func<T, string> problem) => Read && wrong(Value) ? new(default!, problem(Value)) : this;
}

/// <summary>Makes readings.</summary>
public static class Reading
{
    /// <summary>It was read.</summary>
    public static Reading<T> Of<T>(T value) => new(value, null);

    /// <summary>It was not.</summary>
    public static Reading<T> Refused<T>(string problem, bool saysAll = false) => new(default!, problem) { SaysAll = saysAll };
}
