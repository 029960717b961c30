using System.Text.Json;
using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>A kind of part, with the light, rules and needs such parts have.</summary>
/// <param name="Id">Word for it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Minutes">How long it usually is.</param>
/// <param name="Ev">Light, EV at ISO 100.</param>
/// <param name="Flash">Whether flash may be used.</param>
/// <param name="Quiet">How quiet one must be.</param>
/// <param name="CeilingM">Height of the ceiling, metres; null = there is none.</param>
/// <param name="OwnDistance">Whether one stands where one likes.</param>
/// <param name="Heard">Words in a timetable that mean it.</param>
/// <param name="Because">Where its figures are from.</param>
/// <param name="Needs">What must be photographed.</param>
/// <param name="Own">Whether it is the user's own.</param>
/// <param name="Outdoors">Whether it is under the open sky, so that its light goes with the sun.</param>
public sealed record PartKind(
    string Id, string Name, int Minutes, double Ev, FlashRule Flash, QuietRule Quiet, double? CeilingM, bool OwnDistance,
    IReadOnlyList<string> Heard, string? Because, IReadOnlyList<Need> Needs, bool Own = false, bool Outdoors = false)
{
    /// <summary>Every kind that ships with the program.</summary>
    public static IReadOnlyList<PartKind> All { get; } = [.. KindFile.Shipped.Kinds.Select(k => Of(k))];

    /// <summary>A kind as a file has it.</summary>
    public static PartKind Of(FiledKind filed, bool own = false) =>
        new(filed.Id, filed.Name, filed.Minutes, filed.Ev, filed.Flash, filed.Quiet, filed.CeilingM, filed.OwnDistance, filed.Heard, filed.Because,
            [.. filed.Needs.Select(KindFile.Read)], own, filed.Outdoors);

    /// <summary>A part of a day as a kind to be used again: its length, light, rules and needs, not its people and things.</summary>
    public static FiledKind Kept(Part part, string name, IReadOnlyList<PartKind> known) => new()
    {
        Id = ItemIds.New("own", name, known.Select(k => k.Id).ToHashSet(StringComparer.Ordinal)),
        Name = name.Trim(),
        Minutes = part is { Start: { } start, End: { } end } ? (int)Math.Max(1, (end - start).TotalMinutes) : 60,
        Ev = part.Ev,
        Flash = part.Flash,
        Quiet = part.Quiet,
        CeilingM = part.Ceiling?.CeilingM,
        Outdoors = part.Outdoors == true,
        OwnDistance = LetsOneComeNearer(part, known),
        Heard = [.. Split(name)],
        Needs = [.. part.Needs.Select(n => JsonSerializer.SerializeToNode(n with { Who = Need.Anyone, Moment = null }, PlanFile.JsonOptions)!.AsObject())],
    };

    /// <summary>The kind a word or a timetable line means; null when none. The user's own come before others as good.</summary>
    public static PartKind? Meant(string text, IReadOnlyList<PartKind>? known = null)
    {
        var words = Split(text);
        return (known ?? All).Select(k => (Kind: k, Score: words.Sum(w => Score(k, w)))).Where(x => x.Score > 0)
            .OrderByDescending(x => x.Score).ThenByDescending(x => x.Kind.Own).Select(x => x.Kind).FirstOrDefault();
    }

    /// <summary>Whether one stands where one likes in a part: no line holds one back, nor what happens there.</summary>
    internal static bool LetsOneComeNearer(Part part, IReadOnlyList<PartKind>? known = null) =>
        part.StayBehindM is null && (known ?? All).FirstOrDefault(k => k.Id == part.Kind)?.OwnDistance != false;

    /// <summary>A part of this kind.</summary>
    public Part Make(string id, DateTime start, DateTime end, string? name = null, string? location = null) => new()
    {
        Id = id,
        Name = name ?? Name,
        Kind = Id,
        Location = location,
        Start = start,
        End = end,
        Ev = Ev,
        Outdoors = Outdoors ? true : null,
        Flash = Flash,
        Quiet = Quiet,
        Ceiling = CeilingM is { } height ? new Bounce { CeilingM = height } : null,
        Needs = [.. Needs.Select(ByTheLightThereMayBe)],
    };

    /// <summary>Flash is not asked for where it is banned, nor where nothing says how far its light has to go.</summary>
    private Need ByTheLightThereMayBe(Need need) =>
        need.Light.Contains(LightKind.Flash) && (Flash == FlashRule.Banned || (CeilingM is null && need.FlashPathM is null && need.Bounce is null))
            ? need with { Light = [.. need.Light.Where(l => l != LightKind.Flash)] }
            : need;

    private static int Score(PartKind kind, string word) =>
        (kind.Id.Split('-').Any(i => (word.Length > 3 && i.StartsWith(word, StringComparison.Ordinal))
            || (i.Length > 3 && word.StartsWith(i, StringComparison.Ordinal))) ? 2 : 0)
        + (kind.Heard.Any(h => word.StartsWith(h, StringComparison.Ordinal)) ? 1 : 0);

    private static string[] Split(string text) => text.ToLowerInvariant().Split(
        [' ', ',', '.', ';', ':', '-', '–', '/'], StringSplitOptions.RemoveEmptyEntries);
}
