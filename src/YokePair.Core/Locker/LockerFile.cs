using System.Text.Json;
using System.Text.Json.Nodes;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A whole locker as one open JSON file, <c>*.yoke-locker.json</c>.</summary>
/// <param name="Format">Always <see cref="FormatName"/>.</param>
/// <param name="Version">1.</param>
/// <param name="Things">Every thing, with the figures of plan files.</param>
/// <param name="Pairs">What the owner knows of pairs.</param>
/// <param name="Kinds">Kinds of part of the user's own, as in <c>part-kinds.json</c>; null = none.</param>
public sealed record LockerFile(string Format, int Version, IReadOnlyList<Item> Things, IReadOnlyList<PairRule> Pairs, IReadOnlyList<FiledKind>? Kinds)
{
    /// <summary>The value of <see cref="Format"/> in every locker file.</summary>
    public const string FormatName = "yoke-pair/locker";

    /// <summary>Writes a locker.</summary>
    public static byte[] Write(IReadOnlyList<Item> things, IReadOnlyList<PairRule> pairs, IReadOnlyList<FiledKind> kinds) =>
        JsonSerializer.SerializeToUtf8Bytes(new LockerFile(FormatName, 1, things, pairs, kinds.Count == 0 ? null : kinds), PlanFile.JsonOptions);

    /// <summary>Reads a locker file thing by thing, so that one damaged thing is named and does not hide the others.</summary>
    /// <returns>The things, pairs and kinds, or what is wrong with the file as a whole.</returns>
    public static FiledLocker Read(ReadOnlySpan<byte> utf8)
    {
        if (utf8.StartsWith("\uFEFF"u8)) utf8 = utf8[3..];
        JsonObject file;
        try
        {
            file = JsonNode.Parse(utf8, documentOptions: new JsonDocumentOptions { MaxDepth = 32, AllowDuplicateProperties = false }) as JsonObject
                ?? throw new JsonException("the file is no JSON object");
        }
        catch (JsonException e)
        {
            return Failed(new PlanProblem("", $"not a locker file: {e.Message}", e.LineNumber + 1));
        }
        if ((file["format"] as JsonValue)?.ToString() != FormatName) return Failed(new PlanProblem("format", $"a locker file says \"{FormatName}\""));
        if (file["things"] is not JsonArray things) return Failed(new PlanProblem("things", "is missing; a locker file has a list of things"));
        IReadOnlyList<PairRule> pairs;
        try
        {
            pairs = file["pairs"]?.Deserialize<List<PairRule>>(PlanFile.JsonOptions) ?? [];
        }
        catch (JsonException e)
        {
            return Failed(new PlanProblem("pairs" + (e.Path ?? "").TrimStart('$'), "a pair has a, b and fit: full, manualFocusOnly, doubtful, no or untested"));
        }
        var (kinds, wrong) = KindFile.ReadKinds(file["kinds"]);
        return wrong is not null ? Failed(wrong)
            : new FiledLocker([.. things.Select((t, i) => t is JsonObject thing ? Filed(i + 1, thing)
                : new FiledThing(i + 1, $"thing {i + 1}", "", null, null, [new PlanProblem("", "is no object { … }")]))], pairs, kinds, []);

        static FiledLocker Failed(PlanProblem problem) => new([], [], [], [problem]);
    }

    private static FiledThing Filed(int number, JsonObject thing)
    {
        var (_, problems) = PlanFile.ReadItem(thing);
        return new FiledThing(number, (thing["name"] as JsonValue)?.ToString() ?? $"thing {number}", (thing["kind"] as JsonValue)?.ToString() ?? "", null,
            thing, problems);
    }
}

/// <summary>A locker file, read.</summary>
/// <param name="Things">Every thing, good or not.</param>
/// <param name="Pairs">What it knows of pairs.</param>
/// <param name="Kinds">Its kinds of part.</param>
/// <param name="Problems">What is wrong with the file as a whole; the rest is empty then.</param>
public sealed record FiledLocker(IReadOnlyList<FiledThing> Things, IReadOnlyList<PairRule> Pairs, IReadOnlyList<FiledKind> Kinds,
    IReadOnlyList<PlanProblem> Problems);
