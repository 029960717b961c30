using YokePair.Core.Record;

namespace YokePair.Data;

/// <summary>A fact as it is kept. The table itself refuses to change or lose one.</summary>
public sealed class FactRow
{
    /// <summary>Counts them.</summary>
    public int Number { get; init; }

    public required string Kind { get; init; }

    public required string Thing { get; init; }

    /// <summary>UTC.</summary>
    public required DateTime At { get; init; }

    public string? Day { get; init; }

    public string? Who { get; init; }

    public string? Where { get; init; }

    public string? With { get; init; }

    public bool OnTheWay { get; init; }

    public string? Words { get; init; }

    public double? Left { get; init; }

    public bool IsJpeg { get; init; }

    public string? Origin { get; init; }

    internal static FactRow Of(Fact fact) => new()
    {
        Kind = fact.Kind.ToString(),
        Thing = fact.Thing,
        At = fact.At,
        Day = fact.Day,
        Who = fact.Who,
        Where = fact.Where,
        With = fact.With,
        OnTheWay = fact.OnTheWay,
        Words = fact.Words,
        Left = fact.Left,
        IsJpeg = fact.IsJpeg,
        Origin = fact.Origin,
    };

    /// <summary>The fact; null where it is of a kind that this program does not know.</summary>
    internal Fact? ToFact() => !Enum.TryParse<FactKind>(Kind, out var kind) ? null : new Fact(
        kind, Thing, DateTime.SpecifyKind(At, DateTimeKind.Utc), Day, Who, Where, With, OnTheWay, Words, Left, IsJpeg, Origin);
}
