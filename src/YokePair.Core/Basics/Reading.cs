namespace YokePair.Core.Basics;

/// <summary>What a typed text was read as, or, where it was not, what would do.</summary>
/// <param name="Value">What was read; nothing of worth where there is a problem.</param>
/// <param name="Problem">Quotes the text and says what would do; null = it was read.</param>
public readonly record struct Reading<T>(T Value, string? Problem)
{
    /// <summary>Whether it was read.</summary>
    public bool Read => Problem is null;

    /// <summary>The same made of what was read.</summary>
    public Reading<TOther> As<TOther>(Func<T, TOther> make) => Read ? new(make(Value), null) : new(default!, Problem);
}

/// <summary>Makes readings.</summary>
public static class Reading
{
    /// <summary>It was read.</summary>
    public static Reading<T> Of<T>(T value) => new(value, null);

    /// <summary>It was not.</summary>
    public static Reading<T> Refused<T>(string problem) => new(default!, problem);
}
