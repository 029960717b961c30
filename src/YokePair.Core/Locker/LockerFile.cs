using System.Text.Json;
using System.Text.Json.Nodes;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A whole locker as one open JSON file, <c>*.yoke-locker.json</c>.</summary>
/// <param name="Format">Always <see cref="FormatName"/>.</param>
/// <param name="Version">1.</param>
/// <param name="Things">Every thing, with the figures of plan files.</param>
/// <param name="Pairs">What the owner knows of pairs.</param>
public sealed record LockerFile(string Format, int Version, IReadOnlyList<Item> Things, IReadOnlyList<PairRule> Pairs)
{
    /// <summary>The value of <see cref="Format"/> in every locker file.</summary>
    public const string FormatName = "yoke-pair/locker";

    /// <summary>Writes a locker.</summary>
    public static byte[] Write(IReadOnlyList<Item> things, IReadOnlyList<PairRule> pairs) =>
        JsonSerializer.SerializeToUtf8Bytes(new LockerFile(FormatName, 1, things, pairs), PlanFile.JsonOptions);

    /// <summary>Reads a locker file thing by thing, so that one damaged thing is named and does not hide the others.</summary>
    /// <returns>The things and pairs, or what is wrong with the file as a whole.</returns>
    public static (IReadOnlyList<FiledThing> Things, IReadOnlyList<PairRule> Pairs, IReadOnlyList<PlanProblem> Problems) Read(ReadOnlySpan<byte> utf8)
    {
        if (utf8.StartsWith("\uFEFF"u8)) utf8 = utf8[3..];
        JsonObject file;
        try
        {
            file = JsonNode.Parse(utf8, documentOptions: new JsonDocumentOptions { MaxDepth = 32, AllowDuplicateProperties = false }) as JsonObject ?? throw new JsonException("the file is no JSON object");
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
        return ([.. things.Select((t, i) => t is JsonObject thing ? Filed(i + 1, thing) : new FiledThing(i + 1, $"thing {i + 1}", "", null, null, [new PlanProblem("", "is no object { … }")]))], pairs, []);

        static (IReadOnlyList<FiledThing>, IReadOnlyList<PairRule>, IReadOnlyList<PlanProblem>) Failed(PlanProblem problem) => ([], [], [problem]);
    }

    private static FiledThing Filed(int number, JsonObject thing)
    {
        var (_, problems) = PlanFile.ReadItem(thing);
        return new FiledThing(number, (thing["name"] as JsonValue)?.ToString() ?? $"thing {number}", (thing["kind"] as JsonValue)?.ToString() ?? "", null, thing, problems);
    }
}
