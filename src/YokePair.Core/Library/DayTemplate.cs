namespace YokePair.Core.Library;

/// <summary>A usual day: the parts such days have, in their order.</summary>
/// <param name="Id">Word for it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Kind">wedding, event or sport.</param>
/// <param name="StartHour">Hour at which it usually begins.</param>
/// <param name="Parts">Kinds of its parts, each with its light where that differs.</param>
public sealed record DayTemplate(string Id, string Name, string Kind, int StartHour, IReadOnlyList<(PartKind Kind, double? Ev)> Parts)
{
    /// <summary>Every template.</summary>
    public static IReadOnlyList<DayTemplate> All { get; } =
    [
        Of("wedding-indoor", "Wedding, indoors", "wedding", 11, "preparation details ceremony groups:6 couple:8 drinks:6 room speeches first-dance dance-floor exit:2"),
        Of("wedding-outdoor", "Wedding, outdoors", "wedding", 11, "preparation details arrivals:13 ceremony:12 groups:13 couple:12 drinks:12 room:6 speeches first-dance dance-floor exit:2"),
        Of("wedding-small", "Wedding, small", "wedding", 13, "details ceremony groups couple drinks speeches"),
        Of("event-talks", "Talks", "event", 9, "arrivals:8 talks break talks drinks:6"),
        Of("event-awards", "Awards and dinner", "event", 17, "arrivals:8 drinks:6 dinner awards dance-floor"),
        Of("event-dinner", "Dinner", "event", 18, "arrivals:5 drinks:5 speeches dinner"),
        Of("event-dance", "Dance", "event", 19, "arrivals:5 first-dance dance-floor"),
        Of("event-concert", "Concert", "event", 18, "arrivals:5 concert break concert"),
        Of("sport-field", "Field match", "sport", 13, "warm-up play break play podium press"),
        Of("sport-hall", "Hall fixture", "sport", 18, "warm-up:7 hall-play break hall-play podium:7 press"),
        Of("sport-track", "Track meeting", "sport", 17, "warm-up:7 race break race podium:7"),
    ];

    private static DayTemplate Of(string id, string name, string kind, int hour, string parts) => new(id, name, kind, hour,
        [.. parts.Split(' ').Select(p => p.Split(':')).Select(p => (PartKind.All.First(k => k.Id == p[0]), p.Length > 1 ? double.Parse(p[1], System.Globalization.CultureInfo.InvariantCulture) : (double?)null))]);
}
