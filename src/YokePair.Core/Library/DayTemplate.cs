namespace YokePair.Core.Library;

/// <summary>A usual day: the parts such days have, in their order.</summary>
/// <param name="Id">Word for it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Kind">wedding, event or sport.</param>
/// <param name="StartHour">Hour at which it usually begins.</param>
/// <param name="Parts">Kinds of its parts, with their light and ceiling here.</param>
public sealed record DayTemplate(string Id, string Name, string Kind, int StartHour, IReadOnlyList<PartKind> Parts)
{
    /// <summary>Every template.</summary>
    public static IReadOnlyList<DayTemplate> All { get; } =
        [.. KindFile.Shipped.Days.Select(d => new DayTemplate(d.Id, d.Name, d.Kind, d.StartHour, [.. d.Parts.Select(Here)]))];

    // Where the light of a day's part is said, so is the ceiling: indoors and out of doors differ in both.
    private static PartKind Here(FiledDayPart part) =>
        PartKind.All.First(k => k.Id == part.Kind) is var kind && part.Ev is { } ev
            ? kind with { Ev = ev, CeilingM = part.CeilingM ?? (ev < 10 ? kind.CeilingM : null) } : kind;
}
