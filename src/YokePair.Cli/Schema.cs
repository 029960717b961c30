using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Cli;

/// <summary>The JSON Schemas of plan files and kinds of part, made from the types that read them so that the two cannot differ.</summary>
public static class Schema
{
    /// <summary>The schema as published in docs/plan-file.schema.json.</summary>
    public static string Text() => Titled("Yoke Pair plan file, version 1", Of(typeof(Plan))).ToJsonString(PlanFile.JsonOptions);

    /// <summary>
    /// The schema of kinds of part, as published in docs/part-kinds.schema.json: a need there is one of a plan file with any of its fields,
    /// or in the craft's words, and nothing else, so that a misspelt name is found.
    /// </summary>
    public static string Kinds()
    {
        var file = Of(typeof(KindFile));
        var need = (JsonObject)Of(typeof(Need))["properties"]!.DeepClone();
        need["subject"] = new JsonObject
        {
            ["enum"] = new JsonArray([.. Enum.GetNames<Subject>()
            .Select(s => (JsonNode)JsonNamingPolicy.CamelCase.ConvertName(s))])
        };
        need["distanceM"] = Of(typeof(Interval)).DeepClone();
        need["because"] = new JsonObject { ["type"] = "string" };
        var kinds = (JsonObject)file["properties"]!["kinds"]!["items"]!;
        kinds["additionalProperties"] = false;
        kinds["properties"]!["needs"] = new JsonObject
        {
            ["type"] = "array",
            ["items"] = new JsonObject { ["type"] = "object", ["properties"] = need, ["required"] = new JsonArray("name"), ["additionalProperties"] = false },
        };
        return Titled("Yoke Pair kinds of part, version 1", file).ToJsonString(PlanFile.JsonOptions);
    }

    private static JsonObject Of(Type type) => (JsonObject)PlanFile.JsonOptions.GetJsonSchemaAsNode(
        type, new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true, TransformSchemaNode = Describe });

    private static JsonObject Titled(string title, JsonObject schema)
    {
        var document = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = title };
        foreach (var (name, value) in schema.ToArray())
        {
            schema.Remove(name);
            document[name] = value;
        }
        return document;
    }

    /// <summary>States the shapes that own converters read: two numbers, one or more texts, a local time.</summary>
    private static JsonNode Describe(JsonSchemaExporterContext context, JsonNode node)
    {
        var type = Nullable.GetUnderlyingType(context.TypeInfo.Type) ?? context.TypeInfo.Type;
        if (type == typeof(Interval))
            return new JsonObject
            {
                ["type"] = new JsonArray("array", "null"),
                ["items"] = new JsonObject { ["type"] = "number" },
                ["minItems"] = 2,
                ["maxItems"] = 2
            };
        if (type == typeof(DateTime))
            return new JsonObject { ["type"] = new JsonArray("string", "null"), ["pattern"] = @"^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$" };
        if (context.PropertyInfo is { Name: "mount" } && type == typeof(IReadOnlyList<string>))
            return new JsonObject { ["type"] = new JsonArray("string", "array"), ["items"] = new JsonObject { ["type"] = "string" } };
        return node;
    }
}
