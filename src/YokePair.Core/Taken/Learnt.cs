namespace YokePair.Core.Taken;

/// <summary>What assignments teach.</summary>
public enum LearntKind
{
    /// <summary>Light of a kind of part in a place, EV at ISO 100.</summary>
    Light,

    /// <summary>How long a kind of part is, minutes.</summary>
    Length,

    /// <summary>Pictures a minute in a kind of part.</summary>
    FramesPerMinute,

    /// <summary>How far people are in a kind of part, m.</summary>
    Distance,

    /// <summary>Which glass is used in a kind of part.</summary>
    Hands,

    /// <summary>Pictures a charge of a camera.</summary>
    FramesPerCharge,

    /// <summary>The highest sensitivity of a camera that is delivered.</summary>
    IsoCeiling,

    /// <summary>What a battery gives of what a new one would.</summary>
    Health,
}

/// <summary>A figure that past assignments teach. It is used until somebody refuses it.</summary>
/// <param name="Id">What it is refused under.</param>
/// <param name="Kind">What it is.</param>
/// <param name="PartKind">Kind of part it is of; null = of none.</param>
/// <param name="Place">Place it is of, as it was written; null = of none.</param>
/// <param name="Thing">Id of the camera or battery it is of; null = of none.</param>
/// <param name="Value">The figure; of a range its lower end, of glass none.</param>
/// <param name="To">Upper end of a range; null = no range.</param>
/// <param name="Glass">Ids of glass, what is used most first.</param>
/// <param name="Assignments">How many assignments tell it.</param>
/// <param name="From">Names of the latest of them.</param>
/// <param name="Refused">Whether somebody refused it.</param>
public sealed record LearntFigure(
    string Id, LearntKind Kind, string? PartKind, string? Place, string? Thing, double Value, double? To, IReadOnlyList<string> Glass, int Assignments,
    IReadOnlyList<string> From, bool Refused = false)
{
    /// <summary>Of light, what the latest part it is of is called.</summary>
    public string? Called { get; init; }
}

/// <summary>Everything that past assignments teach.</summary>
/// <param name="Figures">The figures, in order of kind and subject.</param>
public sealed record Learnt(IReadOnlyList<LearntFigure> Figures)
{
    private const int FromNamed = 3, FewestIso = 20;
    private const double LeastShare = 0.1, ChangedAtShare = 0.85, HalfLeft = 0.5, RoundMinutes = 5, HardlyKept = 0.25, LeastHealth = 0.1;

    /// <summary>Nothing yet.</summary>
    public static Learnt Nothing { get; } = new([]);

    /// <summary>What is used: nothing that was refused.</summary>
    public IEnumerable<LearntFigure> Used(LearntKind kind) => Figures.Where(f => f.Kind == kind && !f.Refused);

    /// <summary>Learns.</summary>
    /// <param name="days">What past assignments used, the oldest first.</param>
    /// <param name="refused">Ids of figures that are not to be used.</param>
    public static Learnt Of(IReadOnlyList<TakenDay> days, IReadOnlySet<string> refused)
    {
        var parts = days.SelectMany(d => d.Parts.Where(p => p.Taken >= DayTaken.FewestTell).Select(p => (Day: d, Part: p))).ToList();
        var kinds = parts.Where(p => p.Part.Kind is not null).GroupBy(p => p.Part.Kind!, StringComparer.Ordinal).OrderBy(g => g.Key, StringComparer.Ordinal)
            .ToList();
        IEnumerable<LearntFigure> all = [
            .. parts.Where(p => p.Part is { Location: not null, Ev: not null, Outdoors: false })
                .GroupBy(p => (PlaceKey(p.Part.Location!), What(p.Part.Kind, p.Part.Name))).Select(g => Light([.. g])),
            .. kinds.Select(k => Median(k, LearntKind.Length, p => Math.Max(RoundMinutes, Math.Round(p.Minutes / RoundMinutes) * RoundMinutes))),
            .. kinds.Select(PerMinute),
            .. kinds.Select(k => k.Where(p => p.Part.NearM is not null).ToList()).Where(k => k.Count > 0).Select(Distance),
            .. kinds.Select(Hands).OfType<LearntFigure>(),
            .. days.SelectMany(d => d.Bodies.Select(b => b.Body)).OfType<string>().Distinct().Order(StringComparer.Ordinal)
                .SelectMany(b => new[] { PerCharge(days, b), Iso(days, b) }).OfType<LearntFigure>(),
            .. days.SelectMany(d => (d.Charges ?? []).Select(c => (Day: d, Use: c))).GroupBy(c => c.Use.Battery).OrderBy(g => g.Key, StringComparer.Ordinal)
                .Select(g => Figure(LearntKind.Health, $"{LearntKind.Health}|{g.Key}", g.Select(c => c.Day),
                    Math.Clamp(Math.Round(Spread.Median([.. g.Select(c => c.Use.PerCharge / c.Use.Usual).Order()]), 2), LeastHealth, 1), thing: g.Key))];
        return new Learnt([.. all.Select(f => f with { Refused = refused.Contains(f.Id) }).OrderBy(f => f.Kind)]);
    }

    /// <summary>Places are one however they were written.</summary>
    public static string PlaceKey(string location) => string.Join(' ', location.ToLowerInvariant().Split(
        [' ', ',', '.', ';', '\t'], StringSplitOptions.RemoveEmptyEntries).Where(w => w is not "the"));

    /// <summary>A part of no known kind is what it is called.</summary>
    public static string What(string? kind, string name) => kind ?? PlaceKey(name);

    private static LearntFigure Light(IReadOnlyList<(TakenDay Day, TakenPart Part)> seen) => Figure(
        LearntKind.Light, $"light|{PlaceKey(seen[0].Part.Location!)}|{What(seen[0].Part.Kind, seen[0].Part.Name)}", seen.Select(s => s.Day),
        Math.Round(Spread.Median([.. seen.Select(s => s.Part.Ev!.Value).Order()]), 1), partKind: seen[0].Part.Kind, place: seen[^1].Part.Location) with
    { Called = seen[^1].Part.Name };

    private static LearntFigure Median(IGrouping<string, (TakenDay Day, TakenPart Part)> kind, LearntKind of, Func<TakenPart, double> figure) => Figure(
        of, $"{of}|{kind.Key}", kind.Select(k => k.Day), Spread.Median([.. kind.Select(k => figure(k.Part)).Order()]), partKind: kind.Key);

    /// <summary>All pictures over all minutes: a long part tells more than a short one.</summary>
    private static LearntFigure PerMinute(IGrouping<string, (TakenDay Day, TakenPart Part)> kind) => Figure(
        LearntKind.FramesPerMinute, $"{LearntKind.FramesPerMinute}|{kind.Key}", kind.Select(k => k.Day),
        Math.Round(kind.Sum(k => k.Part.Taken) / Math.Max(1, kind.Sum(k => k.Part.Minutes)), 1), partKind: kind.Key);

    private static LearntFigure Distance(List<(TakenDay Day, TakenPart Part)> seen) => Figure(
        LearntKind.Distance, $"{LearntKind.Distance}|{seen[0].Part.Kind}", seen.Select(s => s.Day),
        Half(Spread.Median([.. seen.Select(s => s.Part.NearM!.Value).Order()])), partKind: seen[0].Part.Kind) with
    { To = Half(Spread.Median([.. seen.Select(s => s.Part.FarM!.Value).Order()])) };

    private static double Half(double metres) => Math.Max(0.5, Math.Round(metres * 2) / 2);

    private static LearntFigure? Hands(IGrouping<string, (TakenDay Day, TakenPart Part)> kind)
    {
        var counted = kind.SelectMany(k => k.Part.Hands.Select(h => (h.Glass, Count: k.Day.Counted(h.Taken, h.Kept)))).Where(h => h.Glass is not null)
            .GroupBy(h => h.Glass!).Select(g => (Glass: g.Key, Count: g.Sum(h => h.Count))).OrderByDescending(g => g.Count).ToList();
        var all = counted.Sum(c => c.Count);
        string[] glass = [.. counted.Where(c => c.Count > 0 && c.Count >= LeastShare * all).Select(c => c.Glass)];
        return glass.Length == 0 ? null
            : Figure(LearntKind.Hands, $"{LearntKind.Hands}|{kind.Key}", kind.Select(k => k.Day), 0, partKind: kind.Key) with { Glass = glass };
    }

    /// <summary>
    /// Frames a charge: those known before × charges they would have taken ÷ charges that were taken. What is changed is changed at 15 % left;
    /// cameras of one type of battery share what was told of it.
    /// </summary>
    private static LearntFigure? PerCharge(IReadOnlyList<TakenDay> days, string body)
    {
        var told = new List<(TakenDay Day, double Frames)>();
        foreach (var day in days)
        {
            if (day.Bodies.FirstOrDefault(b => b.Body == body) is not { BatteryType: { } type, PerCharge: { } before }) continue;
            if (day.Batteries?.GetValueOrDefault(type) is not { } used) continue;
            var alike = day.Bodies.Where(b => b.BatteryType == type && b.Drawn is not null).ToList();
            var taken = (used.Changed * ChangedAtShare) + (alike.Count * (1 - (used.Left ?? HalfLeft)));
            if (taken > 0.2) told.Add((day, before * alike.Sum(b => b.Drawn!.Value) / taken));
        }
        return told.Count == 0 ? null : Figure(LearntKind.FramesPerCharge, $"{LearntKind.FramesPerCharge}|{body}", told.Select(t => t.Day),
            Math.Round(Spread.Median([.. told.Select(t => t.Frames).Order()]) / 10) * 10, thing: body);
    }

    private static LearntFigure? Iso(IReadOnlyList<TakenDay> days, string body)
    {
        // Only what was delivered tells what one delivers.
        var uses = days.Where(d => d.Kept is not null).SelectMany(d => d.Bodies.Where(b => b.Body == body).Select(b => (Day: d, Use: b))).ToList();
        var highest = uses.SelectMany(u => u.Use.IsoKept).GroupBy(i => i.Key).Where(g => g.Sum(i => i.Value) >= FewestIso).Select(g => g.Key).DefaultIfEmpty(0)
            .Max();
        var known = uses.Count == 0 ? 0 : uses[^1].Use.Ceiling ?? 0;
        // What the locker says already is nothing new; and a bright season, or a few pictures at each of many, is no reason for a lower ceiling.
        if (highest == known || (highest < known && !AreThrownAway(uses.ConvertAll(u => u.Use), highest))) return null;
        return highest == 0 ? null : Figure(LearntKind.IsoCeiling, $"{LearntKind.IsoCeiling}|{body}",
            uses.Where(u => u.Use.IsoKept.ContainsKey(highest)).Select(u => u.Day), highest, thing: body);
    }

    /// <summary>Whether of what was taken above a sensitivity far less was delivered than of the rest.</summary>
    private static bool AreThrownAway(List<BodyUse> uses, int iso)
    {
        var taken = uses.Sum(u => u.IsoTaken?.Where(i => i.Key > iso).Sum(i => i.Value) ?? 0);
        var kept = uses.Sum(u => u.IsoKept.Where(i => i.Key > iso).Sum(i => i.Value));
        return taken >= FewestIso && (double)kept / taken < HardlyKept * uses.Sum(u => u.Kept) / uses.Sum(u => u.Taken);
    }

    private static LearntFigure Figure(LearntKind kind, string id, IEnumerable<TakenDay> days, double value, string? partKind = null, string? place = null,
        string? thing = null)
    {
        List<TakenDay> assignments = [.. days.Distinct()];
        return new LearntFigure(id, kind, partKind, place, thing, value, null, [], assignments.Count, [.. assignments.TakeLast(FromNamed).Select(d => d.Name)]);
    }
}
