using System.Text.Json.Serialization;
using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Changes a part's times, light or rules; what is null stays as it is.</summary>
public sealed record SetPart : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>New name.</summary>
    public string? Name { get; init; }

    /// <summary>New location, in words.</summary>
    public string? Location { get; init; }

    /// <summary>New UID of the calendar event it is.</summary>
    public string? Uid { get; init; }

    /// <summary>New list of people who are there.</summary>
    public IReadOnlyList<string>? Present { get; init; }

    /// <summary>Whether what follows moves by as much as the end does.</summary>
    public bool? Ripple { get; init; }

    /// <summary>New start.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? Start { get; init; }

    /// <summary>New end.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? End { get; init; }

    /// <summary>New light, EV at ISO 100.</summary>
    public double? Ev { get; init; }

    /// <summary>An exposure noted in the place; its light takes the place of <see cref="Ev"/>.</summary>
    public NotedExposure? Noted { get; init; }

    /// <summary>Whether the light bands under some silent shutters.</summary>
    public bool? LedBands { get; init; }

    /// <summary>New colour of gel that matches the light; empty = none.</summary>
    public string? Gel { get; init; }

    /// <summary>New height of the ceiling, metres; 0 = there is none.</summary>
    public double? CeilingM { get; init; }

    /// <summary>New colour of the ceiling.</summary>
    public BounceColour? CeilingColour { get; init; }

    /// <summary>New note on white balance; empty = none.</summary>
    public string? WhiteBalance { get; init; }

    /// <summary>New temperature, °C.</summary>
    public double? TemperatureC { get; init; }

    /// <summary>Whether it may rain.</summary>
    public bool? Rain { get; init; }

    /// <summary>Whether there is a socket.</summary>
    public bool? Socket { get; init; }

    /// <summary>Whether nothing rolls there.</summary>
    public bool? Rough { get; init; }

    /// <summary>Whether the cards of every camera are changed before it.</summary>
    public bool? ChangeCards { get; init; }

    /// <summary>New line to stay behind, metres; 0 = none.</summary>
    public double? StayBehindM { get; init; }

    /// <summary>New frames expected.</summary>
    public FrameCount? Frames { get; init; }

    /// <summary>Names of fields that are no longer set: temperatureC, frames, framesPerMinute, noted.</summary>
    public IReadOnlyList<string>? Clear { get; init; }

    /// <summary>Whether it begins when it begins, however late one is.</summary>
    public bool? FixedStart { get; init; }

    /// <summary>Whether it is under the open sky.</summary>
    public bool? Outdoors { get; init; }

    /// <summary>New flash rule.</summary>
    public FlashRule? Flash { get; init; }

    /// <summary>New rule about noise.</summary>
    public QuietRule? Quiet { get; init; }

    /// <summary>New list of places out of reach.</summary>
    public IReadOnlyList<string>? Unreachable { get; init; }

    private static readonly Dictionary<string, string> Clearable = new(StringComparer.Ordinal)
    {
        ["noted"] = "no noted exposure",
        ["temperatureC"] = "no temperature",
        ["frames"] = "frames as reckoned",
        ["framesPerMinute"] = "frames a minute as usual",
    };

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        if (Noted is { } seen && !(seen.FNumber > 0 && seen.ShutterSeconds > 0 && seen.Iso > 0)) return Refuse("noted",
            "an f-number, a shutter time and an ISO, each above 0, make an exposure; say all three");
        if (Clear?.FirstOrDefault(f => !Clearable.ContainsKey(f)) is { } unknown) return Refuse("clear",
            $"\"{unknown}\" cannot be taken back; what can is {string.Join(", ", Clearable.Keys)}");
        var changed = ChangedFrom(part);
        var next = plan.With(changed);
        if (Ripple == true && part.End is { } was && End is { } now && now != was) next = PlanChanges.MoveOn(next, was, now, except: part.Id);
        return new EditResult(next, $"{part.Label}: {string.Join(", ", Differences(part, changed))}{(Ripple == true ? ", the rest moves along" : "")}", []);
    }

    private Part ChangedFrom(Part part) => part with
    {
        Name = Name ?? part.Name,
        Location = Location ?? part.Location,
        Uid = Uid ?? part.Uid,
        Present = Present ?? part.Present,
        Start = Start ?? part.Start,
        End = End ?? part.End,
        Ev = Noted is { } noted ? Math.Round(Exposure.Ev(noted.FNumber, noted.ShutterSeconds, noted.Iso), 2) : Ev ?? part.Ev,
        Noted = Noted ?? (Ev is not null || Cleared("noted") ? null : part.Noted),
        LedBands = LedBands ?? part.LedBands,
        Gel = Word(Gel, part.Gel),
        Ceiling = CeilingFrom(part),
        WhiteBalance = Word(WhiteBalance, part.WhiteBalance),
        TemperatureC = Cleared("temperatureC") ? null : TemperatureC ?? part.TemperatureC,
        Rain = Rain ?? part.Rain,
        Socket = Socket ?? part.Socket,
        FixedStart = FixedStart ?? part.FixedStart,
        Outdoors = Outdoors ?? part.Outdoors,
        Rough = Rough ?? part.Rough,
        ChangeCards = ChangeCards ?? part.ChangeCards,
        StayBehindM = StayBehindM is 0 ? null : StayBehindM ?? part.StayBehindM,
        Frames = Cleared("frames") ? null : Frames ?? part.Frames,
        FramesPerMinute = Cleared("framesPerMinute") ? null : part.FramesPerMinute,
        Taught = StillTaught(part),
        Flash = Flash ?? part.Flash,
        Quiet = Quiet ?? part.Quiet,
        Unreachable = Unreachable ?? part.Unreachable,
    };

    /// <summary>What the edit is called in the list of what can be undone: every field that was said.</summary>
    private IEnumerable<string> Differences(Part part, Part changed)
    {
        if (Name is not null) yield return $"called {changed.Label}";
        if (Location is not null) yield return $"at {changed.Location}";
        if (Present is not null) yield return changed.Present?.Count > 0 ? $"with {string.Join(", ", changed.Present)}" : "nobody there";
        if (Start is not null) yield return $"starts {English.Moved(changed.Start - part.Start)}";
        if (End is not null) yield return $"ends {English.Moved(changed.End - part.End)}";
        if (Noted is not null) yield return FormattableString.Invariant($"light EV {changed.Ev} from a noted exposure");
        if (LedBands is not null) yield return changed.LedBands == true ? "LED light that bands" : "no light that bands";
        if (Gel is not null) yield return changed.Gel is null ? "no gel asked" : $"gel {changed.Gel}";
        if (CeilingM is not null || CeilingColour is not null) yield return changed.Ceiling is { } above ? FormattableString.Invariant(
            $"a {Lower(above.Colour)} ceiling at {above.CeilingM} m") : "no ceiling";
        if (WhiteBalance is not null) yield return changed.WhiteBalance is null ? "no note on white balance" : $"white balance: {changed.WhiteBalance}";
        if (TemperatureC is not null) yield return "another temperature";
        if (Rain is not null) yield return changed.Rain == true ? "rain" : "dry";
        if (ChangeCards is not null) yield return changed.ChangeCards == true ? "clear cards before it" : "cards as they are";
        if (Rough is not null) yield return changed.Rough == true ? "nothing rolls" : "rollers roll";
        if (Socket is not null) yield return changed.Socket == true ? "a socket" : "no socket";
        if (FixedStart is not null) yield return changed.FixedStart == true ? "begins on the minute" : "begins when one is there";
        if (Outdoors is not null) yield return changed.Outdoors == true ? "out of doors" : "under a roof";
        if (StayBehindM is not null) yield return changed.StayBehindM is { } line ? FormattableString.Invariant($"a line {line} m off")
            : "no line to stay behind";
        if (Frames is not null) yield return $"{changed.Frames?.Low}, {changed.Frames?.Likely} or {changed.Frames?.High} frames";
        foreach (var field in Clear ?? []) yield return Clearable[field];
        if (Ev is not null && Noted is null) yield return FormattableString.Invariant($"light EV {changed.Ev} (was {part.Ev})");
        if (Flash is not null) yield return $"flash {Lower(changed.Flash)}";
        if (Quiet is not null) yield return $"quiet {Lower(changed.Quiet)}";
        if (Unreachable is not null) yield return changed.Unreachable.Count == 0 ? "every place in reach"
            : $"out of reach: {string.Join(", ", changed.Unreachable)}";
    }

    /// <summary>What somebody says himself is no longer what past assignments taught.</summary>
    private IReadOnlyList<TaughtFigure>? StillTaught(Part part)
    {
        List<TaughtFigure> left = [.. part.Taught?.Where(t => t.Figure switch
        {
            TaughtKind.Ev => Ev is null && Noted is null,
            TaughtKind.Minutes => Start is null && End is null,
            _ => !Cleared("framesPerMinute"),
        }) ?? []];
        return left.Count == 0 ? null : left.Count == part.Taught!.Count ? part.Taught : left;
    }

    private Bounce? CeilingFrom(Part part) => CeilingM is 0 ? null
        : (CeilingM ?? part.Ceiling?.CeilingM) is { } height ? (
            part.Ceiling ?? new Bounce { CeilingM = height }) with
        { CeilingM = height, Colour = CeilingColour ?? part.Ceiling?.Colour ?? BounceColour.White }
        : null;

    private bool Cleared(string field) => Clear?.Contains(field) == true;

    private static string? Word(string? changed, string? was) => changed is null ? was : string.IsNullOrWhiteSpace(changed) ? null : changed.Trim();

    private static string Lower<T>(T value) where T : struct, Enum => value.ToString().ToLowerInvariant();
}
