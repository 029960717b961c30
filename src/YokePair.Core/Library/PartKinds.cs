using YokePair.Core.Plans;
using static YokePair.Core.Library.Phrases;
using static YokePair.Core.Library.Subject;
using static YokePair.Core.Plans.Importance;
using static YokePair.Core.Plans.Motion;

namespace YokePair.Core.Library;

/// <summary>A kind of part, with the light, rules and needs such parts have.</summary>
/// <param name="Id">Word for it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Minutes">How long it usually is.</param>
/// <param name="Ev">Light, EV at ISO 100.</param>
/// <param name="Flash">Whether flash may be used.</param>
/// <param name="Quiet">How quiet one must be.</param>
/// <param name="Heard">Words in a timetable that mean it.</param>
/// <param name="Needs">What must be photographed.</param>
public sealed record PartKind(string Id, string Name, int Minutes, double Ev, FlashRule Flash, QuietRule Quiet, IReadOnlyList<string> Heard, IReadOnlyList<Need> Needs)
{
    private static readonly string[] FromAfar = ["play", "hall-play", "race", "warm-up", "podium", "concert", "talks", "awards", "press"];

    /// <summary>Whether one stands where one likes: never at play and races, before a stage or behind a line.</summary>
    public bool OwnDistance => !FromAfar.Contains(Id);

    /// <summary>Every kind: the phrase library.</summary>
    public static IReadOnlyList<PartKind> All { get; } =
    [
        Of("preparation", "Preparation", 90, 8, "prep getting ready dressing hair", Need("Dressing", Must, HalfLength, 2, 4, Walking), Need("At the mirror", Must, HalfLength, 2, 3, Talking), Need("Letter read", Once, Face, 2, 4, Talking)),
        Of("details", "Details", 30, 8, "detail rings dress",
            Close("Ring close-up", Must, 40) with { MinMegapixels = 4 },
            Close("Shoes and flowers", Must, 300),
            Need("The dress, hung", Must, FullLength, 2, 4, Still)),
        Of("arrivals", "Arrivals", 30, 11, "arrival arrive boarding guests doors reception", Need("Guests arriving", Must, FullLength, 4, 10, Walking), Need("The place, whole", Nice, Room, 12, 25, Still)),
        Of("ceremony", "Ceremony", 40, 5.5, "vows wedding church chapel registry", FlashRule.Banned, QuietRule.Preferred,
            Lasting(40, Need("Entrance", Once, FullLength, 6, 15, Walking)),
            Lasting(60, Need("Exchange of rings", Once, HalfLength, 6, 12, Talking)),
            Lasting(3, Need("Kiss", Once, HalfLength, 6, 12, Talking)) with { WarningSeconds = Announced },
            Need("Faces of the parents", Must, Face, 5, 10, Talking),
            Need("The whole room", Must, Room, 8, 20, Still)),
        Of("groups", "Groups", 40, 12, "group family families formals portraits", Need("Everyone", Must, Group, 10, 20, Still), Need("Families, row by row", Must, Row, 5, 9, Still)),
        Of("couple", "Couple", 40, 11, "portrait session first look walk", Need("Walking", Must, FullLength, 5, 15, Walking), Need("Close", Must, Face, 2, 4, Talking)),
        Of("drinks", "Drinks", 60, 11, "drink cocktail aperitif champagne toast", Need("Laughing faces", Must, HalfLength, 3, 6, Talking), Need("Raising glasses", Once, HalfLength, 3, 6, Walking)),
        Of("room", "Room details", 20, 5, "table setup hall empty", Need("Room laid, empty", Must, Room, 8, 14, Still), Laid(Close("Cards and places", Must, 250))),
        Of("speeches", "Speeches", 45, 5, "speech dinner", FlashRule.Allowed, QuietRule.Preferred, Lasting(300, Need("Speaker's face", Once, Face, 5, 10, Talking)), Need("Couple listening", Must, HalfLength, 5, 10, Talking), Need("Laughter at the tables", Must, Couple, 3, 6, Talking)),
        Of("dinner", "Dinner", 90, 5, "meal gala", Need("Tables", Must, Couple, 2, 5, Talking), Need("Hall in full swing", Nice, Room, 8, 14, Still)),
        Of("first-dance", "First dance", 15, 3.5, "opening dance", Lasting(180, Need("The turn", Once, FullLength, 4, 8, Dancing)), Need("Their faces", Must, Face, 3, 6, Dancing)),
        Of("dance-floor", "Dance floor", 120, 3, "dancing party disco", FullFloor(Need("The floor, full", Must, Row, 3, 6, Dancing)), Need("Moves", Nice, HalfLength, 1.5, 4, Dancing)),
        Of("exit", "Exit", 20, 4, "farewell leave sparkler lantern", Need("Leaving", Once, FullLength, 4, 10, Walking)),
        Of("talks", "Talks", 90, 5.5, "talk keynote panel lecture conference session", FlashRule.Banned, QuietRule.Preferred, Need("Speaker", Must, HalfLength, 8, 18, Talking), Need("Speaker with the screen", Must, Room, 10, 20, Talking), Need("Listeners", Must, Row, 4, 8, Talking)),
        Of("awards", "Awards", 45, 6, "award prize honour", Need("Handshake", Once, Couple, 6, 12, Walking), Need("Winner's face", Once, Face, 6, 12, Talking)),
        Of("concert", "Concert", 90, 5, "gig show band set", FlashRule.Banned, QuietRule.No,
            Need("Singer", Must, HalfLength, 5, 15, Dancing),
            WideOpen(Need("The band", Must, Room, 8, 15, Dancing)),
            WideOpen(Need("Crowd and stage", Nice, Room, 15, 30, Dancing))),
        Of("warm-up", "Warm-up", 40, 10, "warm training", Need("Players, close", Must, FullLength, 10, 30, Running)),
        Of("play", "Play", 50, 10, "half kick match game field", FlashRule.Banned, QuietRule.No, AllAlong(Need("Action", Once, FullLength, 15, 45, Running, 8)), Need("Celebration", Once, HalfLength, 15, 30, Running), Need("Bench and crowd", Nice, Row, 8, 20, Talking)),
        Of("hall-play", "Play in the hall", 40, 7, "court quarter", FlashRule.Banned, QuietRule.No, AllAlong(Need("Action", Once, FullLength, 6, 20, Running, 8)), Need("Faces", Must, HalfLength, 6, 15, Running)),
        Of("race", "Races", 60, 7, "track sprint heat", FlashRule.Banned, QuietRule.No, AllAlong(Need("Sprint to the line", Once, Couple, 10, 30, Wheels, 10)), Need("Start", Once, Row, 8, 20, Wheels)),
        Of("podium", "Podium", 20, 8, "medal ceremony winners", Need("The three", Once, Row, 5, 12, Talking), Need("Medal and face", Must, Face, 5, 10, Talking)),
        Of("press", "Press conference", 30, 6, "press interview", FlashRule.Allowed, QuietRule.Preferred, Need("Speaker's face", Must, Face, 4, 9, Talking)),
        Of("break", "Break", 30, 8, "pause interval drive transfer"),
    ];

    /// <summary>The kind a word or a timetable line means; null when none.</summary>
    public static PartKind? Meant(string text)
    {
        var words = text.ToLowerInvariant().Split([' ', ',', '.', ';', ':', '-', '–', '/'], StringSplitOptions.RemoveEmptyEntries);
        return All.Select(k => (Kind: k, Score: words.Count(w => k.Id.Split('-').Any(i => i.StartsWith(w, StringComparison.Ordinal) && w.Length > 3 || w.StartsWith(i, StringComparison.Ordinal) && i.Length > 3)) * 2 + words.Count(w => k.Heard.Any(h => w.StartsWith(h, StringComparison.Ordinal)))))
            .Where(x => x.Score > 0).OrderByDescending(x => x.Score).Select(x => x.Kind).FirstOrDefault();
    }

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
        Flash = Flash,
        Quiet = Quiet,
        Needs = Needs,
    };

    /// <summary>Seconds: a kiss, as what else the celebrant announces, does not come out of the blue.</summary>
    private const double Announced = 10;

    /// <summary>A moment that lasts so many seconds: it need not be had from the first.</summary>
    private static Need Lasting(double seconds, Need need) => need with { MomentSeconds = seconds };

    /// <summary>On a full floor the faces near by are what counts, and some blur is welcome: f/3.2 and 1/100 s.</summary>
    private static Need FullFloor(Need need) => need with { Depth = DepthPreset.Couple, Motion = null, ShutterSeconds = 1.0 / 100 };

    /// <summary>What is laid on a table keeps still and is seen from close by: f/4 and 1/60 s do.</summary>
    private static Need Laid(Need need) => need with { Depth = null, MinFNumber = 4, Motion = Still, ShutterSeconds = ShutterSeconds(Still) };

    /// <summary>On a stage nobody stops down.</summary>
    private static Need WideOpen(Need need) => need with { Depth = DepthPreset.One };

    /// <summary>What is played or raced comes near and goes far as it likes.</summary>
    private static Need AllAlong(Need need) => need with { Covers = Covers.All };

    private static PartKind Of(string id, string name, int minutes, double ev, string heard, params Need[] needs) => Of(id, name, minutes, ev, heard, FlashRule.Allowed, QuietRule.No, needs);

    private static PartKind Of(string id, string name, int minutes, double ev, string heard, FlashRule flash, QuietRule quiet, params Need[] needs) =>
        new(id, name, minutes, ev, flash, quiet, heard.Split(' '), needs);
}
