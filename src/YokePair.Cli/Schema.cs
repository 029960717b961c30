using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Cli;

/// <summary>The JSON Schema of plan files, made from the types that read them so that the two cannot differ.</summary>
public static class Schema
{
    /// <summary>The schema as published in docs/plan-file.schema.json.</summary>
    public static string Text()
    {
        var schema = (JsonObject)PlanFile.JsonOptions.GetJsonSchemaAsNode(typeof(Plan), new JsonSchemaExporterOptions
        {
            TreatNullObliviousAsNonNullable = true,
            TransformSchemaNode = Describe,
        });
        var document = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "Yoke Pair plan file, version 1",
        };
        foreach (var (name, value) in schema.ToArray())
        {
            schema.Remove(name);
            document[name] = value;
        }
        return document.ToJsonString(PlanFile.JsonOptions);
    }

    /// <summary>States the shapes that own converters read: two numbers, one or more texts, a local time.</summary>
    private static JsonNode Describe(JsonSchemaExporterContext context, JsonNode node)
    {
        var type = Nullable.GetUnderlyingType(context.TypeInfo.Type) ?? context.TypeInfo.Type;
        if (type == typeof(Interval))
            return new JsonObject { ["type"] = new JsonArray("array", "null"), ["items"] = new JsonObject { ["type"] = "number" }, ["minItems"] = 2, ["maxItems"] = 2 };
        if (type == typeof(DateTime))
            return new JsonObject { ["type"] = new JsonArray("string", "null"), ["pattern"] = @"^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2})?$" };
        if (context.PropertyInfo is { Name: "mount" } && type == typeof(IReadOnlyList<string>))
            return new JsonObject { ["type"] = new JsonArray("string", "array"), ["items"] = new JsonObject { ["type"] = "string" } };
        return node;
    }
}
