using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using System.Text.RegularExpressions;

namespace YokePair.Core.Plans;

/// <summary>Reads and writes <c>*.yoke.json</c>, the open plan format (docs/plan-file.schema.json).</summary>
public static partial class PlanFile
{
    /// <summary>Largest file read, in bytes. A plan of a thousand things is under one million.</summary>
    public const int MaxBytes = 8 * 1024 * 1024;

    /// <summary>Levels a file may be nested; what is made of it has room for as many more.</summary>
    private const int MaxDepth = 32;

    /// <summary>How plans, and everything derived from them, are written as JSON.</summary>
    public static JsonSerializerOptions JsonOptions { get; } =
        Configure(new JsonSerializerOptions { WriteIndented = true, TypeInfoResolver = new DefaultJsonTypeInfoResolver() });

    /// <summary>Puts the plan file's conventions on a set of options, so that every JSON the app writes looks alike.</summary>
    public static JsonSerializerOptions Configure(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        options.AllowOutOfOrderMetadataProperties = true;
        options.AllowDuplicateProperties = false;
        options.RespectNullableAnnotations = true;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.MaxDepth = 2 * MaxDepth;
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        return options;
    }

    /// <summary>Reads a plan and checks that it can be analysed.</summary>
    /// <param name="utf8">The file's bytes, with or without a byte order mark.</param>
    /// <returns>The plan, or every problem found, each with its field or line.</returns>
    public static PlanReading Read(ReadOnlySpan<byte> utf8)
    {
        if (utf8.Length > MaxBytes)
            return Failed(new PlanProblem("", $"the file has {utf8.Length / 1_000_000} MB; a plan file may have at most {MaxBytes / 1_000_000} MB"));
        if (utf8.StartsWith("\uFEFF"u8)) utf8 = utf8[3..];
        return TooDeep(utf8) is { } deep ? new PlanReading(null, Explain(deep)) : ReadKept(utf8);
    }

    /// <summary>Reads a plan that is kept already, however large it is.</summary>
    public static PlanReading ReadKept(ReadOnlySpan<byte> utf8)
    {
        Plan? plan;
        try
        {
            plan = JsonSerializer.Deserialize<Plan>(utf8, JsonOptions);
        }
        catch (JsonException e)
        {
            return new PlanReading(null, Explain(e));
        }
        catch (NotSupportedException e)
        {
            return Failed(new PlanProblem(PathIn(e.Message), "\"kind\" is missing; say what the thing is, e.g. \"kind\": \"lens\""));
        }
        if (plan is null) return Failed(new PlanProblem("", "the file holds null where a plan is expected"));
        var problems = PlanCheck.Usable(plan);
        return problems.Count == 0 ? new PlanReading(plan, []) : new PlanReading(null, problems);
    }

    /// <summary>Writes a plan, unknown fields included, as indented UTF-8.</summary>
    public static byte[] Write(Plan plan) => JsonSerializer.SerializeToUtf8Bytes(plan, JsonOptions);

    /// <summary>What keeps something written from being kept: that it could not be read again. Null where it can.</summary>
    /// <param name="utf8">As it would be kept.</param>
    /// <param name="mostBytes">How large it may be.</param>
    public static PlanProblem? Unkeepable(ReadOnlySpan<byte> utf8, int mostBytes = MaxBytes) =>
        utf8.Length > mostBytes ? new PlanProblem(
            "", FormattableString.Invariant($"would have {utf8.Length / 1e6:0.0} MB; at most {mostBytes / 1e6:0.0} MB can be kept"))
        : TooDeep(utf8) is not null ? new PlanProblem("", $"is nested deeper than {MaxDepth} levels; leave fields out that nobody needs")
        : null;

    private static JsonException? TooDeep(ReadOnlySpan<byte> utf8)
    {
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = MaxDepth });
        try
        {
            while (reader.Read())
                if (reader.TokenType is JsonTokenType.StartArray or JsonTokenType.StartObject && reader.CurrentDepth >= MaxDepth) break;
            return null;
        }
        catch (JsonException e)
        {
            // What else is wrong with it is better said by whoever reads it.
            return e.Message.Contains("depth", StringComparison.Ordinal) ? e : null;
        }
    }

    /// <summary>How reports are written: as plans, but a figure that is not there is said to be null.</summary>
    public static JsonSerializerOptions ReportOptions { get; } = new(JsonOptions) { DefaultIgnoreCondition = JsonIgnoreCondition.Never };

    /// <summary>Reads one thing from its JSON object and checks its figures.</summary>
    /// <param name="thing">The object, with its <c>kind</c>.</param>
    /// <returns>The thing, or what is wrong with it by field.</returns>
    public static (Item? Item, IReadOnlyList<PlanProblem> Problems) ReadItem(JsonObject thing)
    {
        try
        {
            if (thing.Deserialize<Item>(JsonOptions) is not { } item) return (null, [new PlanProblem("", "is null where a thing is expected")]);
            var found = new ProblemList();
            ItemCheck.Figures(item, "", found);
            return found.All.Count == 0 ? (item, []) : (null, [.. found.All.Select(p => p with { Field = p.Field.TrimStart('.') })]);
        }
        catch (JsonException e)
        {
            return (null, [.. Explain(e).Select(p => p with { Line = null })]);
        }
        catch (NotSupportedException)
        {
            return (null, [new PlanProblem("kind", "is missing; say what the thing is, e.g. lens")]);
        }
    }

    private static PlanReading Failed(PlanProblem problem) => new(null, [problem]);

    private static PlanProblem[] Explain(JsonException e)
    {
        var field = (e.Path ?? "").TrimStart('$').TrimStart('.');
        long? line = e.LineNumber + 1;
        var message = e.Message;
        if (MissingProperties().Match(message) is { Success: true } missing)
        {
            var prefix = field.Length == 0 ? "" : field + ".";
            return [.. QuotedName().Matches(missing.Groups["names"].Value)
                .Select(m => new PlanProblem(prefix + m.Groups[1].Value, "is missing, and nothing can be reckoned without it", line))];
        }
        return [new PlanProblem(field, Remedy(message), line)];
    }

    private static string Remedy(string message)
    {
        if (WrongType().Match(message) is { Success: true } wrong)
            return $"wrong type or value; expected {Wanted(wrong.Groups["type"].Value)}";
        if (message.Contains("discriminator", StringComparison.Ordinal))
            return "this kind of item is not known; kinds are body, lens, adapter, converter, tube, flash, trigger, battery, cells, pack, charger, powerbank, "
                + "grip, card, reader, drive, support, light, modifier, filter, carry, case, other";
        if (message.Contains("uplicate", StringComparison.Ordinal))
            return "the same field is given twice; keep one";
        if (message.Contains("maximum", StringComparison.Ordinal) && message.Contains("depth", StringComparison.Ordinal))
            return $"nested deeper than {MaxDepth} levels; a plan never is";
        if (message.StartsWith("expected ", StringComparison.Ordinal)) return message;
        if (message.Contains("null", StringComparison.Ordinal) && message.Contains("doesn't allow", StringComparison.Ordinal))
            return "null is not allowed here; leave the field out for its default";
        return "not valid JSON: " + PathSuffix().Replace(message, "");
    }

    private static string Wanted(string type) => type switch
    {
        "System.Double" or "System.Int32" => "a number",
        "System.Boolean" => "true or false",
        "System.String" => "a text",
        _ when !type.Contains("List", StringComparison.Ordinal) && OwnType().Match(type) is { Success: true } own && typeof(Plan)
            .Assembly.GetType(own.Value) is { IsEnum: true } set => OneOf(set),
        _ when type.Contains("Dictionary", StringComparison.Ordinal) => "an object of numbers",
        _ when type.Contains("List", StringComparison.Ordinal) => "a list [ … ]",
        _ => "an object { … }",
    };

    private static string OneOf(Type set)
    {
        string[] words = [.. Enum.GetNames(set).Select(n => $"\"{JsonNamingPolicy.CamelCase.ConvertName(n)}\"")];
        return $"{string.Join(", ", words[..^1])} or {words[^1]}";
    }

    private static string PathIn(string message) => PathText().Match(message) is { Success: true } m ? m.Groups[1].Value.TrimStart('$').TrimStart('.') : "";

    [GeneratedRegex(@"missing required properties[^:]*: (?<names>.*)", RegexOptions.Singleline)]
    private static partial Regex MissingProperties();

    [GeneratedRegex("'([^']+)'")]
    private static partial Regex QuotedName();

    [GeneratedRegex(@"could not be converted to (?<type>\S+?)\.? Path")]
    private static partial Regex WrongType();

    [GeneratedRegex(@"YokePair\.[\w.]+")]
    private static partial Regex OwnType();

    [GeneratedRegex(@"\s*Path: .*$", RegexOptions.Singleline)]
    private static partial Regex PathSuffix();

    [GeneratedRegex(@"Path: (\S+?)\.? ")]
    private static partial Regex PathText();
}
