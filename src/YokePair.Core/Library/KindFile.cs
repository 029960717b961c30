using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>A kind of part as its file has it.</summary>
public sealed record FiledKind
{
    /// <summary>Word for it.</summary>
    public required string Id { get; init; }

    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>How long it usually is, minutes.</summary>
    public required int Minutes { get; init; }

    /// <summary>Light, EV at ISO 100.</summary>
    public required double Ev { get; init; }

    /// <summary>Whether flash may be used.</summary>
    public FlashRule Flash { get; init; }

    /// <summary>How quiet one must be.</summary>
    public QuietRule Quiet { get; init; }

    /// <summary>Height of the ceiling a flash is bounced off, metres; null = there is none.</summary>
    public double? CeilingM { get; init; }

    /// <summary>Whether it is under the open sky, so that its light goes with the sun.</summary>
    public bool Outdoors { get; init; }

    /// <summary>Whether the distance is one's own to choose: never at play and races, before a stage or behind a line.</summary>
    public bool OwnDistance { get; init; } = true;

    /// <summary>Words in a timetable that mean it.</summary>
    public IReadOnlyList<string> Heard { get; init; } = [];

    /// <summary>Where its figures are from.</summary>
    public string? Because { get; init; }

    /// <summary>
    /// What must be photographed: a need of a plan file without its id, which may be put in the craft's words (<c>subject</c>,
    /// <c>distanceM</c>, <c>motion</c>) instead of figures; figures come over the words.
    /// </summary>
    public IReadOnlyList<JsonObject> Needs { get; init; } = [];
}

/// <summary>A usual day as its file has it.</summary>
public sealed record FiledDay(string Id, string Name, string Kind, int StartHour, IReadOnlyList<FiledDayPart> Parts);

/// <summary>A part of a usual day: its kind, with light and ceiling where they differ.</summary>
public sealed record FiledDayPart(string Kind, double? Ev = null, double? CeilingM = null);

/// <summary>The kinds of part and the usual days, as one documented file: <c>part-kinds.json</c>.</summary>
public sealed record KindFile
{
    /// <summary>Always <c>yoke-pair/kinds</c>.</summary>
    public required string Format { get; init; }

    /// <summary>1.</summary>
    public required int Version { get; init; }

    /// <summary>What the file is.</summary>
    public string? About { get; init; }

    /// <summary>Every kind.</summary>
    public required IReadOnlyList<FiledKind> Kinds { get; init; }

    /// <summary>Every usual day.</summary>
    public IReadOnlyList<FiledDay> Days { get; init; } = [];

    /// <summary>The file that ships with the program.</summary>
    public static KindFile Shipped { get; } = Load();

    /// <summary>Its bytes.</summary>
    public static byte[] ShippedBytes()
    {
        using var stream = typeof(KindFile).Assembly.GetManifestResourceStream("part-kinds.json")!;
        var bytes = new byte[stream.Length];
        stream.ReadExactly(bytes);
        return bytes;
    }

    /// <summary>A need as the file has it, in the figures of plan files.</summary>
    public static Need Read(JsonObject filed)
    {
        var figures = (JsonObject)filed.DeepClone();
        var words = figures.Deserialize<Words>(PlanFile.JsonOptions)!;
        foreach (var word in new[] { "subject", "distanceM", "because" }) figures.Remove(word);
        var name = words.Name ?? "Need";
        var need = words switch
        {
            { Subject: { } subject, DistanceM: { } distance } => Phrases.Need(
                name, Importance.Must, subject, distance.Low, distance.High, words.Motion ?? Motion.Talking),
            { CloseWidthMm: { } width } => Phrases.Close(name, Importance.Must, width),
            _ => new Need
            {
                Id = ItemIds.New("need", name, new HashSet<string>()),
                ShutterSeconds = Phrases.ShutterSeconds(words.Motion ?? Motion.Talking),
                Motion = words.Motion ?? Motion.Talking
            },
        };
        // A shutter time of one's own is no longer that of a motion.
        if (words.ShutterSeconds is not null && words.Motion is null) figures["motion"] = null;
        var whole = JsonSerializer.SerializeToNode(need, PlanFile.JsonOptions)!.AsObject();
        foreach (var (figure, value) in figures) whole[figure] = value?.DeepClone();
        return whole.Deserialize<Need>(PlanFile.JsonOptions)!;
    }

    /// <summary>Kinds of part out of a file, or the first thing that is wrong with them.</summary>
    public static (IReadOnlyList<FiledKind> Kinds, PlanProblem? Problem) ReadKinds(JsonNode? node)
    {
        if (node is null) return ([], null);
        if (node is not JsonArray list) return ([], new PlanProblem("kinds", "is no list [ … ]"));
        var kinds = new List<FiledKind>();
        for (var i = 0; i < list.Count; i++)
        {
            try
            {
                var kind = list[i].Deserialize<FiledKind>(PlanFile.JsonOptions) ?? throw new JsonException("is no object { … }");
                if (Problem(kind) is { } wrong) return ([], wrong with { Field = $"kinds[{i}]{wrong.Field}" });
                kinds.Add(kind);
            }
            catch (JsonException e)
            {
                return ([], new PlanProblem($"kinds[{i}]{(e.Path ?? "").TrimStart('$')}", "cannot be read; docs/part-kinds.md says what a kind of part has"));
            }
        }
        return (kinds, null);
    }

    /// <summary>What is wrong with a kind: a part of it must be one a plan may have.</summary>
    private static PlanProblem? Problem(FiledKind kind)
    {
        if (string.IsNullOrWhiteSpace(kind.Id) || kind.Id.Length > 80) return new PlanProblem(".id", "is empty or longer than 80 letters");
        if (string.IsNullOrWhiteSpace(kind.Name)) return new PlanProblem(".name", "is empty; say what the kind is called");
        if (kind.Minutes is < 1 or > 24 * 60) return new PlanProblem(".minutes", FormattableString.Invariant($"is {kind.Minutes}; say 1 to 1440 minutes"));
        if (PartKind.All.Any(k => k.Id == kind.Id)) return new PlanProblem(".id", $"\"{kind.Id}\" is a kind that ships with the program; give it another id");
        var start = new DateTime(2027, 1, 1, 8, 0, 0, DateTimeKind.Unspecified);
        var part = PartKind.Of(kind).Make("part", start, start.AddMinutes(kind.Minutes));
        var plan = new Plan { Format = Plan.FormatName, Version = Plan.CurrentVersion, People = [new Person { Id = "lead" }], Parts = [part] };
        return PlanCheck.Usable(plan).Select(p => p with { Field = p.Field.Replace("parts[0]", "", StringComparison.Ordinal) }).FirstOrDefault();
    }

    private static KindFile Load() => JsonSerializer.Deserialize<KindFile>(ShippedBytes(), PlanFile.JsonOptions)!;

    private sealed record Words(string? Name, Subject? Subject, Interval? DistanceM, Motion? Motion, double? CloseWidthMm, double? ShutterSeconds)
    {
        [JsonExtensionData] public Dictionary<string, JsonElement>? Figures { get; init; }
    }
}
