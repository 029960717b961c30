using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using YokePair.Core.Basics;

namespace YokePair.Web;

/// <summary>The OpenAPI document, from which the page's types are generated.</summary>
internal static class ApiDocument
{
    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info.Title = "Yoke Pair";
            // The address differs from run to run; the document must not.
            document.Servers?.Clear();
            return Task.CompletedTask;
        });
        options.AddSchemaTransformer((schema, context, _) =>
        {
            var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
            if (type == typeof(Interval))
            {
                schema.Type = JsonSchemaType.Array;
                schema.Items = new OpenApiSchema { Type = JsonSchemaType.Number };
                (schema.MinItems, schema.MaxItems) = (2, 2);
            }
            else if (context.JsonPropertyInfo is { Name: "mount" } && type == typeof(IReadOnlyList<string>))
            {
                schema.Type = JsonSchemaType.String | JsonSchemaType.Array;
                schema.Items = new OpenApiSchema { Type = JsonSchemaType.String };
            }
            else if (type == typeof(DateTime))
            {
                // Local times as a plan file writes them, not instants.
                schema.Type = type == context.JsonTypeInfo.Type ? JsonSchemaType.String : JsonSchemaType.String | JsonSchemaType.Null;
                schema.Format = null;
            }
            // What the server always writes is never missing for those who read it, whether or not a file may leave it out.
            foreach (var property in context.JsonTypeInfo.Properties)
                if (schema.Properties?.ContainsKey(property.Name) == true && AlwaysWritten(property)) (schema.Required ??= new HashSet<string>())
                    .Add(property.Name);
            return Task.CompletedTask;
        });
    }

    private static bool AlwaysWritten(JsonPropertyInfo property) => property.PropertyType.IsValueType
        ? Nullable.GetUnderlyingType(property.PropertyType) is null
        : !property.IsGetNullable;
}
