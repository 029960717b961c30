using System.Globalization;
using System.Text;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>Random requests made from the OpenAPI document: mostly as it says, and often not.</summary>
/// <param name="document">The document.</param>
/// <param name="known">Texts that mean something in the data there is, by the name of a parameter or field.</param>
/// <param name="seed">Which requests.</param>
internal sealed class RandomRequests(JsonElement document, IReadOnlyDictionary<string, string[]> known, int seed)
{
    private const int MostDepth = 7;

    /// <summary>Left out of the document, as they are files.</summary>
    private static readonly string[] Files =
    [
        "/api/assignments/{key}/raw", "/api/assignments/{key}/day.ics", "/api/locker/things/{id}/tag.svg", "/api/locker/export.csv", "/api/locker/export.json",
        "/api/locker/template.csv", "/api/locker/rows/{key}/raw", "/health", "/openapi/v1.json", "/",
    ];

    private static readonly string[] Odd =
    [
        "", " ", "null", "\\ud800", "\\udc00x", "\\u0000", "é", "../..", "pair:x", "kind:x", "@b1", "@b1/9", "%", "1/0", "9999-12-31", "0001-01-01",
            "9999-12-31T23:59:59", "0001-01-01T00:00",
        "2027-03-28T02:30", "1e999", "-1", "NaN", "12 800", ",,,,", "\\\"", "a\\nb", "<b>", "body", "14:00 ceremony 40 min", "24-70/2.8 K2 #3 820g",
            "2027-06-12", "2027-06-12T14:00",
    ];

    private static readonly string[] OddValues =
        ["null", "true", "[]", "{}", "[null]", "[[[[]]]]", "-1", "0", "1", "1e308", "-1e308", "1e-320", "99999999999999999999", "2147483647", "2147483648",
            "0.1", "\"\"", "\"\\ud800\""];

    private readonly Random random = new(seed);
    private readonly JsonElement schemas = document.GetProperty("components").GetProperty("schemas");

    private readonly (string Method, string Path, JsonElement? What)[] calls =
    [
        .. document.GetProperty("paths").EnumerateObject().SelectMany(p => p.Value.EnumerateObject()
            .Select(m => (m.Name.ToUpperInvariant(), p.Name, (JsonElement?)m.Value))),
        .. Files.Select(f => ("GET", f, (JsonElement?)null)),
    ];

    /// <summary>How many different calls there are.</summary>
    public int Calls => calls.Length;

    /// <summary>The next request. A search is asked for only so long as it takes to begin.</summary>
    public HttpRequestMessage Next()
    {
        var (method, path, what) = calls[random.Next(calls.Length)];
        var address = Filled(path);
        var query = new List<string>();
        if (what?.TryGetProperty("parameters", out var parameters) == true)
            foreach (var parameter in parameters.EnumerateArray().Where(p => p.GetProperty("in").GetString() == "query" && random.Next(3) > 0))
                for (var times = random.Next(1, 3); times > 0; times--)
                    query.Add($"{parameter.GetProperty("name").GetString()}={Uri.EscapeDataString(Plain(parameter.GetProperty("name").GetString()!))}");
        var request = new HttpRequestMessage(new HttpMethod(method),
            new Uri(address + (query.Count > 0 ? "?" + string.Join('&', query) : ""), UriKind.Relative));
        if (what?.TryGetProperty("requestBody", out var body) == true) request.Content = Body(body.GetProperty("content").EnumerateObject().First());
        return request;
    }

    private StringContent Body(JsonProperty content)
    {
        var text = content.Name == "application/json" ? Value(content.Value.GetProperty("schema"), "", 0) : File();
        if (random.Next(40) == 0) text = text[..random.Next(text.Length + 1)];
        var body = new StringContent(text, Encoding.UTF8, content.Name);
        if (random.Next(30) == 0) body.Headers.TryAddWithoutValidation("Content-Type", "x");
        if (random.Next(30) == 0) body.Headers.ContentType = random.Next(3) switch
        {
            0 => null,
            1 => new("text/plain"),
            _ =>
            new(content.Name) { CharSet = "utf-7" }
        };
        return body;
    }

    private string File() => random.Next(4) switch
    {
        0 => $"kind;name;{Plain("figure")}\nbody;{Plain("name")};{Plain("figure")}\n",
        1 => $$"""{"format":"yoke-pair/locker","version":1,"things":[{{Value(schemas.GetProperty("Item"), "things", 2)}}],"""
            + $$""""pairs":[{{Value(schemas.GetProperty("PairRule"), "pairs", 2)}}]}"""",
        2 => $"BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:{Plain("start")}\r\nDURATION:{Plain("text")}\r\n"
            + $"RRULE:FREQ=DAILY;COUNT={Plain("number")}\r\nSUMMARY:{Plain("name")}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
        _ => string.Concat(Enumerable.Range(0, random.Next(40)).Select(_ => (char)random.Next(1, 0x2000))),
    };

    private string Filled(string path) => string.Join('/', path.Split('/')
        .Select(part => part.StartsWith('{') ? Uri.EscapeDataString(Plain(part.Trim('{', '}'))) is { Length: > 0 } text ? text : "_" : part));

    /// <summary>A text in place of something of that name, as an address has it.</summary>
    private string Plain(string name) => Text(name).Replace("\\ud800", "\uFFFD", StringComparison.Ordinal)
        .Replace("\\udc00", "\uFFFD", StringComparison.Ordinal).Replace("\\n", "\n", StringComparison.Ordinal)
        .Replace("\\u0000", "", StringComparison.Ordinal).Replace("\\\"", "\"", StringComparison.Ordinal);

    private string Text(string name) =>
        known.TryGetValue(name, out var texts) && random.Next(6) > 0 ? texts[random.Next(texts.Length)]
        : random.Next(60) == 0 ? new string("a 1,:/\u00e9"[random.Next(7)], random.Next(20_000))
        : Odd[random.Next(Odd.Length)];

    private string Value(JsonElement schema, string name, int depth)
    {
        if (random.Next(25) == 0) return OddValues[random.Next(OddValues.Length)];
        if (schema.TryGetProperty("$ref", out var to)) return Value(schemas.GetProperty(to.GetString()!.Split('/')[^1]), name, depth);
        foreach (var choice in (string[])["anyOf", "oneOf"])
            if (schema.TryGetProperty(choice, out var among)) return Value(among[random.Next(among.GetArrayLength())], name, depth);
        if (schema.TryGetProperty("enum", out var words)) return words[random.Next(words.GetArrayLength())].GetRawText();
        return Kind(schema) switch
        {
            "object" => Object(schema, depth),
            "array" => depth > MostDepth ? "[]"
                : $"[{string.Join(',', Enumerable.Range(0, Count(schema)).Select(_ => Value(schema.GetProperty("items"), name, depth + 1)))}]",
            "integer" => known.TryGetValue(name, out var numbers) && random.Next(4) > 0 ? numbers[random.Next(numbers.Length)] : random.Next(-2, 300)
                .ToString(CultureInfo.InvariantCulture),
            "number" => (random.Next(-10, 2000) / (double)random.Next(1, 50)).ToString("R", CultureInfo.InvariantCulture),
            "boolean" => random.Next(2) == 0 ? "true" : "false",
            _ => $"\"{Text(name)}\"",
        };
    }

    private int Count(JsonElement schema) => schema.TryGetProperty("minItems", out var least) && random.Next(10) > 0 ? least.GetInt32() : random.Next(4);

    private string? Kind(JsonElement schema)
    {
        if (!schema.TryGetProperty("type", out var type)) return null;
        if (type.ValueKind == JsonValueKind.String) return type.GetString();
        var kinds = type.EnumerateArray().Select(t => t.GetString()).Where(t => t != "null").ToList();
        return kinds[random.Next(kinds.Count)];
    }

    private string Object(JsonElement schema, int depth)
    {
        if (!schema.TryGetProperty("properties", out var properties)) return random.Next(2) == 0 ? "{}"
            : $"{{\"{Text("key")}\":{OddValues[random.Next(OddValues.Length)]}}}";
        var required = schema.TryGetProperty("required", out var asked) ? asked.EnumerateArray().Select(r => r.GetString()).ToHashSet() : [];
        var fields = properties.EnumerateObject().Where(p => required.Contains(p.Name) ? random.Next(30) > 0 : depth <= MostDepth && random.Next(3) == 0)
            .Select(p => $"\"{p.Name}\":{(p.Value.TryGetProperty("const", out var constant) ? constant.GetRawText() : Value(p.Value, p.Name, depth + 1))}");
        return $"{{{string.Join(',', fields)}}}";
    }
}
